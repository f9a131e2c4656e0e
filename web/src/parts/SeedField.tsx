/** A seed to be typed in; left empty it is given by a rule, which the placeholder tells. */

interface Props {
  value: number | null;
  placeholder?: string;
  title: string;
  onSet: (seed: number | null) => void;
}

export function SeedField({ value, placeholder, title, onSet }: Props) {
  return (
    <label className="flex items-baseline gap-1">
      seed
      <input
        aria-label="Seed"
        inputMode="numeric"
        placeholder={placeholder}
        defaultValue={value ?? ""}
        key={value ?? "none"}
        title={title}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === "Enter") e.currentTarget.blur();
        }}
        onBlur={(e) => {
          const seed =
            e.target.value.trim() === ""
              ? null
              : Math.min(999_999, Math.max(0, Math.round(Number(e.target.value))));
          if (seed !== value && !Number.isNaN(seed)) onSet(seed);
        }}
        className="min-h-6 w-[130px] rounded-[3px] bg-transparent px-1 font-mono text-[12px] hover:bg-shade focus:bg-field placeholder:text-ink-2"
      />
    </label>
  );
}
