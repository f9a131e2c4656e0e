import { describe, expect, it } from "vitest";

import { beyond, holding, moved, onStage, sized, stageOf } from "./framing";
import type { Box } from "./keyBox";

const shapeOf = ([l, t, r, b]: Box) => (r - l) / (b - t);

describe("a frame over a picture", () => {
  it("holds the whole picture in the film's shape", () => {
    for (const shape of [0.4, 1, 1.9]) {
      const frame = holding(shape);
      expect(shapeOf(frame)).toBeCloseTo(shape, 6);
      expect(Math.min(frame[0], frame[1])).toBeLessThanOrEqual(0);
      expect(Math.max(frame[2], frame[3])).toBeGreaterThanOrEqual(1);
      expect(Math.min(frame[2] - frame[0], frame[3] - frame[1])).toBeCloseTo(1, 6);
    }
  });
  it("keeps its shape however it is moved and sized, and never loses the picture", () => {
    let frame: Box = holding(1.5);
    for (const [dx, dy, times] of [
      [3, 0, 1],
      [0, -4, 0.1],
      [-6, 6, 1],
      [0, 0, 9],
      [0.2, 0.1, 1.1],
    ] as const) {
      frame = sized(moved(frame, dx, dy), times, 1.5);
      expect(shapeOf(frame)).toBeCloseTo(1.5, 6);
      expect(frame[0]).toBeLessThan(0.95);
      expect(frame[1]).toBeLessThan(0.95);
      expect(Math.min(frame[2], frame[3])).toBeGreaterThan(0.05);
      expect(beyond(frame)).toBeLessThanOrEqual(1.0001);
    }
  });
  it("is laid on a stage that shows all that may be continued", () => {
    for (const shape of [0.4, 1, 1.9]) {
      const stage = stageOf(shape);
      for (const v of onStage(holding(shape), stage)) expect(v > 0 && v < 1).toBe(true);
      expect(onStage(stage, stage)).toEqual([0, 0, 1, 1]);
    }
  });
});
