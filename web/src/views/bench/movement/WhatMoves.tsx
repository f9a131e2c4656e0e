/** What moves in a shot, each with its reason: any of it can go, be another, or come in. */
import { useState } from "react";

import type { Film, Shot } from "../../../api/client";
import { useChange, useRules } from "../../../api/film";
import { type Act, type Movement, actionsTold, setOf, useActions } from "../../../api/movement";
import { Button } from "../../../parts/Button";
import { Choice, worded } from "../../../parts/Choice";
import { Check, Field } from "../../../parts/Field";
import { AsClip } from "./AsClip";
import { ClipSlide } from "./ClipSlide";
import { Regions } from "./Regions";
import { Row } from "./Row";
import { shortly } from "./names";

/** Nothing is chosen: lists know no empty choice. */
const NOBODY = "-";
/** A camera that goes along with a figure, among the moves that have names. */
const ALONG = "along ";
const FITS = {
  speed: "played quicker or slower",
  steps: "slower, its frames longer",
  hold: "its last frame held",
  "back and forth": "back and forth",
  cut: "cut at the shot’s end",
  "second angle": "then a second angle",
};
const AMOUNTS = ["low", "middle", "high"];

interface Props {
  film: Film;
  shot: Shot;
  movement: Movement;
}

export function WhatMoves({ film, shot, movement }: Props) {
  const change = useChange(film.id);
  const rules = useRules();
  const actions = useActions().data ?? [];
  const set = (values: Record<string, unknown>) =>
    change.mutate({ type: "set shots", shots: [shot.id], values });
  const setActs = (acts: readonly Pick<Act, "figure" | "action" | "word">[] | null) =>
    set({ acts: acts?.map(({ figure, action, word }) => ({ figure, action, word })) ?? null });
  const setAir = (air: readonly { kind: string; amount: string }[] | null) =>
    set({ air: air?.map(({ kind, amount }) => ({ kind, amount })) ?? null });
  const goers = movement.figures.filter((f) => f.along);
  const named = (figure: string) =>
    shortly(movement.figures.find((f) => f.figure === figure)?.name ?? figure);
  const actionsFor = (figure: string) => {
    const animal = movement.figures.find((f) => f.figure === figure)?.animal ?? false;
    return worded(actions.filter((a) => (animal ? a.animal : a.person)).map((a) => a.name));
  };
  return (
    <section aria-label="What moves">
      <h2 className="font-serif text-[20px] font-semibold">What moves</h2>
      <p className="mb-2 text-[12.5px] text-ink-2">from the words of the shot; any of it can go</p>
      <ul>
        <Row
          what="Camera"
          why={movement.why}
          onLift={movement.camera ? () => set({ move: null, path: null }) : undefined}
          lifts="as proposed again"
        >
          <Choice
            quiet
            label="Camera"
            value={movement.camera && shot.own.path ? "own" : movement.move}
            options={[
              ...worded(rules.moves),
              ...goers.map((f) => [ALONG + f.figure, `along with ${shortly(f.name)}`] as const),
              ...(shot.own.path ? ([["own", "your own path"]] as const) : []),
            ]}
            onChange={(move) => {
              const goer = goers.find((f) => ALONG + f.figure === move);
              if (goer) set({ path: goer.along });
              else if (move !== "own") set({ move, path: null });
            }}
          />
        </Row>
        {movement.clip && (
          <Row
            what="Clip"
            why={movement.clip.why}
            onLift={movement.clip.own ? () => set({ fit: null, slide: null }) : undefined}
            lifts="fitted by rule again"
          >
            <Choice
              quiet
              label="How the clip fills the shot"
              value={movement.clip.how}
              options={worded(rules.fits, FITS)}
              onChange={(fit) => set({ fit })}
            />
            <ClipSlide
              clip={movement.clip}
              seconds={movement.seconds}
              onPut={(slide) => set({ slide: slide || null })}
            />
            {movement.clip.sound && (
              <Check
                label="its sound is heard"
                on={movement.clip.heard}
                onChange={(heard) => set({ heard: heard || null })}
              />
            )}
          </Row>
        )}
        {movement.acts.map((act, i) => (
          <Row
            key={`${act.figure}${act.action}${act.word}`}
            what={named(act.figure)}
            why={act.start === null ? `${act.why}: no time for it here` : act.why}
            onLift={() => setActs(movement.acts.filter((_, n) => n !== i))}
            lifts={`${named(act.figure)} does not ${act.action}`}
          >
            <span className="flex items-center gap-1">
              <Choice
                quiet
                label={`What ${named(act.figure)} does`}
                value={act.action}
                options={actionsFor(act.figure)}
                onChange={(action) =>
                  setActs(movement.acts.map((a, n) => (n === i ? { ...a, action } : a)))
                }
              />
              <Choice
                quiet
                label={`At which word ${named(act.figure)} does it`}
                value={String(act.word ?? NOBODY)}
                options={[
                  ...(act.word === null ? [[NOBODY, "from the start"] as const] : []),
                  ...movement.words.map((w) => [String(w.number), `at “${bare(w.text)}”`] as const),
                ]}
                onChange={(at) =>
                  setActs(
                    movement.acts.map((a, n) =>
                      n === i ? { ...a, word: at === NOBODY ? null : Number(at) } : a,
                    ),
                  )
                }
              />
            </span>
          </Row>
        ))}
        {movement.figures.map((f) => (
          <Row
            key={f.figure}
            what={shortly(f.name)}
            why={f.speaks ? "the voice is theirs" : "always"}
          >
            {f.animal ? "breathes" : f.speaks ? "breathes, blinks, lips speak" : "breathes, blinks"}
          </Row>
        ))}
        <Regions
          film={film}
          regions={movement.regions}
          onRegions={(regions) => set({ regions: setOf(regions) })}
        />
        {movement.horizon !== null && (
          <Row
            what="Ground"
            why="set by hand; the camera shows it when it moves"
            onLift={() => set({ horizon: null })}
            lifts="no ground"
          >
            comes nearer below the line
          </Row>
        )}
        {movement.water && (
          <Row what="Water" why="water in the picture">
            runs toward us
          </Row>
        )}
        {movement.flames > 0 && (
          <Row what="Light" why={movement.flames > 1 ? "flames" : "a flame"}>
            trembles
          </Row>
        )}
        {movement.air.map((air, i) => (
          <Row
            key={air.kind}
            what="Air"
            why={air.why}
            onLift={() => setAir(movement.air.filter((_, n) => n !== i))}
            lifts={`no ${air.kind}`}
          >
            <span className="flex items-center gap-1">
              {air.kind},
              <Choice
                quiet
                label={`How much ${air.kind}`}
                value={air.amount}
                options={worded(AMOUNTS)}
                onChange={(amount) =>
                  setAir(movement.air.map((a, n) => (n === i ? { ...a, amount } : a)))
                }
              />
            </span>
          </Row>
        ))}
      </ul>
      <More
        movement={movement}
        actionsFor={actionsFor}
        airs={rules.airs.filter((k) => movement.air.every((a) => a.kind !== k))}
        onAct={(figure, action) =>
          setActs([...movement.acts, { figure, action, word: movement.words[0]?.number ?? null }])
        }
        onTold={(figure, found) =>
          setActs([
            ...movement.acts,
            ...found.map((action, i) => ({
              figure,
              action,
              word:
                movement.words[Math.floor((i * movement.words.length) / found.length)]?.number ??
                null,
            })),
          ])
        }
        onAir={(kind) => setAir([...movement.air, { kind, amount: "middle" }])}
      />
      <p className="mt-2 flex gap-2">
        {movement.acts_own && (
          <Button kind="quiet" onClick={() => setActs(null)}>
            Actions as proposed
          </Button>
        )}
        {movement.air_own && (
          <Button kind="quiet" onClick={() => setAir(null)}>
            Air as proposed
          </Button>
        )}
      </p>
      <InWords key={movement.motion} movement={movement} onSay={(motion) => set({ motion })} />
      <AsClip film={film} shot={shot} seconds={movement.seconds} />
      {!movement.jointed && !movement.clip && shot.used && (
        <p className="mt-2 text-[12.5px] text-ink-2">
          Nobody acts in this picture: it came without figures in pieces. Mark a part of it, and it
          moves all the same.
        </p>
      )}
    </section>
  );
}

