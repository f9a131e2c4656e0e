/** A choice from a few words. */
import { fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";

import { Choice, worded } from "./Choice";

test("what may be chosen is said in our words where there are some, else as it is", () => {
  expect(worded(["360p", "720p"], { "360p": "360p, to look at" })).toEqual([
    ["360p", "360p, to look at"],
    ["720p", "720p"],
  ]);
  expect(worded([])).toEqual([]);
});

test("the value is shown in words, also before the list of choices has come", () => {
  const { rerender } = render(
    <Choice label="Size" value="360p" options={[]} onChange={() => undefined} />,
  );
  expect(screen.getByRole("combobox", { name: "Size" }).textContent).toBe("360p");
  const options = worded(["360p", "720p"], { "360p": "360p, to look at" });
  rerender(<Choice label="Size" value="360p" options={options} onChange={() => undefined} />);
  expect(screen.getByRole("combobox", { name: "Size" }).textContent).toBe("360p, to look at");
});

test("another is chosen by keys", () => {
  const chosen = vi.fn();
  Element.prototype.scrollIntoView = () => undefined;
  Element.prototype.hasPointerCapture = () => false;
  render(<Choice label="Size" value="360p" options={worded(["360p", "720p"])} onChange={chosen} />);
  fireEvent.keyDown(screen.getByRole("combobox", { name: "Size" }), { key: "Enter" });
  fireEvent.keyDown(screen.getByRole("option", { name: "720p" }), { key: "Enter" });
  expect(chosen).toHaveBeenCalledWith("720p");
});
