/** How one word is said: stressed, slower, quicker, after a pause. Kept out of captions. */
import type { Film } from "../../../api/client";
import { useChange } from "../../../api/film";
import type { LineSaid } from "../../../api/voices";
import { Button } from "../../../parts/Button";

type Mark = LineSaid["words"][number]["mark"];

const PAUSE = 0.4;

export function Marks({ film, mark }: { film: Film; mark: Mark }) {
  const change = useChange(film.id);
  const put = (part: Partial<Mark>) =>
    change.mutate({ type: "mark words", marks: [{ ...mark, ...part }] });
  const toggles: [string, boolean, Partial<Mark>][] = [
    ["stressed", mark.stress ?? false, { stress: !mark.stress }],
    ["slower", mark.pace === "slow", { pace: mark.pace === "slow" ? "" : "slow" }],
    ["quicker", mark.pace === "quick", { pace: mark.pace === "quick" ? "" : "quick" }],
    ["a pause before", (mark.pause ?? 0) > 0, { pause: mark.pause ? 0 : PAUSE }],
  ];
  return (
    <p
      role="group"
      aria-label="How the word is said"
      className="mt-1 flex flex-wrap items-center gap-1.5"
    >
      <span className="text-ink-2">said here</span>
      {toggles.map(([name, on, part]) => (
        <Button key={name} kind={on ? "ink" : "plain"} aria-pressed={on} onClick={() => put(part)}>
          {name}
        </Button>
      ))}
    </p>
  );
}

/** How a marked word looks among the others. */
export function lookOf(mark: Mark | undefined): string {
  if (!mark) return "";
  const pace =
    mark.pace === "slow"
      ? "tracking-[0.12em]"
      : mark.pace === "quick"
        ? "tracking-[-0.05em] italic"
        : "";
  return `${mark.stress ? "font-bold underline decoration-grease decoration-2 underline-offset-4" : ""} ${pace}`;
}
