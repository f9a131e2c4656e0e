/** A take's picture to be marked on: brush, box, like colours, a figure as it was drawn; taken back step by step. */
import { Brush, Eraser, PaintBucket, SquareDashed, Undo2 } from "lucide-react";
import { useEffect, useRef, useState } from "react";

import type { Film, Take } from "../../api/client";
import { type Figure, maskOfFigure, useHand } from "../../api/hand";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { BoxMark } from "./BoxMark";
import { type Box, corners, useKeyBox } from "./keyBox";
import { Tools } from "./Tools";
import { type Mask, emptyMask, share, stroke, tinted, withBox, withImage, withLike } from "./mask";

const TOOLS = [
  ["brush", "Brush", Brush],
  ["rub", "Rub out", Eraser],
  ["box", "Box", SquareDashed],
  ["like", "Like colours", PaintBucket],
] as const;
type Tool = (typeof TOOLS)[number][0];
const LIKE = 34;

interface Props {
  film: Film;
  take: Take;
  mask: Mask | null;
  /** `figure` is the number of the figure that the mask is just the outline of. */
  onMask: (mask: Mask, figure: number | null) => void;
}

export function Marking({ film, take, mask, onMask }: Props) {
  const picture = useRef<HTMLImageElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const points = useRef<[number, number][] | null>(null);
  const [before, setBefore] = useState<Mask[]>([]);
  const [tool, setTool] = useState<Tool>("brush");
  const [size, setSize] = useState(40);
  const figures = useHand(film.id, take.id).data?.figures ?? [];
  useEffect(() => {
    if (mask) canvas.current?.getContext("2d")?.putImageData(tinted(mask), 0, 0);
  }, [mask]);
  const put = (next: Mask, figure: number | null = null) => {
    if (mask) setBefore([...before, mask].slice(-40));
    onMask(next, figure);
  };
  const { box, setBox, onKeyDown } = useKeyBox(
    (marked) => mask && put(withBox(mask, marked, true)),
  );
  const at = (e: React.PointerEvent): [number, number] => {
    const r = canvas.current!.getBoundingClientRect();
    return [
      ((e.clientX - r.left) / r.width) * mask!.width,
      ((e.clientY - r.top) / r.height) * mask!.height,
    ];
  };
  const boxOf = (from: [number, number], to: [number, number]) => {
    const scaled = ([x, y]: [number, number]) => [x / mask!.width, y / mask!.height] as const;
    return corners(scaled(from), scaled(to));
  };
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
      put(
        withLike(
          mask,
          pen.getImageData(0, 0, mask.width, mask.height).data,
          x,
          Math.min(mask.height - 1, Math.floor(here[1])),
          LIKE,
        ),
      );
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
    onMask({ ...mask }, null);
  };
  const up = (e: React.PointerEvent) => {
    if (tool === "box" && points.current && mask)
      put(withBox(mask, boxOf(points.current[0]!, at(e)), true));
    points.current = null;
    setBox(null);
  };
  const markFigure = async (number: number, figure: Figure) => {
    if (!mask) return;
    if (!figure.cut) return put(withBox(mask, figure.box as Box, true));
    const alone = share(mask) === 0;
    put(
      withImage(mask, await maskOfFigure(film.id, take.id, number, mask.width, mask.height)),
      alone ? number : null,
    );
  };
  const marked = mask ? share(mask) : 0;
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-1.5">
        <Tools tools={TOOLS} tool={tool} onTool={setTool} />
        <label className="ml-2 flex items-center gap-2 text-ink-2">
          size
          <input
            type="range"
            min={4}
            max={160}
            value={size}
            onChange={(e) => setSize(Number(e.target.value))}
            aria-label="Size of the brush"
            className="w-[80px] accent-[var(--ink)]"
          />
        </label>
        {figures.length > 0 && (
          <Choice
            label="Mark somebody"
            value="none"
            options={[
              ["none", "mark somebody …"] as const,
              ...figures.map((f, i) => [String(i), f.name] as const),
            ]}
            onChange={(v) => void markFigure(Number(v), figures[Number(v)]!)}
          />
        )}
        <Button
          kind="quiet"
          disabled={!before.length}
          aria-label="Undo the last mark"
          onClick={() => {
            onMask(before.at(-1)!, null);
            setBefore(before.slice(0, -1));
          }}
        >
          <Undo2 className="size-4" />
        </Button>
        <Button
          kind="quiet"
          disabled={!marked}
          onClick={() => mask && put(emptyMask(mask.width, mask.height))}
        >
          Clear
        </Button>
      </div>
      <div className="relative mx-auto w-fit">
        <img
          ref={picture}
          src={`/media/${take.media}`}
          alt={`Take ${take.number}`}
          draggable={false}
          onLoad={(e) =>
            onMask(emptyMask(e.currentTarget.naturalWidth, e.currentTarget.naturalHeight), null)
          }
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
          onKeyDown={onKeyDown}
        />
        {box && <BoxMark box={box} />}
      </div>
      <p className="mt-1 flex justify-between text-[12px] text-ink-2">
        By keys: arrows move a box, with Shift they size it, Enter marks it.
        <span role="status">
          {!mask && "the picture is on its way"}
          {mask && !marked && "nothing marked"}
          {marked > 0 && `${Math.max(1, Math.round(marked * 100))} % marked`}
        </span>
      </p>
    </>
  );
}
