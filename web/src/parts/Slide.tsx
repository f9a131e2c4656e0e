/** A number that is slid, said in words; it is taken when it is let go of, or by the arrow keys. */
import { useState } from "react";

interface SlideProps {
  name: string;
  value: number;
  least: number;
  most: number;
  step: number;
  says: (value: number) => string;
  onPut: (value: number) => void;
}

export const inHundredths = (value: number) => `${Math.round(value * 100)} %`;

export function Slide({ name, value, least, most, step, says, onPut }: SlideProps) {
  const [held, setHeld] = useState<number | null>(null);
  const shown = held ?? value;
  return (
    <span className="flex items-center gap-2">
      <input
        key={value}
        ref={(input) => {
          if (input)
            input.onchange = () => {
              setHeld(null);
              if (Number(input.value) !== value) onPut(Number(input.value));
            };
        }}
        type="range"
        aria-label={name}
        aria-valuetext={says(shown)}
        min={least}
        max={most}
        step={step}
        defaultValue={value}
        className="h-6 w-[130px] shrink-0 accent-[var(--ink-2)]"
        onInput={(e) => setHeld(Number(e.currentTarget.value))}
      />
      <span className="whitespace-nowrap tabular-nums">{says(shown)}</span>
    </span>
  );
}
