/** Names of the film, which are in no dictionary, and how each sounds; words that sound otherwise than they are written;
 * figures and short forms, and how each is read. */
import { useState } from "react";

import type { Film } from "../../../api/client";
import { useTakeLexicon } from "../../../api/recordings";
import { Bring } from "../../../parts/Bring";
import { Heading } from "../../continuity/Heading";
import { Figures } from "./Figures";
import { SoundsLike } from "./SoundsLike";
import { namesOf } from "./voices";

export function Names({ film }: { film: Film }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const said = new Map(film.lexicon.map((s) => [s.word.toLowerCase(), s.sounds]));
  const names = namesOf(film);
  const take = useTakeLexicon(film.id);
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
      <p className="flex items-center gap-2">
        <Bring
          quiet
          label="Bring a lexicon"
          title="Bring a lexicon"
          accept=".pls,.xml,application/pls+xml"
          says="PLS 1.0, the W3C's pronunciation lexicon"
          busy={take.isPending}
          onFiles={([file]) => file && take.mutate(file)}
        />
        <a className="underline" href={`/api/films/${film.id}/ssml`} download>
          Take the script as SSML
        </a>
        {film.lexicon.length > 0 && (
          <a className="underline" href={`/api/films/${film.id}/lexicon`} download>
            Take it away
          </a>
        )}
        {take.data && (
          <span role="status" className="text-[12.5px] text-ink-2">
            {take.data.taken} taken
            {take.data.left.length > 0 && `; left out: ${take.data.left.join(", ")}`}
          </span>
        )}
      </p>
      {chosen && (
        <SoundsLike
          key={chosen}
          film={film}
          word={{ text: chosen, sounds: said.get(chosen.toLowerCase()) ?? "" }}
          onDone={() => setChosen(null)}
        />
      )}
      <Figures film={film} />
    </section>
  );
}
