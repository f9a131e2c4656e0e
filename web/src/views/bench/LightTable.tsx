/** All pictures in use, in film order, to be seen as a set. */
import { useState } from "react";

import type { Film, Shot } from "../../api/client";
import { usedOf } from "../continuity/drift";

export function LightTable({ film, onOpen }: { film: Film; onOpen: (shot: Shot) => void }) {
  const [wide, setWide] = useState(190);
  const made = film.shots.filter(usedOf);
  return (
    <>
      <div className="mb-3 flex items-center gap-3 text-ink-2">
        <span>
          {made.length} of {film.shots.length} shots have a picture
        </span>
        <label className="ml-auto flex items-center gap-2">
          size
          <input type="range" min={90} max={400} step={10} value={wide} onChange={(e) => setWide(Number(e.target.value))} aria-label="Size of the pictures" className="w-[120px] accent-[var(--ink)]" />
        </label>
      </div>
      <ul aria-label="Light table" className="grid gap-2" style={{ gridTemplateColumns: `repeat(auto-fill, minmax(${wide}px, 1fr))` }}>
        {film.shots.map((s) => {
          const take = usedOf(s);
          return (
            <li key={s.id}>
              <button type="button" onClick={() => onOpen(s)} aria-label={`Shot ${s.edge}${take ? "" : ", no picture yet"}`} className="block w-full text-left">
                <span className={`relative block overflow-hidden rounded-[2px] bg-shade ${film.settings.aspect === "9:16" ? "aspect-[9/16]" : film.settings.aspect === "1:1" ? "aspect-square" : "aspect-video"}`}>
                  {take ? <img src={`/media/${wide > 240 ? take.media : take.thumb}`} alt="" loading="lazy" className="size-full object-cover" /> : <span className="flex size-full items-center justify-center p-2 font-serif text-[12px] text-ink-2">{s.text.slice(0, 60)}</span>}
                  {s.stale && <span className="hatch absolute inset-0" />}
                </span>
                <span className="flex justify-between pt-0.5 font-mono text-[11px] text-ink-2">
                  {s.edge}
                  {take && take.faults.length > 0 && <span>{take.faults[0]!.kind}</span>}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
