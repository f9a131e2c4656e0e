/** Two voices by turns, passages, and how one taking differs from another. */
import { expect, test } from "vitest";

import type { Heard } from "../../../api/voices";
import { differs } from "./differs";
import { between } from "./passage";
import { turned } from "./turns";

const used = { media: "own.flac", seconds: 4 };
const beside = { media: "other.flac", seconds: 2, title: "Rowan" };

test("the other voice goes on at the same share of the line; the line's own begins", () => {
  expect(turned({ playing: null, now: 0 }, used, beside)).toEqual(["own.flac", 0]);
  expect(turned({ playing: "own.flac", now: 1 }, used, beside)).toEqual(["other.flac", 0.5]);
  expect(turned({ playing: "other.flac", now: 0.5 }, used, beside)).toEqual(["own.flac", 1]);
  expect(turned({ playing: "something.flac", now: 0.5 }, used, beside)).toEqual(["own.flac", 0]);
});

test("a passage goes from the one word to the other, whichever stands first", () => {
  expect(between([7, 9, 4, 5], 9, 5)).toEqual([9, 4, 5]);
  expect(between([7, 9, 4, 5], 5, 9)).toEqual([9, 4, 5]);
  expect(between([7, 9], 9, 9)).toEqual([9]);
  expect(between([7, 9], 9, 3)).toEqual([]);
});

const taking = (seconds: number, peaks: number[]) => ({ seconds, peaks }) as unknown as Heard;

test("what tells one taking from another is said in words", () => {
  const one = taking(2, [80, 80, 40, 40, 40, 40]);
  expect(differs(taking(2.3, [40, 40, 40, 40, 80, 80]), one)).toBe(
    "beside the one used: 0.3 s longer, most weight at the end",
  );
  expect(differs(taking(1.8, [40, 40, 20, 20, 20, 20]), one)).toBe(
    "beside the one used: 0.2 s shorter, softer",
  );
  expect(differs(one, one)).toBe("hardly differs from the one used");
});
