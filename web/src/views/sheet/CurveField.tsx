/** The curve of a grade: bent by dragging, point by point; arrow keys move a point, Delete takes it away. */
import { type PointerEvent, useRef, useState } from "react";

import { type Point, added, curveOf, moved, pointsOf, through } from "./curve";

interface Props {
  curve: readonly Point[];
  onPut: (curve: Point[]) => void;
}

const WIDE = 168;
const HIGH = 104;
const STEP = 0.02;
const percent = (share: number) => `${Math.round(share * 100)} %`;

export function CurveField({ curve, onPut }: Props) {
  const ground = useRef<SVGSVGElement>(null);
  const [drawn, setDrawn] = useState<Point[] | null>(null);
  const held = useRef<number | null>(null);
  const points = drawn ?? pointsOf(curve);
  const line = through(points);
  const at = (e: PointerEvent): Point => {
    const box = ground.current!.getBoundingClientRect();
    return [(e.clientX - box.left) / box.width, 1 - (e.clientY - box.top) / box.height];
  };
  const put = (next: readonly Point[]) => {
    setDrawn(null);
    onPut(curveOf(next));
  };
  const take = (e: PointerEvent, point: number | null) => {
    e.preventDefault();
    e.stopPropagation();
    if (point === null) {
      const one = added(points, ...at(e));
      if (!one) return;
      setDrawn(one[0]);
      held.current = one[1];
    } else {
      held.current = point;
      setDrawn(points);
    }
    ground.current!.setPointerCapture(e.pointerId);
  };
  const onKey = (e: React.KeyboardEvent, n: number) => {
    const [x, y] = points[n]!;
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[
      e.key
    ];
    const inner = n > 0 && n < points.length - 1;
    if (by) put(moved(points, n, x + by[0]! * STEP, y + by[1]! * STEP));
    else if ((e.key === "Delete" || e.key === "Backspace") && inner)
      put(points.filter((_, k) => k !== n));
    else return;
    e.preventDefault();
  };
  const steps = Array.from({ length: 49 }, (_, n) => n / 48);
  return (
    <span className="my-1 block touch-none" style={{ width: WIDE }}>
      <span className="relative block" style={{ height: HIGH }}>
        <svg
          ref={ground}
          aria-hidden
          viewBox={`0 0 ${WIDE} ${HIGH}`}
          className="absolute inset-0 size-full cursor-crosshair overflow-visible rounded-[3px] border border-rule-strong bg-field"
          onPointerDown={(e) => take(e, null)}
          onPointerMove={(e) => {
            if (held.current !== null) setDrawn(moved(points, held.current, ...at(e)));
          }}
          onPointerUp={() => {
            if (held.current === null) return;
            held.current = null;
            put(points);
          }}
        >
          <path
            d={`M0 ${HIGH}L${WIDE} 0M0 ${HIGH / 2}H${WIDE}M${WIDE / 2} 0V${HIGH}`}
            stroke="var(--rule)"
            fill="none"
          />
          <polyline
            points={steps
              .map((x) => `${x * WIDE},${(1 - Math.min(1, Math.max(0, line(x)))) * HIGH}`)
              .join(" ")}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
        </svg>
        {points.map(([x, y], n) => (
          // A point has no name; it is known by its order from dark to light.
          <button
            key={n}
            type="button"
            aria-label={`Curve: what is ${percent(x)} light becomes ${percent(y)}`}
            className="absolute size-6 -translate-x-1/2 -translate-y-1/2 cursor-move"
            style={{ left: `${x * 100}%`, top: `${(1 - y) * 100}%` }}
            onPointerDown={(e) => take(e, n)}
            onDoubleClick={() =>
              n > 0 && n < points.length - 1 && put(points.filter((_, k) => k !== n))
            }
            onKeyDown={(e) => onKey(e, n)}
          >
            <i className="mx-auto block size-2.5 rounded-full border-2 border-ink bg-page" />
          </button>
        ))}
      </span>
    </span>
  );
}
