/** How tense the music is along the film: as the story tells, bent where it is taken. */
import { useRef, useState } from "react";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import type { Mix } from "../../api/mix";
import { anchored } from "../../parts/anchor";
import { useMoments } from "../../parts/following";
import { rateOf, timecode } from "../../parts/time";
import { Handle, NearPoint, pressed } from "./Handle";
import { taken } from "./LevelLine";
import { WIDTHS, tensionAtX, tensionX } from "./scale";

interface Props {
  film: Film;
  mix: Mix;
  tall: number;
  from: number;
  to: number;
}

interface Point {
  frame: number;
  level: number;
}

const STEP = 0.05;
const NEAR = 10;
/** Pixels within which a point is taken instead of another one made. */

const rounded = (level: number) => Math.min(1, Math.max(0, Math.round(level / STEP) * STEP));
const inWords = (level: number) => `${Math.round(level * 100)} % tense`;

export function TensionLine({ film, mix, tall, from, to }: Props) {
  const change = useChange(film.id);
  const moments = useMoments(film, true);
  const ground = useRef<SVGSVGElement>(null);
  const [drawn, setDrawn] = useState<{ at: typeof mix.tension; points: Point[] } | null>(null);
  const [held, setHeld] = useState<number | null>(null);
  const rate = rateOf(film.fps);
  const { course } = mix.tension;
  const points =
    drawn?.at === mix.tension
      ? drawn.points
      : mix.tension.points.map(({ frame, level }) => ({ frame, level }));
  const top = from * tall;
  const y = (frame: number) => (frame / rate) * tall - top;
  const show = (next: Point[]) => setDrawn({ at: mix.tension, points: next });
  const put = (next: Point[]) => {
    show(next);
    const held = next.flatMap(({ frame, level }) => {
      const at = anchored(frame, moments, film.words);
      return at ? [{ ...at, level }] : [];
    });
    if (moments.length) change.mutate({ type: "set tension", points: held });
  };
  const at = (e: React.PointerEvent): Point => {
    const box = ground.current!.getBoundingClientRect();
    const frame = ((e.clientY - box.top + top) / tall) * rate;
    return {
      frame: Math.round(Math.min(film.frames, Math.max(0, frame))),
      level: rounded(tensionAtX(e.clientX - box.left)),
    };
  };
  const take = (e: React.PointerEvent, index: number | null) => {
    e.preventDefault();
    e.stopPropagation();
    ground.current!.setPointerCapture(e.pointerId);
    if (index !== null) return setHeld(index);
    const here = at(e);
    const near = points.findIndex((p) => Math.abs(y(p.frame) - y(here.frame)) < NEAR);
    if (near >= 0) return setHeld(near);
    const next = [...points, here].sort((a, b) => a.frame - b.frame);
    show(next);
    setHeld(next.indexOf(here));
  };
  const key = (e: React.KeyboardEvent, index: number) => {
    const done = pressed(e);
    if (!done) return;
    if (done === "gone") return put(points.filter((_, i) => i !== index));
    const p = points[index]!;
    const level = rounded(p.level + done.steps * STEP);
    put(moved(points, index, { frame: p.frame + done.frames, level }));
  };
  const inSight = course.filter(([frame]) => frame >= from * rate && frame <= to * rate);
  const before = course.filter(([frame]) => frame < from * rate).at(-1);
  const after = course.find(([frame]) => frame > to * rate);
  const line = [before, ...inSight, after]
    .filter((p) => p !== undefined)
    .map(([frame, level]) => `${tensionX(level)},${y(frame)}`)
    .join(" ");
  const area = `0,${y((before ?? inSight[0])?.[0] ?? 0)} ${line} 0,${y((after ?? inSight.at(-1))?.[0] ?? 0)}`;
  return (
    <div
      className="pointer-events-none absolute left-0 overflow-hidden"
      style={{ top, height: (to - from) * tall, width: WIDTHS.tension }}
    >
      <svg
        ref={ground}
        aria-label="How tense the music is"
        className="pointer-events-auto absolute inset-0 size-full cursor-crosshair touch-none"
        onPointerDown={(e) => take(e, null)}
        onPointerMove={(e) => {
          if (held !== null) show(moved(points, held, at(e)));
        }}
        onPointerUp={() => {
          if (held === null) return;
          setHeld(null);
          put(points);
        }}
        onPointerCancel={() => {
          setHeld(null);
          setDrawn(null);
        }}
      >
        <title>drag to bend how tense the music is</title>
        <polygon
          points={area}
          fill="color-mix(in srgb, var(--ochre) 16%, transparent)"
          stroke="none"
        />
        <polyline points={line} fill="none" stroke="var(--ochre)" strokeWidth="1.5" />
        {points.length > 0 && (
          <polyline
            points={points.map((p) => `${tensionX(p.level)},${y(p.frame)}`).join(" ")}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1"
            strokeDasharray="2 3"
          />
        )}
      </svg>
      {taken(points, y, film.frames).map(({ index, top: high, room }) => {
        const p = points[index]!;
        if (p.frame < from * rate || p.frame > to * rate) return null;
        const left = tensionX(p.level);
        if (!room) return <NearPoint key={index} left={left} top={high} />;
        return (
          <Handle
            key={index}
            label={`Tension at ${timecode(p.frame, film.fps)}`}
            least={0}
            most={1}
            value={p.level}
            says={inWords(p.level)}
            left={left}
            top={high}
            held={held === index}
            onTake={(e) => take(e, index)}
            onKey={(e) => key(e, index)}
          />
        );
      })}
    </div>
  );
}

/** The points with one of them elsewhere; none passes another. */
function moved(points: readonly Point[], index: number, to: Point): Point[] {
  const least = (points[index - 1]?.frame ?? -1) + 1;
  const most = (points[index + 1]?.frame ?? Infinity) - 1;
  const frame = Math.min(most, Math.max(least, to.frame));
  return points.map((p, i) => (i === index ? { frame, level: to.level } : p));
}
