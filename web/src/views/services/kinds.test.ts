import { expect, test } from "vitest";

import { idOf, price, typed, wordsOf } from "./kinds";

test("a command is parted as a shell would part it, and typed again as it was", () => {
  const words = ["draw", "--text", "{prompt}", "a b", 'say "hi"', "it's", "{output}"];
  expect(wordsOf(typed(words))).toEqual(words);
  expect(wordsOf("draw  '{prompt}, cut paper'  --size={width}x{height}")).toEqual([
    "draw",
    "{prompt}, cut paper",
    "--size={width}x{height}",
  ]);
  expect(wordsOf("   ")).toEqual([]);
});

test("an id is made of a title, whatever stands in it", () => {
  expect(idOf("Night Sketcher 2")).toBe("night-sketcher-2");
  expect(idOf("Ärger & Söhne")).toBe("arger-sohne");
  expect(idOf("2 Pens")).toBe("pens");
  expect(idOf("x".repeat(40))).toHaveLength(24);
});

test("a price has no zeros that say nothing", () => {
  expect([price("0.00200"), price("1.5"), price(0), price("0.00001")]).toEqual([
    "0.002",
    "1.5",
    "free",
    "0.00001",
  ]);
});
