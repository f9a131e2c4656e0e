/** The side of the script: the pacing picture, lengths against aims, and cutting again with the new cut beside the old. */
import { useState } from "react";

import type { CutWish, Film } from "../api/client";
import { previewCut, useChange } from "../api/film";
import { Button } from "../parts/Button";
import { inWords } from "../parts/time";
import { notify } from "../state/notices";
import { selected, seek } from "../state/playhead";
import { useStore } from "../state/store";
import { secondsOf } from "./Script";

type By = "pace" | "sentence" | "exactly";
interface Offered {
  wish: CutWish;
  lengths: number[];
  wanted: number[];
}

export function Pace({ film }: { film: Film }) {
  const [offered, setOffered] = useState<Offered | null>(null);
  const spoken = film.words.filter((_, i) => film.lines.some((l) => l.speaker && l.first <= i && i < l.end)).length;
  const rows: [string, string, string][] = [
    ["Whole film", inWords(film.seconds), film.shots.every((s) => s.measured) ? "measured" : "estimated"],
    ["First five seconds", `${film.shots.filter((s) => secondsBefore(film, s.start) < 5).length} shots`, "aim 2 or more"],
    ["Words", String(film.words.length), `${Math.round(film.words_a_minute)} a minute`],
    ["Dialogue", `${Math.round((spoken / Math.max(1, film.words.length)) * 100)} %`, ""],
    ["Reading ease", String(Math.round(film.reading_ease)), film.reading_ease >= 60 ? "plain" : "hard"],
  ];
  return (
    <aside className="flex w-[330px] shrink-0 flex-col gap-4 overflow-y-auto border-l border-rule-strong bg-ground px-[18px] py-5">
      <section aria-label="Pace">
        <div className="mb-2 flex justify-between">
          <h2 className="font-semibold">Pace</h2>
          <span className="text-ink-2">seconds a shot, down the film</span>
        </div>
        <PacePicture film={film} offered={offered} />
      </section>
      <section aria-label="Length" className="border-t border-rule-strong pt-3">
        <h2 className="mb-1.5 font-semibold">Length</h2>
        <dl className="grid grid-cols-[1fr_auto_auto] gap-x-4 gap-y-1">
          {rows.map(([name, value, aim]) => (
            <div key={name} className="contents">
              <dt className="text-ink-2">{name}</dt>
              <dd className="text-right font-semibold">{value}</dd>
              <dd className="text-right text-ink-2">{aim}</dd>
            </div>
          ))}
        </dl>
      </section>
      <CutAgain film={film} offered={offered} onOffer={setOffered} />
    </aside>
  );
}

const secondsBefore = (film: Film, frame: number) => (frame / Math.max(1, film.frames)) * film.seconds;

function PacePicture({ film, offered }: { film: Film; offered: Offered | null }) {
  const chosen = useStore(selected);
  const lengths = film.shots.map((s) => secondsOf(film, s));
  const top = Math.max(4, ...lengths, ...(offered?.lengths ?? []), ...film.shots.map((s) => s.wanted)) * 1.04;
  const width = 294;
  const height = 236;
  const total = lengths.reduce((a, b) => a + b, 0) || 1;
  const newTotal = offered?.lengths.reduce((a, b) => a + b, 0) || 1;
  const bars = stacked(lengths, total, height);
  const newBars = stacked(offered?.lengths ?? [], newTotal, height);
  const wanted = film.shots.map((s, i) => `${i ? "L" : "M"}${(s.wanted / top) * width} ${bars[i]![0]}`).join("");
  return (
    <>
      <svg viewBox={`0 0 ${width} ${height}`} className="w-full" role="img" aria-label={`Lengths of ${lengths.length} shots against the wanted pace`}>
        {lengths.map((s, i) => {
          const shot = film.shots[i]!;
          const [y, h] = bars[i]!;
          const off = s > shot.wanted * 2.2 || s < 1.4;
          return (
            <rect
              key={shot.id}
              x="0"
              y={y + 0.5}
              width={(s / top) * width}
              height={Math.max(1, h - 1)}
              className="cursor-pointer"
              fill={off ? "var(--grease)" : "var(--slate)"}
              opacity={offered ? 0.25 : shot.id === chosen ? 1 : 0.72}
              onClick={() => {
                selected.set(shot.id);
                seek(shot.start);
              }}
            >
              <title>{`${shot.edge}: ${s.toFixed(1)} s, wanted ${shot.wanted.toFixed(1)}`}</title>
            </rect>
          );
        })}
        {offered?.lengths.map((s, i) => {
          const [y, h] = newBars[i]!;
          return <rect key={i} x="0" y={y + 0.5} width={(s / top) * width} height={Math.max(1, h - 1)} fill="none" stroke="var(--ink)" strokeWidth="0.9" />;
        })}
        <path d={`${wanted}V${height}`} fill="none" stroke="var(--ink)" strokeWidth="1.3" strokeDasharray="4 3" />
      </svg>
      <div className="mt-1.5 flex gap-4 text-[12px] text-ink-2">
        <span className="flex items-center gap-1.5">
          <i className="h-[5px] w-4 bg-slate" />
          this cut, {lengths.length}
        </span>
        {offered && (
          <span className="flex items-center gap-1.5">
            <i className="h-[7px] w-4 border border-ink" />
            new cut, {offered.lengths.length}
          </span>
        )}
        <span className="flex items-center gap-1.5">
          <i className="w-4 border-t-[1.5px] border-dashed border-ink" />
          wanted
        </span>
      </div>
    </>
  );
}

