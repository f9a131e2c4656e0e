/** A sound opened at its name: moved, louder, from a side, another, thrown out alone or with all that are alike. */
import { fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Cue, Film } from "../../api/client";
import { SoundDesk } from "./SoundDesk";

const changed: unknown[] = [];
const started: unknown[] = [];
vi.mock("../../api/film", () => ({
  useChange: () => ({ mutate: (c: unknown) => changed.push(c) }),
  useRules: () => ({ music: ["auto", "none", "calm", "sad"], rooms: ["dry", "hall"] }),
  useRuns: () => ({ data: [] }),
  useStart: () => ({ mutate: (wish: unknown) => started.push(wish) }),
}));
vi.mock("../../parts/following", async (load) => ({
  ...(await load<typeof import("../../parts/following")>()),
  useMoments: () => [0, 12, 48, 60, 96],
}));

const bell: Cue = {
  id: "spot-7",
  kind: "spot",
  prompt: "a church bell rings",
  shot: 1,
  last: 1,
  after: 2,
  why: "“rang”",
  made: true,
  media: "bell.flac",
  choice: null,
  word: 7,
  makings: {},
  theme: "",
  notes: null,
  start: 2,
  end: 4,
};
const film = {
  id: "f",
  text: "Then the bell rang",
  words: [
    [0, 4, 5],
    [5, 8, 6],
    [9, 13, 7],
    [14, 18, 8],
  ],
  shots: [
    { id: 1, edge: "1", first: 0, end: 2 },
    { id: 2, edge: "2", first: 2, end: 4 },
  ],
  cast: [{ id: 3, name: "Ada" }],
  places: [],
  cues: [bell, { ...bell, id: "spot-9" }],
} as unknown as Film;

beforeEach(() => changed.splice(0));

function open(cue: Cue) {
  render(
    <SoundDesk film={film} cue={cue} className="">
      bell
    </SoundDesk>,
  );
  fireEvent.click(screen.getByRole("button", { name: "Sound: a church bell rings" }));
}
const plain = { id: "spot-7", later: 0, gain: 0, pan: 0, near: 0, seed: 0, takes: 1 };

test("it is moved, louder, and from a side, by clicks and by keys", () => {
  open(bell);
  fireEvent.click(screen.getByRole("button", { name: "more: frames later" }));
  fireEvent.click(screen.getByRole("button", { name: "less: decibels louder" }));
  fireEvent.keyDown(screen.getByRole("group", { name: /to the right/ }), { key: "ArrowRight" });
  fireEvent.click(screen.getByRole("button", { name: "Another" }));
  expect(changed).toEqual([
    { type: "set cue", cue: { ...plain, later: 2 } },
    { type: "set cue", cue: { ...plain, gain: -1.5 } },
    { type: "set cue", cue: { ...plain, pan: 0.25 } },
    { type: "set cue", cue: { ...plain, takes: 2, seed: 1 } },
  ]);
});

test("what was shaped says so, and is as it was proposed again", () => {
  open({ ...bell, choice: { ...plain, later: -4, gain: 3, pan: -0.5 } });
  expect(screen.getByText("4 frames earlier")).toBeTruthy();
  expect(screen.getByText("+3 dB")).toBeTruthy();
  expect(screen.getByText("50 % left")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "As proposed" }));
  expect(changed).toEqual([{ type: "set cue", cue: plain }]);
});

test("it is thrown out alone, or with all of its kind", () => {
  open(bell);
  fireEvent.click(screen.getByRole("button", { name: "Throw it out" }));
  fireEvent.click(screen.getByRole("button", { name: "All 2 of its kind" }));
  expect(changed).toEqual([
    { type: "lift cue", cue: "spot-7", lifted: true },
    { type: "lift sounds", prompt: "a church bell rings", lifted: true },
  ]);
});

test("what is not made yet cannot be heard", () => {
  open({ ...bell, made: false, media: null });
  expect(screen.getByRole("button", { name: "Hear a church bell rings" })).toHaveProperty(
    "disabled",
    true,
  );
});

