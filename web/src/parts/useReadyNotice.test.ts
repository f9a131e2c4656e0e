import { renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import type { Film, Run } from "../api/client";
import { setToldWhenReady, toldWhenReady } from "../state/ready";
import { saidOf, useReadyNotice } from "./useReadyNotice";

const film = { id: "f", title: "The Lamp" } as Film;
const run = (id: string, state: string, more: Partial<Run> = {}) =>
  ({
    id,
    state,
    kind: "delivery",
    done: 3,
    total: 4,
    failures: [],
    message: "",
    ...more,
  }) as unknown as Run;
const told: [string, string | undefined][] = [];

class Shown {
  static permission = "granted";
  static requestPermission = () => Promise.resolve(Shown.permission);
  onclick: (() => void) | null = null;
  constructor(title: string, how?: NotificationOptions) {
    told.push([title, how?.body]);
  }
}

const looksElsewhere = (hidden: boolean) =>
  vi.spyOn(document, "hidden", "get").mockReturnValue(hidden);

beforeEach(async () => {
  vi.stubGlobal("Notification", Shown);
  Shown.permission = "granted";
  told.length = 0;
  await setToldWhenReady(true);
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
  window.localStorage.clear();
});

const seen = (...looks: Run[][]) => {
  const { rerender } = renderHook(({ runs }) => useReadyNotice(film, runs), {
    initialProps: { runs: looks[0] },
  });
  for (const runs of looks.slice(1)) rerender({ runs });
};

test("a run that ends while somebody looks elsewhere is told, once", () => {
  looksElsewhere(true);
  const done = [run("a", "done")];
  seen([run("a", "going")], done, [...done], done);
  expect(told).toEqual([["The Lamp: a delivery", "It is ready."]]);
});

test("what failed and what partly failed is told in words, what was cancelled not at all", () => {
  expect(saidOf(run("a", "done", { failures: ["one"] }))).toBe("3 of 4 made; 1 failed.");
  expect(saidOf(run("a", "failed", { message: "The disk is full." }))).toBe("The disk is full.");
  looksElsewhere(true);
  seen([run("a", "going"), run("b", "paused")], [run("a", "cancelled"), run("b", "failed")]);
  expect(told).toEqual([["The Lamp: a delivery", "It failed."]]);
});

test("nobody is told of what ended before, nor while they look, nor unasked", async () => {
  looksElsewhere(true);
  seen([run("a", "done")], [run("a", "done")]);
  looksElsewhere(false);
  seen([run("b", "going")], [run("b", "done")]);
  looksElsewhere(true);
  await setToldWhenReady(false);
  seen([run("c", "going")], [run("c", "done")]);
  expect(told).toEqual([]);
});

test("where the browser says no, nothing is promised", async () => {
  Shown.permission = "denied";
  expect(await setToldWhenReady(true)).toBe(false);
  expect(toldWhenReady.get()).toBe(false);
  expect(window.localStorage.getItem("told when ready")).toBe("no");
  Shown.permission = "granted";
  expect(await setToldWhenReady(true)).toBe(true);
  expect(toldWhenReady.get()).toBe(true);
});
