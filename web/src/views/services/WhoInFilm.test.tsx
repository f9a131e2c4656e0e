import { fireEvent, render, screen } from "@testing-library/react";
import { beforeAll, beforeEach, expect, test, vi } from "vitest";

import type { Film } from "../../api/client";
import { WhoInFilm } from "./WhoInFilm";

const state = vi.hoisted(() => ({ changes: [] as unknown[], makers: {} as object }));
const offer = (kind: string, name: string) => ({ kind, name, title: name.toUpperCase() });
vi.mock("../../api/film", () => ({
  useOffers: () => ({
    data: [
      offer("picture", "quick"),
      offer("picture", "fine"),
      offer("music", "trio"),
      offer("music", "organ"),
    ],
  }),
  useRules: () => ({}),
  useChange: () => ({ mutate: (command: unknown) => state.changes.push(command) }),
}));
vi.mock("../../api/services", () => ({ useMakers: () => ({ data: state.makers }) }));
vi.mock("../continuity/BeforeYouDecide", () => ({
  BeforeYouDecide: ({ title, command }: { title: string; command: unknown }) => (
    <p>
      {title}: {JSON.stringify(command)}
    </p>
  ),
}));

beforeAll(() => {
  Element.prototype.scrollIntoView = () => undefined;
});
beforeEach(() => {
  state.changes.length = 0;
  state.makers = {
    film: { picture: "quick" },
    scenes: [{ number: 40, name: "", made_by: { clip: "mover" } }],
    people: [{ number: 2, name: "Ada", made_by: { picture: "fine" } }],
    shots: [{ number: 7, name: "3B", made_by: { picture: "fine", sound: "foley" } }],
  };
});

const ada = { id: 2, name: "Ada", made_by: { picture: "fine" } };
const film = { id: "f", revision: 3, settings: { offer: "quick" }, cast: [ada] } as unknown as Film;

function choose(label: string, option: string) {
  fireEvent.keyDown(screen.getByLabelText(label), { key: "Enter" });
  fireEvent.keyDown(screen.getByRole("option", { name: option }), { key: "Enter" });
}

test("where something else was chosen is listed, and lifted there", () => {
  render(<WhoInFilm film={film} />);
  const rows = screen.getAllByRole("listitem").map((r) => r.textContent);
  expect(rows).toEqual([
    "scene “the opening”: clip by moverlift",
    "Ada: picture by FINElift",
    "shot 3B: picture by FINE, sound by foleylift",
  ]);
  for (const button of screen.getAllByRole("button", { name: "lift" })) fireEvent.click(button);
  expect(state.changes).toEqual([
    { type: "set scene", word: 40, values: { made_by: null }, pace: null, aim: null },
    { type: "set person", person: { ...ada, made_by: {} } },
    { type: "set shots", shots: [7], values: { made_by: null } },
  ]);
});

test("another maker of all pictures is thought over first, of music taken at once", () => {
  render(<WhoInFilm film={film} />);
  choose("picture by", "FINE");
  expect(state.changes).toEqual([]);
  expect(screen.getByText(/^Pictures by FINE/).textContent).toContain('"offer":"fine"');
  choose("music by", "ORGAN");
  expect(state.changes).toEqual([
    { type: "set settings", values: { made_by: { music: "organ" } } },
  ]);
});

test("nothing chosen otherwise, nothing listed", () => {
  state.makers = { film: { picture: "quick" }, scenes: [], people: [], shots: [] };
  render(<WhoInFilm film={film} />);
  expect(screen.queryByText("Chosen otherwise")).toBeNull();
});
