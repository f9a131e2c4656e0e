/** What is taken hold of to place something on a frame: by dragging, or by the arrow keys. */
import { type RefObject, useEffect, useRef, useState } from "react";

import { useLatest } from "../../parts/useLatest";
import { useDrag } from "../bench/drag";

export type At = [number, number];

const STEP = 0.02;
/** How long a key is waited for, in milliseconds, before the place is taken. */
const QUIET = 350;

interface Props {
  stage: RefObject<HTMLDivElement | null>;
  at: At;
  /** What is placed. */
  name: string;
  /** Whether it was placed by hand. */
  own: boolean;
  /** How far it may go beyond the frame, in shares of it. */
  beyond?: number;
  onPut: (at: At) => void;
}

export function PlaceHandle({ stage, at: taken, name, own, beyond = -0.02, onPut }: Props) {
  const [held, setHeld] = useState<At | null>(null);
  const at = held ?? taken;
  const known = String(taken);
  useEffect(() => setHeld(null), [known]);
  const moved = useRef(at);
  moved.current = at;
  const within = (share: number) =>
    Math.min(1 + beyond, Math.max(-beyond, Number(share.toFixed(3))));
  const by = (dx: number, dy: number) => {
    moved.current = [within(moved.current[0] + dx), within(moved.current[1] + dy)];
    setHeld(moved.current);
  };
  const put = useLatest(onPut);
  const quiet = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(quiet.current), []);
  const drag = useDrag(stage, by);
  return (
    <button
      type="button"
      aria-label={`${name}: ${Math.round(at[0] * 100)} across, ${Math.round(at[1] * 100)} down. Drag, or arrow keys`}
      className={`absolute size-6 -translate-x-1/2 -translate-y-1/2 cursor-move rounded-full border-2 bg-page/40 ${
        held || own ? "border-grease-ink" : "border-dashed border-ink outline-1 outline-page"
      }`}
      style={{
        left: `${Math.min(1, Math.max(0, at[0])) * 100}%`,
        top: `${Math.min(1, Math.max(0, at[1])) * 100}%`,
      }}
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
        quiet.current = setTimeout(() => put(moved.current), QUIET);
      }}
    />
  );
}
