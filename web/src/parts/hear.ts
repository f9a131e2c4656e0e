/** Hearing one line, or the lines of a shot one after another. */
import type { Film, Line, Shot } from "../api/client";
import { notify } from "../state/notices";

let sounding: HTMLAudioElement | null = null;

export function hearLine(line: Line, then?: () => void) {
  sounding?.pause();
  if (!line.media) {
    notify("This line is not spoken yet. Make what is missing first.");
    return;
  }
  sounding = new Audio(`/media/${line.media}`);
  sounding.onended = () => then?.();
  void sounding.play().catch(() => notify("The sound cannot be played here."));
}

export function hearShot(film: Film, shot: Shot) {
  const lines = film.lines.filter((l) => l.first < shot.end && l.end > shot.first);
  const next = (i: number) => {
    const line = lines[i];
    if (line) hearLine(line, () => next(i + 1));
  };
  next(0);
}
