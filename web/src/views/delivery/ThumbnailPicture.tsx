/** A picture of its own for the thumbnail: what is asked for, whose picture it follows, how many. */
import { useDeferredValue, useState } from "react";

import type { Film } from "../../api/client";
import { useEstimate, useRuns, useStart } from "../../api/film";
import { type ThumbnailShape, useThumbnailPrompt } from "../../api/publishing";
import { Button } from "../../parts/Button";
import { Area } from "../../parts/Field";
import { Slide } from "../../parts/Slide";
import { Steps } from "../../parts/Steps";
import { money } from "../../parts/time";

interface Props {
  film: Film;
  shot: number;
  shape: ThumbnailShape;
}

const closely = (strength: number) => (strength ? `${strength} %` : "not");
const MOST = 4;

export function ThumbnailPicture({ film, shot, shape }: Props) {
  const proposed = useThumbnailPrompt(film, shot, shape).data;
  const start = useStart(film.id);
  const [own, setOwn] = useState<string | null>(null);
  const [strength, setStrength] = useState(50);
  const [takes, setTakes] = useState(2);
  const prompt = useDeferredValue(own?.trim() ? own : "");
  const wish = { kind: "thumbnail", shot, shape, strength, takes, prompt } as const;
  const far = !!proposed && (own ?? "").trim().length > proposed.cap;
  const estimate = useEstimate(film.id, wish, film.revision, !!proposed && !far).data;
  const going = (useRuns(film.id).data ?? []).some(
    (r) => r.kind === "thumbnail" && r.state === "going",
  );
  const edge = film.shots.find((s) => s.id === shot)?.edge;
  if (!proposed || !edge) return null;
  return (
    <section aria-label="A picture of its own" className="mt-5 border-t border-rule pt-3">
      <div className="mb-1.5 flex items-baseline gap-3">
        <h3 className="font-semibold">A picture of its own</h3>
        <span className="text-ink-2">
          {own === null ? (
            <>
              what shot <span className="font-mono">{edge}</span> shows, seen near
            </>
          ) : (
            <button
              type="button"
              className="underline underline-offset-2"
              onClick={() => setOwn(null)}
            >
              as shot <span className="font-mono">{edge}</span> proposes
            </button>
          )}
        </span>
        <span className={`ml-auto font-mono text-[12px] ${far ? "text-grease-ink" : "text-ink-2"}`}>
          {(own ?? proposed.prompt).length} of {proposed.cap}
        </span>
      </div>
      <Area
        aria-label="Prompt of the thumbnail's picture"
        rows={3}
        value={own ?? proposed.prompt}
        onChange={(e) => setOwn(e.target.value)}
      />
      <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
        {proposed.follows && (
          <span className="flex items-center gap-2">
            <span className="text-ink-2">follows the shot&rsquo;s picture</span>
            <Slide
              name="How closely it follows the shot's picture"
              value={strength}
              least={0}
              most={100}
              step={5}
              says={closely}
              onPut={setStrength}
            />
          </span>
        )}
        <Steps
          name="How many pictures"
          value={takes}
          step={1}
          least={1}
          most={MOST}
          says={(n) => `${n} ${n === 1 ? "picture" : "pictures"}`}
          onPut={setTakes}
        />
        <Button
          className="ml-auto"
          disabled={going || far || start.isPending}
          onClick={() => start.mutate({ ...wish, prompt: own ?? "" })}
        >
          {going ? "drawing …" : "Make"}
          {!going && (
            <span className="font-mono font-normal opacity-75">{money(estimate?.cost ?? 0)}</span>
          )}
        </Button>
      </div>
    </section>
  );
}
