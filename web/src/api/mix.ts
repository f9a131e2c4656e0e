/** The film's sound as it was measured. */
import { useQuery } from "@tanstack/react-query";

import { type Film, type Schemas, api, unwrap } from "./client";

/** Asked for again when the sound is another, or when a run has ended that may have mixed it. */
export const useMix = (film: Film, run: string) =>
  useQuery({
    queryKey: ["mix", film.id, film.revision, film.preview, run],
    queryFn: async () =>
      unwrap<Schemas["MixView"]>(
        await api.GET("/api/films/{film}/mix", { params: { path: { film: film.id } } }),
      ),
  });
