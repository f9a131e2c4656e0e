/** A new film: a story pasted, opened from a file, or written from an idea; then cut into shots. */
import * as Tabs from "@radix-ui/react-tabs";
import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";

import { Problem, type Schemas, api, unwrap } from "../../api/client";
import { useLooks, useRules } from "../../api/film";
import { type Story, useReadStory } from "../../api/script";
import { useStyles } from "../../api/styles";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { FILM_KINDS, type FilmKind } from "../../parts/filmKinds";
import { Field } from "../../parts/Field";
import { inWords } from "../../parts/time";
import { notify } from "../../state/notices";
import { FromIdea } from "./FromIdea";
import { TableColumns } from "./TableColumns";
import { SHAPES } from "../../parts/shape";

type Given = Pick<Schemas["NewFilm"], "shots" | "sources">;
const NOTHING: Given = { shots: [], sources: [] };

export function NewFilm() {
  const navigate = useNavigate();
  const looks = useLooks().data ?? [];
  const { kinds } = useRules();
  const input = useRef<HTMLInputElement>(null);
  const [way, setWay] = useState("paste");
  const [title, setTitle] = useState("");
  const [text, setText] = useState("");
  const [given, setGiven] = useState(NOTHING);
  const [kind, setKind] = useState<FilmKind>("story");
  const [look, setLook] = useState("cut-paper");
  const [aspect, setAspect] = useState<(typeof SHAPES)[number][0]>("16:9");
  const [style, setStyle] = useState("");
  const styles = useStyles().data ?? [];
  const [table, setTable] = useState<{ story: Story; file: File } | null>(null);
  const words = text.trim() ? text.trim().split(/\s+/).length : 0;
  const add = useMutation({
    mutationFn: async () =>
      unwrap<Schemas["NewFilmId"]>(
        await api.POST("/api/films", {
          body: {
            title,
            text,
            by: "pace",
            count: 0,
            ...given,
            style: style || null,
            // What a style says is not said again.
            settings: (style
              ? { aspect }
              : { look, aspect, kind, pace: kinds[kind]?.pace }) as never,
          },
        }),
      ),
    onSuccess: ({ id, titled }) => {
      if (titled) notify(`“${titled}” names the film; it stands in brackets and is not spoken.`);
      void navigate(`/film/${id}/script`);
    },
    onError: (error) =>
      notify(
        error instanceof Problem
          ? error.message
          : "The server does not answer; your text is still here.",
      ),
  });
  const take = (story: Pick<Story, "title" | "text" | "shots" | "sources">) => {
    setText(story.text);
    setGiven({ shots: story.shots, sources: story.sources });
    setTitle((before) => before || story.title);
    setWay("paste");
  };
  const read = useReadStory((story, file) => {
    if (story.table) setTable({ story, file });
    else take(story);
    if (story.bad.length && !story.table)
      notify(
        story.bad.slice(0, 3).join(" ") +
          (story.bad.length > 3 ? ` And ${story.bad.length - 3} more.` : ""),
      );
  });
  const open = (file: File) => read.mutate({ file });
  if (table)
    return (
      <Panel>
        <TableColumns
          story={table.story}
          busy={read.isPending}
          onColumns={(columns) => read.mutate({ file: table.file, columns })}
          onTake={() => {
            take(table.story);
            setTable(null);
          }}
          onLeave={() => setTable(null)}
        />
      </Panel>
    );
  return (
    <Panel
      onDrop={(e) => {
        e.preventDefault();
        const file = e.dataTransfer.files[0];
        if (file) open(file);
      }}
    >
      <Tabs.Root value={way} onValueChange={setWay} className="flex min-h-0 grow flex-col">
        <div className="mb-3 flex items-baseline justify-between">
          <h2 className="font-serif text-[17px] font-bold">New film</h2>
          <Tabs.List aria-label="How it begins" className="flex gap-5">
            {[
              ["paste", "from a script"],
              ["idea", "from an idea"],
            ].map(([key, name]) => (
              <Tabs.Trigger
                key={key}
                value={key!}
                className="border-b-2 border-transparent pb-0.5 text-ink-2 hover:text-ink data-[state=active]:border-ink data-[state=active]:font-semibold data-[state=active]:text-ink"
              >
                {name}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
        </div>
        <Tabs.Content
          value="idea"
          className="flex min-h-0 grow flex-col data-[state=inactive]:hidden"
          forceMount
        >
          <FromIdea
            onWritten={(written, structure) => {
              take({
                title: written.title,
                text: written.text,
                shots: [],
                sources: written.sources,
              });
              setTitle(written.title);
              setKind(
                (
                  {
                    hook: "story",
                    chapters: "documentary",
                    comic: "comic",
                    sleep: "sleep",
                  } as const
                )[structure],
              );
            }}
          />
        </Tabs.Content>
        <Tabs.Content
          value="paste"
          className="flex min-h-0 grow flex-col data-[state=inactive]:hidden"
          forceMount
        >
          <form
            aria-label="New film"
            className="flex min-h-0 grow flex-col gap-3"
            onSubmit={(e) => {
              e.preventDefault();
              add.mutate();
            }}
          >
            <label className="block">
              <span className="text-ink-2">Name</span>
              <Field
                className="mt-1"
                value={title}
                onChange={(e) => setTitle(e.target.value)}
                placeholder="from the story, if empty"
              />
            </label>
            <label className="flex min-h-[180px] grow flex-col">
              <span className="flex justify-between text-ink-2">
                Story
                <span className="font-mono text-[12px]">
                  {words ? `${words} words, about ${inWords((words / 155) * 60)}` : ""}
                  {given.shots.length ? `, ${given.shots.length} shots` : ""}
                </span>
              </span>
              <textarea
                value={text}
                onChange={(e) => {
                  setText(e.target.value);
                  setGiven(NOTHING);
                }}
                placeholder={
                  "Paste it here, or drop a file.\n\nA line such as “# The jetty — dusk, wind” opens a scene. Words in quotation marks are spoken by whoever the text says; [brackets] are not spoken."
                }
                className="mt-1 w-full grow resize-none rounded-[5px] border border-rule-strong bg-field p-3 font-serif text-[15px] leading-relaxed placeholder:text-ink-2"
              />
            </label>
            <div className="flex flex-wrap items-center gap-2">
              {styles.length > 0 && (
                <Choice
                  label="House style"
                  value={style || "none"}
                  options={[
                    ["none", "no house style"],
                    ...styles.map((s) => [s.id, s.style.name] as const),
                  ]}
                  onChange={(id) => {
                    setStyle(id === "none" ? "" : id);
                    const told = styles.find((s) => s.id === id)?.style.settings.aspect;
                    if (typeof told === "string") setAspect(told as "16:9");
                  }}
                />
              )}
              {!style && (
                <>
                  <Choice
                    label="Kind of film"
                    value={kind}
                    options={worded(Object.keys(kinds), FILM_KINDS)}
                    onChange={(v) => setKind(v as FilmKind)}
                  />
                  <Choice
                    label="Look"
                    value={look}
                    options={looks.map((l) => [l.name, l.title] as const)}
                    onChange={setLook}
                  />
                </>
              )}
              <Choice
                label="Shape"
                value={aspect}
                options={SHAPES}
                onChange={(v) => setAspect(v as "16:9")}
              />
            </div>
            <div className="flex gap-2">
              <Button
                onClick={() => input.current?.click()}
                title="Text, Markdown, Fountain, SubRip, WebVTT, SubStation Alpha, TTML, CSV or TSV"
                className="h-10"
              >
                {read.isPending ? "Reading …" : "Open a file"}
              </Button>
              <Button
                kind="ink"
                type="submit"
                disabled={!words || add.isPending}
                className="h-10 grow justify-center"
              >
                {add.isPending
                  ? "Cutting …"
                  : given.shots.length
                    ? "Make it a film"
                    : "Cut it into shots"}
              </Button>
            </div>
            <input
              ref={input}
              type="file"
              accept=".txt,.md,.markdown,.fountain,.srt,.vtt,.ass,.ssa,.ttml,.dfxp,.csv,.tsv,text/*"
              aria-label="Story file"
              className="hidden"
              onChange={(e) => {
                const chosen = e.target.files?.[0];
                if (chosen) open(chosen);
                e.target.value = "";
              }}
            />
            <p className="text-[12px] text-ink-2">
              Nothing is spent until you ask for pictures and voices.
            </p>
          </form>
        </Tabs.Content>
      </Tabs.Root>
    </Panel>
  );
}

const Panel = ({
  children,
  onDrop,
}: {
  children: React.ReactNode;
  onDrop?: React.DragEventHandler;
}) => (
  <section
    aria-label="A new film"
    className="flex min-h-0 flex-col overflow-y-auto border-l border-rule-strong bg-page p-5"
    onDragOver={(e) => e.preventDefault()}
    onDrop={onDrop}
  >
    {children}
  </section>
);
