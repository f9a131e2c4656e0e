/** The exposure sheet: one row a shot, time down the page, everything beside the words. */
import { useVirtualizer } from "@tanstack/react-virtual";
import { memo, useCallback, useEffect, useMemo, useRef } from "react";
import { Link } from "react-router";

import type { Film, Shot } from "../api/client";
import { useChange, useRuns, useStart } from "../api/film";
import { type PromptKind, copyPrompt } from "../api/prompts";
import { digitOf, useKeys } from "../keys/useKeys";
import { hearShot } from "../parts/hear";
import { Monitor } from "../parts/Monitor";
import { IdeaMark, MoveGlyph, Ring } from "../parts/marks";
import { ShotWords } from "../parts/ShotWords";
import { rateOf, timecode } from "../parts/time";
import { choose, chosen as together, toggle } from "../state/chosen";
import { pointAt, seek, selected, usePlayhead } from "../state/playhead";
import { useStore } from "../state/store";
import { useFilmHere } from "./FilmFrame";
import { nextIdea } from "./Ideas";
import { Particulars } from "./Particulars";
import { CaptionDesk } from "./sheet/CaptionDesk";
import { ChooseDesk } from "./sheet/ChooseDesk";
import { ChosenBar } from "./sheet/ChosenBar";
import { AddWords, CardLine } from "./sheet/CardLine";
import { FinishDesk } from "./sheet/FinishDesk";
import { lastFrame } from "../parts/lastFrame";
import { JoinDesk } from "./sheet/JoinDesk";
import { LaneDesk, isLane } from "./sheet/LaneDesk";
import { Music } from "./sheet/Music";
import { PictureDesk } from "./sheet/PictureDesk";
import { WishDesk } from "./sheet/WishDesk";
import { Sounds } from "./sheet/Sounds";
import { VoiceColumn } from "./VoiceColumn";

const ROW = 124;
const HEAD = 26;
/** How much of its captions finds room in a row, by how many lines stand above or below. */
const CLAMPS = ["line-clamp-6", "line-clamp-4", "line-clamp-3", "line-clamp-2"];
const COLUMNS = "grid-cols-[72px_minmax(190px,1fr)_174px_74px_80px_94px_66px_124px]";
const TITLES: [string, string][] = [
  ["Edge", ""],
  ["Words", ""],
  ["Picture", "bg-slate"],
  ["Move", ""],
  ["Voice", "bg-teal"],
  ["Sound", "bg-moss"],
  ["Music", "bg-ochre"],
  ["Caption", "bg-plum"],
];

/** Keys that copy the prompt of a cell of the row. */
const COPIED: Record<string, PromptKind> = {
  p: "picture",
  o: "motion",
  d: "direction",
  s: "sound",
};

/** A slider, a list or a menu has its own use for the arrows. */
const ofRows = (e: KeyboardEvent) =>
  !(e.target as HTMLElement).closest("[role=slider],[role=listbox],[role=menu]");

type Row = { kind: "scene"; scene: number } | { kind: "shot"; shot: Shot; index: number };

