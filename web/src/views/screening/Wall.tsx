/** The wall: all pictures pinned up in reading order, as large as one likes. */
import { memo, useState } from "react";

import type { Film, Shot } from "../../api/client";
import type { PlacedNote } from "../../api/screening";
import { Check } from "../../parts/Field";
import { Slide } from "../../parts/Slide";
import { ratioOf } from "../../parts/lastFrame";
import { timecode } from "../../parts/time";
import { pointAt, selected } from "../../state/playhead";
import { useStore } from "../../state/store";
import { Board, Stills } from "./Board";
import { ShotPicture } from "./ShotPicture";

interface Props {
  film: Film;
  notes: readonly PlacedNote[];
  onWatch: () => void;
}

const [LEAST, MOST] = [110, 420];

export function Wall({ film, notes, onWatch }: Props) {
  const [size, setSize] = useState(200);
  const [words, setWords] = useState(true);
  const chosen = useStore(selected);
  const open = new Map<number, number>();
  for (const n of notes) if (!n.note.done && !n.lost) open.set(n.shot, (open.get(n.shot) ?? 0) + 1);
  return (
    <div className="flex h-full flex-col">
      <div className="flex shrink-0 items-center gap-6 px-5 pb-2">
        <div className="w-[240px]">
          <Slide
            name="Size"
            value={size}
            least={LEAST}
            most={MOST}
            step={10}
            says={(v) => `${v} px`}
            onPut={setSize}
          />
        </div>
        <Check label="with their words" on={words} onChange={setWords} />
        <div className="ml-auto flex items-center gap-4">
          <Stills film={film} />
          <Board film={film} />
        </div>
      </div>
      <ol
        aria-label="All shots"
        className="grid min-h-0 grow content-start gap-3 overflow-y-auto px-5 pb-5"
        style={{ gridTemplateColumns: `repeat(auto-fill, minmax(${size}px, 1fr))` }}
      >
        {film.shots.map((shot) => (
          <Pinned
            key={shot.id}
            film={film}
            shot={shot}
            words={words}
            high={size > 260 ? 360 : 180}
            chosen={shot.id === chosen}
            notes={open.get(shot.id) ?? 0}
            onWatch={onWatch}
          />
        ))}
      </ol>
    </div>
  );
}

interface PinnedProps {
  film: Film;
  shot: Shot;
  words: boolean;
  high: number;
  chosen: boolean;
  notes: number;
  onWatch: () => void;
}

const Pinned = memo(function Pinned(props: PinnedProps) {
  const { film, shot, words, high, chosen, notes, onWatch } = props;
  return (
    <li className="[contain-intrinsic-size:auto_180px] [content-visibility:auto]">
      <button
        type="button"
        aria-label={`Shot ${shot.edge}`}
        aria-pressed={chosen}
        onClick={() => pointAt(shot)}
        onDoubleClick={onWatch}
        className="block w-full text-left"
      >
        <span
          className={`relative block overflow-hidden bg-shade ${chosen ? "outline-2 outline-offset-2 outline-ink" : ""}`}
          style={{ aspectRatio: ratioOf(film) }}
        >
          <ShotPicture film={film} shot={shot} high={high} />
          {notes > 0 && (
            <span className="absolute right-1.5 top-1.5 flex h-5 min-w-5 items-center justify-center rounded-full bg-grease px-1 text-[12px] text-[#191613]">
              {notes}
            </span>
          )}
        </span>
        <span className="mt-1 flex justify-between gap-2 font-mono text-[11px] text-ink-2">
          <span className="text-ink">{shot.edge}</span>
          <span className="truncate">{shot.loaded ? shot.framing : ""}</span>
          <span>{timecode(shot.start, film.fps)}</span>
        </span>
        {words && (
          <span className="mt-0.5 line-clamp-2 font-serif text-[13px] leading-snug">
            {shot.said || shot.text}
          </span>
        )}
      </button>
    </li>
  );
});
