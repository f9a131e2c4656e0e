/** The company: people, animals, places and looks kept across films, found by kind, age and words. */
import { useState } from "react";

import type { Film, Member } from "../../api/client";
import { type CompanySearch, useCompany, useDropMember } from "../../api/continuity";
import { useChange } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { notify } from "../../state/notices";
import { Heading } from "./Heading";
import { Split } from "./Split";

const KINDS = [
  [undefined, "all"],
  ["person", "people"],
  ["animal", "animals"],
  ["thing", "things"],
  ["place", "places"],
  ["look", "looks"],
  ["voice", "voices"],
  ["word", "words"],
] as const;
const AGES = [
  ["any", "any age"],
  ["child", "children"],
  ["adult", "grown"],
  ["old", "old"],
] as const;

/** What has an age. */
const aged = (kind: CompanySearch["kind"]) => kind === "person" || kind === "voice";

interface Props {
  film: Film;
  /** Somebody was taken into the film's cast. */
  onTaken: (person: number) => void;
}

export function CompanyTab({ film, onTaken }: Props) {
  const [search, setSearch] = useState<CompanySearch>({ words: "" });
  const [chosen, setChosen] = useState<string | null>(null);
  const members = useCompany(search).data ?? [];
  const member = members.find((m) => m.id === chosen) ?? members[0];
  return (
    <Split
      aside={
        member ? (
          <MemberSheet key={member.id} film={film} member={member} onTaken={onTaken} />
        ) : (
          <p className="text-ink-2">Nothing in the company is like that.</p>
        )
      }
    >
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <div className="w-[220px]">
          <Field
            aria-label="Words"
            placeholder="red scarf, sea, forest …"
            value={search.words}
            onChange={(e) => setSearch({ ...search, words: e.target.value })}
          />
        </div>
        <div role="radiogroup" aria-label="Kind" className="flex gap-3">
          {KINDS.map(([kind, title]) => (
            <button
              key={title}
              type="button"
              role="radio"
              aria-checked={search.kind === kind}
              onClick={() =>
                setSearch({
                  words: search.words,
                  kind,
                  age: aged(kind) ? search.age : undefined,
                })
              }
              className={`min-h-6 ${search.kind === kind ? "font-semibold shadow-[0_2px_0_var(--ink)]" : "text-ink-2 hover:text-ink"}`}
            >
              {title}
            </button>
          ))}
        </div>
        <Choice
          quiet
          label="Age"
          value={search.age ?? "any"}
          options={AGES}
          onChange={(v) =>
            setSearch({
              ...search,
              kind: v === "any" || aged(search.kind) ? search.kind : "person",
              age: v === "any" ? undefined : (v as CompanySearch["age"]),
            })
          }
        />
        <span className="ml-auto text-ink-2" role="status">
          {members.length} {members.length === 1 ? "entry" : "entries"}
        </span>
      </div>
      <ul
        className="grid grid-cols-[repeat(auto-fill,minmax(128px,1fr))] gap-x-3 gap-y-3.5"
        aria-label="Company"
      >
        {members.map((m) => (
          <li key={m.id}>
            <button
              type="button"
              aria-pressed={m.id === member?.id}
              onClick={() => setChosen(m.id)}
              className="block w-full text-left"
            >
              <Picture
                member={m}
                className={
                  m.id === member?.id ? "outline outline-2 outline-offset-1 outline-ink" : ""
                }
              />
              <b className="mt-1 block truncate font-serif">{m.name}</b>
              <span className="block truncate text-[12px] text-ink-2">{shortly(m)}</span>
            </button>
          </li>
        ))}
      </ul>
    </Split>
  );
}

function Picture({ member, className = "" }: { member: Member; className?: string }) {
  return (
    <span className={`block aspect-square overflow-hidden rounded-[3px] bg-shade ${className}`}>
      {member.picture ? (
        <img src={member.picture} alt="" loading="lazy" className="size-full object-cover" />
      ) : (
        <span
          className={`flex size-full items-center justify-center px-1 text-center font-serif text-ink-2 ${member.card.word ? "text-[17px] italic" : "text-[28px]"}`}
        >
          {member.card.word?.sounds ?? member.name.replace(/^the /i, "")[0]?.toUpperCase()}
        </span>
      )}
    </span>
  );
}

function shortly(m: Member): string {
  const { person, place, look, voice, word } = m.card;
  const said = word ? `sounds like ${word.sounds}` : voice?.description;
  return person?.traits[0]?.text ?? place?.description ?? look?.medium ?? said ?? m.kind;
}

