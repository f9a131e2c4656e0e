/** A number in a sentence, changed where it stands: typed, or stepped by the arrow keys. */
import { useRef, useState } from "react";

import { useLatest } from "./useLatest";

interface Props {
  label: string;
  value: number;
  unit: string;
  step: number;
  least: number;
  most: number;
  onPut: (value: number) => void;
}

const REST = 350;
const numberOf = (text: string) => Number(text.replace("−", "-").replace(",", "."));
const shown = (value: number) => String(value).replace("-", "−");

export function Figure({ label, value, unit, step, least, most, onPut }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const waiting = useRef(0);
  const put = useLatest((to: number) => {
    const fitting = Math.min(most, Math.max(least, Math.round(to / step) * step));
    if (Number.isFinite(fitting) && fitting !== value) onPut(Number(fitting.toFixed(3)));
  });
  const save = (what = typed) => {
    window.clearTimeout(waiting.current);
    if (what !== null) put(numberOf(what));
    setTyped(null);
  };
  const stepped = (by: number) => {
    const now = typed === null ? value : numberOf(typed);
    const next = Math.min(most, Math.max(least, (Number.isFinite(now) ? now : value) + by));
    setTyped(shown(Number(next.toFixed(3))));
    // Several steps in a row are one change.
    window.clearTimeout(waiting.current);
    waiting.current = window.setTimeout(() => save(String(next)), REST);
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
        onBlur={() => save()}
        onKeyDown={(e) => {
          const sign = { ArrowUp: 1, ArrowDown: -1 }[e.key];
          if (sign) {
            e.preventDefault();
            stepped(sign * step);
          } else if (e.key === "Enter") save();
          else if (e.key === "Escape") {
            window.clearTimeout(waiting.current);
            setTyped(null);
          } else return;
          e.stopPropagation();
        }}
      />{" "}
      {unit}
    </label>
  );
}
