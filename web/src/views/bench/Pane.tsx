/** A picture that is enlarged and moved; panes with one view move together. */
import { useEffect, useRef } from "react";

import type { Take } from "../../api/client";
import { boxOf, isUpright } from "../../parts/shape";
import type { InStep } from "./useClipsInStep";

/** How much larger, and where the middle of the pane is in the picture (shares). */
export interface View {
  scale: number;
  x: number;
  y: number;
}
export const WHOLE: View = { scale: 1, x: 0.5, y: 0.5 };

/** A view such that the picture still fills the pane. */
export function bounded({ scale, x, y }: View): View {
  const s = Math.min(8, Math.max(1, scale));
  const half = 0.5 / s;
  return {
    scale: s,
    x: Math.min(1 - half, Math.max(half, x)),
    y: Math.min(1 - half, Math.max(half, y)),
  };
}

interface Props {
  take: Take;
  aspect: string;
  view: View;
  onView: (change: (view: View) => View) => void;
  many: boolean;
  /** Takes the video of a clip, so that all play in step. */
  keep?: InStep["keep"];
}

export function Pane({ take, aspect, view, onView, many, keep }: Props) {
  const video = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    keep?.(take.id, video.current);
    return () => keep?.(take.id, null);
  }, [keep, take.id]);
  const frame = useRef<HTMLDivElement>(null);
  const from = useRef<[number, number] | null>(null);
  useEffect(() => {
    const pane = frame.current!;
    const onWheel = (e: WheelEvent) => {
      e.preventDefault();
      const r = pane.getBoundingClientRect();
      const [fx, fy] = [(e.clientX - r.left) / r.width - 0.5, (e.clientY - r.top) / r.height - 0.5];
      onView((v) => {
        const scale = Math.min(8, Math.max(1, v.scale * Math.exp(-e.deltaY / 400)));
        return bounded({
          scale,
          x: v.x + fx / v.scale - fx / scale,
          y: v.y + fy / v.scale - fy / scale,
        });
      });
    };
    pane.addEventListener("wheel", onWheel, { passive: false });
    return () => pane.removeEventListener("wheel", onWheel);
  }, [onView]);
  const drag = (e: React.PointerEvent) => {
    if (!from.current) return;
    const r = frame.current!.getBoundingClientRect();
    const [dx, dy] = [
      (e.clientX - from.current[0]) / r.width,
      (e.clientY - from.current[1]) / r.height,
    ];
    from.current = [e.clientX, e.clientY];
    onView((v) => bounded({ ...v, x: v.x - dx / v.scale, y: v.y - dy / v.scale }));
  };
  const { scale, x, y } = bounded(view);
  const tall = isUpright(aspect);
  const moved = `scale(${scale}) translate(${(0.5 - x) * 100}%, ${(0.5 - y) * 100}%)`;
  return (
    <div
      ref={frame}
      className={`relative overflow-hidden rounded-[3px] bg-shade touch-none ${scale > 1 ? "cursor-grab" : ""} ${boxOf(aspect)} ${tall ? `mx-auto ${many ? "h-[420px]" : "h-[520px]"}` : "w-full"}`}
      onPointerDown={(e) => {
        from.current = [e.clientX, e.clientY];
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={drag}
      onPointerUp={() => (from.current = null)}
      onDoubleClick={() => onView(() => WHOLE)}
    >
      <img
        // Of one whose file is lost the small picture is often still there.
        src={`/media/${take.faults.some((f) => f.kind === "lost") ? take.thumb : take.media}`}
        alt={`Take ${take.number}`}
        draggable={false}
        className="absolute size-full select-none object-contain"
        style={{ transform: moved }}
      />
      {take.clip && (
        <video
          ref={video}
          src={`/media/${take.clip.media}`}
          muted
          playsInline
          preload="auto"
          className="pointer-events-none absolute size-full object-contain"
          style={{ transform: moved }}
        />
      )}
    </div>
  );
}
