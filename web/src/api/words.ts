/** How well the words on the screen can be read. */
import { useQuery } from "@tanstack/react-query";

import { api, type Film, type Schemas, type Shot, unwrap } from "./client";

type Read = Schemas["WordsReadView"];

/** Measured on the frames of a shot, anew whenever the film changed. */
export const useWordsRead = (film: Film, shot: Shot): Read | undefined =>
  useQuery({
    queryKey: ["words read", film.id, shot.id, film.revision],
    queryFn: async () =>
      unwrap<Read>(
        await api.GET("/api/films/{film}/shots/{shot}/words", {
          params: { path: { film: film.id, shot: shot.id } },
        }),
      ),
    staleTime: Infinity,
  }).data;
