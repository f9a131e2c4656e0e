/** Words that are edited where they stand: Enter or leaving saves, Escape leaves them as they were. */
import { useEffect, useRef, useState } from "react";

interface Props {
  value: string;
  label: string;
  onSave: (value: string) => void;
  onDraft?: (value: string | null) => void;
  className?: string;
  multiline?: boolean;
  hint?: string;
  /** About how many letters fit on a line, so that all lines are seen. */
  letters?: number;
  /** Lines that are seen at least. */
  least?: number;
}

/** About how many lines a text takes. */
const rowsOf = (text: string, letters: number, least: number) =>
  Math.max(
    least,
    text.split("\n").reduce((n, line) => n + Math.max(1, Math.ceil(line.length / letters)), 0),
  );

export function Editable({
  value,
  label,
  onSave,
  onDraft,
  className = "",
  multiline = false,
  hint = "",
  letters = 46,
  least = 2,
}: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const field = useRef<HTMLInputElement & HTMLTextAreaElement>(null);
  useEffect(() => {
    if (draft !== null && multiline && field.current) {
      field.current.style.height = "0";
      field.current.style.height = `${field.current.scrollHeight}px`;
    }
  }, [draft, multiline]);
  const change = (text: string | null) => {
    setDraft(text);
    onDraft?.(text);
  };
  const save = () => {
    if (draft !== null && draft.trim() !== value && draft.trim()) onSave(draft.trim());
    change(null);
  };
  const look = `w-full min-h-6 rounded-[3px] bg-transparent px-1 -mx-1 hover:bg-shade focus:bg-field ${className}`;
  const Tag = multiline ? "textarea" : "input";
  return (
    <Tag
      ref={field}
      aria-label={label}
      placeholder={hint}
      value={draft ?? value}
      className={`${look} ${multiline ? "block resize-none overflow-hidden" : "truncate"}`}
      rows={multiline ? rowsOf(value, letters, least) : undefined}
      onFocus={() => change(value)}
      onChange={(e: { target: { value: string } }) => change(e.target.value)}
      onBlur={save}
      onKeyDown={(e: React.KeyboardEvent<HTMLElement>) => {
        e.stopPropagation();
        if (e.key === "Escape") {
          change(null);
          window.setTimeout(() => field.current?.blur(), 0);
        }
        if (e.key === "Enter" && !(multiline && e.shiftKey)) field.current?.blur();
      }}
    />
  );
}
