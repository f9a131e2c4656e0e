/** Which word is said at a frame, and which have room in a column. */
import { expect, test } from "vitest";

import { spaced } from "../views/VoiceColumn";
import { wordAt } from "./following";

const moments = [10, 20, 20, 35, 50];

test("a word is said from its moment to the next one's; before the first and behind the last none is", () => {
  expect([0, 9, 10, 19, 20, 34, 35, 49, 50, 80].map((f) => wordAt(moments, f))).toEqual([
    -1, -1, 0, 0, 2, 2, 3, 3, -1, -1,
  ]);
  expect(wordAt([], 3)).toBe(-1);
});

test("words stand at their moments; of those upon each other the longest does", () => {
  const words = [
    [0, 3],
    [24, 2],
    [26, 7],
    [48, 4],
    [95, 5],
  ].map(([frame, length]) => ({ frame: frame!, length: length! }));
  expect(spaced(words, 0, 96, 96)).toEqual([
    [0, 0],
    [2, 26],
    [3, 48],
  ]);
  expect(spaced([], 0, 0, 96)).toEqual([]);
});
