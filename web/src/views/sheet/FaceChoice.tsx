/** Which face words are set in: those that ship, and the maker's own, one of which may be brought here. */
import { useRef } from "react";

import type { Film } from "../../api/client";
import { useBringFace } from "../../api/faces";
import { useRules } from "../../api/film";
import { Choice, worded } from "../../parts/Choice";

const FACES: Record<string, string> = {
  plain: "plain, bold",
  book: "as in a book",
  hand: "by hand",
  typed: "typed",
  tall: "tall and narrow",
  old: "old print",
};

interface Props {
  film: Film;
  label: string;
  value: string;
  onPut: (face: string) => void;
}

export function FaceChoice({ film, label, value, onPut }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const bring = useBringFace(film.id);
  const rules = useRules();
  return (
    <>
      <Choice
        quiet
        label={label}
        value={value}
        options={[
          ...worded(rules.faces, FACES),
          ...film.faces.map((f) => [f.media, f.name] as const),
          ["bring", "bring one (TTF, OTF) …"],
        ]}
        onChange={(name) => {
          if (name === "bring") input.current?.click();
          else onPut(name);
        }}
      />
      <input
        ref={input}
        type="file"
        accept=".ttf,.otf"
        aria-label={`${label}: one of your own`}
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) bring.mutate(file, { onSuccess: (face) => onPut(face.media) });
        }}
      />
    </>
  );
}
