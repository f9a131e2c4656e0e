/** The pace of the film: a picture of it, lengths against aims, and cutting again with the new cut beside the old. */
import { useState } from "react";

import type { CutWish, Film } from "../../api/client";
import { previewCut, useChange, useRules } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { FILM_KINDS } from "../../parts/filmKinds";
import { NumberField } from "../../parts/Field";
import { inWords, money } from "../../parts/time";
import { notify } from "../../state/notices";
import { selected, seek } from "../../state/playhead";
import { useStore } from "../../state/store";
import { ReferencePace } from "./ReferencePace";
import { secondsOf } from "./shots";

type By = CutWish["by"];
interface Offered {
  wish: CutWish;
  lengths: number[];
  wanted: number[];
}

export function Pace({ film }: { film: Film }) {
  const [offered, setOffered] = useState<Offered | null>(null);
  return (
    <>
      <section aria-label="Pace">
        <div className="mb-2 flex justify-between">
          <h2 className="font-semibold">Pace</h2>
          <span className="text-ink-2">seconds a shot, down the film</span>
        </div>
        <PacePicture film={film} offered={offered} />
      </section>
      <CutAgain film={film} offered={offered} onOffer={setOffered} />
      <Lengths film={film} />
      <SceneLengths film={film} />
      <ReferencePace film={film} />
    </>
  );
}

