/** Leaf: the pictures one by one, turned like a pad of drawings by key, by click or by dragging the corner. */
import { useRef, useState } from "react";

import type { Film, Shot } from "../../api/client";
import { useKeys } from "../../keys/useKeys";
import { lastFrame, ratioOf } from "../../parts/lastFrame";
import { inWords } from "../../parts/time";
import { pointAt, usePlayhead } from "../../state/playhead";
import { shotAt } from "./place";

/** How far the corner is lifted (0 … 1) before the leaf turns by itself. */
const TURNS = 0.35;

export function Leaf({ film, onNote }: { film: Film; onNote: () => void }) {
  const frame = usePlayhead();
  const shot = shotAt(film, frame);
  const at = film.shots.indexOf(shot);
  const next = film.shots[at + 1];
  const [lift, setLift] = useState(0);
  const box = useRef<HTMLDivElement>(null);
  const turn = (by: number) => {
    const to = film.shots[Math.min(film.shots.length - 1, Math.max(0, at + by))]!;
    pointAt(to);
    setLift(0);
  };
  useKeys("leaf", {
    turn: (e) => turn(["ArrowRight", "ArrowDown", " "].includes(e.key) ? 1 : -1),
    ends: (e) => pointAt(e.key === "Home" ? film.shots[0]! : film.shots.at(-1)!),
    note: onNote,
  });
  const lifted = (e: React.PointerEvent) => {
    const { right, width } = box.current!.getBoundingClientRect();
    return Math.min(1, Math.max(0, (right - e.clientX) / width));
  };
  return (
    <div className="flex h-full flex-col px-5 pb-4">
      <div
        className="flex min-h-0 grow items-center justify-center [container-type:size]"
        style={{ "--ratio": ratioOf(film) } as React.CSSProperties}
      >
        <div
          ref={box}
          className="relative max-w-full overflow-hidden bg-[#0f0d0b]"
          style={{ aspectRatio: ratioOf(film), height: "min(100%, calc(100cqw / var(--ratio)))" }}
        >
          {next && <Page film={film} shot={next} />}
          <div
            className="absolute inset-0"
            style={{
              clipPath: `polygon(0 0, 100% 0, 100% ${100 - lift * 200}%, ${100 - lift * 100}% 100%, 0 100%)`,
            }}
          >
            <Page film={film} shot={shot} shown />
          </div>
          {lift > 0 && <Fold lift={lift} ratio={ratioOf(film)} />}
          {next && (
            <button
              type="button"
              aria-label="Turn the leaf"
              title="Drag to turn"
              className="absolute bottom-0 right-0 size-16 cursor-grab touch-none [clip-path:polygon(100%_0,100%_100%,0_100%)] hover:bg-[#faf6ec55]"
              onClick={(e) => e.detail === 0 && turn(1)}
              onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
              onPointerMove={(e) => e.buttons === 1 && setLift(lifted(e))}
              onPointerUp={(e) => {
                const far = lifted(e);
                if (far > TURNS || lift === 0) turn(1);
                else setLift(0);
              }}
              onPointerCancel={() => setLift(0)}
            />
          )}
        </div>
      </div>
      <div className="grid shrink-0 grid-cols-[auto_1fr_auto] items-baseline gap-x-5 pt-4">
        <span className="font-mono text-[15px]">
          {shot.edge}
          <span className="ml-2 text-[12px] text-ink-2">
            {at + 1} of {film.shots.length}
          </span>
        </span>
        <p
          className="line-clamp-2 min-h-[54px] font-serif text-[19px] leading-snug"
          title={shot.said || shot.text}
        >
          {shot.said || shot.text}
        </p>
        <span className="whitespace-nowrap text-right text-ink-2">
          {shot.loaded && `${shot.framing}, ${shot.place || "no place told"}, ${shot.time}`}
          <br />
          {inWords((shot.stop - shot.start) / (film.frames / film.seconds))}
          {shot.loaded && shot.action ? `, ${shot.action}` : ""}
        </span>
      </div>
    </div>
  );
}

const Page = ({ film, shot, shown = false }: { film: Film; shot: Shot; shown?: boolean }) => (
  <img
    key={shot.id}
    src={lastFrame(film, shot, 720)}
    alt={shown ? `Shot ${shot.edge}` : ""}
    className="absolute inset-0 size-full object-contain"
  />
);

/** The back of the leaf that is being turned: its corner, mirrored in the fold. */
const Fold = ({ lift, ratio }: { lift: number; ratio: number }) => {
  const wide = 100 * ratio;
  const [ax, ay] = [wide, 100 - lift * 200];
  const [bx, by] = [wide * (1 - lift), 100];
  const [dx, dy] = [bx - ax, by - ay];
  const along = ((wide - ax) * dx + (100 - ay) * dy) / (dx * dx + dy * dy);
  const [cx, cy] = [2 * (ax + along * dx) - wide, 2 * (ay + along * dy) - 100];
  return (
    <svg
      viewBox={`0 0 ${wide} 100`}
      preserveAspectRatio="none"
      className="pointer-events-none absolute inset-0 size-full"
    >
      <path d={`M${ax} ${ay} L${bx} ${by} L${cx} ${cy}Z`} fill="#e9e0cd" />
      <path
        d={`M${ax} ${ay} L${bx} ${by}`}
        stroke="#191613"
        strokeOpacity="0.5"
        strokeWidth="0.5"
      />
    </svg>
  );
};
