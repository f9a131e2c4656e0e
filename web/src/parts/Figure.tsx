/** A number in a sentence, changed where it stands: typed, or stepped by the arrow keys. */
import { useState } from "react";

interface Props {
  label: string;
  value: number;
  unit: string;
  step: number;
  least: number;
  most: number;
  onPut: (value: number) => void;
}

const shown = (value: number) => String(value).replace("-", "−");

export function Figure({ label, value, unit, step, least, most, onPut }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const put = (to: number) => {
    const fitting = Math.min(most, Math.max(least, Math.round(to / step) * step));
    if (Number.isFinite(fitting) && fitting !== value) onPut(Number(fitting.toFixed(3)));
  };
  const save = () => {
    if (typed !== null) put(Number(typed.replace("−", "-").replace(",", ".")));
    setTyped(null);
  };
  const text = typed ?? shown(value);
  return (
    <label className="whitespace-nowrap border-b border-ink font-mono text-[12px] focus-within:bg-field">
      <input
        aria-label={`${label}, in ${unit}`}
        inputMode="decimal"
        value={text}
        style={{ width: `${Math.max(1, text.length) + 0.4}ch` }}
        className="min-h-6 bg-transparent text-right outline-offset-0"
        onFocus={(e) => e.currentTarget.select()}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={save}
        onKeyDown={(e) => {
          const sign = { ArrowUp: 1, ArrowDown: -1 }[e.key];
          if (sign) {
            e.preventDefault();
            setTyped(null);
            put(value + sign * step);
          } else if (e.key === "Enter") save();
          else if (e.key === "Escape") setTyped(null);
          else return;
          e.stopPropagation();
        }}
      />{" "}
      {unit}
    </label>
  );
}
