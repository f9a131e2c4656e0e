/** Own sounds are found by words, taken for a cue, let go; a file that is brought is kept and taken. */
import { fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film } from "../../api/client";
import { OwnSounds } from "./OwnSounds";

const changed: unknown[] = [];
const sound = (id: number, name: string, tempo: number | null = null) => ({
  id,
  name,
  media: `${id}.flac`,
  seconds: 62,
  tempo,
  licence: "CC BY 4.0",
  credit: "Ida",
});
const film = {
  id: "f",
  own_sounds: [sound(1, "harbour bell"), sound(2, "slow waltz", 88.4)],
} as unknown as Film;
const brought = sound(0, "creaking gate");
vi.mock("../../api/film", () => ({
  useChange: () => ({
    mutate: (c: unknown, then?: { onSuccess: (film: unknown) => void }) => {
      changed.push(c);
      then?.onSuccess({ own_sounds: [{ ...brought, id: 3 }] });
    },
  }),
}));
vi.mock("../../api/sounds", () => ({
  useShelf: () => ({ data: [sound(1, "harbour bell"), sound(0, "old engine")] }),
  useBringSound: () => ({
    isPending: false,
    mutate: (wish: { licence: string }, then: { onSuccess: (s: unknown) => void }) =>
      then.onSuccess({ ...brought, licence: wish.licence }),
  }),
}));

beforeEach(() => changed.splice(0));

test("a sound is found by words and taken", () => {
  const onUse = vi.fn();
  render(<OwnSounds film={film} own={null} onUse={onUse} />);
  fireEvent.change(screen.getByLabelText("Find among own sounds"), {
    target: { value: "ida waltz" },
  });
  expect(screen.queryByText(/harbour bell/)).toBeNull();
  fireEvent.click(
    screen.getByRole("button", { name: /slow waltz\s*1 min 2 s, 88 beats a minute/ }),
  );
  expect(onUse).toHaveBeenCalledWith(2);
  fireEvent.click(screen.getByRole("button", { name: "Let slow waltz go" }));
  expect(changed).toEqual([{ type: "drop sound", sound: 2 }]);
});

test("a file that is brought is kept with its licence, and is the cue's", () => {
  const onUse = vi.fn();
  render(<OwnSounds film={film} own={1} onUse={onUse} />);
  fireEvent.change(screen.getByLabelText("Licence"), { target: { value: "CC0" } });
  fireEvent.change(screen.getByLabelText("A sound of your own"), {
    target: { files: [new File(["x"], "creaking gate.wav")] },
  });
  expect(changed).toEqual([{ type: "keep sound", sound: { ...brought, licence: "CC0" } }]);
  expect(onUse).toHaveBeenCalledWith(3);
  fireEvent.click(screen.getByRole("button", { name: "Not this one" }));
  expect(onUse).toHaveBeenLastCalledWith(null);
});

test("what was brought for another film is taken too", () => {
  const onUse = vi.fn();
  render(<OwnSounds film={film} own={null} onUse={onUse} />);
  expect(screen.getAllByRole("button", { name: /harbour bell/ })).toHaveLength(3);
  fireEvent.click(screen.getByRole("button", { name: /old engine.*from another film/ }));
  expect(changed).toEqual([{ type: "keep sound", sound: sound(0, "old engine") }]);
});
