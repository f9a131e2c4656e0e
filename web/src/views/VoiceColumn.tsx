/** The voice column of one shot: its waveform down the page and who speaks; of the chosen shot with its words, each at
 * its moment. */
import { useMemo } from "react";

import type { Film, Shot } from "../api/client";
import { WaveDown } from "../parts/marks";
import { useMoments } from "../parts/following";
import { rateOf } from "../parts/time";
import { seek } from "../state/playhead";

/** How high the waveform is, in pixels. */
const HIGH = { roomy: 108, low: 52 };
const LEAST = 11;

interface Props {
  film: Film;
  shot: Shot;
  on: boolean;
  low: boolean;
}

export function VoiceColumn({ film, shot, on, low }: Props) {
  const lines = film.lines.filter((l) => l.first < shot.end && l.end > shot.first);
  const rate = rateOf(film.fps);
  const peaks = useMemo(() => {
    const from = shot.start / rate;
    const to = shot.stop / rate;
    const n = 40;
    return Array.from({ length: n }, (_, i) => {
      const t = from + ((to - from) * i) / n;
      const line = lines.find((l) => t >= l.start && t < l.start + (l.seconds ?? 0));
      if (line) return line.peaks[Math.floor((t - line.start) * 20)] ?? 0;
      return shot.measured ? 0 : 36 + 22 * Math.sin(i * 2.1);
    });
  }, [lines, rate, shot]);
  const speakers = [...new Set(lines.map((l) => l.speaker).filter(Boolean))];
  const high = (low ? HIGH.low : HIGH.roomy) - (speakers.length ? 14 : 0);
  return (
    <>
      <div className="relative">
        <div className={on ? "opacity-35" : undefined}>
          <WaveDown peaks={peaks} height={high} estimated={!shot.measured} />
        </div>
        {on && <Words film={film} shot={shot} high={high} />}
      </div>
      {speakers.length > 0 && (
        <span
          className="max-w-full truncate px-1 text-[11px] text-teal"
          title={speakers.join(", ")}
        >
          {shortly(speakers.map((s) => s!.replace(/^the /, "")))}
        </span>
      )}
    </>
  );
}

function Words({ film, shot, high }: { film: Film; shot: Shot; high: number }) {
  const moments = useMoments(film, true);
  const words = film.words.slice(shot.first, shot.end);
  const places = spaced(
    words.map(([from, to], n) => ({ frame: moments[shot.first + n] ?? 0, length: to - from })),
    shot.start,
    shot.stop,
    high,
  );
  if (!moments.length) return null;
  // One surface for all of them: each by itself would be too small to be met. By key it plays from the shot's beginning.
  return (
    <button
      type="button"
      aria-label="Play from a word of the shot"
      className="absolute inset-y-0 left-[-9px] w-[80px]"
      onClick={(e) => {
        e.stopPropagation();
        const word = (e.target as HTMLElement).closest<HTMLElement>("[data-word]")?.dataset.word;
        seek(word === undefined ? shot.start : moments[Number(word)]!, true);
      }}
    >
      {places.map(([n, top]) => {
        const index = shot.first + n;
        const word = words[n]!;
        return (
          <span
            key={index}
            data-word={index}
            title="play from here"
            className="absolute inset-x-0 truncate rounded-[2px] px-1 text-center font-serif text-[11.5px] leading-[13px] hover:bg-page"
            style={{ top }}
          >
            {film.text.slice(word[0], word[1])}
          </span>
        );
      })}
    </button>
  );
}

/** Which words have room, each with where it stands (pixels): of those that would stand upon each other the longest,
 * which says most of where one is. */
export function spaced(
  words: readonly { frame: number; length: number }[],
  start: number,
  stop: number,
  high: number,
): [number, number][] {
  const tops = words.map((w) => ((w.frame - start) / Math.max(1, stop - start)) * high);
  const out: [number, number][] = [];
  const order = words.map((_, n) => n).sort((a, b) => words[b]!.length - words[a]!.length || a - b);
  for (const n of order) {
    const top = tops[n]!;
    if (top <= high - LEAST && out.every(([, other]) => Math.abs(other - top) >= LEAST))
      out.push([n, top]);
  }
  return out.sort(([a], [b]) => a - b);
}

/** Who speaks, in a narrow column: one in full, several by what a title or a first name leaves. */
const shortly = (names: string[]) =>
  names.length === 1 ? names[0] : names.map((n) => n.split(" ").at(-1)).join(", ");
