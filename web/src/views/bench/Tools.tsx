/** The tools of a desk, one of them in hand. */
import type { LucideIcon } from "lucide-react";

interface Props<T extends string> {
  tools: readonly (readonly [T, string, LucideIcon])[];
  tool: T;
  onTool: (tool: T) => void;
}

export const Tools = <T extends string>({ tools, tool, onTool }: Props<T>) => (
  <div role="radiogroup" aria-label="Tool" className="flex gap-1">
    {tools.map(([name, title, Icon]) => (
      <button
        key={name}
        type="button"
        role="radio"
        aria-checked={tool === name}
        onClick={() => onTool(name)}
        className={`flex h-8 items-center gap-1.5 rounded-[5px] border px-2 ${tool === name ? "border-ink bg-shade font-semibold" : "border-rule-strong text-ink-2 hover:bg-shade"}`}
      >
        <Icon className="size-4" />
        {title}
      </button>
    ))}
  </div>
);
