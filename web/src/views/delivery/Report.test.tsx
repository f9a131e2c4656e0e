import { fireEvent, render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { describe, expect, it } from "vitest";

import type { Film, Run } from "../../api/client";
import { inOrder } from "./GoingFiles";
import { type Figure, Figures, summed } from "./Report";

const figure = (values: Partial<Figure>): Figure => ({
  section: "sound",
  what: "loudness",
  found: "−18.2 LUFS",
  aim: "−14 ±0.5 LUFS",
  good: false,
  how: "ffmpeg -i FILE -af ebur128 -f null -",
  where: { view: "mix", shot: null },
  ...values,
});
const film = { id: "f", shots: [{ id: 7, edge: "12A", start: 0, stop: 9 }] } as unknown as Film;

describe("a report", () => {
  it("is summed up without what is only told", () => {
    expect(summed([figure({}), figure({ what: "peak", good: true })])).toBe(
      "1 of 2 figures is not as aimed at.",
    );
    expect(summed([figure({ good: true }), figure({ good: null })])).toBe(
      "All 1 figures are as they are aimed at.",
    );
  });

  it("shows what is amiss with the way to it, and the rest on demand", () => {
    const fault = figure({
      section: "pictures",
      what: "faults",
      where: { view: "bench", shot: 7 },
    });
    const good = figure({ what: "true peak", good: true });
    render(
      <MemoryRouter>
        <Figures film={film} figures={[figure({}), fault, good]} />
      </MemoryRouter>,
    );
    expect(screen.getByRole("link", { name: "to mix" }).getAttribute("href")).toBe("/film/f/mix");
    expect(screen.getByRole("link", { name: "to shot 12A" })).toBeTruthy();
    expect(screen.queryByText("true peak")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "All 3" }));
    expect(screen.getByText("true peak")).toBeTruthy();
  });
});

describe("files being made", () => {
  it("stand in the order in which they are made", () => {
    const run = (id: string, priority: number, created: string) =>
      ({ id, priority, created }) as Run;
    const runs = [run("c", 0, "2026-01-03"), run("a", 19, "2026-01-04"), run("b", 0, "2026-01-01")];
    expect(inOrder(runs).map((r) => r.id)).toEqual(["a", "b", "c"]);
  });
});
