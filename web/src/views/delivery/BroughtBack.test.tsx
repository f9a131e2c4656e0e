/** Pictures that were brought are looked over: where each goes, which cannot be used, and never two for one shot. */
import { fireEvent, render, screen, within } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film } from "../../api/client";
import type { Brought } from "../../api/prompts";
import { BroughtBack } from "./BroughtBack";

const placed = vi.hoisted(() => ({ all: [] as unknown[] }));
vi.mock("../../api/prompts", () => ({
  usePlace: () => ({
    isPending: false,
    mutate: (pictures: unknown, { onSuccess }: { onSuccess: () => void }) => {
      placed.all.push(pictures);
      onSuccess();
    },
  }),
}));

const film = {
  id: "f",
  shots: [1, 2, 3].map((id) => ({ id, edge: String(id), text: `words ${id}` })),
} as unknown as Film;
const found = (name: string, shot: number | null, problem = ""): Brought =>
  ({
    name,
    shot,
    problem,
    why: shot ? "by its number" : "no number in its name",
    media: problem ? "" : `${name}.png`,
    thumb: problem ? "" : `${name}.jpg`,
    width: 9,
    height: 9,
  }) as unknown as Brought;

beforeEach(() => (placed.all = []));

const row = (name: string) => screen.getByText(name).closest("li")!;
function choose(name: string, option: string) {
  fireEvent.keyDown(screen.getByLabelText(`Where ${name} goes`), { key: "Enter" });
  fireEvent.keyDown(screen.getByRole("option", { name: option }), { key: "Enter" });
}

test("what can be used is placed where it seems to be for, in one change", () => {
  const done = vi.fn();
  render(
    <BroughtBack
      film={film}
      found={[found("2", 2), found("bad", 1, "It is damaged."), found("x", null)]}
      onDone={done}
    />,
  );
  expect(row("2").textContent).toContain("words 2");
  expect(row("bad").textContent).toContain("It is damaged.");
  expect(within(row("bad")).queryByRole("combobox")).toBeNull();
  expect(row("x").textContent).toContain("no number in its name");
  fireEvent.click(screen.getByRole("button", { name: "Place 1" }));
  expect(placed.all).toEqual([[{ shot: 2, media: "2.png", thumb: "2.jpg", name: "2" }]]);
  expect(done).toHaveBeenCalled();
});

test("of two for one shot only the first is placed, until the other is sent elsewhere", () => {
  render(<BroughtBack film={film} found={[found("a", 1), found("b", 1)]} onDone={vi.fn()} />);
  expect(screen.getByRole("button", { name: "Place 1" })).toBeTruthy();
  choose("b", "shot 1");
  expect(screen.getByText("Two pictures are for the same shot.")).toBeTruthy();
  expect(screen.getByRole("button", { name: "Place 2" }).hasAttribute("disabled")).toBe(true);
  choose("b", "shot 3");
  fireEvent.click(screen.getByRole("button", { name: "Place 2" }));
  expect((placed.all[0] as { shot: number }[]).map((p) => p.shot)).toEqual([1, 3]);
});

test("one may go nowhere, and all may be left", () => {
  const done = vi.fn();
  render(<BroughtBack film={film} found={[found("a", 1)]} onDone={done} />);
  choose("a", "nowhere");
  expect(screen.getByRole("button", { name: "Place 0" }).hasAttribute("disabled")).toBe(true);
  fireEvent.click(screen.getByRole("button", { name: "Leave them" }));
  expect(done).toHaveBeenCalled();
  expect(placed.all).toEqual([]);
});
