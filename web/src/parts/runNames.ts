/** What a run makes, in words. */
import type { RunWish } from "../api/film";

const NAMES: Record<RunWish["kind"], string> = {
  pictures: "pictures",
  again: "a picture again",
  retouch: "a retouched picture",
  enlarge: "a picture enlarged",
  clips: "clips",
  references: "references",
  look: "three shots in a look",
  trial: "three shots on trial",
  speech: "voices",
  audition: "voices to choose from",
  listening: "a list of lines to hear again",
  narration: "lines of a recording",
  sounds: "sounds",
  everything: "the film",
  delivery: "a delivery",
  stems: "the sound as files",
  board: "a board",
  stills: "stills of all shots",
  "moving picture": "a stretch that moves",
  parts: "the parts",
  archive: "the film whole",
  translation: "a translation",
  thumbnail: "pictures for thumbnails",
};

export const nameOfRun = (kind: string) => (NAMES as Record<string, string>)[kind] ?? kind;
