/** Shots that are chosen together on the Sheet, by their numbers. */
import { createStore } from "./store";

export const chosen = createStore<ReadonlySet<number>>(new Set());

/** One more, or one less. */
export const toggle = (shot: number) =>
  chosen.set((before) => {
    const now = new Set(before);
    if (!now.delete(shot)) now.add(shot);
    return now;
  });

export const choose = (shots: Iterable<number>) => chosen.set(new Set(shots));
