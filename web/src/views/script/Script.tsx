/** The manuscript on a page: words edited in place, cut marks between them, remarks in the margin, pace at the side. */
import { useVirtualizer } from "@tanstack/react-virtual";
import { useCallback, useMemo, useRef, useState } from "react";

import type { Shot } from "../../api/client";
import { useChange } from "../../api/film";
import { type Deeds, useKeys } from "../../keys/useKeys";
import { seek, selected } from "../../state/playhead";
import { useFilmHere } from "../FilmFrame";
import { type Block, blocksOf } from "./blocks";
import { cursor } from "./cursor";
import { Paragraph } from "./Paragraph";
import { useFollowSelection } from "./passage";
import { remedyOf } from "./Remarks";
import { isHold } from "./shots";
import { Side, desk } from "./Side";

/** Keys of the manuscript are for its words; on a button or a field of the desk they mean that. */
const inPage = (e: KeyboardEvent) =>
  !!(e.target as HTMLElement).closest("[data-word]") || document.activeElement === document.body;

export function Script() {
  const film = useFilmHere();
  const change = useChange(film.id);
  const blocks = useMemo(() => blocksOf(film), [film]);
  const shotAt = useMemo(
    () => new Map(film.shots.filter((s) => !isHold(s)).map((s) => [s.first, s])),
    [film.shots],
  );
  const holds = useMemo(() => holdsOf(film.shots), [film.shots]);
  useFollowSelection();
  const scroll = useRef<HTMLDivElement>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const list = useVirtualizer({
    count: blocks.length,
    getScrollElement: () => scroll.current,
    estimateSize: (i) =>
      blocks[i]!.kind === "words"
        ? 44 + Math.ceil((blocks[i]!.stop - blocks[i]!.start) / 66) * 31
        : 46,
    overscan: 8,
    getItemKey: (i) => blocks[i]!.key,
  });

  const toggle = useCallback(
    (word: number) => {
      const shot = shotAt.get(word);
      if (shot && word > 0) change.mutate({ type: "lift mark", shot: shot.id });
      else if (word > 0)
        change.mutate({ type: "set mark", word: film.words[word]![2], same_picture: false });
    },
    [change, film.words, shotAt],
  );
  const push = useCallback(
    (shot: Shot, words: number) => change.mutate({ type: "push mark", shot: shot.id, words }),
    [change],
  );

  const focusWord = useCallback(
    (word: number) => {
      const to = Math.min(film.words.length - 1, Math.max(0, word));
      cursor.set(to);
      const index = blocks.findIndex((b) => b.kind === "words" && b.first <= to && to < b.end);
      if (index >= 0) list.scrollToIndex(index, { align: "auto" });
      window.setTimeout(
        () =>
          document
            .querySelector<HTMLElement>(`[data-word="${to}"]`)
            ?.focus({ preventScroll: false }),
        0,
      );
      const shot = film.shots.find((s) => to < s.end);
      if (shot) {
        selected.set(shot.id);
        seek(shot.start);
      }
    },
    [blocks, film, list],
  );

  const markAtCursor = () => {
    const at = cursor.get();
    const shot = at > 0 ? shotAt.get(at) : undefined;
    return shot && { at, shot };
  };
  const shotAtCursor = () =>
    film.shots.find((s) => s.first <= cursor.get() && cursor.get() < s.end);
  const keys: Deeds<"script"> = {
    walk: (e) => {
      const at = cursor.get();
      if (e.key === "ArrowRight") focusWord(at + 1);
      else if (e.key === "ArrowLeft") focusWord(at - 1);
      else focusWord(wordBeside(at, e.key === "ArrowDown"));
    },
    mark: () => toggle(cursor.get()),
    lift: () => {
      const here = markAtCursor();
      if (here) change.mutate({ type: "lift mark", shot: here.shot.id });
    },
    push: (e) => {
      const here = markAtCursor();
      const way = e.key === "ArrowRight" ? 1 : -1;
      if (!here) return;
      push(here.shot, way);
      focusWord(here.at + way);
    },
    edit: () => {
      const at = cursor.get();
      const block = blocks.find((b) => b.kind === "words" && b.first <= at && at < b.end);
      setEditing(block?.key ?? null);
    },
    remedy: () => {
      const here = shotAtCursor();
      const remedy = here?.remarks[0] && remedyOf(film, here, here.remarks[0]);
      if (remedy) change.mutate(remedy.command);
    },
    shot: () => desk.set("shot"),
    who: () => {
      desk.set("who");
      window.setTimeout(
        () => document.querySelector<HTMLElement>("[data-who] button")?.focus(),
        60,
      );
    },
  };
  useKeys("script", keys, inPage);

  const save = (block: Block, text: string) => {
    setEditing(null);
    if (text !== film.text.slice(block.start, block.stop))
      change.mutate({ type: "edit text", start: block.start, end: block.stop, insert: text });
  };

  return (
    <div className="flex h-full">
      <div ref={scroll} className="min-w-0 grow overflow-y-auto px-6 pt-[18px]" tabIndex={-1}>
        <article
          aria-label="Manuscript"
          className="relative mx-auto max-w-[1010px] border border-rule-strong bg-page pb-24 pt-6"
          style={{ minHeight: "100%" }}
        >
          <div className="relative" style={{ height: list.getTotalSize() }}>
            {list.getVirtualItems().map((item) => {
              const block = blocks[item.index]!;
              return (
                <div
                  key={item.key}
                  ref={list.measureElement}
                  data-index={item.index}
                  className="absolute inset-x-0 top-0"
                  style={{ transform: `translateY(${item.start}px)` }}
                >
                  <Paragraph
                    film={film}
                    block={block}
                    shotAt={shotAt}
                    holds={holds}
                    editing={editing === block.key}
                    onEdit={() => setEditing(block.key)}
                    onSave={(text) => save(block, text)}
                    onLeave={() => setEditing(null)}
                    onStep={(way, text) => {
                      save(block, text);
                      setEditing(blocks[item.index + way]?.key ?? null);
                    }}
                    onToggle={toggle}
                    onPush={push}
                    onFocus={focusWord}
                  />
                </div>
              );
            })}
          </div>
        </article>
      </div>
      <Side film={film} onWord={focusWord} />
    </div>
  );
}

/** The word above or below: the nearest on the next line of text as it is laid out now. */
function wordBeside(at: number, down: boolean): number {
  const here = document.querySelector<HTMLElement>(`[data-word="${at}"]`)?.getBoundingClientRect();
  if (!here) return at;
  let best = at;
  let cost = Infinity;
  document.querySelectorAll<HTMLElement>("[data-word]").forEach((el) => {
    const box = el.getBoundingClientRect();
    const dy = down ? box.top - here.top : here.top - box.top;
    if (dy < 8) return;
    const c = dy * 4 + Math.abs(box.left - here.left);
    if (c < cost) {
      cost = c;
      best = Number(el.dataset.word);
    }
  });
  return best;
}

/** Shots without words, by the index of the word behind them. */
function holdsOf(shots: Shot[]): Map<number, Shot[]> {
  const out = new Map<number, Shot[]>();
  for (const shot of shots)
    if (isHold(shot)) out.set(shot.first, [...(out.get(shot.first) ?? []), shot]);
  return out;
}
