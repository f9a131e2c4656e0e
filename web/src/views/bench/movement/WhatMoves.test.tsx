/** What moves in a shot: told with its reason, lifted, changed, added; words make a path; clips are priced before. */
import { cleanup, fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film, Shot } from "../../../api/client";
import type { Movement } from "../../../api/movement";
import { WhatMoves } from "./WhatMoves";

const said = vi.hoisted(() => ({
  changed: [] as { values: Record<string, unknown> }[],
  started: [] as unknown[],
  left: 26,
}));

vi.mock("../../../api/film", () => ({
  useChange: () => ({ mutate: (c: { values: Record<string, unknown> }) => said.changed.push(c) }),
  useRules: () => ({
    moves: ["push", "pull", "still"],
    airs: ["rain", "snow", "petals"],
    fits: ["speed", "steps", "hold", "back and forth", "cut", "second angle"],
    ways: ["drift", "sway", "speak"],
  }),
  useOffers: () => ({
    data: [
      { kind: "clip", name: "animator", lengths: [5, 10], quota: { left: said.left, limit: 30 } },
    ],
  }),
  useEstimate: () => ({ data: { cost: 0.18 } }),
  useStart: () => ({ mutate: (wish: unknown) => said.started.push(wish) }),
  useRuns: () => ({ data: [] }),
}));
vi.mock("../../../api/movement", async (real) => ({
  ...(await real<object>()),
  actionsTold: (words: string) => Promise.resolve(words.includes("weep") ? ["sit", "weep"] : []),
  useActions: () => ({
    data: [
      { name: "lift", animal: false, person: true },
      { name: "wave", animal: false, person: true },
      { name: "trot", animal: true, person: false },
    ],
  }),
}));

const film = {
  id: "f",
  revision: 1,
  shots: [
    { id: 1, edge: "1", used: "s" },
    { id: 2, edge: "2", used: "t" },
  ],
} as unknown as Film;
const shot = { id: 2, edge: "2", used: "t", own: {}, made_by: {} } as unknown as Shot;
const movement = (more: Partial<Movement> = {}): Movement =>
  ({
    seconds: 4.5,
    move: "push",
    why: "toward what happens",
    path: { first: { x: 0.5, y: 0.5, zoom: 1 }, between: [], last: { x: 0.5, y: 0.5, zoom: 1.3 } },
    camera: false,
    in_words: "push in to 1.30 on Maren Oake",
    motion: "",
    pixels: 0.55,
    words: [
      { number: 12, text: "Maren", start: 0.1, end: 0.4 },
      { number: 16, text: "lifted", start: 1.2, end: 1.7 },
    ],
    figures: [
      { figure: "maren oake", name: "Maren Oake", animal: false, speaks: true },
      { figure: "heron", name: "the heron", animal: true, speaks: false },
    ],
    acts: [
      {
        figure: "maren oake",
        action: "lift",
        word: 16,
        why: "“lifted”",
        start: 0.7,
        seconds: 1.5,
      },
      { figure: "heron", action: "trot", word: null, why: "“went”", start: null, seconds: null },
    ],
    acts_own: false,
    regions: [],
    horizon: null,
    air: [{ kind: "snow", amount: "middle", why: "it snows" }],
    air_own: false,
    water: true,
    flames: 1,
    jointed: true,
    clip: null,
    ...more,
  }) as Movement;

beforeEach(() => Object.assign(said, { changed: [], started: [], left: 26 }));

const shown = (more: Partial<Movement> = {}) =>
  render(<WhatMoves film={film} shot={shot} movement={movement(more)} />);
const values = () => said.changed.map((c) => c.values);
const rows = () => screen.getAllByRole("listitem").map((row) => row.textContent);

test("everything that moves is told with where it comes from", () => {
  shown();
  const all = rows().join("\n");
  expect(all).toContain("Camerapush");
  expect(all).toContain("toward what happens");
  expect(all).toContain("“lifted”");
  expect(all).toContain("breathes, blinks, lips speak");
  expect(all).toContain("the voice is theirs");
  expect(all).toContain("heron");
  expect(all).toContain("no time for it here");
  expect(all).toContain("runs toward us");
  expect(all).toContain("trembles");
  expect(all).toContain("it snows");
});

test("an action can go, and all others stay as they are", () => {
  shown();
  fireEvent.click(screen.getByRole("button", { name: "Maren does not lift" }));
  expect(values()).toEqual([{ acts: [{ figure: "heron", action: "trot", word: null }] }]);
});

test("what is in the air can go", () => {
  shown();
  fireEvent.click(screen.getByRole("button", { name: "no snow" }));
  expect(values()).toEqual([{ air: [] }]);
});

test("what the maker set is given back to the words", () => {
  shown({ acts_own: true, air_own: true, camera: true });
  fireEvent.click(screen.getByRole("button", { name: "Actions as proposed" }));
  fireEvent.click(screen.getByRole("button", { name: "Air as proposed" }));
  fireEvent.click(screen.getByRole("button", { name: "as proposed again" }));
  expect(values()).toEqual([{ acts: null }, { air: null }, { move: null, path: null }]);
});

test("what is as proposed has nothing to give back", () => {
  shown();
  expect(screen.queryByRole("button", { name: /as proposed/ })).toBeNull();
});

