import { expect, it } from "vitest";

import { type Grade, PAINTED, nameOf } from "./GradeFields";

const READY: Record<string, Grade> = {
  "as painted": PAINTED,
  winter: { ...PAINTED, warmth: -0.5, saturation: 0.7 },
};

it("knows a ready grade again, with whatever table", () => {
  expect(nameOf(PAINTED, READY)).toBe("as painted");
  expect(nameOf({ ...PAINTED, warmth: -0.5, saturation: 0.7 }, READY)).toBe("winter");
  expect(nameOf({ ...READY.winter!, lut: "a.cube", lut_amount: 0.5 }, READY)).toBe("winter");
});

it("calls none what is of the maker's own", () => {
  expect(nameOf({ ...PAINTED, warmth: -0.5 }, READY)).toBeUndefined();
  expect(nameOf({ ...PAINTED, shadows: "#102030" }, READY)).toBeUndefined();
});
