/** Whether every line is understood beside everything else, as it was measured on the mix; what is in the way of one that
 * is not, and how to mend it by one click. */
import type { Film } from "../../api/client";
import { useChange, useRuns, useStart } from "../../api/film";
import { useMix } from "../../api/mix";
import { Button } from "../../parts/Button";
import { selected } from "../../state/playhead";

const LEVELS = {
  music: "music_level",
  ambience: "ambience_level",
  spot: "spot_level",
} as const;
const NAMES = { music: "music", ambience: "ambience", spot: "sounds" };
type Lane = keyof typeof LEVELS;
const LEAST = -24;

export function Understood({ film }: { film: Film }) {
  const runs = useRuns(film.id).data ?? [];
  const last = runs[0];
  const found = useMix(film, last ? `${last.id} ${last.state}` : "").data;
  const change = useChange(film.id);
  const start = useStart(film.id);
  if (!found) return null;
  const going = runs.some((r) => r.state === "going");
  const softer = (lane: Lane, less: number) => {
    const name = LEVELS[lane];
    const level = Math.max(LEAST, (film.settings[name] ?? 0) - less);
    change.mutate({ type: "set settings", values: { [name]: level } });
  };
  return (
    <section aria-label="Understood" className="mb-6">
      <h2 className="mb-1 font-serif text-[20px] font-bold">What is said</h2>
      {!found.measured ? (
        <p className="flex items-center gap-3 text-ink-2">
          Whether every line is understood beside the rest is being measured.
          <Button disabled={going} onClick={() => start.mutate({ kind: "everything" })}>
            {going ? "making …" : "Mix and measure"}
          </Button>
        </p>
      ) : (
        <>
          <p className="text-ink-2" role="status">
            {told(found.hard.length, found.least ?? null, found.easy)}
            {found.loudness != null &&
              ` ${level(found.loudness)} LUFS, true peak ${level(found.true_peak)} dBTP.`}
          </p>
          {found.hard.length > 0 && (
            <ul aria-label="Lines that are hard to follow" className="mt-2 border-t border-rule">
              {found.hard.map((h) => (
                <li
                  key={h.line}
                  className="grid grid-cols-[44px_minmax(0,1fr)_170px] items-center gap-2 border-b border-rule py-1"
                >
                  <span className="font-mono">{h.index.toFixed(2)}</span>
                  <button
                    type="button"
                    className="min-h-6 truncate rounded-[3px] text-left font-serif hover:bg-shade"
                    title="choose its shot"
                    onClick={() => selected.set(h.shot)}
                  >
                    {h.text}
                  </button>
                  {isLane(h.culprit) && (
                    <Button
                      className="justify-center"
                      onClick={() => softer(h.culprit as Lane, h.less)}
                    >
                      {NAMES[h.culprit]} {h.less} dB softer
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          )}
        </>
      )}
    </section>
  );
}

/** A level with a true minus sign. */
const level = (db: number | null | undefined) => (db ?? 0).toFixed(1).replace("-", "−");
const isLane = (name: string): name is Lane => name in LEVELS;

function told(hard: number, least: number | null, easy: number): string {
  if (least === null) return "Nothing is spoken yet.";
  if (hard === 0)
    return `Every line is understood with ease beside the rest (index ${least.toFixed(2)} and more, by ANSI S3.5).`;
  const lines = hard === 1 ? "One line is" : `${hard} lines are`;
  return `${lines} hard to follow beside the rest: an index under ${easy} (ANSI S3.5).`;
}
