/** Takes in the order they are looked at, and what sets two of them apart. */
import type { Shot, Take } from "../../api/client";

/** The one in use first, then the newest; rejected ones last. */
export function inOrder(shot: Shot): Take[] {
  const rank = (t: Take) => (t.rejected !== null ? 2 : t.id === shot.used ? 0 : 1);
  return [...shot.takes].sort((a, b) => rank(a) - rank(b) || b.number - a.number);
}

/** In what `other` was made from something else than `one`, in words; words of prompts by what came and went. */
export function setApart(one: Take, other: Take): string[] {
  if (one.brought || other.brought) return [];
  const out: string[] = [];
  if (one.seed !== other.seed) out.push(`seed ${other.seed}`);
  if (one.offer !== other.offer) out.push(other.offer.replace("-", ", "));
  const pieces = (t: Take) =>
    t.prompt
      .split(/[.,()]+/)
      .map((p) => p.trim())
      .filter(Boolean);
  const [before, after] = [new Set(pieces(one)), new Set(pieces(other))];
  const came = [...after].filter((p) => !before.has(p));
  const went = [...before].filter((p) => !after.has(p));
  if (came.length) out.push(`with “${came.join(", ")}”`);
  if (went.length) out.push(`without “${went.join(", ")}”`);
  if (!out.length) out.push("made from the same");
  return out;
}
