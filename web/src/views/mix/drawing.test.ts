/** What is drawn of a block: where something gives way, and the strokes of a waveform. */
import { expect, test } from "vitest";

import { bites, strokes } from "./drawing";
import { gainAtX, leftOf, levelX, loudnessX, wide } from "./scale";

test("a bite is as long as something gives way, and as deep as it does at most", () => {
  expect(bites([0, -2, -60, -130, -90, 0, 0, -130, -130])).toEqual([
    { from: 2, to: 5, most: 13 },
    { from: 7, to: 9, most: 13 },
  ]);
  expect(bites([0, 0])).toEqual([]);
});

test("a stroke is as wide as the highest value that it stands for", () => {
  const wave = Array.from({ length: 40 }, (_, i) => (i === 21 ? 255 : 10));
  const drawn = strokes(wave, 12, 2);
  expect(drawn).toHaveLength(8);
  expect(drawn.map((v) => v === 255)).toEqual(Array.from({ length: 8 }, (_, n) => n === 4));
  // A stroke that is shorter than a value still has one.
  expect(strokes(wave, 88, 2).every((v) => v > 0)).toBe(true);
});

test("a level is where it is drawn", () => {
  for (const gain of [-36, -6, 0, 12])
    expect(gainAtX("music", levelX("music", gain))).toBeCloseTo(gain);
  expect(leftOf("sound")).toBeGreaterThan(levelX("voice", 12));
  expect(loudnessX(-14, -14)).toBe(loudnessX(-23, -23));
  expect(loudnessX(-60, -14)).toBe(8);
  expect(wide(255, "voice")).toBe(1);
});
