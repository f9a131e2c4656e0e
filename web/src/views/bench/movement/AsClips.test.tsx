/** Clips where they are worth it: the best are chosen, as many as are left, told why, priced, and made together. */
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film } from "../../../api/client";
import { AsClips, lastDay } from "./AsClips";

const said = vi.hoisted(() => ({
  started: [] as unknown[],
  left: 26,
  offered: true,
  going: false,
}));

vi.mock("../../../api/film", () => ({
  useOffers: () => ({
    data: said.offered
      ? [{ kind: "clip", quota: { left: said.left, limit: 30, renews_at: "2026-11-28T00:00:00Z" } }]
      : [],
  }),
  useEstimate: () => ({ data: { cost: 0.45 } }),
  useStart: () => ({ mutate: (wish: unknown) => said.started.push(wish) }),
  useRuns: () => ({ data: said.going ? [{ state: "going" }] : [] }),
}));
const ranked = Array.from({ length: 12 }, (_, i) => ({
  shot: 20 - i,
  score: 5 - i / 4,
  why: i ? `reason ${i}` : "the opening",
}));
vi.mock("../../../api/movement", () => ({ useWorth: () => ({ data: ranked }) }));

const film = {
  id: "f",
  revision: 1,
  shots: Array.from({ length: 20 }, (_, i) => ({
    id: i + 1,
    edge: String(i + 1),
    used: i + 1 === 19 ? null : `t${i}`,
  })),
} as unknown as Film;

beforeEach(() => Object.assign(said, { started: [], left: 26, offered: true, going: false }));

const shown = (chosen: number[]) => {
  const onChosen = vi.fn();
  render(<AsClips film={film} chosen={chosen} onChosen={onChosen} />);
  return onChosen;
};

test("the shots that gain most are chosen, those without a picture left out", () => {
  const onChosen = shown([]);
  fireEvent.click(screen.getByRole("button", { name: "5" }));
  expect(onChosen).toHaveBeenCalledWith([20, 18, 17, 16, 15]);
  expect(screen.queryByRole("button", { name: /^Make/ })).toBeNull();
});

test("each chosen one says why, and all are made for the price that is told", () => {
  shown([20, 18, 19]);
  expect(screen.getByText("the opening")).toBeTruthy();
  expect(screen.getByText("reason 2")).toBeTruthy();
  const make = screen.getByRole("button", { name: /^Make 2 clips/ });
  expect(make.textContent).toContain("0.45");
  fireEvent.click(make);
  expect(said.started).toEqual([{ kind: "clips", shots: [20, 18], takes: 1 }]);
  cleanup();
  shown([20]);
  expect(screen.getByRole("button", { name: /^Make a clip/ })).toBeTruthy();
});

test("of more than are left today it is told on which day the last is ready, and they wait for it", () => {
  said.left = 6;
  shown([20, 18, 17, 16, 15, 14, 13]);
  expect(screen.getByRole("button", { name: "6" })).toBeTruthy();
  expect(screen.getByText(/6 are made today, 30 a day .* Saturday 28 November/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: /^Make 7/ }));
  expect(said.started).toEqual([
    { kind: "clips", shots: [20, 18, 17, 16, 15, 14, 13], takes: 1, wait: true },
  ]);
});

test("the last day is counted from what is left today", () => {
  const quota = { left: 10, limit: 30, renews_at: "2026-11-28T00:00:00Z" };
  expect([11, 40, 41, 90].map((n) => lastDay(n, quota))).toEqual([
    "Saturday 28 November",
    "Saturday 28 November",
    "Sunday 29 November",
    "Monday 30 November",
  ]);
});

test("while something is made nothing more is begun; without an offer nothing is shown", () => {
  said.going = true;
  shown([20]);
  expect(screen.getByRole("button", { name: /^making/ }).hasAttribute("disabled")).toBe(true);
  cleanup();
  said.offered = false;
  shown([20]);
  expect(screen.queryByRole("region", { name: "As clips" })).toBeNull();
});
