/** The desk of a cut in another language: passage by passage what is written and what is said, and how much time each has. */
import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef, useState } from "react";

import type { Film } from "../../api/client";
import { useChange, useEstimate, useRuns, useStart } from "../../api/film";
import {
  type ShownRow,
  type TranslatedRow,
  type Translation,
  useBringTable,
  useFollow,
  useTranslation,
} from "../../api/languages";
import { Bring } from "../../parts/Bring";
import { Button } from "../../parts/Button";
import { Editable } from "../../parts/Editable";
import { languageNamed } from "../../parts/languages";
import { inWords, money } from "../../parts/time";
import { selected } from "../../state/playhead";
import { amiss, differenceSaid, lengthSaid, remedyOf } from "./lengths";

type Shown = "all" | "open" | "long";

export function Translated({ film, offered }: { film: Film; offered: string[] | null }) {
  const found = useTranslation(film).data;
  const [shown, setShown] = useState<Shown>("all");
  if (!found) return null;
  const open = found.rows.filter((r) => !r.text || r.stale).length;
  const long = found.rows.filter(amiss).length;
  const rows =
    shown === "open"
      ? found.rows.filter((r) => !r.text || r.stale)
      : shown === "long"
        ? found.rows.filter(amiss)
        : found.rows;
  return (
    <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_300px] border-t border-rule-strong">
      <div className="flex min-h-0 flex-col">
        <p role="group" aria-label="Which passages" className="flex shrink-0 gap-4 px-6 py-2">
          <Which now={shown} of="all" set={setShown}>
            all {found.rows.length}
          </Which>
          <Which now={shown} of="open" set={setShown}>
            to be translated {open}
          </Which>
          <Which now={shown} of="long" set={setShown}>
            much longer or shorter {long}
          </Which>
        </p>
        <Rows film={film} rows={rows} screen={shown === "long" ? [] : found.shown} />
      </div>
      <aside
        aria-label="Translation"
        className="overflow-y-auto border-l border-rule-strong bg-page px-5 py-4"
      >
        <Behind film={film} found={found} />
        <ByService film={film} found={found} offered={offered} open={open} />
        <Table film={film} />
        <Length found={found} long={long} />
      </aside>
    </div>
  );
}

const Which = ({
  now,
  of,
  set,
  children,
}: {
  now: Shown;
  of: Shown;
  set: (to: Shown) => void;
  children: React.ReactNode;
}) => (
  <button
    type="button"
    aria-pressed={now === of}
    onClick={() => set(of)}
    className={`min-h-6 ${now === of ? "font-semibold shadow-[0_2px_0_var(--ink)]" : "text-ink-2 hover:text-ink"}`}
  >
    {children}
  </button>
);

const LETTERS = 56;
/** About how many letters of a passage fit on a line. */

function Rows({ film, rows, screen }: { film: Film; rows: TranslatedRow[]; screen: ShownRow[] }) {
  const scroller = useRef<HTMLDivElement>(null);
  const change = useChange(film.id);
  const count = rows.length + screen.length;
  const list = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: () => 62,
    getItemKey: (i) => (i < rows.length ? rows[i]!.word : `s ${screen[i - rows.length]!.source}`),
    overscan: 8,
  });
  const set = (r: TranslatedRow, values: { text?: string; pace?: number }) =>
    change.mutate({
      type: "translate",
      shown: [],
      passages: [
        { word: r.word, source: r.source, text: r.text, by: "hand", pace: r.pace, ...values },
      ],
    });
  if (!count) return <p className="px-6 py-3 text-ink-2">None: all of it is as it is to be.</p>;
  return (
    <div ref={scroller} className="min-h-0 grow overflow-y-auto" tabIndex={0} aria-label="Passages">
      <ol className="relative" style={{ height: list.getTotalSize() }}>
        {list.getVirtualItems().map((item) => {
          const row = rows[item.index];
          const words = screen[item.index - rows.length];
          return (
            <li
              key={item.key}
              ref={list.measureElement}
              data-index={item.index}
              className="absolute inset-x-0 border-t border-rule px-6 py-2"
              style={{ transform: `translateY(${item.start}px)` }}
            >
              {row ? (
                <PassageRow
                  row={row}
                  onText={(text) => set(row, { text })}
                  onPace={(pace) => set(row, { pace })}
                />
              ) : (
                words && (
                  <Columns
                    who="on the screen"
                    source={words.source}
                    text={words.text}
                    label={`On the screen: ${words.source}`}
                    onText={(text) =>
                      change.mutate({
                        type: "translate",
                        passages: [],
                        shown: [{ source: words.source, text, by: "hand" }],
                      })
                    }
                  />
                )
              )}
            </li>
          );
        })}
      </ol>
    </div>
  );
}

