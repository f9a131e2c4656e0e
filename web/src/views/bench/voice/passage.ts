/** The words that are chosen in a line: one that was clicked, or all from it up to another. */
import { useState } from "react";

export interface Passage {
  /** The numbers of the chosen words. */
  passage: ReadonlySet<number>;
  choose: (word: number, upTo: boolean) => void;
  leave: () => void;
}

/** `words` are the numbers of the line's words, in their order. */
export function usePassage(words: readonly number[]): Passage {
  const [ends, setEnds] = useState<readonly [number, number] | null>(null);
  return {
    passage: new Set(ends ? between(words, ...ends) : []),
    choose: (word, upTo) => setEnds((now) => [upTo && now ? now[0] : word, word]),
    leave: () => setEnds(null),
  };
}

/** The words from one to another, whichever stands first; none where one of them is not there any more. */
export function between(words: readonly number[], one: number, other: number): number[] {
  const [a, b] = [words.indexOf(one), words.indexOf(other)];
  return a < 0 || b < 0 ? [] : words.slice(Math.min(a, b), Math.max(a, b) + 1);
}
