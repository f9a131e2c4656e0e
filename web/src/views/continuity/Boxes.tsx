/** Who is where in a picture of the maker's own: a box around each, by mouse or by keys, so that drift can be measured. */
import * as Dialog from "@radix-ui/react-dialog";
import { useRef, useState } from "react";

import type { Film, Shot } from "../../api/client";
import { useSetFigures } from "../../api/continuity";
import { Button } from "../../parts/Button";
import { usedOf } from "./drift";

type Box = [number, number, number, number];
const START: Box = [0.35, 0.2, 0.65, 0.9];
const LEAST = 0.02;

const within = (v: number) => Math.min(1, Math.max(0, v));

/** A box moved (or, by its lower right corner, sized) by keys. */
function nudged([l, t, r, b]: Box, key: string, sized: boolean): Box | null {
  const step = {
    ArrowLeft: [-0.02, 0],
    ArrowRight: [0.02, 0],
    ArrowUp: [0, -0.02],
    ArrowDown: [0, 0.02],
  }[key];
  if (!step) return null;
  const [dx, dy] = step as [number, number];
  if (sized)
    return [l, t, Math.max(l + LEAST, within(r + dx)), Math.max(t + LEAST, within(b + dy))];
  const x = Math.min(1 - r, Math.max(-l, dx));
  const y = Math.min(1 - b, Math.max(-t, dy));
  return [l + x, t + y, r + x, b + y];
}

export function Boxes({ film, shot, onDone }: { film: Film; shot: Shot; onDone: () => void }) {
  const take = usedOf(shot)!;
  const save = useSetFigures(film.id);
  const cast = film.cast.filter((p) => shot.people.includes(p.id));
  const [boxes, setBoxes] = useState<Record<number, Box>>(() =>
    Object.fromEntries(shot.figures.map((f) => [f.person, f.box])),
  );
  const [whose, setWhose] = useState(cast.find((p) => !boxes[p.id])?.id ?? cast[0]!.id);
  const from = useRef<[number, number] | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const at = (e: React.PointerEvent): [number, number] => {
    const r = frame.current!.getBoundingClientRect();
    return [within((e.clientX - r.left) / r.width), within((e.clientY - r.top) / r.height)];
  };
  const draw = (e: React.PointerEvent) => {
    if (!from.current) return;
    const [x0, y0] = from.current;
    const [x, y] = at(e);
    if (Math.abs(x - x0) < LEAST || Math.abs(y - y0) < LEAST) return;
    setBoxes({
      ...boxes,
      [whose]: [Math.min(x, x0), Math.min(y, y0), Math.max(x, x0), Math.max(y, y0)],
    });
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onDone()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[#27232066]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-1/2 z-50 w-[860px] max-w-[96vw] -translate-x-1/2 -translate-y-1/2 rounded-md border border-rule-strong bg-page p-5"
        >
          <Dialog.Title className="font-serif text-[20px] font-bold">
            Who is where in shot {shot.edge}
          </Dialog.Title>
          <p className="mb-3 text-ink-2">
            Draw a box around each. By keys: arrows move the box, with Shift they size it.
          </p>
          <div className="mb-3 flex flex-wrap gap-2" role="radiogroup" aria-label="Whose box">
            {cast.map((p) => (
              <button
                key={p.id}
                type="button"
                role="radio"
                aria-checked={p.id === whose}
                onClick={() => setWhose(p.id)}
                className={`min-h-7 rounded-[4px] border px-2 ${p.id === whose ? "border-ink font-semibold" : "border-rule-strong text-ink-2"}`}
              >
                {p.name}
                {boxes[p.id] ? ", boxed" : ""}
              </button>
            ))}
          </div>
          <div
            ref={frame}
            tabIndex={0}
            role="application"
            aria-label="Picture to draw boxes on"
            className="relative mx-auto w-fit cursor-crosshair touch-none select-none"
            onPointerDown={(e) => {
              from.current = at(e);
              e.currentTarget.setPointerCapture(e.pointerId);
            }}
            onPointerMove={draw}
            onPointerUp={(e) => {
              draw(e);
              from.current = null;
            }}
            onKeyDown={(e) => {
              const box = nudged(boxes[whose] ?? START, e.key, e.shiftKey);
              if (!box) return;
              e.preventDefault();
              setBoxes({ ...boxes, [whose]: box });
            }}
          >
            <img
              src={`/media/${take.media}`}
              alt=""
              draggable={false}
              className="block max-h-[56vh] max-w-full rounded-[3px]"
            />
            {cast.map((p) => {
              const box = boxes[p.id];
              return (
                box && (
                  <span
                    key={p.id}
                    className={`pointer-events-none absolute rounded-[2px] border-2 ${p.id === whose ? "border-grease" : "border-page"}`}
                    style={{
                      left: `${box[0] * 100}%`,
                      top: `${box[1] * 100}%`,
                      width: `${(box[2] - box[0]) * 100}%`,
                      height: `${(box[3] - box[1]) * 100}%`,
                    }}
                  >
                    <span className="absolute -top-px left-0 -translate-y-full whitespace-nowrap rounded-t-[3px] bg-page px-1 text-[12px]">
                      {p.name}
                    </span>
                  </span>
                )
              );
            })}
          </div>
          <div className="mt-4 flex gap-2">
            <Button
              kind="ink"
              disabled={!Object.keys(boxes).length || save.isPending}
              onClick={() =>
                save.mutate(
                  {
                    take: take.id,
                    figures: Object.entries(boxes).map(([person, box]) => ({
                      person: Number(person),
                      box,
                    })),
                  },
                  { onSuccess: onDone },
                )
              }
            >
              Measure their colours
            </Button>
            <Button kind="quiet" onClick={onDone}>
              Leave it
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
