/** Notes of the film, in the order of its time: read, answered, done; a new one is written here. */
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import type { PlacedNote } from "../../api/screening";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Area, Field } from "../../parts/Field";
import { timecode } from "../../parts/time";
import { pointAt, seek } from "../../state/playhead";
import { useStore } from "../../state/store";
import { setViewer, today, viewer } from "../../state/viewer";
import { dayTold } from "./Agreement";

const WHICH = [
  ["open", "open ones"],
  ["done", "done ones"],
  ["all", "all"],
] as const;

interface Props {
  film: Film;
  notes: readonly PlacedNote[];
  chosen: number | null;
  onChoose: (note: number | null) => void;
  /** A note is being written. */
  draft: boolean;
  /** What the new note is about on the picture, in words; empty: nothing is drawn. */
  drawn: string;
  about: string;
  onKeep: (text: string, by: string) => void;
  onLeave: () => void;
  onNew: () => void;
}

export function Notes(props: Props) {
  const { film, notes, chosen, draft } = props;
  const [which, setWhich] = useState("open");
  const [by, setBy] = useState("anybody");
  const names = [...new Set(notes.map((n) => n.note.by))].sort();
  const open = notes.filter((n) => !n.note.done).length;
  const shown = notes
    .map((n, i) => [i + 1, n] as const)
    .filter(([, n]) => which === "all" || n.note.done === (which === "done"))
    .filter(([, n]) => by === "anybody" || n.note.by === by);
  return (
    <aside
      aria-label="Notes"
      className="flex h-full min-h-0 flex-col border-l border-rule-strong px-5 pt-4"
    >
      <div className="flex items-baseline">
        <h2 className="font-serif text-[20px] font-bold">Notes</h2>
        <span role="status" className="ml-auto text-ink-2">
          {notes.length ? `${open} open, ${notes.length - open} done` : "none yet"}
        </span>
      </div>
      {notes.length > 0 && (
        <div className="mt-1 flex items-center gap-3 border-b border-rule pb-2 text-ink-2">
          <Choice quiet label="Which notes" value={which} options={WHICH} onChange={setWhich} />
          {names.length > 1 && (
            <Choice
              quiet
              label="By whom"
              value={by}
              options={[["anybody", "by anybody"], ...names.map((n) => [n, `by ${n}`] as const)]}
              onChange={setBy}
            />
          )}
          <a
            className="ml-auto underline decoration-rule-strong underline-offset-2 hover:text-ink"
            href={`/api/films/${film.id}/notes.csv`}
            download
          >
            as a table
          </a>
        </div>
      )}
      {draft && <Draft {...props} />}
      <ol aria-label="List of notes" className="min-h-0 grow overflow-y-auto">
        {shown.map(([number, placed]) => (
          <Entry
            key={placed.note.id}
            film={film}
            number={number}
            placed={placed}
            chosen={placed.note.id === chosen}
            onChoose={props.onChoose}
          />
        ))}
        {!notes.length && !draft && (
          <li className="pt-4 text-ink-2">
            <p className="mb-3">
              Stop where something should be otherwise, and note it; draw around what you mean. It
              stands on the Sheet until it is done.
            </p>
            <Button onClick={props.onNew}>Note here</Button>
          </li>
        )}
      </ol>
    </aside>
  );
}

interface EntryProps {
  film: Film;
  number: number;
  placed: PlacedNote;
  chosen: boolean;
  onChoose: (note: number | null) => void;
}

