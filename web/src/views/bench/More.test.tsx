/** What else can be made of a take, and what cannot of this one. */
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film, Shot, Take } from "../../api/client";
import type { RunWish } from "../../api/film";
import type { Hand } from "../../api/hand";
import { More } from "./More";

const said = vi.hoisted(() => ({
  started: [] as RunWish[],
  changed: [] as unknown[],
  hand: undefined as unknown,
}));

vi.mock("../../api/film", () => ({
  useStart: () => ({ mutate: (wish: RunWish) => said.started.push(wish) }),
  useChange: () => ({ mutate: (change: unknown) => said.changed.push(change) }),
  useLooksOf: () => [
    { name: "cut-paper", title: "Cut paper" },
    { name: "clay", title: "Soft clay" },
  ],
}));
vi.mock("../../api/hand", () => ({ useHand: () => ({ data: said.hand }) }));

const film = { id: "f", settings: { look: "cut-paper" }, cutouts: [{ id: 1 }] } as unknown as Film;
const shot = { id: 7, own: {} } as unknown as Shot;
const take = {
  id: "t",
  number: 2,
  brought: false,
  prompt: "a boat",
  seed: 41,
  width: 1280,
  height: 720,
} as unknown as Take;
const hand = (more: Partial<Hand> = {}): Hand =>
  ({
    figures: [
      { name: "Maren", box: [0, 0, 1, 1], joints: { head: [0.5, 0.2] }, way: 1, cut: true },
    ],
    reach: [{ size: "1080p", zoom: 1.25, across: 1024, frame: 1920, ratio: 0.53, factor: 2 }],
    frame: [0, 0, 1, 1],
    fits: true,
    ...more,
  }) as Hand;

beforeEach(() => Object.assign(said, { started: [], changed: [], hand: hand() }));

function opened(with_: { shot?: Shot; take?: Take } = {}) {
  const desk = vi.fn();
  render(<More film={film} shot={with_.shot ?? shot} take={with_.take ?? take} onDesk={desk} />);
  fireEvent.keyDown(screen.getByRole("button", { name: "More with take 2" }), { key: "Enter" });
  return desk;
}
const item = (name: RegExp) => screen.getByRole("menuitem", { name });
const off = (name: RegExp) => item(name).getAttribute("aria-disabled") === "true";

test("a little other, larger: made at once from this take", () => {
  opened();
  fireEvent.click(item(/^Vary slightly/));
  expect(said.started).toEqual([{ kind: "again", shots: [7], take: "t", vary: 25, takes: 2 }]);
  cleanup();
  opened();
  expect(item(/^Enlarge 2 times/).textContent).toContain("2560×1440");
  fireEvent.click(item(/^Enlarge 4 times/));
  expect(said.started[1]).toEqual({ kind: "enlarge", shots: [7], take: "t", factor: 4 });
});

test.each([
  [/^Pose a figure/, "pose"],
  [/^Compose after/, "sketch"],
  [/^Cut out/, "cut"],
  [/^Lay something in/, "lay"],
  [/^Crop or continue/, "frame"],
])("%s opens its desk", (name, desk) => {
  const opens = opened();
  fireEvent.click(item(name));
  expect(opens).toHaveBeenCalledWith(desk);
});

test("its seed is kept for the shot, and let go", () => {
  opened();
  fireEvent.click(item(/^Keep its seed/));
  expect(said.changed[0]).toEqual({ type: "set shots", shots: [7], values: { seed: 41 } });
  cleanup();
  opened({ shot: { id: 7, own: { seed: 41 } } as unknown as Shot });
  expect(off(/^Keep its seed/)).toBe(true);
  fireEvent.click(item(/^Let the seed go/));
  expect(said.changed[1]).toEqual({ type: "set shots", shots: [7], values: { seed: null } });
});

test("of a brought picture nothing is made again, but it is cut, framed and enlarged", () => {
  opened({ take: { ...take, brought: true, prompt: "" } as Take });
  for (const name of [/^Vary/, /^In another look/, /^Pose/, /^Compose/, /^Keep its seed/])
    expect(off(name)).toBe(true);
  for (const name of [/^Cut out/, /^Lay/, /^Crop/, /^Enlarge 2/]) expect(off(name)).toBe(false);
});

test("nobody is posed whose joints are not known, and nothing grows beyond what is held", () => {
  said.hand = hand({ figures: [], fits: false });
  opened({ take: { ...take, width: 4000, height: 2250 } as Take });
  expect(off(/^Pose/)).toBe(true);
  expect(item(/^Pose/).textContent).toContain("nobody’s joints are known");
  expect(item(/^Crop/).textContent).toContain("not the film’s shape");
  expect([off(/^Enlarge 2/), off(/^Enlarge 4/)]).toEqual([false, true]);
});

test("how close the camera comes is told in pixels", () => {
  opened();
  expect(
    screen.getByText(
      /comes 1.25 times as close: 1024 pixels of the picture for 1920 of a 1080p film/,
    ).textContent,
  ).toContain("Enlarge 2 times");
});

test("it is taken away with its layers by a plain link", () => {
  opened();
  expect(item(/^Take away with its layers/).getAttribute("href")).toBe(
    "/api/films/f/takes/t/openraster",
  );
});
