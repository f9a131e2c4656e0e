/** A person's sheet: what must hold, outfits, reference, voice, seed, and what a change would do before it is made. */
import { Volume2 } from "lucide-react";
import { useState } from "react";

import type { Film, Person } from "../../api/client";
import { useKeep } from "../../api/continuity";
import { useChange } from "../../api/film";
import { useVoices } from "../../api/voices";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Editable } from "../../parts/Editable";
import { hearLine } from "../../parts/hear";
import { notify } from "../../state/notices";
import { MadeByRows } from "../MadeBy";
import { BeforeYouDecide } from "./BeforeYouDecide";
import { Face, portraitOf } from "./Face";
import { SeedField } from "../../parts/SeedField";
import { Heading } from "./Heading";
import { Names } from "./Names";
import { Outfits } from "./Outfits";
import { References } from "./References";
import { Renaming } from "./Renaming";
import { Traits } from "./Traits";
import { usedOf } from "./drift";

interface Props {
  film: Film;
  person: Person;
  onChoose: (person: number) => void;
}

const KINDS = [
  ["person", "a person"],
  ["animal", "an animal"],
  ["thing", "a thing"],
] as const;
const THEY = { she: "she is", he: "he is" } as const;

export function PersonSheet({ film, person, onChoose }: Props) {
  const change = useChange(film.id);
  const [draft, setDraft] = useState<Person | null>(null);
  const [name, setName] = useState<string | null>(null);
  const shown = draft ?? person;
  const edit = (values: Partial<Person>) => setDraft({ ...shown, ...values });
  const now = (values: Partial<Person>) =>
    change.mutate({ type: "set person", person: { ...person, ...values } });
  return (
    <div className="flex flex-col gap-4">
      {name && (
        <Renaming
          film={film}
          person={person}
          name={name}
          onDone={() => setName(null)}
          onOnlyHere={() => now({ name, aliases: [...person.aliases, person.name] })}
        />
      )}
      <div className="flex gap-3">
        <div className="min-w-0 grow">
          <h2 className="font-serif text-[22px] font-bold">
            <Editable value={person.name} label="Name" onSave={setName} />
          </h2>
          <Names
            film={film}
            person={person}
            onAliases={(aliases) => now({ aliases })}
            onChoose={onChoose}
          />
        </div>
        <Face film={film} person={person} className="size-[88px]" />
      </div>
      {draft && (
        <BeforeYouDecide
          film={film}
          title={`Changing ${person.name}`}
          command={{ type: "set person", person: draft }}
          onDone={() => setDraft(null)}
          onLeave={() => setDraft(null)}
        />
      )}
      <section aria-label="Traits">
        <Heading
          title="Traits"
          beside={`in every prompt ${person.pronoun ? THEY[person.pronoun] : person.kind === "person" ? "they are" : "it is"} in`}
        />
        <Traits traits={shown.traits} guess={person.guess} onEdit={(traits) => edit({ traits })} />
      </section>
      <Outfits film={film} person={shown} onEdit={(outfits) => edit({ outfits })} />
      <References
        film={film}
        kind="person"
        whose={shown}
        onSet={(references) => edit({ references })}
      />
      {person.kind !== "thing" && (
        <Voice film={film} person={person} onSet={(voice) => now({ voice })} />
      )}
      <section aria-label="In prompts">
        <Heading
          title="In prompts"
          beside={shown.prompt ? "by hand" : "composed from the traits"}
        />
        <div className="flex items-start gap-2">
          <Editable
            key={shown.prompt ?? "composed"}
            multiline
            letters={52}
            value={shown.prompt ?? composed(shown)}
            label={`How prompts say ${person.name}`}
            className="font-serif text-[13.5px]"
            onSave={(prompt) => edit({ prompt })}
          />
          {shown.prompt && (
            <button
              type="button"
              onClick={() => edit({ prompt: null })}
              className="min-h-6 shrink-0 text-ink-2 underline"
            >
              compose it again
            </button>
          )}
        </div>
        <div className="mt-1 flex flex-wrap items-baseline gap-x-4 text-ink-2">
          <span className="flex items-baseline gap-1">
            is
            <Choice
              quiet
              label="Kind"
              value={KINDS.some(([k]) => k === person.kind) ? person.kind : "thing"}
              options={KINDS}
              onChange={(kind) => edit({ kind })}
            />
          </span>
          <span className="flex items-baseline gap-1">
            said
            <Choice
              quiet
              label="Pronoun"
              value={shown.pronoun ?? "they"}
              options={
                [
                  ["she", "she"],
                  ["he", "he"],
                  ["they", "they"],
                ] as const
              }
              onChange={(v) => now({ pronoun: v === "they" ? null : (v as "she" | "he") })}
            />
          </span>
          <SeedField
            value={shown.seed ?? null}
            placeholder={`the film’s, ${film.settings.seed}`}
            title="Of pictures where nobody else of the cast is; services draw the same again from the same seed"
            onSet={(seed) => edit({ seed })}
          />
        </div>
      </section>
      <MadeByRows
        kinds={["picture", "clip"]}
        chosen={shown.made_by ?? {}}
        stands={{ ...film.settings.made_by, picture: film.settings.offer }}
        onSet={(made_by) => edit({ made_by })}
      />
      <Keeping film={film} person={person} onLinked={(company) => now({ company })} />
      <Button
        kind="quiet"
        className="-ml-3 self-start"
        onClick={() => change.mutate({ type: "remove person", id: person.id })}
      >
        Remove from the cast
      </Button>
    </div>
  );
}

