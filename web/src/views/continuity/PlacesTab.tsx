/** Places: what prompts say of each, and for every scene where, at what hour and in what weather it is. */
import { useState } from "react";

import type { Command, Film, Place } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { BeforeYouDecide } from "./BeforeYouDecide";
import { PlaceSheet } from "./PlaceSheet";
import { Split } from "./Split";
import { blankPlace } from "./blank";
import { usedOf } from "./drift";

export const said = (p: Place) => p.description || p.name;

export function PlacesTab({ film }: { film: Film }) {
  const change = useChange(film.id);
  const [chosen, setChosen] = useState<number | null>(null);
  const place = film.places.find((p) => p.id === chosen) ?? film.places[0];
  const add = (fresh: Place) =>
    change.mutate(
      { type: "set place", place: fresh },
      { onSuccess: (now) => setChosen(Math.max(...now.places.map((p) => p.id))) },
    );
  const shotsAt = (description: string) => film.shots.filter((s) => s.place === description).length;
  // What is seen in the film stands first; a place that shots stand in belongs here, listed or not.
  const sorted = [...film.places].sort((a, b) => shotsAt(said(b)) - shotsAt(said(a)));
  const listed = new Set(film.places.map(said));
  const unlisted = [...new Set(film.shots.map((s) => s.place))].filter((p) => p && !listed.has(p));
  return (
    <Split
      aside={
        place ? (
          <PlaceSheet key={place.id} film={film} place={place} />
        ) : (
          <p className="text-ink-2">
            The manuscript names no place twice. Add one, or state it shot by shot in the Sheet.
          </p>
        )
      }
    >
      <ul className="border-t border-ink" aria-label="Places">
        {sorted.map((p) => (
          <Row
            key={p.id}
            film={film}
            place={p}
            chosen={p.id === place?.id}
            onChoose={() => setChosen(p.id)}
          />
        ))}
        {unlisted.map((description) => (
          <li key={description} className="border-b border-rule py-1.5 pl-1">
            <div className="grid grid-cols-[104px_minmax(0,1fr)_120px_64px] items-center gap-3">
              <span className="text-[12px] text-ink-2">not listed yet</span>
              <span className="truncate font-serif text-[15px]">{description}</span>
              <Button kind="quiet" onClick={() => add({ ...blankPlace(description), description })}>
                Keep it
              </Button>
              <span className="text-right text-ink-2">{counted(shotsAt(description))}</span>
            </div>
          </li>
        ))}
      </ul>
      <Button className="mt-3" onClick={() => add(blankPlace("A new place"))}>
        Add a place
      </Button>
      <SceneByScene film={film} />
    </Split>
  );
}

const counted = (shots: number) => `${shots} ${shots === 1 ? "shot" : "shots"}`;

function Row({
  film,
  place,
  chosen,
  onChoose,
}: {
  film: Film;
  place: Place;
  chosen: boolean;
  onChoose: () => void;
}) {
  const shots = film.shots.filter((s) => s.place === said(place));
  const shown = shots.find((s) => usedOf(s) && !s.people.length) ?? shots.find(usedOf);
  const thumb = place.references[0]?.thumb ?? (shown && usedOf(shown)?.thumb);
  const hours = [...new Set(shots.map((s) => s.time))];
  return (
    <li className={`border-b border-rule ${chosen ? "bg-shade" : ""}`}>
      <button
        type="button"
        aria-pressed={chosen}
        onClick={onChoose}
        className="grid w-full grid-cols-[104px_minmax(0,1fr)_120px_64px] items-center gap-3 px-1 py-1.5 text-left"
      >
        <span className="block aspect-video overflow-hidden rounded-[3px] bg-ground">
          {thumb && <img src={`/media/${thumb}`} alt="" className="size-full object-cover" />}
        </span>
        <span className="min-w-0">
          <b className="block truncate font-serif text-[15px]">{place.name}</b>
          <span className="block truncate text-ink-2">
            {place.description || "nothing said of it yet"}
            {place.guess ? `; a guess, ${place.why}` : ""}
          </span>
        </span>
        <span className="text-ink-2">
          {[...hours, ...(place.weather ? [place.weather] : [])].join(", ")}
        </span>
        <span className="text-right text-ink-2">{counted(shots.length)}</span>
      </button>
    </li>
  );
}

/** The commonest value in a scene's shots. */
function usual(values: string[]): string {
  const counts = new Map<string, number>();
  for (const v of values) counts.set(v, (counts.get(v) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? "";
}

function SceneByScene({ film }: { film: Film }) {
  const { times, weathers } = useRules();
  const [draft, setDraft] = useState<{ title: string; command: Command } | null>(null);
  const scenes = film.scenes.map((s, i) => ({ ...s, number: i })).filter((s) => s.end > s.first);
  const set = (scene: (typeof scenes)[number], what: "place" | "time" | "weather", value: string) =>
    setDraft({
      title: `${scene.title || "The film"}: ${what} ${value === "auto" ? "as the text says" : value}`,
      command: {
        type: "set scene",
        word: scene.word,
        values: { [what]: value === "auto" ? null : value },
        pace: null,
        aim: null,
      },
    });
  return (
    <section className="mt-6" aria-label="Scene by scene">
      <h2 className="mb-1 flex items-baseline justify-between font-semibold">
        Scene by scene{" "}
        <span className="font-normal text-ink-2">by the text, unless you choose</span>
      </h2>
      {draft && (
        <div className="my-2 max-w-[560px]">
          <BeforeYouDecide
            film={film}
            title={draft.title}
            command={draft.command}
            onDone={() => setDraft(null)}
            onLeave={() => setDraft(null)}
          />
        </div>
      )}
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b border-rule-strong text-left text-ink-2">
            <th className="pb-1 font-normal">scene</th>
            <th className="pb-1 font-normal">place</th>
            <th className="pb-1 font-normal">hour</th>
            <th className="pb-1 font-normal">weather</th>
          </tr>
        </thead>
        <tbody>
          {scenes.map((s, n) => {
            const shots = film.shots.filter((x) => x.scene === s.number);
            const now = {
              place: usual(shots.map((x) => x.place)),
              time: usual(shots.map((x) => x.time)),
              weather: usual(shots.map((x) => x.weather)),
            };
            const auto = (value: string) =>
              ["auto", value ? `${value} (text)` : "as the text says"] as const;
            const own = (what: "place" | "time" | "weather") => s.own[what] ?? "auto";
            const places = [
              ...new Set([...film.places.map(said), ...(s.own.place ? [s.own.place] : [])]),
            ];
            return (
              <tr key={s.number} className="border-b border-rule">
                <td className="py-1 pr-3">
                  <span className="mr-2 font-mono">{n + 1}</span>
                  {s.title || "the whole film"}
                </td>
                {(
                  [
                    ["place", "Place", places],
                    ["time", "Hour", times],
                    ["weather", "Weather", weathers],
                  ] as const
                ).map(([what, name, choices]) => (
                  <td key={what} className="py-1 pr-3">
                    <Choice
                      quiet
                      label={`${name} of scene ${n + 1}`}
                      value={own(what)}
                      options={[auto(now[what]), ...worded(choices)]}
                      onChange={(v) => set(s, what, v)}
                    />
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
