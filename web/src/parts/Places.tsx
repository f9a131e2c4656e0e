/** Places in the manuscript that would change, one a line; each can be left as it is. */
import type { FoundPlace } from "../api/script";

export const toggled = (set: Set<number>, item: number) => {
  const next = new Set(set);
  if (!next.delete(item)) next.add(item);
  return next;
};

export function PlaceLine({
  place,
  taken,
  replacing,
  onToggle,
}: {
  place: FoundPlace;
  taken: boolean;
  replacing: boolean;
  onToggle: () => void;
}) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={taken}
        onClick={onToggle}
        className="grid w-full grid-cols-[30px_minmax(0,1fr)] gap-1.5 py-[3px] text-left hover:bg-shade"
      >
        <span className="pt-px font-mono text-[11.5px] text-ink-2">{place.shot}</span>
        <span className="truncate font-serif">
          <span className="text-ink-2">{place.before.slice(-18).replace(/^\S*\s/, "")}</span>
          {replacing && taken ? (
            <>
              <del className="text-ink-2">{place.found}</del>{" "}
              <b className="font-semibold">{place.instead}</b>
            </>
          ) : (
            <b className="font-semibold">{place.found}</b>
          )}
          <span className="text-ink-2">{place.after}</span>
        </span>
      </button>
    </li>
  );
}
