/** Picture ideas of a shot: what its picture may show, each with its reason; one is taken, another can be. */
import type { Film, Shot } from "../api/client";
import { useChange, useStart } from "../api/film";
import { IdeaMark } from "../parts/marks";

/** The sort of idea behind the one that is taken, the first behind the last. */
export function nextIdea(shot: Shot): Shot["idea"] {
  const at = shot.ideas.findIndex((i) => i.sort === shot.idea);
  return shot.ideas[(at + 1) % shot.ideas.length]?.sort ?? null;
}

export function Ideas({ film, shot }: { film: Film; shot: Shot }) {
  const change = useChange(film.id);
  const start = useStart(film.id);
  if (!shot.ideas.length) return null;
  const take = (idea: Shot["idea"], then?: () => void) =>
    change.mutate(
      { type: "set shots", shots: [shot.id], values: { idea } },
      { onSuccess: () => then?.() },
    );
  return (
    <section aria-label="Picture ideas">
      <div className="mb-1 flex items-baseline justify-between">
        <h2 className="font-semibold">Picture ideas</h2>
        {shot.own.idea ? (
          <button
            type="button"
            title="Let the film choose again"
            aria-label="Lift idea"
            className="min-h-6 text-[11px] text-ink-2 underline decoration-dotted"
            onClick={() => take(null)}
          >
            by hand
          </button>
        ) : (
          <span className="text-[11.5px] text-ink-2">chosen for the whole scene</span>
        )}
      </div>
      <ul aria-label="Idea" className="-mx-1.5 flex flex-col gap-px">
        {shot.ideas.map((idea) => {
          const on = idea.sort === shot.idea;
          return (
            <li
              key={idea.sort}
              className={`group flex items-start gap-2 rounded-[5px] px-1.5 py-1 ${on ? "bg-shade" : "hover:bg-shade"}`}
            >
              <button
                type="button"
                aria-pressed={on}
                title={idea.why}
                onClick={() => !on && take(idea.sort)}
                className="flex min-w-0 grow items-start gap-2 text-left"
              >
                <IdeaMark sort={idea.sort} on={on} className="mt-[3px] shrink-0" />
                <span className="min-w-0 leading-[1.35]">
                  <span className={on ? "font-medium" : ""}>
                    {idea.action || shot.place || "where we are"}
                  </span>
                  <span className="block text-[11.5px] text-ink-2">
                    {idea.sort}, {idea.framing}: {idea.why}
                  </span>
                </span>
              </button>
              <button
                type="button"
                title="Take it, and make one quick picture of it"
                aria-label={`Try the ${idea.sort}`}
                disabled={start.isPending}
                onClick={() =>
                  take(idea.sort, () =>
                    start.mutate({ kind: "pictures", shots: [shot.id], takes: 1 }),
                  )
                }
                className="min-h-6 shrink-0 rounded-[3px] border border-rule-strong bg-page px-1.5 text-[11.5px] hover:bg-shade"
              >
                try it
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
