/** Plates that the words of a shot give a reason for. */
import { useQuery } from "@tanstack/react-query";

import { type Schemas, api, unwrap } from "./client";

export type Plate = Schemas["Plate"];
export type PlateRow = Schemas["PlateRow"];
type Proposed = Schemas["ProposedView"];

export const useProposedPlates = (film: string, shot: number, text: string) =>
  useQuery({
    queryKey: ["plates", film, shot, text],
    queryFn: async () =>
      unwrap<Proposed[]>(
        await api.GET("/api/films/{film}/shots/{shot}/plates", {
          params: { path: { film, shot } },
        }),
      ),
    staleTime: Infinity,
  });
