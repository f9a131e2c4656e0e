/** Recording line by line: keys for all of it, and what was recorded kept at once. */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film } from "../../../api/client";
import { LineByLine } from "./LineByLine";

const desk = vi.hoisted(() => ({
  changed: [] as unknown[],
  sent: [] as unknown[],
  begun: 0,
  recording: false,
  hand: null as null | ((f: File) => void),
  recorded: false,
}));

vi.mock("../../../api/film", () => ({
  useChange: () => ({ mutate: (c: unknown) => desk.changed.push(c) }),
}));
vi.mock("../../../api/recordings", () => ({
  useRecord: () => ({
    isPending: false,
    mutate: (
      wish: { line: number },
      then: { onSuccess: (kept: { word: number; recording: unknown }) => void },
    ) => {
      desk.sent.push(wish.line);
      then.onSuccess({ word: 70 + wish.line, recording: { media: "m", text: "t" } });
    },
  }),
}));
vi.mock("../../../api/voices", () => ({
  useLineSaid: (_: unknown, line: number) => ({
    data: {
      line,
      recorded: desk.recorded,
      direction: "whispered",
      words: [{ text: "Down" }],
      unsure: [0],
      takes: [{ media: "own.flac", seconds: 1.5 }],
    },
  }),
}));
vi.mock("./microphone", async (original) => ({
  ...(await original<object>()),
  useMicrophone: (onFile: (f: File) => void) => {
    desk.hand = onFile;
    return {
      counting: 0,
      recording: desk.recording,
      level: 0.2,
      begin: () => Promise.resolve(void (desk.begun += 1)),
      end: () => desk.hand!(new File([], "line.webm")),
    };
  },
}));

const film = {
  id: "f",
  text: "Down there, she said. Nobody came. Then rain.",
  words: [
    [0, 4],
    [5, 21],
    [22, 34],
    [35, 45],
  ],
  lines: [
    { first: 0, end: 2, speaker: "Edda" },
    { first: 2, end: 3, speaker: null },
    { first: 3, end: 4, speaker: null },
  ],
  shots: [{ id: 1, first: 0, end: 4, start: 0 }],
} as unknown as Film;

beforeEach(() => Object.assign(desk, { changed: [], sent: [], begun: 0, recorded: false }));

test("a key records the line before one's eyes, and another goes on to the next", () => {
  desk.recording = false;
  const left = vi.fn();
  const { rerender } = render(<LineByLine film={film} from={0} onDone={left} />);
  expect(screen.getByText("Down there, she said.")).toBeTruthy();
  fireEvent.keyDown(document.body, { key: "r", code: "KeyR" });
  expect(desk.begun).toBe(1);
  desk.recording = true;
  rerender(<LineByLine film={film} from={0} onDone={left} />);
  fireEvent.keyDown(document.body, { key: "Enter", code: "Enter" }); // not while it records
  act(() => void fireEvent.keyDown(document.body, { key: "r", code: "KeyR" }));
  expect(desk.sent).toEqual([0]);
  expect(desk.changed).toEqual([
    { type: "take recordings", lines: [{ word: 70, recording: { media: "m", text: "t" } }] },
  ]);
  desk.recording = false;
  desk.recorded = true;
  rerender(<LineByLine film={film} from={0} onDone={left} />);
  expect(screen.getByRole("status").textContent).toBe("recorded, 1.5 s; unsure: Down");
  fireEvent.keyDown(document.body, { key: "Enter", code: "Enter" });
  expect(screen.getByText("Nobody came.").className).toContain("25px");
  fireEvent.keyDown(document.body, { key: "Backspace", code: "Backspace" });
  expect(screen.getByText("Down there, she said.").className).toContain("25px");
  fireEvent.keyDown(document.body, { key: "Escape", code: "Escape" });
  expect(left).toHaveBeenCalled();
});
