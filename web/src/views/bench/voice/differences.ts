/** What a recording and the text differ in, in the order of the text; what was put in, and is cut out, comes last. */
import type { Narration } from "../../../api/recordings";

export interface Difference {
  kind: "not said" | "left out" | "said otherwise" | "cut out";
  written: string;
  heard: string;
  /** The line it stands in, where that helps. */
  line: string;
  start: number;
  end: number;
  media: string | null;
  at: number | null;
  mend: { title: string; insert: string } | null;
}

const NOWHERE = { media: null, at: null };

export function differencesIn({ lines, put_in }: Narration): Difference[] {
  const out: Difference[] = [];
  for (const line of lines) {
    if (!line.recording) {
      const [first] = line.left;
      const last = line.left.at(-1);
      out.push({
        kind: "not said",
        written: line.left.map((l) => l.text).join(" … ") || line.text,
        heard: "",
        line: "",
        start: first?.start ?? 0,
        end: last?.end ?? 0,
        ...NOWHERE,
        mend: first && last ? { title: "Strike it", insert: "" } : null,
      });
      continue;
    }
    for (const left of line.left)
      out.push({
        kind: "left out",
        written: left.text,
        heard: "",
        line: line.text,
        start: left.start,
        end: left.end,
        ...NOWHERE,
        mend: { title: "Strike it", insert: "" },
      });
    for (const other of line.others)
      out.push({
        kind: "said otherwise",
        written: other.text,
        heard: other.heard,
        line: line.text,
        start: other.start,
        end: other.end,
        media: other.media,
        at: other.at,
        mend: { title: "Write it so", insert: other.heard },
      });
  }
  for (const more of put_in)
    out.push({
      kind: "cut out",
      written: "",
      heard: more.heard,
      line: "",
      start: 0,
      end: 0,
      media: more.media,
      at: more.at,
      mend: null,
    });
  return out;
}
