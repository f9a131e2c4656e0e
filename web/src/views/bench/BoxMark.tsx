/** The dashed outline of a box over a picture, in shares of it. */
import { percent } from "./desk";
import type { Box } from "./keyBox";

export const BoxMark = ({ box: [left, top, right, bottom] }: { box: Box }) => (
  <span className="pointer-events-none absolute border-2 border-dashed border-grease" style={{ left: percent(left), top: percent(top), width: percent(right - left), height: percent(bottom - top) }} />
);
