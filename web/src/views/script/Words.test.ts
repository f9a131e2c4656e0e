import { describe, expect, it } from "vitest";

import type { Film } from "../../api/client";
import { toggled } from "../../parts/Places";
import { charactersOf } from "./Words";

const words = Array.from({ length: 9 }, (_, i) => [i * 10, i * 10 + 6, i + 1, 0]);
const film = {
  words,
  scenes: [
    { first: 0, end: 4 },
    { first: 4, end: 9 },
  ],
} as unknown as Film;

describe("what a rework covers", () => {
  it("is the marked words, the scene at the cursor, or the film", () => {
    expect(charactersOf(film, "passage", { from: 2, to: 5 }, 0)).toEqual([20, 56]);
    expect(charactersOf(film, "scene", null, 1)).toEqual([0, 36]);
    expect(charactersOf(film, "scene", null, 7)).toEqual([40, 86]);
    expect(charactersOf(film, "film", { from: 2, to: 3 }, 7)).toEqual([0, 86]);
    expect(charactersOf(film, "passage", null, 7)).toEqual([0, 86]);
  });

  it("leaves out what is toggled and takes it back", () => {
    const once = toggled(new Set([1, 2]), 2);
    expect([...once]).toEqual([1]);
    expect([...toggled(once, 2)]).toEqual([1, 2]);
  });
});
