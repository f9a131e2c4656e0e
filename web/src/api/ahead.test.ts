import { describe, expect, it } from "vitest";

import { ahead } from "./ahead";
import type { Command, Film, Shot } from "./client";

const TEXT = "one two three four five six seven eight";
const words = [...TEXT.matchAll(/\S+/g)].map((m, i) => [
  m.index,
  m.index + m[0].length,
  i + 101,
  0,
]);
const shot = (id: number, first: number, end: number, start: number, stop: number) =>
  ({
    id,
    edge: String(id),
    first,
    end,
    start,
    stop,
    text: "",
    remarks: [{}],
    takes: [],
  }) as unknown as Shot;
const film = {
  text: TEXT,
  words,
  frames: 80,
  shots: [shot(1, 0, 4, 0, 40), shot(2, 4, 8, 40, 80)],
} as unknown as Film;
const ranges = (f: Film | null) => f?.shots.map((s) => [s.first, s.end, s.start, s.stop]);
const run = (command: Partial<Command>) => ahead(film, command as Command);

describe("cut marks ahead of the server", () => {
  it("sets a mark and divides time by words", () => {
    const next = run({ type: "set mark", word: 103, same_picture: false });
    expect(ranges(next)).toEqual([
      [0, 2, 0, 20],
      [2, 4, 20, 40],
      [4, 8, 40, 80],
    ]);
    expect(next!.shots.slice(0, 2).map((s) => s.text)).toEqual(["one two", "three four"]);
    expect(next!.shots[1]!.id).toBe(-103);
  });

  it("lifts and pushes marks so that every word stays in one shot", () => {
    expect(ranges(run({ type: "lift mark", shot: 2 }))).toEqual([[0, 8, 0, 80]]);
    expect(ranges(run({ type: "push mark", shot: 2, words: 2 }))).toEqual([
      [0, 6, 0, 60],
      [6, 8, 60, 80],
    ]);
    expect(ranges(run({ type: "push mark", shot: 2, words: -1 }))).toEqual([
      [0, 3, 0, 30],
      [3, 8, 30, 80],
    ]);
  });

  it("leaves to the server what it cannot foresee", () => {
    expect(run({ type: "push mark", shot: 2, words: 4 })).toBeNull();
    expect(run({ type: "lift mark", shot: 1 })).toBeNull();
    expect(run({ type: "rename film", title: "x" })).toBeNull();
  });
});
