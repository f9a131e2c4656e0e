import { expect, test } from "vitest";

import { type Point, added, curveOf, moved, pointsOf, through } from "./curve";

test("a curve goes through its points as SciPy's PCHIP does", () => {
  // Source: scipy.interpolate.PchipInterpolator([0, .25, .6, 1], [0, .4, .5, 1]) at these places.
  const line = through([
    [0, 0],
    [0.25, 0.4],
    [0.6, 0.5],
    [1, 1],
  ]);
  const known: Point[] = [
    [0.1, 0.20600921],
    [0.2, 0.35944085],
    [0.3, 0.42125908],
    [0.45, 0.45670188],
    [0.7, 0.5708474],
    [0.9, 0.83123485],
  ];
  for (const [x, y] of known) expect(line(x)).toBeCloseTo(y, 6);
});

test("a plain curve is a straight line and is not kept", () => {
  expect(curveOf(pointsOf([]))).toEqual([]);
  expect(through(pointsOf([]))(0.3)).toBeCloseTo(0.3);
});

test("points stay between their neighbours and ends at their ends", () => {
  const points = pointsOf([[0.5, 0.6]]);
  expect(moved(points, 1, 2, 0.7)[1]).toEqual([0.97, 0.7]);
  expect(moved(points, 0, 0.4, 0.2)[0]).toEqual([0, 0.2]);
  expect(moved(points, 2, 0.4, 1.4)[2]).toEqual([1, 1]);
});

test("a point is added where there is room, and not more than a grade takes", () => {
  const [points, at] = added(pointsOf([]), 0.3, 0.5)!;
  expect([points[at], curveOf(points)]).toEqual([[0.3, 0.5], [[0.3, 0.5]]]);
  expect(added(points, 0.31, 0.5)).toBeNull();
  let many = pointsOf([]);
  for (let n = 1; n < 12; n++) many = added(many, n / 12, n / 12)?.[0] ?? many;
  expect(many.length).toBe(8);
});
