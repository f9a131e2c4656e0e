/** A line that is hard to follow: by how much, what is in its way, and the remedy. */
import type { Film } from "../../api/client";
import type { HardLine, Lane, Mix } from "../../api/mix";
import { Button } from "../../parts/Button";
import { rateOf, timecode } from "../../parts/time";

interface Props {
  film: Film;
  mix: Mix;
  hard: HardLine | null;
  onHard: (line: HardLine) => void;
  onSofter: (lane: Lane, line: HardLine) => void;
}

const LANE: Record<string, Lane> = { spot: "sound", ambience: "sound", music: "music" };
const NAMES: Record<string, string> = { spot: "sounds", ambience: "ambience", music: "music" };

export function Trouble({ film, mix, hard, onHard, onSofter }: Props) {
  if (!hard)
    return (
      <section aria-label="Understood">
        <h3 className="mb-1 font-semibold">Understood</h3>
        <p className="text-ink-2" role="status">
          {mix.least === null || mix.least === undefined
            ? "Nothing is spoken yet."
            : mix.hard.length === 0
              ? `Every line is understood with ease: index ${mix.least.toFixed(2)} and more, by ANSI S3.5.`
              : `${mix.hard.length === 1 ? "One line is" : `${mix.hard.length} lines are`} hard to follow.`}
        </p>
        <ul>
          {mix.hard.slice(0, 5).map((h) => (
            <li key={h.line}>
              <button
                type="button"
                className="flex min-h-6 w-full gap-2 rounded-[3px] text-left hover:bg-shade"
                onClick={() => onHard(h)}
              >
                <span className="font-mono text-[12px] leading-[20px]">{h.index.toFixed(2)}</span>
                <span className="truncate font-serif">{h.text}</span>
              </button>
            </li>
          ))}
        </ul>
      </section>
    );
  const rate = rateOf(film.fps);
  const lane = LANE[hard.culprit];
  const edge = film.shots.find((s) => s.id === hard.shot)?.edge;
  const speaker = film.lines[hard.line]?.speaker;
  return (
    <section aria-label="A line that is hard to follow">
      <h3 className="font-serif text-[18px] font-bold leading-tight">
        Shot {edge}
        {speaker ? `, ${speaker}` : ""}
      </h3>
      <p className="mb-2 mt-0.5 text-ink-2">
        <q className="font-serif">{hard.text}</q>{" "}
        <span className="whitespace-nowrap font-mono text-[12px]">
          {timecode(hard.start, film.fps)}, {((hard.stop - hard.start) / rate).toFixed(1)} s
        </span>
      </p>
      <p className="flex justify-between border-b border-rule pb-1">
        <b className="font-semibold">Understood</b>
        <span className="font-mono text-[12px]">
          {hard.index.toFixed(2)}, aim {mix.easy.toFixed(2)}
        </span>
      </p>
      <p className="my-2">
        {NAMES[hard.culprit] ? (
          <>
            <b className="font-semibold">The {NAMES[hard.culprit]}</b>{" "}
            {hard.culprit === "spot" ? "are" : "is"} most in its way.
          </>
        ) : (
          "The rest is in its way."
        )}
      </p>
      {lane && (
        <Button kind="ink" onClick={() => onSofter(lane, hard)}>
          {lane === "music" ? "Music" : "Sound"} {hard.less} dB lower under this line
        </Button>
      )}
    </section>
  );
}
