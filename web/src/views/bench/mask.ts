/** Masks that are painted: strokes, boxes, figures, like colours; kept as one byte a pixel, taken back step by step. */

export interface Mask {
  width: number;
  height: number;
  /** 1 where something is to change. */
  on: Uint8Array;
}

export const emptyMask = (width: number, height: number): Mask => ({
  width,
  height,
  on: new Uint8Array(width * height),
});
export const share = (mask: Mask): number => mask.on.reduce((n, v) => n + v, 0) / mask.on.length;

const copy = (mask: Mask): Mask => ({ ...mask, on: mask.on.slice() });

/** A box, its corners as shares of the picture. */
export function withBox(
  mask: Mask,
  [left, top, right, bottom]: readonly [number, number, number, number],
  on: boolean,
): Mask {
  const out = copy(mask);
  const [x0, x1] = [
    Math.max(0, Math.floor(left * mask.width)),
    Math.min(mask.width, Math.ceil(right * mask.width)),
  ];
  for (
    let y = Math.max(0, Math.floor(top * mask.height));
    y < Math.min(mask.height, Math.ceil(bottom * mask.height));
    y++
  )
    out.on.fill(on ? 1 : 0, y * mask.width + x0, y * mask.width + x1);
  return out;
}

/** A stroke with a round brush along points in pixels, into the mask itself. */
export function stroke(
  mask: Mask,
  points: readonly (readonly [number, number])[],
  radius: number,
  on: boolean,
): void {
  for (let i = 0; i < points.length; i++) {
    const [x1, y1] = points[i]!;
    const [x0, y0] = points[Math.max(0, i - 1)]!;
    const steps = Math.max(1, Math.ceil(Math.hypot(x1 - x0, y1 - y0) / Math.max(1, radius / 2)));
    for (let s = 0; s <= steps; s++)
      dot(mask, x0 + ((x1 - x0) * s) / steps, y0 + ((y1 - y0) * s) / steps, radius, on);
  }
}

function dot(mask: Mask, cx: number, cy: number, radius: number, on: boolean) {
  for (
    let y = Math.max(0, Math.ceil(cy - radius));
    y <= Math.min(mask.height - 1, cy + radius);
    y++
  ) {
    const half = Math.sqrt(radius * radius - (y - cy) * (y - cy));
    const from = Math.max(0, Math.ceil(cx - half));
    const to = Math.min(mask.width - 1, Math.floor(cx + half));
    if (to >= from) mask.on.fill(on ? 1 : 0, y * mask.width + from, y * mask.width + to + 1);
  }
}

/** Everything that hangs together with a pixel and is like it in colour; `pixels` are RGBA, `near` how far each channel may be. */
export function withLike(
  mask: Mask,
  pixels: Uint8ClampedArray,
  x: number,
  y: number,
  near: number,
): Mask {
  const out = copy(mask);
  const { width, height } = mask;
  const at = (y * width + x) * 4;
  const [r, g, b] = [pixels[at]!, pixels[at + 1]!, pixels[at + 2]!];
  const like = (i: number) =>
    Math.abs(pixels[i * 4]! - r) <= near &&
    Math.abs(pixels[i * 4 + 1]! - g) <= near &&
    Math.abs(pixels[i * 4 + 2]! - b) <= near;
  const seen = new Uint8Array(width * height);
  const stack = [y * width + x];
  seen[stack[0]!] = 1;
  while (stack.length) {
    const i = stack.pop()!;
    out.on[i] = 1;
    const px = i % width;
    for (const k of [px > 0 ? i - 1 : -1, px < width - 1 ? i + 1 : -1, i - width, i + width])
      if (k >= 0 && k < width * height && !seen[k]) {
        seen[k] = 1;
        if (like(k)) stack.push(k);
      }
  }
  return out;
}

/** What another mask marks too, given as an image of the same size (RGBA), white where it marks. */
export function withImage(mask: Mask, image: ImageData): Mask {
  const out = copy(mask);
  for (let i = 0; i < out.on.length; i++) if (image.data[i * 4]! > 127) out.on[i] = 1;
  return out;
}

/** The mask as pixels to be seen over the picture: the pencil's red, half clear. */
export function tinted(mask: Mask): ImageData {
  const image = new ImageData(mask.width, mask.height);
  for (let i = 0; i < mask.on.length; i++)
    if (mask.on[i]) image.data.set([207, 63, 42, 130], i * 4);
  return image;
}

/** The mask as a PNG, white where something is to change. */
export async function pngOf(mask: Mask): Promise<Blob> {
  const canvas = document.createElement("canvas");
  canvas.width = mask.width;
  canvas.height = mask.height;
  const image = new ImageData(mask.width, mask.height);
  for (let i = 0; i < mask.on.length; i++)
    image.data.set(mask.on[i] ? [255, 255, 255, 255] : [0, 0, 0, 255], i * 4);
  canvas.getContext("2d")!.putImageData(image, 0, 0);
  return new Promise((resolve) => canvas.toBlob((blob) => resolve(blob!), "image/png"));
}
