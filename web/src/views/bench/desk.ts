/** What all the desks have where one take is put right by hand. */
import type { Film, Shot, Take } from "../../api/client";

export interface DeskProps {
  film: Film;
  shot: Shot;
  take: Take;
  onDone: () => void;
}

/** A number as a share of the frame, in CSS. */
export const percent = (share: number) => `${share * 100}%`;

/** Where a box lies, in CSS. */
export const laid = ([left, top, right, bottom]: readonly [number, number, number, number]) => ({
  left: percent(left),
  top: percent(top),
  width: percent(right - left),
  height: percent(bottom - top),
});

/** What arrow keys move by, in steps. */
export const STEPS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
