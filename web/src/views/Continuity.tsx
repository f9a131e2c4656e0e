/** Continuity: who is in which scene, what must hold, places, and the look. */
import * as Tabs from "@radix-ui/react-tabs";
import { useState } from "react";

import type { Film, Person, Place, Shot } from "../api/client";
import { useChange, useLooks } from "../api/film";
import { Button } from "../parts/Button";
import { Editable } from "../parts/Editable";
import { PersonSheet } from "./PersonSheet";
import { seek, selected } from "../state/playhead";
import { useFilmHere } from "./FilmFrame";

const BLANK: Person = { id: 0, name: "Somebody new", aliases: [], kind: "person", pronoun: null, traits: [], outfits: [], voice: null, guess: false, why: "" };

export function Continuity() {
  const film = useFilmHere();
  const change = useChange(film.id);
  const [chosen, setChosen] = useState<number | null>(null);
  const person = film.cast.find((p) => p.id === chosen) ?? film.cast[0];
  const tab = "pb-1 text-ink-2 hover:text-ink data-[state=active]:font-semibold data-[state=active]:text-ink data-[state=active]:shadow-[0_2px_0_var(--ink)]";
  return (
    <Tabs.Root defaultValue="who" className="flex h-full">
      <section className="min-w-0 grow overflow-y-auto bg-page px-5 py-4">
        <div className="mb-4 flex items-baseline">
          <Tabs.List aria-label="Parts of continuity" className="flex gap-5">
            <Tabs.Trigger value="who" className={tab}>
              Who, scene by scene
            </Tabs.Trigger>
            <Tabs.Trigger value="places" className={tab}>
              Places
            </Tabs.Trigger>
            <Tabs.Trigger value="look" className={tab}>
              Look
            </Tabs.Trigger>
          </Tabs.List>
          <span className="ml-auto text-ink-2">
            {film.shots.length} shots, {film.scenes.length} {film.scenes.length === 1 ? "scene" : "scenes"}
            {shareSaid(film) !== null && `, ${shareSaid(film)} % of traits said`}
          </span>
        </div>
        <Tabs.Content value="who">
          <Matrix film={film} chosen={person?.id} onChoose={setChosen} />
          <Button className="mt-4" onClick={() => change.mutate({ type: "set person", person: BLANK })}>
            Add somebody
          </Button>
          {person && <InFilmOrder film={film} person={person} />}
        </Tabs.Content>
        <Tabs.Content value="places">
          <Places film={film} />
        </Tabs.Content>
        <Tabs.Content value="look">
          <LookTab film={film} />
        </Tabs.Content>
      </section>
      <aside className="w-[430px] shrink-0 overflow-y-auto border-l border-rule-strong bg-ground px-5 py-5">
        {person ? (
          <PersonSheet key={person.id} film={film} person={person} />
        ) : (
          <p className="text-ink-2">Nobody recurs in this manuscript. Add somebody to keep them the same in every picture.</p>
        )}
      </aside>
    </Tabs.Root>
  );
}

/** Traits of somebody that the prompt of a shot's take did not say. */
const missingOf = (shot: Shot, person: number) => shot.drift.find((d) => d.person === person)?.missing ?? [];
/** The share of traits, over everybody in every made picture, that the prompts used did say; null while none is made. */
function shareSaid(film: Film): number | null {
  const traits = new Map(film.cast.map((p) => [p.id, p.traits.length]));
  let all = 0;
  let missing = 0;
  for (const shot of film.shots) {
    const take = usedOf(shot);
    if (!take || take.brought) continue;
    for (const person of shot.people) {
      all += traits.get(person) ?? 0;
      missing += missingOf(shot, person).length;
    }
  }
  return all ? Math.max(0, Math.round((1 - missing / all) * 100)) : null;
}

const usedOf = (shot: Shot) => shot.takes.find((t) => t.id === shot.used);

