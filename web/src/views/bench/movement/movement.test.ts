import { expect, test } from "vitest";

import { shortly } from "./names";
import { boxOf, moved, sized } from "./paths";
import { apart } from "./words";

test("a frame that is dragged stays inside its picture", () => {
  const frame = { x: 0.5, y: 0.5, zoom: 2 };
  expect(boxOf(moved(frame, 5, -5))).toEqual([0.5, 0, 1, 0.5]);
  expect(moved(frame, 0.1, 0)).toEqual({ x: 0.6, y: 0.5, zoom: 2 });
  expect(boxOf(moved({ x: 0, y: 0, zoom: 1 }, 0, 0))).toEqual([0, 0, 1, 1]);
});

test("a frame by its corner is nearer or further, never beyond what a path may be", () => {
  const frame = { x: 0.5, y: 0.5, zoom: 2 };
  expect(sized(frame, 0.25).zoom).toBe(1);
  expect(sized(frame, 3).zoom).toBe(1);
  expect(sized(frame, -0.1).zoom).toBeCloseTo(1 / 0.3);
  expect(sized(frame, -3).zoom).toBe(6);
});

test("words stand at their time, and never one upon another", () => {
  expect(apart([0, 0.5, 0.9], 0.1)).toEqual([0, 0.5, 0.9]);
  const close = apart([0.1, 0.1, 0.12, 0.9], 0.1);
  for (const [i, at] of close.entries()) if (i) expect(at - close[i - 1]!).toBeGreaterThan(0.0999);
  const late = apart([0.98, 0.99, 1], 0.1);
  expect(late.at(-1)!).toBeLessThanOrEqual(0.9001);
  const many = apart(
    Array.from({ length: 60 }, (_, i) => i / 60),
    0.1,
  );
  expect(many.at(-1)!).toBeLessThanOrEqual(1);
  expect(apart([], 0.1)).toEqual([]);
});

test("somebody is called by their first name, a heron is a heron", () => {
  expect([shortly("Maren Oake"), shortly("the heron"), shortly("Pip")]).toEqual([
    "Maren",
    "heron",
    "Pip",
  ]);
});
