/** Part of a take is marked and made anew: brush, box, a figure, like colours; what should be there, or that it should go. */
import { Brush, Eraser, PaintBucket, SquareDashed, Undo2 } from "lucide-react";
import { useEffect, useRef, useState } from "react";

import type { Film, Shot, Take } from "../../api/client";
import { useEstimate, useMask, useRuns, useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { money } from "../../parts/time";
import { type Mask, emptyMask, pngOf, share, stroke, tinted, withBox, withLike } from "./mask";

const TOOLS = [
  ["brush", "Brush", Brush],
  ["rub", "Rub out", Eraser],
  ["box", "Box", SquareDashed],
  ["like", "Like colours", PaintBucket],
] as const;
type Tool = (typeof TOOLS)[number][0];
const COUNTS = ["1", "2", "3", "4"].map((n) => [n, n] as const);
const LIKE = 34;

export function Retouch({ film, shot, take, onDone }: { film: Film; shot: Shot; take: Take; onDone: () => void }) {
  const picture = useRef<HTMLImageElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const points = useRef<[number, number][] | null>(null);
  const [mask, setMask] = useState<Mask | null>(null);
  const [before, setBefore] = useState<Mask[]>([]);
  const [tool, setTool] = useState<Tool>("brush");
  const [size, setSize] = useState(40);
  const [feather, setFeather] = useState(6);
  const [box, setBox] = useState<[number, number, number, number] | null>(null);
  const [words, setWords] = useState("");
  const [count, setCount] = useState(2);
  const keep = useMask(film.id);
  const start = useStart(film.id);
  const runs = useRuns(film.id).data ?? [];
  const making = runs.find((r) => r.state === "going" && r.kind === "retouch");
  const price = useEstimate(film.id, { kind: "pictures", shots: [shot.id], takes: count }, film.revision).data;
  useEffect(() => {
    if (mask) canvas.current?.getContext("2d")?.putImageData(tinted(mask), 0, 0);
  }, [mask]);
  const put = (next: Mask) => {
    if (mask) setBefore([...before, mask].slice(-40));
    setMask(next);
  };
  const at = (e: React.PointerEvent): [number, number] => {
    const r = canvas.current!.getBoundingClientRect();
    return [((e.clientX - r.left) / r.width) * mask!.width, ((e.clientY - r.top) / r.height) * mask!.height];
  };
  const boxOf = ([x0, y0]: [number, number], [x1, y1]: [number, number]): [number, number, number, number] => [
    Math.min(x0, x1) / mask!.width,
    Math.min(y0, y1) / mask!.height,
    Math.max(x0, x1) / mask!.width,
    Math.max(y0, y1) / mask!.height,
  ];
  const down = (e: React.PointerEvent) => {
    if (!mask) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    const here = at(e);
    if (tool === "like") {
      const scratch = document.createElement("canvas");
      [scratch.width, scratch.height] = [mask.width, mask.height];
      const pen = scratch.getContext("2d")!;
      pen.drawImage(picture.current!, 0, 0, mask.width, mask.height);
      const x = Math.min(mask.width - 1, Math.floor(here[0]));
      put(withLike(mask, pen.getImageData(0, 0, mask.width, mask.height).data, x, Math.min(mask.height - 1, Math.floor(here[1])), LIKE));
      return;
    }
    points.current = [here];
    if (tool !== "box") {
      const next = { ...mask, on: mask.on.slice() };
      stroke(next, [here], size, tool === "brush");
      put(next);
    }
  };
  const move = (e: React.PointerEvent) => {
    if (!points.current || !mask) return;
    const here = at(e);
    if (tool === "box") return setBox(boxOf(points.current[0]!, here));
    stroke(mask, [points.current.at(-1)!, here], size, tool === "brush");
    points.current.push(here);
    setMask({ ...mask });
  };
  const up = (e: React.PointerEvent) => {
    if (tool === "box" && points.current && mask) put(withBox(mask, boxOf(points.current[0]!, at(e)), true));
    points.current = null;
    setBox(null);
  };
  /** By keys a box is moved and sized (Shift) with the arrows, and marked with Enter. */
  const byKeys = (e: React.KeyboardEvent) => {
    if (!mask) return;
    const step = { ArrowLeft: [-0.02, 0], ArrowRight: [0.02, 0], ArrowUp: [0, -0.02], ArrowDown: [0, 0.02] }[e.key];
    if (step) {
      e.preventDefault();
      e.stopPropagation();
      const [l, t, r, b] = box ?? [0.4, 0.4, 0.6, 0.6];
      const [dx, dy] = step as [number, number];
      setBox(e.shiftKey ? [l, t, Math.min(1, Math.max(l + 0.02, r + dx)), Math.min(1, Math.max(t + 0.02, b + dy))] : [l + dx, t + dy, r + dx, b + dy]);
    } else if (e.key === "Enter" && box) {
      e.preventDefault();
      put(withBox(mask, box, true));
      setBox(null);
    }
  };
  const marked = mask ? share(mask) : 0;
  const make = async () => {
    const kept = await keep.mutateAsync({ take: take.id, png: await pngOf(mask!) });
    start.mutate({ kind: "retouch", shots: [shot.id], take: take.id, mask: kept.media, words: words.trim(), takes: count, feather }, { onSuccess: onDone });
  };
  return (
    <section aria-label={`Retouch take ${take.number}`}>
      <div className="mb-2 flex flex-wrap items-center gap-1.5">
        <div role="radiogroup" aria-label="Tool" className="flex gap-1">
          {TOOLS.map(([name, title, Icon]) => (
            <button
              key={name}
              type="button"
              role="radio"
              aria-checked={tool === name}
              aria-label={title}
              title={title}
              onClick={() => setTool(name)}
              className={`flex h-8 items-center gap-1.5 rounded-[5px] border px-2 ${tool === name ? "border-ink bg-shade font-semibold" : "border-rule-strong text-ink-2 hover:bg-shade"}`}
            >
              <Icon className="size-4" />
              {title}
            </button>
          ))}
        </div>
        <label className="ml-2 flex items-center gap-2 text-ink-2">
          size
          <input type="range" min={4} max={160} value={size} onChange={(e) => setSize(Number(e.target.value))} aria-label="Size of the brush" className="w-[80px] accent-[var(--ink)]" />
        </label>
        {shot.figures.length > 0 && (
          <Choice
            label="Mark somebody"
            value="none"
            options={[["none", "mark somebody …"] as const, ...shot.figures.map((f) => [String(f.person), film.cast.find((p) => p.id === f.person)?.name ?? "somebody"] as const)]}
            onChange={(v) => {
              const figure = shot.figures.find((f) => String(f.person) === v);
              if (figure && mask) put(withBox(mask, figure.box, true));
            }}
          />
        )}
        <Button
          kind="quiet"
          disabled={!before.length}
          aria-label="Undo the last mark"
          onClick={() => {
            setMask(before.at(-1)!);
            setBefore(before.slice(0, -1));
          }}
        >
          <Undo2 className="size-4" />
        </Button>
        <Button kind="quiet" disabled={!marked} onClick={() => mask && put(emptyMask(mask.width, mask.height))}>
          Clear
        </Button>
      </div>
      <div className="relative mx-auto w-fit">
        <img
          ref={picture}
          src={`/media/${take.media}`}
          alt={`Take ${take.number}`}
          draggable={false}
          onLoad={(e) => setMask(emptyMask(e.currentTarget.naturalWidth, e.currentTarget.naturalHeight))}
          className="block max-h-[52vh] max-w-full select-none rounded-[3px]"
        />
        <canvas
          ref={canvas}
          width={mask?.width ?? 16}
          height={mask?.height ?? 9}
          tabIndex={0}
          role="application"
          aria-label="Picture to mark on"
          className="absolute inset-0 size-full cursor-crosshair touch-none"
          onPointerDown={down}
          onPointerMove={move}
          onPointerUp={up}
          onKeyDown={byKeys}
        />
        {box && (
          <span
            className="pointer-events-none absolute border-2 border-dashed border-grease"
            style={{ left: `${box[0] * 100}%`, top: `${box[1] * 100}%`, width: `${(box[2] - box[0]) * 100}%`, height: `${(box[3] - box[1]) * 100}%` }}
          />
        )}
      </div>
      <p className="mt-1 flex justify-between text-[12px] text-ink-2">
        By keys: arrows move a box, with Shift they size it, Enter marks it.
        <span role="status">{marked ? `${Math.max(1, Math.round(marked * 100))} % marked` : "nothing marked"}</span>
      </p>
      <div className="mt-2 grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3">
        <label className="block">
          <span className="text-ink-2">What should be there; nothing: it goes</span>
          <Field aria-label="What should be there" value={words} maxLength={200} placeholder="a heron, a red hat, a lantern …" onChange={(e) => setWords(e.target.value)} />
        </label>
        <label className="flex h-8 items-center gap-2 text-ink-2">
          soft edge
          <input type="range" min={0} max={60} value={feather} onChange={(e) => setFeather(Number(e.target.value))} aria-label="Soft edge in pixels" className="w-[90px] accent-[var(--ink)]" />
          <span className="w-6 font-mono text-[12px]">{feather}</span>
        </label>
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <Button kind="ink" disabled={!marked || keep.isPending || making !== undefined} onClick={() => void make()}>
          {making ? "making …" : words.trim() ? `Make ${count}` : `Take it out, ${count}`}
          {price && price.pictures > 0 && <span className="font-mono font-normal opacity-75">{money(price.cost)}</span>}
        </Button>
        <Choice label="How many candidates" value={String(count)} options={COUNTS} onChange={(v) => setCount(Number(v))} />
        <Button kind="quiet" onClick={onDone}>
          Leave it
        </Button>
        <span className="text-[12px] text-ink-2">Each is a take of its own; outside the mark every pixel stays as it is.</span>
      </div>
    </section>
  );
}
