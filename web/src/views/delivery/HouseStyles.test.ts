import { expect, it } from "vitest";

import { shown } from "./HouseStyles";

it("says settings in words, and of what has parts only those that are something", () => {
  expect(shown(null)).toBe("none");
  expect(shown(true)).toBe("yes");
  expect(shown([])).toBe("none");
  expect(shown(["grain", "dust"])).toBe("grain, dust");
  expect(shown({ warmth: 0.4, contrast: 0, shadows: null })).toBe("warmth 0.4");
  expect(shown({ said_colour: "#ffd23f", said: "none", shadow: false })).toBe(
    "said colour #ffd23f",
  );
  expect(shown({})).toBe("none");
});