test("another way of the camera is said in words, on Enter and on leaving, once", () => {
  shown();
  const field = screen.getByLabelText("Say how the camera moves");
  fireEvent.change(field, { target: { value: "pull back, then drift left " } });
  fireEvent.keyDown(field, { key: "Enter" });
  expect(values()).toEqual([{ motion: "pull back, then drift left" }]);
  cleanup();
  shown({ motion: "pull back" });
  fireEvent.blur(screen.getByLabelText("Say how the camera moves"));
  expect(values()).toHaveLength(1);
  fireEvent.change(screen.getByLabelText("Say how the camera moves"), { target: { value: "" } });
  fireEvent.blur(screen.getByLabelText("Say how the camera moves"));
  expect(values().at(-1)).toEqual({ motion: null });
});

const flag = {
  id: 3,
  name: "the flag",
  mask: "m.png",
  take: 2,
  who: null,
  move: { way: "sway" as const, amount: "middle" as const, pace: "middle" as const },
  here: true,
  box: [0.1, 0.1, 0.2, 0.3] as [number, number, number, number],
} as Movement["regions"][number];

test("a part that moves ends as it began where that is wished, and can go", () => {
  shown({ regions: [flag] });
  fireEvent.click(screen.getByLabelText("the flag ends as it began"));
  fireEvent.click(screen.getByRole("button", { name: "the flag stands still" }));
  const { id, name, mask, take, move, who } = flag;
  const set = { id, name, mask, take, move, who };
  expect(values()).toEqual([
    { regions: [{ ...set, move: { ...flag.move, repeats: true } }] },
    { regions: [] },
  ]);
});

test("of a part that was marked on another take it is said where it is", () => {
  shown({ regions: [{ ...flag, here: false }] });
  expect(screen.getByText(/marked on take 2, which is not shown/)).toBeTruthy();
});

test("ground has a line, and can go", () => {
  shown({ horizon: 0.6 });
  fireEvent.click(screen.getByRole("button", { name: "no ground" }));
  expect(values()).toEqual([{ horizon: null }]);
});

test("clips are made for the price that is said, of the nearest length", () => {
  shown();
  const clips = within(screen.getByRole("region", { name: "As a clip" }));
  expect(clips.getByText("26 of 30 left today")).toBeTruthy();
  expect(clips.getByText(/^5 s each; its words take 4.5/)).toBeTruthy();
  fireEvent.click(clips.getByRole("button", { name: /Make 2/ }));
  expect(said.started).toEqual([{ kind: "clips", shots: [2], takes: 2 }]);
  cleanup();
  shown({ seconds: 8 });
  expect(screen.getByText(/^10 s each/)).toBeTruthy();
});

test("a clip may begin with the last frame of the shot before", () => {
  shown();
  fireEvent.click(screen.getByLabelText("from shot 1’s last frame"));
  fireEvent.click(screen.getByRole("button", { name: /Make 2/ }));
  expect(said.started).toEqual([{ kind: "clips", shots: [2], takes: 2, chained: true }]);
});

test("where fewer are left than are wanted none are made", () => {
  said.left = 1;
  shown();
  expect(screen.getByRole("button", { name: /Make 2/ }).hasAttribute("disabled")).toBe(true);
});

test("a clip says how it fills its words, and can be fitted by rule again", () => {
  shown({
    clip: {
      seconds: 5,
      how: "hold",
      why: "5.0 s for 9.0 s: its last frame is held",
      own: true,
      slid: 0,
      speed: 1,
      sound: false,
      heard: false,
    },
  });
  expect(screen.getByText("5.0 s for 9.0 s: its last frame is held")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "fitted by rule again" }));
  expect(values()).toEqual([{ fit: null, slide: null }]);
});

test("a clip is slid within its shot by keys", async () => {
  shown({
    clip: {
      seconds: 5,
      how: "hold",
      why: "5.0 s for 9.0 s",
      own: true,
      slid: 0.3,
      speed: 1,
      sound: true,
      heard: false,
    },
  });
  const clip = screen.getByRole("slider", { name: "The clip within its shot" });
  expect(clip.getAttribute("aria-valuetext")).toBe("begins at its second 0.3");
  fireEvent.keyDown(clip, { key: "ArrowRight", shiftKey: true });
  await waitFor(() => expect(values()).toEqual([{ slide: -0.7 }]));
  expect(clip.getAttribute("aria-valuetext")).toBe("begins 0.7 s later");
});

test("a clip is heard when it is wanted", () => {
  const clip = {
    seconds: 5,
    how: "speed" as const,
    why: "as it is, 5.0 s for 5.0 s",
    own: false,
    slid: 0,
    speed: 1,
    sound: true,
    heard: false,
  };
  shown({ clip });
  fireEvent.click(screen.getByLabelText("its sound is heard"));
  expect(values()).toEqual([{ heard: true }]);
  cleanup();
  shown({ clip: { ...clip, sound: false } });
  expect(screen.queryByLabelText("its sound is heard")).toBeNull();
});

test("of a picture that came whole it is said why nobody acts", () => {
  shown({ jointed: false, figures: [], acts: [] });
  expect(screen.getByText(/came without figures in pieces/)).toBeTruthy();
  cleanup();
  shown();
  expect(screen.queryByText(/came without figures in pieces/)).toBeNull();
});
