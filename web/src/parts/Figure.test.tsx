/** A number in a sentence: typed, stepped, held within what it may be. */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";

import { Figure } from "./Figure";

function figure(value = 6) {
  const onPut = vi.fn();
  render(
    <Figure label="Level" unit="dB" value={value} step={0.5} least={-24} most={12} onPut={onPut} />,
  );
  return { onPut, field: screen.getByLabelText("Level, in dB") };
}

test("typed, it is put when it is left; with either minus, and held within what it may be", () => {
  const { onPut, field } = figure();
  fireEvent.change(field, { target: { value: "−3,2" } });
  fireEvent.blur(field);
  fireEvent.change(field, { target: { value: "99" } });
  fireEvent.keyDown(field, { key: "Enter" });
  expect(onPut.mock.calls).toEqual([[-3], [12]]);
});

test("arrows step it, and several steps are one change", () => {
  vi.useFakeTimers();
  const { onPut, field } = figure();
  for (let i = 0; i < 3; i++) fireEvent.keyDown(field, { key: "ArrowUp" });
  expect((field as HTMLInputElement).value).toBe("7.5");
  expect(onPut).not.toHaveBeenCalled();
  act(() => void vi.runAllTimers());
  fireEvent.keyDown(field, { key: "ArrowDown" });
  fireEvent.blur(field);
  expect(onPut.mock.calls).toEqual([[7.5], [5.5]]);
  vi.useRealTimers();
});

test("what is no number, and what is let go, changes nothing", () => {
  const { onPut, field } = figure();
  fireEvent.change(field, { target: { value: "loud" } });
  fireEvent.blur(field);
  fireEvent.change(field, { target: { value: "3" } });
  fireEvent.keyDown(field, { key: "Escape" });
  fireEvent.blur(field);
  expect(onPut).not.toHaveBeenCalled();
  expect((field as HTMLInputElement).value).toBe("6");
});
