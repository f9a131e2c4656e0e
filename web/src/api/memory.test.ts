import { expect, test } from "vitest";

import type { Schemas } from "./client";
import { type Delta, filmOf, patched, remembered, withWindow } from "./memory";

type View = Schemas["ShotView"];

const view = (id: number, words: number, more: Partial<View> = {}) =>
  ({
    id,
    edge: String(id),
    words,
    scene: 0,
    text: `shot ${id}`,
    takes: [],
    used: null,
    ...more,
  }) as View;

const opened = {
  state: "a-1",
  head: { id: "f", revision: 1, title: "Film", fps: "24", frames: 120, prompt_cap: 400 },
  shots: [
    [1, "1", 2, 48, 0, 0],
    [2, "2", 3, 48, 0, 7],
    [3, "3", 1, 24, 1, 1],
  ],
} as unknown as Schemas["OpenedFilm"];

const told: Schemas["ManuscriptWindow"] = {
  text: "The lamp was dark now. Row.",
  words: [
    [0, 3, 11, 0],
    [1, 4, 12, 0],
    [1, 3, 13, 0],
    [1, 4, 14, 0],
    [1, 4, 15, 0],
    [1, 4, 16, 1],
  ],
  lines: [
    {
      words: 5,
      speaker: null,
      voice: "alder",
      why: "",
      media: null,
      after: 0.35,
      seconds: null,
      peaks: [],
      said: "",
    },
    {
      words: 1,
      speaker: "Ada",
      voice: "briony",
      why: "",
      media: null,
      after: 2.5,
      seconds: 1.2,
      peaks: [],
      said: "",
    },
  ],
  captions: [
    { after: 0.35, seconds: 2, lines: ["The lamp was dark now."] },
    { after: 0.5, seconds: 1, lines: ["Row."] },
  ],
  cues: [
    {
      id: "ambience-1",
      kind: "ambience",
      prompt: "wind",
      shot: 1,
      last: 2,
      after: null,
      seconds: null,
      why: "",
      made: false,
      media: null,
      choice: null,
      word: null,
      makings: {},
      theme: "",
      notes: null,
    },
    {
      id: "spot-16",
      kind: "spot",
      prompt: "a bell",
      shot: 3,
      last: 3,
      after: 3.25,
      seconds: 1.6,
      why: "",
      made: true,
      media: null,
      choice: null,
      word: null,
      makings: {},
      theme: "",
      notes: null,
    },
  ],
};

const first = () => withWindow(remembered(opened, told), [view(1, 2), view(2, 3), view(3, 1)]);

const delta = (more: Partial<Delta>): Delta =>
  ({ since: "a-1", state: "a-2", reopen: false, head: {}, shots: [], ...more }) as Delta;

test("everything stands where what is before it ends", () => {
  const film = filmOf(first());
  expect(film.words.map(([start, end]) => told.text.slice(start, end))).toEqual([
    "The",
    "lamp",
    "was",
    "dark",
    "now.",
    "Row.",
  ]);
  expect(film.words.map((w) => w[3])).toEqual([0, 0, 0, 0, 0, 1]);
  expect(film.shots.map((s) => [s.first, s.end, s.start, s.stop])).toEqual([
    [0, 2, 0, 48],
    [2, 5, 48, 96],
    [5, 6, 96, 120],
  ]);
  expect(film.lines.map((l) => [l.first, l.end, l.start])).toEqual([
    [0, 5, 0.35],
    [5, 6, 2.85],
  ]);
  expect(film.captions.map((c) => [c.start, c.end])).toEqual([
    [0.35, 2.35],
    [2.85, 3.85],
  ]);
  expect(film.cues.map((c) => [c.start, c.end])).toEqual([
    [0, 4],
    [3.25, 4.85],
  ]);
});

test("a shot that is not loaded yet has its outline", () => {
  const film = filmOf(remembered(opened, told));
  expect(film.shots.map((s) => [s.loaded, s.used !== null, s.stale, s.measured])).toEqual([
    [false, false, false, false],
    [false, true, true, true],
    [false, true, false, false],
  ]);
  const some = filmOf(withWindow(remembered(opened, told), [view(2, 3)]));
  expect(some.shots.map((s) => s.loaded)).toEqual([false, true, false]);
});

test("what was told since it was opened is not undone by a window of before", () => {
  const changed = patched(
    remembered(opened, told),
    delta({ shots: [view(2, 3, { text: "new" })] }),
  )!;
  const later = withWindow(changed, [view(2, 3, { text: "old" }), view(3, 1)]);
  expect(filmOf(later).shots[1]!.text).toBe("new");
});

test("a cut mark changes the shots it cuts, and the rest stay the very same objects", () => {
  const memory = first();
  const film = filmOf(memory);
  const marked = patched(
    memory,
    delta({
      order: { at: 2, remove: 0, insert: [4] },
      frames: { at: 1, remove: 1, insert: [30, 18] },
      shots: [view(2, 1), view(4, 2)],
      head: { revision: 2 },
    }),
  )!;
  const after = filmOf(marked, { memory, film });
  expect(after.shots.map((s) => [s.id, s.first, s.end, s.start, s.stop])).toEqual([
    [1, 0, 2, 0, 48],
    [2, 2, 3, 48, 78],
    [4, 3, 5, 78, 96],
    [3, 5, 6, 96, 120],
  ]);
  expect(after.shots[0]).toBe(film.shots[0]);
  expect(after.shots[3]).toBe(film.shots[2]);
  expect(after.words).toBe(film.words);
  expect(after.revision).toBe(2);
});

test("words edited early move what stands behind them, and are told by what changed alone", () => {
  const memory = first();
  const edited = patched(
    memory,
    delta({
      text: { at: 4, remove: 4, insert: "lantern" },
      words: { at: 1, remove: 1, insert: [[1, 7, 12, 0]] },
      lines: { at: 1, remove: 1, insert: [{ ...told.lines[1]!, after: 2.75 }] },
    }),
  )!;
  const film = filmOf(edited, { memory, film: filmOf(memory) });
  expect(film.text).toBe("The lantern was dark now. Row.");
  expect(film.words.map(([start, end]) => film.text.slice(start, end)).at(-1)).toBe("Row.");
  expect(film.lines[1]!.start).toBeCloseTo(3.1);
});

test("a shot that is gone is forgotten", () => {
  const lifted = patched(
    first(),
    delta({
      order: { at: 1, remove: 1, insert: [] },
      frames: { at: 0, remove: 2, insert: [96] },
      shots: [view(1, 5)],
    }),
  )!;
  expect([...lifted.shots.keys()]).toEqual([1, 3]);
  expect(filmOf(lifted).shots.map((s) => s.end)).toEqual([5, 6]);
});

test("a change of a state that is not known is not taken", () => {
  expect(patched(first(), delta({ since: "a-0" }))).toBeNull();
  expect(patched(first(), delta({ reopen: true }))).toBeNull();
});

test("sounds change in several places at once, each counted in what was there before", () => {
  const [wind, bell] = told.cues;
  const added = { ...wind!, id: "ambience-9", prompt: "waves" };
  const memory = patched(
    first(),
    delta({
      cues: [
        { at: 0, remove: 0, insert: [added] },
        { at: 1, remove: 1, insert: [{ ...bell!, prompt: "a gong" }] },
      ],
    }),
  )!;
  expect(memory.cues.map((c) => c.prompt)).toEqual(["waves", "wind", "a gong"]);
});
