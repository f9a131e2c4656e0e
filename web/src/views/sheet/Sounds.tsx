/** The sounds of a shot, in its row of the Sheet: what lies under it, and what is heard at a moment. */
import { memo, useCallback } from "react";

import type { Cue, Film, Shot } from "../../api/client";
import { SoundDesk } from "./SoundDesk";
import type { FrameAt } from "./useCueDrag";

interface Props {
  film: Film;
  shot: Shot;
  rate: number;
  /** Whether rows stand close. */
  low: boolean;
}

const SHOWN = 2;

export const Sounds = memo(function Sounds({ film, shot, rate, low }: Props) {
  const from = shot.start / rate;
  const to = shot.stop / rate;
  const here = film.cues.filter((c) => c.start < to && c.end > from);
  const ambience = here.find((c) => c.kind === "ambience");
  const named = ambience !== undefined && ambience.start >= from - 0.01;
  const spots = here.filter((c) => c.kind === "spot" && c.start >= from && c.start < to);
  const frameAt = useFrameAt(film);
  const share = (c: Cue) => ((c.start - from) / (to - from)) * 96;
  return (
    <>
      {ambience && (
        <span
          className={`absolute bottom-0 left-2.5 w-5 bg-[color-mix(in_srgb,var(--moss)_24%,transparent)] ${named ? "top-2" : "top-0"} ${
            ambience.made ? "" : "hatch"
          } border-l-2 border-moss`}
          title={`${ambience.prompt} (${ambience.why})`}
        />
      )}
      {ambience && named && !(low && spots.length) && (
        <SoundDesk
          film={film}
          cue={ambience}
          className="absolute left-[32px] right-0 top-1 min-h-6 break-words text-left text-[11px] leading-tight text-ink-2"
        >
          <span className={low || spots.length ? "line-clamp-3" : "line-clamp-6"}>
            {ambience.prompt.replace(/^an? /, "")}
          </span>
        </SoundDesk>
      )}
      {spots.slice(0, low ? 1 : SHOWN).map((c, i) => (
        <span key={c.id}>
          {/* The tick stands at its moment; its name makes room for the ambience's. */}
          <span
            className="absolute left-1 right-1 h-[1.5px] bg-moss"
            style={{ top: `${share(c)}%` }}
          />
          <SoundDesk
            film={film}
            cue={c}
            frameAt={frameAt}
            className="absolute right-1 min-h-6 max-w-[74px] bg-page px-1 text-right text-[11.5px] leading-tight"
            style={{
              top: low
                ? `${Math.min(50, share(c) + 2)}%`
                : `${Math.min(56 + i * 22, Math.max((named ? 54 : 0) + i * 22, share(c) + 1))}%`,
            }}
          >
            {c.prompt.replace(/^an? /, "")}
          </SoundDesk>
        </span>
      ))}
    </>
  );
});

/** The frame under a point of the Sheet: of the row that is there, by how far down it lies. */
function useFrameAt(film: Film): FrameAt {
  return useCallback(
    (x, y) => {
      const row = document
        .elementsFromPoint(x, y)
        .map((e) => e.closest<HTMLElement>("[data-shot]"))
        .find((e) => e !== null);
      const shot = row && film.shots.find((s) => s.edge === row.dataset.shot);
      if (!row || !shot) return null;
      const box = row.getBoundingClientRect();
      return Math.round(shot.start + ((y - box.top) / box.height) * (shot.stop - shot.start));
    },
    [film.shots],
  );
}
