/** A choice whose last entry brings a file of one's own. */
import { useRef } from "react";

import { Choice } from "./Choice";

interface Props {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  /** What the last entry says. */
  bring: string;
  /** Endings of files that may be brought. */
  accept: string;
  /** What the file is called by who cannot see. */
  file: string;
  onChange: (value: string) => void;
  onBring: (file: File) => void;
}

const BRING = "bring";

export function BringChoice({ bring, accept, file, onBring, onChange, options, ...choice }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Choice
        quiet
        {...choice}
        options={[...options, [BRING, bring]]}
        onChange={(value) => (value === BRING ? input.current?.click() : onChange(value))}
      />
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={file}
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const one = e.target.files?.[0];
          e.target.value = "";
          if (one) onBring(one);
        }}
      />
    </>
  );
}
