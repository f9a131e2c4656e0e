/** Other programs: the film in its parts, as a timeline, and a timeline that comes back. */
import { useRef, useState } from "react";

import type { Film } from "../../api/client";
import { useChange, useEstimate, useRuns, useStart } from "../../api/film";
import { type BackChange, useTimelineBack } from "../../api/publishing";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { RunControls } from "../../parts/RunControls";
import { TakenFiles, filesOf } from "../../parts/TakenFiles";
import { inWords } from "../../parts/time";
import { OutsideTools } from "./OutsideTools";

const link =
  "inline-flex h-8 items-center rounded-[5px] border border-rule-strong bg-page px-3 font-medium hover:bg-shade";

export function Programs({ film }: { film: Film }) {
  return (
    <div className="grid h-full grid-cols-2 gap-8 overflow-y-auto px-6 py-5">
      <div>
        <Parts film={film} />
        <section aria-label="Timelines" className="mt-6">
          <h2 className="mb-1 font-serif text-[20px] font-bold">Timelines</h2>
          <p className="mb-3 text-ink-2">
            They point at the files of the parts: lay them into the same folder.
          </p>
          <p className="flex gap-2">
            <a className={link} href={`/api/films/${film.id}/timeline.otio`} download>
              OpenTimelineIO
            </a>
            <a className={link} href={`/api/films/${film.id}/timeline.edl`} download>
              Edit list (CMX 3600)
            </a>
            <a className={link} href={`/api/films/${film.id}/mix/cues.csv`} download>
              Cue sheet
            </a>
          </p>
        </section>
      </div>
      <div>
        <Back film={film} />
        <OutsideTools film={film} />
        <Whole film={film} />
      </div>
    </div>
  );
}

function Parts({ film }: { film: Film }) {
  const start = useStart(film.id);
  const runs = (useRuns(film.id).data ?? []).filter((r) => r.kind === "parts");
  const going = runs.find((r) => r.state === "going" || r.state === "paused");
  const last = runs.find((r) => r.state === "done" && filesOf(r));
  const [pictures, setPictures] = useState<"stills" | "moving">("stills");
  const [form, setForm] = useState<"zip" | "bundle">("zip");
  const wish = { kind: "parts", pictures, bundle: form === "bundle" } as const;
  const estimate = useEstimate(film.id, wish, film.revision, !going).data;
  const unsaid = (last?.outcome as { unsaid?: string[] } | undefined)?.unsaid ?? [];
  return (
    <section aria-label="Parts">
      <h2 className="mb-1 font-serif text-[20px] font-bold">The film in its parts</h2>
      <p className="mb-3 text-ink-2">
        Pictures, lines, sounds and music as files, numbered and named by edge; captions, notes, the
        shot list and both timelines with them, in one zip. Or the timeline with its media alone, as
        one file (.otioz) that other programs open.
      </p>
      {going ? (
        <RunControls film={film} run={going} />
      ) : (
        <div className="flex flex-wrap items-center gap-2">
          <Choice
            label="Pictures of the parts"
            value={pictures}
            options={[
              ["stills", "still pictures"],
              ["moving", "moving pictures, 1080p, with handles"],
            ]}
            onChange={(p) => setPictures(p as "stills" | "moving")}
          />
          <Choice
            label="How the parts are packed"
            value={form}
            options={[
              ["zip", "in a zip"],
              ["bundle", "OpenTimelineIO with media"],
            ]}
            onChange={(f) => setForm(f as "zip" | "bundle")}
          />
          <Button kind="ink" disabled={start.isPending} onClick={() => start.mutate(wish)}>
            Take the parts out
          </Button>
          {estimate && estimate.seconds > 5 && (
            <span className="text-ink-2">about {inWords(estimate.seconds)}</span>
          )}
        </div>
      )}
      {estimate && estimate.lacks.length > 0 && (
        <p className="mt-2 text-ink-2">Lacking now: {estimate.lacks.join(", ")}.</p>
      )}
      {runs[0]?.state === "failed" && <p className="mt-2 text-grease-ink">{runs[0].message}</p>}
      {last && (
        <>
          <TakenFiles run={last} />
          {unsaid.length > 0 && (
            <>
              <h3 className="mt-3 text-ink-2">What the timelines do not say</h3>
              <ul className="list-disc pl-4 text-[12px] text-ink-2">
                {unsaid.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </>
          )}
        </>
      )}
    </section>
  );
}

/** The film as one archive. */
function Whole({ film }: { film: Film }) {
  const start = useStart(film.id);
  const runs = (useRuns(film.id).data ?? []).filter((r) => r.kind === "archive");
  const going = runs.find((r) => r.state === "going" || r.state === "paused");
  const last = runs.find((r) => r.state === "done" && filesOf(r));
  return (
    <section aria-label="The film whole" className="mt-5 border-t border-rule-strong pt-3">
      <h3 className="font-semibold">The film whole</h3>
      <p className="my-1 text-ink-2">
        Its document, history, takes and all media by hash, in one archive: another Cut Reel brings
        it in from its shelf to the same film.
      </p>
      {going ? (
        <RunControls film={film} run={going} />
      ) : (
        <Button disabled={start.isPending} onClick={() => start.mutate({ kind: "archive" })}>
          Pack the film
        </Button>
      )}
      {runs[0]?.state === "failed" && <p className="mt-2 text-grease-ink">{runs[0].message}</p>}
      {last && <TakenFiles run={last} />}
    </section>
  );
}

/** A timeline that comes back: what it would change, taken one by one. */
function Back({ film }: { film: Film }) {
  const input = useRef<HTMLInputElement>(null);
  const back = useTimelineBack(film.id);
  const change = useChange(film.id);
  const [text, setText] = useState<string | null>(null);
  const [found, setFound] = useState<BackChange[] | null>(null);
  const look = (told: string) => back.mutate(told, { onSuccess: setFound });
  const take = (entry: BackChange) =>
    entry.command && change.mutate(entry.command, { onSuccess: () => text !== null && look(text) });
  return (
    <section aria-label="A timeline that comes back">
      <h2 className="mb-1 font-serif text-[20px] font-bold">A timeline that comes back</h2>
      <p className="mb-3 text-ink-2">
        Lengths and an order that were changed elsewhere, and shots that were taken out, become
        changes here. Nothing is changed before you take it.
      </p>
      <Button onClick={() => input.current?.click()} disabled={back.isPending}>
        {back.isPending ? "Reading …" : "Bring a timeline back"}
      </Button>
      <input
        ref={input}
        type="file"
        accept=".otio,.edl,.json,.txt"
        aria-label="A timeline from another program"
        className="hidden"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          void file?.text().then((told) => {
            setText(told);
            look(told);
          });
        }}
      />
      {found && (
        <div className="mt-3" role="status">
          {found.length === 0 ? (
            <p className="text-ink-2">It has the film as it is here.</p>
          ) : (
            <ul aria-label="What the timeline would change">
              {found.map((entry) => (
                <li
                  key={entry.edge + entry.says}
                  className="flex min-h-9 items-center gap-3 border-t border-rule"
                >
                  <span className="w-10 font-mono">{entry.edge}</span>
                  <span className={entry.command ? "" : "text-ink-2"}>{entry.says}</span>
                  {entry.command && (
                    <Button
                      className="ml-auto"
                      disabled={change.isPending}
                      onClick={() => take(entry)}
                    >
                      Take it
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </section>
  );
}
