/** A box that is moved by the arrow keys, sized with Shift, and put down with Enter. */
import { useState } from "react";

import { STEPS } from "./desk";

export type Box = [number, number, number, number];
const STEP = 0.02;

export const corners = (
  [x0, y0]: readonly [number, number],
  [x1, y1]: readonly [number, number],
): Box => [Math.min(x0, x1), Math.min(y0, y1), Math.max(x0, x1), Math.max(y0, y1)];

/** The box as it is moved, in shares of the picture; `onKeyDown` is for what has the focus. */
export function useKeyBox(onPut: (box: Box) => void) {
  const [box, setBox] = useState<Box | null>(null);
  const onKeyDown = (e: React.KeyboardEvent) => {
    const step = STEPS[e.key];
    if (step) {
      e.preventDefault();
      e.stopPropagation();
      const [l, t, r, b] = box ?? [0.4, 0.4, 0.6, 0.6];
      const [dx, dy] = [step[0] * STEP, step[1] * STEP];
      setBox(
        e.shiftKey
          ? [l, t, Math.min(1, Math.max(l + STEP, r + dx)), Math.min(1, Math.max(t + STEP, b + dy))]
          : [l + dx, t + dy, r + dx, b + dy],
      );
    } else if (e.key === "Enter" && box) {
      e.preventDefault();
      onPut(box);
      setBox(null);
    }
  };
  return { box, setBox, onKeyDown };
}
