/** The sheet, listened to: words at the left, then lanes that run down, each with its waveform and its level. */
import { useVirtualizer } from "@tanstack/react-virtual";
import { memo, useCallback, useEffect, useMemo, useRef, useState } from "react";

import type { Cue, Film, Shot } from "../../api/client";
import type { HardLine, Lane, Mix } from "../../api/mix";
import { CutStroke } from "../../parts/marks";
import { ShotWords } from "../../parts/ShotWords";
import { rateOf, timecode } from "../../parts/time";
import { playhead, playing, seek, selected, usePlayhead } from "../../state/playhead";
import { useStore } from "../../state/store";
import { SoundDesk } from "../sheet/SoundDesk";
import type { FrameAt } from "../sheet/useCueDrag";
import { Block } from "./Block";
import { LevelLine } from "./LevelLine";
import { TensionLine } from "./TensionLine";
import type { Point } from "./level";
import { ALL, LANES, WIDTHS, WORDS, leftOf } from "./scale";

interface Props {
  film: Film;
  mix: Mix;
  tall: number;
  levels: Record<Lane, readonly Point[]>;
  silent: ReadonlySet<Lane>;
  hard: HardLine | null;
  onHard: (line: HardLine) => void;
  onLevel: (lane: Lane, points: readonly Point[]) => void;
}

const SEEN_BESIDE = 2;

