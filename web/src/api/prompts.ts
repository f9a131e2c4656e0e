/** Prompts beside the picture's, and pictures brought back from outside tools. */
import { useMutation, useQuery } from "@tanstack/react-query";

import { notify } from "../state/notices";
import { type Delta, Problem, type Schemas, type Shot, api, unwrap } from "./client";
import { show, stateOf } from "./opening";

export type Prompts = Schemas["PromptsView"];
export type Brought = Schemas["BroughtView"];
export type Placed = Schemas["Placed"];

export const usePrompts = (film: string, shot: number, revision: number) =>
  useQuery({
    queryKey: ["prompts", film, shot, revision],
    placeholderData: (before) => before,
    enabled: shot > 0,
    queryFn: async () =>
      unwrap<Prompts>(
        await api.GET("/api/films/{film}/shots/{shot}/prompts", {
          params: { path: { film, shot } },
        }),
      ),
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
  return useMutation({
    mutationFn: async (pictures: Placed[]) =>
      unwrap<Delta>(
        await api.POST("/api/films/{film}/brought/place", {
          params: { path: { film }, query: { since: stateOf(film) } },
          body: { pictures },
        }),
      ),
    onSuccess: (delta) => show(film, delta),
    onError: (error: Error) => notify(error.message),
  });
}

export type PromptKind = "picture" | "motion" | "direction" | "sound";

/** Copies a prompt of a shot, and says so. */
export async function copyPrompt(film: string, shot: Shot, kind: PromptKind): Promise<void> {
  try {
    const others =
      kind === "picture"
        ? null
        : unwrap<Prompts>(
            await api.GET("/api/films/{film}/shots/{shot}/prompts", {
              params: { path: { film, shot: shot.id } },
            }),
          );
    const text = kind === "picture" ? shot.prompt : others![kind].text;
    if (!text) return notify(`Shot ${shot.edge} has no ${kind} prompt.`);
    await navigator.clipboard.writeText(text);
    notify(`The ${kind} prompt of shot ${shot.edge} is copied.`);
  } catch (error) {
    notify(
      error instanceof Problem
        ? error.message
        : "The browser did not let it be copied. Mark the words and copy them.",
    );
  }
}
