/** What somebody wears in which scenes and shots; an outfit's traits stand in place of those about the same things. */
import { Plus, X } from "lucide-react";

import type { Film, Person } from "../../api/client";
import { Heading } from "./Heading";
import { Traits } from "./Traits";
import { blankTrait } from "./blank";

type Outfit = Person["outfits"][number];

interface Props {
  film: Film;
  person: Person;
  onEdit: (outfits: Outfit[]) => void;
}

export function Outfits({ film, person, onEdit }: Props) {
  const scenes = film.scenes.filter((s) => s.end > s.first);
  if (person.kind === "animal") return null;
  const put = (i: number, values: Partial<Outfit>) =>
    onEdit(person.outfits.map((o, k) => (k === i ? { ...o, ...values } : o)));
  /** A scene has one outfit: choosing it here takes it from the others. */
  const toggle = (i: number, word: number) => {
    const on = person.outfits[i]!.scenes.includes(word);
    onEdit(
      person.outfits.map((o, k) => ({
        ...o,
        scenes: k === i && !on ? [...o.scenes, word] : o.scenes.filter((n) => n !== word),
      })),
    );
  };
  return (
    <section aria-label="Outfits">
      <Heading title="Outfits and changes" beside="in place of those traits, where they hold" />
      {person.outfits.map((outfit, i) => (
        <div key={i} className="mb-2" role="group" aria-label={outfit.name}>
          <div className="flex flex-wrap items-center gap-1">
            <input
              aria-label={`Name of outfit ${i + 1}`}
              value={outfit.name}
              onChange={(e) => put(i, { name: e.target.value || "outfit" })}
              className="min-h-6 w-[150px] rounded-[3px] bg-transparent px-1 font-serif font-bold hover:bg-shade focus:bg-field"
            />
            <span className="ml-auto mr-1 text-[12px] text-ink-2">scenes</span>
            {scenes.map((s, n) => (
              <button
                key={s.word}
                type="button"
                aria-pressed={outfit.scenes.includes(s.word)}
                aria-label={`${outfit.name} in scene ${n + 1}`}
                title={s.title}
                onClick={() => toggle(i, s.word)}
                className={`size-6 rounded-[4px] border font-mono text-[12px] ${outfit.scenes.includes(s.word) ? "border-ink bg-ink text-on-ink" : "border-rule-strong text-ink-2 hover:bg-shade"}`}
              >
                {n + 1}
              </button>
            ))}
            <button
              type="button"
              aria-label={`Remove outfit ${outfit.name}`}
              onClick={() => onEdit(person.outfits.filter((_, k) => k !== i))}
              className="flex size-6 items-center justify-center text-ink-2 hover:text-ink"
            >
              <X className="size-3.5" />
            </button>
          </div>
          <label className="flex items-center gap-1.5 text-[12px] text-ink-2">
            and in shots
            <input
              aria-label={`Shots of ${outfit.name}`}
              placeholder="none by number"
              defaultValue={edgesOf(film, outfit.shots)}
              key={outfit.shots.join()}
              onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
              onBlur={(e) => {
                const shots = shotsIn(film, e.target.value);
                if (shots.join() !== outfit.shots.join()) put(i, { shots });
                else e.target.value = edgesOf(film, outfit.shots);
              }}
              className="min-h-6 min-w-0 grow rounded-[3px] bg-transparent px-1 font-mono hover:bg-shade focus:bg-field placeholder:font-sans placeholder:text-ink-2"
            />
          </label>
          {outfit.since != null && (
            <p className="flex items-baseline gap-1 text-[12px] text-ink-2">
              <span>
                from <q className="font-serif">{said(outfit)}</q> on
              </span>
              <button
                type="button"
                aria-label={`${outfit.name} does not hold from there on`}
                title="Lift: it holds in the scenes and shots above only"
                onClick={() => put(i, { since: null })}
                className="flex size-6 shrink-0 items-center justify-center self-center hover:text-ink"
              >
                <X className="size-3" />
              </button>
            </p>
          )}
          <Traits
            traits={outfit.traits}
            adding="clothes"
            quoting={outfit.since == null}
            onEdit={(traits) => put(i, { traits })}
          />
        </div>
      ))}
      <button
        type="button"
        onClick={() =>
          onEdit([
            ...person.outfits,
            {
              name: "outfit",
              traits: [blankTrait("clothes")],
              scenes: [],
              shots: [],
              since: null,
            },
          ])
        }
        className="mt-1 inline-flex min-h-6 items-center gap-1 text-ink-2 hover:text-ink"
      >
        <Plus className="size-3.5" /> add an outfit
      </button>
    </section>
  );
}

/** The words of the text from which an outfit holds. */
const said = (outfit: Outfit) => outfit.traits.find((t) => t.said)?.said ?? "a word of the text";

const edgesOf = (film: Film, shots: number[]) =>
  film.shots
    .filter((s) => shots.includes(s.id))
    .map((s) => s.edge)
    .join(", ");

/** Shots by their edge numbers: "7, 12-14". */
function shotsIn(film: Film, words: string): number[] {
  const at = (edge: string) =>
    film.shots.findIndex((s) => s.edge.toLowerCase() === edge.trim().toLowerCase());
  return words.split(",").flatMap((range) => {
    const [from, to] = range.split(/[-–]/).map(at);
    if (from === undefined || from < 0) return [];
    return film.shots
      .slice(from, to !== undefined && to >= from ? to + 1 : from + 1)
      .map((s) => s.id);
  });
}
