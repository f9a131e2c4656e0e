/** The film's sound as it is mixed and measured, and its blocks to look at and to hear. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { type Film, type Schemas, api, unwrap } from "./client";

export type Mix = Schemas["MixView"];
export type HardLine = Schemas["HardLine"];
export type Lane = Schemas["LaneChoice"]["lane"];
export type Role = "voice" | "spot" | "ambience" | "music";

export interface Block {
  wave: Partial<Record<Role, number[]>>;
  gives: Partial<Record<Role, number[]>>;
}

const AGAIN = 1_500;

/** Asked for again when the sound is another, while it is being measured, and when a run has ended that may have made
 * some of it. */
export const useMix = (film: Film, run = "") =>
  useQuery({
    queryKey: ["mix", film.id, film.revision, film.preview, run],
    queryFn: async () =>
      unwrap<Mix>(await api.GET("/api/films/{film}/mix", { params: { path: { film: film.id } } })),
    placeholderData: keepPreviousData,
    refetchInterval: (query) => (query.state.data?.measured === false ? AGAIN : false),
  });

/** A block to look at. While another takes its place, it stays as it was. */
export const useBlock = (film: string, number: number, key: string) =>
  useQuery({
    queryKey: ["mix block", film, number, key],
    queryFn: async () =>
      unwrap<Block>(
        await api.GET("/api/films/{film}/mix/blocks/{number}/{key}", {
          params: { path: { film, number, key } },
        }),
      ),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  }).data;

/** Where a block is heard, with some of its lanes; `version` is of the film's sound. */
export function soundOf(film: string, number: number, roles: readonly Role[], version: string) {
  const asked = new URLSearchParams(roles.map((r) => ["lanes", r]));
  asked.append("version", version);
  return `/api/films/${film}/mix/sound/${number}?${asked}`;
}
