/** A plate, edited as a small table or as words, beside what becomes of it. What is changed is drawn when it is left. */
import * as Dialog from "@radix-ui/react-dialog";
import { Plus, X } from "lucide-react";
import { useState } from "react";

import type { Film, Shot } from "../../api/client";
import { useRules } from "../../api/film";
import type { Plate, PlateRow } from "../../api/plates";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { DeskRow as Row } from "../../parts/DeskRow";
import { lastFrame } from "../../parts/lastFrame";

interface Props {
  film: Film;
  shot: Shot;
  plate: Plate;
  doubts: readonly string[];
  onPut: (plate: Plate) => void;
}

const WORDED = new Set(["quotation", "letter", "cutting"]);
const MOST = 12;
const FIELD =
  "min-w-0 w-full rounded-[3px] border border-rule-strong bg-field px-1.5 py-0.5 placeholder:text-ink-3";

export function PlateDesk({ film, shot, plate, doubts, onPut }: Props) {
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>
        <Button>Edit</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[color-mix(in_srgb,var(--ink)_25%,transparent)]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-1/2 z-50 flex max-h-[90vh] w-[min(1040px,94vw)] -translate-x-1/2 -translate-y-1/2 flex-col overflow-y-auto rounded-md border border-rule-strong bg-page p-4 shadow-sm"
          onKeyDown={(e) => e.stopPropagation()}
        >
          <div className="mb-3 flex items-center">
            <Dialog.Title className="font-serif text-[17px]">
              Plate of shot {shot.edge}
            </Dialog.Title>
            <Dialog.Close asChild>
              <button
                type="button"
                aria-label="Close"
                className="ml-auto flex size-7 items-center justify-center rounded-[3px] hover:bg-shade"
              >
                <X className="size-4" />
              </button>
            </Dialog.Close>
          </div>
          <div className="grid grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] gap-5">
            <div>
              <img
                src={lastFrame(film, shot, 360)}
                alt={`Plate of shot ${shot.edge} as it is drawn`}
                className="max-h-[60vh] w-full rounded-[3px] bg-shade object-contain"
              />
              <p className="mt-2 font-serif text-[14.5px] leading-snug text-ink-2">{shot.text}</p>
              {doubts.length > 0 && (
                <ul aria-label="Doubts" className="mt-1 text-[12.5px] text-grease-ink">
                  {doubts.map((d) => (
                    <li key={d}>{d}</li>
                  ))}
                </ul>
              )}
            </div>
            <Fields plate={plate} onPut={onPut} />
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The plate as it is being edited: what was changed a moment ago is not told back yet. */
function Fields({ plate: kept, onPut }: Pick<Props, "plate" | "onPut">) {
  const rules = useRules();
  const [plate, setPlate] = useState(kept);
  const put = (values: Partial<Plate>) => {
    const next = { ...plate, ...values };
    setPlate(next);
    onPut(next);
  };
  const worded_ = WORDED.has(plate.sort);
  const numbers = ["number", "bars", "line", "shares", "sizes"].includes(plate.sort);
  return (
    <div>
      <dl className="grid grid-cols-[84px_1fr] items-center gap-y-1.5">
        <Row name="Drawn as">
          <Choice
            quiet
            label="Sort of plate"
            value={plate.sort}
            options={worded(rules.plates)}
            onChange={(sort) => put({ sort: sort as Plate["sort"] })}
          />
        </Row>
        <Row name={plate.sort === "cutting" ? "Headline" : "Title"}>
          <Line
            label="Title of the plate"
            value={plate.title ?? ""}
            onPut={(title) => put({ title })}
          />
        </Row>
        {worded_ && (
          <>
            <Row name="Words">
              <textarea
                key={plate.words}
                aria-label="Words of the plate"
                defaultValue={plate.words}
                rows={5}
                className={FIELD}
                onBlur={(e) =>
                  e.target.value !== plate.words && put({ words: e.target.value.slice(0, 700) })
                }
              />
            </Row>
            <Row name="By">
              <Line
                label="Whose words they are"
                value={plate.by ?? ""}
                onPut={(by) => put({ by })}
              />
            </Row>
          </>
        )}
        {numbers && (
          <Row name="Unit">
            <Line
              label="Unit of the numbers"
              value={plate.unit ?? ""}
              onPut={(unit) => put({ unit })}
            />
          </Row>
        )}
        {plate.sort === "map" && (
          <Row name="Route">
            <label className="flex min-h-6 items-center gap-1.5">
              <input
                type="checkbox"
                checked={plate.route ?? true}
                onChange={(e) => put({ route: e.target.checked })}
              />
              grows from place to place
            </label>
          </Row>
        )}
        <Row name="Source">
          <Line
            label="Where the numbers are from"
            value={plate.source ?? ""}
            onPut={(source) => put({ source })}
          />
        </Row>
      </dl>
      {!worded_ && <Rows plate={plate} onPut={(rows) => put({ rows })} />}
    </div>
  );
}

const COLUMNS: Record<string, readonly (readonly [keyof PlateRow, string])[]> = {
  "time line": [
    ["value", "year"],
    ["label", "what happened"],
  ],
  list: [
    ["label", "what"],
    ["more", "more"],
  ],
  tree: [
    ["label", "who"],
    ["more", "years"],
    ["of", "child of"],
  ],
  map: [
    ["label", "place"],
    ["north", "° north"],
    ["east", "° east"],
  ],
};
const USUAL = [
  ["label", "name"],
  ["value", "number"],
] as const;

function Rows({ plate, onPut }: { plate: Plate; onPut: (rows: PlateRow[]) => void }) {
  const rows = plate.rows ?? [];
  const columns = COLUMNS[plate.sort] ?? USUAL;
  const put = (at: number, key: keyof PlateRow, said: string) =>
    onPut(rows.map((row, n) => (n === at ? { ...row, [key]: read(key, said) } : row)));
  return (
    <table className="mt-3 w-full border-t border-rule" aria-label="Rows of the plate">
      <thead>
        <tr className="text-left text-[12px] text-ink-2">
          {columns.map(([key, name]) => (
            <th key={key} className="pt-1 font-normal">
              {name}
            </th>
          ))}
          <th />
        </tr>
      </thead>
      <tbody>
        {rows.map((row, n) => (
          // Rows have no names of their own; where one stands is what it is known by.
          <tr key={n}>
            {columns.map(([key, name]) => (
              <td key={key} className={`py-0.5 pr-1 ${key === "label" ? "" : "w-[104px]"}`}>
                <Line
                  label={`${name} of row ${n + 1}`}
                  value={shown(row[key])}
                  onPut={(said) => put(n, key, said)}
                />
              </td>
            ))}
            <td className="w-6">
              <button
                type="button"
                aria-label={`Take row ${n + 1} away`}
                className="flex size-6 items-center justify-center rounded-[3px] hover:bg-shade"
                onClick={() => onPut(rows.filter((_, k) => k !== n))}
              >
                <X className="size-3.5" />
              </button>
            </td>
          </tr>
        ))}
        {rows.length < MOST && (
          <tr>
            <td colSpan={columns.length + 1}>
              <button
                type="button"
                className="mt-1 flex min-h-6 items-center gap-1 rounded-[3px] pr-1 text-ink-2 hover:bg-shade"
                onClick={() => onPut([...rows, { label: "", more: "", of: [] }])}
              >
                <Plus className="size-3.5" />
                another row
              </button>
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

export const shown = (value: PlateRow[keyof PlateRow]) =>
  Array.isArray(value) ? value.join(", ") : value == null ? "" : String(value);

/** What a cell says, as the plate keeps it. */
export function read(key: keyof PlateRow, said: string): PlateRow[keyof PlateRow] {
  if (key === "of")
    return said
      .split(",")
      .map((name) => name.trim())
      .filter(Boolean)
      .slice(0, 2) as PlateRow["of"];
  if (key === "label" || key === "more") return said;
  const number = Number(said.replace(/[\s,]/g, "").replace("−", "-"));
  return said.trim() === "" || Number.isNaN(number) ? null : number;
}

interface LineProps {
  label: string;
  value: string;
  onPut: (value: string) => void;
}

/** A line of words; it is taken when it is left, or by the return key. */
const Line = ({ label, value, onPut }: LineProps) => (
  <input
    key={value}
    aria-label={label}
    defaultValue={value}
    maxLength={120}
    className={FIELD}
    onBlur={(e) => e.target.value !== value && onPut(e.target.value)}
    onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
  />
);
