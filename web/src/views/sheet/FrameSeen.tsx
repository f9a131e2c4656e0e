/** A frame of the film as a viewer will see it, in a desk that changes it. */
import type { Film, Shot } from "../../api/client";
import { rateOf } from "../../parts/time";
import { selected } from "../../state/playhead";
import { useStore } from "../../state/store";

/** The shot that is chosen, else the first. */
export function useChosenShot(film: Film): Shot | undefined {
  const chosen = useStore(selected);
  return film.shots.find((s) => s.id === chosen) ?? film.shots[0];
}

interface Props {
  film: Film;
  shot: Shot;
  alt: string;
  /** Seconds after the shot begins. */
  after?: number;
  /** Tells where the picture was clicked, in shares of it; the camera is on the whole picture then. */
  onPick?: ((x: number, y: number) => void) | undefined;
}

export function FrameSeen({ film, shot, alt, after = 1.1, onPick }: Props) {
  const at = Math.max(
    shot.start,
    Math.min(shot.stop - 1, shot.start + Math.round(rateOf(film.fps) * after)),
  );
  const [wide, high] = film.settings.aspect.split(":").map(Number);
  return (
    <div
      className="mb-3 flex max-h-[182px] justify-center overflow-hidden rounded-[3px] bg-shade"
      style={{ aspectRatio: `${Math.max(wide!, 16)} / ${Math.max(9, Math.min(high!, 9))}` }}
    >
      <img
        src={`/api/films/${film.id}/frame?at=${at}&high=360&version=${film.revision}${onPick ? "&still=true" : ""}`}
        alt={alt}
        className={`h-full object-contain ${onPick ? "cursor-crosshair" : ""}`}
        onClick={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          onPick?.((e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height);
        }}
      />
    </div>
  );
}
