/** A row of the Sheet: a shot with everything that belongs to it, in columns; lower where rows stand close. */
import { memo } from "react";
import { Link } from "react-router";

import type { Film, Shot } from "../../api/client";
import { MoveGlyph } from "../../parts/marks";
import { ShotWords } from "../../parts/ShotWords";
import { rateOf, timecode } from "../../parts/time";
import { choose, toggle } from "../../state/chosen";
import { pointAt, seek, selected, usePlayhead } from "../../state/playhead";
import { VoiceColumn } from "../VoiceColumn";
import { AddWords, CardLine } from "./CardLine";
import { JoinDesk } from "./JoinDesk";
import { Music } from "./Music";
import { PictureCell } from "./PictureCell";
import { Sounds } from "./Sounds";

/** The widths of the columns. */
export const COLUMNS = "grid-cols-[72px_minmax(190px,1fr)_174px_74px_80px_94px_66px_124px]";
/** How much of its captions finds room in a row, by how many lines stand above or below. */
const CLAMPS = ["line-clamp-6", "line-clamp-4", "line-clamp-3", "line-clamp-2"];
const LOW_CLAMPS = ["line-clamp-3", "line-clamp-2", "line-clamp-1", "line-clamp-1"];

/** The shots from one up to another, in the order of the film. */
function between(film: Film, one: number | null, other: number): number[] {
  const at = [one ?? other, other].map((id) => film.shots.findIndex((s) => s.id === id));
  const [from, to] = [Math.max(0, Math.min(...at)), Math.max(...at)];
  return film.shots.slice(from, to + 1).map((s) => s.id);
}

interface RowProps {
  film: Film;
  shot: Shot;
  index: number;
  on: boolean;
  /** Whether it is chosen together with others. */
  picked: boolean;
  making: boolean;
  /** Notes of the shot that are not done. */
  notes: number;
  /** Whether rows stand close. */
  low: boolean;
  onCircle: (shot: number, take: string) => void;
}

const CELL = "border-r border-rule last:border-r-0 overflow-hidden";

export const ShotRow = memo(function ShotRow(props: RowProps) {
  const { film, shot, index, on, picked, making, notes, low, onCircle } = props;
  const rate = rateOf(film.fps);
  return (
    <div
      data-shot={shot.edge}
      data-on={on || undefined}
      onClick={(e) => {
        if (e.ctrlKey || e.metaKey) return toggle(shot.id);
        if (e.shiftKey) return choose(between(film, selected.get(), shot.id));
        selected.set(shot.id);
        seek(shot.start);
      }}
      className={`group relative grid h-full cursor-default ${COLUMNS} border-b border-rule ${on ? "bg-shade" : "hover:bg-[color-mix(in_srgb,var(--shade)_45%,transparent)]"}`}
    >
      <PlayLine shot={shot} />
      {index > 0 && <JoinDesk film={film} shot={shot} before={film.shots[index - 1]} />}
      <div
        className={`relative flex flex-col border-r border-rule pl-3 font-mono ${low ? "py-1.5" : "py-2"}`}
      >
        {picked && (
          <i aria-label="chosen" role="img" className="absolute inset-y-0 left-0 w-[5px] bg-ink" />
        )}
        <b className="text-[14px] font-medium">{shot.edge}</b>
        <span className="text-[12px] text-ink-2">
          {shot.measured ? "" : "≈"}
          {((shot.stop - shot.start) / rate).toFixed(1)} s
        </span>
        {notes > 0 && <NoteMark film={film} shot={shot} notes={notes} low={low} />}
        {!low && (
          <span className="mt-auto text-[11px] text-ink-2">{timecode(shot.start, film.fps)}</span>
        )}
      </div>
      <WordsCell film={film} shot={shot} on={on} low={low} />
      <div className={`${CELL} px-2.5 ${low ? "pt-1" : "pt-2"}`}>
        <PictureCell film={film} shot={shot} making={making} low={low} onCircle={onCircle} />
      </div>
      <div className={`${CELL} px-2.5 ${low ? "pt-1.5" : "pt-2.5"}`}>
        <MoveGlyph move={shot.move} />
        <p className={`leading-tight text-ink-2 ${low ? "truncate text-[12px]" : "mt-1"}`}>
          {shot.move}
        </p>
        {!low && shot.acts.length > 0 && (
          <p
            className="mt-1 line-clamp-3 text-[12px] leading-tight text-ink-2"
            title={shot.acts.join(", ")}
          >
            {shot.acts[0]!.split(": ")[1]}
            {shot.acts.length > 1 ? ` +${shot.acts.length - 1}` : ""}
          </p>
        )}
      </div>
      <div className={`${CELL} flex flex-col items-center pt-1.5`}>
        <VoiceColumn film={film} shot={shot} on={on && !low} low={low} />
      </div>
      <div className={`${CELL} relative`}>
        <Sounds film={film} shot={shot} rate={rate} low={low} />
      </div>
      <div className={`${CELL} relative`}>
        <Music film={film} shot={shot} rate={rate} low={low} />
      </div>
      <div
        className={`overflow-hidden pl-2.5 pr-2 text-[12px] leading-[1.4] text-ink-2 ${low ? "py-1" : "py-2"}`}
      >
        {shot.cards.slice(0, low ? 1 : undefined).map((card) => (
          <CardLine
            key={`${card.sort}${card.number}${card.start}`}
            film={film}
            shot={shot}
            card={card}
          />
        ))}
        <p className={(low ? LOW_CLAMPS : CLAMPS)[Math.min(2, shot.cards.length) + (on ? 1 : 0)]}>
          {film.captions
            .filter((c) => c.start >= shot.start / rate - 0.05 && c.start < shot.stop / rate - 0.05)
            .map((c, i) => (
              <span key={c.start}>
                {i > 0 && <i className="not-italic text-plum"> | </i>}
                {c.lines.join(" ")}
              </span>
            ))}
        </p>
        {on && <AddWords film={film} shot={shot} />}
      </div>
    </div>
  );
});

