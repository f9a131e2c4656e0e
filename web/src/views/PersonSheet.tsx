/** A person's sheet: what must hold, the voice, and what a change would do before it is made. */
import { Plus, Volume2, X } from "lucide-react";
import { useState } from "react";

import type { Film, Person } from "../api/client";
import { useChange, useImpact, useOffers, useStart } from "../api/film";
import { Button } from "../parts/Button";
import { Choice } from "../parts/Choice";
import { Editable } from "../parts/Editable";
import { hearLine } from "../parts/hear";
import { inWords, money } from "../parts/time";
import { Outfits } from "./Outfits";
import { Renaming } from "./Renaming";

const COLOURS: Record<string, string> = {
  red: "#be342a", "brick red": "#9e4230", rust: "#ac5830", orange: "#da7c30", mustard: "#cc9a2c", yellow: "#e4b634", ochre: "#c49242", gold: "#d4a846",
  green: "#54804a", "moss green": "#68743e", olive: "#74703e", teal: "#2c7676", blue: "#3e6298", navy: "#28385c", "grey blue": "#687e94", purple: "#704c80",
  plum: "#724262", pink: "#d68e92", brown: "#704e34", "dark brown": "#4a3426", chestnut: "#7c482c", fair: "#eac2a2", tanned: "#ce9c74", grey: "#848482",
  white: "#f2eee4", black: "#2a282a", cream: "#f0e2c4",
};
const colourIn = (text: string) =>
  Object.entries(COLOURS).sort((a, b) => b[0].length - a[0].length).find(([name]) => new RegExp(`\\b${name}\\b`).test(text))?.[1];

