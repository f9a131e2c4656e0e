/** The whole film as one strip, each shot as wide as its time; what exists shows by fill and pattern. In every view. */
import { useRef } from "react";

import type { Film } from "../api/client";
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
  const left = film.shots.filter((s) => stateOf(s) !== "made" || !s.measured).length;
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
        onKeyDown={(e) => {
          const step = { ArrowRight: 1, ArrowLeft: -1, PageDown: 24, PageUp: -24 }[e.key];
          if (step === undefined) return;
          e.preventDefault();
          seek(Math.min(film.frames - 1, Math.max(0, playhead.get() + step)));
        }}
      >
        {film.shots.map((shot) => {
          const state = stateOf(shot);
          return (
            <span
              key={shot.id}
              data-state={state}
              title={`${shot.edge}: ${state === "made" ? "picture made" : state === "stale" ? "picture stale" : "no picture yet"}, ${shot.measured ? "voiced" : "not voiced"}`}
              style={{ flexGrow: shot.stop - shot.start, flexBasis: 0 }}
              className={`relative h-full min-w-[2px] overflow-hidden border-r border-page ${
                state === "empty" ? "border-y border-l border-rule-strong bg-page" : "bg-slate"
              } ${shot.scene !== film.shots[film.shots.indexOf(shot) - 1]?.scene ? "ml-[3px] first:ml-0" : ""}`}
            >
              {state === "empty" && shot.measured && (
                <span className="dots absolute inset-0 opacity-70" />
              )}
              {shot.measured && (
                <span className="absolute inset-x-0 bottom-0 h-[6px] rounded-t-[6px_4px] bg-teal" />
              )}
              {state === "stale" && <span className="hatch absolute inset-0" />}
            </span>
          );
        })}
        <span
          className="pointer-events-none absolute -inset-y-1 w-[2px] bg-grease"
          style={{ left: `${(frame / Math.max(1, film.frames)) * 100}%` }}
        />
      </div>
      <span className="whitespace-nowrap text-ink-2">{left ? `${left} to do` : "all made"}</span>
      <span className="whitespace-nowrap">{timecode(film.frames, film.fps)}</span>
    </footer>
  );
}