/** The camera's path in words; other words make another path. */
function InWords({
  movement,
  onSay,
}: {
  movement: Movement;
  onSay: (motion: string | null) => void;
}) {
  const [text, setText] = useState(movement.motion);
  const settle = () => {
    if (text.trim() !== movement.motion) onSay(text.trim() || null);
  };
  return (
    <section aria-label="In words" className="mt-3">
      <h3 className="flex items-baseline justify-between border-b border-rule-strong pb-1 font-semibold">
        In words <span className="text-[12px] font-normal text-ink-2">motion prompt</span>
      </h3>
      <p className="py-2 font-serif text-[15px] leading-snug">{movement.in_words}</p>
      <textarea
        aria-label="Say how the camera moves"
        value={text}
        rows={2}
        maxLength={300}
        placeholder="or say it: slow push in on the lantern, then drift left"
        className="w-full resize-none rounded-[5px] border border-rule-strong bg-page px-2 py-1.5 font-serif text-[14px] placeholder:text-ink-2"
        onChange={(e) => setText(e.target.value)}
        onBlur={settle}
        onKeyDown={(e) => {
          if (e.key === "Enter") {
            e.preventDefault();
            settle();
          }
        }}
      />
    </section>
  );
}

/** A word without the marks that stand about it. */
const bare = (text: string) => text.replace(/^[“”"‘(]+|[“”"’).,;:!?]+$/g, "");

