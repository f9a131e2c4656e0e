/** A lane opened at its head: how much is proposed, how loud it lies, how far it gives way, what was thrown out. */
import { fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film } from "../../api/client";
import { LaneDesk, isLane } from "./LaneDesk";

const changed: unknown[] = [];
vi.mock("../../api/film", () => ({
  useChange: () => ({ mutate: (c: unknown) => changed.push(c) }),
  useOffers: () => ({ data: [{ instruments: ["piano"] }] }),
  useRules: () => ({ sounds: ["off", "low", "middle", "high"], music: ["auto", "none"] }),
}));

const film = {
  id: "f",
  lifted_sounds: ["a church bell rings"],
  settings: {
    sounds: "middle",
    music: "auto",
    spot_level: 0,
    ambience_level: -3,
    music_level: 0,
    ambience_duck: 12,
    music_duck: 0,
  },
} as unknown as Film;

beforeEach(() => changed.splice(0));

function open(lane: "Sound" | "Music") {
  render(
    <LaneDesk film={film} lane={lane}>
      {lane}
    </LaneDesk>,
  );
  fireEvent.click(screen.getByRole("button", { name: `${lane} of the whole film` }));
}

test("spots and ambience have a level, and give way by so much", () => {
  open("Sound");
  expect(screen.getByText("−3 dB")).toBeTruthy();
  expect(screen.getByText("by 12 dB")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "more: decibels louder: spot" }));
  fireEvent.click(screen.getByRole("button", { name: "less: gives way to the voice" }));
  expect(changed).toEqual([
    { type: "set settings", values: { spot_level: 1.5 } },
    { type: "set settings", values: { ambience_duck: 11 } },
  ]);
});

test("what was thrown out everywhere is taken back", () => {
  open("Sound");
  fireEvent.click(screen.getByRole("button", { name: "Take it back" }));
  expect(changed).toEqual([{ type: "lift sounds", prompt: "a church bell rings", lifted: false }]);
});

test("music that gives way not at all says so", () => {
  open("Music");
  expect(screen.getByText("not at all")).toBeTruthy();
  fireEvent.keyDown(screen.getByRole("group", { name: /louder: music/ }), { key: "ArrowDown" });
  expect(changed).toEqual([{ type: "set settings", values: { music_level: -1.5 } }]);
});

test("only sound and music are lanes of their own", () => {
  expect(["Edge", "Sound", "Music", "Voice"].filter(isLane)).toEqual(["Sound", "Music"]);
});
