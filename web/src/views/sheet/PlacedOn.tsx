/** A frame with words on it, which are placed by dragging on the picture or by the arrow keys. */
import { useEffect, useRef, useState } from "react";

import type { Film, Shot } from "../../api/client";
import { rateOf } from "../../parts/time";
import { useDrag } from "../bench/drag";
import type { Card } from "./CardLine";

type Place = [number, number];

interface Props {
  film: Film;
  shot: Shot;
  card: Card;
  /** null: where they usually are. */
  onPut: (at: Place | null) => void;
}

const STEP = 0.02;
/** How long a key is waited for, in milliseconds, before the place is taken. */
const QUIET = 350;
/** The most room that a frame takes in the desk. */
const WIDE = 322;
const HIGH = 182;

/** How large a frame is shown, known before it is there, so that nothing moves under the hand. */
function sizeOf(film: Film) {
  const [wide, high] = film.settings.aspect.split(":").map(Number);
  const width = Math.min(WIDE, (HIGH * wide!) / high!);
  return { width, height: (width * high!) / wide! };
}

const within = (share: number) => Math.min(0.98, Math.max(0.02, Number(share.toFixed(3))));

export function PlacedOn({ film, shot, card, onPut }: Props) {
  const stage = useRef<HTMLDivElement>(null);
  const own = (card.how.at as Place | null | undefined) ?? null;
  const [held, setHeld] = useState<Place | null>(null);
  const at: Place = held ?? (card.at as Place);
  const taken = String(own);
  useEffect(() => setHeld(null), [taken]);
  const moved = useRef(at);
  moved.current = at;
  const by = (dx: number, dy: number) => {
    moved.current = [within(moved.current[0] + dx), within(moved.current[1] + dy)];
    setHeld(moved.current);
  };
  const quiet = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(quiet.current), []);
  const drag = useDrag(stage, by);
  const frame = shot.start + Math.round(((card.start + card.end) / 2) * rateOf(film.fps));
  const shown = Math.min(Math.max(shot.start, frame), Math.max(shot.start, shot.stop - 1));
  return (
    <div className="mb-2">
      <div
        ref={stage}
        className="relative mx-auto touch-none overflow-hidden rounded-[3px] bg-shade"
        style={sizeOf(film)}
      >
        <img
          src={`/api/films/${film.id}/frame?at=${shown}&high=360&version=${film.revision}`}
          alt={`Shot ${shot.edge} with its words`}
          className="size-full select-none"
          draggable={false}
        />
        <button
          type="button"
          aria-label={`Place of these words: ${Math.round(at[0] * 100)} across, ${Math.round(at[1] * 100)} down. Drag, or arrow keys`}
          className={`absolute size-6 -translate-x-1/2 -translate-y-1/2 cursor-move rounded-full border-2 bg-page/40 ${
            held || own ? "border-grease-ink" : "border-dashed border-ink outline-1 outline-page"
          }`}
          style={{ left: `${at[0] * 100}%`, top: `${at[1] * 100}%` }}
          {...drag.whole}
          onPointerUp={() => {
            drag.whole.onPointerUp();
            if (held) onPut(held);
          }}
          onKeyDown={(e) => {
            const to = {
              ArrowLeft: [-STEP, 0],
              ArrowRight: [STEP, 0],
              ArrowUp: [0, -STEP],
              ArrowDown: [0, STEP],
            }[e.key];
            if (!to) return;
            e.preventDefault();
            by(to[0]!, to[1]!);
            clearTimeout(quiet.current);
            quiet.current = setTimeout(() => onPut(moved.current), QUIET);
          }}
        />
      </div>
      {own && (
        <button
          type="button"
          className="mt-1 min-h-6 text-[12.5px] text-ink-2 underline decoration-dotted underline-offset-4 hover:text-ink"
          onClick={() => onPut(null)}
        >
          Place it where such words usually are
        </button>
      )}
    </div>
  );
}