function stacked(lengths: number[], total: number, height: number): [number, number][] {
  let y = 0;
  return lengths.map((s) => {
    const h = (s / total) * height;
    y += h;
    return [y - h, h];
  });
}

const WAYS: [By, string][] = [
  ["pace", "by pace"],
  ["sentence", "by sentence"],
  ["exactly", "exactly"],
];

function CutAgain({ film, offered, onOffer }: { film: Film; offered: Offered | null; onOffer: (o: Offered | null) => void }) {
  const change = useChange(film.id);
  const [by, setBy] = useState<By>("pace");
  const [seconds, setSeconds] = useState(film.settings.pace);
  const [count, setCount] = useState(film.shots.length);
  const hand = film.shots.filter((s) => s.by_hand).length;
  const wish: CutWish = { type: "cut again", by, seconds, count: by === "exactly" ? count : 0, keep_hand: true };
  const show = () =>
    previewCut(film.id, wish)
      .then((cut) => onOffer({ wish, lengths: cut.lengths, wanted: cut.wanted }))
      .catch((error: Error) => notify(error.message));
  return (
    <section aria-label="Cut again" className="border-t border-rule-strong pt-3">
      <h2 className="mb-2 font-semibold">Cut again</h2>
      <div role="radiogroup" aria-label="How to cut" className="mb-2 flex gap-1.5">
        {WAYS.map(([key, name]) => (
          <button
            key={key}
            type="button"
            role="radio"
            aria-checked={by === key}
            onClick={() => {
              setBy(key);
              onOffer(null);
            }}
            className={`rounded-[5px] border px-2.5 py-1 ${by === key ? "border-ink bg-ink font-medium text-on-ink" : "border-rule-strong bg-page text-ink-2 hover:bg-shade"}`}
          >
            {name}
          </button>
        ))}
      </div>
      <p className="mb-2 text-ink-2">
        {by === "pace" && (
          <>
            Quick at first, easing over 14 s to <Figure label="Seconds a shot" value={seconds} onChange={setSeconds} min={1} max={300} /> s a shot.
          </>
        )}
        {by === "sentence" && "One picture a sentence; scraps join their neighbour."}
        {by === "exactly" && (
          <>
            Exactly <Figure label="Number of shots" value={count} onChange={setCount} min={1} max={9999} /> shots, as even as the words allow.
          </>
        )}{" "}
        {hand > 0 && `Keeps your ${hand} hand-set ${hand === 1 ? "mark" : "marks"}.`}
      </p>
      <div className="flex gap-2">
        {offered ? (
          <>
            <Button
              kind="ink"
              onClick={() => {
                change.mutate(offered.wish);
                onOffer(null);
              }}
            >
              Take the new cut
            </Button>
            <Button onClick={() => onOffer(null)}>Leave it</Button>
          </>
        ) : (
          <Button kind="ink" onClick={() => void show()}>
            Show beside this cut
          </Button>
        )}
      </div>
    </section>
  );
}

const Figure = ({ label, value, onChange, min, max }: { label: string; value: number; onChange: (n: number) => void; min: number; max: number }) => (
  <input
    type="number"
    aria-label={label}
    value={value}
    min={min}
    max={max}
    step="any"
    onChange={(e) => Number(e.target.value) > 0 && onChange(Number(e.target.value))}
    className="w-14 rounded-[3px] border border-rule-strong bg-field px-1 text-center font-mono text-[12px] text-ink"
  />
);
