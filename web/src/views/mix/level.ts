/** A level line as it is drawn: points in frames, between which it goes evenly. */
import type { Schemas } from "../../api/client";
import { anchored } from "../../parts/anchor";
import { LEAST, MOST } from "./scale";

export interface Point {
  frame: number;
  gain: number;
}

const HOLDS = 1.5;
/** Seconds around a bend beyond which the line stays as it was. */
const STEP = 0.5;
const FARTHEST = 2_400;

export function gainAt(points: readonly Point[], frame: number): number {
  if (!points.length) return 0;
  const next = points.findIndex((p) => p.frame >= frame);
  if (next === -1) return points.at(-1)!.gain;
  const after = points[next]!;
  const before = points[next - 1];
  if (!before) return after.gain;
  const share = (frame - before.frame) / (after.frame - before.frame);
  return before.gain + share * (after.gain - before.gain);
}

const within = (gain: number) =>
  Math.min(MOST, Math.max(LEAST, Math.round(gain / STEP) * STEP)) || 0;

const put = (points: readonly Point[], more: readonly Point[]): Point[] =>
  [...points.filter((p) => !more.some((m) => m.frame === p.frame)), ...more].sort(
    (a, b) => a.frame - b.frame,
  );

/** The line with a point at a frame, so that it can be bent there; beside it what is farther away is held. Which of the
 * points that is. */
export function bent(
  points: readonly Point[],
  frame: number,
  rate: number,
  frames: number,
): [Point[], number] {
  const near = HOLDS * rate;
  const anchors = [frame - near, frame + near]
    .map((f) => Math.round(Math.min(frames, Math.max(0, f))))
    .filter(
      (f) =>
        f !== frame &&
        !points.some((p) => Math.abs(p.frame - frame) <= near && sameSide(p.frame, f, frame)),
    );
  const all = [frame, ...anchors].map((f) => ({ frame: f, gain: within(gainAt(points, f)) }));
  const out = put(points, all);
  return [out, out.findIndex((p) => p.frame === frame)];
}

const sameSide = (a: number, b: number, middle: number) => a < middle === b < middle;

/** The line with one of its points elsewhere; none passes another. */
export function moved(points: readonly Point[], at: number, frame: number, gain: number): Point[] {
  const least = (points[at - 1]?.frame ?? -1) + 1;
  const most = (points[at + 1]?.frame ?? Infinity) - 1;
  const to = { frame: Math.round(Math.min(most, Math.max(least, frame))), gain: within(gain) };
  return points.map((p, i) => (i === at ? to : p));
}

export const without = (points: readonly Point[], at: number) => points.filter((_, i) => i !== at);

/** The line lower by some decibels from one frame to another, let down and up over a moment. */
export function lowered(
  points: readonly Point[],
  start: number,
  stop: number,
  less: number,
  rate: number,
): Point[] {
  const ramp = Math.round(0.4 * rate);
  const outer = [Math.max(0, start - ramp), stop + ramp].map((frame) => ({
    frame,
    gain: gainAt(points, frame),
  }));
  const inner = points
    .filter((p) => p.frame > start && p.frame < stop)
    .map((p) => ({ ...p, gain: within(p.gain - less) }));
  const ends = [start, stop].map((frame) => ({
    frame,
    gain: within(gainAt(points, frame) - less),
  }));
  const rest = points.filter((p) => p.frame < outer[0]!.frame || p.frame > outer[1]!.frame);
  return put(rest, [...outer, ...ends, ...inner]);
}

type Word = readonly [number, number, number, ...unknown[]];

/** The points as they are kept: each holds to the word that is said there. */
export function held(
  points: readonly Point[],
  moments: readonly number[],
  words: readonly Word[],
): Schemas["LevelPoint"][] {
  return points.flatMap(({ frame, gain }) => {
    const at = anchored(frame, moments, words);
    return at && Math.abs(at.later) <= FARTHEST ? [{ ...at, gain }] : [];
  });
}
