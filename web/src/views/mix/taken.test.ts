/** Points that are nearer than a finger are not taken one for the other, and none is half out of sight. */
import { expect, test } from "vitest";

import { taken } from "./LevelLine";

const at = (...frames: number[]) => frames.map((frame) => ({ frame, gain: 0 }));

test("of points that are near each other the first is taken", () => {
  expect(taken(at(20, 30, 50, 80), (f) => f, 1000).map((p) => p.room)).toEqual([
    true,
    false,
    true,
    true,
  ]);
  // A second that is twice as tall gives all of them room.
  expect(taken(at(20, 32, 50, 80), (f) => f * 2, 1000).every((p) => p.room)).toBe(true);
});

test("the first and the last stay in sight", () => {
  expect(taken(at(0, 1000), (f) => f, 1000).map((p) => p.top)).toEqual([12, 988]);
});
