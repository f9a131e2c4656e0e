import { expect, test } from "vitest";

import { howFar, untilOf } from "./batchWords";

const film = { state: "waiting", says: "", looked: null, share: 0.456 } as const;

test("how far a film of a batch is, in words", () => {
  expect(howFar(film)).toBe("waits for its turn");
  expect(howFar({ ...film, state: "making" })).toBe("being made, 46 %");
  expect(howFar({ ...film, state: "failed", says: "No voice." })).toBe("No voice.");
  expect(howFar({ ...film, state: "failed" })).toBe("could not be made");
  expect(howFar({ ...film, state: "made" })).toContain("waits for your look");
  expect(howFar({ ...film, state: "made", looked: "2026-11-29" })).toContain("delivered");
});

test("its time is so many hours from now, or has no end", () => {
  const now = new Date("2026-11-29T22:00:00Z");
  expect(untilOf("8", now)).toBe("2026-11-30T06:00:00.000Z");
  expect(untilOf("any", now)).toBeNull();
});
