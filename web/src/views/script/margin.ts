/** Where the numbers of the shots stand beside the lines they open in, without covering one another. */

/** Pixels from one number to the next: with the seconds below it, and with the seconds beside it. */
const TALL = 37;
const LOW = 19;

export interface Margin {
  tops: number[];
  /** Whether the seconds stand beside the number, for want of room. */
  low: boolean;
  /** Pixels that the paragraph must be high for the last number to end within it. */
  height: number;
}

/** `lines` holds the top of the line that each shot opens in, in pixels from the paragraph's, rising. */
export function marginOf(lines: readonly number[]): Margin {
  const low = lines.some((top, i) => i > 0 && top - lines[i - 1]! < TALL);
  const step = low ? LOW : TALL;
  const tops: number[] = [];
  for (const top of lines) tops.push(Math.max(top, (tops.at(-1) ?? -step) + step));
  return { tops, low, height: tops.length ? tops.at(-1)! + step : 0 };
}
