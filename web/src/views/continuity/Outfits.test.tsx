import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";

import type { Film, Person } from "../../api/client";
import { Outfits } from "./Outfits";
import { Traits } from "./Traits";
import { blankPerson, blankTrait } from "./blank";

const film = {
  scenes: [
    { word: 1, first: 0, end: 4, title: "One" },
    { word: 5, first: 4, end: 9, title: "Two" },
  ],
  shots: ["1", "2", "2A", "3"].map((edge, i) => ({ id: i + 10, edge })),
} as unknown as Film;
const client = new QueryClient({ defaultOptions: { queries: { enabled: false } } });
const shown = (node: React.ReactNode) =>
  render(<QueryClientProvider client={client}>{node}</QueryClientProvider>);
const dressed = (...outfits: Person["outfits"]): Person => ({ ...blankPerson("Pip"), outfits });
const outfit = (name: string, scenes: number[], shots: number[] = []) => ({
  name,
  scenes,
  shots,
  traits: [blankTrait("clothes", "red coat")],
});

test("a scene has one outfit: choosing it here takes it from the other", () => {
  const edit = vi.fn();
  shown(
    <Outfits
      film={film}
      person={dressed(outfit("dry", [1, 5]), outfit("wet", []))}
      onEdit={edit}
    />,
  );
  fireEvent.click(screen.getByRole("button", { name: "wet in scene 2" }));
  expect(edit.mock.calls[0]![0].map((o: { scenes: number[] }) => o.scenes)).toEqual([[1], [5]]);
});

test("shots are named by edge numbers and ranges of them", () => {
  const edit = vi.fn();
  shown(<Outfits film={film} person={dressed(outfit("wet", [], [13]))} onEdit={edit} />);
  const field = screen.getByLabelText<HTMLInputElement>("Shots of wet");
  expect(field.value).toBe("3");
  fireEvent.blur(field, { target: { value: "1, 2-2a, 99" } });
  expect(edit.mock.calls[0]![0][0].shots).toEqual([10, 11, 12]);
});

test("animals wear nothing", () => {
  const { container } = shown(
    <Outfits film={film} person={{ ...dressed(), kind: "animal" }} onEdit={vi.fn()} />,
  );
  expect(container.textContent).toBe("");
});

test("a trait is weighed, shortened, removed and added", () => {
  const edit = vi.fn();
  shown(
    <Traits
      traits={[blankTrait("hair", "very long brown hair"), blankTrait("skin", "fair skin")]}
      onEdit={edit}
    />,
  );
  fireEvent.click(screen.getByRole("button", { name: "fair skin: must hold" }));
  expect(edit.mock.calls[0]![0][1].weight).toBe("if room");
  fireEvent.focus(screen.getByLabelText("Trait: hair"));
  fireEvent.change(screen.getByLabelText("Short wording of very long brown hair"), {
    target: { value: "brown hair" },
  });
  expect(edit.mock.calls[1]![0][0].short).toBe("brown hair");
  fireEvent.click(screen.getByRole("button", { name: "Remove trait hair" }));
  expect(edit.mock.calls[2]![0]).toHaveLength(1);
  fireEvent.click(screen.getByRole("button", { name: "add a trait" }));
  expect(edit.mock.calls[3]![0]).toHaveLength(3);
});

test("what holds from a word on says from which, and can be lifted", () => {
  const edit = vi.fn();
  const traits = [{ ...blankTrait("hair", "short red hair"), said: "cut off her hair" }];
  const cut = { name: "short hair", scenes: [], shots: [], since: 31, traits };
  shown(<Outfits film={film} person={dressed(cut)} onEdit={edit} />);
  expect(screen.getByText("cut off her hair")).toBeTruthy();
  expect(screen.queryByText(/^read:/)).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "short hair does not hold from there on" }));
  expect(edit.mock.calls[0]![0][0].since).toBeNull();
  expect(edit.mock.calls[0]![0][0].traits).toEqual(traits);
});
