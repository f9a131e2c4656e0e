/** All pictures as a set: choosing some, by ones and by ranges, and opening one. */
import { fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { expect, test, vi } from "vitest";

import type { Film, Shot } from "../../api/client";
import { LightTable } from "./LightTable";

const shot = (id: number, more: Partial<Shot> = {}) =>
  ({
    id,
    edge: String(id),
    text: `words ${id}`,
    used: `t${id}`,
    takes: [{ id: `t${id}`, thumb: `${id}.jpg`, media: `${id}.png`, faults: [] }],
    stale: false,
    ...more,
  }) as unknown as Shot;
const film = {
  settings: { aspect: "16:9" },
  shots: [
    shot(1),
    shot(2, { used: null }),
    shot(3, {
      takes: [
        { id: "t3", thumb: "3.jpg", media: "3.png", faults: [{ kind: "blur", text: "blurred" }] },
      ],
    } as unknown as Partial<Shot>),
    shot(4),
    shot(5),
  ],
} as unknown as Film;

function Table({ onOpen = vi.fn() }: { onOpen?: (shot: Shot) => void }) {
  const [chosen, setChosen] = useState<number[]>([]);
  return (
    <>
      <output>{[...chosen].sort().join(" ")}</output>
      <LightTable film={film} chosen={chosen} onChosen={setChosen} onOpen={onOpen} />
    </>
  );
}
const box = (edge: number) => screen.getByLabelText(`Choose shot ${edge}`);
const chosen = () => document.querySelector("output")!.textContent;

test("pictures are counted, faults named, and the missing shown by their words", () => {
  render(<Table />);
  expect(screen.getByText("4 of 5 shots have a picture")).toBeTruthy();
  expect(screen.getByText("blur")).toBeTruthy();
  expect(screen.getByRole("button", { name: "Shot 2, no picture yet" }).textContent).toContain(
    "words 2",
  );
});

test("some are chosen one by one, and let go", () => {
  render(<Table />);
  fireEvent.click(box(1));
  fireEvent.click(box(4));
  expect(chosen()).toBe("1 4");
  fireEvent.click(box(1));
  expect(chosen()).toBe("4");
  fireEvent.click(screen.getByRole("button", { name: "none" }));
  expect(chosen()).toBe("");
});

test("with Shift all from the one before, whichever way, and the same to let them go", () => {
  render(<Table />);
  fireEvent.click(box(4));
  fireEvent.click(box(2), { shiftKey: true });
  expect(chosen()).toBe("2 3 4");
  fireEvent.click(box(3), { shiftKey: true });
  expect(chosen()).toBe("4");
});

test("a picture opens its takes", () => {
  const open = vi.fn();
  render(<Table onOpen={open} />);
  fireEvent.click(screen.getByRole("button", { name: "Shot 3" }));
  expect(open).toHaveBeenCalledWith(film.shots[2]);
});

test("large pictures are shown as they are, small ones by their thumbnails", () => {
  const { container } = render(<Table />);
  const first = () => container.querySelector("img")!.getAttribute("src");
  expect(first()).toBe("/media/1.jpg");
  fireEvent.change(screen.getByLabelText("Size of the pictures"), { target: { value: "400" } });
  expect(first()).toBe("/media/1.png");
});
