/** Recordings cleaned, all of the film alike: steady noise, hum, plosives, breaths, an uneven level, each by an amount. What was
 * recorded stays as it is. */
import type { Film } from "../../../api/client";
import { useChange, useRuns, useStart } from "../../../api/film";
import { useCleaning } from "../../../api/recordings";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";

const AMOUNTS: [string, string][] = [
  ["0", "left"],
  ["0.35", "a little"],
  ["0.65", "much"],
  ["1", "all of it"],
];
const AGAINST = [
  ["clean_noise", "steady noise"],
  ["clean_hum", "hum"],
  ["clean_plosives", "plosives"],
  ["clean_breaths", "breaths"],
  ["clean_level", "uneven level"],
] as const;

export function CleanUp({ film }: { film: Film }) {
  const change = useChange(film.id);
  const start = useStart(film.id);
  const going = (useRuns(film.id).data ?? []).some(
    (r) => r.state === "going" && r.kind === "speech",
  );
  const found = useCleaning(film).data;
  if (!found || found.recorded === 0) return null;
  const left = found.recorded - found.cleaned;
  return (
    <section
      aria-label="Recordings cleaned"
      className="flex flex-wrap items-center gap-x-2 gap-y-1 border-t border-rule-strong pt-2"
    >
      <b>Clean recordings</b>
      {AGAINST.map(([name, says]) => (
        <span key={name} className="flex items-center gap-1">
          <span className="text-ink-2">{says}</span>
          <Choice
            quiet
            label={says}
            value={String(film.settings[name] ?? 0)}
            options={AMOUNTS}
            onChange={(to) =>
              change.mutate({ type: "set settings", values: { [name]: Number(to) } })
            }
          />
        </span>
      ))}
      {left > 0 && (
        <Button
          kind="ink"
          className="ml-auto"
          disabled={going}
          onClick={() => start.mutate({ kind: "speech", lines: [] })}
        >
          {going ? "cleaning …" : left === 1 ? "Clean the line" : `Clean ${left} lines`}
        </Button>
      )}
    </section>
  );
}
