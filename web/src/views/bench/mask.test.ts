import { expect, test } from "vitest";

import { emptyMask, share, stroke, withBox, withLike } from "./mask";

test("boxes are put in and rubbed out, and leave the mask before as it was", () => {
  const before = emptyMask(20, 10);
  const half = withBox(before, [0, 0, 0.5, 1], true);
  expect([share(before), share(half)]).toEqual([0, 0.5]);
  expect(share(withBox(half, [0, 0, 0.25, 1], false))).toBe(0.25);
  expect(share(withBox(before, [-1, -1, 3, 3], true))).toBe(1);
});

test("a stroke is as broad as its brush and has no gaps", () => {
  const mask = emptyMask(100, 40);
  stroke(
    mask,
    [
      [10, 20],
      [90, 20],
    ],
    5,
    true,
  );
  expect(mask.on[20 * 100 + 50]).toBe(1);
  expect(mask.on[15 * 100 + 50]).toBe(1);
  expect(mask.on[13 * 100 + 50]).toBe(0);
  for (let x = 10; x <= 90; x++) expect(mask.on[20 * 100 + x]).toBe(1);
  stroke(mask, [[50, 20]], 5, false);
  expect(mask.on[20 * 100 + 50]).toBe(0);
});

test("like colours are taken as far as they hang together", () => {
  const pixels = new Uint8ClampedArray(10 * 4 * 4).fill(255);
  for (let y = 0; y < 4; y++) pixels.set([200, 30, 30, 255], (y * 10 + 5) * 4);
  expect(share(withLike(emptyMask(10, 4), pixels, 1, 1, 20))).toBe(0.5);
  expect(share(withLike(emptyMask(10, 4), pixels, 5, 0, 20))).toBe(0.1);
  expect(share(withLike(emptyMask(10, 4), pixels, 1, 1, 255))).toBe(1);
});
