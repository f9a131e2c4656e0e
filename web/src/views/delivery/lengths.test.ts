import { expect, test } from "vitest";

import type { TranslatedRow } from "../../api/languages";
import { saidOf } from "../../api/languages";
import { amiss, differenceSaid, lengthSaid, remedyOf } from "./lengths";

const row: TranslatedRow = {
  word: 1,
  shot: 1,
  who: "",
  source: "The lamp was dark.",
  text: "x".repeat(60),
  by: "hand",
  stale: false,
  original: 2,
  here: 4,
  spoken: true,
  pace: 1,
  needs: 1.25,
  characters: 30,
  far: true,
};

test("a passage that is much longer says by how much, and what a voice and fewer letters can do", () => {
  expect([lengthSaid(row), differenceSaid(row)]).toEqual(["4.0 s", "2.0 s longer than 2.0"]);
  // Said quicker it takes 3.2 s of 2: three eighths of its letters are still too many.
  expect(remedyOf(row)).toEqual({
    pace: 1.25,
    says: "say it quicker (×1.25); 23 letters less would do the rest",
  });
});

test("what is short is said slower, what was slowed already is left, what is near is not remarked on", () => {
  const short = { ...row, here: 1, needs: 0.8 };
  expect(remedyOf(short)?.says).toBe("say it slower (×0.8)");
  expect(remedyOf({ ...short, pace: 0.8 })).toBeNull();
  expect(amiss({ ...row, far: false })).toBe(false);
  expect(lengthSaid({ ...row, far: false, spoken: false })).toBe("~ 4.0 s");
  expect(differenceSaid(short)).toBe("1.0 s shorter than 2.0");
  expect(amiss({ ...row, text: "" })).toBe(false);
});

test("what became of a table is said in a sentence", () => {
  expect(saidOf({ taken: 1, same: 0, empty: 2, left: [] })).toBe("1 passage taken, 2 still empty.");
  expect(saidOf({ taken: 3, same: 4, empty: 0, left: ["a", "b", "c", "d"] })).toBe(
    "3 passages taken, 4 as they were. Left, since the film does not say it (any more): “a”, “b”, “c” and others.",
  );
});
