/** Several films in a row: stories brought together, made one after another unattended, each looked over at the end. */
import { useState } from "react";
import { Link } from "react-router";

import {
  type Batch,
  type BatchFilm,
  type StoryTold,
  useBatchDeed,
  useBatches,
  useBeginBatch,
  useFindStories,
} from "../../api/batches";
import { useStyles } from "../../api/styles";
import { Bring } from "../../parts/Bring";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { inWords, money } from "../../parts/time";
import { howFar, untilOf } from "./batchWords";

const FILES = ".txt,.md,.fountain,.srt,.vtt,.ass,.ttml,.csv,.tsv,text/plain";

export function Batches() {
  const batches = useBatches().data;
  return (
    <>
      <NewBatch />
      {batches?.map((batch) => (
        <BatchSection key={batch.id} batch={batch} />
      ))}
    </>
  );
}

interface Brought {
  story: StoryTold;
  words: number;
}

function NewBatch() {
  const find = useFindStories();
  const begin = useBeginBatch();
  const styles = useStyles().data ?? [];
  const [stories, setStories] = useState<Brought[]>([]);
  const [name, setName] = useState("");
  const [style, setStyle] = useState("none");
  const [most, setMost] = useState("");
  const [hours, setHours] = useState("any");
  const words = stories.reduce((n, s) => n + s.words, 0);
  const bring = (files: File[]) =>
    find.mutate(files, { onSuccess: (found) => setStories((before) => [...before, ...found]) });
  return (
    <form
      aria-label="New batch"
      className="mb-6 border-b border-rule-strong pb-5"
      onSubmit={(e) => {
        e.preventDefault();
        begin.mutate(
          {
            name: name.trim() || new Date().toLocaleDateString(),
            style: style === "none" ? null : style,
            most: most.trim() ? Number(most) : null,
            until: untilOf(hours, new Date()),
            stories: stories.map((s) => s.story),
          },
          {
            onSuccess: () => {
              setStories([]);
              setName("");
            },
          },
        );
      }}
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        const files = [...e.dataTransfer.files];
        if (files.length) bring(files);
      }}
    >
      <p className="mb-2 max-w-[64ch] text-ink-2">
        A folder of stories, or a table of them (columns “story”, “title”, “due”), becomes films one
        after another while nobody looks. Each waits for your look before its file is made.
      </p>
      <p className="flex flex-wrap items-center gap-2">
        <Bring
          many
          label="Bring stories"
          title="Bring stories …"
          busy={find.isPending}
          accept={FILES}
          says="plain text, Markdown, Fountain, subtitles, or a table as CSV or TSV"
          onFiles={bring}
        />
        <Bring
          folder
          label="Bring a folder of stories"
          title="A folder …"
          busy={find.isPending}
          says="every story in it"
          onFiles={(files) =>
            bring(
              files.filter((f) => /\.(txt|md|fountain|srt|vtt|ass|ttml|csv|tsv)$/i.test(f.name)),
            )
          }
        />
        {stories.length > 0 && (
          <span className="text-ink-2">
            {stories.length} {stories.length === 1 ? "story" : "stories"}, about{" "}
            {inWords((words / 155) * 60)} of film
          </span>
        )}
      </p>
      {stories.length > 0 && (
        <>
          <ol
            aria-label="Stories"
            className="my-3 max-h-[220px] overflow-y-auto border-y border-rule"
            tabIndex={0}
          >
            {stories.map((s, n) => (
              <li
                key={n}
                className="grid min-h-8 grid-cols-[28px_minmax(0,1fr)_90px_90px_70px] items-center gap-3 border-b border-rule last:border-0"
              >
                <span className="text-right font-mono text-[12px] text-ink-2">{n + 1}</span>
                <span className="truncate font-serif text-[15px]">
                  {s.story.title || s.story.text.slice(0, 80)}
                </span>
                <span className="text-right font-mono text-[12px] text-ink-2">{s.words} words</span>
                <span className="text-ink-2">{s.story.due ?? ""}</span>
                <button
                  type="button"
                  aria-label={`Leave out ${s.story.title || `story ${n + 1}`}`}
                  className="min-h-6 text-ink-2 underline decoration-dotted hover:text-ink"
                  onClick={() => setStories(stories.filter((_, k) => k !== n))}
                >
                  leave out
                </button>
              </li>
            ))}
          </ol>
          <p className="flex flex-wrap items-center gap-2">
            <Field
              className="!w-[170px]"
              aria-label="Name of the batch"
              placeholder="its name"
              value={name}
              maxLength={80}
              onChange={(e) => setName(e.target.value)}
            />
            <Choice
              label="House style"
              value={style}
              options={[
                ["none", "in no house style"],
                ...styles.map((s) => [s.id, s.style.name] as const),
              ]}
              onChange={setStyle}
            />
            <label className="flex items-center gap-1.5">
              for at most
              <Field
                className="!w-[72px] font-mono"
                inputMode="decimal"
                aria-label="What it may cost"
                placeholder="any"
                value={most}
                pattern="[0-9]+([.][0-9]+)?"
                onChange={(e) => setMost(e.target.value)}
              />
            </label>
            <Choice
              label="Until when films are begun"
              value={hours}
              options={[
                ["any", "for as long as it takes"],
                ["2", "for two hours"],
                ["8", "for eight hours"],
                ["24", "for a day"],
              ]}
              onChange={setHours}
            />
            <Button kind="ink" type="submit" disabled={begin.isPending}>
              {begin.isPending
                ? "putting them on the shelf …"
                : stories.length === 1
                  ? "Make it"
                  : `Make ${stories.length} films`}
            </Button>
          </p>
        </>
      )}
    </form>
  );
}

