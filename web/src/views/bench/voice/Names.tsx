/** Names of the film, which are in no dictionary, and how each sounds; words that sound otherwise than they are written;
 * figures and short forms, and how each is read. */
import { Play } from "lucide-react";
import { useState } from "react";

import type { Film } from "../../../api/client";
import { useCompany } from "../../../api/continuity";
import { useChange } from "../../../api/film";
import { type SsmlTaken, useTakeLexicon, useTakeSsml } from "../../../api/recordings";
import { useNames } from "../../../api/voices";
import { Bring } from "../../../parts/Bring";
import { Heading } from "../../continuity/Heading";
import { Button } from "../../../parts/Button";
import { CompanyWord } from "./Company";
import { Figures } from "./Figures";
import { SoundsLike } from "./SoundsLike";
import { useHearing } from "../../../parts/hearing";

const FEW = 24;

export function Names({ film }: { film: Film }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const said = new Set(film.lexicon.map((s) => s.word.toLowerCase()));
  const names = useNames(film).data ?? [];
  const { hear } = useHearing();
  const take = useTakeLexicon(film.id);
  const script = useTakeSsml(film.id);
  const change = useChange(film.id);
  const known = (useCompany({ kind: "word", words: "" }).data ?? []).flatMap(({ card }) =>
    card.word ? [card.word] : [],
  );
  // What the company says of this film's names, and the film does not yet.
  const offered = known.filter(
    (w) => !said.has(w.word.toLowerCase()) && names.some((n) => same(n.word, w.word)),
  );
  const name = names.find((n) => n.word === chosen);
  return (
    <section aria-label="Names" className="mt-4">
      <Heading title="Names and how they sound" beside="click one to change it" />
      <p className="flex flex-wrap gap-x-3 gap-y-1 py-1">
        {names.slice(0, all ? undefined : FEW).map((n) => (
          <button
            key={n.word}
            type="button"
            aria-pressed={n.word === chosen}
            title={n.unknown ? "in no dictionary: said by its letters" : undefined}
            className={`rounded-[3px] px-1 font-serif text-[15px] hover:bg-shade ${n.word === chosen ? "bg-shade" : ""} ${n.unknown && !n.sounds ? "underline decoration-grease decoration-wavy decoration-1 underline-offset-[3px]" : ""}`}
            onClick={() => setChosen(n.word === chosen ? null : n.word)}
          >
            {n.word}{" "}
            <span className="text-[12.5px] text-ink-2">
              {n.phonemes ? `/${n.phonemes}/` : n.sounds || n.said}
            </span>
          </button>
        ))}
        {names.length > FEW && (
          <button type="button" className="text-ink-2 underline" onClick={() => setAll(!all)}>
            {all ? "fewer" : `${names.length - FEW} more`}
          </button>
        )}
      </p>
      {offered.length > 0 && (
        <p className="flex flex-wrap items-center gap-2 pb-1">
          <span className="text-ink-2">
            the company says {offered.map((w) => `${w.word}: ${w.sounds}`).join(", ")}
          </span>
          <Button onClick={() => change.mutate({ type: "take lexicon", sayings: offered })}>
            Say {offered.length === 1 ? "it" : "them"} so here
          </Button>
        </p>
      )}
      <p className="flex flex-wrap items-center gap-2">
        <Bring
          quiet
          label="Bring a lexicon"
          title="Bring a lexicon"
          accept=".pls,.xml,application/pls+xml"
          says="PLS 1.0, the W3C's pronunciation lexicon"
          busy={take.isPending}
          onFiles={([file]) => file && take.mutate(file)}
        />
        {film.lexicon.length > 0 && (
          <a className="underline" href={`/api/films/${film.id}/lexicon`} download>
            Take the lexicon away
          </a>
        )}
        {take.data && (
          <span role="status" className="text-[12.5px] text-ink-2">
            {take.data.taken} taken
            {take.data.left.length > 0 && `; left out: ${take.data.left.join(", ")}`}
          </span>
        )}
      </p>
      <p className="flex flex-wrap items-center gap-2">
        <Bring
          quiet
          label="Bring the script as SSML"
          title="Bring the script as SSML"
          accept=".ssml,.xml,application/ssml+xml"
          says="SSML 1.1, the W3C's markup of speech: marks, readings and voices are taken from it"
          busy={script.isPending}
          onFiles={([file]) => file && script.mutate(file)}
        />
        <a className="underline" href={`/api/films/${film.id}/ssml`} download>
          Take it away as SSML
        </a>
        {script.data && (
          <span role="status" className="text-[12.5px] text-ink-2">
            {counted(script.data)}
            {script.data.unused.length > 0 && `; no use for ${script.data.unused.join(", ")}`}
          </span>
        )}
      </p>
      {name && (
        <>
          <SoundsLike
            key={name.word}
            film={film}
            word={{
              text: name.word,
              sounds: name.phonemes ? `/${name.phonemes}/` : name.sounds,
              said: name.sounds ? "" : name.said,
            }}
            onDone={() => setChosen(null)}
          />
          <p className="flex items-center gap-2 pt-1 text-[12.5px] text-ink-2">
            {name.heard && (
              <Button onClick={() => hear(name.heard!.media, name.heard!.start, name.heard!.end)}>
                <Play className="size-4" /> Hear it
              </Button>
            )}
            <span>or in IPA between slashes: /ˈsɔːltmɪə/</span>
            {name.sounds && <CompanyWord film={film} word={name.word} />}
          </p>
        </>
      )}
      <Figures film={film} />
    </section>
  );
}

const same = (one: string, other: string) => one.toLowerCase() === other.toLowerCase();

/** What came of an SSML file: "412 words found, 3 marked, 1 read otherwise, 2 voices". */
function counted({ found, marked, read, voices }: SsmlTaken): string {
  const told = [`${found} words found`, `${marked} marked`, `${read} read otherwise`];
  return [...told, ...(voices ? [`${voices} with another voice`] : [])].join(", ");
}
