/** The rows of a grade: a ready one or its parts, and a look-up table of the maker's own. */
import { useBringTable } from "../../api/brought";
import type { Film, Schemas } from "../../api/client";
import { useRules } from "../../api/film";
import { BringChoice } from "../../parts/BringChoice";
import { Choice, worded } from "../../parts/Choice";
import { Colour } from "../../parts/Colour";
import { DeskRow as Row } from "../../parts/DeskRow";
import { Slide, inHundredths } from "../../parts/Slide";
import { CurveField } from "./CurveField";
import type { Point } from "./curve";

export type Grade = Schemas["Grade"];

export const PAINTED: Grade = {
  exposure: 0,
  contrast: 0,
  warmth: 0,
  saturation: 1,
  fade: 0,
  shadows: null,
  lights: null,
  curve: [],
  lut: null,
  lut_amount: 1,
};

const signed = (value: number) =>
  value === 0 ? "as painted" : `${value > 0 ? "+" : "−"}${Math.abs(Math.round(value * 100))}`;
const stops = (value: number) =>
  value === 0 ? "as painted" : `${value > 0 ? "+" : "−"}${Math.abs(value).toFixed(1)} stops`;

interface Props {
  film: Film;
  grade: Grade;
  onPut: (grade: Grade) => void;
  /** What the list says where none of the ready ones is meant. */
  besides?: readonly (readonly [string, string])[];
  named?: string;
  onNamed?: (name: string) => void;
}

/** The name of a ready grade that a grade is. */
export const nameOf = (grade: Grade, ready: Record<string, Grade>): string | undefined =>
  Object.entries(ready).find(([, one]) => same({ ...PAINTED, ...one }, grade))?.[0];

export function GradeFields({ film, grade, onPut, besides = [], named, onNamed }: Props) {
  const rules = useRules();
  const now = { ...PAINTED, ...grade };
  const put = (values: Partial<Grade>) => onPut({ ...now, ...values });
  const known = named ?? nameOf(now, rules.grades);
  const own = known ? [] : ([["own", "of your own"]] as const);
  return (
    <>
      <Row name="Grade">
        <Choice
          quiet
          label="Grade"
          value={known ?? "own"}
          options={[...besides, ...own, ...worded(Object.keys(rules.grades))]}
          onChange={(name) => {
            const ready = rules.grades[name];
            if (ready) onPut({ ...PAINTED, ...ready, lut: now.lut, lut_amount: now.lut_amount });
            else onNamed?.(name);
          }}
        />
      </Row>
      <Part
        name="Light"
        least={-2}
        most={2}
        value={now.exposure}
        says={stops}
        onPut={(exposure) => put({ exposure })}
      />
      <Part name="Contrast" value={now.contrast} onPut={(contrast) => put({ contrast })} />
      <Part name="Warmth" value={now.warmth} onPut={(warmth) => put({ warmth })} />
      <Part
        name="Colour"
        least={0}
        most={2}
        value={now.saturation}
        says={inHundredths}
        onPut={(saturation) => put({ saturation })}
      />
      <Part
        name="Faded"
        least={0}
        value={now.fade}
        says={inHundredths}
        onPut={(fade) => put({ fade })}
      />
      <Row name="Tints">
        <span className="flex items-center gap-2">
          <Tint name="dark parts" value={now.shadows} onPut={(shadows) => put({ shadows })} />
          <Tint name="light parts" value={now.lights} onPut={(lights) => put({ lights })} />
        </span>
      </Row>
      <Row name="Curve">
        <CurveField curve={now.curve as Point[]} onPut={(curve) => put({ curve })} />
      </Row>
      <Table film={film} grade={now} onPut={put} />
    </>
  );
}

interface PartProps {
  name: string;
  value: number;
  least?: number;
  most?: number;
  says?: (value: number) => string;
  onPut: (value: number) => void;
}

const Part = ({ name, value, least = -1, most = 1, says = signed, onPut }: PartProps) => (
  <Row name={name}>
    <Slide
      name={name}
      value={value}
      least={least}
      most={most}
      step={0.05}
      says={says}
      onPut={onPut}
    />
  </Row>
);

interface TintProps {
  name: string;
  value: string | null | undefined;
  onPut: (value: string | null) => void;
}

/** A tint that is there or not. */
const Tint = ({ name, value, onPut }: TintProps) => (
  <span className="flex items-center gap-1">
    <label className="flex min-h-6 items-center gap-1">
      <input
        type="checkbox"
        aria-label={`tint ${name}`}
        checked={!!value}
        onChange={(e) => onPut(e.target.checked ? "#44506a" : null)}
      />
      {name}
    </label>
    {value && <Colour label={`tint of ${name}`} value={value} onPut={onPut} />}
  </span>
);

interface TableProps {
  film: Film;
  grade: Grade;
  onPut: (values: Partial<Grade>) => void;
}

function Table({ film, grade, onPut }: TableProps) {
  const bring = useBringTable(film.id);
  return (
    <Row name="Table">
      <span className="flex flex-wrap items-center gap-x-2">
        <BringChoice
          label="Look-up table"
          value={grade.lut ?? "none"}
          options={[["none", "none"], ...film.tables.map((t) => [t.media, t.name] as const)]}
          bring="bring one (.cube) …"
          accept=".cube"
          file="A look-up table of your own"
          onChange={(name) => onPut({ lut: name === "none" ? null : name })}
          onBring={(file) =>
            bring.mutate(file, { onSuccess: (table) => onPut({ lut: table.media }) })
          }
        />
        {grade.lut && (
          <Slide
            name="How much of the table"
            value={grade.lut_amount ?? 1}
            least={0}
            most={1}
            step={0.05}
            says={inHundredths}
            onPut={(lut_amount) => onPut({ lut_amount })}
          />
        )}
      </span>
    </Row>
  );
}

const same = (a: Grade, b: Grade) =>
  (Object.keys(PAINTED) as (keyof Grade)[])
    .filter((key) => key !== "lut" && key !== "lut_amount")
    .every((key) => JSON.stringify(a[key] ?? null) === JSON.stringify(b[key] ?? null));