function BatchSection({ batch }: { batch: Batch }) {
  const deed = useBatchDeed();
  const made = batch.films.filter((f) => f.state === "made").length;
  return (
    <section aria-label={`Batch ${batch.name}`} className="mb-8">
      <header className="flex items-baseline gap-3">
        <h2 className="font-serif text-[17px] font-bold">{batch.name}</h2>
        <span className="text-ink-2" role="status">
          {made} of {batch.films.length} made, {money(batch.spent)}
          {batch.most != null && ` of ${money(batch.most)}`} spent
          {batch.state === "stopped" && <span className="text-grease-ink">. {batch.says}</span>}
        </span>
        <span className="ml-auto flex gap-2">
          {batch.state === "going" && (
            <Button onClick={() => deed.mutate({ do: "stop", batch: batch.id })}>
              Begin no other
            </Button>
          )}
          {batch.state === "stopped" && <GoOn batch={batch} />}
          {batch.state !== "going" && (
            <Button kind="quiet" onClick={() => deed.mutate({ do: "drop", batch: batch.id })}>
              Forget it
            </Button>
          )}
        </span>
      </header>
      <ol className="mt-1">
        {batch.films.map((film) => (
          <FilmRow key={film.film} batch={batch.id} film={film} />
        ))}
      </ol>
    </section>
  );
}

/** It goes on, with as much again as it had, and with no end. */
function GoOn({ batch }: { batch: Batch }) {
  const deed = useBatchDeed();
  const [most, setMost] = useState(batch.most == null ? "" : String(batch.most * 2));
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        deed.mutate({
          do: "go on",
          batch: batch.id,
          most: most.trim() ? Number(most) : null,
          until: null,
        });
      }}
    >
      <label className="flex items-center gap-1.5 text-ink-2">
        for at most
        <Field
          className="!w-[72px] font-mono"
          aria-label={`What ${batch.name} may cost`}
          placeholder="any"
          pattern="[0-9]+([.][0-9]+)?"
          value={most}
          onChange={(e) => setMost(e.target.value)}
        />
      </label>
      <Button type="submit">Go on</Button>
    </form>
  );
}

function FilmRow({ batch, film }: { batch: string; film: BatchFilm }) {
  const deed = useBatchDeed();
  const told = [
    ...film.questions.map((q) => `asks: ${q.why}`),
    ...film.failures,
    ...film.amiss.map((f) => `${f.what}: ${f.found}${f.aim ? `, aimed at ${f.aim}` : ""}`),
  ];
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_210px_150px] items-baseline gap-4 border-t border-rule py-2">
      <div className="min-w-0">
        <Link
          to={`/film/${film.film}/${film.state === "made" ? "screening" : "sheet"}`}
          className="block truncate font-serif text-[16px] font-bold"
        >
          {film.title}
        </Link>
        {told.length > 0 && (
          <details className="text-ink-2">
            <summary className="min-h-6 cursor-pointer">
              {told.length === 1 ? "one thing" : `${told.length} things`} to look at
            </summary>
            <ul className="list-disc pl-5">
              {told.map((t, n) => (
                <li key={n}>{t}</li>
              ))}
            </ul>
          </details>
        )}
      </div>
      <p className="text-ink-2">
        {howFar(film)}
        {film.cost > 0 && <span className="ml-2 font-mono text-[12px]">{money(film.cost)}</span>}
        {film.state === "making" && (
          <span className="mt-1 block h-[3px] bg-rule">
            <span className="block h-full bg-ink" style={{ width: `${film.share * 100}%` }} />
          </span>
        )}
      </p>
      <p className="text-right">
        {film.state === "made" && !film.looked && (
          <Button onClick={() => deed.mutate({ do: "looked", batch, film: film.film })}>
            Looked over: deliver
          </Button>
        )}
      </p>
    </li>
  );
}
