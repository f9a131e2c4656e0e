/** Names of the film, which are in no dictionary, and how each sounds; words that sound otherwise than they are written. */
import { useState } from "react";

import type { Film } from "../../../api/client";
import { Heading } from "../../continuity/Heading";
import { SoundsLike } from "./SoundsLike";
import { namesOf } from "./voices";

export function Names({ film }: { film: Film }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const said = new Map(film.lexicon.map((s) => [s.word.toLowerCase(), s.sounds]));
  const names = namesOf(film);
  if (!names.length) return null;
  return (
    <section aria-label="Names" className="mt-4">
      <Heading title="Names and how they sound" beside="click one to change it" />
      <p className="flex flex-wrap gap-x-3 gap-y-1 py-1">
        {names.map((name) => (
          <button
            key={name}
            type="button"
            aria-pressed={name === chosen}
            className={`rounded-[3px] px-1 font-serif text-[15px] hover:bg-shade ${name === chosen ? "bg-shade" : ""}`}
            onClick={() => setChosen(name === chosen ? null : name)}
          >
            {name}
            {said.has(name.toLowerCase()) && (
              <span className="ml-1 text-[12.5px] text-ink-2">{said.get(name.toLowerCase())}</span>
            )}
          </button>
        ))}
      </p>
      {chosen && (
        <SoundsLike
          key={chosen}
          film={film}
          word={{ text: chosen, sounds: said.get(chosen.toLowerCase()) ?? "" }}
          onDone={() => setChosen(null)}
        />
      )}
    </section>
  );
}
