/** Words: find and replace, have a passage reworked, say where a passage comes from, take the script out as a file. */
import { useMemo, useState } from "react";

import type { Film } from "../../api/client";
import { useChange, useOffers } from "../../api/film";
import { type Finding, type Rework, type Reworked, useFind, useRework } from "../../api/script";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Differences } from "../../parts/Differences";
import { Area, Check, Field } from "../../parts/Field";
import { PlaceLine, toggled } from "../../parts/Places";
import { money } from "../../parts/time";
import { useStore } from "../../state/store";
import { cursor } from "./cursor";
import { type Passage, passage } from "./passage";

export function Words({ film }: { film: Film }) {
  return (
    <>
      <Replace film={film} />
      <ReworkPassage film={film} />
      <Sources film={film} />
      <Files film={film} />
    </>
  );
}

const Heading = ({ children }: { children: React.ReactNode }) => (
  <h2 className="mb-1.5 font-semibold">{children}</h2>
);

function Replace({ film }: { film: Film }) {
  const change = useChange(film.id);
  const [wanted, setWanted] = useState<Finding>({
    query: "",
    instead: "",
    match_case: false,
    whole_words: true,
  });
  const [left, setLeft] = useState<Set<number>>(new Set());
  const places = useFind(film.id, wanted, film.revision).data ?? [];
  const set = (values: Partial<Finding>) => {
    setWanted({ ...wanted, ...values });
    setLeft(new Set());
  };
  const found = wanted.query ? places : [];
  const taken = found.filter((p) => !left.has(p.start));
  return (
    <section aria-label="Find and replace">
      <Heading>Find and replace</Heading>
      <Field
        aria-label="Find"
        placeholder="find"
        value={wanted.query}
        onChange={(e) => set({ query: e.target.value })}
      />
      <Field
        aria-label="Replace by"
        placeholder="replace by"
        className="mt-1.5"
        value={wanted.instead}
        onChange={(e) => set({ instead: e.target.value })}
      />
      <div className="mt-1 flex gap-4">
        <Check
          label="whole words"
          on={wanted.whole_words}
          onChange={(on) => set({ whole_words: on })}
        />
        <Check
          label="as written"
          on={wanted.match_case}
          onChange={(on) => set({ match_case: on })}
        />
      </div>
      {wanted.query && (
        <p className="mb-1 text-ink-2" role="status">
          {found.length
            ? `${found.length} ${found.length === 1 ? "place" : "places"}${wanted.instead ? "; click one to leave it" : ""}`
            : "It stands nowhere."}
        </p>
      )}
      {found.length > 0 && (
        <ul
          aria-label="Places"
          className="max-h-[150px] overflow-y-auto border-y border-rule text-[12.5px]"
        >
          {found.slice(0, 200).map((p) => (
            <PlaceLine
              key={p.start}
              place={p}
              taken={!left.has(p.start)}
              replacing={wanted.instead !== ""}
              onToggle={() => setLeft(toggled(left, p.start))}
            />
          ))}
        </ul>
      )}
      {found.length > 0 && wanted.instead && (
        <Button
          kind="ink"
          className="mt-2"
          disabled={!taken.length}
          onClick={() =>
            change.mutate({
              type: "edit places",
              edits: taken.map((p) => ({ start: p.start, end: p.end, insert: p.instead })),
              what: `replace “${wanted.query.slice(0, 30)}”`,
            })
          }
        >
          Replace {taken.length}
        </Button>
      )}
    </section>
  );
}

const HOWS: readonly (readonly [Rework["how"], string])[] = [
  ["tighten", "Tighten"],
  ["lengthen", "Lengthen"],
  ["simpler", "Simpler"],
  ["vivid", "More vivid"],
  ["tense", "More tense"],
  ["opening", "A stronger opening"],
  ["tone", "Another tone"],
  ["instruction", "As I say"],
];
type Range = "passage" | "scene" | "film";

/** The characters that a range covers: whole paragraphs of the marked words, the scene at the cursor, or everything. */
export function charactersOf(
  film: Film,
  range: Range,
  marked: Passage | null,
  at: number,
): [number, number] {
  const scene = film.scenes.find((s) => s.first <= at && at < s.end);
  const [from, to] =
    range === "passage" && marked
      ? [marked.from, marked.to]
      : range === "scene" && scene
        ? [scene.first, scene.end - 1]
        : [0, film.words.length - 1];
  return [film.words[from]![0], film.words[to]![1]];
}

