/** What is done to all chosen shots at once: set, given parts of the shot at the playhead, made. */
import type { Film, Schemas, Shot } from "../../api/client";
import { useChange, useEstimate, useRules, useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { money } from "../../parts/time";
import { choose, chosen } from "../../state/chosen";
import { useStore } from "../../state/store";
import { shotsInWords } from "./ChooseDesk";
import { RampDesk } from "./RampDesk";

type Values = Schemas["SetShots"]["values"];

/** Parts of a shot that others can be given, as they stand in it. */
const PARTS: Record<string, (shot: Shot) => Values> = {
  movement: (s) => ({ move: s.move, path: s.own.path ?? null, air: s.own.air ?? null }),
  "its join": (s) => (s.join ? { join: s.join.how } : {}),
  "grade and effects": (s) => ({ grade: s.finish.grade, effects: s.finish.effects }),
  framing: (s) => ({ framing: s.framing, angle: s.angle || null }),
  "hour and weather": (s) => ({ time: s.time, weather: s.weather, season: s.season || null }),
  "music and sound": (s) => ({ music: s.own.music ?? null, sound: s.own.sound ?? null }),
};
const ALL = "all of these";

export function ChosenBar({ film, from }: { film: Film; from: Shot | undefined }) {
  const change = useChange(film.id);
  const start = useStart(film.id);
  const rules = useRules();
  const all = useStore(chosen);
  const shots = film.shots.filter((s) => all.has(s.id)).map((s) => s.id);
  const wish = { kind: "pictures", shots, takes: 1 } as const;
  const estimate = useEstimate(film.id, wish, film.revision, shots.length > 0).data;
  if (!shots.length) return null;
  const set = (values: Values) => {
    if (Object.keys(values).length) change.mutate({ type: "set shots", shots, values });
  };
  const give = (part: string) => {
    if (!from) return;
    const parts = part === ALL ? Object.values(PARTS) : PARTS[part] ? [PARTS[part]] : [];
    set(Object.assign({}, ...parts.map((of) => of(from))) as Values);
  };
  return (
    <div
      role="toolbar"
      aria-label="Chosen shots"
      className="flex min-h-[44px] shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-t border-ink bg-ground px-3 py-1.5"
    >
      <b className="whitespace-nowrap font-semibold">{shotsInWords(shots.length)}</b>
      <Choice
        label="Framing of the chosen shots"
        value="set"
        options={[["set", "framing …"], ...worded(rules.framings), ["as told", "as told"]]}
        onChange={(to) => to !== "set" && set({ framing: to === "as told" ? null : to })}
      />
      <Choice
        label="Move of the chosen shots"
        value="set"
        options={[["set", "move …"], ...worded(rules.moves), ["as told", "as told"]]}
        onChange={(to) => to !== "set" && set({ move: to === "as told" ? null : to, path: null })}
      />
      {from && (
        <Choice
          label={`Give the chosen shots what shot ${from.edge} has`}
          value="give"
          options={[["give", `as shot ${from.edge}: …`], ...worded([...Object.keys(PARTS), ALL])]}
          onChange={give}
        />
      )}
      <RampDesk film={film} shots={film.shots.filter((s) => all.has(s.id))} />
      <Button onClick={() => start.mutate({ ...wish, shots })}>
        Make pictures
        {estimate && (
          <span className="font-mono font-normal opacity-75">{money(estimate.cost)}</span>
        )}
      </Button>
      <Button kind="quiet" onClick={() => choose([])}>
        Choose none
      </Button>
    </div>
  );
}
