import { fireEvent, render, screen } from "@testing-library/react";
import { beforeAll, beforeEach, expect, test, vi } from "vitest";

import { Problem } from "../../api/client";
import { Statements } from "./Statements";

const state = vi.hoisted(() => ({
  asked: [] as [string, number][],
  answer: {} as { data?: unknown; error?: unknown; isFetching: boolean },
}));
vi.mock("../../api/services", () => ({
  useServices: () => ({
    data: {
      plugged: [
        { settings: { id: "ink", title: "Ink", reached: { how: "interface" } } },
        { settings: { id: "brush", title: "Brush", reached: { how: "hand" } } },
      ],
    },
  }),
  useStatement: (service: string, days: number) => {
    state.asked.push([service, days]);
    return service ? state.answer : { isFetching: false };
  },
}));

beforeAll(() => {
  Element.prototype.scrollIntoView = () => undefined;
});
beforeEach(() => {
  state.asked.length = 0;
});

function choose(label: string, option: string) {
  fireEvent.keyDown(screen.getByLabelText(label), { key: "Enter" });
  fireEvent.keyDown(screen.getByRole("option", { name: option }), { key: "Enter" });
}
const statement = (more: object) => ({
  data: { same: 12, ours: 0.5, theirs: 0.5, differ: 0, differences: [], ...more },
  isFetching: false,
});

test("nobody is asked before somebody wants to know, and no hand is", () => {
  render(<Statements />);
  expect(state.asked.every(([service]) => service === "")).toBe(true);
  expect(screen.queryByRole("status")).toBeNull();
  fireEvent.keyDown(screen.getByLabelText("Whose statement"), { key: "Enter" });
  const options = screen.getAllByRole("option").map((o) => o.textContent);
  expect(options).toEqual(["choose whose", "the stand-ins", "Ink"]);
});

test("what agrees is said in one sentence", () => {
  state.answer = statement({});
  render(<Statements />);
  choose("Whose statement", "Ink");
  expect(screen.getByRole("status").textContent).toBe(
    "All 12 jobs are the same here and there: 0.5.",
  );
  expect(state.asked.at(-1)).toEqual(["ink", 31]);
  choose("Of how long", "a week");
  expect(state.asked.at(-1)).toEqual(["ink", 7]);
});

test("what differs is listed, with both sums", () => {
  const at = "2026-11-20T10:00:00Z";
  state.answer = statement({
    theirs: 0.62,
    differ: 2,
    differences: [
      { key: "a", at, which: "theirs alone", ours: 0, theirs: 0.05 },
      { key: "b", at, which: "another sum", ours: 0.05, theirs: 0.12 },
    ],
  });
  render(<Statements />);
  choose("Whose statement", "the stand-ins");
  expect(screen.getByRole("status").textContent).toContain(
    "12 jobs are the same, 2 differ: we count 0.5, they 0.62.",
  );
  const rows = screen.getAllByRole("listitem").map((r) => r.textContent);
  expect(rows).toEqual([
    "20 Novthey count it, we don’tfree · 0.05",
    "20 Novanother sum0.05 · 0.12",
  ]);
});

test("who does not say it is said to", () => {
  const error = Object.assign(Object.create(Problem.prototype) as Problem, {
    message: "That service does not say what it was paid.",
  });
  state.answer = { error, isFetching: false };
  render(<Statements />);
  choose("Whose statement", "Ink");
  expect(screen.getByRole("status").textContent).toContain("does not say what it was paid");
});
