/** What the keys do to a picture: go to its shot, make it again, accept its drift. */
import { useNavigate } from "react-router";

import type { Film, Shot } from "../../api/client";
import { useChange, useStart } from "../../api/film";
import { keysOf } from "../../keys/useKeys";
import { notify } from "../../state/notices";
import { seek, selected } from "../../state/playhead";
import { acceptance, driftOf } from "./drift";

export interface Deeds {
  /** Selects a shot, so that the strip below and the other views stand at it. */
  point: (shot: Shot) => void;
  go: (shot: Shot) => void;
  again: (shot: Shot) => void;
  /** Accepts what departs of somebody (null: of the whole picture), or looks at it again. */
  accept: (shot: Shot, person: number | null) => void;
  onKey: (e: React.KeyboardEvent, shot: Shot, person: number | null) => void;
}

export function useDeeds(film: Film): Deeds {
  const change = useChange(film.id);
  const start = useStart(film.id);
  const navigate = useNavigate();
  const point = (shot: Shot) => {
    selected.set(shot.id);
    seek(shot.start);
  };
  const go = (shot: Shot) => {
    point(shot);
    void navigate(`/film/${film.id}/sheet`);
  };
  const again = (shot: Shot) => {
    const whose = film.shots.find((s) => s.id === shot.picture_of) ?? shot;
    start.mutate({ kind: "pictures", shots: [whose.id], takes: 1 });
    notify(`The picture of shot ${whose.edge} is made again.`);
  };
  const accept = (shot: Shot, person: number | null) => {
    const drift = driftOf(shot, person);
    if (!drift?.about.length) return;
    const accepting = drift.open > 0;
    change.mutate(acceptance(shot, drift, accepting));
    notify(
      accepting
        ? `The drift of shot ${shot.edge} is accepted until its picture changes.`
        : `The drift of shot ${shot.edge} counts again.`,
    );
  };
  const onKey = (e: React.KeyboardEvent, shot: Shot, person: number | null) =>
    keysOf("departure", {
      again: () => again(shot),
      accept: () => accept(shot, person),
      go: () => go(shot),
    })(e);
  return { point, go, again, accept, onKey };
}
