import { expect, test } from "vitest";

import { LEANS, leanOf, leaning } from "./leans";

test("every lean has a name, and what lies between has the nearest", () => {
  for (const [name, roll] of Object.entries(LEANS))
    expect(leanOf(roll as [number, number])).toBe(name);
  expect(leanOf([0.2, -1.7])).toBe("left");
});

test("a frame is drawn as the camera leans there, and smaller all along", () => {
  expect(leaning([0, 0], "last", "16:9")).toBeUndefined();
  expect(leaning([0, 2], "last", "16:9")).toBe("rotate(2deg) scale(0.9421)");
  expect(leaning([0, 2], "first", "16:9")).toBe("rotate(0deg) scale(0.9421)");
});
