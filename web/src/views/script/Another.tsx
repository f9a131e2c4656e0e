/** The story as somebody else reads it: where they read otherwise, and what is taken of it. */
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { type Film, type Schemas, api, unwrap } from "../../api/client";
import { useChange, useOffers } from "../../api/film";
import { money } from "../../parts/time";
import { Passage, namesOf, wordsOf } from "./passages";

type Asked = Schemas["AskedReadingView"];
type Otherwise = Asked["otherwise"][number];

const SHOWN = 12;
/** So many differences are listed; the others come when these are settled. */

export function Another({ film, onWord }: { film: Film; onWord: (word: number) => void }) {
  const offer = useOffers().data?.find((o) => o.kind === "reading");
  const change = useChange(film.id);
  const [taken, setTaken] = useState(new Set<number>());
  const ask = useMutation({
    mutationFn: async () =>
      unwrap<Asked>(
        await api.POST("/api/films/{film}/reading", { params: { path: { film: film.id } } }),
      ),
  });
  if (!offer) return null;
  const price =
    offer.price.per === "character"
      ? Number(offer.price.amount) * film.text.length
      : Number(offer.price.amount);
  const left = ask.data?.otherwise.filter((d) => !taken.has(d.word)) ?? [];
  const take = (all: Otherwise[]) => {
    setTaken(new Set([...taken, ...all.map((d) => d.word)]));
    change.mutate({
      type: "take meant",
      meant: all.map((d) => ({ word: d.word, people: d.theirs })),
    });
  };
  return (
    <section aria-label="Read by another" className="border-t border-rule-strong pt-3">
      <h2 className="mb-1 font-semibold">Read by another</h2>
      <p className="text-ink-2">
        {ask.data
          ? left.length
            ? `${ask.data.title} reads ${left.length === 1 ? "one word" : `${left.length} words`} otherwise.`
            : ask.data.otherwise.length
              ? `${ask.data.title} reads nothing else otherwise.`
              : `${ask.data.title} reads it as we do.`
          : `${offer.title} can read it too; where it reads otherwise is listed here, and nothing changes by itself.`}
      </p>
      <div className="mt-1 flex gap-2">
        <button
          type="button"
          disabled={ask.isPending}
          onClick={() => {
            setTaken(new Set());
            ask.mutate();
          }}
          className="min-h-6 rounded-[4px] border border-rule-strong bg-page px-2 hover:bg-shade disabled:text-ink-2"
        >
          {ask.isPending ? "Reading …" : ask.data ? "Ask again" : `Ask it, about ${money(price)}`}
        </button>
        {left.length > 1 && (
          <button
            type="button"
            onClick={() => take(left)}
            className="min-h-6 px-1 text-ink-2 underline decoration-dotted"
          >
            take all {left.length}
          </button>
        )}
      </div>
      {left.length > 0 && (
        <ul className="mt-2 flex flex-col gap-2">
          {left.slice(0, SHOWN).map((d) => (
            <li key={d.word}>
              <button
                type="button"
                onClick={() => onWord(d.end - 1)}
                title="Show it in the script"
                className="block w-full text-left font-serif text-[14px] leading-[1.4] hover:bg-shade"
              >
                <Passage film={film} mention={d} />
              </button>
              <p className="flex flex-wrap items-baseline gap-x-2 text-[12px] text-ink-2">
                <span>
                  it reads <b className="font-semibold text-ink">{namesOf(film, d.theirs)}</b>
                  {d.ours.length > 0 && <>, we read {namesOf(film, d.ours)}</>}
                </span>
                <button
                  type="button"
                  onClick={() => take([d])}
                  aria-label={`Take ${namesOf(film, d.theirs)} for “${wordsOf(film, d.first, d.end)}”`}
                  className="min-h-6 text-ink underline decoration-dotted"
                >
                  take it
                </button>
              </p>
            </li>
          ))}
        </ul>
      )}
      {left.length > SHOWN && (
        <p className="mt-2 text-ink-2">and {left.length - SHOWN} more, in their order.</p>
      )}
    </section>
  );
}
