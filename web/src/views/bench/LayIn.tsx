/** A cut-out is laid into a take: moved, sized, turned round, its light adapted; seen as it would be before it is kept. */
import { useEffect, useRef, useState } from "react";

import { type CutOut, type Placing, seenPlaced, useLayIn } from "../../api/hand";
import { Button } from "../../parts/Button";
import { Check } from "../../parts/Field";
import { CutOuts } from "./CutOuts";
import { STEPS, type DeskProps, percent } from "./desk";
import { useDrag } from "./drag";

const FIRST: Placing = { x: 0.5, y: 0.92, height: 0.5, flip: false, light: 0.7 };
const RESTS = 200;

export function LayIn({ film, take, onDone }: DeskProps) {
  const [picked, setPicked] = useState<CutOut | undefined>(film.cutouts.at(-1));
  const [where, setWhere] = useState<Placing>(FIRST);
  const [asked, setAsked] = useState("");
  const [shown, setShown] = useState("");
  const frame = useRef<HTMLDivElement>(null);
  const set = (values: Partial<Placing>) => setWhere((w) => ({ ...w, ...values }));
  const sized = (of: (height: number) => number) =>
    setWhere((w) => ({ ...w, height: Math.min(2, Math.max(0.04, of(w.height))) }));
  const moved = (dx: number, dy: number) =>
    setWhere((w) => ({
      ...w,
      x: Math.min(1.3, Math.max(-0.3, w.x + dx)),
      y: Math.min(2, Math.max(0.02, w.y + dy)),
    }));
  const { whole, corner } = useDrag(frame, (dx, dy, size) =>
    size ? sized((h) => h - dy) : moved(dx, dy),
  );
  const lay = useLayIn(film.id, take.id);
  const cutout = film.cutouts.find((c) => c.id === picked?.id);
  const seen = cutout ? seenPlaced(film.id, take.id, cutout.id, where) : "";
  useEffect(() => {
    const timer = setTimeout(() => setAsked(seen), RESTS);
    return () => clearTimeout(timer);
  }, [seen]);
  if (!film.cutouts.length) {
    return (
      <p className="py-6 text-ink-2">
        Nothing is cut out in this film yet. Choose “Cut out” beside a take, and what you cut out
        can be laid in here. <Button onClick={onDone}>Back</Button>
      </p>
    );
  }
  const aspect = (take.width ?? 16) / (take.height ?? 9);
  const wide = cutout ? ((cutout.width / cutout.height) * where.height) / aspect : 0;
  const onKey = (e: React.KeyboardEvent) => {
    const step = STEPS[e.key];
    const far = e.shiftKey ? 0.05 : 0.01;
    const grow = { "+": 1.05, "=": 1.05, "-": 1 / 1.05 }[e.key];
    if (!step && !grow) return;
    e.preventDefault();
    e.stopPropagation();
    if (step) moved(step[0] * far, step[1] * far);
    else sized((h) => h * grow!);
  };
  return (
    <section aria-label={`Lay into take ${take.number}`}>
      <div ref={frame} className="relative mx-auto w-fit touch-none overflow-hidden rounded-[3px]">
        <img
          src={`/media/${take.media}`}
          alt={`Take ${take.number}`}
          draggable={false}
          className="block max-h-[52vh] max-w-full select-none"
        />
        {asked && (
          <img
            src={asked}
            alt=""
            aria-hidden
            draggable={false}
            onLoad={() => setShown(asked)}
            className={`absolute inset-0 size-full select-none ${shown === seen ? "" : "invisible"}`}
          />
        )}
        {cutout && (
          <div
            role="application"
            tabIndex={0}
            aria-label={`Where ${cutout.name} stands`}
            className="absolute cursor-move outline outline-1 outline-dashed outline-offset-0 outline-grease focus-visible:outline-2"
            style={{
              left: percent(where.x - wide / 2),
              top: percent(where.y - where.height),
              width: percent(wide),
              height: percent(where.height),
            }}
            {...whole}
            onKeyDown={onKey}
          >
            {shown !== seen && (
              <img
                src={`/media/${cutout.media}`}
                alt=""
                draggable={false}
                className="size-full select-none"
                style={where.flip ? { transform: "scaleX(-1)" } : undefined}
              />
            )}
            <span
              {...corner}
              className="absolute -right-2 -top-2 size-4 cursor-ns-resize rounded-full border-2 border-[#fffdf8] bg-grease"
            />
          </div>
        )}
      </div>
      <p className="mt-1 text-[12px] text-ink-2">
        Drag it, or its corner for the size. By keys: arrows move it, with Shift further, + and −
        size it.
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <label className="flex h-8 items-center gap-2 text-ink-2">
          height
          <input
            type="range"
            min={4}
            max={150}
            value={Math.round(where.height * 100)}
            onChange={(e) => sized(() => Number(e.target.value) / 100)}
            aria-label="Height as a share of the frame"
            className="w-[110px] accent-[var(--ink)]"
          />
          <span className="w-10 font-mono text-[12px]">{Math.round(where.height * 100)} %</span>
        </label>
        <label className="flex h-8 items-center gap-2 text-ink-2">
          light of the place
          <input
            type="range"
            min={0}
            max={100}
            value={Math.round(where.light * 100)}
            onChange={(e) => set({ light: Number(e.target.value) / 100 })}
            aria-label="How far its light is adapted"
            className="w-[110px] accent-[var(--ink)]"
          />
          <span className="w-10 font-mono text-[12px]">{Math.round(where.light * 100)} %</span>
        </label>
        <Check label="turned round" on={where.flip} onChange={(flip) => set({ flip })} />
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <Button
          kind="ink"
          disabled={!cutout || lay.isPending}
          onClick={() => lay.mutate({ cutout: cutout!.id, ...where }, { onSuccess: onDone })}
        >
          {lay.isPending ? "laying it in …" : "Lay it in"}
        </Button>
        <Button kind="quiet" onClick={onDone}>
          Leave it
        </Button>
        <span className="text-[12px] text-ink-2">A take of its own, at no cost.</span>
      </div>
      <CutOuts film={film} picked={cutout?.id} onPick={setPicked} />
    </section>
  );
}
