/** How a word is to sound, spelled as one would read it, wherever the film says it; figures and short forms are read in
 * one of several ways, each at its place. */
import { useState } from "react";

import type { Film } from "../../../api/client";
import { useChange } from "../../../api/film";
import { Button } from "../../../parts/Button";
import { Field } from "../../../parts/Field";

interface Props {
  film: Film;
  word: {
    text: string;
    sounds: string;
    said?: string;
    number?: number;
    readings?: readonly string[];
    reads?: string;
  } | null;
  onDone: () => void;
}

const bare = (text: string) => text.replace(/^[^\p{L}\p{N}]+|(?:[’']s)?[^\p{L}\p{N}]*$/gu, "");

export function SoundsLike({ film, word, onDone }: Props) {
  const change = useChange(film.id);
  const [sounds, setSounds] = useState(word?.sounds ?? "");
  if (!word) return null;
  const set = (to: string) =>
    change.mutate({ type: "say word", word: bare(word.text), sounds: to }, { onSuccess: onDone });
  const { number, readings = [], reads } = word;
  if (number !== undefined && readings.length > 0)
    return (
      <Readings
        text={bare(word.text)}
        readings={readings}
        reads={reads || readings[0]!}
        onRead={(to) =>
          change.mutate(
            { type: "read word", word: number, sounds: to === readings[0] ? "" : to },
            { onSuccess: onDone },
          )
        }
        onDone={onDone}
      />
    );
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

interface ReadingsProps {
  text: string;
  readings: readonly string[];
  reads: string;
  onRead: (to: string) => void;
  onDone: () => void;
}

function Readings({ text, readings, reads, onRead, onDone }: ReadingsProps) {
  const [own, setOwn] = useState(readings.includes(reads) ? "" : reads);
  return (
    <p
      className="mt-1 flex flex-wrap items-center gap-2"
      role="group"
      aria-label={`How ${text} is read`}
    >
      <b className="font-serif">{text}</b>
      <span>is read here as</span>
      {readings.map((r) => (
        <Button
          key={r}
          aria-pressed={r === reads}
          kind={r === reads ? "ink" : "plain"}
          onClick={() => onRead(r)}
        >
          {r}
        </Button>
      ))}
      <Field
        aria-label="or otherwise"
        value={own}
        maxLength={120}
        placeholder="or otherwise"
        className="!w-[150px]"
        onChange={(e) => setOwn(e.target.value)}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === "Enter" && own.trim()) onRead(own.trim());
        }}
      />
      <Button kind="quiet" onClick={onDone}>
        Leave it
      </Button>
    </p>
  );
}
