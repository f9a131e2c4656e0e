/** A colour, chosen by the system's own means; it is taken when it is chosen, not while it is looked for. */
interface ColourProps {
  label: string;
  value: string;
  onPut: (value: string) => void;
}

export const Colour = ({ label, value, onPut }: ColourProps) => (
  <input
    key={value}
    ref={(input) => {
      if (input) input.onchange = () => input.value !== value && onPut(input.value);
    }}
    type="color"
    aria-label={label}
    title={label}
    defaultValue={value}
    className="size-6 cursor-pointer rounded-[3px] border border-rule-strong bg-field p-0.5"
  />
);
