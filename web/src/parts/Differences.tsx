/** Before and after in one text: what goes is struck through, what comes is underlined. */
interface Stretch {
  start: number;
  before: string;
  after: string;
}

const AROUND = 46;

/** Words of a stretch that stayed, shortened in the middle so that the changes stand near each other. */
const kept = (text: string, first: boolean, last: boolean) => {
  const flat = text.replace(/\s+/g, " ");
  if (flat.length <= AROUND * 2) return flat;
  if (first) return `… ${flat.slice(-AROUND)}`;
  if (last) return `${flat.slice(0, AROUND)} …`;
  return `${flat.slice(0, AROUND)} … ${flat.slice(-AROUND)}`;
};

interface Props {
  pieces: Stretch[];
  /** Whether a change is taken; with `onToggle` each can be left out. */
  taken?: (start: number) => boolean;
  onToggle?: (start: number) => void;
}

export function Differences({ pieces, taken = () => true, onToggle }: Props) {
  return (
    <p className="font-serif text-[14px] leading-[1.55]">
      {pieces.map((piece, i) => {
        if (piece.before === piece.after)
          return (
            <span key={piece.start}>{kept(piece.before, i === 0, i === pieces.length - 1)}</span>
          );
        const on = taken(piece.start);
        const words = (
          <>
            {piece.before.trim() && (
              <del className={on ? "text-ink-2" : "text-ink no-underline"}>
                {piece.before.replace(/\s+/g, " ")}
              </del>
            )}
            {on && piece.after.trim() && (
              <ins className="decoration-2 underline-offset-[3px]">
                {piece.after.replace(/\s+/g, " ")}
              </ins>
            )}
          </>
        );
        return onToggle ? (
          <button
            key={piece.start}
            type="button"
            aria-pressed={on}
            aria-label={`${on ? "Taken" : "Left out"}: “${piece.before.trim()}” becomes “${piece.after.trim()}”`}
            title={on ? "Click to leave this change out" : "Click to take this change"}
            onClick={() => onToggle(piece.start)}
            className={`rounded-[3px] px-0.5 text-left hover:bg-shade ${on ? "bg-[color-mix(in_srgb,var(--ochre)_18%,transparent)]" : "border-b border-dashed border-ink-2"}`}
          >
            {words}
          </button>
        ) : (
          <span
            key={piece.start}
            className="rounded-[2px] bg-[color-mix(in_srgb,var(--ochre)_18%,transparent)]"
          >
            {words}
          </span>
        );
      })}
    </p>
  );
}
