/** The four prompts of a shot, one at a time: each piece with its origin, copied by a key, written over by hand. */
import { Copy } from "lucide-react";
import { useState } from "react";

import type { Film, Shot } from "../api/client";
import { useOffers } from "../api/film";
import { copyPrompt, usePrompts } from "../api/prompts";

const ORIGIN: Record<string, [string, string]> = {
  cast: ["cast", "var(--ochre)"],
  place: ["place", "var(--moss)"],
  scene: ["scene", "var(--plum)"],
  look: ["look", "var(--slate)"],
  mood: ["mood", "var(--plum)"],
  voice: ["voice", "var(--teal)"],
  move: ["move", "var(--slate)"],
  action: ["words", "transparent"],
  framing: ["framing", "transparent"],
  hand: ["by hand", "var(--ink-3)"],
};
const KINDS = ["picture", "motion", "direction", "sound"] as const;
type Kind = (typeof KINDS)[number];
const NAMES: Record<Kind, string> = {
  picture: "Picture",
  motion: "Motion",
  direction: "Direction",
  sound: "Sound",
};

interface Shown {
  text: string;
  pieces: { origin: string; words: string }[];
  left_out: string[];
  fits: boolean;
}

export function PromptBox({
  film,
  shot,
  onSet,
}: {
  film: Film;
  shot: Shot;
  onSet: (values: Record<string, unknown>) => void;
}) {
  const [kind, setKind] = useState<Kind>("picture");
  const [editing, setEditing] = useState(false);
  const others = usePrompts(film.id, shot.id, film.revision).data;
  const prompt: Shown =
    kind === "picture"
      ? { text: shot.prompt, pieces: shot.pieces, left_out: shot.left_out, fits: shot.fits }
      : (others?.[kind] ?? { text: "", pieces: [], left_out: [], fits: true });
  const field = kind === "picture" ? "prompt" : kind;
  const byHand = shot.own[field];
  const origins = [...new Set(prompt.pieces.map((p) => p.origin))].filter(
    (o) => ORIGIN[o]?.[1] !== "transparent",
  );
  const copy = () => void copyPrompt(film.id, shot, kind);
  return (
    <section className="px-4 py-2" aria-label={`${NAMES[kind]} prompt`}>
      <div className="mb-1 flex items-center justify-between">
        <div role="radiogroup" aria-label={`Prompts of shot ${shot.edge}`} className="flex gap-3">
          {KINDS.map((k) => (
            <button
              key={k}
              type="button"
              role="radio"
              aria-checked={k === kind}
              onClick={() => {
                setKind(k);
                setEditing(false);
              }}
              className={`min-h-6 ${k === kind ? "font-semibold" : "text-ink-2 hover:text-ink"}`}
            >
              {NAMES[k]}
            </button>
          ))}
        </div>
        <span className="flex items-center gap-2 font-mono text-[12px] text-ink-2">
          {kind === "picture" && (
            <span className={prompt.fits ? "" : "text-grease-ink"}>
              {prompt.text.length} of {shot.cap}
            </span>
          )}
          <button
            type="button"
            aria-label="Copy the prompt"
            title="Copy the prompt"
            onClick={copy}
            className="flex size-6 items-center justify-center hover:text-ink"
          >
            <Copy className="size-3.5" />
          </button>
        </span>
      </div>
      {editing ? (
        <textarea
          aria-label={`${NAMES[kind]} prompt`}
          autoFocus
          defaultValue={prompt.text}
          rows={kind === "picture" ? 5 : 3}
          className="w-full rounded-[4px] border border-rule-strong bg-field p-2 font-serif text-[13.5px] leading-snug"
          onKeyDown={(e) => {
            e.stopPropagation();
            if (e.key === "Escape") setEditing(false);
            if (e.key === "Enter" && (e.ctrlKey || e.metaKey)) e.currentTarget.blur();
          }}
          onBlur={(e) => {
            const text = e.target.value.trim();
            setEditing(false);
            if (text !== prompt.text) onSet({ [field]: text || null });
          }}
        />
      ) : (
        <p
          tabIndex={0}
          role="button"
          aria-label={`Edit the ${kind} prompt`}
          title="Edit the prompt for this shot"
          onClick={() => setEditing(true)}
          onKeyDown={(e) => e.key === "Enter" && setEditing(true)}
          className="min-h-5 cursor-text font-serif text-[13px] leading-[1.5]"
        >
          {prompt.pieces.map((p, i) => (
            <span key={i}>
              <span
                title={ORIGIN[p.origin]?.[0]}
                style={{
                  textDecoration: "underline",
                  textDecorationColor: ORIGIN[p.origin]?.[1],
                  textDecorationThickness: 2,
                  textUnderlineOffset: 3,
                }}
              >
                {p.words}
              </span>
              {". "}
            </span>
          ))}
          {prompt.pieces.length === 0 && (
            <i className="text-ink-2">{kind === "sound" ? "nothing is heard here" : ""}</i>
          )}
        </p>
      )}
      {kind === "picture" && <SentWith shot={shot} />}
      <div className="mt-1 flex flex-wrap items-center gap-x-3 text-[12px] text-ink-2">
        {origins.map((o) => (
          <span key={o} className="flex items-center gap-1">
            <i className="h-[2.5px] w-3.5" style={{ background: ORIGIN[o]![1] }} />
            {ORIGIN[o]![0]}
          </span>
        ))}
        {prompt.left_out.length > 0 && (
          <span className="ml-auto truncate">left out: {prompt.left_out.join(", ")}</span>
        )}
        {byHand && (
          <button
            type="button"
            className="ml-auto underline"
            onClick={() => onSet({ [field]: null })}
          >
            compose it again
          </button>
        )}
      </div>
    </section>
  );
}

/** What goes with a picture prompt, as far as whoever draws it understands it. */
function SentWith({ shot }: { shot: Shot }) {
  const offer = useOffers().data?.find((o) => o.name === shot.made_by.picture);
  if (!offer) return null;
  const knows = (what: (typeof offer.understands)[number]) => offer.understands.includes(what);
  const sent = [
    knows("seed") ? "seed" : "no seed",
    ...(knows("weights") ? ["weights"] : []),
    knows("references")
      ? shot.references
        ? `${shot.references} ${shot.references === 1 ? "reference" : "references"}`
        : "no reference"
      : "references are not understood",
  ];
  return (
    <p className="mt-1 truncate text-[12px] text-ink-2" title={shot.negative || undefined}>
      with {sent.join(", ")};{" "}
      {knows("negative") ? `avoiding ${shot.negative}` : "what to avoid is not understood"}
    </p>
  );
}
