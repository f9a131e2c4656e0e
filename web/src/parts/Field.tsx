/** Small fields in the tool's own look. */
import type { InputHTMLAttributes, TextareaHTMLAttributes } from "react";

const LOOK = "rounded-[4px] border border-rule-strong bg-field text-ink placeholder:text-ink-2";

const quiet = (e: React.KeyboardEvent) => e.stopPropagation();

export const Field = ({ className = "", ...rest }: InputHTMLAttributes<HTMLInputElement>) => (
  <input className={`h-8 w-full px-2.5 ${LOOK} ${className}`} onKeyDown={quiet} {...rest} />
);

export const Area = ({ className = "", ...rest }: TextareaHTMLAttributes<HTMLTextAreaElement>) => (
  <textarea
    className={`w-full resize-none px-2.5 py-2 leading-snug ${LOOK} ${className}`}
    onKeyDown={quiet}
    {...rest}
  />
);

export const NumberField = ({
  label,
  value,
  onChange,
  min,
  max,
  className = "",
}: {
  label: string;
  value: number;
  onChange: (n: number) => void;
  min: number;
  max: number;
  className?: string;
}) => (
  <input
    type="number"
    aria-label={label}
    value={value}
    min={min}
    max={max}
    step="any"
    onKeyDown={quiet}
    onChange={(e) => Number(e.target.value) > 0 && onChange(Number(e.target.value))}
    className={`w-14 rounded-[3px] border border-rule-strong bg-field px-1 text-center font-mono text-[12px] text-ink ${className}`}
  />
);

export const Check = ({
  label,
  on,
  onChange,
}: {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
}) => (
  <label className="inline-flex min-h-6 cursor-pointer items-center gap-1.5 text-ink-2">
    <input
      type="checkbox"
      checked={on}
      onChange={(e) => onChange(e.target.checked)}
      className="size-3.5 accent-[var(--ink)]"
    />
    {label}
  </label>
);