function Matrix({ film, chosen, onChoose }: { film: Film; chosen: number | undefined; onChoose: (id: number) => void }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b border-ink align-bottom">
            <th className="w-[230px] pb-2 text-left font-normal text-ink-2">cast</th>
            {film.scenes.map((s, i) => (
              <th key={i} className="min-w-[104px] border-l border-rule px-2 pb-2 text-left">
                <div className="font-mono text-[13px] font-medium">{i + 1}</div>
                <div className="font-normal text-ink-2">{s.title || "the whole film"}</div>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {film.cast.map((p) => {
            const face = film.shots.map((s) => (s.people[0] === p.id ? usedOf(s) : undefined)).find(Boolean) ??
              film.shots.map((s) => (s.people.includes(p.id) ? usedOf(s) : undefined)).find(Boolean);
            return (
              <tr key={p.id} className={`border-b border-rule ${p.id === chosen ? "bg-shade" : ""}`}>
                <th className="py-2 text-left font-normal">
                  <button type="button" onClick={() => onChoose(p.id)} aria-pressed={p.id === chosen} className="flex w-full items-center gap-2.5 rounded px-1 text-left">
                    <span className="size-11 shrink-0 overflow-hidden rounded-[3px] bg-ground">
                      {face ? (
                        <img src={`/media/${face.thumb}`} alt="" className="size-full object-cover" />
                      ) : (
                        <span className="flex size-full items-center justify-center font-serif text-[18px] text-ink-2">{p.name.replace(/^the /, "")[0]?.toUpperCase()}</span>
                      )}
                    </span>
                    <span className="min-w-0">
                      <b className="block truncate font-serif text-[15px]">{p.name}</b>
                      <span className="block truncate text-[12px] text-ink-2">{p.traits[0]?.text ?? p.kind}{p.guess ? ", a guess" : ""}</span>
                    </span>
                  </button>
                </th>
                {film.scenes.map((_, i) => {
                  const shots = film.shots.filter((s) => s.scene === i && s.people.includes(p.id));
                  const stale = shots.filter((s) => s.stale).length;
                  const made = shots.filter((s) => s.used && !s.stale).length;
                  const drifting = shots.filter((s) => missingOf(s, p.id).length);
                  const said = [...new Set(drifting.flatMap((s) => missingOf(s, p.id)))];
                  return (
                    <td key={i} className={`border-l border-rule px-2 py-2 align-top text-[12px] ${stale ? "[background:repeating-linear-gradient(-52deg,var(--rule)_0_1.5px,transparent_1.5px_6px)]" : ""}`}>
                      {shots.length === 0 ? (
                        <span className="text-ink-3">·</span>
                      ) : (
                        <>
                          <div className="font-mono text-[12.5px]">{shots.map((s) => s.edge).slice(0, 5).join(" ")}</div>
                          <div className="text-ink-2">
                            {shots.length} {shots.length === 1 ? "shot" : "shots"}
                            {stale ? `, ${stale} stale` : made < shots.length ? `, ${shots.length - made} to make` : ""}
                          </div>
                          {drifting.length > 0 && (
                            <button
                              type="button"
                              onClick={() => {
                                onChoose(p.id);
                                selected.set(drifting[0]!.id);
                                seek(drifting[0]!.start);
                              }}
                              title={`Not said in the prompts of ${drifting.map((s) => s.edge).join(", ")}: ${said.join(", ")}`}
                              className="min-h-6 text-grease-ink underline decoration-grease decoration-wavy decoration-1 underline-offset-[3px]"
                            >
                              drift {said.length}
                            </button>
                          )}
                        </>
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function InFilmOrder({ film, person }: { film: Film; person: Person }) {
  const shots = film.shots.filter((s) => s.people.includes(person.id) && usedOf(s));
  if (!shots.length) return null;
  return (
    <section className="mt-5" aria-label={`${person.name} in every picture`}>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(148px,1fr))] gap-2.5">
        {shots.slice(0, 12).map((s) => (
          <figure key={s.id}>
            <div className="relative aspect-video overflow-hidden rounded-[3px]">
              <img src={`/media/${usedOf(s)!.thumb}`} alt={`Shot ${s.edge}`} className="size-full object-cover" />
              {s.stale && <span className="hatch absolute inset-0" />}
            </div>
            <figcaption className="flex justify-between pt-0.5 font-mono text-[12px]">
              {s.edge} <span className="text-ink-2">{s.stale ? "stale" : s.framing}</span>
            </figcaption>
          </figure>
        ))}
      </div>
      <p className="mt-1.5 text-ink-2">
        {person.name} in every picture so far, in film order{shots.length > 12 ? `; the first 12 of ${shots.length}` : ""}.
      </p>
    </section>
  );
}

function Places({ film }: { film: Film }) {
  const change = useChange(film.id);
  const save = (place: Place, values: Partial<Place>) => change.mutate({ type: "set place", place: { ...place, ...values } });
  return (
    <>
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b border-ink text-left text-ink-2">
            <th className="w-[200px] pb-2 font-normal">Place</th>
            <th className="pb-2 font-normal">What prompts say of it</th>
            <th className="w-[170px] pb-2 font-normal">Words for it</th>
            <th className="w-[110px] pb-2 text-right font-normal">Shots</th>
          </tr>
        </thead>
        <tbody>
          {film.places.map((p) => {
            const shots = film.shots.filter((s) => s.place === (p.description || p.name));
            return (
              <tr key={p.id} className="border-b border-rule align-top">
                <td className="py-2.5 pr-3">
                  <Editable value={p.name} label="Name of the place" className="font-serif text-[15px] font-bold" onSave={(name) => save(p, { name })} />
                </td>
                <td className="py-2.5 pr-3">
                  <Editable value={p.description} hint="how it looks" label={`Description of ${p.name}`} onSave={(description) => save(p, { description })} />
                  <div className="text-[12px] text-ink-2">{p.guess ? `a guess, ${p.why}` : "as you set it"}</div>
                </td>
                <td className="py-2.5 pr-3">
                  <Editable
                    value={p.words.join(", ")}
                    hint="none"
                    label={`Words for ${p.name}`}
                    onSave={(words) => save(p, { words: words.split(",").map((w) => w.trim().toLowerCase()).filter(Boolean) })}
                  />
                </td>
                <td className="py-2.5 text-right font-mono">{shots.length}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {film.places.length === 0 && <p className="py-3 text-ink-2">The manuscript names no place twice. Add one, or state it shot by shot in the Sheet.</p>}
      <Button
        className="mt-4"
        onClick={() => change.mutate({ type: "set place", place: { id: 0, name: "A new place", words: [], description: "", guess: false, why: "" } })}
      >
        Add a place
      </Button>
    </>
  );
}

function LookTab({ film }: { film: Film }) {
  const looks = useLooks().data ?? [];
  const change = useChange(film.id);
  const made = film.shots.filter((s) => s.used).length;
  return (
    <>
      <p className="mb-4 max-w-[640px] text-ink-2">
        The look is in every picture prompt. {made ? `Changing it makes ${made} pictures stale; nothing is made again until you ask.` : "Choose it before the first pictures are made; it can be changed at any time."}
      </p>
      <div className="grid grid-cols-2 gap-5">
        {looks.map((look) => {
          const on = film.settings.look === look.name;
          return (
            <button
              key={look.name}
              type="button"
              aria-pressed={on}
              onClick={() => !on && change.mutate({ type: "set settings", values: { look: look.name } })}
              className={`flex flex-col overflow-hidden rounded-[5px] border bg-page text-left ${on ? "border-ink outline outline-1 outline-ink" : "border-rule-strong hover:border-ink-2"}`}
            >
              <img src={`/looks/${look.name}.jpg`} alt={`A picture in the look ${look.title}`} className="aspect-[2/1] w-full object-cover" />
              <span className="block p-3">
                <b className="font-serif text-[16px]">{look.title}</b>
                {on && <span className="ml-2 text-ink-2">this film's look</span>}
                <span className="mt-0.5 block text-ink-2">{look.about}</span>
              </span>
            </button>
          );
        })}
      </div>
    </>
  );
}