interface MoreProps {
  movement: Movement;
  actionsFor: (figure: string) => (readonly [string, string])[];
  airs: readonly string[];
  onAct: (figure: string, action: string) => void;
  onTold: (figure: string, actions: readonly string[]) => void;
  onAir: (kind: string) => void;
}

/** Something else that moves: a figure that does something, something in the air. */
function More({ movement, actionsFor, airs, onAct, onTold, onAir }: MoreProps) {
  const [who, setWho] = useState(NOBODY);
  const known = movement.figures.some((f) => f.figure === who) || who === "air";
  const chosen = known ? who : NOBODY;
  const figure = movement.figures.find((f) => f.figure === chosen);
  return (
    <div className="flex flex-wrap items-center gap-2 py-2">
      <span className="text-ink-2">+</span>
      <Choice
        quiet
        label="Something else that moves"
        value={chosen}
        options={[
          [NOBODY, "something else that moves"],
          ...movement.figures.map((f) => [f.figure, f.name] as const),
          ["air", "something in the air"],
        ]}
        onChange={setWho}
      />
      {known && (
        <Choice
          quiet
          label="What it does"
          value={NOBODY}
          options={[
            [NOBODY, "choose …"],
            ...(chosen === "air" ? worded(airs) : actionsFor(chosen)),
          ]}
          onChange={(name) => {
            if (name === NOBODY) return;
            if (chosen === "air") onAir(name);
            else onAct(chosen, name);
            setWho(NOBODY);
          }}
        />
      )}
      {figure && (
        <SayIt
          key={figure.figure}
          of={figure.animal ? "animal" : "person"}
          name={shortly(figure.name)}
          onTold={(found) => {
            onTold(figure.figure, found);
            setWho(NOBODY);
          }}
        />
      )}
    </div>
  );
}

interface SayItProps {
  of: "person" | "animal";
  name: string;
  onTold: (actions: readonly string[]) => void;
}

/** What somebody does, in words of the maker's own. */
function SayIt({ of, name, onTold }: SayItProps) {
  const [words, setWords] = useState("");
  const [nothing, setNothing] = useState(false);
  const tell = async () => {
    const found = words.trim() ? await actionsTold(words.trim(), of) : [];
    if (found.length) onTold(found);
    else setNothing(true);
  };
  return (
    <span className="basis-full">
      <Field
        aria-label={`Say what ${name} does`}
        value={words}
        maxLength={120}
        placeholder="or say it: sits down and weeps"
        onChange={(e) => {
          setWords(e.target.value);
          setNothing(false);
        }}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === "Enter") void tell();
        }}
      />
      {nothing && (
        <span role="status" className="text-[12px] text-grease-ink">
          No action is meant by that. Use a verb that can be seen, or choose from the list.
        </span>
      )}
    </span>
  );
}