export function Lanes({ film, mix, tall, levels, silent, hard, onHard, onLevel }: Props) {
  const scroll = useRef<HTMLDivElement>(null);
  const rate = rateOf(film.fps);
  const high = film.seconds * tall;
  const rows = useVirtualizer({
    count: film.shots.length,
    getScrollElement: () => scroll.current,
    estimateSize: (i) => ((film.shots[i]!.stop - film.shots[i]!.start) / rate) * tall,
    overscan: 4,
    useFlushSync: false,
    getItemKey: (i) => film.shots[i]!.id,
  });
  const blocks = useVirtualizer({
    count: mix.blocks.length,
    getScrollElement: () => scroll.current,
    estimateSize: (i) => Math.min(mix.block, film.seconds - i * mix.block) * tall,
    overscan: 1,
    useFlushSync: false,
  });
  useEffect(() => {
    rows.measure();
    blocks.measure();
  }, [rows, blocks, tall, film.shots, mix.blocks.length]);
  useFollowed(scroll, tall / rate);
  const [drawn, setDrawn] = useState<{ lane: Lane; points: readonly Point[] } | null>(null);
  useEffect(() => setDrawn(null), [levels]);
  const now = useMemo(
    () => (drawn ? { ...levels, [drawn.lane]: drawn.points } : levels),
    [drawn, levels],
  );
  const items = blocks.getVirtualItems();
  const ground = useRef<HTMLDivElement>(null);
  const frameAt = useCallback<FrameAt>(
    (_, y) => {
      const box = ground.current?.getBoundingClientRect();
      return box ? Math.round(((y - box.top) / tall) * rate) : null;
    },
    [tall, rate],
  );
  const from = Math.max(0, (items[0]?.index ?? 0) * mix.block - SEEN_BESIDE);
  const to = Math.min(film.seconds, ((items.at(-1)?.index ?? 0) + 1) * mix.block + SEEN_BESIDE);
  return (
    <div
      ref={scroll}
      className="relative min-h-0 grow overflow-y-auto overflow-x-hidden"
      tabIndex={-1}
      data-lanes
    >
      <div className="relative" style={{ height: high, width: WORDS + ALL }}>
        {rows.getVirtualItems().map((item) => (
          <div
            key={item.key}
            className="absolute inset-x-0 top-0"
            style={{ height: item.size, transform: `translateY(${item.start}px)` }}
          >
            <Row
              film={film}
              shot={film.shots[item.index]!}
              first={item.index === 0}
              tall={item.size}
            />
          </div>
        ))}
        <div
          ref={ground}
          className="absolute top-0"
          style={{ left: WORDS, width: ALL, height: high }}
          onClick={(e) => {
            const box = e.currentTarget.getBoundingClientRect();
            seek(Math.min(film.frames - 1, Math.floor(((e.clientY - box.top) / tall) * rate)));
          }}
        >
          {[...LANES, "tension" as const].map((lane) => (
            <i
              key={lane}
              className="absolute inset-y-0 border-r border-rule"
              style={{ left: leftOf(lane), width: WIDTHS[lane] }}
            />
          ))}
          {items.map((item) => (
            <div
              key={item.key}
              className="absolute left-0 top-0"
              style={{ transform: `translateY(${item.start}px)` }}
            >
              <Block
                film={film}
                number={item.index}
                name={mix.blocks[item.index]!}
                seconds={Math.min(mix.block, film.seconds - item.index * mix.block)}
                start={item.index * mix.block}
                tall={tall}
                rate={rate}
                curve={mix.curve}
                levels={now}
                silent={silent}
              />
            </div>
          ))}
          <Names film={film} from={from} to={to} tall={tall} frameAt={frameAt} />
          <Met film={film} mix={mix} down={tall / rate} from={from * rate} to={to * rate} />
          <div
            className="absolute top-0"
            style={{ left: leftOf("tension") }}
            onClick={(e) => e.stopPropagation()}
          >
            <TensionLine film={film} mix={mix} tall={tall} from={from} to={to} />
          </div>
          {mix.hard.map((h) => (
            <button
              key={h.line}
              type="button"
              aria-pressed={hard?.line === h.line}
              title={`hard to hear: ${h.text}`}
              className={`absolute rounded-[4px] border-[1.5px] border-dashed border-grease px-1.5 pt-1 text-left text-[11.5px] leading-tight text-grease-ink ${
                hard?.line === h.line ? "bg-[color-mix(in_srgb,var(--grease)_12%,transparent)]" : ""
              }`}
              style={{
                left: leftOf("loudness") + 4,
                width: WIDTHS.loudness - 8,
                top: (h.start / rate) * tall,
                height: Math.max(26, ((h.stop - h.start) / rate) * tall),
              }}
              onClick={(e) => {
                e.stopPropagation();
                onHard(h);
              }}
            >
              hard to hear
            </button>
          ))}
          {LANES.map((lane) => (
            <div
              key={lane}
              className="absolute top-0"
              style={{ left: leftOf(lane) }}
              onClick={(e) => e.stopPropagation()}
            >
              <LevelLine
                lane={lane}
                points={now[lane]}
                fps={film.fps}
                rate={rate}
                frames={film.frames}
                tall={tall}
                from={from}
                to={to}
                onDraw={(points) => setDrawn(points && { lane, points })}
                onPut={(points) => {
                  setDrawn({ lane, points });
                  onLevel(lane, points);
                }}
              />
            </div>
          ))}
        </div>
        <PlayLine down={tall / rate} />
      </div>
    </div>
  );
}

/** While it plays, the playhead stays in sight; and what is asked for elsewhere comes into it. */
function useFollowed(scroll: React.RefObject<HTMLDivElement | null>, down: number) {
  useEffect(() => {
    const follow = () => {
      const box = scroll.current;
      if (!box) return;
      const y = playhead.get() * down;
      const at = y - box.scrollTop;
      const margin = playing.get() ? box.clientHeight * 0.7 : box.clientHeight - 8;
      if (at < 0 || at > margin) box.scrollTop = y - box.clientHeight * 0.25;
    };
    follow();
    return playhead.subscribe(follow);
  }, [scroll, down]);
}

