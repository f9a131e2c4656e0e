/** The desk for movement: what is shown before there is a picture, frames, playing, before and after, copying a path. */
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film, Shot } from "../../../api/client";
import type { Movement as Moves } from "../../../api/movement";
import { Movement } from "./Movement";

const said = vi.hoisted(() => ({
  changed: [] as { to?: number[]; values: Record<string, unknown> }[],
  started: [] as unknown[],
  brought: [] as unknown[],
  movement: undefined as unknown,
}));

vi.mock("../../../api/film", () => ({
  useChange: () => ({ mutate: (c: (typeof said.changed)[number]) => said.changed.push(c) }),
  useStart: () => ({ mutate: (wish: unknown) => said.started.push(wish), isPending: false }),
  useMask: () => ({ mutateAsync: () => Promise.resolve({ media: "kept.png" }), isPending: false }),
  useRules: () => ({ ways: ["sway", "swing"] }),
  useBring: () => ({ mutate: (wish: unknown) => said.brought.push(wish), isPending: false }),
}));
vi.mock("../../../api/movement", async (real) => ({
  ...(await real<object>()),
  useMovement: () => ({ data: said.movement }),
  framesAt: (_: unknown, shot: number, wish: object) => `/frames/${shot}?${JSON.stringify(wish)}`,
}));
vi.mock("./WhatMoves", () => ({ WhatMoves: () => <p>what moves</p> }));
vi.mock("../../../parts/Choice", () => ({
  worded: (names: string[], words: Record<string, string> = {}) =>
    names.map((n) => [n, words[n] ?? n]),
  Choice: ({
    label,
    options,
    onChange,
  }: {
    label: string;
    options: [string, string][];
    onChange: (v: string) => void;
  }) => (
    <select aria-label={label} onChange={(e) => onChange(e.target.value)}>
      {options.map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </select>
  ),
}));

const takes = [{ id: "t", media: "a.png" }];
const film = {
  id: "f",
  preview: "v",
  settings: { aspect: "16:9" },
  shots: [
    { id: 1, edge: "1", scene: 0, start: 0, stop: 96, used: "t", takes },
    { id: 2, edge: "2", scene: 0, start: 96, stop: 200, used: null, takes: [] },
    { id: 3, edge: "3", scene: 1, start: 200, stop: 260, used: null, takes: [] },
  ],
} as unknown as Film;
const path = {
  first: { x: 0.5, y: 0.5, zoom: 1 },
  between: [],
  last: { x: 0.5, y: 0.5, zoom: 1.3 },
  ease: "even",
  held: false,
  roll: [0, 0],
};
const movement = {
  seconds: 4,
  path,
  pixels: 0.55,
  words: [],
  figures: [],
  acts: [{ figure: "ada", action: "wave", word: 4, why: "", start: 0, seconds: 1 }],
  air: [{ kind: "snow", amount: "low", why: "it snows" }],
  regions: [],
  horizon: null,
  flat: true,
  clip: null,
  water: false,
  flames: 0,
};

beforeEach(() =>
  Object.assign(said, {
    changed: [],
    started: [],
    brought: [],
    movement: movement as unknown as Moves,
  }),
);
const shot = (n: number) => film.shots[n]! as Shot;
const shown = () => render(<Movement film={film} shot={shot(0)} />);

test("without a picture it says where one is made; until it is read it says so", () => {
  render(<Movement film={film} shot={shot(1)} />);
  expect(screen.getByText(/has no picture yet/)).toBeTruthy();
  cleanup();
  said.movement = undefined;
  shown();
  expect(screen.getByText(/reading what moves/)).toBeTruthy();
});

test("six frames with their times, and how many pixels the path leaves", () => {
  shown();
  const strip = screen.getByRole("img", { name: "Six frames of shot 1" });
  expect(strip.getAttribute("src")).toContain('"count":6');
  expect(screen.getByText("0.0 s")).toBeTruthy();
  expect(screen.getByText("2.4 s")).toBeTruthy();
  expect(screen.getByText("4.0 s")).toBeTruthy();
  expect(screen.getByText(/0.55 picture pixels/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "enlarge it" }));
  expect(said.started).toEqual([{ kind: "enlarge", take: "t", factor: 2 }]);
});

test("before and after shows the camera alone, in the frames too", () => {
  shown();
  fireEvent.click(screen.getByRole("button", { name: "Before and after" }));
  expect(screen.getByRole("button", { name: "The camera alone" })).toBeTruthy();
  expect(screen.getByRole("img", { name: "Six frames of shot 1" }).getAttribute("src")).toContain(
    '"camera":true',
  );
});