test("music comes in and goes out over seconds that are set, and has a mood instead of a side", () => {
  const music: Cue = {
    ...bell,
    id: "music-3",
    kind: "music",
    prompt: "calm music",
    last: 4,
    word: null,
  };
  render(
    <SoundDesk film={film} cue={music} className="">
      calm
    </SoundDesk>,
  );
  fireEvent.click(screen.getByRole("button", { name: "Music: calm music" }));
  expect(screen.queryByRole("group", { name: /to the right/ })).toBeNull();
  expect(screen.getByRole("combobox", { name: "Mood of this music" }).textContent).toContain(
    "calm",
  );
  fireEvent.click(screen.getByRole("button", { name: "More of it" }));
  fireEvent.click(screen.getByRole("button", { name: "more: seconds to come in" }));
  fireEvent.click(screen.getByRole("button", { name: "more: seconds to go out" }));
  const shape = { ...plain, id: "music-3" };
  expect(changed).toEqual([
    { type: "set cue", cue: { ...shape, fade_in: 0.8 } },
    { type: "set cue", cue: { ...shape, fade_out: 0.5 } },
  ]);
});

test("several makings are heard beside each other, and one is circled", () => {
  open({
    ...bell,
    choice: { ...plain, takes: 3, seed: 1 },
    makings: { 0: "a.flac", 1: "b.flac", 2: null },
  });
  expect(screen.getByRole("button", { name: "Circle making 2" })).toHaveProperty(
    "ariaPressed",
    "true",
  );
  expect(
    screen.getByRole("button", { name: "Hear making 3 of a church bell rings" }),
  ).toHaveProperty("disabled", true);
  fireEvent.click(screen.getByRole("button", { name: "Circle making 1" }));
  fireEvent.click(screen.getByRole("button", { name: "Make it" }));
  expect(changed).toEqual([{ type: "set cue", cue: { ...plain, takes: 3, seed: 0 } }]);
  expect(started).toEqual([{ kind: "sounds", cues: ["spot-7"] }]);
});

test("it sounds as it is told to, and is moved by a word", () => {
  open(bell);
  fireEvent.change(screen.getByLabelText("What is heard"), { target: { value: "a cracked bell" } });
  fireEvent.keyDown(screen.getByLabelText("What is heard"), { key: "Enter" });
  fireEvent.click(screen.getByRole("button", { name: "a word later" }));
  expect(changed).toEqual([
    { type: "set cue", cue: { ...plain, prompt: "a cracked bell" } },
    { type: "set cue", cue: { ...plain, word: 8 } },
  ]);
});

test("it is copied to other shots, at their first words", () => {
  open(bell);
  fireEvent.click(screen.getByRole("button", { name: "Copy it to …" }));
  fireEvent.change(screen.getByPlaceholderText("4, 7, 7A"), { target: { value: "2, 1" } });
  fireEvent.submit(screen.getByPlaceholderText("4, 7, 7A"));
  expect(changed[0]).toMatchObject({
    type: "place cues",
    cues: [{ kind: "spot", prompt: "a church bell rings", word: 7 }],
  });
});

test("it is dragged to another word, and with Alt another one is placed there", () => {
  render(
    <SoundDesk film={film} cue={bell} className="" frameAt={(_, y) => y}>
      bell
    </SoundDesk>,
  );
  const name = screen.getByRole("button", { name: "Sound: a church bell rings" });
  name.setPointerCapture = () => undefined;
  const drag = (altKey: boolean) => {
    fireEvent.pointerDown(name, { button: 0, clientX: 5, clientY: 20 });
    fireEvent.pointerMove(name, { clientX: 5, clientY: 50, altKey });
    fireEvent.pointerUp(name, { clientX: 5, clientY: 50, altKey });
  };
  drag(false);
  drag(true);
  expect(changed).toEqual([
    { type: "set cue", cue: { ...plain, word: 7, later: 2 } },
    expect.objectContaining({
      type: "place cues",
      cues: [{ id: 0, kind: "spot", prompt: "a church bell rings", word: 7, own: null }],
      shaped: expect.objectContaining({ later: 2 }) as unknown,
    }),
  ]);
  fireEvent.keyDown(name, { key: "ArrowDown", altKey: true });
  fireEvent.keyDown(name, { key: "ArrowUp", altKey: true, shiftKey: true });
  expect(changed.slice(2)).toEqual([
    { type: "set cue", cue: { ...plain, later: 1 } },
    { type: "set cue", cue: { ...plain, word: 6 } },
  ]);
});
