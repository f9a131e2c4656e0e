/** Where a recording and the text differ: heard at its place, and the text mended by a click; or the line is said anew. */
import { Play, Square } from "lucide-react";

import type { Narration } from "../../../api/recordings";
import { Button } from "../../../parts/Button";
import { differencesIn } from "./differences";
import { useHearing } from "../../../parts/hearing";

interface Props {
  narration: Narration;
  /** Characters `start` up to `end` of the text are to be `insert`. */
  onMend: (start: number, end: number, insert: string) => void;
}

export function Found({ narration, onMend }: Props) {
  const { hear, stop, playing, now } = useHearing();
  const found = differencesIn(narration);
  if (found.length === 0) return <p className="mt-1 text-ink-2">It says the text word by word.</p>;
  return (
    <ul aria-label="Where it differs" className="mt-1 max-h-[260px] overflow-y-auto">
      {found.map((d) => {
        const here = playing !== null && playing === d.media && Math.abs(now - (d.at ?? 0)) < 4;
        return (
          <li
            key={`${d.kind} ${d.start} ${d.media} ${d.at}`}
            className="flex items-center gap-2 border-b border-rule py-0.5"
          >
            <span className="w-[92px] shrink-0 text-[12.5px] text-ink-2">{d.kind}</span>
            <span className="min-w-0 grow truncate font-serif text-[15px]">
              {d.written && (
                <span className={d.heard ? "line-through decoration-grease" : ""}>{d.written}</span>
              )}{" "}
              {d.heard && <i>{d.heard}</i>}
              {d.line && <span className="ml-1 text-[13.5px] text-ink-2">{d.line}</span>}
            </span>
            {d.media && (
              <Button
                kind="quiet"
                className="!px-2"
                aria-label={here ? "Stop" : `Hear “${d.heard}”`}
                onClick={() => (here ? stop() : hear(d.media!, Math.max(0, (d.at ?? 0) - 1)))}
              >
                {here ? <Square className="size-4" /> : <Play className="size-4" />}
              </Button>
            )}
            {d.mend && (
              <Button kind="quiet" onClick={() => onMend(d.start, d.end, d.mend!.insert)}>
                {d.mend.title}
              </Button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
