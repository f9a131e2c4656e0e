/** One shot: what it shows and why, its hold, its picture, prompts of the maker's own; or the same for its whole scene. */
import { useState } from "react";

import type { Film, Shot } from "../../api/client";
import { useChange } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Editable } from "../../parts/Editable";
import { inWords } from "../../parts/time";
import { selected } from "../../state/playhead";
import { useStore } from "../../state/store";
import { Facts, useSetFacts } from "../Facts";
import { Ideas } from "../Ideas";
import { MadeByOfShot } from "../MadeBy";
import { cursor } from "./cursor";
import { secondsOf } from "./shots";

export function ShotDesk({ film }: { film: Film }) {
  const chosen = useStore(selected);
  const at = useStore(cursor);
  const shot =
    film.shots.find((s) => s.id === chosen) ??
    film.shots.find((s) => s.first <= at && at < s.end) ??
    film.shots[0];
  const [forScene, setForScene] = useState(false);
  if (!shot) return null;
  const scene = film.scenes[shot.scene];
  return (
    <div className="flex flex-col gap-3">
      <header>
        <h2 className="font-semibold">
          Shot <span className="font-mono">{shot.edge}</span>, {secondsOf(film, shot).toFixed(1)} s
        </h2>
        <p className="line-clamp-2 font-serif text-[14px] text-ink-2">
          {shot.text || "A hold: a picture without words."}
        </p>
      </header>
      <div role="radiogroup" aria-label="What is set" className="flex gap-1.5">
        {[false, true].map((whole) => (
          <button
            key={String(whole)}
            type="button"
            role="radio"
            aria-checked={forScene === whole}
            onClick={() => setForScene(whole)}
            className={`rounded-[5px] border px-2.5 py-1 ${forScene === whole ? "border-ink bg-ink font-medium text-on-ink" : "border-rule-strong bg-page text-ink-2 hover:bg-shade"}`}
          >
            {whole ? "for its scene" : "for this shot"}
          </button>
        ))}
      </div>
      {forScene && scene && (
        <p className="text-ink-2">
          {scene.title || "The opening"}, {inWords(scene.seconds)},{" "}
          {film.shots.filter((s) => s.scene === shot.scene).length} shots. What a shot says for
          itself stays.
        </p>
      )}
      {!forScene && <Ideas film={film} shot={shot} />}
      <Facts film={film} shot={shot} forScene={forScene} withReasons />
      <ShotMadeBy film={film} shot={shot} forScene={forScene} />
      {forScene ? <ScenePace film={film} shot={shot} /> : <Picture film={film} shot={shot} />}
      {!forScene && <OwnPrompts film={film} shot={shot} />}
    </div>
  );
}

function ShotMadeBy({ film, shot, forScene }: { film: Film; shot: Shot; forScene: boolean }) {
  const set = useSetFacts(film, shot, forScene);
  const own = forScene ? film.scenes[shot.scene]?.own : shot.own;
  return (
    <MadeByOfShot
      own={own?.made_by}
      stands={forScene ? { ...film.settings.made_by, picture: film.settings.offer } : shot.made_by}
      forScene={forScene}
      onSet={set}
    />
  );
}

function ScenePace({ film, shot }: { film: Film; shot: Shot }) {
  const change = useChange(film.id);
  const scene = film.scenes[shot.scene];
  if (!scene) return null;
  const set = (values: { pace?: number; aim?: number }) =>
    change.mutate({
      type: "set scene",
      word: scene.word,
      values: {},
      pace: values.pace ?? null,
      aim: values.aim ?? null,
    });
  return (
    <section
      aria-label="Pace of the scene"
      className="flex flex-col gap-1.5 border-t border-rule-strong pt-3 text-ink-2"
    >
      <Wanted
        name="pace of its own"
        unit="s a shot"
        value={scene.pace}
        usual={film.settings.pace}
        onSet={(pace) => set({ pace })}
      />
      <Wanted
        name="length wanted"
        unit="s in all"
        value={scene.aim}
        usual={Math.round(scene.seconds)}
        onSet={(aim) => set({ aim })}
      />
      <p className="text-[12px]">Its pace counts the next time the film is cut.</p>
    </section>
  );
}

/** A number that a scene may have of its own; emptied, it is lifted. */
const Wanted = ({
  name,
  unit,
  value,
  usual,
  onSet,
}: {
  name: string;
  unit: string;
  value: number | null;
  usual: number;
  onSet: (n: number) => void;
}) => (
  <label className="flex items-center gap-2">
    <span className="w-[106px]">{name}</span>
    <input
      type="number"
      key={value}
      defaultValue={value ?? ""}
      placeholder={String(usual)}
      min={0}
      step="any"
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === "Enter") e.currentTarget.blur();
      }}
      onBlur={(e) =>
        (Number(e.target.value) || null) !== value && onSet(Number(e.target.value) || 0)
      }
      className="w-16 rounded-[3px] border border-rule-strong bg-field px-1 text-center font-mono text-[12px] text-ink placeholder:text-ink-2"
    />
    {unit}
  </label>
);

