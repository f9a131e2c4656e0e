/** A reference: the pace of another script, measured and aimed at; how close the film is to it. Its words are not kept. */
import { useRef, useState } from "react";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import { useMeasurePace } from "../../api/script";
import { Button } from "../../parts/Button";
import { Area, Check } from "../../parts/Field";
import { inWords } from "../../parts/time";

const MEASURES: [string, string][] = [
  ["speed", "words a minute"],
  ["sentences", "sentence lengths"],
  ["shots", "shot lengths"],
  ["turns", "where turns come"],
];

export function ReferencePace({ film }: { film: Film }) {
  const change = useChange(film.id);
  const file = useRef<HTMLInputElement>(null);
  const [text, setText] = useState<string | null>(null);
  const set = (values: Record<string, unknown>) => change.mutate({ type: "set settings", values });
  const measure = useMeasurePace((reference) => {
    setText(null);
    set({ reference, follow_reference: true });
  });
  const { reference, follow_reference: follows } = film.settings;
  return (
    <section aria-label="Reference" className="border-t border-rule-strong pt-3">
      <div className="mb-1.5 flex items-baseline justify-between">
        <h2 className="font-semibold">Reference</h2>
        {reference && (
          <button
            type="button"
            className="min-h-6 text-ink-2 underline decoration-dotted"
            onClick={() => set({ reference: null, follow_reference: false })}
          >
            lift
          </button>
        )}
      </div>
      {reference ? (
        <>
          <p className="text-ink-2">
            {inWords(reference.seconds)} {reference.timed ? "as timed" : "as estimated"},{" "}
            {Math.round(reference.words_a_minute)} words a minute, {reference.turns.length} turns.
          </p>
          <Course film={film} reference={reference.shot_seconds} />
          <dl className="grid grid-cols-[1fr_90px_40px] items-center gap-x-3 gap-y-0.5">
            {MEASURES.map(([key, name]) => {
              const near = film.closeness[key] ?? 0;
              return (
                <div key={key} className="contents">
                  <dt className="text-ink-2">{name}</dt>
                  <dd className="h-[6px] bg-rule" aria-hidden="true">
                    <span className="block h-full bg-slate" style={{ width: `${near * 100}%` }} />
                  </dd>
                  <dd className="text-right font-mono text-[12px]">{Math.round(near * 100)} %</dd>
                </div>
              );
            })}
          </dl>
          <Check
            label="cut along its course"
            on={follows}
            onChange={(on) => set({ follow_reference: on })}
          />
        </>
      ) : text !== null ? (
        <>
          <Area
            aria-label="Reference script"
            rows={5}
            autoFocus
            placeholder="Paste a script, or its subtitles with times"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <div className="mt-1.5 flex gap-1.5">
            <Button
              kind="ink"
              disabled={!text.trim() || measure.isPending}
              onClick={() => measure.mutate(text)}
            >
              Measure its pace
            </Button>
            <Button onClick={() => setText(null)}>Leave it</Button>
          </div>
        </>
      ) : (
        <>
          <p className="mb-2 text-ink-2">
            Measure the pace of a script or of subtitles, and aim at it. Its words are not kept.
          </p>
          <div className="flex gap-1.5">
            <Button onClick={() => setText("")}>Paste one</Button>
            <Button onClick={() => file.current?.click()}>Open a file</Button>
          </div>
          <input
            ref={file}
            type="file"
            aria-label="Reference file"
            className="hidden"
            onChange={(e) => {
              const chosen = e.target.files?.[0];
              if (chosen) measure.mutate(chosen);
              e.target.value = "";
            }}
          />
        </>
      )}
    </section>
  );
}

/** Shot lengths by tenths of the film: the reference as a line, this film as bars. */
function Course({ film, reference }: { film: Film; reference: number[] }) {
  const rate = film.seconds / Math.max(1, film.frames);
  const own = reference.map((_, i) => {
    const inside = film.shots.filter(
      (s) => Math.min(9, Math.floor((s.start / Math.max(1, film.frames)) * 10)) === i,
    );
    return inside.length
      ? inside.reduce((n, s) => n + (s.stop - s.start) * rate, 0) / inside.length
      : 0;
  });
  const top = Math.max(...reference, ...own, 1);
  return (
    <svg
      viewBox="0 0 300 54"
      className="my-2 w-full"
      role="img"
      aria-label="Shot lengths of the reference and of this film, by tenths"
    >
      {own.map((s, i) => (
        <rect
          key={i}
          x={i * 30 + 1}
          width="28"
          y={52 - (s / top) * 50}
          height={(s / top) * 50}
          fill="var(--slate)"
          opacity="0.5"
        />
      ))}
      <path
        d={reference
          .map((s, i) => `${i ? "L" : "M"}${i * 30 + 15} ${52 - (s / top) * 50}`)
          .join("")}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.5"
        strokeDasharray="4 3"
      />
    </svg>
  );
}
