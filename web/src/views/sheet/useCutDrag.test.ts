import { expect, it } from "vitest";

import type { Shot } from "../../api/client";
import { heldFor, within } from "./useCutDrag";

const shot = (first: number, end: number, hold = 0) => ({ first, end, hold }) as Shot;

it("keeps a word in both shots, however far a cut is dragged", () => {
  const [before, after] = [shot(0, 5), shot(5, 8)];
  expect([-9, -4, -1, 0, 2, 3, 9].map((n) => within(n, before, after))).toEqual([
    -4, -4, -1, 0, 2, 2, 2,
  ]);
  expect(within(-1, shot(0, 1), shot(1, 2))).toBe(0);
});

it("holds a picture by tenths of a second, never less than not at all", () => {
  expect(heldFor(shot(0, 1, 0.5), 3)).toBeCloseTo(0.8);
  expect(heldFor(shot(0, 1, 0.5), -9)).toBe(0);
  expect(heldFor(shot(0, 1, 599.9), 30)).toBe(600);
});
