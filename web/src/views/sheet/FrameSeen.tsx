/** A frame of the film as a viewer will see it, in a desk that changes it. */
import { type ReactNode, type RefObject, useRef } from "react";

import type { Film, Shot } from "../../api/client";
import { rateOf } from "../../parts/time";
import { selected } from "../../state/playhead";
import { useStore } from "../../state/store";

/** The shot that is chosen, else the first. */
export function useChosenShot(film: Film): Shot | undefined {
  const chosen = useStore(selected);
  return film.shots.find((s) => s.id === chosen) ?? film.shots[0];
}

/** The most room that a frame takes in a desk. */
const WIDE = 322;
const HIGH = 182;

/** How large a frame is shown, known before it is there, so that nothing moves under the hand. */
function sizeOf(film: Film) {
  const [wide, high] = film.settings.aspect.split(":").map(Number);
  const width = Math.min(WIDE, (HIGH * wide!) / high!);
  return { width, height: (width * high!) / wide! };
}

interface Props {
  film: Film;
  shot: Shot;
  alt: string;
  /** Seconds after the shot begins. */
  after?: number;
  /** Tells where the picture was clicked, in shares of it; the camera is on the whole picture then. */
  onPick?: ((x: number, y: number) => void) | undefined;
  /** What is laid over the frame, such as what can be dragged on it. */
  over?: (stage: RefObject<HTMLDivElement | null>) => ReactNode;
}

export function FrameSeen({ film, shot, alt, after = 1.1, onPick, over }: Props) {
  const stage = useRef<HTMLDivElement>(null);
  const at = Math.max(
    shot.start,
    Math.min(shot.stop - 1, shot.start + Math.round(rateOf(film.fps) * after)),
  );
  return (
    <div
      ref={stage}
      className="relative mx-auto mb-3 touch-none overflow-hidden rounded-[3px] bg-shade"
      style={sizeOf(film)}
    >
      <img
        src={`/api/films/${film.id}/frame?at=${at}&high=360&version=${film.revision}${onPick ? "&still=true" : ""}`}
        alt={alt}
        draggable={false}
        className={`size-full select-none ${onPick ? "cursor-crosshair" : ""}`}
        onClick={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          onPick?.((e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height);
        }}
      />
      {over?.(stage)}
    </div>
  );
}
