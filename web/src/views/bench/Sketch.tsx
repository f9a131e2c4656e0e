/** A composition guide: masses are roughed in, or a sketch is brought, and takes are made that follow them. */
import { Brush, Circle, Square, Undo2 } from "lucide-react";
import { useEffect, useRef, useState } from "react";

import { useStart } from "../../api/film";
import { useSketch } from "../../api/hand";
import { Bring } from "../../parts/Bring";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { BoxMark } from "./BoxMark";
import { Candidates } from "./Candidates";
import { Tools } from "./Tools";
import type { DeskProps } from "./desk";
import { corners, useKeyBox } from "./keyBox";
import { type Shape, type Tone, redraw } from "./sketch";

const TOOLS = [
  ["oval", "Oval", Circle],
  ["box", "Box", Square],
  ["line", "Brush", Brush],
] as const;
type Tool = (typeof TOOLS)[number][0];
const TONES = [
  ["dark", "stands in front"],
  ["ground", "ground"],
  ["blank", "paper"],
] as const;
const HIGH = 540;

export function Sketch({ film, shot, take, onDone }: DeskProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const from = useRef<[number, number] | null>(null);
  const [shapes, setShapes] = useState<Shape[]>([]);
  const [brought, setBrought] = useState<HTMLImageElement | null>(null);
  const [tool, setTool] = useState<Tool>("oval");
  const [tone, setTone] = useState<Tone>("dark");
  const [strength, setStrength] = useState(80);
  const [count, setCount] = useState(2);
  const keep = useSketch(film.id);
  const start = useStart(film.id);
  const aspect = (take.width ?? 16) / (take.height ?? 9);
  const { box, setBox, onKeyDown } = useKeyBox((put) =>
    setShapes((all) => [...all, { kind: tool === "line" ? "box" : tool, tone, box: put }]),
  );
  useEffect(() => redraw(canvas.current!, brought, shapes), [shapes, brought]);
  const at = (e: React.PointerEvent): [number, number] => {
    const r = canvas.current!.getBoundingClientRect();
    return [(e.clientX - r.left) / r.width, (e.clientY - r.top) / r.height];
  };
  const down = (e: React.PointerEvent) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    from.current = at(e);
    if (tool === "line")
      setShapes([...shapes, { kind: "line", tone, points: [from.current], size: 0.05 }]);
  };
  const move = (e: React.PointerEvent) => {
    if (!from.current) return;
    const here = at(e);
    if (tool !== "line") return setBox(corners(from.current, here));
    setShapes((all) =>
      all.map((s, i) =>
        i === all.length - 1 && s.kind === "line" ? { ...s, points: [...s.points, here] } : s,
      ),
    );
  };
  const up = (e: React.PointerEvent) => {
    if (from.current && tool !== "line") {
      const put = corners(from.current, at(e));
      if (put[2] - put[0] > 0.01 && put[3] - put[1] > 0.01)
        setShapes([...shapes, { kind: tool, tone, box: put }]);
    }
    from.current = null;
    setBox(null);
  };
  const wish = { kind: "again" as const, shots: [shot.id], take: take.id, takes: count, strength };
  const make = async () => {
    const png = await new Promise<Blob>((resolve) =>
      canvas.current!.toBlob((blob) => resolve(blob!), "image/png"),
    );
    const kept = await keep.mutateAsync(png);
    start.mutate({ ...wish, guide: kept.media }, { onSuccess: onDone });
  };
  /** Kept by the server first: it opens every kind of picture, and says what is wrong with one. */
  const bring = async (file: File) => {
    const kept = await keep.mutateAsync(file).catch(() => null);
    if (!kept) return;
    const image = new Image();
    image.src = `/media/${kept.media}`;
    await image.decode();
    setBrought(image);
  };
  const blank = !shapes.length && !brought;
  return (
    <section aria-label={`Compose take ${take.number}`}>
      <div className="mb-2 flex flex-wrap items-center gap-1.5">
        <Tools tools={TOOLS} tool={tool} onTool={setTool} />
        <Choice
          label="What it stands for"
          value={tone}
          options={TONES}
          onChange={(v) => setTone(v as Tone)}
        />
        <Bring
          label="Sketch file"
          title="Bring a sketch"
          busy={keep.isPending}
          quiet
          onFiles={([file]) => void bring(file!)}
        />
        <Button
          kind="quiet"
          disabled={!shapes.length}
          aria-label="Undo the last shape"
          onClick={() => setShapes(shapes.slice(0, -1))}
        >
          <Undo2 className="size-4" />
        </Button>
        <Button
          kind="quiet"
          disabled={blank}
          onClick={() => {
            setShapes([]);
            setBrought(null);
          }}
        >
          Clear
        </Button>
      </div>
      <div className="relative mx-auto w-fit overflow-hidden rounded-[3px] border border-rule-strong">
        <canvas
          ref={canvas}
          width={Math.round(HIGH * aspect)}
          height={HIGH}
          tabIndex={0}
          role="application"
          aria-label="Sketch"
          className="block max-h-[50vh] max-w-full cursor-crosshair touch-none"
          onPointerDown={down}
          onPointerMove={move}
          onPointerUp={up}
          onKeyDown={onKeyDown}
        />
        <img
          src={`/media/${take.media}`}
          alt=""
          className="pointer-events-none absolute inset-0 size-full opacity-25"
        />
        {box && <BoxMark box={box} />}
      </div>
      <p className="mt-1 text-[12px] text-ink-2">
        By keys: arrows move a box, with Shift they size it, Enter puts it down.
      </p>
      <label className="mt-1 flex h-8 w-fit items-center gap-2 text-ink-2">
        how strictly it is followed
        <input
          type="range"
          min={10}
          max={100}
          value={strength}
          onChange={(e) => setStrength(Number(e.target.value))}
          aria-label="How strictly the sketch is followed"
          className="w-[140px] accent-[var(--ink)]"
        />
        <span className="w-10 font-mono text-[12px]">{strength} %</span>
      </label>
      <Candidates
        film={film}
        wish={{ ...wish, vary: 0 }}
        ready={!blank}
        busy={keep.isPending}
        title={`Make ${count} after this`}
        count={count}
        onCount={setCount}
        onMake={() => void make()}
        onDone={onDone}
      >
        Who is in it stays; where they stand follows the masses, the largest first.
      </Candidates>
    </section>
  );
}
