/** The film in other languages: its cuts by language beside each other, and the desk of one that is translated. */
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import type { Film, Schemas } from "../../api/client";
import { useKeepInLanguage, useLanguages } from "../../api/languages";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { languageNamed } from "../../parts/languages";
import { inWords } from "../../parts/time";
import { Translated } from "./Translated";

type Language = Schemas["LanguageView"];

export function Languages({ film }: { film: Film }) {
  const found = useLanguages(film).data;
  if (!found) return null;
  const here = found.languages.find((l) => l.film === film.id);
  const original = found.languages.find((l) => l.original);
  return (
    <div className="flex h-full flex-col overflow-hidden">
      <section aria-label="Languages" className="shrink-0 px-6 pb-3 pt-5">
        <table className="w-full max-w-[900px] text-left">
          <thead className="text-[12px] text-ink-2">
            <tr>
              <th className="py-1 font-normal">Cut</th>
              <th className="font-normal">Language</th>
              <th className="font-normal">Said</th>
              <th className="font-normal">On the screen</th>
              <th className="text-right font-normal">Length</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {found.languages.map((l) => (
              <Row key={l.film} language={l} here={film.id} original={original} />
            ))}
          </tbody>
        </table>
        {here?.original && (
          <Keep
            film={film}
            spoken={found.spoken.filter((tag) => !found.languages.some((l) => l.language === tag))}
            offered={found.offered ?? null}
          />
        )}
      </section>
      {here && !here.original ? (
        <Translated key={film.id} film={film} offered={found.offered ?? null} />
      ) : (
        <p className="max-w-[68ch] px-6 text-ink-2">
          A cut in another language keeps shots and pictures, and makes none anew; music is made to
          its length. What is said there is translated passage by passage, by hand, by a translator
          with a table, or by a service; voices of that language speak it, and shots take the time
          it needs.
        </p>
      )}
    </div>
  );
}

function Row({
  language: l,
  here,
  original,
}: {
  language: Language;
  here: string;
  original: Language | undefined;
}) {
  const more = original && !l.original ? l.seconds / original.seconds - 1 : 0;
  return (
    <tr className={`border-t border-rule ${l.film === here ? "font-semibold" : ""}`}>
      <td className="py-1.5 pr-4">{l.name}</td>
      <td className="pr-4">{languageNamed(l.language)}</td>
      <td className="pr-4">
        {l.original ? (
          "as it is written"
        ) : (
          <>
            {l.translated} of {l.passages} passages
            {l.stale > 0 && <span className="text-grease-ink">, {l.stale} of other words</span>}
          </>
        )}
      </td>
      <td className="pr-4">{l.original ? "" : l.shown ? `${l.shown} as written` : "all"}</td>
      <td className="text-right">
        {inWords(l.seconds)}
        {Math.abs(more) >= 0.01 && (
          <span className="ml-2 font-mono text-[12px] font-normal text-ink-2">
            {more > 0 ? "+" : "−"}
            {Math.round(Math.abs(more) * 100)} %
          </span>
        )}
      </td>
      <td className="pl-6 font-normal">
        {l.film === here ? (
          <span className="text-ink-2">open</span>
        ) : (
          <Link
            to={`/film/${l.film}/delivery?part=languages`}
            className="underline decoration-rule-strong underline-offset-2 hover:text-ink"
          >
            open it
          </Link>
        )}
      </td>
    </tr>
  );
}

/** Another language: which, and what its cut is called. */
function Keep({
  film,
  spoken,
  offered,
}: {
  film: Film;
  spoken: string[];
  offered: string[] | null;
}) {
  const keep = useKeepInLanguage(film.id);
  const navigate = useNavigate();
  const may = spoken
    .filter((tag) => tag !== film.language)
    .map((tag) => [tag, languageNamed(tag)] as const)
    .sort((a, b) => a[1].localeCompare(b[1]));
  const first = offered?.find((tag) => may.some(([t]) => t === tag)) ?? may[0]?.[0] ?? "";
  const [chosen, setChosen] = useState<string | null>(null);
  const [name, setName] = useState("");
  const language = chosen ?? first;
  if (!may.length)
    return (
      <p className="mt-3 text-ink-2">
        No voice speaks another language. Plug in a service that has some.
      </p>
    );
  return (
    <form
      aria-label="Keep it in another language"
      className="mt-4 flex flex-wrap items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(
          { language, name: name.trim() || languageNamed(language) },
          { onSuccess: (cut) => void navigate(`/film/${cut.film}/delivery?part=languages`) },
        );
      }}
    >
      <span>Keep it in</span>
      <Choice label="The other language" value={language} options={may} onChange={setChosen} />
      <span>as the cut</span>
      <Field
        className="!w-[180px]"
        aria-label="What its cut is called"
        value={name}
        maxLength={60}
        placeholder={languageNamed(language)}
        onChange={(e) => setName(e.target.value)}
      />
      <Button type="submit" disabled={keep.isPending}>
        {keep.isPending ? "keeping …" : "Keep"}
      </Button>
      <span className="text-[12.5px] text-ink-2">
        {offered === null
          ? "No service translates: a table goes out and comes back."
          : offered.includes(language.split("-")[0]!)
            ? "A service translates into it."
            : "No service translates into it: a table goes out and comes back."}
      </span>
    </form>
  );
}
