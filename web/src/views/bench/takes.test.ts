import { expect, test } from "vitest";

import type { Shot, Take } from "../../api/client";
import { bounded } from "./Pane";
import { inOrder, setApart } from "./takes";

const take = (number: number, values: Partial<Take> = {}) =>
  ({
    id: `t${number}`,
    number,
    seed: number,
    offer: "illustrator-quick",
    prompt: "Wide shot. Pip (red scarf). dusk.",
    brought: false,
    rejected: null,
    ...values,
  }) as Take;

test("the take in use comes first, rejected ones last", () => {
  const shot = {
    used: "t2",
    takes: [take(1), take(2), take(3, { rejected: "two heads" }), take(4)],
  } as Shot;
  expect(inOrder(shot).map((t) => t.number)).toEqual([2, 4, 1, 3]);
});

test("what sets two takes apart is said in words", () => {
  expect(setApart(take(1), take(2))).toEqual(["seed 2"]);
  expect(
    setApart(
      take(1),
      take(1, { prompt: "Wide shot. Pip (green scarf). dusk.", offer: "illustrator-fine" }),
    ),
  ).toEqual(["illustrator, fine", "with “green scarf”", "without “red scarf”"]);
  expect(setApart(take(1), take(1))).toEqual(["made from the same"]);
  expect(setApart(take(1), take(2, { brought: true }))).toEqual([]);
});

test("an enlarged picture always fills its pane", () => {
  expect(bounded({ scale: 0.4, x: 0.1, y: 2 })).toEqual({ scale: 1, x: 0.5, y: 0.5 });
  expect(bounded({ scale: 4, x: 0, y: 1 })).toEqual({ scale: 4, x: 0.125, y: 0.875 });
  expect(bounded({ scale: 20, x: 0.5, y: 0.5 }).scale).toBe(8);
});
