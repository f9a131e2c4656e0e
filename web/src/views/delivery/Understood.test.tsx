/** Lines that are hard to follow are listed with what is in their way, and mended by one click. */
import { fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film } from "../../api/client";
import { Understood } from "./Understood";

const changed: unknown[] = [];
let found: unknown;
vi.mock("../../api/film", () => ({
  useChange: () => ({ mutate: (c: unknown) => changed.push(c) }),
  useStart: () => ({ mutate: (c: unknown) => changed.push(c) }),
  useRuns: () => ({ data: [] }),
}));
vi.mock("../../api/mix", () => ({ useMix: () => ({ data: found }) }));

const film = { id: "f", settings: { music_level: 6, ambience_level: 0 } } as unknown as Film;
const measured = { measured: true, loudness: -14, true_peak: -1.6, easy: 0.75 };

beforeEach(() => changed.splice(0));

test("a line is mended by one click", () => {
  const hard = [
    { line: 3, shot: 2, text: "Nobody came.", index: 0.51, culprit: "music", less: 4.5 },
  ];
  found = { ...measured, least: 0.51, hard };
  render(<Understood film={film} />);
  expect(screen.getByRole("status").textContent).toContain("One line is hard to follow");
  fireEvent.click(screen.getByRole("button", { name: "music 4.5 dB softer" }));
  expect(changed).toEqual([{ type: "set settings", values: { music_level: 1.5 } }]);
});

test("where all is well it says so, with the measure", () => {
  found = { ...measured, least: 0.97, hard: [] };
  render(<Understood film={film} />);
  expect(screen.getByRole("status").textContent).toContain("index 0.97 and more");
});

test("what is not mixed is mixed by one click", () => {
  found = { measured: false, hard: [] };
  render(<Understood film={film} />);
  fireEvent.click(screen.getByRole("button", { name: "Mix and measure" }));
  expect(changed).toEqual([{ kind: "everything" }]);
});
