/** Frames of a camera path over a picture: moved and sized so that they never leave it. */
import type { PathFrame } from "../../../api/movement";

export type Box = readonly [number, number, number, number];
const MOST = 6;

/** A frame inside the picture, no nearer than a path may come. */
function inside({ x, y, zoom }: PathFrame): PathFrame {
  const near = Math.min(MOST, Math.max(1, zoom));
  const half = 0.5 / near;
  return {
    x: Math.min(1 - half, Math.max(half, x)),
    y: Math.min(1 - half, Math.max(half, y)),
    zoom: near,
  };
}

export const boxOf = ({ x, y, zoom }: PathFrame): Box => [
  x - 0.5 / zoom,
  y - 0.5 / zoom,
  x + 0.5 / zoom,
  y + 0.5 / zoom,
];

export const moved = (frame: PathFrame, dx: number, dy: number) =>
  inside({ ...frame, x: frame.x + dx, y: frame.y + dy });

/** The frame with its lower right corner further out by a share of the picture. */
export const sized = (frame: PathFrame, dx: number) =>
  inside({ ...frame, zoom: 1 / Math.max(1 / MOST, 1 / frame.zoom + 2 * dx) });
