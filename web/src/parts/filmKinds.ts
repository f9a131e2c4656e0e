/** What the kinds of film are called. */
import type { Schemas } from "../api/client";

export type FilmKind = NonNullable<Schemas["Settings"]["kind"]>;

export const FILM_KINDS: Record<FilmKind, string> = {
  story: "a story",
  documentary: "a documentary",
  comic: "a comic film",
  sleep: "a sleep story",
};
