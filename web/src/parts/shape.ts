/** The shapes of a film's frames: their names, and the boxes that pictures of them are shown in. */
import type { Film } from "../api/client";

type Aspect = Film["settings"]["aspect"];

export const SHAPES: readonly (readonly [Aspect, string])[] = [
  ["16:9", "wide, 16:9"],
  ["9:16", "upright, 9:16"],
  ["4:5", "upright, 4:5"],
  ["1:1", "square, 1:1"],
];

const BOXES: Record<string, string> = {
  "16:9": "aspect-video",
  "9:16": "aspect-[9/16]",
  "4:5": "aspect-[4/5]",
  "1:1": "aspect-square",
};

/** Whether frames are higher than wide. */
export function isUpright(aspect: string): boolean {
  const [wide, high] = aspect.split(":");
  return Number(wide) < Number(high);
}

/** The class of a box with the film's own shape. */
export const boxOf = (aspect: string) => BOXES[aspect] ?? "aspect-video";
