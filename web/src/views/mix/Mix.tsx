/** The Mix: the sheet, listened to. */
import { useMemo, useState } from "react";

import type { Film } from "../../api/client";
import { useRules, useRuns, useStart } from "../../api/film";
import { type HardLine, type Lane, type Mix as MixState, useMix } from "../../api/mix";
import { useKeys } from "../../keys/useKeys";
import { Button } from "../../parts/Button";
import { useFollowing } from "../../parts/following";
import { rateOf, timecode } from "../../parts/time";
import { playhead, playing, pointAt, seek, selected, usePlayhead } from "../../state/playhead";
import { useStore } from "../../state/store";
import { useFilmHere } from "../FilmFrame";
import { LaneDesk, isLane } from "../sheet/LaneDesk";
import { Lanes } from "./Lanes";
import { Measured } from "./Measured";
import { TakenOut } from "./TakenOut";
import { Treatment } from "./Treatment";
import { Trouble } from "./Trouble";
import { bent, lowered } from "./level";
import { HEIGHTS, LANES, WIDTHS, WORDS } from "./scale";
import { useLevels } from "./useLevels";
import { useMixPlayer } from "./useMixPlayer";

const NAMES: Record<Lane, string> = { voice: "Voice", sound: "Sound", music: "Music" };

export function Mix() {
  const film = useFilmHere();
  const runs = useRuns(film.id).data ?? [];
  const mix = useLatest(useMix(film, runs[0] ? `${runs[0].id} ${runs[0].state}` : "").data);
  const rules = useRules();
  const rate = rateOf(film.fps);
  const [tall, setTall] = useState<number>(HEIGHTS[1]);
  const [lane, setLane] = useState<Lane>("music");
  const [alone, setAlone] = useState<Lane | null>(null);
  const [quiet, setQuiet] = useState<ReadonlySet<Lane>>(new Set());
  const [at, setAt] = useState<number | null>(null);
  const silent = useMemo(
    () => (alone ? new Set(LANES.filter((l) => l !== alone)) : quiet),
    [alone, quiet],
  );
  const { levels, choiceOf, setLane: treat, setLevel, ready } = useLevels(film, mix);
  const player = useMixPlayer(film, mix, silent);
  useFollowing(film);
  const hard = mix?.hard.find((h) => h.line === at) ?? null;
  const goTo = (line: HardLine) => {
    setAt(line.line);
    selected.set(line.shot);
    seek(line.start);
  };
  const step = (by: number) =>
    setTall((now) => HEIGHTS[HEIGHTS.indexOf(now as (typeof HEIGHTS)[number]) + by] ?? now);
  const chosen = useStore(selected);
  useKeys("mix", {
    play: (e) =>
      (e.target as HTMLElement).closest("button,[role=tab],[role=menuitem]")
        ? false
        : player.toggle(),
    walk: (e) => {
      if ((e.target as HTMLElement).closest("[role=slider],[role=listbox],[role=menu]"))
        return false;
      const index = film.shots.findIndex((s) => s.id === chosen);
      const shot = film.shots[index + (e.key === "ArrowDown" ? 1 : -1)] ?? film.shots[0];
      if (shot) pointAt(shot);
      return true;
    },
    taller: () => step(1),
    lower: () => step(-1),
    trouble: () => {
      const lines = [...(mix?.hard ?? [])].sort((a, b) => a.start - b.start);
      const next = lines.find((h) => h.start > (hard?.start ?? -1)) ?? lines[0];
      if (next) goTo(next);
    },
    level: () => {
      if (ready) setLevel(lane, bent(levels[lane], playhead.get(), rate, film.frames)[0]);
    },
  });
  const softer = (which: Lane, line: HardLine) =>
    setLevel(which, lowered(levels[which], line.start, line.stop, line.less, rate));
  return (
    <div className="flex h-full">
      <section aria-label="Mix" className="flex min-w-0 grow flex-col overflow-x-auto bg-page">
        <div className="flex h-[32px] shrink-0 items-center border-b border-ink text-ink-2">
          <span className="shrink-0 pl-5" style={{ width: WORDS }}>
            Words
          </span>
          {LANES.map((name) => (
            <span
              key={name}
              className="flex shrink-0 items-center gap-1 pl-2.5"
              style={{ width: WIDTHS[name] }}
            >
              {isLane(NAMES[name]) ? (
                <LaneDesk film={film} lane={NAMES[name] as "Sound" | "Music"}>
                  {NAMES[name]}
                </LaneDesk>
              ) : (
                NAMES[name]
              )}
              <Toggle
                says="alone"
                label={`${NAMES[name]} alone`}
                on={alone === name}
                onClick={() => setAlone(alone === name ? null : name)}
              />
              <Toggle
                says="silent"
                label={`${NAMES[name]} silent`}
                on={quiet.has(name)}
                onClick={() => {
                  const next = new Set(quiet);
                  if (!next.delete(name)) next.add(name);
                  setQuiet(next);
                }}
              />
            </span>
          ))}
          <span className="shrink-0 pl-2.5" style={{ width: WIDTHS.tension }}>
            Tension
          </span>
          <span className="shrink-0 pl-2.5" style={{ width: WIDTHS.loudness }}>
            Loudness{" "}
            <span className="font-mono text-[11px]">
              {String(film.settings.loudness).replace("-", "−")}
            </span>
          </span>
        </div>
        {mix ? (
          <Lanes
            film={film}
            mix={mix}
            tall={tall}
            levels={levels}
            silent={silent}
            hard={hard}
            onHard={goTo}
            onLevel={setLevel}
          />
        ) : (
          <p className="p-6 text-ink-2">Laying the sound out …</p>
        )}
      </section>
      <aside className="flex w-[350px] shrink-0 flex-col gap-5 overflow-y-auto border-l border-rule-strong bg-ground px-5 py-4">
        <Transport film={film} onToggle={player.toggle} tall={tall} onStep={step} />
        <Silent film={film} />
        {mix && (
          <>
            {mix.measured && (
              <Trouble film={film} mix={mix} hard={hard} onHard={goTo} onSofter={softer} />
            )}
            <Treatment
              film={film}
              lane={lane}
              choice={choiceOf(lane)}
              onLane={setLane}
              onSet={(values) => treat(lane, values)}
            />
            <Measured film={film} mix={mix} ceiling={rules.true_peak} />
            <TakenOut film={film} />
          </>
        )}
      </aside>
    </div>
  );
}

