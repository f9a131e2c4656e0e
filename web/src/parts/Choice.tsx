/** A choice from a few words, in place. */
import * as Select from "@radix-ui/react-select";
import { Check, ChevronDown } from "lucide-react";

interface Props {
  value: string;
  label: string;
  options: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
  quiet?: boolean;
}

/** Options from what may be chosen, in words of our own where there are some. */
export const worded = (
  names: readonly string[],
  words: Partial<Record<string, string>> = {},
): (readonly [string, string])[] => names.map((name) => [name, words[name] ?? name]);

export function Choice({ value, label, options, onChange, quiet = false }: Props) {
  return (
    <Select.Root value={value} onValueChange={onChange}>
      <Select.Trigger
        aria-label={label}
        className={`inline-flex items-center gap-1 whitespace-nowrap rounded-[5px] text-left ${
          quiet
            ? "-mx-1 min-h-6 px-1 hover:bg-shade"
            : "h-8 border border-rule-strong bg-page px-2.5 hover:bg-shade"
        }`}
      >
        <Select.Value>{options.find(([key]) => key === value)?.[1] ?? value}</Select.Value>
        <ChevronDown className="size-3.5 shrink-0 text-ink-2" />
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          className="z-50 max-h-80 overflow-auto rounded-md border border-rule-strong bg-page py-1 shadow-sm"
        >
          <Select.Viewport>
            {options.map(([key, name]) => (
              <Select.Item
                key={key}
                value={key}
                className="flex cursor-pointer items-center gap-2 py-1 pl-2 pr-4 outline-none data-[highlighted]:bg-shade"
              >
                <span className="w-4">
                  <Select.ItemIndicator>
                    <Check className="size-3.5" />
                  </Select.ItemIndicator>
                </span>
                <Select.ItemText>{name}</Select.ItemText>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
