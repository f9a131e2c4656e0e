/** One sound, opened at its name: heard, moved, shaped, made again; copied; thrown out, alone or with all that are alike. */
import * as Popover from "@radix-ui/react-popover";
import { type CSSProperties, type ReactNode, useState } from "react";

import type { Cue, Film } from "../../api/client";
import { Opening } from "../../parts/Opening";
import { useChange, useRuns, useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { CueChoices } from "./CueChoices";
import { Makings } from "./Makings";
import { OwnSounds } from "./OwnSounds";
import { PLAIN, type Shape, firstWord, placed, shapeOf } from "./cues";
import { type FrameAt, useCueDrag } from "./useCueDrag";

interface Props {
  film: Film;
  cue: Cue;
  className: string;
  style?: CSSProperties;
  /** Where it can be dragged: which frame is under a point of the page. */
  frameAt?: FrameAt;
  children: ReactNode;
}

export function SoundDesk({ film, cue, className, style, frameAt, children }: Props) {
  const { held, ghost, handlers } = useCueDrag(film, cue, frameAt);
  const movable = Object.keys(handlers).length > 0;
  return (
    <>
      {ghost}
      <Opening
        button={
          <button
            type="button"
            aria-label={`${KINDS[cue.kind] ?? "Sound"}: ${cue.prompt}`}
            title={movable ? `${cue.why}; drag it, with Alt another one; Alt ↑ ↓ a frame` : cue.why}
            className={`${className} rounded-[3px] hover:bg-shade ${held ? "text-ink-2 line-through" : ""} ${
              movable ? "touch-none" : ""
            }`}
            style={style}
            onClick={(e) => e.stopPropagation()}
            {...handlers}
          >
            {children}
          </button>
        }
      >
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={cue.prompt}
          className="z-50 max-h-[var(--radix-popover-content-available-height)] w-[316px] overflow-y-auto rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onClick={(e) => e.stopPropagation()}
          onKeyDown={(e) => e.stopPropagation()}
        >
          <Desk film={film} cue={cue} />
        </Popover.Content>
      </Opening>
    </>
  );
}

const KINDS: Record<string, string> = { ambience: "Ambience", music: "Music" };

function Desk({ film, cue }: { film: Film; cue: Cue }) {
  const change = useChange(film.id);
  const now = shapeOf(cue);
  const put = (values: Partial<Shape>) =>
    change.mutate({ type: "set cue", cue: { ...now, ...values, id: cue.id } });
  const alike = film.cues.filter((c) => c.prompt === cue.prompt).length;
  const [shelf, setShelf] = useState(!!now.own);
  return (
    <>
      <Makings cue={cue} now={now} onPut={put} />
      <Unmade film={film} cue={cue} />
      <CueChoices film={film} cue={cue} now={now} onPut={put} />
      <p className="mt-3 flex flex-wrap gap-2">
        <Button aria-expanded={shelf} onClick={() => setShelf(!shelf)}>
          Own sound
        </Button>
        {cue.choice !== null && (
          <Button onClick={() => change.mutate({ type: "set cue", cue: { ...PLAIN, id: cue.id } })}>
            As proposed
          </Button>
        )}
        {cue.notes && (
          <a
            href={`/media/${cue.notes}`}
            download={`${cue.prompt}.mid`}
            className="inline-flex min-h-8 items-center underline underline-offset-2 hover:bg-shade"
          >
            its notes (MIDI)
          </a>
        )}
      </p>
      {shelf && <OwnSounds film={film} own={now.own ?? null} onUse={(own) => put({ own })} />}
      <div className="mt-2 flex flex-wrap gap-x-3 border-t border-rule pt-2">
        {cue.kind !== "music" && <CopyTo film={film} cue={cue} />}
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
      </div>
    </>
  );
}

/** What is not made yet is made here, and nothing else with it. */
function Unmade({ film, cue }: { film: Film; cue: Cue }) {
  const start = useStart(film.id);
  const going = (useRuns(film.id).data ?? []).some((r) => r.state === "going");
  const missing = !cue.made || Object.values(cue.makings).some((media) => !media);
  if (!missing) return null;
  return (
    <p className="mb-2 flex items-center gap-2 text-[12.5px] text-ink-2">
      <Button disabled={going} onClick={() => start.mutate({ kind: "sounds", cues: [cue.id] })}>
        {going ? "making …" : "Make it"}
      </Button>
      {cue.made ? "one is not made yet" : "not made yet"}
    </p>
  );
}

/** The same sound in other shots: at their first words, an ambience under them. */
function CopyTo({ film, cue }: { film: Film; cue: Cue }) {
  const change = useChange(film.id);
  const [edges, setEdges] = useState<string | null>(null);
  if (edges === null) return <Out onClick={() => setEdges("")} says="Copy it to …" />;
  const named = new Set(edges.split(/[\s,;]+/).filter(Boolean));
  const shots = film.shots.filter((s) => named.has(s.edge) && s.id !== cue.shot);
  const words = shots.map((s) => firstWord(film, s)).filter((w) => w !== null);
  return (
    <form
      className="flex w-full items-center gap-2 pb-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        if (words.length) change.mutate(placed(cue, words), { onSuccess: () => setEdges(null) });
      }}
    >
      <label className="flex min-w-0 grow items-center gap-1.5">
        to shots
        <input
          // The field was asked for just now.
          autoFocus
          value={edges}
          placeholder="4, 7, 7A"
          className="min-w-0 grow rounded-[3px] border border-rule-strong bg-field px-2 py-0.5 font-mono text-[12px] placeholder:text-ink-2"
          onChange={(e) => setEdges(e.target.value)}
        />
      </label>
      <Button type="submit" disabled={!words.length}>
        Copy
      </Button>
    </form>
  );
}

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
