import { fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";

import { SeedField } from "./SeedField";

function typed(value: number | null, text: string) {
  const set = vi.fn();
  render(<SeedField value={value} placeholder="the film’s, 7" title="" onSet={set} />);
  const field = screen.getByLabelText<HTMLInputElement>("Seed");
  fireEvent.change(field, { target: { value: text } });
  fireEvent.blur(field);
  return set.mock.calls.map(([seed]) => seed as number | null);
}

test.each([
  [null, "4127", [4127]],
  [4127, "", [null]],
  [4127, "4127", []],
  [null, "", []],
  [null, "12.6", [13]],
  [null, "-5", [0]],
  [null, "99999999", [999_999]],
  [null, "seven", []],
])("from %s, “%s” sets %j", (value, text, set) => {
  expect(typed(value, text)).toEqual(set);
});

test("Enter is enough, and keys of the page do not see what is typed", () => {
  const [set, page] = [vi.fn(), vi.fn()];
  window.addEventListener("keydown", page);
  render(<SeedField value={null} title="" onSet={set} />);
  const field = screen.getByLabelText<HTMLInputElement>("Seed");
  field.focus();
  fireEvent.change(field, { target: { value: "5" } });
  fireEvent.keyDown(field, { key: "Enter" });
  window.removeEventListener("keydown", page);
  expect(set).toHaveBeenCalledWith(5);
  expect(page).not.toHaveBeenCalled();
});
