/** Figures, dates, money and short forms of the film among their neighbours, and how each is read; one is read otherwise
 * by a click. */
import { useState } from "react";

import type { Film } from "../../../api/client";
import { useFigures } from "../../../api/voices";
import { Heading } from "../../continuity/Heading";
import { SoundsLike } from "./SoundsLike";

export function Figures({ film }: { film: Film }) {
  const figures = useFigures(film).data ?? [];
  const [chosen, setChosen] = useState<number | null>(null);
  if (figures.length === 0) return null;
  return (
    <section aria-label="Figures" className="mt-3">
      <Heading title="Figures and how they are read" beside="click one to change it" />
      <ul className="max-h-[220px] overflow-y-auto py-1">
        {figures.map((f) => (
          <li key={f.word}>
            <button
              type="button"
              aria-pressed={f.word === chosen}
              className={`flex w-full items-baseline gap-2 rounded-[3px] px-1 text-left hover:bg-shade ${f.word === chosen ? "bg-shade" : ""}`}
              onClick={() => setChosen(f.word === chosen ? null : f.word)}
            >
              <span className="shrink-0 font-serif text-[15px]">
                <span className="text-ink-2">{f.before} </span>
                {f.text}
                <span className="text-ink-2"> {f.after}</span>
              </span>
              <span className="min-w-0 truncate text-[12.5px] text-ink-2">{f.reads}</span>
            </button>
            {f.word === chosen && (
              <SoundsLike
                film={film}
                word={{
                  text: f.text,
                  sounds: "",
                  number: f.word,
                  readings: f.readings,
                  reads: f.reads,
                }}
                onDone={() => setChosen(null)}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
