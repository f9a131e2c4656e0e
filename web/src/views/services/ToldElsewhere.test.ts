import { describe, expect, it } from "vitest";

import type { Told } from "../../api/told";
import { howTold } from "./ToldElsewhere";

const told = (values: Partial<Told>): Told => ({
  id: "a",
  address: "https://studio.example/ready",
  last: null,
  arrived: false,
  says: "",
  waits: 0,
  secret: "",
  ...values,
});

describe("how an address was told last", () => {
  it("is said in words", () => {
    expect(howTold(told({}))).toBe("was told nothing yet");
    expect(howTold(told({ waits: 1 }))).toBe("is being told …");
    const last = "2026-11-29T06:00:00Z";
    expect(howTold(told({ last, arrived: true, says: "answered 204" }))).toMatch(
      /^told .*; it answered 204$/,
    );
    expect(howTold(told({ last, says: "answered 503", waits: 2 }))).toMatch(
      /^not told .*: it answered 503, 2 to be told$/,
    );
  });
});
