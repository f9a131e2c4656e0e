import { expect, test } from "vitest";

import { languageNamed, languagesOf } from "./languages";

test("languages stand by name, the film's own first", () => {
  const voices = [{ language: "sv" }, {}, { language: "de" }, { language: "de" }];
  expect(languagesOf(voices, "de")).toEqual([
    ["de", "German"],
    ["en", "English"],
    ["sv", "Swedish"],
  ]);
  expect(languageNamed("pt-BR")).toContain("Portuguese");
});
