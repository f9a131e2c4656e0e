/** A number that is put up and down by small steps, and said in words; arrow keys do the same. */

export const decibels = (gain: number) =>
  gain === 0 ? "as usual" : `${gain > 0 ? "+" : "−"}${Math.abs(gain)} dB`;

interface StepsProps {
  name: string;
  value: number;
  step: number;
  least: number;
  most: number;
  says: (value: number) => string;
  onPut: (value: number) => void;
}

export function Steps({ name, value, step, least, most, says, onPut }: StepsProps) {
  const by = (sign: number) => onPut(Math.min(most, Math.max(least, value + sign * step)));
  const key = "h-6 w-6 rounded-[3px] border border-rule-strong hover:bg-shade disabled:text-ink-3";
  return (
    <span
      role="group"
      aria-label={`${name}: ${says(value)}`}
      className="flex items-center gap-2"
      onKeyDown={(e) => {
        const sign = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[e.key];
        if (!sign) return;
        e.preventDefault();
        by(sign);
      }}
    >
      <button
        type="button"
        aria-label={`less: ${name}`}
        className={key}
        disabled={value <= least}
        onClick={() => by(-1)}
      >
        −
      </button>
      <button
        type="button"
        aria-label={`more: ${name}`}
        className={key}
        disabled={value >= most}
        onClick={() => by(1)}
      >
        +
      </button>
      <span>{says(value)}</span>
    </span>
  );
}