function Entry({ film, number, placed, chosen, onChoose }: EntryProps) {
  const { note } = placed;
  const change = useChange(film.id);
  const name = useStore(viewer);
  const [answer, setAnswer] = useState("");
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (chosen) here.current?.scrollIntoView({ block: "nearest" });
  }, [chosen]);
  const shot = film.shots.find((s) => s.id === placed.shot);
  const about = [
    placed.lost ? "its words are gone" : `shot ${shot?.edge ?? ""}`,
    note.frames > 1 ? `until ${timecode(placed.end, film.fps)}` : "",
    note.outline.length > 2 ? "drawn on the picture" : "",
    note.outline.length && note.outline.length < 3 ? "a spot on the picture" : "",
  ].filter(Boolean);
  const quiet =
    "inline-flex min-h-6 items-center underline decoration-rule-strong underline-offset-2 hover:text-ink";
  return (
    <li ref={here} className={`border-b border-rule py-3 ${note.done ? "opacity-70" : ""}`}>
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={`Note ${number} at ${timecode(placed.start, film.fps)}`}
        className="grid w-full grid-cols-[28px_1fr] gap-x-2 text-left"
        onClick={() => {
          if (shot && !placed.lost) pointAt(shot);
          if (!placed.lost) seek(placed.start);
          onChoose(chosen ? null : note.id);
        }}
      >
        <span
          className={`mt-px flex size-[22px] items-center justify-center rounded-full border border-grease text-[12px] ${chosen ? "bg-grease text-[#191613]" : "text-ink"}`}
        >
          {number}
        </span>
        <span className="text-ink-2">
          <span className="font-mono text-[12px] text-ink">{timecode(placed.start, film.fps)}</span>
          <span className="ml-2">{note.by}</span>
          {note.on && `, ${dayTold(note.on)}`}
        </span>
        <span className="col-start-2 font-serif text-[15px] leading-snug [overflow-wrap:anywhere]">
          {note.text}
        </span>
        <span className="col-start-2 text-[12px] text-ink-2">{about.join(", ")}</span>
      </button>
      {note.answers!.map((a, i) => (
        <p key={i} className="ml-9 mt-1 border-l border-rule-strong pl-2">
          <span className="text-ink-2">{a.by}:</span> {a.text}
        </p>
      ))}
      {chosen && (
        <div className="ml-9 mt-2">
          <form
            className="mb-1 flex gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              if (!answer.trim()) return;
              const by = name || "the maker";
              const said = { by, text: answer.trim(), on: today() };
              change.mutate({ type: "answer note", note: note.id!, answer: said });
              setAnswer("");
            }}
          >
            <Field
              aria-label={`Answer to note ${number}`}
              placeholder="answer, and Enter"
              value={answer}
              maxLength={2000}
              onChange={(e) => setAnswer(e.target.value)}
            />
          </form>
          <p className="flex gap-4 text-ink-2">
            <button
              type="button"
              className={quiet}
              onClick={() => change.mutate({ type: "set note", note: note.id!, done: !note.done })}
            >
              {note.done ? "open again" : "done"}
            </button>
            <button
              type="button"
              className={quiet}
              onClick={() => change.mutate({ type: "drop note", note: note.id! })}
            >
              take away
            </button>
            {!placed.lost && (
              <Link className={`${quiet} ml-auto`} to={`/film/${film.id}/sheet`}>
                its row on the Sheet
              </Link>
            )}
          </p>
        </div>
      )}
    </li>
  );
}

function Draft({ drawn, about, onKeep, onLeave }: Props) {
  const name = useStore(viewer);
  const [text, setText] = useState("");
  const [by, setBy] = useState(name);
  const keep = () => {
    if (!text.trim()) return;
    const called = by.trim() || "the maker";
    setViewer(called);
    onKeep(text.trim(), called);
  };
  return (
    <form
      aria-label="New note"
      className="border-b border-rule py-3"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
      onKeyDown={(e) => {
        if (e.key === "Escape") onLeave();
        if (e.key === "Enter" && (e.ctrlKey || e.metaKey)) keep();
      }}
    >
      <p className="mb-1.5 text-ink-2">
        {about}. {drawn || "Draw around what you mean, or click it."}
      </p>
      <Area
        autoFocus
        aria-label="Note"
        rows={3}
        maxLength={2000}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={() => undefined}
      />
      <div className="mt-1.5 flex items-center gap-2">
        <Field
          aria-label="Your name"
          placeholder="your name"
          maxLength={60}
          value={by}
          onChange={(e) => setBy(e.target.value)}
          onKeyDown={() => undefined}
          className="!w-[120px]"
        />
        <Button kind="ink" type="submit" disabled={!text.trim()}>
          Keep
        </Button>
        <Button kind="quiet" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
