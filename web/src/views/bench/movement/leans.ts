/** How a camera leans over a shot: degrees at its first and at its last frame. */
import type { Path } from "../../../api/movement";

type Lean = Path["roll"];

export const LEANS = {
  level: [0, 0],
  right: [0, 2],
  left: [0, -2],
  "from right": [2, 0],
  "from left": [-2, 0],
  "stays right": [3, 3],
  "stays left": [-3, -3],
} satisfies Record<string, Lean>;

export const LEANS_SAID: Record<string, string> = {
  level: "stays level",
  right: "rolls a little right",
  left: "rolls a little left",
  "from right": "levels out from the right",
  "from left": "levels out from the left",
  "stays right": "leans to the right",
  "stays left": "leans to the left",
};

/** The name of what is nearest to it: a path can have been written with other degrees. */
export function leanOf(roll: Lean): keyof typeof LEANS {
  const [first, last] = roll;
  const names = Object.keys(LEANS) as (keyof typeof LEANS)[];
  const far = (name: keyof typeof LEANS) => {
    const [a, b] = LEANS[name] as [number, number];
    return Math.abs(a - first) + Math.abs(b - last);
  };
  return names.reduce((best, name) => (far(name) < far(best) ? name : best));
}

/** A frame on the picture turned as the camera leans there, and as much smaller as it is nearer for that all along. */
export function leaning(roll: Lean, which: "first" | "last", aspect: string): string | undefined {
  const most = (Math.max(...roll.map(Math.abs)) * Math.PI) / 180;
  if (!most) return undefined;
  const [w, h] = aspect.split(":").map(Number) as [number, number];
  const near = Math.cos(most) + Math.sin(most) * Math.max(w / h, h / w);
  return `rotate(${roll[which === "first" ? 0 : 1]}deg) scale(${(1 / near).toFixed(4)})`;
}