interface CellProps {
  film: Film;
  shot: Shot;
  on: boolean;
  low: boolean;
}

/** What is said, what is held beyond it, and what is to be looked at again. */
function WordsCell({ film, shot, on, low }: CellProps) {
  const remark = shot.remarks[0];
  const lines = low
    ? `text-[14px] leading-[1.3] ${remark ? "line-clamp-2" : "line-clamp-3"}`
    : `text-[15.5px] leading-[1.38] ${remark ? "line-clamp-4" : "line-clamp-5"}`;
  return (
    <div className={`${CELL} pl-5 pr-3 ${low ? "py-1" : "py-2"}`}>
      <p className={`font-serif ${lines}`}>
        {shot.text ? (
          on ? (
            <ShotWords film={film} shot={shot} />
          ) : (
            shot.said || shot.text
          )
        ) : (
          <i className="text-ink-2">a hold, without words</i>
        )}
      </p>
      {!low && shot.hold > 0 && shot.text && (
        <p className="text-[12px] text-ink-2">held {shot.hold.toFixed(1)} s beyond its words</p>
      )}
      {remark && (
        <p className="mt-0.5 truncate text-[12px] text-grease-ink" title={remark.text}>
          {remark.kind}
        </p>
      )}
    </div>
  );
}

/** Notes of a screening that are not done, and the way to them. */
const NoteMark = ({
  film,
  shot,
  notes,
  low,
}: Pick<RowProps, "film" | "shot" | "notes" | "low">) => (
  <Link
    to={`/film/${film.id}/screening`}
    aria-label={`${notes} ${notes === 1 ? "note" : "notes"} on shot ${shot.edge}, to the screening`}
    title={`${notes} open ${notes === 1 ? "note" : "notes"}`}
    className={`flex size-6 items-center justify-center rounded-full bg-grease font-sans text-[12px] text-page hover:opacity-85 ${low ? "absolute right-1.5 top-1" : "mt-1"}`}
    onClick={() => pointAt(shot)}
  >
    {notes}
  </Link>
);

/** The playhead where it stands in this row. Rows are as tall as each other; the line moves at the shot's own pace. */
function PlayLine({ shot }: { shot: Shot }) {
  const frame = usePlayhead();
  if (frame < shot.start || frame >= shot.stop) return null;
  const share = (frame - shot.start) / Math.max(1, shot.stop - shot.start);
  return (
    <span
      className="pointer-events-none absolute inset-x-0 z-20 h-px bg-grease"
      style={{ top: `${share * 100}%` }}
    />
  );
}
