/** The figures that a film keeps cut out; one can be picked where something is laid in, or dropped. */
import { X } from "lucide-react";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import type { CutOut } from "../../api/hand";

interface Props {
  film: Film;
  picked?: number;
  onPick?: (cutout: CutOut) => void;
}

export function CutOuts({ film, picked, onPick }: Props) {
  const change = useChange(film.id);
  if (!film.cutouts.length) return null;
  return (
    <section aria-label="Cut-outs of the film" className="mb-2 mt-4">
      <h2 className="mb-1.5 font-semibold">Cut-outs of the film</h2>
      <ul className="flex flex-wrap gap-2.5">
        {film.cutouts.map((c) => {
          const from = film.shots.find((s) => s.id === c.shot);
          return (
            <li key={c.id} className="group relative w-[96px]">
              <button
                type="button"
                disabled={!onPick}
                aria-pressed={onPick ? c.id === picked : undefined}
                aria-label={c.name}
                onClick={() => onPick?.(c)}
                className={`block h-[84px] w-full rounded-[3px] bg-shade p-1 ${c.id === picked ? "outline outline-2 outline-offset-1 outline-ink" : ""}`}
              >
                <img src={`/media/${c.media}`} alt="" className="size-full object-contain" />
              </button>
              <span className="flex justify-between gap-1 pt-0.5 text-[12px]">
                <span className="truncate" title={c.name}>
                  {c.name}
                </span>
                <span className="shrink-0 font-mono text-ink-2">{from?.edge}</span>
              </span>
              <button
                type="button"
                aria-label={`Drop the cut-out ${c.name}`}
                title="Drop it; pictures it was laid into keep it"
                className="absolute right-0.5 top-0.5 inline-flex size-6 items-center justify-center rounded-[4px] text-ink-2 opacity-0 hover:bg-page hover:text-ink focus-visible:opacity-100 group-hover:opacity-100"
                onClick={() => change.mutate({ type: "drop cut-out", cutout: c.id })}
              >
                <X className="size-3.5" />
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
