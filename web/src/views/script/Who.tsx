/** Who: whom the word under the cursor means and why, and what the reading was not sure of, each with a one-key answer. */
import { useEffect, useMemo, useRef, useState } from "react";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import { type Mention, useMeant } from "../../api/meant";
import { digitOf, keysOf } from "../../keys/useKeys";
import { useStore } from "../../state/store";
import { Another } from "./Another";
import { cursor } from "./cursor";
import { markedFor, marked, mentionAt, noMarks } from "./meant";
import { Passage, namesOf, wordsOf } from "./passages";

const SHOWN = 12;

export function Who({ film, onWord }: { film: Film; onWord: (word: number) => void }) {
  const found = useMeant(film);
  const at = useStore(cursor);
  const mentions = useMemo(() => found.data?.mentions ?? [], [found.data]);
  useEffect(() => {
    marked.set(markedFor(mentions, at));
  }, [mentions, at]);
  useEffect(() => noMarks, []);
  const asked = mentions.filter((m) => m.asked && !m.by_hand);
  const here = mentionAt(mentions, at);
  if (found.data && !found.data.english)
    return (
      <p className="text-ink-2">
        Only English is read word by word. Of this story the simpler rules tell who is in a shot:
        names, roles, and “she” or “he” where it can only be one.
      </p>
    );
  return (
    <div className="flex flex-col gap-4">
      <section aria-label="The word at the cursor">
        <h2 className="mb-1 font-semibold">Whom it means</h2>
        {here ? (
          <OneWord key={here.word} film={film} mention={here} />
        ) : (
          <p className="text-ink-2">
            Click a name, a pronoun or “the old woman”: everybody who is meant is marked the same,
            and who it is stands here.
          </p>
        )}
      </section>
      <section aria-label="Questions" className="border-t border-rule-strong pt-3">
        <h2 className="mb-1 font-semibold">
          {asked.length
            ? `Not sure of ${asked.length === 1 ? "one word" : `${asked.length} words`}`
            : found.data?.read === false
              ? "Still reading …"
              : "Nothing is unsure"}
        </h2>
        {asked.length > 0 && (
          <ul className="flex flex-col gap-3">
            {asked.slice(0, SHOWN).map((m) => (
              <li key={m.word}>
                <button
                  type="button"
                  onClick={() => onWord(m.end - 1)}
                  title="Show it in the script"
                  className="block w-full text-left font-serif text-[14px] leading-[1.4] hover:bg-shade"
                >
                  <Passage film={film} mention={m} />
                </button>
                <Answers film={film} mention={m} />
              </li>
            ))}
          </ul>
        )}
        {asked.length > SHOWN && (
          <p className="mt-2 text-ink-2">and {asked.length - SHOWN} more, in their order.</p>
        )}
      </section>
      <Another film={film} onWord={onWord} />
    </div>
  );
}

function OneWord({ film, mention }: { film: Film; mention: Mention }) {
  const change = useChange(film.id);
  return (
    <>
      <p>
        “{wordsOf(film, mention.first, mention.end)}” is{" "}
        <b className="font-semibold">{namesOf(film, mention.people)}</b>
        {mention.by_hand ? (
          <button
            type="button"
            className="ml-2 min-h-6 text-[11px] text-ink-2 underline decoration-dotted"
            title="Leave it to the reading again"
            aria-label="Lift who is meant"
            onClick={() => change.mutate({ type: "set meant", word: mention.word, people: null })}
          >
            by hand
          </button>
        ) : (
          <span className="text-ink-2">
            , {mention.sure >= 0.9 ? "sure" : mention.sure >= 0.6 ? "likely" : "a guess"}
          </span>
        )}
      </p>
      <p className="mb-1.5 text-[12px] text-ink-2">
        {mention.why}
        {mention.seen ? "" : "; not there to be seen"}
      </p>
      <Answers film={film} mention={mention} />
    </>
  );
}

/** The cast to choose from, most likely first; a digit chooses. */
function Answers({ film, mention }: { film: Film; mention: Mention }) {
  const change = useChange(film.id);
  const list = useRef<HTMLDivElement>(null);
  const [all, setAll] = useState(false);
  const likely = useMemo(() => order(film, mention), [film, mention]);
  const shown = all ? likely : likely.slice(0, 5);
  const say = (people: number[]) =>
    change.mutate({ type: "set meant", word: mention.word, people });
  const onKey = keysOf("who", {
    answer: (e) => {
      const person = shown[digitOf(e) - 1];
      if (!person) return false;
      say([person.id]);
    },
    nobody: () => say([]),
  });
  return (
    <div
      ref={list}
      role="group"
      aria-label={`Who is “${wordsOf(film, mention.first, mention.end)}”?`}
      className="mt-1 flex flex-wrap gap-1"
      onKeyDown={onKey}
    >
      {shown.map((person, i) => (
        <button
          key={person.id}
          type="button"
          aria-pressed={mention.people.includes(person.id)}
          onClick={() => say([person.id])}
          className={`min-h-6 rounded-[4px] border px-1.5 ${mention.people.includes(person.id) ? "border-ochre font-medium" : "border-rule-strong bg-page text-ink-2 hover:bg-shade"}`}
        >
          <span className="mr-1 font-mono text-[10.5px] text-ink-2">{i + 1}</span>
          {person.name}
        </button>
      ))}
      {!all && likely.length > shown.length && (
        <button
          type="button"
          onClick={() => setAll(true)}
          className="min-h-6 px-1 text-ink-2 underline decoration-dotted"
        >
          somebody else
        </button>
      )}
      <button
        type="button"
        onClick={() => say([])}
        className="min-h-6 rounded-[4px] border border-rule-strong bg-page px-1.5 text-ink-2 hover:bg-shade"
      >
        <span className="mr-1 font-mono text-[10.5px]">0</span>
        nobody
      </button>
    </div>
  );
}

/** The cast, those who are meant first, then those whom the pronoun fits. */
function order(film: Film, mention: Mention) {
  const word = wordsOf(film, mention.first, mention.end).toLowerCase();
  const fits = /^(she|her|hers|herself)$/.test(word)
    ? "she"
    : /^(he|him|his|himself)$/.test(word)
      ? "he"
      : null;
  const rank = (p: Film["cast"][number]) =>
    (mention.people.includes(p.id) ? 0 : 2) + (fits && p.pronoun && p.pronoun !== fits ? 1 : 0);
  return [...film.cast].sort((a, b) => rank(a) - rank(b));
}
