/** The camera's path on its picture: the first and the last frame, and the way between; both are dragged. */
import { useState } from "react";

import type { Path, PathFrame } from "../../../api/movement";
import { STEPS, laid, percent } from "../desk";
import { useDrag } from "../drag";
import { leaning } from "./leans";
import { boxOf, moved, sized } from "./paths";

const MOST_BETWEEN = 4;

interface Props {
  media: string;
  alt: string;
  path: Path;
  aspect: string;
  onPath: (path: Path) => void;
  stage: React.RefObject<HTMLDivElement | null>;
  /** The picture is playing, and nothing lies over it. */
  playing?: boolean;
  children?: React.ReactNode;
}

export function PathOnPicture({
  media,
  alt,
  path,
  aspect,
  onPath,
  stage,
  playing,
  children,
}: Props) {
  const [draft, setDraft] = useState<Path | null>(null);
  const shown = draft ?? path;
  const change = (which: "first" | "last", frame: PathFrame) =>
    setDraft((d) => ({ ...(d ?? path), [which]: frame }));
  const settle = () => {
    if (draft) onPath(draft);
    setDraft(null);
  };
  const between = shown.between ?? [];
  const points = [shown.first, ...between, shown.last];
  /** A place that the camera goes by: put in where it is clicked twice. */
  const goBy = (e: React.MouseEvent) => {
    if (between.length >= MOST_BETWEEN) return;
    const r = stage.current!.getBoundingClientRect();
    const zoom = Math.max(1.25, Math.sqrt((path.first?.zoom ?? 1) * (path.last?.zoom ?? 1)));
    const at = { x: (e.clientX - r.left) / r.width, y: (e.clientY - r.top) / r.height, zoom };
    onPath({ ...path, between: [...(path.between ?? []), moved(at, 0, 0)] });
  };
  return (
    <div
      ref={stage}
      className="relative w-full touch-none bg-shade"
      style={{ aspectRatio: aspect.replace(":", " / ") }}
      onPointerUp={settle}
      onDoubleClick={goBy}
    >
      <img
        src={`/media/${media}`}
        alt={alt}
        draggable={false}
        className="size-full select-none rounded-[3px] object-cover"
      />
      {children}
      {!playing && (
        <>
          <svg
            viewBox="0 0 100 100"
            preserveAspectRatio="none"
            className="pointer-events-none absolute inset-0 size-full"
            aria-hidden
          >
            <polyline
              points={points.map((f) => `${f.x * 100},${f.y * 100}`).join(" ")}
              fill="none"
              stroke="#fffdf8"
              strokeWidth="2"
              strokeDasharray="1 6"
              strokeLinecap="round"
              vectorEffect="non-scaling-stroke"
            />
          </svg>
          {(["first", "last"] as const).map((which) => (
            <Drawn
              key={which}
              which={which}
              stage={stage}
              frame={shown[which] ?? { x: 0.5, y: 0.5, zoom: 1 }}
              onFrame={(f) => change(which, f)}
              onSettle={settle}
              leaning={leaning(shown.roll, which, aspect)}
            />
          ))}
          {between.map((f, i) => (
            <Between
              key={i}
              number={i + 1}
              stage={stage}
              frame={f}
              onFrame={(to) => setDraft({ ...shown, between: between.with(i, to) })}
              onSettle={settle}
              onLift={() => onPath({ ...path, between: between.filter((_, n) => n !== i) })}
            />
          ))}
        </>
      )}
    </div>
  );
}

interface BetweenProps {
  number: number;
  stage: React.RefObject<HTMLDivElement | null>;
  frame: PathFrame;
  onFrame: (frame: PathFrame) => void;
  onSettle: () => void;
  onLift: () => void;
}

/** A place that the camera goes by, as a pin: dragged, moved and brought nearer by keys, lifted by Delete. */
function Between({ number, stage, frame, onFrame, onSettle, onLift }: BetweenProps) {
  const { whole } = useDrag(stage, (dx, dy) => onFrame(moved(frame, dx, dy)));
  return (
    <button
      type="button"
      aria-label={`The camera goes by here, ${number}`}
      title={`${frame.zoom.toFixed(2)} times as near; drag it, Delete lifts it`}
      className="absolute size-4 -translate-x-1/2 -translate-y-1/2 cursor-grab rounded-full border border-[#5a4116] bg-[#c9973a] shadow-[inset_0_0_0_2px_#e5c274]"
      style={{ left: percent(frame.x), top: percent(frame.y) }}
      {...whole}
      onDoubleClick={(e) => e.stopPropagation()}
      onKeyDown={(e) => {
        if (e.key === "Delete" || e.key === "Backspace") onLift();
        else if (!byKey(e, frame, onFrame)) return;
        e.preventDefault();
        e.stopPropagation();
      }}
      onKeyUp={onSettle}
    />
  );
}

/** Moves a frame by arrows, with Shift further, or brings it nearer; whether the key did. */
function byKey(e: React.KeyboardEvent, frame: PathFrame, onFrame: (f: PathFrame) => void) {
  const step = STEPS[e.key];
  const times = { "+": 1.04, "=": 1.04, "-": 1 / 1.04 }[e.key];
  if (!step && !times) return false;
  const far = e.shiftKey ? 0.05 : 0.01;
  onFrame(
    step
      ? moved(frame, step[0] * far, step[1] * far)
      : moved({ ...frame, zoom: frame.zoom * times! }, 0, 0),
  );
  return true;
}

interface DrawnProps {
  which: "first" | "last";
  stage: React.RefObject<HTMLDivElement | null>;
  frame: PathFrame;
  onFrame: (frame: PathFrame) => void;
  onSettle: () => void;
  /** How the frame is turned, as the camera leans. */
  leaning: string | undefined;
}

function Drawn({ which, stage, frame, onFrame, onSettle, leaning }: DrawnProps) {
  const { whole, corner } = useDrag(stage, (dx, dy, size) =>
    onFrame(size ? sized(frame, dx) : moved(frame, dx, dy)),
  );
  const onKey = (e: React.KeyboardEvent) => {
    if (!byKey(e, frame, onFrame)) return;
    e.preventDefault();
    e.stopPropagation();
  };
  const style = which === "first" ? "border-dashed" : "border-solid";
  return (
    <div
      className={`pointer-events-none absolute border-2 ${style} border-[#fffdf8] outline outline-1 outline-[#191613]/40`}
      style={{ ...laid(boxOf(frame)), transform: leaning }}
    >
      <span
        role="application"
        tabIndex={0}
        aria-label={`The ${which} frame`}
        title="Drag it; arrows move it, + and − bring it nearer or further"
        className={`pointer-events-auto absolute cursor-move select-none bg-[#191613]/70 px-1.5 font-mono text-[12px] leading-5 text-[#fffdf8] focus-visible:outline focus-visible:outline-2 focus-visible:outline-grease ${which === "first" ? "left-0 top-0" : "left-0 bottom-0"}`}
        {...whole}
        onKeyDown={onKey}
        onKeyUp={onSettle}
      >
        {which}
      </span>
      <span
        {...corner}
        className="pointer-events-auto absolute -bottom-1.5 -right-1.5 size-3.5 cursor-nwse-resize rounded-full border-2 border-[#fffdf8] bg-[#c9973a]"
      />
    </div>
  );
}