/** How prompts say somebody where there is room; the core's recipe is the same. */
const composed = (p: Person) => {
  const said = p.traits.map((t) => t.text.trim()).filter(Boolean);
  return said.length ? `${p.name} (${said.join(", ")})` : p.name;
};

function Voice({
  film,
  person,
  onSet,
}: {
  film: Film;
  person: Person;
  onSet: (voice: string | null) => void;
}) {
  const voices = useVoices(film);
  const line = film.lines.find(
    (l) =>
      l.media &&
      [person.name, ...person.aliases].some((n) => n.toLowerCase() === l.speaker?.toLowerCase()),
  );
  const byRule =
    line?.voice ??
    film.lines.find((l) => l.speaker?.toLowerCase() === person.name.toLowerCase())?.voice;
  return (
    <section aria-label="Voice">
      <Heading title="Voice" beside="one for the whole film" />
      <div className="mt-1.5 flex items-center gap-2">
        <Choice
          label="Voice"
          value={person.voice ?? "auto"}
          options={[
            ["auto", byRule ? `by rule: ${byRule}` : "by rule"] as const,
            ...voices.map((v) => [v.name, v.title] as const),
          ]}
          onChange={(v) => onSet(v === "auto" ? null : v)}
        />
        <Button disabled={!line} onClick={() => line && hearLine(line)}>
          <Volume2 className="size-4" /> Hear a line
        </Button>
        {!line && <span className="text-[12px] text-ink-2">no line is spoken yet</span>}
      </div>
    </section>
  );
}

/** Keeps somebody for other films, or gives back what was taken from the company. */
function Keeping({
  film,
  person,
  onLinked,
}: {
  film: Film;
  person: Person;
  onLinked: (company: string) => void;
}) {
  const keep = useKeep();
  const portrait = portraitOf(film, person.id);
  const thumb = person.references[0]?.thumb ?? (portrait && usedOf(portrait)?.thumb);
  return (
    <section aria-label="Company">
      <Heading
        title="Company"
        beside={
          person.company ? "taken from there; changes stay in this film" : "kept for other films"
        }
      />
      <Button
        disabled={keep.isPending}
        onClick={() =>
          keep.mutate(
            { member: person.company ?? null, card: { person }, thumb },
            {
              onSuccess: (member) => {
                if (!person.company) onLinked(member.id);
                notify(
                  person.company
                    ? `${person.name} in the company is as here now.`
                    : `${person.name} is in the company now.`,
                );
              },
            },
          )
        }
      >
        {person.company ? "Give back as here" : "Keep in the company"}
      </Button>
    </section>
  );
}
