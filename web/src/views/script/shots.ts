/** Small measures of shots that several desks show. */
import type { Film, Shot } from "../../api/client";
import { rateOf } from "../../parts/time";

export const secondsOf = (film: Film, shot: Shot) => (shot.stop - shot.start) / rateOf(film.fps);
/** Whether a shot has no words. */
export const isHold = (shot: Shot) => shot.first === shot.end;