function MemberSheet({
  film,
  member,
  onTaken,
}: {
  film: Film;
  member: Member;
  onTaken: (person: number) => void;
}) {
  const change = useChange(film.id);
  const drop = useDropMember();
  const { person, place, look, voice, word } = member.card;
  const [as, setAs] = useState("new");
  const inFilm =
    film.cast.some((p) => p.company === member.id) ||
    film.places.some((p) => p.company === member.id) ||
    film.looks.some((l) => l.name === look?.name) ||
    film.settings.look === look?.name ||
    film.voices.some((v) => v.voice === voice?.voice) ||
    film.lexicon.some((s) => s.word === word?.word && s.sounds === word.sounds);
  const take = () => {
    if (person) {
      const double = film.cast.find((p) => String(p.id) === as);
      const taken = double
        ? {
            ...person,
            id: double.id,
            name: double.name,
            aliases: double.aliases,
            voice: person.voice ?? double.voice,
            company: member.id,
          }
        : { ...person, id: 0, company: member.id };
      change.mutate(
        { type: "set person", person: taken },
        { onSuccess: (fresh) => onTaken(double?.id ?? Math.max(...fresh.cast.map((p) => p.id))) },
      );
    } else if (place) {
      change.mutate(
        { type: "set place", place: { ...place, id: 0, company: member.id } },
        { onSuccess: () => notify(`${place.name} is among the film's places.`) },
      );
    } else if (voice) {
      change.mutate(
        { type: "keep voice", for: null, voice },
        { onSuccess: () => notify(`${voice.name} is among the film's voices, in the Bench.`) },
      );
    } else if (word) {
      change.mutate(
        { type: "take lexicon", sayings: [word] },
        { onSuccess: () => notify(`${word.word} is said “${word.sounds}” in this film.`) },
      );
    } else if (look) {
      if (look.own)
        change.mutate(
          { type: "set look", look, use: false },
          { onSuccess: () => notify(`${look.title} is among the film's looks.`) },
        );
      else
        change.mutate(
          { type: "set settings", values: { look: look.name } },
          {
            onSuccess: () =>
              notify(`The film's look is ${look.title}. Undo brings the one before back.`),
          },
        );
    }
  };
  return (
    <div className="flex flex-col gap-4">
      <h2 className="font-serif text-[22px] font-bold">{member.name}</h2>
      {member.picture && (
        <img
          src={member.picture}
          alt={`${member.name}, ${shortly(member)}`}
          className={`w-full rounded-[3px] object-cover ${person ? "aspect-[4/3] object-top" : "aspect-video"}`}
        />
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button kind="ink" onClick={take}>
          {look && !look.own ? "Take it for the film" : "Take into the film"}
        </Button>
        {person && film.cast.length > 0 && (
          <Choice
            label="As whom"
            value={as}
            options={[
              ["new", "as somebody new"] as const,
              ...film.cast.map((p) => [String(p.id), `as ${p.name}`] as const),
            ]}
            onChange={setAs}
          />
        )}
        {member.changed && (
          <Button kind="quiet" onClick={() => drop.mutate(member.id)}>
            Put back as it came
          </Button>
        )}
        {!member.ours && !member.changed && (
          <Button kind="quiet" onClick={() => drop.mutate(member.id)}>
            Remove from the company
          </Button>
        )}
      </div>
      <p className="text-ink-2">
        {inFilm ? "In this film already. " : ""}
        {member.ours
          ? "Came with Cut Reel."
          : member.changed
            ? "Came with Cut Reel, and was given back changed."
            : "Kept by you."}{" "}
        Changes in a film stay in it unless given back.
      </p>
      {person && (
        <section aria-label="Traits">
          <Heading title="Traits" />
          <dl>
            {person.traits.map((t, i) => (
              <div
                key={i}
                className="grid grid-cols-[72px_minmax(0,1fr)_56px] gap-2 border-b border-rule py-[3px]"
              >
                <dt className="text-ink-2">{t.about}</dt>
                <dd>{t.text}</dd>
                <dd className="text-right font-mono text-[12px] text-ink-2">{t.weight}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
      {place && (
        <section aria-label="Place">
          <Heading title="What prompts say of it" />
          <p>{place.description}</p>
          <dl className="mt-2">
            {Object.entries(place.light).map(([hour, words]) => (
              <div
                key={hour}
                className="grid grid-cols-[72px_minmax(0,1fr)] gap-2 border-b border-rule py-[3px]"
              >
                <dt className="text-ink-2">{hour}</dt>
                <dd>{words}</dd>
              </div>
            ))}
            {place.weather && (
              <div className="grid grid-cols-[72px_minmax(0,1fr)] gap-2 border-b border-rule py-[3px]">
                <dt className="text-ink-2">weather</dt>
                <dd>{place.weather}</dd>
              </div>
            )}
          </dl>
        </section>
      )}
      {voice && (
        <section aria-label="Voice">
          <Heading title="How it was described" />
          <p className="font-serif italic">{voice.description}</p>
          {voice.pitch && (
            <p className="text-ink-2">
              <span className="font-mono">{Math.round(voice.pitch)} Hz</span>, {voice.pronoun},{" "}
              {voice.age}
            </p>
          )}
        </section>
      )}
      {word && (
        <section aria-label="Word">
          <Heading title="How it sounds" />
          <p>
            {word.sounds}
            {word.phonemes && <span className="ml-2 font-mono">/{word.phonemes}/</span>}
          </p>
        </section>
      )}
      {look && (
        <section aria-label="Look">
          <Heading title="In prompts" />
          <p>
            {[look.medium, look.line, look.light, look.lens, look.era].filter(Boolean).join(", ")}
          </p>
          <div className="mt-2 flex h-7 overflow-hidden rounded-[3px]">
            {look.palette.map((c) => (
              <i key={c.css} title={c.name} className="grow" style={{ background: c.css }} />
            ))}
          </div>
        </section>
      )}
    </div>
  );
}
