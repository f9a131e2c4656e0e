/** All pictures in use, in film order, to be seen as a set; some are chosen to be made. */
import { useRef, useState } from "react";

import type { Film, Shot } from "../../api/client";
import { Button } from "../../parts/Button";
import { usedOf } from "../continuity/drift";
import { boxOf } from "../../parts/shape";

interface Props {
  film: Film;
  chosen: readonly number[];
  onChosen: (shots: number[]) => void;
  onOpen: (shot: Shot) => void;
}

export function LightTable({ film, chosen, onChosen, onOpen }: Props) {
  const [wide, setWide] = useState(190);
  const last = useRef<number | null>(null);
  /** With Shift, all from the one chosen before. */
  const choose = (at: number, on: boolean, range: boolean) => {
    const from = range && last.current !== null ? last.current : at;
    last.current = at;
    const meant = film.shots.slice(Math.min(from, at), Math.max(from, at) + 1).map((s) => s.id);
    onChosen(on ? [...new Set([...chosen, ...meant])] : chosen.filter((id) => !meant.includes(id)));
  };
  const made = film.shots.filter(usedOf);
  return (
    <>
      <div className="mb-3 flex items-center gap-3 text-ink-2">
        <span>
          {made.length} of {film.shots.length} shots have a picture
        </span>
        {chosen.length > 0 && (
          <span>
            {chosen.length} chosen
            <Button kind="quiet" className="-my-2 px-2" onClick={() => onChosen([])}>
              none
            </Button>
          </span>
        )}
        <label className="ml-auto flex items-center gap-2">
          size
          <input
            type="range"
            min={90}
            max={400}
            step={10}
            value={wide}
            onChange={(e) => setWide(Number(e.target.value))}
            aria-label="Size of the pictures"
            className="w-[120px] accent-[var(--ink)]"
          />
        </label>
      </div>
      <ul
        aria-label="Light table"
        className="grid gap-2"
        style={{ gridTemplateColumns: `repeat(auto-fill, minmax(${wide}px, 1fr))` }}
      >
        {film.shots.map((s, at) => {
          const take = usedOf(s);
          return (
            <li key={s.id}>
              <button
                type="button"
                onClick={() => onOpen(s)}
                aria-label={`Shot ${s.edge}${take ? "" : ", no picture yet"}`}
                className="block w-full text-left"
              >
                <span
                  className={`relative block overflow-hidden rounded-[2px] bg-shade ${chosen.includes(s.id) ? "outline outline-2 outline-offset-1 outline-ink" : ""} ${boxOf(film.settings.aspect)}`}
                >
                  {take ? (
                    <img
                      src={`/media/${wide > 240 ? take.media : take.thumb}`}
                      alt=""
                      loading="lazy"
                      className="size-full object-cover"
                    />
                  ) : (
                    <span className="flex size-full items-center justify-center p-2 font-serif text-[12px] text-ink-2">
                      {s.text.slice(0, 60)}
                    </span>
                  )}
                  {s.stale && <span className="hatch absolute inset-0" />}
                </span>
              </button>
              <span className="flex items-center justify-between pt-0.5 font-mono text-[11px] text-ink-2">
                <label
                  className="inline-flex min-h-6 cursor-pointer items-center gap-1.5"
                  title="Choose it; with Shift all from the one before"
                >
                  <input
                    type="checkbox"
                    aria-label={`Choose shot ${s.edge}`}
                    checked={chosen.includes(s.id)}
                    onChange={(e) =>
                      choose(at, e.target.checked, (e.nativeEvent as MouseEvent).shiftKey)
                    }
                    className="size-3.5 accent-[var(--ink)]"
                  />
                  {s.edge}
                </label>
                {take && take.faults.length > 0 && <span>{take.faults[0]!.kind}</span>}
              </span>
            </li>
          );
        })}
      </ul>
    </>
  );
}
