import { expect, test } from "vitest";

import type { Mention } from "../../api/meant";
import { markedFor, mentionAt } from "./meant";

const mention = (first: number, people: number[], more: Partial<Mention> = {}): Mention => ({
  first,
  end: first + 1,
  word: first + 100,
  people,
  seen: true,
  why: "by name",
  sure: 1,
  asked: false,
  by_hand: false,
  ...more,
});

const MENTIONS = [
  mention(0, [1], { end: 3 }),
  mention(1, [2]),
  mention(7, [1, 2]),
  mention(9, [3], { sure: 0.5, asked: true }),
  mention(11, [2], { asked: true, by_hand: true }),
];

test("of two that hold a word the narrower is meant", () => {
  expect(mentionAt(MENTIONS, 1)?.people).toEqual([2]);
  expect(mentionAt(MENTIONS, 2)?.people).toEqual([1]);
  expect(mentionAt(MENTIONS, 5)).toBeUndefined();
});

test("all words that mean one of the same people are marked, and those that are asked", () => {
  const { same, unsure } = markedFor(MENTIONS, 0);
  expect([...same].sort((a, b) => a - b)).toEqual([0, 1, 2, 7]);
  expect([...unsure]).toEqual([9]);
});

test("a word that means nobody marks nothing", () => {
  expect(markedFor(MENTIONS, 5).same.size).toBe(0);
});

test("what was answered is not asked again", () => {
  expect(markedFor(MENTIONS, 11).unsure.has(11)).toBe(false);
});
