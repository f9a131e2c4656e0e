/** Prompts beside the picture's, and pictures brought back from outside tools. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { notify } from "../state/notices";
import { type Film, type Schemas, api, unwrap } from "./client";
import { keys } from "./film";

export type Prompts = Schemas["PromptsView"];
export type Brought = Schemas["BroughtView"];
export type Placed = Schemas["Placed"];

export const usePrompts = (film: string, shot: number, revision: number) =>
  useQuery({
    queryKey: ["prompts", film, shot, revision],
    placeholderData: (before) => before,
    enabled: shot > 0,
    queryFn: async () => unwrap<Prompts>(await api.GET("/api/films/{film}/shots/{shot}/prompts", { params: { path: { film, shot } } })),
  });

export const useBringBack = (film: string) =>
  useMutation({
    mutationFn: async (files: File[]) => {
      const body = new FormData();
      for (const file of files) body.append("files", file);
      const response = await fetch(`/api/films/${film}/brought`, { method: "POST", body });
      const data = (await response.json()) as Brought[];
      return unwrap<Brought[]>({ data, error: data, response });
    },
    onError: (error: Error) => notify(error.message),
  });

export function usePlace(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (pictures: Placed[]) =>
      unwrap<Film>(await api.POST("/api/films/{film}/brought/place", { params: { path: { film } }, body: { pictures } })),
    onSuccess: (fresh) => client.setQueryData(keys.film(film), fresh),
    onError: (error: Error) => notify(error.message),
  });
}
