/** The whole film as one strip, each shot as wide as its time; what exists shows by fill and pattern. In every view. */
import { memo, useMemo, useRef } from "react";

import type { Film, Shot } from "../api/client";
import { keysOf } from "../keys/useKeys";
import { playhead, seek, selected, usePlayhead } from "../state/playhead";
import { stateOf } from "./marks";
import { timecode } from "./time";

export function EdgeStrip({ film }: { film: Film }) {
  const bar = useRef<HTMLDivElement>(null);
  const frame = usePlayhead();
  const go = (clientX: number) => {
    const box = bar.current!.getBoundingClientRect();
    const share = Math.min(1, Math.max(0, (clientX - box.left) / box.width));
    const to = Math.min(film.frames - 1, Math.floor(share * film.frames));
    seek(to);
    selected.set(film.shots.find((s) => to < s.stop)?.id ?? null);
  };
  const left = useMemo(
    () => film.shots.filter((s) => stateOf(s) !== "made" || !s.measured).length,
    [film.shots],
  );
  const step = (by: number) => seek(Math.min(film.frames - 1, Math.max(0, playhead.get() + by)));
  return (
    <footer className="flex h-9 shrink-0 items-center gap-4 border-t border-rule-strong bg-page px-5 font-mono text-[12px]">
      <span className="w-[86px] whitespace-nowrap">{film.shots.length} shots</span>
      <div
        ref={bar}
        role="slider"
        tabIndex={0}
        aria-label="Playhead"
        aria-valuemin={0}
        aria-valuemax={film.frames}
        aria-valuenow={frame}
        aria-valuetext={timecode(frame, film.fps)}
        className="relative flex h-5 grow cursor-pointer touch-none"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          go(e.clientX);
        }}
        onPointerMove={(e) => e.buttons === 1 && go(e.clientX)}
        onKeyDown={keysOf("strip", {
          frame: (e) => step(e.key === "ArrowRight" ? 1 : -1),
          second: (e) => step(e.key === "PageDown" ? 24 : -24),
        })}
      >
        <Cells shots={film.shots} />
        <NoteTicks notes={film.open_notes} frames={film.frames} />
        <Head frames={film.frames} />
      </div>
      <span className="whitespace-nowrap text-ink-2">{left ? `${left} to do` : "all made"}</span>
      <span className="whitespace-nowrap">{timecode(film.frames, film.fps)}</span>
    </footer>
  );
}

/** So many shots leave a pixel or two for each: nothing but their fill is drawn. */
const DENSE = 240;

const SAID = { made: "picture made", stale: "picture stale", empty: "no picture yet" };

const Cells = memo(function Cells({ shots }: { shots: Shot[] }) {
  const dense = shots.length > DENSE;
  return shots.map((shot, i) => {
    const state = stateOf(shot);
    const opens = i > 0 && shot.scene !== shots[i - 1]!.scene;
    const edge = dense ? "min-w-0" : "min-w-[2px] border-r border-page";
    const empty = dense ? "bg-rule" : "border-y border-l border-rule-strong bg-page";
    const gap = !opens ? "" : dense ? "ml-px" : "ml-[3px]";
    return (
      <span
        key={shot.id}
        data-state={state}
        title={`${shot.edge}: ${SAID[state]}, ${shot.measured ? "voiced" : "not voiced"}`}
        style={{ flexGrow: shot.stop - shot.start, flexBasis: 0 }}
        className={`relative h-full overflow-hidden ${edge} ${state === "empty" ? empty : "bg-slate"} ${gap}`}
      >
        {state === "empty" && shot.measured && !dense && (
          <span className="dots absolute inset-0 opacity-70" />
        )}
        {shot.measured && (
          <span
            className={`absolute inset-x-0 bottom-0 h-[6px] bg-teal ${dense ? "" : "rounded-t-[6px_4px]"}`}
          />
        )}
        {state === "stale" && <span className="hatch absolute inset-0" />}
      </span>
    );
  });
});

/** Where notes are that are not done. */
const NoteTicks = memo(function NoteTicks(props: { notes: Film["open_notes"]; frames: number }) {
  return props.notes.map(([, frame], i) => (
    <span
      key={i}
      data-note
      className="pointer-events-none absolute -top-[5px] size-0 -translate-x-1/2 border-x-4 border-t-[6px] border-x-transparent border-t-grease"
      style={{ left: `${(frame / Math.max(1, props.frames)) * 100}%` }}
    />
  ));
});

/** The playhead; it moves many times a second, and the cells stay as they are. */
function Head({ frames }: { frames: number }) {
  const frame = usePlayhead();
  return (
    <span
      className="pointer-events-none absolute -inset-y-1 w-[2px] bg-grease"
      style={{ left: `${(frame / Math.max(1, frames)) * 100}%` }}
    />
  );
}
