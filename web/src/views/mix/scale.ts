/** Where things stand in the Mix: how tall a second is, where each lane lies, how far a decibel reaches. Pixels. */
import type { Lane, Role } from "../../api/mix";

export const HEIGHTS = [12, 22, 44, 88] as const;
/** How tall a second may be. */

export const WORDS = 248;
type Column = Lane | "tension" | "loudness";
export const WIDTHS: Record<Column, number> = {
  voice: 152,
  sound: 182,
  music: 150,
  tension: 84,
  loudness: 112,
};
export const LANES: readonly Lane[] = ["voice", "sound", "music"];
export const ROLES: Record<Lane, readonly Role[]> = {
  voice: ["voice"],
  sound: ["spot", "ambience"],
  music: ["music"],
};
export const INKS: Record<Lane, string> = { voice: "--teal", sound: "--moss", music: "--ochre" };

const COLUMNS: readonly Column[] = [...LANES, "tension", "loudness"];

/** The left edge of a lane, counted from the left edge of the first. */
export const leftOf = (lane: Column): number =>
  COLUMNS.slice(0, COLUMNS.indexOf(lane)).reduce((sum, name) => sum + WIDTHS[name], 0);
export const ALL = leftOf("loudness") + WIDTHS.loudness;

/** The middle of each waveform in its lane, and how far it reaches to either side. */
export const WAVES: Record<Role, { lane: Lane; middle: number; half: number }> = {
  voice: { lane: "voice", middle: 62, half: 52 },
  ambience: { lane: "sound", middle: 36, half: 26 },
  spot: { lane: "sound", middle: 92, half: 24 },
  music: { lane: "music", middle: 62, half: 46 },
};

/** A level line stands at the right of its lane; a decibel is so wide. */
const FROM_RIGHT = 34;
const DECIBEL = 1.8;
export const LEAST = -36;
export const MOST = 12;
export const levelX = (lane: Lane, gain: number) => WIDTHS[lane] - FROM_RIGHT + gain * DECIBEL;
export const gainAtX = (lane: Lane, x: number) => (x - WIDTHS[lane] + FROM_RIGHT) / DECIBEL;

/** Loudness over the film: its aim stands here, a unit is so wide. */
const AIM = 64;
const UNIT = 3.6;
export const loudnessX = (level: number, aim: number) =>
  Math.min(WIDTHS.loudness - 8, Math.max(8, AIM + (level - aim) * UNIT));

/** How wide a waveform is at a value of 0 … 255, as a share. A voice is near the top most of the time, and what lies
 * under it far below: each is drawn so that its own ups and downs are seen. */
export const wide = (value: number, role: Role) => (value / 255) ** (role === "voice" ? 4 : 1.6);

/** How tense the music is, from not at all at the left to wholly at the right. */
const CALM = 12;
const WHOLLY = WIDTHS.tension - 12;
export const tensionX = (level: number) => CALM + level * (WHOLLY - CALM);
export const tensionAtX = (x: number) => Math.min(1, Math.max(0, (x - CALM) / (WHOLLY - CALM)));
