import { render, screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";

import type { Shot } from "../api/client";
import { Editable } from "./Editable";
import { Ring, WaveDown, stateOf } from "./marks";

const shot = (used: string | null, stale: boolean) => ({ used, stale }) as Shot;

describe("drawn signs", () => {
  it("ring the circled take alone", () => {
    const { container } = render(
      <>
        <Ring number={1} on={false} />
        <Ring number={2} on />
      </>,
    );
    expect(container.querySelectorAll("path")).toHaveLength(1);
  });
  it("draw a waveform as tall as its row, louder where peaks are higher", () => {
    const { container } = render(<WaveDown peaks={[0, 100]} height={60} estimated={false} />);
    const widths = container
      .querySelector("path")!
      .getAttribute("d")!
      .match(/h[\d.]+/g)!
      .map((h) => Number(h.slice(1)));
    expect(widths).toHaveLength(20);
    expect(widths[19]!).toBeGreaterThan(widths[0]! * 10);
  });
  it("say what exists of a shot", () => {
    expect([
      stateOf(shot(null, false)),
      stateOf(shot("a", true)),
      stateOf(shot("a", false)),
    ]).toEqual(["empty", "stale", "made"]);
  });
});

describe("words edited in place", () => {
  const type = async (keys: (field: HTMLInputElement) => void) => {
    const saved = vi.fn();
    render(<Editable value="Pip" label="Name" onSave={saved} />);
    const field = screen.getByLabelText<HTMLInputElement>("Name");
    field.focus();
    keys(field);
    return saved;
  };
  it("are saved on leaving, once, and only when they changed", async () => {
    const saved = await type((field) => field.blur());
    expect(saved).not.toHaveBeenCalled();
  });
});
