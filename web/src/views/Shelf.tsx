/** The shelf: all films, and a new one by pasting or by file. */
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useNavigate } from "react-router";

import { type Card, type Film, Problem, api, unwrap } from "../api/client";
import { keys, useLooks, useShelf } from "../api/film";
import { Button } from "../parts/Button";
import { Choice } from "../parts/Choice";
import { LampButton } from "../parts/TopLine";
import { inWords } from "../parts/time";
import { notify } from "../state/notices";

const ASPECTS = [["16:9", "16:9, wide"], ["9:16", "9:16, upright"], ["1:1", "1:1, square"]] as const;

export function Shelf() {
  const films = useShelf();
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-11 shrink-0 items-center border-b border-rule-strong px-5">
        <h1 className="font-serif text-[17px] font-bold">Cut Reel</h1>
        <span className="ml-4 text-ink-2">your films</span>
        <span className="ml-auto">
          <LampButton />
        </span>
      </header>
      <main className="grid min-h-0 grow grid-cols-[1fr_372px]">
        <section aria-label="Films" className="overflow-y-auto p-6">
          {films.isError && <p className="text-ink-2">The server does not answer. See that bin/start still runs.</p>}
          {films.data?.length === 0 && <p className="font-serif text-[17px] text-ink-2">Nothing is on the shelf yet. Paste a story at the right; it is cut into shots at once.</p>}
          <div className="grid grid-cols-[repeat(auto-fill,minmax(268px,1fr))] gap-6">
            {films.data?.map((card) => <FilmCard key={card.id} card={card} />)}
          </div>
        </section>
        <NewFilm />
      </main>
    </div>
  );
}

function FilmCard({ card }: { card: Card }) {
  const client = useQueryClient();
  const remove = useMutation({
    mutationFn: async () => unwrap(await api.DELETE("/api/films/{film}", { params: { path: { film: card.id } } })),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: keys.shelf });
      notify(`“${card.title}” is off the shelf. Nothing of it is deleted.`);
    },
  });
  return (
    <article className="group relative rounded-[5px] border border-rule-strong bg-page">
      <Link to={`/film/${card.id}/sheet`} className="block" aria-label={card.title}>
        <div className="aspect-video overflow-hidden rounded-t-[4px] bg-shade">
          {card.thumb ? (
            <img src={`/media/${card.thumb}`} alt="" className="size-full object-cover" />
          ) : (
            <p className="flex size-full items-center justify-center px-6 text-center font-serif text-[19px] text-ink-2">{card.title}</p>
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
              {state.endsWith("voiced") && <span className="absolute inset-x-0 bottom-0 h-[3px] bg-teal" />}
            </span>
          ))}
        </div>
        <div className="p-3.5 pr-9">
          <h2 className="truncate font-serif text-[16px] font-bold">{card.title}</h2>
          <p className="text-ink-2">
            {inWords(card.seconds)}, {card.shots} shots, {card.left ? `${card.left} to do` : "all made"}
          </p>
          <p className="text-[12px] text-ink-2">
            {card.look.replace("-", " ")}, changed {new Date(card.changed).toLocaleString([], { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" })}
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

function NewFilm() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const looks = useLooks().data ?? [];
  const file = useRef<HTMLInputElement>(null);
  const [title, setTitle] = useState("");
  const [text, setText] = useState("");
  const [look, setLook] = useState("cut-paper");
  const [aspect, setAspect] = useState<"16:9" | "9:16" | "1:1">("16:9");
  const words = text.trim() ? text.trim().split(/\s+/).length : 0;
  const add = useMutation({
    mutationFn: async () =>
      unwrap<Film>(await api.POST("/api/films", { body: { title, text, by: "pace", count: 0, settings: { look, aspect } as never } })),
    onSuccess: (film) => {
      client.setQueryData(keys.film(film.id), film);
      void navigate(`/film/${film.id}/script`);
    },
    onError: (error) => notify(error instanceof Problem ? error.message : "The server does not answer; your text is still here."),
  });
  const upload = useMutation({
    mutationFn: async (chosen: File) => {
      const body = new FormData();
      body.append("file", chosen);
      const response = await fetch("/api/stories", { method: "POST", body });
      const data = (await response.json()) as { title: string; text: string };
      return unwrap<typeof data>({ data, error: data, response });
    },
    onSuccess: (story) => {
      setText(story.text);
      setTitle((before) => before || story.title);
    },
    onError: (error) => notify(error.message),
  });
  return (
    <form
      aria-label="New film"
      className="flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule-strong bg-page p-5"
      onSubmit={(e) => {
        e.preventDefault();
        add.mutate();
      }}
    >
      <h2 className="font-serif text-[17px] font-bold">New film</h2>
      <label className="block">
        <span className="text-ink-2">Name</span>
        <input
          value={title}
          onChange={(e) => setTitle(e.target.value)}
          placeholder="from its first words, if empty"
          className="mt-1 h-8 w-full rounded-[5px] border border-rule-strong bg-field px-2.5"
        />
      </label>
      <label className="flex min-h-[180px] grow flex-col">
        <span className="flex justify-between text-ink-2">
          Story
          <span className="font-mono text-[12px]">{words ? `${words} words, about ${inWords((words / 155) * 60)}` : ""}</span>
        </span>
        <textarea
          value={text}
          onChange={(e) => setText(e.target.value)}
          placeholder={"Paste it here.\n\nA line such as “# The jetty — dusk, wind” opens a scene. Words in quotation marks are spoken by whoever the text says; [brackets] are not spoken."}
          className="mt-1 w-full grow resize-none rounded-[5px] border border-rule-strong bg-field p-3 font-serif text-[15px] leading-relaxed"
        />
      </label>
      <div className="flex items-center gap-2">
        <Choice label="Look" value={look} options={looks.map((l) => [l.name, l.title] as const)} onChange={setLook} />
        <Choice label="Shape" value={aspect} options={ASPECTS} onChange={(v) => setAspect(v as "16:9")} />
        <Button className="ml-auto" onClick={() => file.current?.click()}>
          Open a file
        </Button>
        <input
          ref={file}
          type="file"
          accept=".txt,text/plain"
          aria-label="Story file"
          className="hidden"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            if (chosen) upload.mutate(chosen);
            e.target.value = "";
          }}
        />
      </div>
      <Button kind="ink" type="submit" disabled={!words || add.isPending} className="h-10 justify-center">
        {add.isPending ? "Cutting …" : "Cut it into shots"}
      </Button>
      <p className="text-[12px] text-ink-2">Nothing is spent until you ask for pictures and voices.</p>
    </form>
  );
}
