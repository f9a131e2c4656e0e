/** The curve of a grade, as it is drawn in its field: points in shares (brightness before, and after). */
export type Point = [number, number];

/** Of a grade. */
const MOST_POINTS = 8;
/** How near to each other points come, from dark to light. */
const APART = 0.03;
const round = (share: number) => Math.min(1, Math.max(0, Math.round(share * 1000) / 1000));

/** All points of a curve with its ends, which stay where they are if nothing else is said. */
export function pointsOf(curve: readonly Point[]): Point[] {
  const low = curve.find(([x]) => x <= 0)?.[1] ?? 0;
  const high = curve.find(([x]) => x >= 1)?.[1] ?? 1;
  const inner = curve.filter(([x]) => x > 0 && x < 1).sort((a, b) => a[0] - b[0]);
  return [[0, low], ...inner, [1, high]];
}

/** The curve through points; ends that are where they always are are left out. */
export const curveOf = (points: readonly Point[]): Point[] =>
  points.filter(([x, y], n) => (n > 0 && n < points.length - 1) || x !== y);

/** The points with one moved; it stays between its neighbours, and an end stays at its end. */
export function moved(points: readonly Point[], at: number, x: number, y: number): Point[] {
  const last = points.length - 1;
  const [left, right] = [points[at - 1]?.[0] ?? 0, points[at + 1]?.[0] ?? 1];
  const to = at === 0 ? 0 : at === last ? 1 : Math.min(right - APART, Math.max(left + APART, x));
  return points.map((p, n) => (n === at ? [round(to), round(y)] : p));
}

/** The points with one more, and which it is; null where there is no room for it. */
export function added(points: readonly Point[], x: number, y: number): [Point[], number] | null {
  const at = points.findIndex((p) => p[0] > x);
  const near = points.some((p) => Math.abs(p[0] - x) < APART);
  if (at < 1 || near || points.length - 2 >= MOST_POINTS - 2) return null;
  const more: Point = [round(x), round(y)];
  return [[...points.slice(0, at), more, ...points.slice(at)], at];
}

/** What becomes of a brightness, smoothly through all points and never beyond them: the monotone cubic of Fritsch and
 * Carlson (1980), with slopes by weighted harmonic means, as the renderer has it. */
export function through(points: readonly Point[]): (x: number) => number {
  const n = points.length;
  const wide = points.slice(1).map((p, i) => p[0] - points[i]![0]);
  const rise = points.slice(1).map((p, i) => (p[1] - points[i]![1]) / wide[i]!);
  const slopes = points.map((_, i) => {
    if (n === 2) return rise[0]!;
    if (i === 0) return atEnd(wide[0]!, wide[1]!, rise[0]!, rise[1]!);
    if (i === n - 1) return atEnd(wide[n - 2]!, wide[n - 3]!, rise[n - 2]!, rise[n - 3]!);
    const [before, after] = [rise[i - 1]!, rise[i]!];
    if (before * after <= 0) return 0;
    const [one, other] = [2 * wide[i]! + wide[i - 1]!, wide[i]! + 2 * wide[i - 1]!];
    return (one + other) / (one / before + other / after);
  });
  return (x) => {
    const i = Math.min(n - 2, Math.max(0, points.findIndex((p) => p[0] >= x) - 1));
    const t = (x - points[i]![0]) / wide[i]!;
    const [a, b] = [points[i]![1], points[i + 1]![1]];
    const [c, d] = [slopes[i]! * wide[i]!, slopes[i + 1]! * wide[i]!];
    return (
      a * (1 + 2 * t) * (1 - t) ** 2 +
      b * t * t * (3 - 2 * t) +
      c * t * (1 - t) ** 2 -
      d * t * t * (1 - t)
    );
  };
}

/** The slope at an end, by three points, so that nothing overshoots. */
function atEnd(wide: number, next: number, rise: number, after: number): number {
  const slope = ((2 * wide + next) * rise - wide * after) / (wide + next);
  if (Math.sign(slope) !== Math.sign(rise)) return 0;
  return Math.sign(rise) !== Math.sign(after) && Math.abs(slope) > 3 * Math.abs(rise)
    ? 3 * rise
    : slope;
}
