/** Wishes for a whole film, said in plain words. */
import { useMutation, useQueryClient } from "@tanstack/react-query";

import { type Command, type Schemas, api, unwrap } from "./client";
import { failed } from "./film";

export type Understood = Schemas["UnderstoodView"];

/** What a wish comes to; nothing is changed by asking. */
export const useWish = (film: string) =>
  useMutation({
    mutationFn: async (wish: Schemas["Wish"]) =>
      unwrap<Understood>(
        await api.POST("/api/films/{film}/wishes", {
          params: { path: { film } },
          body: wish,
        }),
      ),
    onError: failed(film),
  });

/** Makes changes in a cut of its own, beside the film as it is; tells the cut. */
export function useMakeInCut(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ name, commands }: { name: string; commands: readonly Command[] }) => {
      const cut = unwrap<Schemas["CutView"]>(
        await api.POST("/api/films/{film}/cuts", {
          params: { path: { film } },
          body: { name },
        }),
      );
      const path = { film: cut.film };
      let { revision } = unwrap<Schemas["OpenedFilm"]>(
        await api.GET("/api/films/{film}", { params: { path } }),
      ).head;
      for (const command of commands) {
        const done = unwrap<Schemas["FilmDelta"]>(
          await api.POST("/api/films/{film}/changes", {
            params: { path },
            body: { revision, command },
          }),
        );
        revision = done.head?.revision ?? revision + 1;
      }
      return cut;
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: ["cuts"] }),
    onError: failed(film),
  });
}
