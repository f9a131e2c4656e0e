/** A sound opened at its name: moved, louder, from a side, another, thrown out alone or with all that are alike. */
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import type { Cue, Film } from "../../api/client";
import { SoundDesk } from "./SoundDesk";

const changed: unknown[] = [];
vi.mock("../../api/film", () => ({
  useChange: () => ({ mutate: (c: unknown) => changed.push(c) }),
  useRules: () => ({ music: ["auto", "none", "calm", "sad"] }),
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
  start: 2,
  end: 4,
};
const film = { id: "f", cues: [bell, { ...bell, id: "spot-9" }] } as unknown as Film;

beforeEach(() => changed.splice(0));
afterEach(cleanup);

function open(cue: Cue) {
  render(
    <SoundDesk film={film} cue={cue} className="">
      bell
    </SoundDesk>,
  );
  fireEvent.click(screen.getByRole("button", { name: "Sound: a church bell rings" }));
}
const plain = { id: "spot-7", later: 0, gain: 0, pan: 0, seed: 0 };

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
    { type: "set cue", cue: { ...plain, seed: 1 } },
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
  const music: Cue = { ...bell, id: "music-3", kind: "music", prompt: "calm music", last: 4 };
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
  fireEvent.click(screen.getByRole("button", { name: "more: seconds to come in" }));
  fireEvent.click(screen.getByRole("button", { name: "more: seconds to go out" }));
  const shape = { ...plain, id: "music-3" };
  expect(changed).toEqual([
    { type: "set cue", cue: { ...shape, fade_in: 0.8 } },
    { type: "set cue", cue: { ...shape, fade_out: 0.5 } },
  ]);
});
