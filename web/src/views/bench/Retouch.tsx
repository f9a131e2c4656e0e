/** Part of a take is marked and made anew: what should be there, or that it should go. */
import { useState } from "react";

import { useMask, useStart } from "../../api/film";
import { Field } from "../../parts/Field";
import { Candidates } from "./Candidates";
import { Marking } from "./Marking";
import type { DeskProps } from "./desk";
import { type Mask, pngOf, share } from "./mask";

export function Retouch({ film, shot, take, onDone }: DeskProps) {
  const [mask, setMask] = useState<Mask | null>(null);
  const [feather, setFeather] = useState(6);
  const [words, setWords] = useState("");
  const [count, setCount] = useState(2);
  const keep = useMask(film.id);
  const start = useStart(film.id);
  const wish = {
    kind: "retouch" as const,
    shots: [shot.id],
    take: take.id,
    words: words.trim(),
    takes: count,
    feather,
  };
  const make = async () => {
    const kept = await keep.mutateAsync({ take: take.id, png: await pngOf(mask!) });
    start.mutate({ ...wish, mask: kept.media }, { onSuccess: onDone });
  };
  return (
    <section aria-label={`Retouch take ${take.number}`}>
      <Marking film={film} take={take} mask={mask} onMask={setMask} />
      <div className="mt-2 grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3">
        <label className="block">
          <span className="text-ink-2">What should be there; nothing: it goes</span>
          <Field
            aria-label="What should be there"
            value={words}
            maxLength={200}
            placeholder="a heron, a red hat, a lantern …"
            onChange={(e) => setWords(e.target.value)}
          />
        </label>
        <label className="flex h-8 items-center gap-2 text-ink-2">
          soft edge
          <input
            type="range"
            min={0}
            max={60}
            value={feather}
            onChange={(e) => setFeather(Number(e.target.value))}
            aria-label="Soft edge in pixels"
            className="w-[90px] accent-[var(--ink)]"
          />
          <span className="w-6 font-mono text-[12px]">{feather}</span>
        </label>
      </div>
      <Candidates
        film={film}
        wish={wish}
        ready={mask !== null && share(mask) > 0}
        busy={keep.isPending}
        title={words.trim() ? `Make ${count}` : `Take it out, ${count}`}
        count={count}
        onCount={setCount}
        onMake={() => void make()}
        onDone={onDone}
      >
        Each is a take of its own; outside the mark every pixel stays as it is.
      </Candidates>
    </section>
  );
}
