import { fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";

import type { Film, Run } from "../api/client";
import { RunQuestions } from "./RunQuestions";

const answered = vi.hoisted(() => [] as unknown[]);
vi.mock("../api/film", () => ({ useAnswer: () => ({ mutate: (a: unknown) => answered.push(a) }) }));

const film = { id: "f" } as Film;
const run = (...kinds: string[]) =>
  ({
    id: "r",
    questions: kinds.map((kind) => ({ kind, then: "Ink", why: `No ${kind}.`, answer: null })),
  }) as unknown as Run;

test("each question says why, and is answered for its kind", () => {
  render(<RunQuestions film={film} run={run("picture", "music")} />);
  expect(screen.getByText("No music. Is “Ink” to make it?")).toBeTruthy();
  fireEvent.click(screen.getAllByRole("button", { name: "Let “Ink” make it" })[0]!);
  fireEvent.click(screen.getAllByRole("button", { name: "No, leave it" })[1]!);
  expect(answered).toEqual([
    { run: "r", kind: "picture", second: true },
    { run: "r", kind: "music", second: false },
  ]);
});

test("a run that asks nothing shows nothing", () => {
  const { container } = render(<RunQuestions film={film} run={run()} />);
  expect(container.childElementCount).toBe(0);
});
