/** What a sound is asked by, and its makings beside each other: heard, one of them circled. */
import { Play, Square } from "lucide-react";
import { useState } from "react";

import type { Cue } from "../../api/client";
import { Button } from "../../parts/Button";
import { useHearing } from "../../parts/hearing";
import type { Shape } from "./cues";

const MOST = 4;

interface Props {
  cue: Cue;
  now: Shape;
  onPut: (values: Partial<Shape>) => void;
}

export function Makings({ cue, now, onPut }: Props) {
  const hearing = useHearing();
  const makings: [number, string | null][] = Object.entries(cue.makings).map(([n, media]) => [
    Number(n),
    media ?? null,
  ]);
  const shown = makings.length ? makings : ([[now.seed, cue.media ?? null]] as const);
  const next = Math.max(-1, ...shown.map(([n]) => n)) + 1;
  return (
    <>
      <p className="flex items-center gap-2">
        <b className="min-w-0 flex-1">
          <Prompt cue={cue} now={now} onPut={onPut} />
        </b>
        {!now.own && shown.length < MOST && (
          <Button
            title="another making of it, beside this one"
            onClick={() => onPut({ takes: Math.min(MOST, shown.length + 1), seed: next })}
          >
            Another
          </Button>
        )}
      </p>
      <p className="text-[12.5px] text-ink-2">
        {cue.kind === "music" || cue.why === "placed by hand" ? cue.why : `from ${cue.why}`}
      </p>
      <ul aria-label="Makings" className="my-1.5 flex gap-1.5">
        {shown.map(([number, media], i) => (
          <li key={number} className="flex items-center">
            <button
              type="button"
              disabled={!media}
              aria-label={
                shown.length > 1 ? `Hear making ${i + 1} of ${cue.prompt}` : `Hear ${cue.prompt}`
              }
              title={media ? "hear it alone" : "not made yet"}
              className="rounded-[3px] p-1 hover:bg-shade disabled:text-ink-3"
              onClick={() =>
                media && (hearing.playing === media ? hearing.stop() : hearing.hear(media, 0))
              }
            >
              {media && hearing.playing === media ? (
                <Square className="size-4" />
              ) : (
                <Play className="size-4" />
              )}
            </button>
            {shown.length > 1 && (
              <button
                type="button"
                aria-pressed={now.seed === number}
                aria-label={`Circle making ${i + 1}`}
                className={`grid size-6 place-items-center rounded-full border-2 font-mono text-[12px] ${
                  now.seed === number
                    ? "border-grease text-ink"
                    : "border-transparent text-ink-2 hover:bg-shade"
                }`}
                onClick={() => onPut({ seed: number })}
              >
                {i + 1}
              </button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

/** The prompt of a sound, changed where it stands. */
function Prompt({ cue, now, onPut }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  if (cue.kind === "music" || now.own) return cue.prompt;
  const save = () => {
    const said = typed?.trim();
    if (said !== undefined && said !== cue.prompt) onPut({ prompt: said || null });
    setTyped(null);
  };
  return (
    <input
      aria-label="What is heard"
      value={typed ?? cue.prompt}
      maxLength={200}
      className="-mx-1 w-full rounded-[3px] border border-transparent bg-transparent px-1 font-semibold hover:border-rule-strong focus:bg-field"
      onChange={(e) => setTyped(e.target.value)}
      onBlur={save}
      onKeyDown={(e) => {
        if (e.key === "Enter") save();
        else if (e.key === "Escape") setTyped(null);
      }}
    />
  );
}
