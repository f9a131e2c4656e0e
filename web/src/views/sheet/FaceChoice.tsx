/** Which face words are set in: those that ship, and the maker's own, one of which may be brought here. */
import { useBringFace } from "../../api/brought";
import type { Film } from "../../api/client";
import { useRules } from "../../api/film";
import { BringChoice } from "../../parts/BringChoice";
import { worded } from "../../parts/Choice";

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
  const bring = useBringFace(film.id);
  const rules = useRules();
  return (
    <BringChoice
      label={label}
      value={value}
      options={[
        ...worded(rules.faces, FACES),
        ...film.faces.map((f) => [f.media, f.name] as const),
      ]}
      bring="bring one (TTF, OTF) …"
      accept=".ttf,.otf"
      file={`${label}: one of your own`}
      onChange={onPut}
      onBring={(file) => bring.mutate(file, { onSuccess: (face) => onPut(face.media) })}
    />
  );
}
