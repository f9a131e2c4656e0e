/** Proposals of who is who: two that may be one, things that may matter. Each with its reason; none is made by itself. */
import { useState } from "react";

import type { Film } from "../../api/client";
import { useWho } from "../../api/continuity";
import { useChange } from "../../api/film";
import { Button } from "../../parts/Button";
import { BeforeYouDecide } from "./BeforeYouDecide";
import { blankPerson } from "./blank";

export function WhoIsWho({ film, onChoose }: { film: Film; onChoose: (person: number) => void }) {
  const who = useWho(film.id, film.revision).data;
  const change = useChange(film.id);
  const [merging, setMerging] = useState<{ id: number; into: number } | null>(null);
  const name = (id: number) => film.cast.find((p) => p.id === id)?.name ?? "";
  if (!who || (!who.same.length && !who.things.length)) return null;
  return (
    <section aria-label="Who is who" className="mt-6">
      <h2 className="mb-1 font-semibold">Proposed from the manuscript</h2>
      <ul className="border-t border-rule">
        {who.same.map((s) => (
          <li
            key={`${s.person} ${s.other}`}
            className="flex items-center gap-3 border-b border-rule py-1.5"
          >
            <span className="min-w-0 grow">
              <b className="font-serif">{name(s.other)}</b> may be{" "}
              <b className="font-serif">{name(s.person)}</b>:{" "}
              <span className="text-ink-2">{s.why}</span>
            </span>
            <Button onClick={() => setMerging({ id: s.other, into: s.person })}>Merge</Button>
          </li>
        ))}
        {who.things.map((t) => (
          <li key={t.name} className="flex items-center gap-3 border-b border-rule py-1.5">
            <span className="min-w-0 grow">
              <b className="font-serif">{t.name}</b> may matter:{" "}
              <span className="text-ink-2">{t.why}</span>
            </span>
            <Button
              onClick={() =>
                change.mutate(
                  {
                    type: "set person",
                    person: {
                      ...blankPerson(t.name),
                      kind: "thing",
                      aliases: [t.name.replace(/^the /, "")],
                    },
                  },
                  { onSuccess: (fresh) => onChoose(Math.max(...fresh.cast.map((p) => p.id))) },
                )
              }
            >
              Keep it the same
            </Button>
          </li>
        ))}
      </ul>
      {merging && (
        <div className="mt-3 max-w-[520px]">
          <BeforeYouDecide
            film={film}
            title={`${name(merging.id)} and ${name(merging.into)} are one`}
            command={{ type: "merge people", ...merging }}
            only="Merge only"
            onDone={() => {
              onChoose(merging.into);
              setMerging(null);
            }}
            onLeave={() => setMerging(null)}
          />
        </div>
      )}
    </section>
  );
}
