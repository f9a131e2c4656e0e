/** Captions of other languages, of those that a film is kept in: beside the file, or in its picture. */
import { fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film } from "../../api/client";
import { CaptionLanguages } from "./CaptionLanguages";

const cut = (film: string, language: string, more: object = {}) => ({
  film,
  language,
  original: language === "en",
  translated: 8,
  passages: 8,
  ...more,
});
let kept: unknown[] = [];
vi.mock("../../api/languages", () => ({ useLanguages: () => ({ data: { languages: kept } }) }));

const film = (settings: object) =>
  ({ id: "f", settings: { captions: "burn", ...settings } }) as unknown as Film;
const put: unknown[] = [];
const shown = (settings: object) =>
  render(<CaptionLanguages film={film(settings)} onPut={(values) => put.push(values)} />);

beforeEach(() => {
  put.splice(0);
  kept = [cut("f", "en"), cut("g", "es", { translated: 5 }), cut("h", "pl")];
});

test("each other language can go along, and says how much of it is translated", () => {
  shown({ captions_also: ["pl"] });
  expect(screen.getByText("5 of 8")).toBeTruthy();
  fireEvent.click(screen.getByRole("checkbox", { name: /Spanish/ }));
  fireEvent.click(screen.getByRole("checkbox", { name: /Polish/ }));
  expect(put).toEqual([{ captions_also: ["pl", "es"] }, { captions_also: [] }]);
});

test("one stands beneath the film's own where they are in the picture", () => {
  const { rerender } = shown({ captions_beneath: "es" });
  const choice = screen.getByRole("combobox", { name: "Language beneath the captions" });
  expect(choice.textContent).toBe("with Spanish");
  rerender(<CaptionLanguages film={film({ captions: "file" })} onPut={() => {}} />);
  expect(screen.queryByRole("combobox")).toBeNull();
});

test("a film in one language has nothing to choose", () => {
  kept = [cut("f", "en")];
  const { container } = shown({});
  expect(container.textContent).toBe("");
});
