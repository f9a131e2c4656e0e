/** The exposure sheet: one row a shot, time down the page, everything beside the words. */
import { useVirtualizer } from "@tanstack/react-virtual";
import { memo, useCallback, useEffect, useMemo, useRef } from "react";
import { Rows3, Rows4 } from "lucide-react";
import type { Film, Shot } from "../api/client";
import { useChange, useRuns, useStart } from "../api/film";
import { type PromptKind, copyPrompt } from "../api/prompts";
import { digitOf, useKeys } from "../keys/useKeys";
import { hearShot } from "../parts/hear";
import { Monitor } from "../parts/Monitor";
import { choose, chosen as together } from "../state/chosen";
import { seek, selected } from "../state/playhead";
import { rows as density, setRows } from "../state/rows";
import { useStore } from "../state/store";
import { useFilmHere } from "./FilmFrame";
import { nextIdea } from "./Ideas";
import { Particulars } from "./Particulars";
import { CaptionDesk } from "./sheet/CaptionDesk";
import { ChooseDesk } from "./sheet/ChooseDesk";
import { ChosenBar } from "./sheet/ChosenBar";
import { LaneDesk, isLane } from "./sheet/LaneDesk";
import { PictureDesk } from "./sheet/PictureDesk";
import { WishDesk } from "./sheet/WishDesk";
import { COLUMNS, ShotRow } from "./sheet/ShotRow";

/** How high rows are, in pixels. */
const ROWS = { roomy: 124, close: 64 };
const HEAD = 26;
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
  const close = useStore(density);
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
    estimateSize: (i) => (rows[i]!.kind === "scene" ? HEAD : ROWS[close]),
    overscan: 3,
    useFlushSync: false,
    getItemKey: (i) => {
      const row = rows[i]!;
      return row.kind === "scene" ? `scene ${row.scene}` : row.shot.id;
    },
  });
  useEffect(() => list.measure(), [list, rows, close]);
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
      rows: () => setRows(close === "close" ? "roomy" : "close"),
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
                <span className="ml-auto flex items-center gap-1 pr-3">
                  <RowsSwitch />
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
                      low={close === "close"}
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

/** Rows further apart, or so close that twice as many are seen. */
function RowsSwitch() {
  const close = useStore(density) === "close";
  const says = close ? "Rows further apart" : "Rows closer together";
  const Glyph = close ? Rows3 : Rows4;
  return (
    <button
      type="button"
      aria-label={says}
      title={`${says} (X)`}
      className="flex size-6 items-center justify-center rounded-[3px] hover:bg-shade"
      onClick={() => setRows(close ? "roomy" : "close")}
    >
      <Glyph className="size-4" />
    </button>
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

function notesByShot(open: Film["open_notes"]): Map<number, number> {
  const out = new Map<number, number>();
  for (const [shot] of open) out.set(shot, (out.get(shot) ?? 0) + 1);
  return out;
}
