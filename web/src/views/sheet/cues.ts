/** How cues are wanted, moved and copied. */
import type { Cue, Film, Shot } from "../../api/client";
import { type Anchor, anchored } from "../../parts/anchor";

export type Shape = Omit<NonNullable<Cue["choice"]>, "id">;
export const PLAIN: Shape = { later: 0, gain: 0, pan: 0, near: 0, seed: 0, takes: 1 };
/** Frames that a sound may lie off its word. */
export const FARTHEST = 240;

export const shapeOf = (cue: Cue): Shape => ({ ...PLAIN, ...cue.choice });

/** The change that puts a spot on a word, so many frames behind its beginning; or another like it there. */
export function put(cue: Cue, to: Anchor, copied: boolean) {
  const later = Math.min(FARTHEST, Math.max(-FARTHEST, to.later));
  const now = shapeOf(cue);
  if (!copied)
    return { type: "set cue", cue: { ...now, word: to.word, later, id: cue.id } } as const;
  return placed(cue, [to.word], later);
}

/** The change that places the same sound on some words. */
export function placed(cue: Cue, words: readonly number[], later = 0) {
  const now = shapeOf(cue);
  return {
    type: "place cues",
    cues: words.map((word) => ({
      id: 0,
      kind: cue.kind === "ambience" ? ("ambience" as const) : ("spot" as const),
      prompt: now.prompt ?? cue.prompt,
      word,
      own: now.own ?? null,
    })),
    shaped: { ...now, id: cue.id, word: null, prompt: null, own: null, later },
  } as const;
}

/** The change that moves a spot by a word. */
export function byWord(film: Film, cue: Cue, by: number) {
  const at = film.words.findIndex((w) => w[2] === cue.word);
  const word = film.words[at + by];
  return at >= 0 && word ? put(cue, { word: word[2], later: 0 }, false) : null;
}

/** The change that moves a sound by frames. */
export function byFrames(cue: Cue, by: number) {
  const now = shapeOf(cue);
  const later = Math.min(FARTHEST, Math.max(-FARTHEST, now.later + by));
  return { type: "set cue", cue: { ...now, later, id: cue.id } } as const;
}

/** The word at a moment of the film. */
export const wordThere = (film: Film, frame: number, moments: readonly number[]) =>
  anchored(frame, moments, film.words);

/** The first word of a shot; shots without words have none. */
export const firstWord = (film: Film, shot: Shot): number | null =>
  shot.end > shot.first ? (film.words[shot.first]?.[2] ?? null) : null;
