/** Remarks in the margin, each with the remedy that one key does. */
import type { Command, Film, Shot } from "../../api/client";
import { useChange } from "../../api/film";

type Remark = Shot["remarks"][number];

const WORDING: Record<string, string> = {
  scrap: "is a scrap",
  overlong: "is long",
  "slow opening": "opens slowly",
  "unclear speaker": "has no speaker",
  "two speakers": "has two speakers",
  "two subjects": "has two subjects",
  "change of place": "changes place",
  "nothing to picture": "shows nothing",
};

/** What a remark's remedy does, as a command and in words; null when only the maker can tell. */
export function remedyOf(
  film: Film,
  shot: Shot,
  remark: Remark,
): { name: string; command: Command } | null {
  if (remark.remedy === "lift")
    return { name: "Lift it", command: { type: "lift mark", shot: shot.id } };
  if (remark.remedy === "cut" && remark.word !== null)
    return {
      name: "Cut it",
      command: { type: "set mark", word: remark.word, same_picture: false },
    };
  if (remark.remedy === "same picture") {
    const before = film.shots[film.shots.indexOf(shot) - 1];
    return before
      ? { name: "Go on with it", command: { type: "same picture", shot: shot.id, of: before.id } }
      : null;
  }
  return null;
}

export function Remarks({
  film,
  marks,
  shotAt,
}: {
  film: Film;
  marks: { word: number; top: number }[];
  shotAt: Map<number, Shot>;
}) {
  const change = useChange(film.id);
  let floor = 0;
  return marks.map(({ word, top }) => {
    const shot = shotAt.get(word);
    const remark = shot?.remarks[0];
    if (!shot || !remark) return null;
    const remedy = remedyOf(film, shot, remark);
    const at = Math.max(top + 4, floor);
    floor = at + 74;
    return (
      <aside
        key={shot.id}
        className="absolute left-6 right-5 text-[12px] leading-[1.45] text-ink-2"
        style={{ top: at }}
      >
        <b className="font-semibold text-ink">
          {shot.edge} {WORDING[remark.kind] ?? remark.kind}.
        </b>{" "}
        {remark.text}{" "}
        {shot.remarks.length > 1 && (
          <span
            title={shot.remarks
              .slice(1)
              .map((r) => r.text)
              .join(" ")}
          >
            And {shot.remarks.length - 1} more.{" "}
          </span>
        )}
        {remedy && (
          <button
            type="button"
            title="R does the same at the word"
            className="rounded-[3px] border border-rule-strong bg-field px-1.5 font-medium text-ink hover:bg-shade"
            onClick={() => change.mutate(remedy.command)}
          >
            {remedy.name}
          </button>
        )}
      </aside>
    );
  });
}
