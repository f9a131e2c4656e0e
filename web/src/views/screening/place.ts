/** Where a moment of the film stands, told by its words, so that a note goes with them. */
import type { Film, Shot } from "../../api/client";
import { wordAt } from "../../parts/following";
import { rateOf } from "../../parts/time";

export const shotAt = (film: Film, frame: number): Shot =>
  film.shots.find((s) => frame < s.stop) ?? film.shots[film.shots.length - 1]!;

/** Where another cut is when this one is at a frame: the same moment of the same shot. It waits on the last frame of a
 * shot that is shorter there; null: the shot is not in it. */
export interface Met {
  at: number;
  waits: boolean;
}

export function metIn(film: Film, other: Film, frame: number): Met | null {
  const shot = shotAt(film, frame);
  const there = other.shots.find((s) => s.id === shot.id);
  if (!there) return null;
  const seconds = (frame - shot.start) / rateOf(film.fps);
  const at = there.start + Math.round(seconds * rateOf(other.fps));
  return { at: Math.min(there.stop - 1, at), waits: at >= there.stop };
}

const DRIFT = 0.6;

/** Whether a film at a second has to be set where it should be: one that rests is there to the frame; one that plays is
 * set only when it is far off, since setting it holds it up, and else catches up by its pace. */
export const isAstray = (now: number, wanted: number, plays: boolean) =>
  Math.abs(now - wanted) > (plays ? DRIFT : 0.005);

/** How quickly a film plays that is so many seconds behind where it should be (or before it, below 0). */
export const paceOf = (behind: number) => Math.min(1.25, Math.max(0.75, 1 + behind / 2));

interface Place {
  shot: number;
  word: number | null;
  later: number;
}

/** The shot of a frame, and its word that is said then or was said last; frames behind that. */
export function placeOf(film: Film, moments: readonly number[], frame: number): Place {
  const shot = shotAt(film, frame);
  if (shot.end <= shot.first || !film.words[shot.end - 1] || moments.length <= shot.first)
    return { shot: shot.id, word: null, later: frame - shot.start };
  const said = wordAt(moments, frame);
  // Nothing is said before the first word of a film, and behind its last.
  const silent = frame < moments[shot.first]! ? shot.first : shot.end - 1;
  const index = said < 0 ? silent : Math.min(shot.end - 1, Math.max(shot.first, said));
  return { shot: shot.id, word: film.words[index]![2], later: frame - moments[index]! };
}

export type Point = [number, number];
/** Shares of the picture that the pencil goes before another point is kept. */
const STEP = 0.008;
const MOST = 390;

/** The points of a line with one more, where that is a step away. */
export function drawnOn(points: readonly Point[], [x, y]: Point): Point[] {
  const inside: Point = [Math.min(1, Math.max(0, x)), Math.min(1, Math.max(0, y))];
  const last = points.at(-1);
  if (last && Math.hypot(inside[0] - last[0], inside[1] - last[1]) < STEP) return [...points];
  return points.length >= MOST ? [...points] : [...points, inside];
}

/** A soft line through points, in a picture so many units wide and high; closed where it encloses something. */
export function lineThrough(points: readonly Point[], wide: number, high: number): string {
  const at = points.map(([x, y]) => [x * wide, y * high] as const);
  if (at.length < 3) return at.map(([x, y], i) => `${i ? "L" : "M"}${x} ${y}`).join("");
  const middle = (i: number) => {
    const [a, b] = [at[i]!, at[(i + 1) % at.length]!];
    return `${(a[0] + b[0]) / 2} ${(a[1] + b[1]) / 2}`;
  };
  const parts = at.slice(1).map(([x, y], i) => `Q${x} ${y} ${middle(i + 1)}`);
  return `M${middle(0)}${parts.join("")}Q${at[0]![0]} ${at[0]![1]} ${middle(0)}Z`;
}

/** The point by which a drawn line is known. */
export function handleOf(points: readonly Point[]): Point {
  return points.reduce((best, p) => (p[1] - p[0] < best[1] - best[0] ? p : best), points[0]!);
}
