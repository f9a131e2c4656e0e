/** A frame with words on it, which are placed by dragging on the picture or by the arrow keys. */
import type { Film, Shot } from "../../api/client";
import { rateOf } from "../../parts/time";
import type { Card } from "./CardLine";
import { FrameSeen } from "./FrameSeen";
import { type At, PlaceHandle } from "./PlaceHandle";

interface Props {
  film: Film;
  shot: Shot;
  card: Card;
  /** null: where they usually are. */
  onPut: (at: At | null) => void;
}

export function PlacedOn({ film, shot, card, onPut }: Props) {
  const own = !!card.how.at;
  return (
    <div className="mb-2">
      <FrameSeen
        film={film}
        shot={shot}
        alt={`Shot ${shot.edge} with its words`}
        after={(card.start + card.end) / 2 - shot.start / rateOf(film.fps)}
        over={(stage) => (
          <PlaceHandle
            stage={stage}
            at={card.at as At}
            name="Place of these words"
            own={own}
            onPut={onPut}
          />
        )}
      />
      {own && (
        <button
          type="button"
          className="mt-1 min-h-6 text-[12.5px] text-ink-2 underline decoration-dotted underline-offset-4 hover:text-ink"
          onClick={() => onPut(null)}
        >
          Place it where such words usually are
        </button>
      )}
    </div>
  );
}
