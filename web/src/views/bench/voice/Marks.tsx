/** How words are said: stressed, slower, quicker, after a pause; one, or a passage at once. Kept out of captions. */
import type { Film } from "../../../api/client";
import { useChange } from "../../../api/film";
import type { LineSaid } from "../../../api/voices";
import { Button } from "../../../parts/Button";

type Mark = LineSaid["words"][number]["mark"];

const PAUSE = 0.4;

export function Marks({ film, marks }: { film: Film; marks: readonly Mark[] }) {
  const change = useChange(film.id);
  const put = (part: Partial<Mark>) =>
    change.mutate({ type: "mark words", marks: marks.map((mark) => ({ ...mark, ...part })) });
  const all = (is: (mark: Mark) => unknown) => marks.every(is);
  const stressed = all((m) => m.stress);
  const slower = all((m) => m.pace === "slow");
  const quicker = all((m) => m.pace === "quick");
  const paused = (marks[0]?.pause ?? 0) > 0;
  const toggles: [string, boolean, () => void][] = [
    ["stressed", stressed, () => put({ stress: !stressed })],
    ["slower", slower, () => put({ pace: slower ? "" : "slow" })],
    ["quicker", quicker, () => put({ pace: quicker ? "" : "quick" })],
    [
      "a pause before",
      paused,
      () =>
        change.mutate({
          type: "mark words",
          marks: [{ ...marks[0]!, pause: paused ? 0 : PAUSE }],
        }),
    ],
  ];
  return (
    <p
      role="group"
      aria-label={marks.length > 1 ? "How the passage is said" : "How the word is said"}
      className="mt-1 flex flex-wrap items-center gap-1.5"
    >
      <span className="text-ink-2">
        {marks.length > 1 ? `these ${marks.length} words are said` : "said here"}
      </span>
      {toggles.map(([name, on, turn]) => (
        <Button key={name} kind={on ? "ink" : "plain"} aria-pressed={on} onClick={turn}>
          {name}
        </Button>
      ))}
      {marks.length === 1 && (
        <span className="text-[12.5px] text-ink-2">
          Shift and a click on another word takes all up to it
        </span>
      )}
    </p>
  );
}
