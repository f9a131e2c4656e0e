/** The level of a lane along the film: a pencil line that is bent where it is taken, and its points. */
import { useRef, useState } from "react";

import type { Lane } from "../../api/mix";
import { timecode } from "../../parts/time";
import { Handle, NearPoint, pressed } from "./Handle";
import { type Point, bent, gainAt, moved, without } from "./level";
import { LEAST, MOST, WIDTHS, gainAtX, levelX } from "./scale";

interface Props {
  lane: Lane;
  points: readonly Point[];
  fps: string;
  rate: number;
  frames: number;
  /** Pixels a second is tall. */
  tall: number;
  /** What of the film is in sight, in seconds. */
  from: number;
  to: number;
  onDraw: (points: readonly Point[] | null) => void;
  onPut: (points: readonly Point[]) => void;
}

export function LevelLine(props: Props) {
  const { lane, points, fps, rate, frames, tall, from, to, onDraw, onPut } = props;
  const ground = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  const drawn = useRef<readonly Point[]>(points);
  const top = from * tall;
  const y = (frame: number) => (frame / rate) * tall - top;
  const show = (next: readonly Point[]) => {
    drawn.current = next;
    onDraw(next);
  };
  const at = (e: React.PointerEvent): [number, number] => {
    const box = ground.current!.getBoundingClientRect();
    const frame = ((e.clientY - box.top + top) / tall) * rate;
    return [Math.min(frames, Math.max(0, frame)), gainAtX(lane, e.clientX - box.left)];
  };
  const take = (e: React.PointerEvent, point: number | null) => {
    e.preventDefault();
    e.stopPropagation();
    ground.current!.setPointerCapture(e.pointerId);
    if (point !== null) {
      drawn.current = points;
      setHeld(point);
      return;
    }
    const [next, index] = bent(points, Math.round(at(e)[0]), rate, frames);
    show(next);
    setHeld(index);
  };
  const put = (next: readonly Point[]) => {
    onPut(next);
    drawn.current = next;
  };
  const key = (e: React.KeyboardEvent, index: number) => {
    const point = points[index]!;
    const done = pressed(e);
    if (done === "gone") put(without(points, index));
    else if (done)
      put(moved(points, index, point.frame + done.frames, point.gain + done.steps * 0.5));
  };
  const ends = [from * rate, to * rate];
  const inSight = points.filter((p) => p.frame > ends[0]! && p.frame < ends[1]!);
  const line = [
    [ends[0]!, gainAt(points, ends[0]!)],
    ...inSight.map((p) => [p.frame, p.gain]),
    [ends[1]!, gainAt(points, ends[1]!)],
  ]
    .map(([frame, gain]) => `${levelX(lane, gain!)},${y(frame!)}`)
    .join(" ");
  return (
    <div
      className="pointer-events-none absolute left-0"
      style={{ top, height: (to - from) * tall, width: WIDTHS[lane] }}
    >
      <svg
        ref={ground}
        className="pointer-events-none absolute inset-0 size-full touch-none overflow-visible"
        onPointerMove={(e) => {
          if (held === null) return;
          const [frame, gain] = at(e);
          show(moved(drawn.current, held, frame, gain));
        }}
        onPointerUp={() => {
          if (held === null) return;
          setHeld(null);
          put(drawn.current);
        }}
        onPointerCancel={() => {
          setHeld(null);
          onDraw(null);
        }}
      >
        <polyline points={line} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
        <polyline
          data-level={lane}
          points={line}
          fill="none"
          stroke="transparent"
          strokeWidth="14"
          className="pointer-events-auto cursor-ew-resize"
          onPointerDown={(e) => take(e, null)}
        >
          <title>drag to draw the level</title>
        </polyline>
      </svg>
      {taken(points, y, frames).map(({ index, top: at, room }) => {
        const p = points[index]!;
        if (p.frame < ends[0]! || p.frame > ends[1]!) return null;
        const left = levelX(lane, p.gain);
        if (!room) return <NearPoint key={index} left={left} top={at} />;
        return (
          <Handle
            key={index}
            label={`Level of the ${lane} at ${timecode(p.frame, fps)}`}
            least={LEAST}
            most={MOST}
            value={p.gain}
            says={decibels(p.gain)}
            left={left}
            top={at}
            held={held === index}
            onTake={(e) => take(e, index)}
            onKey={(e) => key(e, index)}
          />
        );
      })}
    </div>
  );
}

/** Where points stand, and which of them can be taken: two that are nearer than a finger are taken when a second is
 * made taller. The first and the last stay wholly in sight. */
export function taken(
  points: readonly { frame: number }[],
  y: (frame: number) => number,
  frames: number,
): { index: number; top: number; room: boolean }[] {
  let last = -Infinity;
  return points.map((p, index) => {
    const top = Math.max(y(0) + HALF, Math.min(y(frames) - HALF, y(p.frame)));
    const room = top - last >= 2 * HALF;
    if (room) last = top;
    return { index, top, room };
  });
}

const HALF = 12;
/** Half of how tall a point is to be taken, in pixels. */

const decibels = (gain: number) => `${gain > 0 ? "+" : gain < 0 ? "−" : ""}${Math.abs(gain)} dB`;
