/** Cuts: one film, several arrangements of it beside each other. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { type Film, Problem, type Schemas, api, unwrap } from "./client";
import { keys } from "./queries";
import { notify } from "../state/notices";

type Cut = Schemas["CutView"];
export type CutDifference = Schemas["DifferenceView"];

export const useCuts = (film: Film): Cut[] =>
  useQuery({
    queryKey: ["cuts", film.id, film.revision],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Cut[]>(
        await api.GET("/api/films/{film}/cuts", { params: { path: { film: film.id } } }),
      ),
  }).data ?? [];

/** What another cut has otherwise, as it is at its `revision`; undefined while that is not known. */
export const useDifferences = (film: Film, other: string, revision: number | undefined) =>
  useQuery({
    queryKey: ["cut differences", film.id, film.revision, other, revision],
    enabled: revision !== undefined,
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<CutDifference[]>(
        await api.GET("/api/films/{film}/cuts/{other}/differences", {
          params: { path: { film: film.id, other } },
        }),
      ),
  });

/** A part of a film that is to be a cut of its own; its shape where that is to be another. */
export type Part = Omit<Schemas["ExcerptWanted"], "name">;

/** Keeps the film as it is, or a part of it, as a cut with a name. */
export function useKeepCut(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ name, part }: { name: string; part: Part | null }) =>
      part
        ? unwrap<Cut>(
            await api.POST("/api/films/{film}/excerpts", {
              params: { path: { film } },
              body: { name, ...part },
            }),
          )
        : unwrap<Cut>(
            await api.POST("/api/films/{film}/cuts", {
              params: { path: { film } },
              body: { name },
            }),
          ),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: ["cuts"] });
      void client.invalidateQueries({ queryKey: keys.shelf });
    },
    onError: (error: Error) =>
      notify(error instanceof Problem ? error.message : "The server does not answer; try again."),
  });
}
