import { fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";

import { COMMANDS, type Command, HEADS, type Scope } from "./commands";
import { KeyList } from "./KeyList";
import { digitOf, keysOf, useKeys } from "./useKeys";

const scopes = Object.keys(COMMANDS) as Scope[];
const commandsOf = (scope: Scope) => Object.values<Command>(COMMANDS[scope]);

/** What hears the keys while a view is shown: that of the whole film, and the view's own. */
const TOGETHER: Scope[][] = [
  ["list", "film", "monitor", "script"],
  ["list", "film", "monitor", "sheet"],
  ["list", "film", "bench", "takes"],
  ["cells", "departure"],
  ["pictures", "departure"],
];

test("every scope stands under one head of the list", () => {
  expect(HEADS.flatMap(([, under]) => under).sort()).toEqual([...scopes].sort());
});

test.each(TOGETHER)("no press gives two commands: %s %s %s %s", (...together) => {
  const presses = together.flatMap((s) => commandsOf(s).map((c) => c.presses));
  expect(new Set(presses).size).toBe(presses.length);
});

test("the list opens by its key and says every command", () => {
  render(<KeyList />);
  fireEvent.keyDown(document.body, { key: "?", code: "Slash", shiftKey: true });
  for (const scope of scopes)
    for (const { says } of commandsOf(scope)) expect(screen.getAllByText(says)).not.toEqual([]);
});

function Film({ deeds }: { deeds: Parameters<typeof useKeys<"film">>[1] }) {
  useKeys("film", deeds);
  return <input aria-label="Name" />;
}

const film = () => ({ view: vi.fn(), undo: vi.fn(), redo: vi.fn() });

test("a view does what is pressed, and the latest that was given for it", () => {
  const [before, after] = [film(), film()];
  const { rerender, unmount } = render(<Film deeds={before} />);
  rerender(<Film deeds={after} />);
  fireEvent.keyDown(document.body, { key: "z", code: "KeyZ", ctrlKey: true });
  expect(after.undo).toHaveBeenCalledOnce();
  expect(after.redo).not.toHaveBeenCalled();
  fireEvent.keyDown(document.body, { key: "Z", code: "KeyZ", ctrlKey: true, shiftKey: true });
  expect(after.redo).toHaveBeenCalledOnce();
  expect(before.undo).not.toHaveBeenCalled();
  unmount();
  fireEvent.keyDown(document.body, { key: "z", code: "KeyZ", ctrlKey: true });
  expect(after.undo).toHaveBeenCalledOnce();
});

test("what is typed into a field is no command", () => {
  const deeds = film();
  render(<Film deeds={deeds} />);
  fireEvent.keyDown(screen.getByLabelText("Name"), { key: "2", code: "Digit2" });
  expect(deeds.view).not.toHaveBeenCalled();
  fireEvent.keyDown(document.body, { key: "2", code: "Digit2" });
  expect(deeds.view).toHaveBeenCalledOnce();
});

test("with one more modifier a press means something else", () => {
  const deeds = film();
  render(<Film deeds={deeds} />);
  for (const held of [{ altKey: true }, { ctrlKey: true }, { shiftKey: true }])
    fireEvent.keyDown(document.body, { key: "2", code: "Digit2", ...held });
  expect(deeds.view).not.toHaveBeenCalled();
});

test("what has the focus hears first, and keeps what it carried out from the view", () => {
  const [move, edit, page] = [vi.fn(), vi.fn(), vi.fn()];
  window.addEventListener("keydown", page);
  render(
    <h2 tabIndex={0} onKeyDown={keysOf("heading", { move, edit })}>
      The jetty
    </h2>,
  );
  const heading = screen.getByRole("heading");
  fireEvent.keyDown(heading, { key: "ArrowUp", code: "ArrowUp", altKey: true });
  fireEvent.keyDown(heading, { key: "e", code: "KeyE" });
  expect(move).toHaveBeenCalledOnce();
  expect(edit).toHaveBeenCalledOnce();
  expect(page).not.toHaveBeenCalled();
  fireEvent.keyDown(heading, { key: "2", code: "Digit2" });
  expect(page).toHaveBeenCalledOnce();
  window.removeEventListener("keydown", page);
});

test("a deed that was not for it leaves the press to whoever else hears it", () => {
  const page = vi.fn();
  window.addEventListener("keydown", page);
  const refuse = () => false;
  render(
    <textarea
      aria-label="Words"
      onKeyDown={keysOf("editor", { save: refuse, leave: refuse, kind: refuse, step: refuse })}
    />,
  );
  const pressed = fireEvent.keyDown(screen.getByLabelText("Words"), {
    key: "ArrowUp",
    code: "ArrowUp",
  });
  expect(pressed).toBe(true);
  expect(page).toHaveBeenCalledOnce();
  window.removeEventListener("keydown", page);
});

test.each([
  ["!", "Digit1", 1],
  ["(", "Digit9", 9],
  ["¡", "Digit1", 1],
])("%s on %s is the digit %d", (key, code, digit) => {
  expect(digitOf(new KeyboardEvent("keydown", { key, code }))).toBe(digit);
});
