/** Where words stand on a strip that runs down: at their time, but never one upon another. */
const LEAST = 0.037;

/** Places 0 … 1 for things that are wanted at `wanted`, in order. */
export function apart(wanted: readonly number[], least = LEAST): number[] {
  const step = Math.min(least, wanted.length > 1 ? (1 - least) / (wanted.length - 1) : least);
  const down: number[] = [];
  for (const at of wanted) down.push(Math.max(at, (down.at(-1) ?? -step) + step, 0));
  let room = 1 - step;
  for (let i = down.length - 1; i >= 0; i--) {
    down[i] = Math.min(down[i]!, room);
    room = down[i]! - step;
  }
  return down;
}
