/** The shelf: all films, and a new one by idea, by pasting, by file. */
import * as Tabs from "@radix-ui/react-tabs";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { Link } from "react-router";

import { type Card, Problem, type Schemas, api, unwrap } from "../../api/client";
import { useShelf } from "../../api/film";
import { keys } from "../../api/queries";
import { LampButton } from "../../parts/TopLine";
import { inWords } from "../../parts/time";
import { notify } from "../../state/notices";
import { Batches } from "./Batches";
import { Calendar } from "./Calendar";
import { NewFilm } from "./NewFilm";

const TABS = [
  ["films", "All films"],
  ["due", "What is due"],
  ["batches", "In a row"],
] as const;

export function Shelf() {
  const films = useShelf();
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-11 shrink-0 items-center border-b border-rule-strong px-5">
        <h1 className="font-serif text-[17px] font-bold">Cut Reel</h1>
        <span className="ml-4 text-ink-2">your films</span>
        <span className="ml-auto flex items-center gap-3">
          <BringFilm />
          <Link to="/services" className="text-ink-2 hover:text-ink">
            Services
          </Link>
          <LampButton />
        </span>
      </header>
      <main className="grid min-h-0 grow grid-cols-[1fr_404px]">
        <section aria-label="Films" className="overflow-y-auto p-6">
          {films.isError && (
            <p className="text-ink-2">The server does not answer. See that bin/start still runs.</p>
          )}
          {films.data && (
            <Tabs.Root defaultValue="films">
              <Tabs.List aria-label="Parts of the shelf" className="-mt-2 mb-4 flex gap-5">
                {TABS.map(([value, name]) => (
                  <Tabs.Trigger
                    key={value}
                    value={value}
                    className="min-h-7 border-b-2 border-transparent text-ink-2 hover:text-ink data-[state=active]:border-ink data-[state=active]:font-semibold data-[state=active]:text-ink"
                  >
                    {name}
                  </Tabs.Trigger>
                ))}
              </Tabs.List>
              <Tabs.Content value="films" tabIndex={-1}>
                {films.data.length === 0 && (
                  <p className="font-serif text-[17px] text-ink-2">
                    Nothing is on the shelf yet. Paste a story at the right, open a file, or start
                    from an idea; it is cut into shots at once.
                  </p>
                )}
                <div className="grid grid-cols-[repeat(auto-fill,minmax(268px,1fr))] gap-6">
                  {films.data.map((card) => (
                    <FilmCard key={card.id} card={card} />
                  ))}
                </div>
              </Tabs.Content>
              <Tabs.Content value="due" tabIndex={-1}>
                <Calendar cards={films.data} />
              </Tabs.Content>
              <Tabs.Content value="batches" tabIndex={-1}>
                <Batches />
              </Tabs.Content>
            </Tabs.Root>
          )}
        </section>
        <NewFilm />
      </main>
    </div>
  );
}

/** A film from its archive. */
function BringFilm() {
  const input = useRef<HTMLInputElement>(null);
  const client = useQueryClient();
  const bring = useMutation({
    mutationFn: async (file: File) => {
      const body = new FormData();
      body.append("file", file);
      const response = await fetch("/api/archives", { method: "POST", body });
      const told: unknown = await response.json();
      return unwrap<Schemas["BroughtFilm"]>({ data: told, error: told, response });
    },
    onSuccess: ({ title, faults }) => {
      void client.invalidateQueries({ queryKey: keys.shelf });
      notify(
        faults.length
          ? `“${title}” is on the shelf. ${faults.length} of its files are damaged or missing, the first: ${faults[0]!.name} ${faults[0]!.says}. Make them again.`
          : `“${title}” is on the shelf, whole.`,
      );
    },
    onError: (error: Error) =>
      notify(error instanceof Problem ? error.message : "The server does not answer; try again."),
  });
  return (
    <>
      <button
        type="button"
        disabled={bring.isPending}
        onClick={() => input.current?.click()}
        className="min-h-6 text-ink-2 hover:text-ink"
      >
        {bring.isPending ? "Bringing it in …" : "Bring a film in"}
      </button>
      <input
        ref={input}
        type="file"
        accept=".zip"
        aria-label="A film's archive"
        className="hidden"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) bring.mutate(file);
        }}
      />
    </>
  );
}

function FilmCard({ card }: { card: Card }) {
  const client = useQueryClient();
  const remove = useMutation({
    mutationFn: async () =>
      unwrap(await api.DELETE("/api/films/{film}", { params: { path: { film: card.id } } })),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: keys.shelf });
      notify(`“${card.title}” is off the shelf. Nothing of it is deleted.`);
    },
  });
  return (
    <article className="group relative rounded-[5px] border border-rule-strong bg-page">
      <Link
        to={`/film/${card.id}/sheet`}
        className="block"
        aria-label={card.cut ? `${card.title}, ${card.cut}` : card.title}
      >
        <div className="aspect-video overflow-hidden rounded-t-[4px] bg-shade">
          {card.thumb ? (
            <img
              src={`/media/${card.thumb}`}
              alt=""
              className={`size-full ${card.aspect === "16:9" ? "object-cover" : "object-contain"}`}
            />
          ) : (
            <p className="flex size-full items-center justify-center px-6 text-center font-serif text-[19px] text-ink-2">
              {card.title}
            </p>
          )}
        </div>
        <div className="flex h-2.5">
          {card.strip.map(([share, state], i) => (
            <span
              key={i}
              style={{ flexGrow: share, flexBasis: 0 }}
              className={`relative overflow-hidden border-r border-page ${state.startsWith("empty") ? "border-b border-rule-strong" : "bg-slate"}`}
            >
              {state.startsWith("stale") && <span className="hatch absolute inset-0" />}
              {state.endsWith("voiced") && (
                <span className="absolute inset-x-0 bottom-0 h-[3px] bg-teal" />
              )}
            </span>
          ))}
        </div>
        <div className="p-3.5 pr-9">
          <h2 className="truncate font-serif text-[16px] font-bold">
            {card.title}
            {card.cut && <span className="font-sans text-[13px] font-normal"> · {card.cut}</span>}
          </h2>
          <p className="text-ink-2">
            {inWords(card.seconds)}, {card.shots} shots,{" "}
            {card.left ? `${card.left} to do` : "all made"}
          </p>
          <p className="text-[12px] text-ink-2">
            {card.look.replace("-", " ")}, changed{" "}
            {new Date(card.changed).toLocaleString([], {
              day: "numeric",
              month: "short",
              hour: "2-digit",
              minute: "2-digit",
            })}
          </p>
        </div>
      </Link>
      <button
        type="button"
        aria-label={`Take ${card.title} off the shelf`}
        title="Take off the shelf"
        onClick={() => remove.mutate()}
        className="absolute bottom-3 right-3 rounded px-1.5 text-ink-2 opacity-0 hover:text-ink focus-visible:opacity-100 group-hover:opacity-100"
      >
        remove
      </button>
    </article>
  );
}
