/** A block of the manuscript being written: words, and what the block is, by light marks or keys. */
import { useLayoutEffect, useRef, useState } from "react";

import { digitOf, keysOf } from "../../keys/useKeys";

export type Kind = "narration" | "speaker" | "scene" | "note";

const KINDS: [Kind, string][] = [
  ["narration", "narration"],
  ["speaker", "somebody speaks"],
  ["scene", "scene heading"],
  ["note", "not spoken"],
];

/** What a block is by how the manuscript writes it. */
export function kindOf(text: string): Kind {
  const line = text.trimStart().split("\n")[0] ?? "";
  if (line.startsWith("#")) return "scene";
  if (line.startsWith("[") && text.trimEnd().endsWith("]")) return "note";
  if (/^(?:@[^:\n]{1,60}|[^a-z\n:]{2,40}):\s/.test(line) && /[A-Z@]/.test(line[0]!))
    return "speaker";
  return "narration";
}

/** The block written as another kind; the words stay. */
export function asKind(text: string, kind: Kind, speaker: string): string {
  const bare = text
    .trim()
    .replace(/^#+\s*/, "")
    .replace(/^\[([\s\S]*)\]$/, "$1")
    .replace(/^(?:@[^:\n]{1,60}|[^a-z\n:]{2,40}):\s+/, "")
    .replace(/^\\/, "");
  if (kind === "scene") return `# ${bare.replace(/\s*\n\s*/g, " ")}`;
  if (kind === "note")
    return bare
      .split("\n")
      .map((line) => `[${line.trim()}]`)
      .join("\n");
  if (kind === "speaker") return `${speaker.toUpperCase()}: ${bare.replace(/\s*\n\s*/g, " ")}`;
  return bare;
}

interface Props {
  text: string;
  look: string;
  speaker: string;
  onSave: (text: string) => void;
  onLeave: () => void;
  /** Goes on to the block above or below when the cursor leaves this one. */
  onStep: (way: -1 | 1, text: string) => void;
}

export function Editor({ text, look, speaker, onSave, onLeave, onStep }: Props) {
  const field = useRef<HTMLTextAreaElement>(null);
  const left = useRef(false);
  const [kind, setKind] = useState(() => kindOf(text));
  const grow = () => {
    field.current!.style.height = "0";
    field.current!.style.height = `${field.current!.scrollHeight}px`;
  };
  useLayoutEffect(() => {
    grow();
    field.current!.focus();
    field.current!.setSelectionRange(text.length, text.length);
  }, [text]);
  const turn = (to: Kind) => {
    field.current!.value = asKind(field.current!.value, to, speaker);
    setKind(to);
    grow();
    field.current!.focus();
  };
  const onKey = keysOf("editor", {
    save: () => field.current!.blur(),
    leave: () => {
      left.current = true;
      onLeave();
    },
    kind: (e) => turn(KINDS[digitOf(e) - 1]![0]),
    step: (e) => {
      const { selectionStart, selectionEnd, value } = field.current!;
      const up = e.key === "ArrowUp";
      // Within the words the arrows move the cursor.
      if (up ? selectionEnd !== 0 : selectionStart !== value.length) return false;
      left.current = true;
      onStep(up ? -1 : 1, value);
    },
  });
  return (
    <div className="-mx-2 rounded-[4px] bg-field px-2 pb-1">
      <textarea
        ref={field}
        aria-label={kind === "scene" ? "Scene heading" : "Words of the paragraph"}
        defaultValue={text}
        spellCheck
        className={`block w-full resize-none overflow-hidden bg-transparent py-[7px] outline-none ${look}`}
        onInput={() => {
          grow();
          setKind(kindOf(field.current!.value));
        }}
        onBlur={(e) => {
          if (!left.current && !(e.relatedTarget as HTMLElement | null)?.dataset.kind)
            onSave(e.target.value);
        }}
        onKeyDown={(e) => {
          onKey(e);
          e.stopPropagation();
        }}
      />
      <div role="group" aria-label="What this is" className="flex gap-3 pb-0.5 text-[12px]">
        {KINDS.map(([key, name], i) => (
          <button
            key={key}
            type="button"
            data-kind={key}
            aria-pressed={kind === key}
            title={`Alt ${i + 1}`}
            onClick={() => turn(key)}
            className={
              kind === key
                ? "font-semibold text-ink underline underline-offset-4"
                : "text-ink-2 hover:text-ink"
            }
          >
            {name}
          </button>
        ))}
        <span className="ml-auto text-ink-2">Ctrl Enter saves, Esc leaves</span>
      </div>
    </div>
  );
}
