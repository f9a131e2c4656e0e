import { describe, expect, it } from "vitest";

import { asKind, kindOf } from "./Editor";

describe("what a block of the manuscript is", () => {
  it("is told by how it is written", () => {
    expect(kindOf("# The jetty — dusk")).toBe("scene");
    expect(kindOf("[check the date]")).toBe("note");
    expect(kindOf("PIP: Is it out?")).toBe("speaker");
    expect(kindOf("@McCoy: Aye.")).toBe("speaker");
    expect(kindOf("Élodie waited: nobody came.")).toBe("narration");
    expect(kindOf("The lamp went out.")).toBe("narration");
  });

  it("changes without losing a word, and back again", () => {
    const words = "The lamp went out.\nNobody knew why.";
    for (const kind of ["scene", "note", "speaker"] as const) {
      const turned = asKind(words, kind, "Pip");
      expect(kindOf(turned)).toBe(kind);
      expect(
        asKind(turned, "narration", "Pip")
          .replace(/[\s[\]]+/g, " ")
          .trim(),
      ).toBe(words.replace(/\s+/g, " "));
    }
    expect(asKind("# Home", "speaker", "the boy")).toBe("THE BOY: Home");
    expect(asKind("\\# not a heading", "narration", "Pip")).toBe("# not a heading");
  });
});
