/** Versions: every change is one. Compare any two, or go back to one. */
import { useState } from "react";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import { useCompared, useGoBack, useVersions } from "../../api/script";
import { Button } from "../../parts/Button";
import { Differences } from "../../parts/Differences";

export function Versions({ film }: { film: Film }) {
  const versions = (useVersions(film.id, film.revision).data ?? []).filter((v) => !v.undone);
  const [before, setBefore] = useState<number | null>(null);
  const newest = versions[0]?.number ?? 0;
  const [after, setAfter] = useState<number | null>(null);
  const to = after ?? newest;
  const compared = useCompared(film.id, before, before === null ? null : to);
  const goBack = useGoBack(film.id);
  const rows = [
    ...versions.map((v) => ({ number: v.number, title: v.title, at: v.at })),
    { number: 0, title: "the film as it was first", at: "" },
  ];
  const words = compared.data?.words ?? [];
  const same = words.every((w) => w.before === w.after);
  return (
    <>
      <Aside film={film} />
      <p className="text-ink-2">
        Choose a version to see what has changed since. Cut marks, takes and cues stay with the
        words that stay.
      </p>
      <ol
        aria-label="Versions"
        className="max-h-[330px] shrink-0 overflow-y-auto border-y border-rule"
      >
        {rows.map((row) => (
          <li
            key={row.number}
            className={`flex items-baseline gap-2 border-b border-rule last:border-0 ${row.number === before ? "bg-shade" : ""}`}
          >
            <button
              type="button"
              aria-pressed={row.number === before}
              onClick={() => setBefore(row.number === before ? null : row.number)}
              className="flex min-w-0 grow items-baseline gap-2 py-1 text-left hover:bg-shade"
            >
              <span className="w-7 shrink-0 text-right font-mono text-[11.5px] text-ink-2">
                {row.number || "–"}
              </span>
              <span className="truncate">{row.title}</span>
            </button>
            {before !== null && row.number !== before && (
              <button
                type="button"
                aria-pressed={row.number === to}
                onClick={() => setAfter(row.number)}
                className={`shrink-0 text-[12px] ${row.number === to ? "font-semibold" : "text-ink-2 underline decoration-dotted"}`}
              >
                {row.number === to ? "compared" : "compare"}
              </button>
            )}
            <time className="shrink-0 pr-1 font-mono text-[11.5px] text-ink-2">
              {row.at &&
                new Date(row.at).toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" })}
            </time>
          </li>
        ))}
      </ol>
      {before !== null && (
        <section aria-label="What changed" className="flex flex-col gap-2">
          <div className="flex items-center justify-between">
            <h2 className="font-semibold">
              From {before || "the first"} to {to === newest ? "now" : to}
            </h2>
            <Button
              disabled={before === newest || goBack.isPending}
              onClick={() => goBack.mutate(before, { onSuccess: () => setBefore(null) })}
            >
              Go back to {before || "the first"}
            </Button>
          </div>
          {compared.data?.others.map((o) => (
            <p key={o} className="text-ink-2">
              {o}
            </p>
          ))}
          {compared.data && same && <p className="text-ink-2">The words are the same.</p>}
          {compared.data && !same && (
            <div className="rounded-[4px] border border-rule bg-page px-3 py-2">
              <Differences pieces={words} />
            </div>
          )}
        </section>
      )}
    </>
  );
}

/** Scenes that were cut out, and may come back. */
function Aside({ film }: { film: Film }) {
  const change = useChange(film.id);
  if (!film.aside.length) return null;
  return (
    <section aria-label="Set aside" className="flex flex-col gap-1">
      <h2 className="font-semibold">Set aside</h2>
      <ul>
        {film.aside.map((a) => (
          <li key={a.id} className="border-b border-rule py-1.5 last:border-0">
            <p className="flex items-baseline gap-2">
              <span className="min-w-0 grow truncate">{a.title}</span>
              <span className="whitespace-nowrap text-[12px] text-ink-2">
                {a.words} words, {a.shots} {a.shots === 1 ? "shot" : "shots"}
              </span>
            </p>
            <p className="truncate font-serif text-[12.5px] text-ink-2">{a.begins}</p>
            <p className="mt-1 flex gap-2">
              <Button
                aria-label={`Bring ${a.title} back`}
                onClick={() => change.mutate({ type: "bring back", aside: a.id, away: false })}
              >
                Bring back
              </Button>
              <Button
                kind="quiet"
                aria-label={`Throw ${a.title} away`}
                onClick={() => change.mutate({ type: "bring back", aside: a.id, away: true })}
              >
                Throw away
              </Button>
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
