import { render, screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";

import { Differences } from "./Differences";

const PIECES = [
  { start: 0, before: "The lamp ", after: "The lamp " },
  { start: 9, before: "was", after: "is" },
  { start: 12, before: " dark.", after: " dark." },
  { start: 18, before: "", after: " It rained." },
];

describe("before and after in one text", () => {
  it("strikes what goes and underlines what comes", () => {
    const { container } = render(<Differences pieces={PIECES} />);
    expect([...container.querySelectorAll("del")].map((d) => d.textContent)).toEqual(["was"]);
    expect([...container.querySelectorAll("ins")].map((d) => d.textContent)).toEqual([
      "is",
      " It rained.",
    ]);
    expect(container.textContent).toContain("The lamp ");
  });

  it("shows a change that is left out as it was, and tells which is clicked", () => {
    const onToggle = vi.fn();
    const { container } = render(
      <Differences pieces={PIECES} taken={(start) => start !== 9} onToggle={onToggle} />,
    );
    expect([...container.querySelectorAll("ins")].map((d) => d.textContent)).toEqual([
      " It rained.",
    ]);
    screen.getByRole("button", { name: /^Left out: “was” becomes “is”/ }).click();
    expect(onToggle).toHaveBeenCalledWith(9);
  });
});
