/** What is asked for: which shots, how many, in which look; and what is said when a quota has no room for all. */
import { fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film, Shot } from "../../api/client";
import type { RunWish } from "../../api/film";

type PicturesWish = Extract<RunWish, { kind: "pictures" }>;
import { Making } from "./Making";

const asked = vi.hoisted(() => ({
  estimates: [] as PicturesWish[],
  started: [] as PicturesWish[],
  fits: 99,
  runs: [] as { id: string; state: string }[],
}));

vi.mock("../../api/film", () => ({
  useChange: () => ({ mutate: vi.fn() }),
  useStart: () => ({ mutate: (wish: PicturesWish) => asked.started.push(wish) }),
  useRuns: () => ({ data: asked.runs }),
  useLooksOf: () => [
    { name: "cut-paper", title: "Cut paper" },
    { name: "clay", title: "Soft clay" },
  ],
  useOffers: () => ({
    data: ["quick", "fine"].map((n) => ({
      name: `illustrator-${n}`,
      kind: "picture",
      title: `Illustrator, ${n}`,
      price: { amount: "0.01" },
      quota: { left: 9, limit: 60 },
      caps: { prompt_characters: 400 },
    })),
  }),
  useEstimate: (_: string, wish: PicturesWish) => {
    asked.estimates.push(wish);
    return {
      data: {
        pictures: 4,
        cost: 0.04,
        seconds: 6,
        fits: asked.fits,
        renews: "2026-01-02T00:00:00Z",
      },
    };
  },
}));
vi.mock("./DropPictures", () => ({
  useBringAny: () => ({ take: vi.fn(), busy: false, review: null }),
}));
vi.mock("../PromptBox", () => ({ PromptBox: () => null }));
vi.mock("../../parts/RunControls", () => ({ RunControls: () => <p>a run</p> }));
vi.mock("./Seeds", () => ({ Seeds: () => null }));

const shot = (id: number, scene: number, more: Partial<Shot> = {}) =>
  ({
    id,
    scene,
    edge: String(id),
    picture_of: id,
    used: "t",
    stale: false,
    made_by: { picture: "illustrator-quick" },
    ...more,
  }) as Shot;
const film = {
  id: "f",
  revision: 1,
  settings: { offer: "illustrator-quick", look: "cut-paper" },
  scenes: [{ title: "Yard" }, { title: "Road" }],
  shots: [
    shot(1, 0),
    shot(2, 0, { used: null }),
    shot(3, 1, { stale: true }),
    shot(4, 1, { picture_of: 3 }),
  ],
} as unknown as Film;

beforeEach(() => Object.assign(asked, { estimates: [], started: [], fits: 99, runs: [] }));

/** Opens a choice by the keyboard and takes an option. */
function choose(label: string, option: string) {
  fireEvent.keyDown(screen.getByLabelText(label), { key: "Enter" });
  fireEvent.keyDown(screen.getByRole("option", { name: option }), { key: "Enter" });
}
const press = (name: RegExp) => fireEvent.click(screen.getByRole("button", { name }));

test("a shot, its scene, the whole film, or what is missing or stale", () => {
  render(<Making film={film} shot={film.shots[1]!} />);
  press(/^Make 4/);
  choose("For which shots", "all of Yard");
  press(/^Make 4/);
  choose("For which shots", "all missing, 1");
  press(/^Make 4/);
  choose("For which shots", "all stale, 1");
  press(/^Make 4/);
  choose("For which shots", "the whole film");
  press(/^Make 4/);
  expect(asked.started.map(({ shots, only }) => shots ?? only)).toEqual([
    [2],
    [1, 2],
    "missing",
    "stale",
    [1, 2, 3, 4],
  ]);
  expect(
    asked.started.every(
      (w) =>
        w.kind === "pictures" &&
        w.takes === 2 &&
        w.offer === "illustrator-quick" &&
        w.look === undefined,
    ),
  ).toBe(true);
});

test("what was chosen on the light table goes before the shot", () => {
  render(<Making film={film} shot={film.shots[0]!} chosen={[3, 1]} />);
  expect(screen.getByLabelText("For which shots").textContent).toBe("the 2 chosen");
  press(/^Make 4/);
  expect(asked.started[0]!.shots).toEqual([1, 3]);
});

test("another look is made beside, at another offer if asked", () => {
  render(<Making film={film} shot={film.shots[0]!} />);
  choose("In which look", "in Soft clay");
  expect(screen.getByText(/Beside what there is; the film’s look stays Cut paper/)).toBeTruthy();
  fireEvent.click(screen.getByRole("radio", { name: /Illustrator, fine/ }));
  choose("How many takes", "1");
  press(/^Make 4/);
  expect(asked.started[0]).toMatchObject({ look: "clay", offer: "illustrator-fine", takes: 1 });
});

test("where somebody else was chosen for a shot, each is made by who was chosen, unless one is named", () => {
  const fine = shot(5, 1, { made_by: { picture: "illustrator-fine" } });
  render(<Making film={{ ...film, shots: [...film.shots, fine] }} shot={film.shots[0]!} />);
  choose("For which shots", "the whole film");
  press(/^Make 4/);
  expect(asked.started[0]!.offer).toBeUndefined();
  fireEvent.click(screen.getByRole("radio", { name: /Illustrator, quick/ }));
  press(/^Make 4/);
  expect(asked.started[1]!.offer).toBe("illustrator-quick");
});

test("both offers are estimated for the same wish", () => {
  render(<Making film={film} shot={film.shots[0]!} />);
  const offers = new Set(asked.estimates.map((w) => w.offer));
  expect(offers).toEqual(new Set(["illustrator-quick", "illustrator-fine"]));
});

test("what a quota has no room for is said, and can be waited for", () => {
  asked.fits = 3;
  render(<Making film={film} shot={film.shots[0]!} />);
  expect(screen.getByText(/3 of 4 fit into what is left today/)).toBeTruthy();
  fireEvent.click(screen.getByLabelText("go on by itself when it renews"));
  press(/^Make 4/);
  expect(asked.started[0]!.wait).toBe(true);
});

test("nothing more is begun while something is made", () => {
  asked.runs = [{ id: "r", state: "going" }];
  render(<Making film={film} shot={film.shots[0]!} />);
  expect(screen.getByRole("button", { name: /making/ }).hasAttribute("disabled")).toBe(true);
  expect(screen.getByText("a run")).toBeTruthy();
});
