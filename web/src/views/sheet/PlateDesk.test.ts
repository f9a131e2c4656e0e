import { expect, it } from "vitest";

import { read, shown } from "./PlateDesk";

it("reads numbers as people write them, and nothing as nothing", () => {
  expect(read("value", "1,240")).toBe(1240);
  expect(read("value", " 1 240.5 ")).toBe(1240.5);
  expect(read("value", "−12")).toBe(-12);
  expect(read("value", "")).toBeNull();
  expect(read("value", "many")).toBeNull();
  expect(read("north", "55.47")).toBe(55.47);
});

it("reads at most two parents, and words as they are", () => {
  expect(read("of", "Ada, Tobias , Pieter")).toEqual(["Ada", "Tobias"]);
  expect(read("of", "")).toEqual([]);
  expect(read("label", "12 boats")).toBe("12 boats");
});

it("shows what a row has", () => {
  expect(shown(["Ada", "Tobias"])).toBe("Ada, Tobias");
  expect(shown(0)).toBe("0");
  expect(shown(null)).toBe("");
});
