/** The maker's own voice: for a line, and for the whole story, through which the text is followed. */
import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";

import { type Film, type Schemas, api, unwrap } from "./client";
import { failed } from "./film";

export type Narration = Schemas["NarrationView"];

const PATIENCE = 900;

/** The recordings of the story, and what was found in each: asked for anew when the last `run` through one is in another
 * state, and while it is `going`. */
export const useNarrations = (film: Film, run: string, going: boolean) =>
  useQuery({
    queryKey: ["narrations", film.id, film.revision, run],
    refetchInterval: going ? PATIENCE : false,
    queryFn: async () =>
      unwrap<Narration[]>(
        await api.GET("/api/films/{film}/narrations", { params: { path: { film: film.id } } }),
      ),
    placeholderData: keepPreviousData,
  });

/** How many lines are recorded, and how many of them are as clean as is wished. */
export const useCleaning = (film: Film) =>
  useQuery({
    queryKey: ["cleaning", film.id, film.revision, film.preview],
    queryFn: async () =>
      unwrap<Schemas["Cleaned"]>(
        await api.GET("/api/films/{film}/cleaning", { params: { path: { film: film.id } } }),
      ),
    placeholderData: keepPreviousData,
  });

/** Sends a file, and gives what came of it. */
async function sent<T>(where: string, file: File): Promise<T> {
  const body = new FormData();
  body.append("file", file, file.name);
  const response = await fetch(where, { method: "POST", body });
  const data = (await response.json()) as T;
  return unwrap<T>({ data, error: data, response });
}

export const useBringNarration = (film: string) =>
  useMutation({
    mutationFn: (file: File) => sent<Schemas["Narration"]>(`/api/films/${film}/narrations`, file),
    onError: failed(film),
  });

/** Keeps the maker's own voice for a line; it is used once the line says so. */
export const useRecord = (film: string) =>
  useMutation({
    mutationFn: ({ line, file }: { line: number; file: File }) =>
      sent<Schemas["Recorded"]>(`/api/films/${film}/lines/${line}/recording`, file),
    onError: failed(film),
  });

/** Takes the words of a lexicon; the film tells of the change by itself. */
export const useTakeLexicon = (film: string) =>
  useMutation({
    mutationFn: (file: File) => sent<Schemas["LexiconTaken"]>(`/api/films/${film}/lexicon`, file),
    onError: failed(film),
  });

export type SsmlTaken = Schemas["SsmlView"];

/** Takes what an SSML file says of the film's words. */
export const useTakeSsml = (film: string) =>
  useMutation({
    mutationFn: (file: File) => sent<SsmlTaken>(`/api/films/${film}/ssml`, file),
    onError: failed(film),
  });
