/** Waiting for the preview's sound. */
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { Problem } from "../api/client";
import { mixed } from "./previewSound";

const server = vi.hoisted(() => ({
  answers: [] as unknown[],
  asked: [] as { film: string; version: string }[],
}));

vi.mock("../api/client", async (original) => ({
  ...(await original<typeof import("../api/client")>()),
  api: {
    GET: (_: string, how: { params: { path: { film: string; version: string } } }) => {
      server.asked.push(how.params.path);
      return Promise.resolve(server.answers.shift());
    },
  },
}));

const good = (ready: boolean, seconds: number) => ({
  data: { ready, seconds },
  response: { ok: true, status: 200 },
});

beforeEach(() => {
  vi.useFakeTimers();
  Object.assign(server, { answers: [], asked: [] });
});
afterEach(() => vi.useRealTimers());

test("a sound that is there is not waited for", async () => {
  server.answers = [good(true, 9)];
  const told: number[] = [];
  await mixed(
    "f",
    "v1",
    () => true,
    (s) => told.push(s),
  );
  expect(told).toEqual([0]);
  expect(server.asked).toEqual([{ film: "f", version: "v1" }]);
});

test("it is asked again until it is there, and says how long it takes", async () => {
  server.answers = [good(false, 40), good(false, 40), good(true, 40)];
  const told: number[] = [];
  const done = mixed(
    "f",
    "v1",
    () => true,
    (s) => told.push(s),
  );
  await vi.runAllTimersAsync();
  await done;
  expect(told).toEqual([40, 40, 0]);
});

test("when the film changes meanwhile nobody asks for the old sound any more", async () => {
  server.answers = [good(false, 40), good(false, 40), good(false, 40)];
  let wanted = true;
  const done = mixed(
    "f",
    "v1",
    () => wanted,
    () => undefined,
  );
  await vi.advanceTimersByTimeAsync(100);
  wanted = false;
  await vi.runAllTimersAsync();
  await done;
  expect(server.asked).toHaveLength(1);
});

test("what the server cannot do is told", async () => {
  server.answers = [
    {
      error: { title: "There is no such film.", detail: "" },
      response: { ok: false, status: 404 },
    },
  ];
  await expect(
    mixed(
      "f",
      "v1",
      () => true,
      () => undefined,
    ),
  ).rejects.toThrow(Problem);
});