const Row = memo(function Row(props: { film: Film; shot: Shot; first: boolean; tall: number }) {
  const { film, shot, first, tall } = props;
  const on = useStore(selected) === shot.id;
  const lines = Math.max(1, Math.floor((tall - 10) / 19));
  return (
    <div
      data-shot={shot.edge}
      className={`relative h-full border-b border-rule ${on ? "bg-shade" : ""}`}
      onClick={() => {
        selected.set(shot.id);
        seek(shot.start);
      }}
    >
      <div className="flex h-full overflow-hidden" style={{ width: WORDS }}>
        <b className="w-[62px] shrink-0 pl-5 pt-1.5 font-mono text-[13px] font-medium">
          {shot.edge}
        </b>
        <p
          className="min-w-0 self-start overflow-hidden pr-3 pt-1 font-serif text-[14.5px] leading-[19px]"
          style={{ display: "-webkit-box", WebkitBoxOrient: "vertical", WebkitLineClamp: lines }}
        >
          <ShotWords film={film} shot={shot} />
        </p>
      </div>
      {!first && <CutStroke className="absolute -top-[11px] left-[46px] !h-[22px] !w-[11px]" />}
    </div>
  );
});

const NAME_HIGH = 26;

/** The names of sounds at their moments: each opens its desk. One that has no room below the one before goes lower. */
const Names = memo(function Names(props: {
  film: Film;
  from: number;
  to: number;
  tall: number;
  frameAt: FrameAt;
}) {
  const { film, from, to, tall, frameAt } = props;
  const here = film.cues.filter((c) => c.start >= from && c.start < to);
  const low = { spot: -Infinity, ambience: -Infinity, music: -Infinity };
  return here.map((cue) => {
    const kind = cue.kind === "ambience" || cue.kind === "music" ? cue.kind : "spot";
    const top = Math.max(cue.start * tall + (kind === "spot" ? 8 : 3), low[kind] + NAME_HIGH);
    low[kind] = top;
    return <Name key={cue.id} film={film} cue={cue} top={top} frameAt={frameAt} />;
  });
});

/** Where the name of a sound stands, and how wide it may be. */
const NAMED: Record<string, readonly [number, number]> = {
  ambience: [leftOf("sound") + 2, 74],
  music: [leftOf("music") + 2, 66],
};
const SPOT = [leftOf("sound") + 74, 66] as const;

function Name(props: { film: Film; cue: Cue; top: number; frameAt: FrameAt }) {
  const { film, cue, top, frameAt } = props;
  const [left, width] = NAMED[cue.kind] ?? SPOT;
  return (
    <span onClick={(e) => e.stopPropagation()}>
      <SoundDesk
        film={film}
        cue={cue}
        frameAt={frameAt}
        className="absolute min-h-6 bg-[color-mix(in_srgb,var(--page)_72%,transparent)] px-1 text-left text-[11px] leading-tight text-ink-2"
        style={{ left, top, width }}
      >
        <span className="line-clamp-2">{cue.prompt.replace(/^an? /, "")}</span>
      </SoundDesk>
    </span>
  );
}

/** The cuts that a bar of the music meets, and those that it was asked to and could not. */
function Met(props: { film: Film; mix: Mix; down: number; from: number; to: number }) {
  const { film, mix, down, from, to } = props;
  const met = new Set(mix.met);
  return mix.wished
    .filter((frame) => frame >= from && frame <= to)
    .map((frame) => (
      <span
        key={frame}
        title={
          met.has(frame)
            ? `a bar begins with this cut, ${timecode(frame, film.fps)}`
            : "no bar begins with this cut yet"
        }
        className={`absolute h-[3px] ${met.has(frame) ? "bg-ochre" : "border-y border-ochre"}`}
        style={{ left: leftOf("music"), width: 16, top: frame * down - 1 }}
      />
    ));
}

function PlayLine({ down }: { down: number }) {
  const frame = usePlayhead();
  return (
    <span
      data-playline
      className="pointer-events-none absolute inset-x-0 top-0 h-px bg-grease"
      style={{ transform: `translateY(${frame * down}px)` }}
    />
  );
}
