/** Traits: what each is about, long and short wording, colour, and whether it may go where room is short. */
import { Plus, X } from "lucide-react";
import { useState } from "react";

import type { Trait } from "../../api/client";
import { useColour } from "../../api/continuity";
import { blankTrait } from "./blank";

const FIELD =
  "min-h-6 min-w-0 rounded-[3px] bg-transparent px-1 hover:bg-shade focus:bg-field placeholder:text-ink-2";

export function Traits({
  traits,
  onEdit,
  adding = "trait",
  guess = false,
  quoting = true,
}: {
  traits: Trait[];
  onEdit: (traits: Trait[]) => void;
  adding?: string;
  /** Whether what the text does not say was proposed by us, and not set. */
  guess?: boolean;
  /** Whether the words that a trait was read from stand under it. */
  quoting?: boolean;
}) {
  const [open, setOpen] = useState<number | null>(null);
  const put = (i: number, values: Partial<Trait>) =>
    onEdit(traits.map((t, k) => (k === i ? { ...t, ...values } : t)));
  return (
    <>
      {traits.map((t, i) => (
        <div key={i} className="border-b border-rule py-[3px]" onFocus={() => setOpen(i)}>
          <div className="grid grid-cols-[72px_minmax(0,1fr)_22px_56px_24px] items-center gap-1.5">
            <input
              aria-label={`What trait ${i + 1} is about`}
              value={t.about}
              onChange={(e) => put(i, { about: e.target.value })}
              className={`${FIELD} text-ink-2`}
            />
            <input
              aria-label={`Trait: ${t.about}`}
              value={t.text}
              onChange={(e) => put(i, { text: e.target.value, said: "" })}
              className={FIELD}
            />
            <Swatch trait={t} onSet={(colour) => put(i, { colour })} />
            <button
              type="button"
              aria-label={`${t.text || t.about}: ${t.weight === "must" ? "must hold" : "if room"}`}
              title={
                t.weight === "must"
                  ? "No prompt leaves it out. Click: may go where room is short"
                  : "May go where room is short. Click: must hold"
              }
              onClick={() => put(i, { weight: t.weight === "must" ? "if room" : "must" })}
              className={`min-h-6 rounded-[3px] text-right font-mono text-[12px] hover:bg-shade ${t.weight === "must" ? "" : "text-ink-2"}`}
            >
              {t.weight}
            </button>
            <button
              type="button"
              aria-label={`Remove trait ${t.about}`}
              onClick={() => onEdit(traits.filter((_, k) => k !== i))}
              className="flex size-6 items-center justify-center text-ink-2 hover:text-ink"
            >
              <X className="size-3.5" />
            </button>
          </div>
          {quoting && t.said && (
            <p className="ml-[78px] truncate px-1 text-[12px] text-ink-2" title={t.said}>
              read: <q className="font-serif italic">{t.said}</q>
            </p>
          )}
          {open === i && t.text.length > 12 && (
            <label className="grid grid-cols-[72px_minmax(0,1fr)] items-center gap-1.5">
              <span className="px-1 text-[12px] text-ink-2">short</span>
              <input
                aria-label={`Short wording of ${t.text}`}
                placeholder="the same, where room is short"
                value={t.short}
                onChange={(e) => put(i, { short: e.target.value })}
                className={`${FIELD} text-[12px]`}
              />
            </label>
          )}
        </div>
      ))}
      <button
        type="button"
        onClick={() => onEdit([...traits, blankTrait(adding)])}
        className="mt-1 inline-flex min-h-6 items-center gap-1 text-ink-2 hover:text-ink"
      >
        <Plus className="size-3.5" /> add a trait
      </button>
      {guess && traits.some((t) => t.text && !t.said) && (
        <p className="px-1 text-[12px] text-ink-2">
          Where no words of the text stand under a trait, it leaves that open: a guess.
        </p>
      )}
    </>
  );
}

/** The colour that a trait means: as its words say, or as set here. */
function Swatch({ trait, onSet }: { trait: Trait; onSet: (colour: string) => void }) {
  const named = useColour(trait.text).data ?? null;
  const colour = trait.colour ?? named;
  return (
    <label
      className={`relative flex size-[18px] cursor-pointer rounded-[3px] border focus-within:outline focus-within:outline-2 focus-within:outline-ink ${colour ? "border-rule-strong" : "border-dashed border-rule-strong"}`}
      style={{ background: colour ?? "transparent" }}
      title={
        trait.colour
          ? `${trait.colour}, as you set it`
          : named
            ? `${named}, as the words say; click to set the exact colour`
            : "no colour named; click to set one"
      }
    >
      <input
        type="color"
        aria-label={`Colour of ${trait.text || trait.about}`}
        value={colour ?? "#808080"}
        onChange={(e) => onSet(e.target.value)}
        className="absolute inset-0 size-full cursor-pointer opacity-0"
      />
    </label>
  );
}
