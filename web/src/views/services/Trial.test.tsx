import { fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Schemas } from "../../api/client";
import { Trial } from "./Trial";

const state = vi.hoisted(() => ({
  started: [] as unknown[],
  shots: [] as object[],
  runs: [] as object[],
}));
vi.mock("../../api/film", () => ({
  useShelf: () => ({ data: [{ id: "f", title: "The Kiln", cut: "" }] }),
  useFilm: () => ({ data: { revision: 4 } }),
  useStart: () => ({ mutate: (wish: unknown) => state.started.push(wish), isPending: false }),
  useEstimate: () => ({ data: { cost: 0.15 } }),
}));
vi.mock("../../api/services", () => ({
  useRunsOf: () => ({ data: state.runs }),
  useTrial: () => ({ data: state.shots }),
}));

const offer = { name: "fine", kind: "picture", title: "Fine" } as Schemas["Offer"];
const shot = (n: number, media: string | null) => ({
  shot: n,
  edge: String(n),
  media,
  thumb: null,
  used: n === 3 ? null : `used-${n}`,
  used_thumb: null,
});

beforeEach(() => Object.assign(state, { started: [], runs: [], shots: [] }));

test("what it costs is said before it is tried", () => {
  state.shots = [shot(1, null), shot(2, null), shot(3, null)];
  render(<Trial offer={offer} />);
  const button = screen.getByRole("button", { name: /^Try it/ });
  expect(button.textContent).toContain("0.15");
  fireEvent.click(button);
  expect(state.started).toEqual([{ kind: "trial", offer: "fine" }]);
  expect(screen.queryByRole("img")).toBeNull();
});

test("while they are made, those that are there are shown beside the film’s own", () => {
  state.shots = [shot(1, "one.png"), shot(2, null), shot(3, null)];
  state.runs = [
    { kind: "trial", state: "going", options: { offer: "fine" }, done: 1, total: 3, waits: "" },
  ];
  render(<Trial offer={offer} />);
  expect(screen.getByRole("status").textContent).toBe("1 of 3 made …");
  expect(screen.getByAltText("shot 1 on trial").getAttribute("src")).toBe("/media/one.png");
  expect(screen.getByAltText("shot 2 as it is").getAttribute("src")).toBe("/media/used-2");
  expect(screen.getAllByText("not made yet")).toHaveLength(3);
});

test("what waits says for what, what was cut off can be made", () => {
  state.shots = [shot(1, "one.png"), shot(2, null), shot(3, null)];
  const run = { kind: "trial", options: { offer: "fine" }, done: 1, total: 3 };
  state.runs = [{ ...run, state: "going", waits: "It is on the list of “Brush”." }];
  const view = render(<Trial offer={offer} />);
  expect(screen.getByRole("status").textContent).toBe("It is on the list of “Brush”.");
  state.runs = [{ ...run, state: "cancelled", waits: "" }];
  view.rerender(<Trial offer={{ ...offer }} />);
  fireEvent.click(screen.getByRole("button", { name: "Make the rest" }));
  expect(state.started).toHaveLength(1);
});

test("when all are there, nothing is asked for any more", () => {
  state.shots = [1, 2, 3].map((n) => shot(n, `${n}.png`));
  render(<Trial offer={offer} />);
  expect(screen.getAllByRole("img")).toHaveLength(5);
  expect(screen.queryByRole("button", { name: /Try it|Make/ })).toBeNull();
  expect(screen.getByText(/these are not made again/)).toBeTruthy();
});
