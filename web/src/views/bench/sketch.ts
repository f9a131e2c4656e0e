/** A rough sketch of masses: what stands in front is dark, the ground is half dark; kept as shapes, so each can be taken back. */
import type { Box } from "./keyBox";

export const TONES = { dark: "#1c1b1e", ground: "#a8a29a", blank: "#ffffff" } as const;
export type Tone = keyof typeof TONES;
export type Shape =
  | { kind: "oval" | "box"; tone: Tone; box: Box }
  | { kind: "line"; tone: Tone; points: [number, number][]; size: number };

/** A shape onto a sketch, in shares of it. */
function drawn(pen: CanvasRenderingContext2D, shape: Shape): void {
  const { width, height } = pen.canvas;
  pen.fillStyle = pen.strokeStyle = TONES[shape.tone];
  if (shape.kind === "line") {
    pen.lineWidth = shape.size * height;
    pen.lineCap = pen.lineJoin = "round";
    pen.beginPath();
    shape.points.forEach(([x, y]) => pen.lineTo(x * width, y * height));
    // A single point is a dot: a line of no length is not drawn.
    if (shape.points.length === 1)
      pen.lineTo(shape.points[0]![0] * width + 0.1, shape.points[0]![1] * height);
    pen.stroke();
    return;
  }
  const [l, t, r, b] = shape.box;
  const [x, y, w, h] = [l * width, t * height, (r - l) * width, (b - t) * height];
  if (shape.kind === "box") return pen.fillRect(x, y, w, h);
  pen.beginPath();
  pen.ellipse(x + w / 2, y + h / 2, w / 2, h / 2, 0, 0, Math.PI * 2);
  pen.fill();
}

/** All of a sketch: paper, a picture that was brought, and the shapes over it. */
export function redraw(
  canvas: HTMLCanvasElement,
  brought: CanvasImageSource | null,
  shapes: readonly Shape[],
): void {
  const pen = canvas.getContext("2d")!;
  pen.fillStyle = TONES.blank;
  pen.fillRect(0, 0, canvas.width, canvas.height);
  if (brought) pen.drawImage(brought, 0, 0, canvas.width, canvas.height);
  shapes.forEach((s) => drawn(pen, s));
}
