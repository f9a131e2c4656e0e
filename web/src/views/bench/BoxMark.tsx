/** The dashed outline of a box over a picture, in shares of it. */
import { laid } from "./desk";
import type { Box } from "./keyBox";

export const BoxMark = ({ box }: { box: Box }) => (
  <span
    className="pointer-events-none absolute border-2 border-dashed border-grease"
    style={laid(box)}
  />
);
