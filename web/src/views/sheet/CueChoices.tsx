/** How one sound is wanted: when, how loud, from where; of music its mood and whose tune returns in it. */
import { useState } from "react";

import type { Cue, Film } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import { Choice, worded } from "../../parts/Choice";
import { DeskRow as Row } from "../../parts/DeskRow";
import { Steps, decibels } from "../../parts/Steps";
import { type Shape, FARTHEST, byWord } from "./cues";

interface Props {
  film: Film;
  cue: Cue;
  now: Shape;
  onPut: (values: Partial<Shape>) => void;
}

/** Seconds in which what lies under shots is let in and out as is usual; a piece of music ends by itself. */
const USUAL: Record<string, readonly [number, number]> = { ambience: [0.8, 1], music: [0.4, 0] };
const LASTS: Record<string, number> = { spot: 2.5, ambience: 12 };

export function CueChoices({ film, cue, now, onPut }: Props) {
  const [more, setMore] = useState(false);
  const music = cue.kind === "music";
  return (
    <>
      <dl className="grid grid-cols-[80px_1fr] items-center gap-y-1.5">
        {cue.word !== null && (
          <Row name="On">
            <OnWord film={film} cue={cue} />
          </Row>
        )}
        <Row name="Begins">
          <Steps
            name="frames later"
            value={now.later}
            step={2}
            least={-FARTHEST}
            most={FARTHEST}
            says={frames}
            onPut={(later) => onPut({ later })}
          />
        </Row>
        <Row name="Level">
          <Steps
            name="decibels louder"
            value={now.gain}
            step={1.5}
            least={-24}
            most={12}
            says={decibels}
            onPut={(gain) => onPut({ gain })}
          />
        </Row>
        {music && !now.own && <MusicRows film={film} cue={cue} now={now} onPut={onPut} />}
        {!music && (
          <>
            <Row name="From">
              <Steps
                name="to the right"
                value={now.pan}
                step={0.25}
                least={-1}
                most={1}
                says={side}
                onPut={(pan) => onPut({ pan })}
              />
            </Row>
            <Row name="Near">
              <Steps
                name="nearer"
                value={now.near}
                step={0.25}
                least={-1}
                most={1}
                says={nearness}
                onPut={(near) => onPut({ near })}
              />
            </Row>
          </>
        )}
        {more && <MoreRows film={film} cue={cue} now={now} onPut={onPut} />}
      </dl>
      <button
        type="button"
        aria-expanded={more}
        className="mt-1 min-h-6 rounded-[3px] text-ink-2 underline underline-offset-2 hover:bg-shade"
        onClick={() => setMore(!more)}
      >
        {more ? "Less of it" : "More of it"}
      </button>
    </>
  );
}

/** The word that a spot stands on, with the one before and the one behind. */
function OnWord({ film, cue }: { film: Film; cue: Cue }) {
  const change = useChange(film.id);
  const word = film.words.find((w) => w[2] === cue.word);
  const said = word ? film.text.slice(word[0], word[1]) : "";
  const move = (by: number) => {
    const next = byWord(film, cue, by);
    if (next) change.mutate(next);
  };
  const key = "h-6 w-6 rounded-[3px] border border-rule-strong hover:bg-shade";
  return (
    <span className="flex items-center gap-2">
      <button type="button" aria-label="a word earlier" className={key} onClick={() => move(-1)}>
        ←
      </button>
      <button type="button" aria-label="a word later" className={key} onClick={() => move(1)}>
        →
      </button>
      <span className="truncate font-serif">“{said.replace(/[“”"]/g, "")}”</span>
    </span>
  );
}

function MusicRows({ film, cue, now, onPut }: Props) {
  const moods = useRules().music.filter((mood) => mood !== "auto" && mood !== "none");
  const told = cue.prompt.replace(/ music$/, "");
  const themes: [string, string][] = [
    ...film.cast.map((p): [string, string] => [`person ${p.id}`, p.name]),
    ...film.places.map((p): [string, string] => [`place ${p.id}`, p.name]),
  ];
  const own = now.theme ?? null;
  const proposed = themes.find(([key]) => key === cue.theme)?.[1];
  return (
    <>
      <Row name="Mood">
        <Choice
          quiet
          label="Mood of this music"
          value={now.mood ?? "told"}
          options={[["told", now.mood ? "as it is told" : told], ...worded(moods)]}
          onChange={(mood) => onPut({ mood: mood === "told" ? null : (mood as Shape["mood"]) })}
        />
      </Row>
      <Row name="Tune of">
        <Choice
          quiet
          label="Whose tune returns in it"
          value={own === null ? "told" : own || "nobody"}
          options={[
            ["told", own === null ? (proposed ?? "nobody") : "as it is told"],
            ["nobody", "nobody"],
            ...themes,
          ]}
          onChange={(theme) =>
            onPut({ theme: theme === "told" ? null : theme === "nobody" ? "" : theme })
          }
        />
      </Row>
    </>
  );
}

function MoreRows({ cue, now, onPut }: Props) {
  const rooms = useRules().rooms;
  const usual = USUAL[cue.kind];
  const lasts = LASTS[cue.kind];
  return (
    <>
      <Row name="In">
        <Choice
          quiet
          label="The room it is heard in"
          value={now.room ?? "told"}
          options={[["told", "the room of its scene"], ...worded(rooms, { dry: "no room" })]}
          onChange={(room) => onPut({ room: room === "told" ? null : (room as Shape["room"]) })}
        />
      </Row>
      {lasts !== undefined && !now.own && (
        <Row name="Lasts">
          <Steps
            name="seconds of it"
            value={now.seconds ?? lasts}
            step={0.5}
            least={0.5}
            most={30}
            says={(s) => `${s.toFixed(1)} s`}
            onPut={(seconds) => onPut({ seconds })}
          />
        </Row>
      )}
      {usual && (
        <>
          <Row name="Comes in">
            <Steps
              name="seconds to come in"
              value={now.fade_in ?? usual[0]}
              step={0.4}
              least={0}
              most={10}
              says={over}
              onPut={(to) => onPut({ fade_in: Number(to.toFixed(1)) })}
            />
          </Row>
          <Row name="Goes out">
            <Steps
              name="seconds to go out"
              value={now.fade_out ?? usual[1]}
              step={0.5}
              least={0}
              most={10}
              says={over}
              onPut={(to) => onPut({ fade_out: Number(to.toFixed(1)) })}
            />
          </Row>
        </>
      )}
    </>
  );
}

const frames = (later: number) =>
  later === 0 ? "with its word" : `${Math.abs(later)} frames ${later > 0 ? "later" : "earlier"}`;
const over = (seconds: number) => (seconds ? `over ${seconds.toFixed(1)} s` : "at once");
const side = (pan: number) =>
  pan === 0 ? "the middle" : `${Math.abs(pan) * 100} % ${pan > 0 ? "right" : "left"}`;
const nearness = (near: number) =>
  near === 0 ? "as usual" : `${Math.abs(near) * 100} % ${near > 0 ? "nearer" : "farther"}`;
