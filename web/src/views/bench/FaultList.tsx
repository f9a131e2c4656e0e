/** Pictures in use that have faults: those with the most first, by kind, or as they come in the film. */
import { useState } from "react";

import type { Film, Shot } from "../../api/client";
import { useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { usedOf } from "../continuity/drift";
import { isUpright } from "../../parts/shape";

const ORDERS = [
  ["most", "most faults first"],
  ["kind", "by kind"],
  ["film", "in film order"],
] as const;
type Order = (typeof ORDERS)[number][0];

const faultsOf = (shot: Shot) => usedOf(shot)?.faults ?? [];
export const faulty = (film: Film): Shot[] =>
  film.shots.filter((s) => s.picture_of === s.id && faultsOf(s).length > 0);

/** The shots in an order, or only those with one kind of fault. */
export function sorted(shots: readonly Shot[], order: Order, kind: string): Shot[] {
  const shown = shots.filter((s) => kind === "all" || faultsOf(s).some((f) => f.kind === kind));
  if (order === "most") return shown.sort((a, b) => faultsOf(b).length - faultsOf(a).length);
  if (order === "kind")
    return shown.sort((a, b) => faultsOf(a)[0]!.kind.localeCompare(faultsOf(b)[0]!.kind));
  return shown;
}

export function FaultList({ film, onOpen }: { film: Film; onOpen: (shot: Shot) => void }) {
  const start = useStart(film.id);
  const [order, setOrder] = useState<Order>("most");
  const [kind, setKind] = useState("all");
  const wrong = faulty(film);
  const kinds: string[] = [...new Set(wrong.flatMap((s) => faultsOf(s).map((f) => f.kind)))].sort();
  // The last picture with a kind of fault may just have been put right.
  const only = kinds.includes(kind) ? kind : "all";
  if (!wrong.length)
    return (
      <p className="py-3 text-ink-2">
        No fault was found. Every picture is looked over when it is made: borders, shape, blur,
        lettering, nearly the same as another, somebody cut by the edge, small, or turned away while
        speaking. A clip is looked over for stretches that stand still, flicker, jumps, colours that
        drift, and a beginning that is not its picture.
      </p>
    );
  return (
    <>
      <div className="mb-2 flex items-center gap-3 text-ink-2">
        <span>
          {wrong.length} {wrong.length === 1 ? "picture" : "pictures"}
        </span>
        <span className="ml-auto flex gap-3">
          <Choice
            quiet
            label="Which faults"
            value={only}
            options={[["all", "every kind"] as const, ...kinds.map((k) => [k, k] as const)]}
            onChange={setKind}
          />
          <Choice
            quiet
            label="Order of the faults"
            value={order}
            options={ORDERS}
            onChange={(v) => setOrder(v as Order)}
          />
        </span>
      </div>
      <ul aria-label="Faults" className="border-t border-ink">
        {sorted(wrong, order, only).map((s) => (
          <li
            key={s.id}
            className="grid grid-cols-[128px_44px_minmax(0,1fr)_auto] items-center gap-3 border-b border-rule py-2"
          >
            <button
              type="button"
              aria-label={`Open the takes of shot ${s.edge}`}
              onClick={() => onOpen(s)}
            >
              <img
                src={`/media/${usedOf(s)!.thumb}`}
                alt=""
                className={`w-full rounded-[3px] object-cover ${isUpright(film.settings.aspect) ? "aspect-square" : "aspect-video"}`}
              />
            </button>
            <span className="font-mono">{s.edge}</span>
            <ul>
              {faultsOf(s).map((f) => (
                <li key={f.text}>
                  <span className="underline decoration-grease decoration-wavy decoration-1 underline-offset-[3px]">
                    {f.text}
                  </span>
                </li>
              ))}
            </ul>
            <Button onClick={() => start.mutate({ kind: "pictures", shots: [s.id], takes: 1 })}>
              Make again
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
