/** Who against scenes: in each cell the worst drift, what is worn, and what is left to make. Arrow keys walk. */
import { useRef, useState } from "react";

import type { Film, Person } from "../../api/client";
import { keysOf } from "../../keys/useKeys";
import { Face } from "./Face";
import { MARKED, type Cell, cellOf, driftOf, inFew, wornIn } from "./drift";
import type { Deeds } from "./deeds";

interface Props {
  film: Film;
  chosen: number | undefined;
  onChoose: (person: number) => void;
  deeds: Deeds;
}

const STEPS: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

export function Matrix({ film, chosen, onChoose, deeds }: Props) {
  const [at, setAt] = useState<[number, number]>([0, 0]);
  const table = useRef<HTMLTableElement>(null);
  const scenes = film.scenes.map((s, i) => ({ ...s, number: i })).filter((s) => s.end > s.first);
  const onKey = (
    e: React.KeyboardEvent,
    row: number,
    column: number,
    person: Person,
    cell: Cell,
  ) => {
    keysOf("cells", {
      walk: ({ key }) => {
        const step = STEPS[key]!;
        const next: [number, number] = [
          Math.min(film.cast.length - 1, Math.max(0, row + step[0])),
          Math.min(scenes.length - 1, Math.max(0, column + step[1])),
        ];
        setAt(next);
        table.current?.querySelector<HTMLElement>(`[data-cell="${next.join()}"]`)?.focus();
      },
    })(e);
    if (cell.worst) deeds.onKey(e, cell.worst, person.id);
  };
  return (
    <div className="overflow-x-auto">
      <table
        ref={table}
        className="w-full table-fixed border-collapse"
        aria-label="Who, scene by scene"
      >
        <thead>
          <tr className="border-b border-ink align-bottom">
            <th scope="col" className="w-[224px] pb-2 text-left font-normal text-ink-2">
              {film.shots.length} shots, {scenes.length} {scenes.length === 1 ? "scene" : "scenes"}
            </th>
            {scenes.map((s, i) => (
              <th
                key={s.number}
                scope="col"
                className="w-[116px] border-l border-rule px-2 pb-2 text-left"
              >
                <div className="font-mono text-[13px] font-medium">{i + 1}</div>
                <div className="line-clamp-2 font-normal leading-tight text-ink-2" title={s.title}>
                  {s.title || "the whole film"}
                </div>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {film.cast.map((p, row) => (
            <tr key={p.id} className={`border-b border-rule ${p.id === chosen ? "bg-shade" : ""}`}>
              <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                <button
                  type="button"
                  onClick={() => onChoose(p.id)}
                  aria-pressed={p.id === chosen}
                  className="flex w-full items-center gap-2.5 rounded px-1 text-left"
                >
                  <Face film={film} person={p} />
                  <span className="min-w-0">
                    <b className="block truncate font-serif text-[15px]">{p.name}</b>
                    <span className="block truncate text-[12px] text-ink-2">
                      {p.traits[0]?.text ?? p.kind}
                      {p.guess ? ", a guess" : ""}
                    </span>
                  </span>
                </button>
              </th>
              {scenes.map((s, column) => {
                const cell = cellOf(film, p.id, s.number);
                const focusable = at[0] === row && at[1] === column;
                return (
                  <td
                    key={s.number}
                    className={`h-px border-l border-rule p-0 align-top ${cell.stale ? "[background:repeating-linear-gradient(-52deg,var(--rule)_0_1.5px,transparent_1.5px_6px)]" : ""}`}
                  >
                    <button
                      type="button"
                      data-cell={`${row},${column}`}
                      tabIndex={focusable ? 0 : -1}
                      aria-label={labelOf(p.name, column + 1, cell)}
                      title={titleOf(cell, p.id)}
                      onFocus={() => setAt([row, column])}
                      onClick={() => {
                        onChoose(p.id);
                        if (cell.worst ?? cell.shots[0]) deeds.point(cell.worst ?? cell.shots[0]!);
                      }}
                      onKeyDown={(e) => onKey(e, row, column, p, cell)}
                      className="block size-full min-h-[54px] px-2 py-1.5 text-left text-[12px] -outline-offset-2"
                    >
                      <Filled film={film} person={p} scene={s.number} cell={cell} />
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Filled({
  film,
  person,
  scene,
  cell,
}: {
  film: Film;
  person: Person;
  scene: number;
  cell: Cell;
}) {
  if (!cell.shots.length) return <span className="text-ink-3">·</span>;
  const left = cell.stale ? `, ${cell.stale} stale` : cell.unmade ? `, ${cell.unmade} to make` : "";
  return (
    <>
      <span
        className={`block font-mono text-[12.5px] ${cell.open ? "text-grease-ink underline decoration-grease decoration-wavy decoration-1 underline-offset-[3px]" : ""}`}
      >
        {worstSaid(cell)}
      </span>
      <span className="block truncate text-ink-2">{wornIn(film, person, scene)}</span>
      <span className="block text-ink-2">
        {cell.shots.length} {cell.shots.length === 1 ? "shot" : "shots"}
        {left}
      </span>
    </>
  );
}

function worstSaid(cell: Cell): string {
  if (cell.apart !== null && (cell.apart >= MARKED || !cell.open))
    return `ΔE ${Math.floor(cell.apart)}`;
  if (cell.unsaid.length) return `${cell.unsaid.length} unsaid`;
  if (cell.open) return `${cell.open} to look at`;
  return cell.unmade === cell.shots.length ? "–" : "holds";
}

const labelOf = (name: string, scene: number, cell: Cell) =>
  cell.shots.length
    ? `${name} in scene ${scene}: ${cell.shots.length} ${cell.shots.length === 1 ? "shot" : "shots"}, ${worstSaid(cell)}${cell.open ? ", drift" : ""}${cell.stale ? `, ${cell.stale} stale` : ""}`
    : `${name} is not in scene ${scene}`;

function titleOf(cell: Cell, person: number): string | undefined {
  const drifting = cell.shots.filter((s) => driftOf(s, person)?.open);
  return drifting.length
    ? drifting.map((s) => `${s.edge}: ${inFew(driftOf(s, person)!)}`).join("\n")
    : undefined;
}
