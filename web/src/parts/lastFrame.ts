import type { Film, Shot } from "../api/client";

/** The last frame of a shot, small; another where the film changed. */
export const lastFrame = (film: Film, shot: Shot, high = 180) =>
  `/api/films/${film.id}/frame?at=${Math.max(shot.start, shot.stop - 14)}&high=${high}&captions=false&version=${film.revision}`;