export function Sheet() {
  const film = useFilmHere();
  const change = useChange(film.id);
  const start = useStart(film.id);
  const chosen = useStore(selected);
  const picked = useStore(together);
  useEffect(() => () => choose([]), [film.id]);
  const scroll = useRef<HTMLDivElement>(null);
  const rows = useMemo<Row[]>(() => {
    const out: Row[] = [];
    film.shots.forEach((shot, index) => {
      if (shot.scene !== film.shots[index - 1]?.scene && film.scenes[shot.scene]?.title)
        out.push({ kind: "scene", scene: shot.scene });
      out.push({ kind: "shot", shot, index });
    });
    return out;
  }, [film.shots, film.scenes]);
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: (i) => (rows[i]!.kind === "scene" ? HEAD : ROW),
    overscan: 6,
    useFlushSync: false,
    getItemKey: (i) => {
      const row = rows[i]!;
      return row.kind === "scene" ? `scene ${row.scene}` : row.shot.id;
    },
  });
  useEffect(() => list.measure(), [list, rows]);
  const making = useMaking(film.id);
  const notes = useMemo(() => notesByShot(film.open_notes), [film.open_notes]);
  // Handlers that stay the same let rows stay as they are while the list is scrolled.
  const { mutate } = change;
  const onCircle = useCallback(
    (shot: number, take: string) => mutate({ type: "circle take", shot, take }),
    [mutate],
  );
  const current = film.shots.find((s) => s.id === chosen) ?? film.shots[0];

  const index = film.shots.indexOf(current!);
  useKeys(
    "sheet",
    {
      walk: (e) => {
        const shot = film.shots[index + (e.key === "ArrowDown" ? 1 : -1)];
        if (!shot) return;
        selected.set(shot.id);
        seek(shot.start);
        list.scrollToIndex(
          rows.findIndex((r) => r.kind === "shot" && r.shot.id === shot.id),
          { align: "auto" },
        );
      },
      circle: (e) => {
        const take = current?.takes.find((t) => t.number === digitOf(e));
        if (current && take)
          change.mutate({ type: "circle take", shot: current.id, take: take.id });
      },
      make: () => current && start.mutate({ kind: "pictures", shots: [current.id], takes: 1 }),
      idea: () =>
        current?.ideas.length &&
        change.mutate({
          type: "set shots",
          shots: [current.id],
          values: { idea: nextIdea(current) },
        }),
      hear: () => current && hearShot(film, current),
      copy: (e) => current && void copyPrompt(film.id, current, COPIED[e.key.toLowerCase()]!),
    },
    ofRows,
  );

  return (
    <div className="flex h-full">
      <section aria-label="Sheet" className="flex min-w-0 grow flex-col bg-page">
        <div
          className={`grid ${COLUMNS} h-[30px] shrink-0 items-center border-b border-ink text-ink-2`}
        >
          {TITLES.map(([title, ink], i) => (
            <span
              key={title}
              className={`flex items-center gap-1.5 ${i === 0 ? "pl-3" : i === 1 ? "pl-5" : "pl-2.5"}`}
            >
              {ink && <i className={`size-2.5 shrink-0 rounded-[2px] ${ink}`} />}
              {isLane(title) ? (
                <LaneDesk film={film} lane={title}>
                  {title}
                </LaneDesk>
              ) : title === "Picture" ? (
                <PictureDesk film={film}>{title}</PictureDesk>
              ) : title === "Caption" ? (
                <CaptionDesk film={film}>{title}</CaptionDesk>
              ) : title === "Edge" ? (
                <ChooseDesk film={film}>{title}</ChooseDesk>
              ) : (
                title
              )}
              {title === "Words" && (
                <span className="ml-auto flex pr-3">
                  <WishDesk film={film} />
                </span>
              )}
            </span>
          ))}
        </div>
        <div ref={scroll} className="relative min-h-0 grow overflow-y-auto" tabIndex={-1}>
          <div style={{ height: list.getTotalSize() }} className="relative">
            {list.getVirtualItems().map((item) => {
              const row = rows[item.index]!;
              return (
                <div
                  key={item.key}
                  className="absolute inset-x-0 top-0 [contain:layout_size_style]"
                  style={{ height: item.size, transform: `translateY(${item.start}px)` }}
                >
                  {row.kind === "scene" ? (
                    <SceneHead film={film} scene={row.scene} />
                  ) : (
                    <ShotRow
                      film={film}
                      shot={row.shot}
                      index={row.index}
                      on={row.shot.id === current?.id}
                      picked={picked.has(row.shot.id)}
                      making={making.has(row.shot.id)}
                      notes={notes.get(row.shot.id) ?? 0}
                      onCircle={onCircle}
                    />
                  )}
                </div>
              );
            })}
          </div>
        </div>
        <ChosenBar film={film} from={current} />
      </section>
      <Beside film={film} shot={current} />
    </div>
  );
}

