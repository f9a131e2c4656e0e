/** What a change would do: prompts, stale pictures, cost and time, before it is made. */
import type { Command, Film } from "../../api/client";
import { useChange, useImpact, useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { inWords, money } from "../../parts/time";

interface Props {
  film: Film;
  title: string;
  command: Command;
  /** What the plain button says: "Change only". */
  only?: string;
  onDone: () => void;
  onLeave: () => void;
}

export function BeforeYouDecide({
  film,
  title,
  command,
  only = "Change only",
  onDone,
  onLeave,
}: Props) {
  const change = useChange(film.id);
  const start = useStart(film.id);
  const impact = useImpact(film.id, command, film.revision).data;
  const take = (then?: () => void) => {
    change.mutate(command, { onSuccess: then });
    onDone();
  };
  return (
    <section
      aria-label="Before you decide"
      className="sticky top-0 z-10 rounded-[5px] border border-rule-strong bg-page p-3"
    >
      <div className="flex justify-between gap-3">
        <h3 className="font-semibold">{title}</h3>
        <span className="shrink-0 text-ink-2">before you decide</span>
      </div>
      <p className="my-1 text-ink-2">
        {impact
          ? said(impact.prompts, impact.stale, impact.cost, impact.seconds)
          : "Looking at what it would change …"}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button
          kind="ink"
          disabled={!impact?.stale}
          onClick={() => take(() => start.mutate({ kind: "pictures" }))}
        >
          Change and make again
        </Button>
        <Button onClick={() => take()}>{only}</Button>
        <Button kind="quiet" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </section>
  );
}

function said(prompts: number, stale: number, cost: number, seconds: number): string {
  if (!prompts && !stale) return "No prompt changes.";
  if (!prompts)
    return `No words change, but ${stale} circled ${stale === 1 ? "picture becomes" : "pictures become"} stale. Making them again costs ${money(cost)} and about ${inWords(seconds)}.`;
  const changes = `${prompts} ${prompts === 1 ? "prompt changes" : "prompts change"}.`;
  if (!stale) return `${changes} No picture becomes stale.`;
  return `${changes} ${stale} circled ${stale === 1 ? "picture becomes" : "pictures become"} stale. Making them again costs ${money(cost)} and about ${inWords(seconds)}.`;
}
