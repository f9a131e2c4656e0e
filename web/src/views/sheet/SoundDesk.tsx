/** One sound, opened at its name: heard, moved, louder or softer, from a side, another; thrown out, alone or with all
 * that are alike. */
import * as Popover from "@radix-ui/react-popover";
import { Play, Square } from "lucide-react";
import { type CSSProperties, type ReactNode, useState } from "react";

import type { Cue, Film } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { Steps, decibels } from "../../parts/Steps";
import { useHearing } from "../../parts/hearing";
import { OwnSounds } from "./OwnSounds";

interface Props {
  film: Film;
  cue: Cue;
  className: string;
  style?: CSSProperties;
  children: ReactNode;
}

export function SoundDesk({ film, cue, className, style, children }: Props) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button
          type="button"
          aria-label={`${KINDS[cue.kind] ?? "Sound"}: ${cue.prompt}`}
          title={cue.why}
          className={`${className} rounded-[3px] hover:bg-shade`}
          style={style}
          onClick={(e) => e.stopPropagation()}
        >
          {children}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={cue.prompt}
          className="z-50 w-[300px] rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onClick={(e) => e.stopPropagation()}
          onKeyDown={(e) => e.stopPropagation()}
        >
          <Desk film={film} cue={cue} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

type Shape = Omit<NonNullable<Cue["choice"]>, "id">;
const PLAIN: Shape = { later: 0, gain: 0, pan: 0, seed: 0 };
const KINDS: Record<string, string> = { ambience: "Ambience", music: "Music" };
/** Seconds in which what lies under shots is let in and out as is usual; a piece of music ends by itself. */
const USUAL: Record<string, readonly [number, number]> = { ambience: [0.8, 1], music: [0.4, 0] };

function Desk({ film, cue }: { film: Film; cue: Cue }) {
  const change = useChange(film.id);
  const hearing = useHearing();
  const now: Shape = { ...PLAIN, ...cue.choice };
  const put = (values: Partial<Shape>) =>
    change.mutate({ type: "set cue", cue: { ...now, ...values, id: cue.id } });
  const alike = film.cues.filter((c) => c.prompt === cue.prompt).length;
  const shaped = cue.choice !== null;
  const [shelf, setShelf] = useState(!!now.own);
  const usual = USUAL[cue.kind];
  const moods = useRules().music.filter((mood) => mood !== "auto" && mood !== "none");
  return (
    <>
      <p className="flex items-center gap-2">
        <button
          type="button"
          disabled={!cue.media}
          aria-label={`Hear ${cue.prompt}`}
          title={cue.media ? "hear it alone" : "not made yet"}
          className="rounded-[3px] p-1 hover:bg-shade disabled:text-ink-3"
          onClick={() =>
            cue.media && (hearing.playing ? hearing.stop() : hearing.hear(cue.media, 0))
          }
        >
          {hearing.playing ? <Square className="size-4" /> : <Play className="size-4" />}
        </button>
        <b className="min-w-0 flex-1">{cue.prompt}</b>
      </p>
      <p className="mb-2 text-[12.5px] text-ink-2">
        {cue.kind === "music" ? cue.why : `from ${cue.why}`}
      </p>
      <dl className="grid grid-cols-[76px_1fr] items-center gap-y-1.5">
        <dt className="text-ink-2">Begins</dt>
        <dd>
          <Steps
            name="frames later"
            value={now.later ?? 0}
            step={2}
            least={-240}
            most={240}
            says={frames}
            onPut={(later) => put({ later })}
          />
        </dd>
        <dt className="text-ink-2">Level</dt>
        <dd>
          <Steps
            name="decibels louder"
            value={now.gain ?? 0}
            step={1.5}
            least={-24}
            most={12}
            says={decibels}
            onPut={(gain) => put({ gain })}
          />
        </dd>
        {cue.kind === "music" && now.own ? null : cue.kind === "music" ? (
          <>
            <dt className="text-ink-2">Mood</dt>
            <dd>
              <Choice
                quiet
                label="Mood of this music"
                value={now.mood ?? "told"}
                options={[
                  ["told", now.mood ? "as it is told" : cue.prompt.replace(/ music$/, "")],
                  ...worded(moods),
                ]}
                onChange={(mood) => put({ mood: mood === "told" ? null : (mood as Shape["mood"]) })}
              />
            </dd>
          </>
        ) : (
          <>
            <dt className="text-ink-2">From</dt>
            <dd>
              <Steps
                name="to the right"
                value={now.pan ?? 0}
                step={0.25}
                least={-1}
                most={1}
                says={side}
                onPut={(pan) => put({ pan })}
              />
            </dd>
          </>
        )}
        {usual && (
          <>
            <dt className="text-ink-2">Comes in</dt>
            <dd>
              <Steps
                name="seconds to come in"
                value={now.fade_in ?? usual[0]}
                step={0.4}
                least={0}
                most={10}
                says={over}
                onPut={(to) => put({ fade_in: Number(to.toFixed(1)) })}
              />
            </dd>
            <dt className="text-ink-2">Goes out</dt>
            <dd>
              <Steps
                name="seconds to go out"
                value={now.fade_out ?? usual[1]}
                step={0.5}
                least={0}
                most={10}
                says={over}
                onPut={(to) => put({ fade_out: Number(to.toFixed(1)) })}
              />
            </dd>
          </>
        )}
      </dl>
      <p className="mt-3 flex flex-wrap gap-2">
        {!now.own && (
          <Button onClick={() => put({ seed: ((now.seed ?? 0) + 1) % 100 })}>Another</Button>
        )}
        <Button aria-expanded={shelf} onClick={() => setShelf(!shelf)}>
          Own sound
        </Button>
        {shaped && (
          <Button onClick={() => change.mutate({ type: "set cue", cue: { ...PLAIN, id: cue.id } })}>
            As proposed
          </Button>
        )}
      </p>
      {shelf && <OwnSounds film={film} own={now.own ?? null} onUse={(own) => put({ own })} />}
      <p className="mt-2 flex flex-wrap gap-x-3 border-t border-rule pt-2">
        <Out
          onClick={() => change.mutate({ type: "lift cue", cue: cue.id, lifted: true })}
          says="Throw it out"
        />
        {alike > 1 && (
          <Out
            onClick={() => change.mutate({ type: "lift sounds", prompt: cue.prompt, lifted: true })}
            says={`All ${alike} of its kind`}
          />
        )}
      </p>
    </>
  );
}

const frames = (later: number) =>
  later === 0 ? "with its word" : `${Math.abs(later)} frames ${later > 0 ? "later" : "earlier"}`;
const over = (seconds: number) => (seconds ? `over ${seconds.toFixed(1)} s` : "at once");
const side = (pan: number) =>
  pan === 0 ? "the middle" : `${Math.abs(pan) * 100} % ${pan > 0 ? "right" : "left"}`;

function Out({ says, onClick }: { says: string; onClick: () => void }) {
  return (
    <button
      type="button"
      className="min-h-6 rounded-[3px] underline decoration-rule-strong underline-offset-2 hover:bg-shade"
      onClick={onClick}
    >
      {says}
    </button>
  );
}
