import { describe, expect, it } from "vitest";

import type { Due } from "../../api/calendar";
import { inTime } from "./Calendar";

const TODAY = "2026-11-29";
const due = (values: Partial<Due>): Due => ({
  film: "f",
  title: "The lamp",
  cut: "",
  due: "2026-12-01",
  shots: 9,
  left: 4,
  items: 12,
  cost: 0.3,
  seconds: 60,
  lacks: [],
  ready: TODAY,
  late: 0,
  held_by: "",
  ...values,
});

describe("whether a film will be there in time", () => {
  it("is said in words", () => {
    expect(inTime(due({ items: 0, left: 0 }), TODAY)).toBe("all made");
    expect(inTime(due({}), TODAY)).toBe("can be ready today");
    expect(inTime(due({ due: "2026-11-27" }), TODAY)).toBe("was due; it can be made today");
    const late = due({ ready: "2026-12-03", late: 2, held_by: "money" });
    expect(inTime(late, TODAY)).toMatch(/^ready .* at the day’s money: 2 days late$/);
    expect(inTime(due({ ready: null, held_by: "hand/brush" }), TODAY)).toBe(
      "never, as what hand/brush draws a day is",
    );
  });
});
