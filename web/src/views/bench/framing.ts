/** Frames of the film's shape over a picture of any shape; boxes are shares of the picture and may reach beyond it. */
import type { Box } from "./keyBox";

const MOST_BEYOND = 1;
const LEAST = 0.06;

/** Width over height of a frame is kept: `shape` is (film's aspect) / (picture's aspect). */
const at = (x: number, y: number, wide: number, shape: number): Box => [
  x - wide / 2,
  y - wide / shape / 2,
  x + wide / 2,
  y + wide / shape / 2,
];
const middle = ([l, t, r, b]: Box): [number, number] => [(l + r) / 2, (t + b) / 2];

/** The smallest frame that holds the whole picture. */
export const holding = (shape: number): Box => at(0.5, 0.5, Math.max(1, shape), shape);

/** The frame moved, no farther than the picture can be continued and so that it still shows something of it. */
export function moved(frame: Box, dx: number, dy: number): Box {
  const [l, t, r, b] = frame;
  const x = Math.min(
    Math.min(0.9, 1 + MOST_BEYOND - (r - l)),
    Math.max(-Math.min(MOST_BEYOND, r - l - 0.1), l + dx),
  );
  const y = Math.min(
    Math.min(0.9, 1 + MOST_BEYOND - (b - t)),
    Math.max(-Math.min(MOST_BEYOND, b - t - 0.1), t + dy),
  );
  return [x, y, x + r - l, y + b - t];
}

/** The frame larger or smaller about its middle. */
export function sized(frame: Box, times: number, shape: number): Box {
  const most = Math.min(1 + 2 * MOST_BEYOND, (1 + 2 * MOST_BEYOND) * shape) * 0.6;
  const wide = Math.min(
    most,
    Math.max(Math.max(LEAST, LEAST * shape), (frame[2] - frame[0]) * times),
  );
  return moved(at(...middle(frame), wide, shape), 0, 0);
}

/** By how much a frame reaches beyond the picture on its worst side, as a share of the picture. */
export const beyond = ([l, t, r, b]: Box): number => Math.max(0, -l, -t, r - 1, b - 1);

/** What a stage shows around a picture: the frame that holds all of it, and some air. */
export function stageOf(shape: number): Box {
  const [l, t, r, b] = holding(shape);
  const air = 0.16;
  return [l - air * (r - l), t - air * (b - t), r + air * (r - l), b + air * (b - t)];
}

/** Where a box of a picture lies on its stage. */
export const onStage = ([l, t, r, b]: Box, [sl, st, sr, sb]: Box): Box => [
  (l - sl) / (sr - sl),
  (t - st) / (sb - st),
  (r - sl) / (sr - sl),
  (b - st) / (sb - st),
];
