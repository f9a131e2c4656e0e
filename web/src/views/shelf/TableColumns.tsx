/** A table's first rows, and what each column is: guessed, with the reason, and changed where it is wrong. */
import { useState } from "react";

import type { Story } from "../../api/script";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";

const COLUMNS: readonly (readonly [string, string])[] = [
  ["narration", "narration"],
  ["number", "number"],
  ["scene", "scene"],
  ["description", "what happens"],
  ["speaker", "speaker"],
  ["picture", "picture prompt"],
  ["motion", "motion prompt"],
  ["sound", "sound"],
  ["direction", "direction"],
  ["note", "note"],
  ["paragraph", "paragraph"],
  ["leave", "leave out"],
];

interface Props {
  story: Story;
  busy: boolean;
  onColumns: (columns: string[]) => void;
  onTake: () => void;
  onLeave: () => void;
}

export function TableColumns({ story, busy, onColumns, onTake, onLeave }: Props) {
  const table = story.table!;
  const [columns, setColumns] = useState<string[]>(table.columns);
  const set = (i: number, column: string) => {
    const next = columns.map((c, j) => (j === i ? column : c));
    setColumns(next);
    if (next.includes("narration")) onColumns(next);
  };
  return (
    <div className="flex min-h-0 grow flex-col gap-3">
      <h2 className="font-serif text-[17px] font-bold">Columns of the table</h2>
      <p className="text-ink-2">
        {table.count} rows{table.header.length ? "" : ", without a header"}. Each row becomes a
        shot. Say what each column is.
      </p>
      <ol className="flex flex-col divide-y divide-rule border-y border-rule">
        {columns.map((column, i) => (
          <li key={i} className="py-2">
            <div className="flex items-baseline justify-between gap-2">
              <span className="truncate font-semibold">{table.header[i] || `Column ${i + 1}`}</span>
              <Choice
                quiet
                label={`Column ${i + 1}`}
                value={column}
                options={COLUMNS}
                onChange={(v) => set(i, v)}
              />
            </div>
            <p className="truncate font-serif text-[13.5px]">
              {table.rows
                .map((r) => r[i])
                .filter(Boolean)
                .slice(0, 3)
                .join(" / ") || "empty"}
            </p>
            <p className="text-[11.5px] text-ink-2">
              {column === table.columns[i] ? table.why[i] : "as you say"}
            </p>
          </li>
        ))}
      </ol>
      {!columns.includes("narration") && (
        <p className="text-grease-ink">One column must hold the narration.</p>
      )}
      {story.bad.length > 0 && (
        <ul className="max-h-24 overflow-y-auto text-[12px] text-ink-2" aria-label="Rows left out">
          {story.bad.map((b) => (
            <li key={b}>{b}</li>
          ))}
        </ul>
      )}
      <div className="mt-auto flex gap-2">
        <Button
          kind="ink"
          className="h-10 grow justify-center"
          disabled={busy || !columns.includes("narration")}
          onClick={onTake}
        >
          {busy ? "Reading …" : `Take ${story.shots.length || table.count} rows`}
        </Button>
        <Button className="h-10" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </div>
  );
}
