import { beforeEach, expect, test } from "vitest";

import { choose, chosen, toggle } from "./chosen";

beforeEach(() => choose([]));

test("shots are added and taken out one by one, and what was there is not changed", () => {
  toggle(3);
  const before = chosen.get();
  toggle(5);
  expect([...chosen.get()]).toEqual([3, 5]);
  expect([...before]).toEqual([3]);
  toggle(3);
  expect([...chosen.get()]).toEqual([5]);
});

test("choosing anew forgets what was chosen, once each", () => {
  toggle(1);
  choose([2, 2, 4]);
  expect([...chosen.get()]).toEqual([2, 4]);
});
