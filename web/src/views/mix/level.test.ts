/** A level line: bent where it is taken, held elsewhere; kept by the words that are said there. */
import { expect, test } from "vitest";

import { bent, gainAt, held, lowered, moved, without } from "./level";

const RATE = 24;
const line = [
  { frame: 100, gain: 0 },
  { frame: 200, gain: -10 },
];

test("between two points it goes evenly, beyond them it stays", () => {
  expect([0, 100, 150, 200, 900].map((f) => gainAt(line, f))).toEqual([0, 0, -5, -10, -10]);
  expect(gainAt([], 50)).toBe(0);
});

test("bent where there is no point, it is held beside the bend", () => {
  const [points, at] = bent([], 500, RATE, 2000);
  expect(points).toEqual([
    { frame: 464, gain: 0 },
    { frame: 500, gain: 0 },
    { frame: 536, gain: 0 },
  ]);
  const low = moved(points, at, 500, -12.2);
  expect(gainAt(low, 500)).toBe(-12);
  expect([gainAt(low, 464), gainAt(low, 536), gainAt(low, 1500)]).toEqual([0, 0, 0]);
});

test("a point that is near holds it already", () => {
  expect(bent(line, 110, RATE, 2000)[0].map((p) => p.frame)).toEqual([100, 110, 146, 200]);
});

test("at the film's beginning it is held behind alone", () => {
  expect(bent([], 0, RATE, 2000)[0].map((p) => p.frame)).toEqual([0, 36]);
});

test("no point passes another, and none goes too far", () => {
  expect(moved(line, 0, 400, 30)).toEqual([{ frame: 199, gain: 12 }, line[1]]);
  expect(moved(line, 1, -20, -80)).toEqual([line[0], { frame: 101, gain: -36 }]);
  expect(without(line, 0)).toEqual([line[1]]);
});

test("lowered under a line, it is as it was before and behind it", () => {
  const low = lowered(line, 140, 180, 6, RATE);
  for (const frame of [100, 120, 130, 190, 200, 500])
    expect(gainAt(low, frame)).toBeCloseTo(gainAt(line, frame), 0);
  expect(gainAt(low, 160)).toBeCloseTo(-12, 0);
});

test("points hold to the words that are said there", () => {
  const words = [
    [0, 3, 71],
    [4, 9, 72],
    [10, 12, 73],
  ] as const;
  const moments = [10, 40, 60, 80];
  const points = [5, 40, 50, 300].map((frame) => ({ frame, gain: -3 }));
  expect(held(points, moments, words).map((p) => [p.word, p.later])).toEqual([
    [71, -5],
    [72, 0],
    [72, 10],
    [73, 240],
  ]);
});