function Columns(props: {
  who: string;
  source: string;
  text: string;
  label: string;
  onText: (text: string) => void;
  onWho?: () => void;
  length?: string;
  children?: React.ReactNode;
}) {
  return (
    <div className="grid grid-cols-[88px_minmax(0,1fr)_minmax(0,1fr)] gap-4">
      <p className="text-[12.5px] text-ink-2">
        <button
          type="button"
          disabled={!props.onWho}
          onClick={props.onWho}
          title={props.onWho ? "choose its shot" : undefined}
          className="block min-h-6 max-w-full truncate text-left enabled:hover:text-ink"
        >
          {props.who}
        </button>
        {props.length && <span className="font-mono text-[12px]">{props.length}</span>}
      </p>
      <p className="font-serif leading-[1.4] text-ink-2">{props.source}</p>
      <div>
        <Editable
          multiline
          value={props.text}
          label={props.label}
          hint="not translated"
          letters={LETTERS}
          least={1}
          onSave={props.onText}
          className="font-serif leading-[1.4]"
        />
        {props.children}
      </div>
    </div>
  );
}

function PassageRow({
  row,
  onText,
  onPace,
}: {
  row: TranslatedRow;
  onText: (text: string) => void;
  onPace: (pace: number) => void;
}) {
  const remedy = remedyOf(row);
  return (
    <Columns
      who={row.who || "narrator"}
      source={row.source}
      text={row.text}
      label={`Translation of: ${row.source}`}
      onText={onText}
      onWho={() => selected.set(row.shot)}
      length={row.text ? lengthSaid(row) : ""}
    >
      <p className="flex flex-wrap items-baseline gap-x-3 text-[12px] text-ink-2">
        {row.stale && (
          <>
            <span className="text-grease-ink">its words have changed since</span>
            <button
              type="button"
              className="min-h-6 underline decoration-dotted hover:text-ink"
              onClick={() => onText(row.text)}
            >
              it holds all the same
            </button>
          </>
        )}
        {amiss(row) && <span className="text-grease-ink">{differenceSaid(row)}</span>}
        {remedy && (
          <button
            type="button"
            className="min-h-6 underline decoration-dotted hover:text-ink"
            onClick={() => onPace(remedy.pace)}
          >
            {remedy.says}
          </button>
        )}
        {row.pace !== 1 && (
          <button
            type="button"
            className="min-h-6 underline decoration-dotted hover:text-ink"
            onClick={() => onPace(1)}
          >
            at ×{row.pace}; as usual again
          </button>
        )}
      </p>
    </Columns>
  );
}