/** What stands beside the rows; it stays as it is while they are scrolled. */
const Beside = memo(function Beside({ film, shot }: { film: Film; shot: Shot | undefined }) {
  return (
    <aside className="flex w-[372px] shrink-0 flex-col overflow-y-auto border-l border-rule-strong bg-ground">
      <Monitor film={film} />
      {shot && <Particulars film={film} shot={shot} />}
    </aside>
  );
});

function useMaking(film: string): Set<number> {
  const runs = useRuns(film).data;
  return useMemo(
    () => new Set((runs ?? []).filter((r) => r.state === "going").flatMap((r) => r.shots)),
    [runs],
  );
}

function SceneHead({ film, scene }: { film: Film; scene: number }) {
  const s = film.scenes[scene]!;
  const first = film.shots.find((shot) => shot.scene === scene);
  return (
    <div className="flex h-full items-center gap-3 border-b border-rule bg-shade px-3">
      <b className="font-semibold">Scene {scene + 1}</b>
      <span className="text-ink-2">{s.title}</span>
      <span className="ml-auto pr-1 text-ink-2">
        {first ? `${first.time}, ${first.weather}` : ""}
      </span>
    </div>
  );
}

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
  onCircle: (shot: number, take: string) => void;
}

const ShotRow = memo(function ShotRow(props: RowProps) {
  const { film, shot, index, on, picked, making, notes, onCircle } = props;
  const rate = rateOf(film.fps);
  const used = shot.takes.find((t) => t.id === shot.used);
  const cell = "border-r border-rule last:border-r-0 overflow-hidden";
  const remark = shot.remarks[0];
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
      <div className="relative flex flex-col border-r border-rule py-2 pl-3 font-mono">
        {picked && (
          <i aria-label="chosen" role="img" className="absolute inset-y-0 left-0 w-[5px] bg-ink" />
        )}
        <b className="text-[14px] font-medium">{shot.edge}</b>
        <span className="text-[12px] text-ink-2">
          {shot.measured ? "" : "≈"}
          {((shot.stop - shot.start) / rate).toFixed(1)} s
        </span>
        {notes > 0 && <NoteMark film={film} shot={shot} notes={notes} />}
        <span className="mt-auto text-[11px] text-ink-2">{timecode(shot.start, film.fps)}</span>
      </div>
      <div className={`${cell} py-2 pl-5 pr-3`}>
        <p
          className={`font-serif text-[15.5px] leading-[1.38] ${remark ? "line-clamp-4" : "line-clamp-5"}`}
        >
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
        {shot.hold > 0 && shot.text && (
          <p className="text-[12px] text-ink-2">held {shot.hold.toFixed(1)} s beyond its words</p>
        )}
        {remark && (
          <p className="mt-0.5 truncate text-[12px] text-grease-ink" title={remark.text}>
            {remark.kind}
          </p>
        )}
      </div>
      <div className={`${cell} px-2.5 pt-2`}>
        <div className="relative h-[86px] overflow-hidden rounded-[3px]">
          {shot.plate ? (
            <img
              src={lastFrame(film, shot)}
              alt={`Plate of shot ${shot.edge}: ${shot.plate.plate.sort}`}
              loading="lazy"
              className="size-full bg-shade object-contain"
            />
          ) : used ? (
            <img
              src={`/media/${used.thumb}`}
              alt={`Picture of shot ${shot.edge}`}
              loading="lazy"
              className={`size-full ${film.settings.aspect === "16:9" ? "object-cover" : "bg-shade object-contain"}`}
            />
          ) : (
            <div className="flex size-full items-center justify-center border border-dashed border-rule-strong text-[12px] text-ink-2">
              no picture yet
            </div>
          )}
          {shot.picture_of !== shot.id && (
            <span className="absolute right-1.5 top-1.5 rounded-[3px] bg-page px-1.5 text-[12px]">
              as shot{" "}
              <span className="font-mono">
                {film.shots.find((s) => s.id === shot.picture_of)?.edge}
              </span>
            </span>
          )}
          {shot.stale && (
            <>
              <span className="hatch absolute inset-0" />
              <span className="absolute bottom-1.5 left-1.5 rounded-[3px] bg-page px-1.5 text-[12px]">
                stale: prompt changed
              </span>
            </>
          )}
          {making && <span className="making absolute inset-0" aria-label="being made" />}
          <span className="absolute bottom-1 right-1">
            <FinishDesk film={film} shot={shot} />
          </span>
        </div>
        <div className="flex items-center pt-0.5">
          {shot.takes.slice(-5).map((t) => (
            <button
              key={t.id}
              type="button"
              title={t.id === shot.used ? `Take ${t.number} is used` : `Circle take ${t.number}`}
              aria-label={`Circle take ${t.number} of shot ${shot.edge}`}
              aria-pressed={t.id === shot.used}
              onClick={(e) => {
                e.stopPropagation();
                onCircle(shot.id, t.id);
              }}
            >
              <Ring number={t.number} on={t.id === shot.used} hatched={t.id !== shot.own_circled} />
            </button>
          ))}
          <span
            className="ml-auto flex min-w-0 items-center gap-1 truncate text-ink-2"
            title={shot.idea ? `${shot.idea}: ${shot.why.action ?? ""}` : undefined}
          >
            {shot.idea && <IdeaMark sort={shot.idea} on={!!shot.own.idea} />}
            {shot.framing}
          </span>
        </div>
      </div>
      <div className={`${cell} px-2.5 pt-2.5`}>
        <MoveGlyph move={shot.move} />
        <p className="mt-1 leading-tight text-ink-2">{shot.move}</p>
        {shot.acts.length > 0 && (
          <p
            className="mt-1 line-clamp-3 text-[12px] leading-tight text-ink-2"
            title={shot.acts.join(", ")}
          >
            {shot.acts[0]!.split(": ")[1]}
            {shot.acts.length > 1 ? ` +${shot.acts.length - 1}` : ""}
          </p>
        )}
      </div>
      <div className={`${cell} flex flex-col items-center pt-1.5`}>
        <VoiceColumn film={film} shot={shot} on={on} />
      </div>
      <div className={`${cell} relative`}>
        <Sounds film={film} shot={shot} rate={rate} />
      </div>
      <div className={`${cell} relative`}>
        <Music film={film} shot={shot} rate={rate} />
      </div>
      <div className="overflow-hidden py-2 pl-2.5 pr-2 text-[12px] leading-[1.4] text-ink-2">
        {shot.cards.map((card) => (
          <CardLine
            key={`${card.sort}${card.number}${card.start}`}
            film={film}
            shot={shot}
            card={card}
          />
        ))}
        <p className={CLAMPS[Math.min(2, shot.cards.length) + (on ? 1 : 0)]}>
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

function notesByShot(open: Film["open_notes"]): Map<number, number> {
  const out = new Map<number, number>();
  for (const [shot] of open) out.set(shot, (out.get(shot) ?? 0) + 1);
  return out;
}

/** Notes of a screening that are not done, and the way to them. */
const NoteMark = ({ film, shot, notes }: { film: Film; shot: Shot; notes: number }) => (
  <Link
    to={`/film/${film.id}/screening`}
    aria-label={`${notes} ${notes === 1 ? "note" : "notes"} on shot ${shot.edge}, to the screening`}
    title={`${notes} open ${notes === 1 ? "note" : "notes"}`}
    className="mt-1 flex size-6 items-center justify-center rounded-full bg-grease font-sans text-[12px] text-page hover:opacity-85"
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
