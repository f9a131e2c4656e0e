import { describe, expect, it } from "vitest";

import type { Film } from "../../api/client";
import { blocksOf } from "./blocks";

function film(
  text: string,
  headings: [number, number][],
  notes: [number, number][],
  scenes: [string, number][],
): Film {
  const skip = [...headings, ...notes];
  const words = [...text.matchAll(/\S+/g)]
    .filter((m) => !skip.some(([a, b]) => m.index >= a && m.index < b))
    .map((m, i) => [m.index, m.index + m[0].length, i + 1, 0]);
  return {
    text,
    words,
    headings,
    notes,
    scenes: scenes.map(([title, first]) => ({ title, first, end: 0 })),
  } as unknown as Film;
}

describe("blocks of the manuscript", () => {
  it("are headings, paragraphs and notes in the order of the text", () => {
    const text =
      "# One\n\nThe lamp was dark.\n\n[a note]\n\nShe rowed.\n\n# Two\n\nMorning came.\n";
    const note = text.indexOf("[");
    const two = text.indexOf("# Two");
    const blocks = blocksOf(
      film(
        text,
        [
          [0, 5],
          [two, two + 5],
        ],
        [[note, note + 8]],
        [
          ["One", 0],
          ["Two", 6],
        ],
      ),
    );
    expect(blocks.map((b) => b.kind)).toEqual([
      "scene",
      "words",
      "note",
      "words",
      "scene",
      "words",
    ]);
    const paragraphs = blocks.filter((b) => b.kind === "words");
    expect(paragraphs.map((b) => text.slice(b.start, b.stop))).toEqual([
      "The lamp was dark.",
      "She rowed.",
      "Morning came.",
    ]);
    expect(paragraphs.map((b) => [b.first, b.end])).toEqual([
      [0, 4],
      [4, 6],
      [6, 8],
    ]);
  });
  it("hold every word once", () => {
    const text = "A b c\nd e\n\nf\n\n\ng h";
    const blocks = blocksOf(film(text, [], [], []));
    expect(
      blocks.flatMap((b) => Array.from({ length: b.end - b.first }, (_, i) => b.first + i)),
    ).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
  });
});
