/** Links for others: made, copied, withdrawn. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { Problem, type Schemas, api, unwrap } from "./client";
import { notify } from "../state/notices";

export type Links = Schemas["LinksView"];
export type Link = Schemas["LinkView"];

const key = (film: string) => ["links", film] as const;

export const useLinks = (film: string) =>
  useQuery({
    queryKey: key(film),
    refetchInterval: 20_000,
    queryFn: async () =>
      unwrap<Links>(await api.GET("/api/films/{film}/links", { params: { path: { film } } })),
  });

function useLinksChange<T>(film: string, ask: (wanted: T) => Promise<Links>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ask,
    onSuccess: (links) => client.setQueryData(key(film), links),
    onError: (error: Error) =>
      notify(error instanceof Problem ? error.message : "The server does not answer; try again."),
  });
}

export const useMakeLink = (film: string) =>
  useLinksChange<Schemas["LinkWanted"]>(film, async (body) =>
    unwrap(await api.POST("/api/films/{film}/links", { params: { path: { film } }, body })),
  );

export const useWithdraw = (film: string) =>
  useLinksChange<string>(film, async (link) =>
    unwrap(
      await api.DELETE("/api/films/{film}/links/{link}", { params: { path: { film, link } } }),
    ),
  );
