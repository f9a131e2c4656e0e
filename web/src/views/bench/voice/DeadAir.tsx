/** Dead air: how long pauses within a line may be, for the whole film; what that saves is told before. */
import type { Film } from "../../../api/client";
import { useChange } from "../../../api/film";
import { useDeadAir } from "../../../api/voices";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";
import { inWords } from "../../../parts/time";

const LENGTHS = [0.15, 0.25, 0.35, 0.5, 0.7, 1];
const OPTIONS: [string, string][] = [
  ["-", "as spoken"],
  ...LENGTHS.map((s): [string, string] => [String(s), `${s} s at most`]),
];

export function DeadAir({ film }: { film: Film }) {
  const change = useChange(film.id);
  const { comma_pause: comma, stop_pause: stop } = film.settings;
  const now = useDeadAir(film, comma ?? null, stop ?? null).data;
  const tighter = useDeadAir(film, comma ?? 0.25, stop ?? 0.5).data;
  const set = (name: string) => (to: string) =>
    change.mutate({ type: "set settings", values: { [name]: to === "-" ? null : Number(to) } });
  const shown = (value: number | null | undefined) => (value == null ? "-" : String(value));
  const options = (value: number | null | undefined) =>
    value == null || LENGTHS.includes(value)
      ? OPTIONS
      : [...OPTIONS, [String(value), `${value} s at most`] as [string, string]];
  const set_ = comma != null || stop != null;
  return (
    <section
      aria-label="Dead air"
      className="flex flex-wrap items-center gap-x-2 gap-y-1 border-t border-rule-strong pt-2"
    >
      <b>Pauses in a line</b>
      <span className="text-ink-2">after a comma</span>
      <Choice
        quiet
        label="Longest pause after a comma"
        value={shown(comma)}
        options={options(comma)}
        onChange={set("comma_pause")}
      />
      <span className="text-ink-2">after a sentence</span>
      <Choice
        quiet
        label="Longest pause after a sentence"
        value={shown(stop)}
        options={options(stop)}
        onChange={set("stop_pause")}
      />
      <span role="status" className="ml-auto text-[12.5px] text-ink-2">
        {now &&
          now.seconds > 0 &&
          (set_
            ? `${now.saved.toFixed(1)} s of ${now.seconds.toFixed(1)} s saved in the film`
            : tighter &&
              (tighter.saved < 0.05
                ? "no pause is longer than 0.25 and 0.5 s"
                : `0.25 and 0.5 s would save ${tighter.saved.toFixed(1)} s`))}
      </span>
      <Rests film={film} />
      {film.settings.aim && (
        <Aim
          film={film}
          aim={film.settings.aim * 60}
          saves={set_ ? 0 : (tighter?.saved ?? 0)}
          onShorten={() =>
            change.mutate({ type: "set settings", values: { comma_pause: 0.25, stop_pause: 0.5 } })
          }
        />
      )}
    </section>
  );
}

type Rest = "paragraph_rest" | "scene_rest" | "lead_in" | "tail";

/** Silences between what is said, each with its lengths in seconds. */
const RESTS: [Rest, string, string, number[]][] = [
  ["paragraph_rest", "between paragraphs", "Silence between paragraphs", [0.3, 0.45, 0.8, 1.2, 2]],
  ["scene_rest", "between scenes", "Silence between scenes", [0.6, 0.9, 1.6, 2.4, 4]],
  ["lead_in", "before the first word", "Silence before the first word", [0, 0.7, 1.5, 3]],
  ["tail", "behind the last", "Silence behind the last word", [0.6, 1, 2.5, 4, 8]],
];

function Rests({ film }: { film: Film }) {
  const change = useChange(film.id);
  return (
    <p className="flex w-full flex-wrap items-center gap-x-2 gap-y-1">
      <b>Silence</b>
      {RESTS.map(([name, says, label, lengths]) => {
        const value = film.settings[name] ?? null;
        const all = value === null || lengths.includes(value) ? lengths : [...lengths, value];
        return (
          <span key={name} className="inline-flex items-center gap-1">
            <span className="text-ink-2">{says}</span>
            <Choice
              quiet
              label={label}
              value={value === null ? "-" : String(value)}
              options={[["-", "as usual"], ...all.map((s): [string, string] => [`${s}`, `${s} s`])]}
              onChange={(to) =>
                change.mutate({
                  type: "set settings",
                  values: { [name]: to === "-" ? null : Number(to) },
                })
              }
            />
          </span>
        );
      })}
    </p>
  );
}

interface AimProps {
  film: Film;
  /** Seconds that are wished for. */
  aim: number;
  /** Seconds that shorter pauses would save, where they are not set. */
  saves: number;
  onShorten: () => void;
}

const NEAR = 0.02;

/** How far what is spoken is from the length that is wished for, and what would help. */
function Aim({ film, aim, saves, onShorten }: AimProps) {
  const over = film.seconds - aim;
  const measured = film.shots.every((s) => s.measured) ? "measured" : "estimated";
  const far = Math.abs(over) > NEAR * aim;
  const words = film.lines.at(-1)?.end ?? 0;
  return (
    <p
      role="status"
      aria-label="Against the aim"
      className="flex w-full flex-wrap items-center gap-2 text-ink-2"
    >
      {inWords(film.seconds)} {measured}, {inWords(aim)} wanted
      {far && `: ${inWords(Math.abs(over))} too ${over > 0 ? "long" : "short"}`}
      {far && over > 0 && saves >= 0.5 && (
        <Button onClick={onShorten}>Shorten pauses: {saves.toFixed(1)} s</Button>
      )}
      {far && over > 0 && over > saves && (
        <span>
          {saves >= 0.5 ? "then about" : "about"}{" "}
          {Math.ceil(((over - saves) / film.seconds) * words)} of {words} words to strike
        </span>
      )}
    </p>
  );
}
