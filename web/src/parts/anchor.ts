/** A moment of the film, held to the word that is said there: it moves with it. */
import { wordAt } from "./following";

type Word = readonly [number, number, number, ...unknown[]];

export interface Anchor {
  /** The number of the word. */
  word: number;
  /** Frames behind its beginning. */
  later: number;
}

/** The word that is said at a frame, or was said last before it, and how many frames that is behind its beginning. */
export function anchored(
  frame: number,
  moments: readonly number[],
  words: readonly Word[],
): Anchor | null {
  const last = words.length - 1;
  const said = frame >= (moments.at(-1) ?? 0) ? last : Math.max(0, wordAt(moments, frame));
  const word = words[Math.min(last, said)];
  return word ? { word: word[2], later: Math.round(frame - (moments[said] ?? 0)) } : null;
}
