/** Frames to words. The rules are the core's (SMPTE ST 12-1); this is the same count for showing. */

export function rateOf(fps: string): number {
  const [a, b] = fps.split("/");
  return Number(a) / Number(b ?? 1);
}

/** HH:MM:SS:FF without hours when there are none; drop-frame at 30000/1001. */
export function timecode(frame: number, fps: string): string {
  const nominal = Math.round(rateOf(fps));
  let f = Math.max(0, Math.round(frame));
  const drops = fps.includes("/");
  if (drops) {
    const drop = nominal / 15;
    const tenMinutes = nominal * 600 - drop * 9;
    const minute = nominal * 60 - drop;
    const tens = Math.floor(f / tenMinutes);
    const rest = f % tenMinutes;
    f += drop * 9 * tens + (rest >= drop ? drop * Math.floor((rest - drop) / minute) : 0);
  }
  const two = (n: number) => String(n).padStart(2, "0");
  const s = Math.floor(f / nominal);
  const hours = Math.floor(s / 3600);
  return `${hours ? `${two(hours)}:` : ""}${two(Math.floor(s / 60) % 60)}:${two(s % 60)}${drops ? ";" : ":"}${two(f % nominal)}`;
}

/** "2 min 28 s". */
export function inWords(seconds: number): string {
  const s = Math.round(seconds);
  if (s < 60) return `${s} s`;
  return `${Math.floor(s / 60)} min ${s % 60} s`;
}

export const money = (amount: number): string => amount.toFixed(amount && amount < 0.1 ? 3 : 2);
