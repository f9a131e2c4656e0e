import { expect, test } from "vitest";

import { LEANS, leanOf } from "./leans";

test("every lean has a name, and what lies between has the nearest", () => {
  for (const [name, roll] of Object.entries(LEANS))
    expect(leanOf(roll as [number, number])).toBe(name);
  expect(leanOf([0.2, -1.7])).toBe("left");
});
