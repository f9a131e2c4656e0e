/** The picture, large: the film while it plays, the very frame while it rests, and what notes are drawn around. */
import { useEffect, useRef, useState } from "react";

import type { Film } from "../../api/client";
import type { PlacedNote } from "../../api/screening";
import { ratioOf } from "../../parts/lastFrame";
import type { FilmVideo } from "../../parts/useFilmVideo";
import { usePlayhead } from "../../state/playhead";
import { ShotPicture } from "./ShotPicture";
import { type Point, drawnOn, handleOf, lineThrough, shotAt } from "./place";

interface Props {
  film: Film;
  player: FilmVideo;
  /** Notes that are about what is seen now, with their numbers. */
  notes: readonly (readonly [number, PlacedNote])[];
  /** What is being drawn for a new note; null: none is being written. */
  drawing: Point[] | null;
  onDraw: (points: Point[]) => void;
  onChoose: (note: number) => void;
}

const RESTS = 160;

/** The frame under the playhead, once it rests. */
function useResting(frame: number, isPlaying: boolean): number | null {
  const [rested, setRested] = useState<number | null>(frame);
  useEffect(() => {
    if (isPlaying) return;
    const id = window.setTimeout(() => setRested(frame), RESTS);
    return () => window.clearTimeout(id);
  }, [frame, isPlaying]);
  return !isPlaying && rested === frame ? rested : null;
}

export function Stage({ film, player, notes, drawing, onDraw, onChoose }: Props) {
  const frame = usePlayhead();
  const rested = useResting(frame, player.isPlaying);
  const [seen, setSeen] = useState("");
  const points = useRef<Point[]>([]);
  const [wide, high] = [1600, 1600 / ratioOf(film)];
  const still =
    rested === null
      ? null
      : `/api/films/${film.id}/frame?at=${rested}&high=720&captions=${film.settings.captions === "burn"}&version=${film.preview}`;
  const spot = (e: React.PointerEvent): Point => {
    const box = e.currentTarget.getBoundingClientRect();
    return [(e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height];
  };
  return (
    <div
      className="relative mx-auto max-w-full overflow-hidden bg-[#0f0d0b]"
      style={{ aspectRatio: ratioOf(film), height: "min(100%, calc(100cqw / var(--ratio)))" }}
      data-seen={seen === still}
    >
      {/* Until the frame is there: a film that is being made is another one every few seconds. */}
      {!seen && (
        <div className="absolute inset-0">
          <ShotPicture film={film} shot={shotAt(film, frame)} high={720} />
        </div>
      )}
      <video
        ref={player.video}
        playsInline
        aria-label="The film"
        className="absolute inset-0 size-full object-contain"
        {...player.tells}
      />
      {still && (
        <img
          src={still}
          alt={`Frame ${frame}`}
          onLoad={() => setSeen(still)}
          className="absolute inset-0 size-full object-contain"
        />
      )}
      {player.state === "loading" && (
        <span className="absolute bottom-3 right-3 rounded bg-[#191613cc] px-2 py-0.5 text-[12px] text-[#faf6ec]">
          {player.mixing > 5
            ? `mixing the sound, about ${Math.round(player.mixing)} s …`
            : "laying the preview …"}
        </span>
      )}
      <svg
        viewBox={`0 0 ${wide} ${high}`}
        className={`absolute inset-0 size-full touch-none ${drawing ? "cursor-crosshair" : "pointer-events-none"}`}
        role={drawing ? "img" : undefined}
        aria-label={drawing ? "Draw around what the note is about" : undefined}
        aria-hidden={drawing ? undefined : true}
        onPointerDown={(e) => {
          if (!drawing) return;
          e.currentTarget.setPointerCapture(e.pointerId);
          points.current = [spot(e)];
          onDraw(points.current);
        }}
        onPointerMove={(e) => {
          if (!drawing || e.buttons !== 1) return;
          points.current = drawnOn(points.current, spot(e));
          onDraw(points.current);
        }}
      >
        {notes.map(([number, { note }]) => (
          <Outline
            key={note.id}
            number={number}
            points={note.outline as Point[]}
            wide={wide}
            high={high}
            onChoose={drawing ? undefined : () => onChoose(note.id)}
          />
        ))}
        {drawing && drawing.length > 0 && <Outline points={drawing} wide={wide} high={high} />}
      </svg>
    </div>
  );
}

interface OutlineProps {
  points: readonly Point[];
  wide: number;
  high: number;
  number?: number;
  onChoose?: (() => void) | undefined;
}

function Outline({ points, wide, high, number, onChoose }: OutlineProps) {
  if (!points.length) return null;
  const [x, y] = handleOf(points);
  const [cx, cy] = [
    Math.min(wide - 24, Math.max(24, x * wide)),
    Math.min(high - 24, Math.max(24, y * high)),
  ];
  return (
    <g>
      {points.length > 2 && (
        <path
          d={lineThrough(points, wide, high)}
          fill="none"
          stroke="var(--grease)"
          strokeWidth={5}
          strokeLinecap="round"
        />
      )}
      {(number !== undefined || points.length < 3) && (
        <g
          onClick={onChoose}
          className={onChoose ? "pointer-events-auto cursor-pointer" : undefined}
        >
          <circle cx={cx} cy={cy} r={22} fill="var(--grease)" />
          {number !== undefined && (
            <text x={cx} y={cy + 8} textAnchor="middle" fontSize={24} fill="#191613">
              {number}
            </text>
          )}
        </g>
      )}
    </g>
  );
}