export function PersonSheet({ film, person }: { film: Film; person: Person }) {
  const change = useChange(film.id);
  const start = useStart(film.id);
  const offers = useOffers().data;
  const [draft, setDraft] = useState<Person | null>(null);
  const [name, setName] = useState<string | null>(null);
  const shown = draft ?? person;
  const impact = useImpact(film.id, shown, film.revision, draft !== null).data;
  const edit = (values: Partial<Person>) => setDraft({ ...shown, ...values });
  const save = (then?: () => void) => {
    if (draft) change.mutate({ type: "set person", person: draft }, { onSuccess: then });
    setDraft(null);
  };
  const now = (values: Partial<Person>) => change.mutate({ type: "set person", person: { ...person, ...values } });
  const shots = film.shots.filter((s) => s.people.includes(person.id));
  const line = film.lines.find((l) => l.media && [person.name, ...person.aliases].some((n) => n.toLowerCase() === l.speaker?.toLowerCase()));
  const voices = offers?.flatMap((o) => o.voices) ?? [];
  const byRule = line?.voice ?? film.lines.find((l) => l.speaker?.toLowerCase() === person.name.toLowerCase())?.voice;
  const faces = shots.map((s) => s.takes.find((t) => t.id === s.used)).filter(Boolean).slice(0, 4);
  return (
    <div className="flex flex-col gap-4">
      {name && <Renaming film={film} person={person} name={name} onDone={() => setName(null)} onOnlyHere={() => now({ name, aliases: [...person.aliases, person.name] })} />}
      <div>
        <h2 className="font-serif text-[22px] font-bold">
          <Editable value={person.name} label="Name" onSave={setName} />
        </h2>
        <div className="flex items-baseline gap-2 text-ink-2">
          <span className="shrink-0">also called</span>
          <Editable
            value={person.aliases.join(", ")}
            hint="nothing else"
            label="Also called"
            onSave={(words) => now({ aliases: words.split(",").map((w) => w.trim()).filter(Boolean) })}
          />
        </div>
        <p className="text-[12px] text-ink-2">
          {person.guess ? `A guess: ${person.why}. The traits are ours until you set them.` : `In ${shots.length} shots.`}
        </p>
      </div>
      {faces.length > 0 && (
        <div className="grid grid-cols-4 gap-2">
          {faces.map((t) => (
            <img key={t!.id} src={`/media/${t!.thumb}`} alt="" className="aspect-square w-full rounded-[3px] object-cover" />
          ))}
        </div>
      )}
      <section aria-label="Traits">
        <div className="mb-1 flex justify-between border-b border-rule-strong pb-1">
          <h3 className="font-semibold">Traits</h3>
          <span className="text-ink-2">in every prompt {person.pronoun === "she" ? "she is" : person.pronoun === "he" ? "he is" : "they are"} in</span>
        </div>
        {shown.traits.map((t, i) => {
          const put = (values: Partial<typeof t>) => edit({ traits: shown.traits.map((x, k) => (k === i ? { ...x, ...values } : x)) });
          const colour = colourIn(t.text);
          return (
            <div key={i} className="grid grid-cols-[80px_1fr_18px_24px] items-center gap-2 border-b border-rule py-[5px]">
              <input aria-label={`What trait ${i + 1} is about`} value={t.about} onChange={(e) => put({ about: e.target.value })} className="min-h-6 min-w-0 rounded-[3px] bg-transparent px-1 text-ink-2 hover:bg-shade focus:bg-field" />
              <input aria-label={`Trait: ${t.about}`} value={t.text} onChange={(e) => put({ text: e.target.value, short: "" })} className="min-h-6 min-w-0 rounded-[3px] bg-transparent px-1 hover:bg-shade focus:bg-field" />
              <i className="size-4 rounded-[3px] border border-rule" style={{ background: colour ?? "transparent" }} />
              <button type="button" aria-label={`Remove trait ${t.about}`} onClick={() => edit({ traits: shown.traits.filter((_, k) => k !== i) })} className="flex size-6 items-center justify-center text-ink-2 hover:text-ink">
                <X className="size-3.5" />
              </button>
            </div>
          );
        })}
        <button type="button" onClick={() => edit({ traits: [...shown.traits, { about: "trait", text: "", short: "" }] })} className="mt-1 inline-flex min-h-6 items-center gap-1 text-ink-2 hover:text-ink">
          <Plus className="size-3.5" /> add a trait
        </button>
      </section>
      <Outfits film={film} person={shown} onEdit={(outfits) => edit({ outfits })} />
      {draft && (
        <section aria-label="Before you decide" className="rounded-[5px] border border-rule-strong bg-page p-3">
          <div className="flex justify-between">
            <h3 className="font-semibold">Changing {person.name}</h3>
            <span className="text-ink-2">before you decide</span>
          </div>
          <p className="my-1 text-ink-2">
            {impact
              ? `${impact.prompts} ${impact.prompts === 1 ? "prompt changes" : "prompts change"}. ${impact.stale} circled ${impact.stale === 1 ? "picture becomes" : "pictures become"} stale. Making them again costs ${money(impact.cost)} and about ${inWords(impact.seconds)}.`
              : "Looking at what it would change …"}
          </p>
          <div className="flex flex-wrap gap-2">
            <Button kind="ink" disabled={!impact?.prompts} onClick={() => save(() => start.mutate({ kind: "pictures" }))}>
              Change and make again
            </Button>
            <Button onClick={() => save()}>Change only</Button>
            <Button kind="quiet" onClick={() => setDraft(null)}>
              Leave it
            </Button>
          </div>
        </section>
      )}
      <section aria-label="Voice">
        <div className="mb-1.5 flex justify-between border-b border-rule-strong pb-1">
          <h3 className="font-semibold">Voice</h3>
          <span className="text-ink-2">one for the whole film</span>
        </div>
        <div className="flex items-center gap-2">
          <Choice
            label="Voice"
            value={person.voice ?? "auto"}
            options={[["auto", byRule ? `by rule: ${byRule}` : "by rule"] as const, ...voices.map((v) => [v.name, v.title] as const)]}
            onChange={(v) => now({ voice: v === "auto" ? null : v })}
          />
          <Button disabled={!line} onClick={() => line && hearLine(line)}>
            <Volume2 className="size-4" /> Hear a line
          </Button>
        </div>
        {!line && <p className="mt-1 text-[12px] text-ink-2">No line of {person.name} is spoken yet.</p>}
      </section>
      <section>
        <Button kind="quiet" className="-ml-3" onClick={() => change.mutate({ type: "remove person", id: person.id })}>
          Remove from the cast
        </Button>
      </section>
    </div>
  );
}