test("it plays with twelve drawings a second, and stops", () => {
  shown();
  expect(screen.queryByRole("img", { name: "Shot 1, playing" })).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Play this shot" }));
  expect(screen.getByRole("img", { name: "Shot 1, playing" })).toBeTruthy();
  expect(screen.getByText("loops every 4.0 s")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Stop" }));
  expect(screen.queryByRole("img", { name: "Shot 1, playing" })).toBeNull();
});

test("how it starts, and whether it is held in the hand, belong to the path", () => {
  shown();
  fireEvent.change(screen.getByLabelText("How the camera starts and settles"), {
    target: { value: "sudden" },
  });
  fireEvent.click(screen.getByRole("button", { name: "Hold it in the hand" }));
  expect(said.changed.map((c) => c.values)).toEqual([
    { path: { ...path, ease: "sudden" } },
    { path: { ...path, held: true } },
  ]);
});

test("what moves is copied to the next shot, to the scene, to all: the camera, or all of it", () => {
  shown();
  const copy = screen.getByLabelText("Copy it to");
  expect(copy.textContent).toContain("shot 2");
  expect(copy.textContent).toContain("the scene’s other shot");
  for (const to of ["next", "scene", "all", "nowhere"])
    fireEvent.change(copy, { target: { value: to } });
  expect(said.changed.map((c) => c.to)).toEqual([[2], [2], [2, 3]]);
  expect(said.changed.every((c) => c.values.path === movement.path)).toBe(true);
  fireEvent.change(screen.getByLabelText("What to copy"), { target: { value: "all" } });
  fireEvent.change(copy, { target: { value: "all" } });
  expect(said.changed.at(-1)!.values).toEqual({
    path,
    air: [{ kind: "snow", amount: "low" }],
    acts: [{ figure: "ada", action: "wave", word: 4 }],
  });
});

const flag = {
  id: 1,
  name: "the flag",
  mask: "m.png",
  take: 1,
  who: null,
  move: { way: "swing" },
  here: true,
  box: [0.2, 0.1, 0.4, 0.5],
};

test("a part's pin hangs where the part begins, and goes by keys", () => {
  said.movement = { ...movement, regions: [flag, { ...flag, id: 2, here: false }] };
  shown();
  const pin = screen.getByRole("button", { name: "The pin of the flag" });
  expect([pin.style.left, pin.style.top]).toEqual(["30.000000000000004%", "10%"]);
  fireEvent.keyDown(pin, { key: "ArrowDown" });
  fireEvent.keyUp(pin, { key: "ArrowDown" });
  const { regions } = said.changed[0]!.values as { regions: (typeof flag)[] };
  expect(regions).toHaveLength(2);
  expect(regions[0]!.move).toEqual({ way: "swing", pin: [0.30000000000000004, 0.11] });
  expect(regions[0]).not.toHaveProperty("here");
});

test("a flat picture may have ground; its line goes by keys", () => {
  shown();
  fireEvent.click(screen.getByRole("button", { name: "Ground below a horizon" }));
  cleanup();
  said.movement = { ...movement, horizon: 0.55 };
  shown();
  expect(screen.queryByRole("button", { name: "Ground below a horizon" })).toBeNull();
  const line = screen.getByRole("slider", { name: "The horizon" });
  fireEvent.keyDown(line, { key: "ArrowUp" });
  fireEvent.keyUp(line, { key: "ArrowUp" });
  expect(said.changed.map((c) => c.values)).toEqual([
    { horizon: 0.55 },
    { horizon: expect.closeTo(0.54) as number },
  ]);
});

test("while it plays nothing lies over the picture", () => {
  said.movement = { ...movement, regions: [flag] };
  shown();
  fireEvent.click(screen.getByRole("button", { name: "Play this shot" }));
  expect(screen.queryByRole("button", { name: "The pin of the flag" })).toBeNull();
  expect(screen.queryByRole("application", { name: "The last frame" })).toBeNull();
});

test("a clip is brought for this shot", () => {
  shown();
  const file = new File(["x"], "a.mp4", { type: "video/mp4" });
  fireEvent.change(screen.getByLabelText("Bring a clip for shot 1"), { target: { files: [file] } });
  expect(said.brought).toEqual([{ shot: 1, file }]);
});
