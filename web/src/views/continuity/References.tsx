/** References of a person, a place or a look: candidates to circle, pictures of one's own, and how closely to follow. */
import { X } from "lucide-react";
import type { Film, Person, Place, Reference } from "../../api/client";
import { useBringReferences, useCandidates } from "../../api/continuity";
import { useRuns, useStart } from "../../api/film";
import { Bring } from "../../parts/Bring";
import { Button } from "../../parts/Button";
import { Ring } from "../../parts/marks";
import { Heading } from "./Heading";

interface Props {
  film: Film;
  kind: "person" | "place";
  whose: Person | Place;
  onSet: (references: Reference[]) => void;
}

export function References({ film, kind, whose, onSet }: Props) {
  const runs = useRuns(film.id).data;
  const made = useCandidates(film.id, kind, whose.id, film.revision, runs).data;
  const start = useStart(film.id);
  const bring = useBringReferences(film.id);
  const making = runs?.some((r) => r.state === "going" && r.kind === "references") ?? false;
  const circled = whose.references[0];
  const candidates = (made?.made ?? []).map((c) => c.reference);
  const own = whose.references.filter((r) => !candidates.some((c) => c.media === r.media));
  const shown = [...candidates, ...own];
  const circle = (r: Reference) =>
    onSet(
      r.media === circled?.media
        ? whose.references.slice(1)
        : [{ ...r, strength: circled?.strength ?? 50 }, ...own.filter((o) => o.media !== r.media)],
    );
  return (
    <section aria-label="References">
      <Heading
        title="Reference"
        beside={
          circled
            ? circled.look && circled.look !== film.settings.look
              ? "in another look: not sent"
              : `followed at ${circled.strength} of 100`
            : kind === "person"
              ? "a model sheet to follow"
              : "a view to follow"
        }
      />
      {shown.length > 0 && (
        <div className="grid grid-cols-2 gap-2.5 py-1">
          {shown.map((r, i) => (
            <button
              key={r.media}
              type="button"
              aria-pressed={r.media === circled?.media}
              aria-label={`Circle reference ${i + 1}${r.title ? `, ${r.title}` : ""}`}
              onClick={() => circle(r)}
              className={`relative block overflow-hidden rounded-[3px] ${r.media === circled?.media ? "outline outline-2 outline-offset-1 outline-ink" : ""}`}
            >
              <img src={`/media/${r.thumb}`} alt="" className="aspect-video w-full object-cover" />
              <span className="absolute bottom-0 left-0 flex rounded-tr-[5px] bg-page">
                <Ring number={i + 1} on={r.media === circled?.media} />
              </span>
            </button>
          ))}
        </div>
      )}
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <Button
          disabled={making}
          onClick={() => start.mutate({ kind: "references", [kind]: whose.id, takes: 1 })}
        >
          {making
            ? "drawing …"
            : shown.length
              ? "Make another"
              : kind === "person"
                ? "Make a model sheet"
                : "Make a view"}
        </Button>
        <Bring
          quiet
          many
          label={`Reference pictures of ${whose.name}`}
          title="Bring"
          busy={bring.isPending}
          onFiles={(files) =>
            bring.mutate(files, { onSuccess: (fresh) => onSet([...fresh, ...whose.references]) })
          }
        />
        {circled && (
          <>
            <Strength
              value={circled.strength}
              onSet={(strength) => onSet([{ ...circled, strength }, ...whose.references.slice(1)])}
            />
            <button
              type="button"
              aria-label="Follow no reference"
              title="Follow none"
              onClick={() => onSet(whose.references.slice(1))}
              className="flex size-6 items-center justify-center text-ink-2 hover:text-ink"
            >
              <X className="size-3.5" />
            </button>
          </>
        )}
      </div>
      {made && !made.fits && (
        <p className="mt-1 text-[12px] text-grease-ink">
          Its traits do not fit into this offer's prompt: the sheet leaves some out.
        </p>
      )}
    </section>
  );
}

/** How closely to follow, 0 to 100; what is set counts when the handle is let go. */
export function Strength({ value, onSet }: { value: number; onSet: (value: number) => void }) {
  return (
    <label className="ml-auto flex items-center gap-2 text-ink-2">
      strength
      <input
        type="range"
        min={0}
        max={100}
        step={5}
        defaultValue={value}
        key={value}
        aria-label="Strength"
        onPointerUp={(e) => onSet(Number(e.currentTarget.value))}
        onKeyUp={(e) => e.key.startsWith("Arrow") && onSet(Number(e.currentTarget.value))}
        className="w-[110px] accent-[var(--ink)]"
      />
    </label>
  );
}
