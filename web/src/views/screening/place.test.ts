import { describe, expect, it } from "vitest";

import type { Film, Shot } from "../../api/client";
import {
  type Point,
  drawnOn,
  handleOf,
  isAstray,
  lineThrough,
  metIn,
  paceOf,
  placeOf,
  shotAt,
} from "./place";

const shot = (id: number, first: number, end: number, start: number, stop: number) =>
  ({ id, first, end, start, stop }) as Shot;
/** Three shots; the second has no words. Words are numbered from 11. */
const film = {
  shots: [shot(1, 0, 2, 0, 48), shot(2, 2, 2, 48, 72), shot(3, 2, 4, 72, 120)],
  words: [0, 1, 2, 3].map((n) => [n * 5, n * 5 + 4, 11 + n, 0]),
} as unknown as Film;
const moments = [4, 20, 80, 100, 116];

describe("where a note stands", () => {
  it("is told by the word that is said, or was said last in the shot", () => {
    expect(placeOf(film, moments, 25)).toEqual({ shot: 1, word: 12, later: 5 });
    expect(placeOf(film, moments, 47)).toEqual({ shot: 1, word: 12, later: 27 });
    expect(placeOf(film, moments, 119)).toEqual({ shot: 3, word: 14, later: 19 });
  });
  it("is before the first word where nothing was said yet", () => {
    expect(placeOf(film, moments, 1)).toEqual({ shot: 1, word: 11, later: -3 });
  });
  it("is told by the shot where that has no words, or its words are not known yet", () => {
    expect(placeOf(film, moments, 60)).toEqual({ shot: 2, word: null, later: 12 });
    expect(placeOf(film, [], 80)).toEqual({ shot: 3, word: null, later: 8 });
  });
  it("is in the last shot behind the end", () => {
    expect(shotAt(film, 500).id).toBe(3);
  });
});

describe("another cut in step", () => {
  const timed = { ...film, fps: "24" } as Film;
  const other = {
    fps: "12",
    shots: [shot(3, 0, 2, 0, 12), shot(1, 2, 4, 12, 60)],
  } as unknown as Film;
  it("is at the same second of the same shot, at its own rate", () => {
    expect(metIn(timed, other, 24)).toEqual({ at: 24, waits: false });
    expect(metIn(timed, other, 72)).toEqual({ at: 0, waits: false });
  });
  it("waits on the last frame of a shot that is shorter there", () => {
    expect(metIn(timed, other, 119)).toEqual({ at: 11, waits: true });
  });
  it("is nowhere in a shot that it has not", () => {
    expect(metIn(timed, other, 50)).toBeNull();
  });
  it("may be a little off while it plays, and not when it rests", () => {
    expect(isAstray(1.3, 1, true)).toBe(false);
    expect(isAstray(1.05, 1, false)).toBe(true);
    expect(isAstray(2, 1, true)).toBe(true);
  });
});

describe("a film that is behind", () => {
  it("plays a little quicker, never so that it is heard as wrong", () => {
    expect(paceOf(0)).toBe(1);
    expect(paceOf(0.2)).toBeCloseTo(1.1);
    expect(paceOf(-0.2)).toBeCloseTo(0.9);
    expect(paceOf(9)).toBe(1.25);
  });
});

describe("a line that is drawn", () => {
  it("keeps points that are a step apart, inside the picture", () => {
    const one = drawnOn([[0.5, 0.5]], [0.501, 0.5]);
    expect(one).toEqual([[0.5, 0.5]]);
    expect(drawnOn(one, [1.4, -0.2])).toEqual([
      [0.5, 0.5],
      [1, 0],
    ]);
  });
  it("ends when it has very many points", () => {
    let line: Point[] = [[0, 0]];
    for (let i = 0; i < 1000; i++) line = drawnOn(line, [(i % 50) / 50, (i % 7) / 7]);
    expect(line.length).toBeLessThanOrEqual(390);
  });
  it("is closed and soft where it encloses something, and straight where it does not", () => {
    const square: Point[] = [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ];
    const path = lineThrough(square, 160, 90);
    expect(path.startsWith("M80 0Q160 0 160 45")).toBe(true);
    expect(path.endsWith("Z")).toBe(true);
    expect(lineThrough(square.slice(0, 2), 160, 90)).toBe("M0 0L160 0");
  });
  it("is known by its upper right", () => {
    expect(
      handleOf([
        [0.2, 0.8],
        [0.8, 0.1],
        [0.5, 0.5],
      ]),
    ).toEqual([0.8, 0.1]);
  });
});
