/** Whether the captions of a film can be read in time. */
import { useQuery } from "@tanstack/react-query";

import { type Schemas, api, unwrap } from "./client";

export const useCaptionsRead = (film: string, revision: number, runs: string) =>
  useQuery({
    queryKey: ["captions read", film, revision, runs],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Schemas["CaptionsRead"]>(
        await api.GET("/api/films/{film}/captions/read", { params: { path: { film } } }),
      ),
  });
