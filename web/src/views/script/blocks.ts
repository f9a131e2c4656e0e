/** The manuscript as blocks in the order of its text: paragraphs, headings, notes. */
import type { Film } from "../../api/client";

export interface Block {
  key: string;
  /** Indices of words, half open; for a heading or a note there are none. */
  first: number;
  end: number;
  kind: "scene" | "words" | "note";
  start: number;
  stop: number;
  scene: number;
}

/** Paragraphs, headings and notes of the manuscript in the order of the text. */
export function blocksOf(film: Film): Block[] {
  const out: Block[] = [];
  const text = film.text;
  let first = 0;
  film.words.forEach(([start], i) => {
    const before = film.words[i - 1];
    const newParagraph = before && /\n[ \t]*\n/.test(text.slice(before[1], start));
    const newScene = film.scenes.some((s) => s.first === i && i > 0);
    if (
      i > 0 &&
      (newParagraph ||
        newScene ||
        /\n\s*(?:#|\[|[A-Z][\w' ]*:)/.test(text.slice(before![1], start)))
    ) {
      out.push(wordsBlock(film, first, i));
      first = i;
    }
  });
  if (film.words.length) out.push(wordsBlock(film, first, film.words.length));
  film.scenes.forEach((s, i) => {
    if (s.title) {
      const [start, stop] = film.headings[
        film.scenes.slice(0, i).filter((x) => x.title).length
      ] ?? [0, 0];
      out.push({
        key: `scene ${i}`,
        first: s.first,
        end: s.first,
        kind: "scene",
        start,
        stop,
        scene: i,
      });
    }
  });
  for (const [start, stop] of film.notes)
    out.push({ key: `note ${start}`, first: 0, end: 0, kind: "note", start, stop, scene: 0 });
  return out.sort((a, b) => a.start - b.start || (a.kind === "scene" ? -1 : 1));
}

function wordsBlock(film: Film, first: number, end: number): Block {
  const start = film.words[first]![0];
  const lineStart = film.text.lastIndexOf("\n", start - 1) + 1;
  return {
    key: `words ${film.words[first]![2]}`,
    first,
    end,
    kind: "words",
    start: lineStart,
    stop: film.words[end - 1]![1],
    scene: 0,
  };
}
