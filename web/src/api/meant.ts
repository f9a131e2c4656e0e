/** Whom the words of a manuscript mean. */
import { useQuery } from "@tanstack/react-query";

import { type Film, type Schemas, api, unwrap } from "./client";

export type Meant = Schemas["MeantView"];
export type Mention = Meant["mentions"][number];

/** The mentions of the film as it stands; those of before stay until the new ones are there. */
export const useMeant = (film: Film, wanted = true) =>
  useQuery({
    queryKey: ["meant", film.id, film.revision],
    enabled: wanted,
    queryFn: async () =>
      unwrap<Meant>(
        await api.GET("/api/films/{film}/meant", { params: { path: { film: film.id } } }),
      ),
    placeholderData: (before) => before,
  });
