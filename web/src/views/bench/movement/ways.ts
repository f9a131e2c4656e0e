/** Ways in which a part of a picture moves, in words; and where its pin stands while nobody moved it. */
import type { Region } from "../../../api/movement";

export const WAYS: Record<string, string> = {
  drift: "drifts",
  bob: "bobs",
  swing: "swings",
  turn: "turns round",
  "stand nearer": "stands nearer",
  sway: "sways",
  flow: "flows",
  ripple: "ripples",
  flicker: "flickers",
  breathe: "breathes",
  speak: "speaks",
};

/** Where to, in degrees with the clock from the right. */
export const TOWARDS: readonly (readonly [string, string])[] = [
  ["own", "as such things do"],
  ["0", "to the right"],
  ["45", "down right"],
  ["90", "down"],
  ["135", "down left"],
  ["180", "to the left"],
  ["225", "up left"],
  ["270", "up"],
  ["315", "up right"],
];
export const DIRECTED = new Set(["drift", "sway", "flow", "ripple", "turn"]);
export const PINNED = new Set(["swing", "turn", "sway", "breathe", "speak"]);

/** Where the pin is, in shares of the picture: what swings hangs, what sways is rooted, else the middle holds it. */
export function pinOf({ move, box }: Pick<Region, "move" | "box">): readonly [number, number] {
  if (move.pin) return move.pin as [number, number];
  const [left, top, right, bottom] = box;
  const x = (left + right) / 2;
  if (move.way === "swing") return [x, top];
  return [x, move.way === "sway" ? bottom : (top + bottom) / 2];
}
