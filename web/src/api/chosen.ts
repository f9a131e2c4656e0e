/** Shots that some words choose. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { api, type Film, type Schemas, unwrap } from "./client";

type Chosen = Schemas["ShotsChosenView"];

export const useChosenBy = (film: Film, words: string): Chosen | undefined =>
  useQuery({
    queryKey: ["chosen by", film.id, words, film.revision],
    queryFn: async () =>
      unwrap<Chosen>(
        await api.GET("/api/films/{film}/chosen", {
          params: { path: { film: film.id }, query: { words } },
        }),
      ),
    enabled: words.trim() !== "",
    placeholderData: keepPreviousData,
  }).data;
