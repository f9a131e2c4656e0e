import { describe, expect, it } from "vitest";

import { inWords, money, rateOf, timecode } from "./time";

describe("timecode", () => {
  it("drops frame numbers at 30000/1001 (SMPTE ST 12-1)", () => {
    expect(timecode(1799, "30000/1001")).toBe("00:59;29");
    expect(timecode(1800, "30000/1001")).toBe("01:00;02");
    expect(timecode(17982, "30000/1001")).toBe("10:00;00");
    expect(timecode(107892, "30000/1001")).toBe("01:00:00;00");
  });
  it("counts whole frames at whole rates", () => {
    expect(timecode(0, "24")).toBe("00:00:00");
    expect(timecode(24 * 61 + 5, "24")).toBe("01:01:05");
    expect(timecode(-3, "25")).toBe("00:00:00");
  });
  it("knows rates as fractions", () => expect(rateOf("30000/1001")).toBeCloseTo(29.97003, 5));
});

describe("words for figures", () => {
  it("says times", () =>
    expect([inWords(9.4), inWords(61), inWords(148.2)]).toEqual([
      "9 s",
      "1 min 1 s",
      "2 min 28 s",
    ]));
  it("keeps small sums readable", () =>
    expect([money(0), money(0.006), money(0.84), money(12.5)]).toEqual([
      "0.00",
      "0.006",
      "0.84",
      "12.50",
    ]));
});