/** While another sound is being measured, what was told of the one before stays to be seen. */
function useLatest(now: MixState | undefined): MixState | undefined {
  const [told, setTold] = useState<MixState>();
  if (now?.measured && now !== told) setTold(now);
  if (!now || now.measured || !told) return now;
  return { ...now, curve: told.curve };
}

interface ToggleProps {
  says: string;
  label: string;
  on: boolean;
  onClick: () => void;
}

const Toggle = ({ says, label, on, onClick }: ToggleProps) => (
  <button
    type="button"
    aria-pressed={on}
    aria-label={label}
    className={`min-h-6 rounded-[3px] px-1 text-[12px] ${
      on ? "bg-ink text-on-ink" : "text-ink-2 hover:bg-shade hover:text-ink"
    }`}
    onClick={onClick}
  >
    {says}
  </button>
);

interface TransportProps {
  film: Film;
  tall: number;
  onToggle: () => void;
  onStep: (by: number) => void;
}

/** Play, the time, what is seen just now, and how tall a second is. */
function Transport({ film, tall, onToggle, onStep }: TransportProps) {
  const frame = usePlayhead();
  const isPlaying = useStore(playing);
  const shot = film.shots.find((s) => frame < s.stop) ?? film.shots.at(-1);
  const used = shot?.takes.find((t) => t.id === shot.used);
  return (
    <section aria-label="Listen" className="flex items-center gap-3">
      <div className="h-[63px] w-[112px] shrink-0 overflow-hidden rounded-[3px] bg-shade">
        {used && (
          <img
            src={`/media/${used.thumb}`}
            alt={`Picture of shot ${shot!.edge}`}
            className={`size-full ${film.settings.aspect === "16:9" ? "object-cover" : "object-contain"}`}
          />
        )}
      </div>
      <div className="min-w-0 grow">
        <div className="flex items-center gap-2">
          <Button kind="ink" className="w-[58px] justify-center" onClick={onToggle}>
            {isPlaying ? "Stop" : "Play"}
          </Button>
          <span role="timer" aria-label="Time under the playhead" className="font-mono text-[15px]">
            {timecode(frame, film.fps)}
          </span>
        </div>
        <p className="mt-1.5 flex items-center gap-1 text-[12px] text-ink-2">
          <Height
            says="−"
            label="A second lower"
            off={tall === HEIGHTS[0]}
            onClick={() => onStep(-1)}
          />
          <Height
            says="+"
            label="A second taller"
            off={tall === HEIGHTS.at(-1)}
            onClick={() => onStep(1)}
          />
          shot {shot?.edge}
        </p>
      </div>
    </section>
  );
}

const Height = (p: { says: string; label: string; off: boolean; onClick: () => void }) => (
  <button
    type="button"
    aria-label={p.label}
    title={p.label}
    disabled={p.off}
    className="size-6 rounded-[3px] border border-rule-strong hover:bg-shade disabled:text-ink-3"
    onClick={p.onClick}
  >
    {p.says}
  </button>
);

/** What is not made yet is not heard: it is said, with what to do. */
function Silent({ film }: { film: Film }) {
  const start = useStart(film.id);
  const going = (useRuns(film.id).data ?? []).some((r) => r.state === "going");
  const unspoken = film.shots.filter((s) => s.end > s.first && !s.measured).length;
  const unmade = film.cues.filter((c) => !c.made).length;
  if (!unspoken && !unmade) return null;
  const missing = [
    unspoken && `${unspoken} ${unspoken === 1 ? "shot is" : "shots are"} not spoken`,
    unmade && `${unmade} ${unmade === 1 ? "sound is" : "sounds are"} not made`,
  ].filter(Boolean);
  return (
    <section
      aria-label="Not heard yet"
      className="rounded-[4px] border border-rule-strong bg-page p-3"
    >
      <p className="mb-2 text-ink-2">{missing.join(", and ")}: silent here.</p>
      <Button
        disabled={going}
        onClick={() => start.mutate({ kind: unspoken ? "everything" : "sounds" })}
      >
        {going ? "making …" : "Make what is missing"}
      </Button>
    </section>
  );
}