function Behind({ film, found }: { film: Film; found: Translation }) {
  const follow = useFollow(film.id);
  if (!found.original)
    return (
      <p className="mb-4 text-ink-2">
        The cut that this one is translated from is not on the shelf any more.
      </p>
    );
  if (!found.behind.length) return null;
  const shots = new Set(found.behind.flatMap((d) => (d.edge ? [d.edge] : [])));
  return (
    <section aria-label="Behind its original" className="mb-5 border-b border-rule pb-4">
      <h3 className="mb-1 font-semibold">Behind “{found.original_name}”</h3>
      <p className="mb-2 text-ink-2">
        {shots.size
          ? `It has ${shots.size === 1 ? `shot ${[...shots][0]}` : `${shots.size} shots`} otherwise by now`
          : "It is set otherwise by now"}
        . What is translated stays; where words changed it is marked.
      </p>
      <Button disabled={follow.isPending} onClick={() => follow.mutate()}>
        {follow.isPending ? "taking over …" : "Take it over"}
      </Button>
    </section>
  );
}

function ByService({
  film,
  found,
  offered,
  open,
}: {
  film: Film;
  found: Translation;
  offered: string[] | null;
  open: number;
}) {
  const start = useStart(film.id);
  const wish = { kind: "translation" } as const;
  const may = offered?.includes(found.language.split("-")[0]!) ?? false;
  const missing = open + found.shown.filter((s) => !s.text).length;
  const estimate = useEstimate(film.id, wish, film.revision, may && missing > 0).data;
  const going = (useRuns(film.id).data ?? []).some(
    (r) => r.kind === "translation" && r.state === "going",
  );
  return (
    <section aria-label="By a service" className="mb-5 border-b border-rule pb-4">
      <h3 className="mb-1 font-semibold">By a service</h3>
      {!may ? (
        <p className="text-ink-2">
          No service translates into {languageNamed(found.language)}. Take the table out, or plug
          one in.
        </p>
      ) : missing === 0 ? (
        <p className="text-ink-2">All is translated. What a service wrote is to be looked over.</p>
      ) : (
        <>
          <p className="mb-2 text-ink-2">
            It writes what is missing; nothing that is there is touched.
          </p>
          <Button disabled={going || start.isPending} onClick={() => start.mutate(wish)}>
            {going ? "translating …" : `Translate ${missing}`}
            {!going && (
              <span className="font-mono font-normal opacity-75">{money(estimate?.cost ?? 0)}</span>
            )}
          </Button>
        </>
      )}
    </section>
  );
}

function Table({ film }: { film: Film }) {
  const bring = useBringTable(film.id);
  const link =
    "inline-flex h-8 items-center rounded-[5px] border border-rule-strong bg-page px-3 text-[13px] font-medium hover:bg-shade";
  return (
    <section aria-label="By a translator" className="mb-5 border-b border-rule pb-4">
      <h3 className="mb-1 font-semibold">By a translator</h3>
      <p className="mb-2 text-ink-2">
        A row for each passage, with who says it and the seconds there are.
      </p>
      <p className="flex flex-wrap gap-2">
        <a className={link} href={`/api/films/${film.id}/translation.csv`} download>
          Table (CSV)
        </a>
        <a className={link} href={`/api/films/${film.id}/translation.xlf`} download>
          XLIFF
        </a>
        <Bring
          label="Bring the table back"
          title="Bring it back …"
          busy={bring.isPending}
          accept=".csv,.tsv,.xlf,.xliff,text/csv"
          says="the table that was taken out, filled in: CSV, TSV or XLIFF 2.0"
          onFiles={([file]) => file && bring.mutate(file)}
        />
      </p>
    </section>
  );
}

function Length({ found, long }: { found: Translation; long: number }) {
  if (!found.original) return null;
  const more = found.seconds - found.original_seconds;
  return (
    <section aria-label="Length">
      <h3 className="mb-1 font-semibold">Length</h3>
      <p className="text-ink-2">
        {inWords(found.seconds)},{" "}
        {Math.abs(more) < 0.5
          ? "as long as"
          : `${inWords(Math.abs(more))} ${more > 0 ? "longer" : "shorter"} than`}{" "}
        “{found.original_name}”.{" "}
        {long
          ? `${long === 1 ? "One passage takes" : `${long} passages take`} much longer or shorter; their pictures stay as long as they need.`
          : "No passage takes much longer or shorter."}
      </p>
    </section>
  );
}
