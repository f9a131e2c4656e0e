/** How a word is to sound, spelled as one would read it; it holds wherever the film says the word. */
import { useState } from "react";

import type { Film } from "../../../api/client";
import { useChange } from "../../../api/film";
import { Button } from "../../../parts/Button";
import { Field } from "../../../parts/Field";

interface Props {
  film: Film;
  word: { text: string; sounds: string; said?: string } | null;
  onDone: () => void;
}

const bare = (text: string) => text.replace(/^[^\p{L}\p{N}]+|(?:[’']s)?[^\p{L}\p{N}]*$/gu, "");

export function SoundsLike({ film, word, onDone }: Props) {
  const change = useChange(film.id);
  const [sounds, setSounds] = useState(word?.sounds ?? "");
  if (!word) return null;
  const set = (to: string) =>
    change.mutate({ type: "say word", word: bare(word.text), sounds: to }, { onSuccess: onDone });
  return (
    <p className="mt-1 flex flex-wrap items-center gap-2">
      <span>
        <b className="font-serif">{bare(word.text)}</b>
        {word.said ? ` is said “${word.said}”; it` : ""} sounds like
      </span>
      <Field
        aria-label={`How ${bare(word.text)} sounds`}
        value={sounds}
        maxLength={80}
        placeholder="as it is written"
        className="!w-[160px]"
        onChange={(e) => setSounds(e.target.value)}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === "Enter") set(sounds.trim());
        }}
      />
      <Button onClick={() => set(sounds.trim())}>Say it so everywhere</Button>
      <Button kind="quiet" onClick={onDone}>
        Leave it
      </Button>
    </p>
  );
}
