/** Batches: stories that become films one after another while nobody looks. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { Problem, type Schemas, api, unwrap } from "./client";
import { keys } from "./queries";
import { notify } from "../state/notices";

export type Batch = Schemas["BatchView"];
export type BatchFilm = Schemas["BatchFilmView"];
export type StoryTold = Schemas["StoryTold"];
type Found = Schemas["FoundStories"];

const BATCHES = ["batches"] as const;

const said = (error: Error) =>
  notify(error instanceof Problem ? error.message : "The server does not answer; try again.");

export const useBatches = () =>
  useQuery({
    queryKey: BATCHES,
    queryFn: async () => unwrap<Batch[]>(await api.GET("/api/batches")),
    refetchInterval: 4_000,
  });

/** The stories in some files; those that hold none are said, and left. */
export const useFindStories = () =>
  useMutation({
    mutationFn: async (files: File[]) => {
      const out: { story: StoryTold; words: number }[] = [];
      const left: string[] = [];
      for (const file of files) {
        const body = new FormData();
        body.append("file", file);
        const response = await fetch("/api/batches/stories", { method: "POST", body });
        const data = (await response.json()) as Found;
        try {
          const found = unwrap<Found>({ data, error: data, response });
          found.stories.forEach((story, n) => out.push({ story, words: found.words[n] ?? 0 }));
        } catch (error) {
          left.push(`${file.name}: ${error instanceof Problem ? error.message : "unreadable"}`);
        }
      }
      if (left.length) notify(`Left out: ${left.slice(0, 3).join(" ")}`);
      return out;
    },
    onError: said,
  });

export function useBeginBatch() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (body: Schemas["BatchWish"]) =>
      unwrap<Batch>(await api.POST("/api/batches", { body })),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: BATCHES });
      void client.invalidateQueries({ queryKey: keys.shelf });
    },
    onError: said,
  });
}

type Deed =
  | { do: "stop"; batch: string }
  | { do: "drop"; batch: string }
  | { do: "go on"; batch: string; most: number | null; until: string | null }
  | { do: "looked"; batch: string; film: string };

/** What is done to a batch: stopped, allowed to go on, forgotten; a film of it looked over and delivered. */
export function useBatchDeed() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (deed: Deed) => {
      const path = { batch: deed.batch };
      if (deed.do === "stop") {
        unwrap(await api.POST("/api/batches/{batch}/stop", { params: { path } }));
      } else if (deed.do === "drop") {
        unwrap(await api.DELETE("/api/batches/{batch}", { params: { path } }));
      } else if (deed.do === "go on") {
        const body = { most: deed.most, until: deed.until };
        unwrap(await api.PUT("/api/batches/{batch}", { params: { path }, body }));
      } else {
        const of = { ...path, film: deed.film };
        unwrap(
          await api.POST("/api/batches/{batch}/films/{film}/looked", { params: { path: of } }),
        );
      }
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: BATCHES }),
    onError: said,
  });
}