function ReworkPassage({ film }: { film: Film }) {
  const change = useChange(film.id);
  const rework = useRework(film.id);
  const price = (useOffers().data ?? []).find((o) => o.kind === "script")?.price.amount;
  const marked = useStore(passage);
  const at = useStore(cursor);
  const [how, setHow] = useState<Rework["how"]>("tighten");
  const [range, setRange] = useState<Range>("scene");
  const [instruction, setInstruction] = useState("");
  const [seed, setSeed] = useState(0);
  const [left, setLeft] = useState<Set<number>>(new Set());
  const [seen, setSeen] = useState<{ revision: number; found: Reworked } | null>(null);
  const used: Range = marked ? "passage" : range === "passage" ? "scene" : range;
  const ask = (next: number) => {
    const [start, end] = charactersOf(film, used, marked, at);
    setSeed(next);
    setLeft(new Set());
    rework.mutate(
      { start, end, how, instruction, seed: next },
      { onSuccess: (found) => setSeen({ revision: film.revision, found }) },
    );
  };
  const found = seen?.revision === film.revision ? seen.found : null;
  const changes = useMemo(() => found?.pieces.filter((p) => p.before !== p.after) ?? [], [found]);
  const taken = changes.filter((p) => !left.has(p.start));
  const name = HOWS.find(([key]) => key === how)![1].toLowerCase();
  return (
    <section aria-label="Rework" className="border-t border-rule-strong pt-3">
      <Heading>Have it reworked</Heading>
      <div className="flex flex-wrap items-center gap-1.5">
        <Choice
          label="How"
          value={how}
          options={HOWS}
          onChange={(v) => setHow(v as Rework["how"])}
        />
        <Choice
          label="What"
          value={used}
          options={[
            ...(marked
              ? [["passage", `${marked.to - marked.from + 1} marked words`] as const]
              : []),
            ["scene", "this scene"],
            ["film", "the whole film"],
          ]}
          onChange={(v) => {
            setRange(v as Range);
            if (v !== "passage") passage.set(null);
          }}
        />
      </div>
      {(how === "instruction" || how === "tone") && (
        <Area
          aria-label="Instruction"
          rows={2}
          className="mt-1.5"
          placeholder={
            how === "tone" ? "warm, dark, funny or calm" : "make the ending more dramatic"
          }
          value={instruction}
          onChange={(e) => setInstruction(e.target.value)}
        />
      )}
      {!found && (
        <div className="mt-2 flex items-center gap-3">
          <Button kind="ink" disabled={rework.isPending} onClick={() => ask(0)}>
            {rework.isPending ? "Writing …" : "Show how it would read"}
          </Button>
          {price !== undefined && (
            <span className="font-mono text-[12px] text-ink-2">{money(Number(price))}</span>
          )}
        </div>
      )}
      {found && (
        <div className="mt-2">
          <p className="mb-1.5 text-ink-2" role="status">
            Touches {found.touched}
            {found.unused.length > 0 && `; no use for: ${found.unused.join(", ")}`}.
            {changes.length > 1 && " Click a change to leave it out."}
          </p>
          {changes.length > 0 && (
            <div className="max-h-[260px] overflow-y-auto rounded-[4px] border border-rule bg-page px-3 py-2">
              <Differences
                pieces={found.pieces}
                taken={(start) => !left.has(start)}
                onToggle={(start) => setLeft(toggled(left, start))}
              />
            </div>
          )}
          <div className="mt-2 flex gap-1.5">
            <Button
              kind="ink"
              disabled={!taken.length}
              onClick={() => {
                change.mutate({
                  type: "edit places",
                  edits: taken.map((p) => ({ start: p.start, end: p.end, insert: p.after })),
                  what: `rework: ${name}`,
                });
                setSeen(null);
              }}
            >
              Take {taken.length === changes.length ? "it" : `${taken.length} of ${changes.length}`}
            </Button>
            <Button onClick={() => ask(seed + 1)}>Another</Button>
            <Button onClick={() => setSeen(null)}>Leave it</Button>
          </div>
        </div>
      )}
    </section>
  );
}

function Sources({ film }: { film: Film }) {
  const change = useChange(film.id);
  const marked = useStore(passage);
  const [text, setText] = useState("");
  const index = useMemo(() => new Map(film.words.map((w, i) => [w[2], i])), [film.words]);
  const words = (from: number, to: number) =>
    film.words
      .slice(from, Math.min(to + 1, from + 5))
      .map(([a, b]) => film.text.slice(a, b))
      .join(" ");
  return (
    <section aria-label="Sources" className="border-t border-rule-strong pt-3">
      <Heading>Sources</Heading>
      {film.sources.length > 0 && (
        <ul className="mb-2 flex flex-col gap-1">
          {film.sources.map((s) => (
            <li key={s.id} className="flex items-baseline gap-2">
              <span className="min-w-0 grow">
                <span className="font-serif italic text-ink-2">
                  {words(index.get(s.first) ?? 0, index.get(s.last) ?? 0)} …
                </span>
                <br />
                {/^https?:\/\//.test(s.text) ? (
                  <a
                    href={s.text}
                    target="_blank"
                    rel="noreferrer"
                    className="break-all underline decoration-dotted"
                  >
                    {s.text}
                  </a>
                ) : (
                  s.text
                )}
              </span>
              <button
                type="button"
                className="min-h-6 text-ink-2 underline decoration-dotted"
                onClick={() =>
                  change.mutate({ type: "set source", id: s.id, first: 0, last: 0, text: "" })
                }
              >
                remove
              </button>
            </li>
          ))}
        </ul>
      )}
      {marked ? (
        <form
          className="flex gap-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            if (!text.trim()) return;
            change.mutate({
              type: "set source",
              id: 0,
              first: film.words[marked.from]![2],
              last: film.words[marked.to]![2],
              text,
            });
            setText("");
          }}
        >
          <Field
            aria-label="Link or note"
            placeholder={`link or note for “${words(marked.from, marked.to)}”`}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <Button type="submit">Keep</Button>
        </form>
      ) : (
        <p className="text-ink-2">
          Mark the words that a link or note belongs to; it is listed when you publish.
        </p>
      )}
    </section>
  );
}

const FORMATS = ["txt", "md", "fountain", "srt", "vtt", "csv", "tsv"];

const Files = ({ film }: { film: Film }) => (
  <section aria-label="Script as a file" className="border-t border-rule-strong pt-3">
    <Heading>Take the script out</Heading>
    <p className="flex flex-wrap gap-x-3 gap-y-1">
      {FORMATS.map((f) => (
        <a
          key={f}
          href={`/api/films/${film.id}/script.${f}`}
          download
          className="min-h-6 font-mono text-[12.5px] underline decoration-dotted underline-offset-2 hover:decoration-solid"
        >
          .{f}
        </a>
      ))}
    </p>
  </section>
);
