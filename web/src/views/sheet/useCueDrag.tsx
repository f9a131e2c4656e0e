/** A spot is dragged to another moment by its name; with Alt another one like it is placed there. */
import { useRef, useState } from "react";
import { createPortal } from "react-dom";

import type { Cue, Film } from "../../api/client";
import { useChange } from "../../api/film";
import { useMoments } from "../../parts/following";
import { byFrames, byWord, put, wordThere } from "./cues";

/** Which frame of the film is under a point of the page; null where there is none. */
export type FrameAt = (x: number, y: number) => number | null;

const TAKEN = 4;
/** Pixels from which on it is a drag. */

interface Held {
  x: number;
  y: number;
  copied: boolean;
}

export function useCueDrag(film: Film, cue: Cue, frameAt: FrameAt | undefined) {
  const change = useChange(film.id);
  const [held, setHeld] = useState<Held | null>(null);
  const from = useRef<{ x: number; y: number } | null>(null);
  const dragged = useRef(false);
  const [wanted, setWanted] = useState(false);
  const moments = useMoments(film, wanted);
  const movable = cue.kind === "spot" && cue.word !== null && !!frameAt;
  if (!movable) return { held: null, ghost: null, handlers: {} };
  const drop = (to: Held) => {
    const frame = frameAt(to.x, to.y);
    const at = frame === null ? null : wordThere(film, frame, moments);
    if (at && moments.length) change.mutate(put(cue, at, to.copied));
  };
  const handlers = {
    onPointerEnter: () => setWanted(true),
    onFocus: () => setWanted(true),
    onPointerDown: (e: React.PointerEvent) => {
      if (e.button !== 0) return;
      from.current = { x: e.clientX, y: e.clientY };
      dragged.current = false;
      e.currentTarget.setPointerCapture(e.pointerId);
    },
    onPointerMove: (e: React.PointerEvent) => {
      const start = from.current;
      if (!start) return;
      if (!dragged.current && Math.hypot(e.clientX - start.x, e.clientY - start.y) < TAKEN) return;
      dragged.current = true;
      setHeld({ x: e.clientX, y: e.clientY, copied: e.altKey });
    },
    onPointerUp: (e: React.PointerEvent) => {
      from.current = null;
      if (dragged.current) drop({ x: e.clientX, y: e.clientY, copied: e.altKey });
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
      const next = e.shiftKey ? byWord(film, cue, way) : byFrames(cue, way);
      if (next) change.mutate(next);
    },
  };
  const ghost =
    held &&
    createPortal(
      <span
        data-ghost
        className="pointer-events-none fixed z-50 flex items-center gap-1 text-[11.5px]"
        style={{ left: held.x - 36, top: held.y }}
      >
        <i className="absolute inset-x-0 top-0 h-[1.5px] w-[92px] bg-moss" />
        <b className="mt-1 rounded-[3px] border border-moss bg-page px-1 font-normal">
          {held.copied ? "another " : ""}
          {cue.prompt.replace(/^an? /, "")}
        </b>
      </span>,
      document.body,
    );
  return { held, ghost, handlers };
}
