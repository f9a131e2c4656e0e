/** Something over a picture is dragged about, or by its corner for its size. */
import { type PointerEvent, type RefObject, useRef } from "react";

/** `onDrag` is given how far the pointer went, in shares of the stage. `hold` begins it; both are put on what is dragged. */
export function useDrag(
  stage: RefObject<HTMLElement | null>,
  onDrag: (dx: number, dy: number, size: boolean) => void,
) {
  const held = useRef<{ x: number; y: number; size: boolean } | null>(null);
  const hold = (size: boolean) => (e: PointerEvent) => {
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    held.current = { x: e.clientX, y: e.clientY, size };
  };
  const going = {
    onPointerMove: (e: PointerEvent) => {
      if (!held.current) return;
      const r = stage.current!.getBoundingClientRect();
      const { x, y, size } = held.current;
      held.current = { x: e.clientX, y: e.clientY, size };
      onDrag((e.clientX - x) / r.width, (e.clientY - y) / r.height, size);
    },
    onPointerUp: () => {
      held.current = null;
    },
  };
  return {
    whole: { onPointerDown: hold(false), ...going },
    corner: { onPointerDown: hold(true), ...going },
  };
}
