import { expect, test } from "vitest";

import { type Shape, TONES, redraw } from "./sketch";

/** A canvas that writes down what is drawn. */
function recorder(width = 960, height = 540) {
  const said: unknown[][] = [];
  const styles: Record<string, unknown> = {};
  const pen = new Proxy({} as CanvasRenderingContext2D, {
    get: (_, name: string) =>
      name === "canvas"
        ? { width, height }
        : (...values: unknown[]) => said.push([name, styles.fillStyle, ...values]),
    set: (_, name: string, value) => {
      styles[name] = value;
      return true;
    },
  });
  return {
    canvas: { width, height, getContext: () => pen } as unknown as HTMLCanvasElement,
    said,
    styles,
  };
}

test("paper first, then what was brought, then the shapes in their order", () => {
  const { canvas, said } = recorder();
  const brought = {} as CanvasImageSource;
  const shapes: Shape[] = [
    { kind: "box", tone: "ground", box: [0, 0.75, 1, 1] },
    { kind: "oval", tone: "dark", box: [0.5, 0.25, 0.75, 0.75] },
  ];
  redraw(canvas, brought, shapes);
  expect(said.map(([name]) => name)).toEqual([
    "fillRect",
    "drawImage",
    "fillRect",
    "beginPath",
    "ellipse",
    "fill",
  ]);
  expect(said[0]).toEqual(["fillRect", TONES.blank, 0, 0, 960, 540]);
  expect(said[2]).toEqual(["fillRect", TONES.ground, 0, 405, 960, 135]);
  expect(said[4]!.slice(0, 6)).toEqual(["ellipse", TONES.dark, 600, 270, 120, 135]);
});

test("a line goes through its points, and one point is a dot", () => {
  const { canvas, said, styles } = recorder(100, 100);
  redraw(canvas, null, [
    {
      kind: "line",
      tone: "dark",
      size: 0.05,
      points: [
        [0.1, 0.1],
        [0.5, 0.2],
      ],
    },
  ]);
  expect(said.filter(([n]) => n === "lineTo").map((s) => s.slice(2))).toEqual([
    [10, 10],
    [50, 20],
  ]);
  expect(styles.lineWidth).toBe(5);
  const dot = recorder(100, 100);
  redraw(dot.canvas, null, [{ kind: "line", tone: "dark", size: 0.05, points: [[0.3, 0.4]] }]);
  const to = dot.said.filter(([n]) => n === "lineTo");
  expect(to).toHaveLength(2);
  expect(to[1]![2]).toBeGreaterThan(to[0]![2] as number);
});

test("the tones are those that services read: dark in front, half dark the ground", () => {
  const grey = (hex: string) => parseInt(hex.slice(1, 3), 16);
  expect(grey(TONES.dark)).toBeLessThan(96);
  expect(grey(TONES.ground)).toBeGreaterThan(96);
  expect(grey(TONES.ground)).toBeLessThan(208);
});
