/** The drawn signs: cut mark, ring around a circled take, move of the camera, waveform. */
import type { Shot } from "../api/client";

export const CutStroke = ({ className = "" }: { className?: string }) => (
  <svg
    viewBox="0 0 10 20"
    className={`inline-block h-[1.15em] w-[0.58em] ${className}`}
    aria-hidden="true"
  >
    <path
      d="M2.2 18.6 C3.6 13.4 5.6 7 8 1.4"
      stroke="var(--grease)"
      strokeWidth="2.3"
      strokeLinecap="round"
      fill="none"
    />
  </svg>
);

/** A number with a hand-drawn ring when it is circled. */
export const Ring = ({
  number,
  on,
  hatched = false,
}: {
  number: number;
  on: boolean;
  hatched?: boolean;
}) => (
  <span className="relative inline-flex size-6 items-center justify-center font-mono text-[12px]">
    {on && (
      <svg viewBox="0 0 24 24" className="absolute inset-0" aria-hidden="true">
        <path
          d="M16.8 3.9 C12.2 1.6 5 3.2 3.3 9.2 C1.7 15 5.4 21 11.9 21.3 C18.4 21.6 22.4 16.6 21.3 11 C20.3 6 15.6 2.8 10.4 3.7"
          fill="none"
          stroke="var(--grease)"
          strokeWidth="1.9"
          strokeLinecap="round"
          strokeDasharray={hatched ? "2.6 2.4" : undefined}
        />
      </svg>
    )}
    <span className={on ? "text-ink" : "text-ink-2"}>{number}</span>
  </span>
);

/** What a picture's idea is about, drawn: a stroke that goes (deed), two eyes (face), a lump on a line (thing), a
 * horizon (place), a leaf of paper (sign). */
export function IdeaMark({
  sort,
  on = true,
  className = "",
}: {
  sort: NonNullable<Shot["idea"]>;
  on?: boolean;
  className?: string;
}) {
  const ink = on ? "var(--ink)" : "var(--ink-2)";
  const paths: Record<NonNullable<Shot["idea"]>, string[]> = {
    deed: ["M1.5 10.5 C4 4.5 8 4 13 6.2", "M9.6 3.4 L13.4 6.4 L9.2 8.8"],
    face: ["M5 5.2 L5 6.6", "M10 5.2 L10 6.6", "M4.2 10 C6 11.8 9 11.8 10.8 10"],
    thing: ["M1 12 L14 12", "M4 12 C3.2 6.6 5.4 4 7.6 4 C9.8 4 11.8 6.6 11 12"],
    place: ["M1 9.6 L14 9.6", "M2.6 9.6 C4.4 5.4 6.4 5.4 8 9.6", "M8.6 9.6 C10 7 11.4 7 12.8 9.6"],
    sign: ["M4 2.2 L11 2.6 L11 12.4 L4 12 Z", "M6 5.4 L9 5.6", "M6 8 L9 8.2"],
  };
  return (
    <svg viewBox="0 0 15 14" className={`h-[14px] w-[15px] ${className}`} aria-hidden="true">
      {paths[sort].map((d) => (
        <path
          key={d}
          d={d}
          fill="none"
          stroke={ink}
          strokeWidth={on ? 1.7 : 1.3}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
    </svg>
  );
}

/** What the camera does: the frame at the start, thin, and at the end, strong. */
export function MoveGlyph({ move, className = "" }: { move: string; className?: string }) {
  const whole = { x: 1, y: 1, w: 46, h: 26 };
  const near = { x: 9, y: 6, w: 30, h: 16 };
  const at = (x: number, y: number) => ({ x, y, w: 32, h: 18 });
  const [from, to] = {
    push: [whole, near],
    pull: [near, whole],
    "pan left": [at(15, 5), at(1, 5)],
    "pan right": [at(1, 5), at(15, 5)],
    "tilt up": [at(8, 9), at(8, 1)],
    "tilt down": [at(8, 1), at(8, 9)],
    still: [whole, whole],
  }[move] ?? [whole, whole];
  return (
    <svg viewBox="0 0 48 28" className={`h-7 w-12 ${className}`} aria-hidden="true">
      <rect
        x={from!.x}
        y={from!.y}
        width={from!.w}
        height={from!.h}
        fill="none"
        stroke="var(--rule-strong)"
        strokeWidth="1.2"
      />
      <rect
        x={to!.x}
        y={to!.y}
        width={to!.w}
        height={to!.h}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
    </svg>
  );
}

/** A voice's waveform that runs down the page. `peaks` are 0 … 100, from top to bottom. */
export function WaveDown({
  peaks,
  height,
  estimated,
}: {
  peaks: number[];
  height: number;
  estimated: boolean;
}) {
  const rows = Math.floor(height / 3);
  const at = (i: number) => {
    const from = Math.floor((i / rows) * peaks.length);
    const to = Math.max(from + 1, Math.floor(((i + 1) / rows) * peaks.length));
    return Math.max(0, ...peaks.slice(from, to));
  };
  // Filled bars: a dashed or translucent stroke is drawn many times slower, and a long list is scrolled over it.
  const thick = estimated ? 0.75 : 1.5;
  const d = Array.from({ length: rows }, (_, i) => {
    const half = 1 + (at(i) / 100) * 28;
    return `M${31 - half} ${i * 3 + 0.75}h${half * 2}v${thick}h${-half * 2}z`;
  }).join("");
  return (
    <svg width="62" height={height} viewBox={`0 0 62 ${height}`} aria-hidden="true">
      <path d={d} fill={`color-mix(in srgb, var(--teal) ${estimated ? 45 : 90}%, var(--page))`} />
    </svg>
  );
}

/** What exists of a shot, in one word. */
export function stateOf(shot: Shot): "empty" | "stale" | "made" {
  if (shot.plate) return "made";
  if (!shot.used) return "empty";
  return shot.stale ? "stale" : "made";
}
