/** Somebody in every picture, in film order: arrow keys walk, M makes one again, A accepts its drift. */
import { useRef, useState } from "react";

import type { Film, Person, Shot } from "../../api/client";
import { keysOf } from "../../keys/useKeys";
import { selected } from "../../state/playhead";
import { useStore } from "../../state/store";
import { Boxes } from "./Boxes";
import type { Deeds } from "./deeds";
import { driftOf, inFew, shortOf, usedOf } from "./drift";
import { isUpright } from "../../parts/shape";

interface Props {
  film: Film;
  person: Person;
  deeds: Deeds;
}

export function Strip({ film, person, deeds }: Props) {
  const list = useRef<HTMLUListElement>(null);
  const here = useStore(selected);
  const [boxing, setBoxing] = useState<Shot | null>(null);
  const shots = film.shots.filter((s) => s.people.includes(person.id) && usedOf(s));
  if (!shots.length) return null;
  const current = shots.some((s) => s.id === here) ? here : shots[0]!.id;
  const walk = (e: React.KeyboardEvent, i: number) => {
    keysOf("pictures", {
      walk: ({ key }) => {
        const next = Math.min(shots.length - 1, Math.max(0, i + (key === "ArrowRight" ? 1 : -1)));
        deeds.point(shots[next]!);
        const button = list.current?.querySelectorAll<HTMLElement>("button[data-shot]")[next];
        button?.scrollIntoView({ block: "nearest" });
        button?.focus();
      },
    })(e);
    deeds.onKey(e, shots[i]!, person.id);
  };
  return (
    <section className="mt-5" aria-label={`${person.name} in every picture`}>
      <ul
        ref={list}
        className="grid grid-cols-[repeat(auto-fill,minmax(148px,1fr))] gap-x-2.5 gap-y-2"
      >
        {shots.map((s, i) => {
          const drift = driftOf(s, person.id);
          const off = drift && drift.open > 0 ? inFew(drift) : "";
          const short = drift && drift.open > 0 ? shortOf(drift, person) : "";
          const boxless = usedOf(s)!.brought && !s.figures.some((f) => f.person === person.id);
          return (
            <li key={s.id}>
              <button
                type="button"
                data-shot={s.id}
                tabIndex={s.id === current ? 0 : -1}
                aria-label={`Shot ${s.edge}${off ? `, drift: ${off}` : drift?.worst ? `, ΔE ${Math.floor(drift.worst)}` : ""}${s.stale ? ", stale" : ""}`}
                title={off || undefined}
                onClick={() => deeds.point(s)}
                onDoubleClick={() => deeds.go(s)}
                onKeyDown={(e) => walk(e, i)}
                className="block w-full text-left"
              >
                <span
                  className={`relative block overflow-hidden rounded-[3px] ${isUpright(film.settings.aspect) ? "aspect-[3/4]" : "aspect-video"} ${s.id === here ? "outline outline-2 outline-offset-1 outline-ink" : ""}`}
                >
                  <img
                    src={`/media/${usedOf(s)!.thumb}`}
                    alt=""
                    className="size-full object-cover"
                  />
                  {s.stale && <span className="hatch absolute inset-0" />}
                </span>
                <span className="flex justify-between gap-2 pt-0.5 font-mono text-[12px]">
                  <span className="shrink-0">{s.edge}</span>
                  <span
                    className={
                      off
                        ? "truncate text-grease-ink underline decoration-grease decoration-wavy decoration-1 underline-offset-[3px]"
                        : "truncate text-ink-2"
                    }
                  >
                    {short ||
                      (s.stale
                        ? "stale"
                        : drift?.worst !== undefined && drift.worst !== null
                          ? `ΔE ${Math.floor(drift.worst)}`
                          : boxless
                            ? "yours"
                            : "holds")}
                  </span>
                </span>
              </button>
              {boxless && (
                <button
                  type="button"
                  onClick={() => setBoxing(s)}
                  className="min-h-6 text-[12px] text-ink-2 underline"
                >
                  say where {person.name} is
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <p className="mt-1.5 text-ink-2">
        {person.name} in {shots.length === 1 ? "the one picture" : `all ${shots.length} pictures`}{" "}
        so far, in film order. Arrow keys walk; <Key>M</Key> makes one again; <Key>A</Key> accepts
        its drift; <Key>Enter</Key> opens the shot.
      </p>
      {boxing && <Boxes film={film} shot={boxing} onDone={() => setBoxing(null)} />}
    </section>
  );
}

const Key = ({ children }: { children: string }) => (
  <kbd className="rounded-[3px] border border-rule-strong bg-page px-1 font-mono text-[11px]">
    {children}
  </kbd>
);
