/** A line as its waveform, with its words beneath, each at its moment; a click on a word hears it from there. */
import type { Heard, LineSaid } from "../../../api/voices";
import { PauseMark, lookOf } from "../../../parts/saidSo";

type Said = LineSaid["words"][number];

interface Props {
  take: Heard;
  words: readonly Said[];
  /** Stretches that are not heard in the film. */
  cuts: readonly (readonly number[])[];
  now: number | null;
  chosen: ReadonlySet<number>;
  /** A word was clicked; with Shift all up to it are meant. */
  onWord: (word: Said, passage: boolean) => void;
}

const HIGH = 44;

export function Wave({ take, words, cuts, now, chosen, onWord }: Props) {
  const seconds = take.seconds ?? 1;
  const share = (t: number) => `${(Math.min(seconds, Math.max(0, t)) / seconds) * 100}%`;
  const rows = inRows(words, seconds);
  return (
    <div className="relative">
      <svg
        viewBox={`0 0 ${take.peaks.length} 100`}
        preserveAspectRatio="none"
        className="block w-full text-slate"
        height={HIGH}
        aria-hidden
      >
        <path d={outline(take.peaks)} fill="currentColor" />
      </svg>
      {cuts.map(([start, end]) => (
        <span
          key={start}
          title={`${(end! - start!).toFixed(2)} s of silence, not heard in the film`}
          className="absolute top-0 bg-page opacity-80"
          style={{
            left: share(start!),
            width: `${((end! - start!) / seconds) * 100}%`,
            height: HIGH,
            backgroundImage:
              "repeating-linear-gradient(135deg, var(--rule-strong) 0 1px, transparent 1px 5px)",
          }}
        />
      ))}
      {now !== null && (
        <span
          className="absolute top-0 w-px bg-grease"
          style={{ left: share(now), height: HIGH }}
          aria-hidden
        />
      )}
      <div className="relative" style={{ height: 22 * (1 + Math.max(0, ...rows)) }}>
        {words.map((w, i) => (
          <button
            key={`${w.number} ${i}`}
            type="button"
            title={w.sounds ? `sounds like ${w.sounds}` : "hear it from here"}
            className={`absolute whitespace-nowrap rounded-[3px] px-0.5 font-serif text-[14px] leading-5 hover:bg-shade ${chosen.has(w.number) ? "bg-shade" : ""} ${w.sounds ? "underline decoration-dotted underline-offset-2" : ""} ${lookOf(w.mark)} ${now !== null && now >= (w.start ?? 0) && now < (w.end ?? 0) ? "font-semibold" : ""}`}
            style={{ left: share(w.start ?? 0), top: rows[i]! * 20 }}
            aria-pressed={chosen.has(w.number)}
            onClick={(e) => onWord(w, e.shiftKey)}
          >
            <PauseMark mark={w.mark} />
            {w.text}
          </button>
        ))}
      </div>
    </div>
  );
}

/** Peaks as one outline about the middle, upper and lower side. */
export function outline(peaks: readonly number[]): string {
  const up = peaks.map((p, i) => `${i + 0.5},${50 - Math.max(1, p / 2)}`);
  const down = peaks.map((p, i) => `${i + 0.5},${50 + Math.max(1, p / 2)}`).reverse();
  return `M0,50L${up.join("L")}L${peaks.length},50L${down.join("L")}Z`;
}

/** In which row each word stands, so that none stands upon another: about 620 pixels are a line. */
export function inRows(words: readonly Said[], seconds: number): number[] {
  const ends: number[] = [];
  return words.map((w) => {
    const from = ((w.start ?? 0) / seconds) * 620;
    const to = from + w.text.length * (w.mark?.pace === "slow" ? 10 : 8.2) + 9;
    let row = ends.findIndex((end) => end <= from);
    if (row < 0) row = ends.length < MOST_ROWS ? ends.length : ends.indexOf(Math.min(...ends));
    ends[row] = to;
    return row;
  });
}

const MOST_ROWS = 5;
