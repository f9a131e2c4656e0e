/** A machine listens to the spoken lines: words that it does not hear, clipping, clicks, a level or a pace far off. */
import type { Film } from "../../../api/client";
import { useRuns, useStart } from "../../../api/film";
import { useByEar } from "../../../api/voices";
import { Button } from "../../../parts/Button";

interface Props {
  film: Film;
  /** Opens the line with a place. */
  onLine: (line: number) => void;
}

export function ByEar({ film, onLine }: Props) {
  const start = useStart(film.id);
  const [last] = (useRuns(film.id).data ?? []).filter((r) => r.kind === "listening");
  const found = useByEar(film, last ? `${last.id} ${last.state}` : "").data;
  if (!found || found.spoken === 0) return null;
  const going = last?.state === "going";
  const left = found.spoken - found.listened;
  return (
    <section aria-label="By ear" className="border-t border-rule-strong pt-2">
      <p className="flex flex-wrap items-center gap-2">
        <b>By a machine’s ear</b>
        <span role="status" className="text-ink-2">
          {going
            ? `listening: ${last.done} of ${last.total} parts`
            : found.listened === 0
              ? film.language === "en"
                ? "words that it does not hear, clicks, clipping, level, pace"
                : "clicks, clipping, level, pace; words are heard in English only"
              : told(found.listened, found.doubtful.length)}
        </span>
        {left > 0 && (
          <Button
            className="ml-auto"
            disabled={going}
            onClick={() => start.mutate({ kind: "listening", lines: [] })}
          >
            {left === 1 ? "Listen to a line" : `Listen to ${left} lines`}
          </Button>
        )}
      </p>
      {found.doubtful.length > 0 && (
        <ul aria-label="Lines that may be bad" className="mt-1 max-h-[260px] overflow-y-auto">
          {found.doubtful.map((d) => (
            <li key={`${d.line} ${d.why}`} className="border-b border-rule">
              <button
                type="button"
                className="flex w-full items-center gap-2 rounded-[3px] px-1 py-1 text-left hover:bg-shade"
                onClick={() => onLine(d.line)}
              >
                <span className="w-[86px] shrink-0 truncate text-[12.5px] text-ink-2">
                  {d.speaker ?? "narrator"}
                </span>
                <span className="min-w-0 grow truncate font-serif text-[15px]">{d.text}</span>
                <span className="max-w-[300px] shrink-0 truncate text-[12.5px] text-grease-ink">
                  {d.why}
                  {d.missed.length > 0 && `: ${d.missed.join(", ")}`}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function told(listened: number, doubtful: number): string {
  const lines = listened === 1 ? "one line" : `${listened} lines`;
  if (doubtful === 0) return `${lines} listened to: nothing found`;
  return `${lines} listened to: ${doubtful === 1 ? "one thing" : `${doubtful} things`} to hear, worst first`;
}