/** Scenes beside each other: their share of the film, their shots, and how far they are from what is wanted of them. */
function SceneLengths({ film }: { film: Film }) {
  const scenes = film.scenes.filter((s) => s.end > s.first);
  if (scenes.length < 2) return null;
  const longest = Math.max(...scenes.map((s) => Math.max(s.seconds, s.aim ?? 0)));
  return (
    <section aria-label="Scenes" className="border-t border-rule-strong pt-3">
      <div className="mb-1.5 flex justify-between">
        <h2 className="font-semibold">Scenes</h2>
        <span className="text-ink-2">length, shots</span>
      </div>
      <ol className="grid grid-cols-[minmax(0,1fr)_96px_52px_22px] items-center gap-x-2 gap-y-1">
        {scenes.map((s) => (
          <li key={s.word} className="contents">
            <button
              type="button"
              title={s.title}
              onClick={() => {
                const shot = film.shots.find((x) => x.first === s.first);
                if (shot) {
                  selected.set(shot.id);
                  seek(shot.start);
                }
              }}
              className="min-h-6 truncate text-left text-ink-2 hover:text-ink"
            >
              {s.title || "The opening"}
            </button>
            <span className="relative h-[7px]" aria-hidden="true">
              <i
                className="absolute inset-y-0 left-0 bg-slate opacity-70"
                style={{ width: `${(s.seconds / longest) * 100}%` }}
              />
              {s.aim !== null && (
                <i
                  className="absolute -inset-y-0.5 w-[2px] bg-ink"
                  style={{ left: `${(s.aim / longest) * 100}%` }}
                />
              )}
            </span>
            <span
              className="text-right"
              title={s.aim !== null ? `wanted: ${inWords(s.aim)}` : undefined}
            >
              {inWords(s.seconds)}
            </span>
            <span className="text-right font-mono text-[12px] text-ink-2">
              {film.shots.filter((x) => film.scenes[x.scene] === s).length}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function Lengths({ film }: { film: Film }) {
  const change = useChange(film.id);
  const spoken = film.lines.filter((l) => l.speaker).reduce((n, l) => n + l.end - l.first, 0);
  const first = film.shots[0]!;
  const early = film.shots.filter((s) => secondsBefore(film, s.start) < 5).length;
  const quick = film.settings.kind === "sleep" || early >= 2;
  const aim = film.settings.aim;
  const rows: [string, string, React.ReactNode][] = [
    [
      film.shots.every((s) => s.measured) ? "Length, measured" : "Length, estimated",
      inWords(film.seconds),
      <span key="a" className="whitespace-nowrap">
        aim{" "}
        <input
          type="number"
          aria-label="Aim in minutes"
          key={aim}
          defaultValue={aim ?? ""}
          placeholder="–"
          min={0.2}
          max={600}
          step="any"
          onKeyDown={(e) => {
            e.stopPropagation();
            if (e.key === "Enter") e.currentTarget.blur();
          }}
          onBlur={(e) =>
            (Number(e.target.value) || null) !== aim &&
            change.mutate({ type: "set settings", values: { aim: Number(e.target.value) || null } })
          }
          className="w-11 rounded-[3px] border border-rule-strong bg-field px-1 text-center font-mono text-[12px] text-ink"
        />{" "}
        min
      </span>,
    ],
    ...(aim
      ? ([
          [
            "Against the aim",
            `${film.seconds > aim * 60 ? "+" : "−"}${inWords(Math.abs(film.seconds - aim * 60))}`,
            film.seconds > aim * 60 ? "too long" : "to fill",
          ],
        ] as [string, string, React.ReactNode][])
      : []),
    [
      "Hook",
      quick ? "holds" : "slow",
      `${early} in 5 s, first ${secondsOf(film, first).toFixed(1)} s`,
    ],
    ["Words", String(film.words.length), `${Math.round(film.words_a_minute)} a minute`],
    [
      "Dialogue",
      `${Math.round((spoken / Math.max(1, film.words.length)) * 100)} %`,
      `${new Set(film.lines.map((l) => l.speaker)).size} voices`,
    ],
    [
      "Reading ease",
      String(Math.round(film.reading_ease)),
      film.reading_ease >= 80 ? "easy" : film.reading_ease >= 60 ? "plain" : "hard",
    ],
    [
      "Pictures",
      String(new Set(film.shots.map((s) => s.picture_of)).size),
      film.missing.pictures
        ? `${film.missing.pictures} to make, ${money(film.missing.cost)}`
        : "all made",
    ],
  ];
  return (
    <section aria-label="Length" className="border-t border-rule-strong pt-3">
      <dl className="grid grid-cols-[auto_auto_1fr] gap-x-4 gap-y-1">
        {rows.map(([name, value, says]) => (
          <div key={name} className="contents">
            <dt className="text-ink-2">{name}</dt>
            <dd className="text-right font-semibold">{value}</dd>
            <dd className="text-right text-ink-2">{says}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

const secondsBefore = (film: Film, frame: number) =>
  (frame / Math.max(1, film.frames)) * film.seconds;

function PacePicture({ film, offered }: { film: Film; offered: Offered | null }) {
  const chosen = useStore(selected);
  const lengths = film.shots.map((s) => secondsOf(film, s));
  const top =
    Math.max(4, ...lengths, ...(offered?.lengths ?? []), ...film.shots.map((s) => s.wanted)) * 1.04;
  const width = 294;
  const height = 190;
  const total = lengths.reduce((a, b) => a + b, 0) || 1;
  const newTotal = offered?.lengths.reduce((a, b) => a + b, 0) || 1;
  const bars = stacked(lengths, total, height);
  const newBars = stacked(offered?.lengths ?? [], newTotal, height);
  const wanted = film.shots
    .map((s, i) => `${i ? "L" : "M"}${(s.wanted / top) * width} ${bars[i]![0]}`)
    .join("");
  return (
    <>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="w-full"
        role="img"
        aria-label={`Lengths of ${lengths.length} shots against the wanted pace`}
      >
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
          return (
            <rect
              key={i}
              x="0"
              y={y + 0.5}
              width={(s / top) * width}
              height={Math.max(1, h - 1)}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="0.9"
            />
          );
        })}
        <path
          d={`${wanted}V${height}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.3"
          strokeDasharray="4 3"
        />
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
  ["every", "every …"],
  ["sentence", "by sentence"],
  ["exactly", "exactly"],
];

function CutAgain({
  film,
  offered,
  onOffer,
}: {
  film: Film;
  offered: Offered | null;
  onOffer: (o: Offered | null) => void;
}) {
  const change = useChange(film.id);
  const { kind, pace, opening, reference, follow_reference } = film.settings;
  const { kinds } = useRules();
  const [by, setBy] = useState<By>(film.settings.cut_by);
  const [draft, setDraft] = useState<{ pace: number; seconds: number }>({ pace, seconds: pace });
  const seconds = draft.pace === pace ? draft.seconds : pace;
  const [count, setCount] = useState(film.shots.length);
  const hand = film.shots.filter((s) => s.by_hand && s.first !== s.end).length;
  const paced = film.scenes.filter((s) => s.pace !== null).length;
  const wish: CutWish = {
    type: "cut again",
    by,
    seconds,
    count: by === "exactly" ? count : 0,
    keep_hand: true,
  };
  const show = () =>
    previewCut(film.id, wish)
      .then((cut) => onOffer({ wish, lengths: cut.lengths, wanted: cut.wanted }))
      .catch((error: Error) => notify(error.message));
  const set = (values: Record<string, unknown>) => {
    onOffer(null);
    change.mutate({ type: "set settings", values });
  };
  const quick = opening ?? kinds[kind]?.opening ?? 0;
  return (
    <section aria-label="Cut again" className="border-t border-rule-strong pt-3">
      <div className="mb-2 flex items-baseline gap-2">
        <h2 className="font-semibold">Cut again</h2>
        <span className="text-ink-2">as</span>
        <Choice
          quiet
          label="Kind of film"
          value={kind}
          options={worded(Object.keys(kinds), FILM_KINDS)}
          onChange={(v) => set({ kind: v })}
        />
      </div>
      <div role="radiogroup" aria-label="How to cut" className="mb-2 flex gap-1">
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
            className={`rounded-[5px] border px-2 py-1 ${by === key ? "border-ink bg-ink font-medium text-on-ink" : "border-rule-strong bg-page text-ink-2 hover:bg-shade"}`}
          >
            {name}
          </button>
        ))}
      </div>
      <p className="mb-2 leading-[1.7] text-ink-2">
        {(by === "pace" || by === "every") && (
          <>
            {by === "pace" && follow_reference && reference ? (
              "Follows the reference’s course. "
            ) : by === "pace" ? (
              <>
                Quick for{" "}
                <input
                  type="number"
                  aria-label="Seconds of opening"
                  key={quick}
                  defaultValue={quick}
                  min={0}
                  max={600}
                  onKeyDown={(e) => {
                    e.stopPropagation();
                    if (e.key === "Enter") e.currentTarget.blur();
                  }}
                  onBlur={(e) =>
                    Number(e.target.value) !== quick && set({ opening: Number(e.target.value) })
                  }
                  className="w-11 rounded-[3px] border border-rule-strong bg-field px-1 text-center font-mono text-[12px] text-ink"
                />{" "}
                s, easing to{" "}
              </>
            ) : (
              "A picture every "
            )}
            {!(by === "pace" && follow_reference && reference) && (
              <>
                <NumberField
                  label="Seconds a shot"
                  value={seconds}
                  onChange={(n) => {
                    onOffer(null);
                    setDraft({ pace, seconds: n });
                  }}
                  min={1}
                  max={600}
                />{" "}
                s{by === "pace" ? " a shot." : "."}
              </>
            )}
          </>
        )}
        {by === "sentence" && "One picture a sentence; scraps join their neighbour."}
        {by === "exactly" && (
          <>
            Exactly{" "}
            <NumberField
              label="Number of shots"
              value={count}
              onChange={setCount}
              min={1}
              max={9999}
            />{" "}
            shots, as even as the words allow.
          </>
        )}{" "}
        {paced > 0 &&
          by === "pace" &&
          `${paced} ${paced === 1 ? "scene has" : "scenes have"} a pace of ${paced === 1 ? "its" : "their"} own. `}
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
