/** Wishes for a whole film, said in plain words. */
import { useMutation } from "@tanstack/react-query";

import { type Schemas, api, unwrap } from "./client";
import { failed } from "./film";

export type Understood = Schemas["UnderstoodView"];

/** What a wish comes to; nothing is changed by asking. */
export const useWish = (film: string) =>
  useMutation({
    mutationFn: async (words: string) =>
      unwrap<Understood>(
        await api.POST("/api/films/{film}/wishes", {
          params: { path: { film } },
          body: { words },
        }),
      ),
    onError: failed(film),
  });
