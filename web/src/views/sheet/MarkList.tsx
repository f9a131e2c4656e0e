/** Marks drawn by hand over a shot's picture: which, how large, when; one is chosen, and put where the picture is clicked. */
import { X } from "lucide-react";

import type { Schemas } from "../../api/client";
import { useRules } from "../../api/film";
import { Choice, worded } from "../../parts/Choice";
import { Colour } from "../../parts/Colour";
import { Slide, inHundredths } from "../../parts/Slide";
import { Steps } from "../../parts/Steps";

export type Mark = Schemas["Mark"];
const MOST = 8;
const MARKS: Record<string, string> = {
  ring: "a ring",
  arrow: "an arrow",
  cross: "a cross",
  tick: "a tick",
  underline: "a line under it",
  blur: "a blur, over what is not to be made out",
};

const NEW: Omit<Mark, "kind"> = {
  x: 0.5,
  y: 0.4,
  size: 0.24,
  colour: "#d1432f",
  turn: -40,
  begin: 0.4,
};

interface Props {
  marks: readonly Mark[];
  chosen: number;
  onChoose: (at: number) => void;
  onPut: (marks: Mark[]) => void;
}

export function MarkList({ marks, chosen, onChoose, onPut }: Props) {
  const rules = useRules();
  const put = (at: number, values: Partial<Mark>) =>
    onPut(marks.map((m, n) => (n === at ? { ...m, ...values } : m)));
  return (
    <ul aria-label="Marks" className="mt-2 border-t border-rule pt-1">
      {marks.map((m, n) => (
        // Marks have no names; their order is the order in which they were drawn.
        <li key={n} className="py-1">
          <div className="grid grid-cols-[84px_1fr_24px_24px] items-center gap-1">
            <button
              type="button"
              aria-pressed={n === chosen}
              title="then click on the picture to put it there"
              className={`min-h-6 rounded-[3px] px-1 text-left ${n === chosen ? "bg-shade font-medium" : "hover:bg-shade"}`}
              onClick={() => onChoose(n)}
            >
              {m.kind}
            </button>
            <Slide
              name={`size of the ${m.kind}`}
              value={m.size}
              least={0.04}
              most={1}
              step={0.02}
              says={inHundredths}
              onPut={(size) => put(n, { size })}
            />
            {m.kind === "blur" ? (
              <span />
            ) : (
              <Colour
                label={`colour of the ${m.kind}`}
                value={m.colour}
                onPut={(colour) => put(n, { colour })}
              />
            )}
            <button
              type="button"
              aria-label={`Take the ${m.kind} away`}
              className="flex size-6 items-center justify-center rounded-[3px] hover:bg-shade"
              onClick={() => onPut(marks.filter((_, k) => k !== n))}
            >
              <X className="size-3.5" />
            </button>
          </div>
          {n === chosen && (
            <div className="flex flex-wrap items-center gap-x-4 pl-[84px]">
              <Steps
                name={`when the ${m.kind} is drawn`}
                value={m.begin}
                step={0.2}
                least={-2}
                most={60}
                says={(s) => `${s.toFixed(1)} s in`}
                onPut={(begin) => put(n, { begin: Number(begin.toFixed(2)) })}
              />
              {m.kind === "arrow" && (
                <Steps
                  name="where the arrow comes from"
                  value={m.turn}
                  step={15}
                  least={-180}
                  most={180}
                  says={(turn) => `${turn}°`}
                  onPut={(turn) => put(n, { turn })}
                />
              )}
            </div>
          )}
        </li>
      ))}
      {marks.length < MOST && (
        <li className="pt-1">
          <Choice
            quiet
            label="Draw on the picture"
            value="draw on it …"
            options={worded(rules.marks, MARKS)}
            onChange={(kind) => {
              onPut([...marks, { ...NEW, kind: kind as Mark["kind"] }]);
              onChoose(marks.length);
            }}
          />
        </li>
      )}
    </ul>
  );
}