function Picture({ film, shot }: { film: Film; shot: Shot }) {
  const change = useChange(film.id);
  const silent = shot.first === shot.end;
  const index = film.shots.indexOf(shot);
  const middle = Math.round((shot.first + shot.end) / 2);
  const options = [
    ["own", "one of its own"] as const,
    ...film.shots
      .slice(Math.max(0, index - 8), index + 9)
      .flatMap((s) =>
        s.id !== shot.id && s.picture_of === s.id
          ? [[String(s.id), `that of shot ${s.edge}`] as const]
          : [],
      ),
  ];
  const lender = film.shots.find((s) => s.id === shot.picture_of);
  if (lender && lender.id !== shot.id && !options.some(([key]) => key === String(lender.id)))
    options.push([String(lender.id), `that of shot ${lender.edge}`]);
  return (
    <section
      aria-label="Picture and hold"
      className="flex flex-col gap-1.5 border-t border-rule-strong pt-3"
    >
      <div className="flex items-baseline gap-3">
        <span className="w-[72px] shrink-0 text-ink-2">picture</span>
        <Choice
          quiet
          label="Whose picture"
          value={shot.picture_of === shot.id ? "own" : String(shot.picture_of)}
          options={options}
          onChange={(v) =>
            change.mutate({
              type: "same picture",
              shot: shot.id,
              of: v === "own" ? null : Number(v),
            })
          }
        />
      </div>
      <div className="flex items-baseline gap-3">
        <span className="w-[72px] shrink-0 text-ink-2">hold</span>
        <span className="text-ink-2">
          <input
            type="number"
            aria-label="Seconds of hold"
            key={`${shot.id} ${shot.hold}`}
            defaultValue={shot.hold}
            min={silent ? 0.2 : 0}
            max={600}
            step={0.5}
            onKeyDown={(e) => {
              e.stopPropagation();
              if (e.key === "Enter") e.currentTarget.blur();
            }}
            onBlur={(e) =>
              Number(e.target.value) !== shot.hold &&
              change.mutate({ type: "set hold", shot: shot.id, seconds: Number(e.target.value) })
            }
            className="w-14 rounded-[3px] border border-rule-strong bg-field px-1 text-center font-mono text-[12px] text-ink"
          />{" "}
          s {silent ? "in all" : "beyond its words"}
        </span>
      </div>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {!silent && shot.end - shot.first > 3 && (
          <Button
            title="Cuts the shot in its middle; the new shot goes on with the same picture, seen in another way"
            onClick={() =>
              change.mutate({ type: "set mark", word: film.words[middle]![2], same_picture: true })
            }
          >
            See its picture twice
          </Button>
        )}
        <Button
          onClick={() => change.mutate({ type: "add hold", after: shot.id, seconds: 2 })}
          title="A shot without words behind this one"
        >
          Add a hold behind it
        </Button>
        {silent && (
          <Button onClick={() => change.mutate({ type: "lift mark", shot: shot.id })}>
            Take the hold out
          </Button>
        )}
      </div>
    </section>
  );
}

const OWN: ["motion" | "sound" | "direction", string, string][] = [
  ["motion", "motion", "how it moves: slow zoom out"],
  ["sound", "sound", "what is heard: rain on a roof"],
  ["direction", "direction", "how it is said: tired, low"],
];

function OwnPrompts({ film, shot }: { film: Film; shot: Shot }) {
  const set = useSetFacts(film, shot, false);
  return (
    <section
      aria-label="Prompts of your own"
      className="flex flex-col gap-1 border-t border-rule-strong pt-3"
    >
      {OWN.map(([key, name, hint]) => (
        <div key={key} className="flex items-baseline gap-3">
          <span className="w-[72px] shrink-0 text-ink-2">{name}</span>
          <Editable
            value={shot.own[key] ?? ""}
            hint={hint}
            label={`${name} of shot ${shot.edge}`}
            onSave={(text) => set({ [key]: text })}
          />
          {shot.own[key] && (
            <button
              type="button"
              aria-label={`Lift ${name}`}
              className="min-h-6 text-[11px] text-ink-2 underline decoration-dotted"
              onClick={() => set({ [key]: null })}
            >
              lift
            </button>
          )}
        </div>
      ))}
    </section>
  );
}
