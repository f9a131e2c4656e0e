/** A cut is dragged by its stroke: words go over to the shot before, or come from it; with Alt its picture stays longer. The
 * same by keys. */
import { useRef, useState } from "react";
import { createPortal } from "react-dom";

import type { Film, Shot } from "../../api/client";
import { useChange } from "../../api/film";

const TAKEN = 4;
/** Pixels from which on it is a drag. */
const A_WORD = 14;
/** Pixels that a cut is dragged by for each word, or for each tenth of a second. */
const MOST_HOLD = 600;

interface Held {
  x: number;
  y: number;
  /** Words that the cut goes along (negative: back); none while the picture before it is held. */
  words: number;
  /** Seconds that the picture before it stays beyond its words. */
  hold: number | null;
}

/** How far a cut can go, so that both shots keep a word. */
export const within = (words: number, before: Shot, shot: Shot): number =>
  Math.max(before.first - before.end + 1, Math.min(shot.end - shot.first - 1, words)) || 0;

/** How long a picture stays when it is held by so many tenths of a second more. */
export const heldFor = (before: Shot, tenths: number): number =>
  Math.min(MOST_HOLD, Math.max(0, Math.round(before.hold * 10 + tenths) / 10));

export function useCutDrag(film: Film, before: Shot | undefined, shot: Shot) {
  const change = useChange(film.id);
  const [held, setHeld] = useState<Held | null>(null);
  const from = useRef<{ x: number; y: number } | null>(null);
  const dragged = useRef(false);
  if (!before?.text || !shot.text) return { ghost: null, handlers: {} };

  const at = (x: number, y: number, alt: boolean): Held => {
    const steps = Math.round((y - from.current!.y) / A_WORD);
    return alt
      ? { x, y, words: 0, hold: heldFor(before, steps) }
      : { x, y, words: within(steps, before, shot), hold: null };
  };
  const put = ({ words, hold }: Pick<Held, "words" | "hold">) => {
    if (words) change.mutate({ type: "push mark", shot: shot.id, words });
    else if (hold !== null && hold !== before.hold)
      change.mutate({ type: "set hold", shot: before.id, seconds: hold });
  };
  const handlers = {
    onPointerDown: (e: React.PointerEvent) => {
      if (e.button !== 0) return;
      from.current = { x: e.clientX, y: e.clientY };
      dragged.current = false;
      e.currentTarget.setPointerCapture(e.pointerId);
    },
    onPointerMove: (e: React.PointerEvent) => {
      if (!from.current) return;
      if (!dragged.current && Math.abs(e.clientY - from.current.y) < TAKEN) return;
      dragged.current = true;
      setHeld(at(e.clientX, e.clientY, e.altKey));
    },
    onPointerUp: (e: React.PointerEvent) => {
      if (dragged.current && from.current) put(at(e.clientX, e.clientY, e.altKey));
      from.current = null;
      setHeld(null);
    },
    onPointerCancel: () => {
      from.current = null;
      setHeld(null);
    },
    /** A drag is no press of the button. */
    onClickCapture: (e: React.MouseEvent) => {
      if (!dragged.current) return;
      dragged.current = false;
      e.preventDefault();
      e.stopPropagation();
    },
    onKeyDown: (e: React.KeyboardEvent) => {
      const way = { ArrowUp: -1, ArrowDown: 1 }[e.key];
      if (!way || !e.altKey) return;
      e.preventDefault();
      e.stopPropagation();
      put(
        e.shiftKey
          ? { words: 0, hold: heldFor(before, way) }
          : { words: within(way, before, shot), hold: null },
      );
    },
  };
  const ghost =
    held &&
    createPortal(
      <span
        role="status"
        className="pointer-events-none fixed z-50 max-w-[260px] truncate rounded-[3px] border border-rule-strong bg-page px-1.5 py-0.5 text-[12px] shadow-sm"
        style={{ left: held.x + 14, top: held.y - 12 }}
      >
        {told(film, before, shot, held)}
      </span>,
      document.body,
    );
  return { ghost, handlers };
}

/** What letting go would do, in words. */
function told(film: Film, before: Shot, shot: Shot, { words, hold }: Held): string {
  if (hold !== null) return `shot ${before.edge} held ${hold.toFixed(1)} s beyond its words`;
  const opens = film.words[shot.first + words];
  const word = opens ? film.text.slice(opens[0], opens[1]) : "";
  if (!words) return `cut before “${word}”, as it is`;
  const many = Math.abs(words) === 1 ? "1 word" : `${Math.abs(words)} words`;
  return `cut before “${word}”: ${many} to shot ${words > 0 ? before.edge : shot.edge}`;
}
