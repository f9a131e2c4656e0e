/** The level lines of the three lanes: as they are kept, and as they are drawn just now. */
import { useCallback, useMemo } from "react";

import type { Film, Schemas } from "../../api/client";
import { useChange } from "../../api/film";
import type { Lane, Mix } from "../../api/mix";
import { useMoments } from "../../parts/following";
import { type Point, held } from "./level";

export type LaneChoice = Schemas["LaneChoice"];

const plain = (lane: Lane): LaneChoice => ({
  lane,
  points: [],
  low_cut: 0,
  bright: 0,
  dip: 0,
  press: 0,
});

export function useLevels(film: Film, mix: Mix | undefined) {
  const change = useChange(film.id);
  const moments = useMoments(film, true);
  const lanes = mix?.lanes;
  const levels = useMemo<Record<Lane, Point[]>>(() => {
    const of = (lane: Lane) =>
      (lanes?.find((l) => l.choice.lane === lane)?.points ?? [])
        .map(({ frame, gain }) => ({ frame, gain }))
        .sort((a, b) => a.frame - b.frame);
    return { voice: of("voice"), sound: of("sound"), music: of("music") };
  }, [lanes]);
  const choiceOf = useCallback(
    (lane: Lane) => lanes?.find((l) => l.choice.lane === lane)?.choice ?? plain(lane),
    [lanes],
  );
  const { mutate } = change;
  const setLane = useCallback(
    (lane: Lane, values: Partial<LaneChoice>) =>
      mutate({ type: "set lane", lane: { ...choiceOf(lane), ...values } }),
    [choiceOf, mutate],
  );
  const setLevel = useCallback(
    (lane: Lane, points: readonly Point[]) => {
      if (moments.length) setLane(lane, { points: held(points, moments, film.words) });
    },
    [film.words, moments, setLane],
  );
  return { levels, choiceOf, setLane, setLevel, ready: moments.length > 0 };
}
