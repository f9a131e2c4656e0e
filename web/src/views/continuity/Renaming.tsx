/** Renaming somebody: every place that would change, before it does. */
import { useState } from "react";

import type { Film, Person } from "../../api/client";
import { useChange } from "../../api/film";
import { useRenaming } from "../../api/script";
import { Button } from "../../parts/Button";
import { PlaceLine, toggled } from "../../parts/Places";

interface Props {
  film: Film;
  person: Person;
  name: string;
  onDone: () => void;
  /** Keeps the manuscript as it is: the old name goes on as another name for the same person. */
  onOnlyHere: () => void;
}

export function Renaming({ film, person, name, onDone, onOnlyHere }: Props) {
  const change = useChange(film.id);
  const places = useRenaming(film.id, person.id, name, film.revision).data ?? [];
  const [left, setLeft] = useState<Set<number>>(new Set());
  const taken = places.filter((p) => !left.has(p.start));
  return (
    <section
      aria-label="Rename everywhere"
      className="rounded-[5px] border border-rule-strong bg-page p-3"
    >
      <h3 className="font-semibold">
        {person.name} becomes {name}
      </h3>
      <p className="my-1 text-ink-2" role="status">
        {places.length
          ? `In ${places.length} ${places.length === 1 ? "place" : "places"} of the manuscript. Click one to leave it.`
          : "The manuscript does not say this name."}
      </p>
      {places.length > 0 && (
        <ul
          aria-label="Places"
          className="mb-2 max-h-[220px] overflow-y-auto border-y border-rule text-[12.5px]"
        >
          {places.map((p) => (
            <PlaceLine
              key={p.start}
              place={p}
              taken={!left.has(p.start)}
              replacing
              onToggle={() => setLeft(toggled(left, p.start))}
            />
          ))}
        </ul>
      )}
      <div className="flex flex-wrap gap-2">
        <Button
          kind="ink"
          onClick={() => {
            change.mutate({ type: "rename person", id: person.id, name, leave: [...left] });
            onDone();
          }}
        >
          {taken.length
            ? `Rename in ${taken.length} ${taken.length === 1 ? "place" : "places"}`
            : "Rename"}
        </Button>
        <Button
          onClick={() => {
            onOnlyHere();
            onDone();
          }}
        >
          Only in the cast
        </Button>
        <Button kind="quiet" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </section>
  );
}
