import { expect, test } from "vitest";

import { marginOf } from "./margin";

/** Lines of the manuscript are 31 pixels high. */
const LINE = 31;

test("with room each number stands at its line, the seconds below", () => {
  expect(marginOf([0, 2 * LINE, 5 * LINE])).toMatchObject({
    tops: [0, 2 * LINE, 5 * LINE],
    low: false,
  });
});

test("shots of neighbouring lines have their seconds beside the number, and stay at their lines", () => {
  expect(marginOf([0, LINE, 2 * LINE])).toMatchObject({ tops: [0, LINE, 2 * LINE], low: true });
});

test.each([2, 3, 5, 9])("%d shots of one line do not cover one another, nor the next", (count) => {
  const { tops, height } = marginOf(Array.from({ length: count }, () => 0));
  tops.slice(1).forEach((top, i) => expect(top - tops[i]!).toBeGreaterThanOrEqual(17));
  expect(height - tops.at(-1)!).toBeGreaterThanOrEqual(17);
});

test("a paragraph without shots of its own asks for no height", () => {
  expect(marginOf([])).toEqual({ tops: [], low: false, height: 0 });
});
