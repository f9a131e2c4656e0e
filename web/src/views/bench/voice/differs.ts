/** How one taking of a line differs from another, in words. */
import type { Heard } from "../../../api/voices";

const SECONDS = 0.08;
const SHARE = 0.08;

/** What tells `take` from `other`: how long it is, how loud, where it is loudest. */
export function differs(take: Heard, other: Heard): string {
  const said: string[] = [];
  const longer = (take.seconds ?? 0) - (other.seconds ?? 0);
  if (Math.abs(longer) >= SECONDS)
    said.push(`${Math.abs(longer).toFixed(1)} s ${longer > 0 ? "longer" : "shorter"}`);
  const louder = mean(take.peaks) / (mean(other.peaks) || 1) - 1;
  if (Math.abs(louder) >= SHARE) said.push(louder > 0 ? "louder" : "softer");
  const [a, b] = [loudest(take.peaks), loudest(other.peaks)];
  if (a !== b) said.push(`most weight ${a}`);
  return said.length
    ? `beside the one used: ${said.join(", ")}`
    : "hardly differs from the one used";
}

const mean = (peaks: readonly number[]) =>
  peaks.length ? peaks.reduce((sum, p) => sum + p, 0) / peaks.length : 0;

const PARTS = ["at the beginning", "in the middle", "at the end"] as const;

/** In which third of it a line is loudest. */
function loudest(peaks: readonly number[]): string {
  const third = Math.max(1, Math.ceil(peaks.length / PARTS.length));
  const by = PARTS.map((_, i) => mean(peaks.slice(i * third, (i + 1) * third)));
  return PARTS[by.indexOf(Math.max(...by))]!;
}
