/** Addresses outside that are told when something is ready. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { type Schemas, api, unwrap } from "./client";

export type Told = Schemas["ToldView"];
const TOLD = ["told"] as const;

/** Looked at more often while something is still to be told. */
export const useTold = () =>
  useQuery({
    queryKey: TOLD,
    queryFn: async () => unwrap<Told[]>(await api.GET("/api/told")),
    refetchInterval: (query) => (query.state.data?.some((t) => t.waits) ? 1_500 : 20_000),
  });

/** Every change answers with all addresses; a new one has its secret in it, this once. */
function useToldChange<T>(ask: (wanted: T) => Promise<Told[]>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ask,
    onSuccess: (told) => client.setQueryData(TOLD, told),
  });
}

export const useAddTold = () =>
  useToldChange<string>(async (address) =>
    unwrap(await api.POST("/api/told", { body: { address } })),
  );

export const useDropTold = () =>
  useToldChange<string>(async (id) =>
    unwrap(await api.DELETE("/api/told/{id}", { params: { path: { id } } })),
  );

export const useTryTold = () =>
  useToldChange<string>(async (id) =>
    unwrap(await api.POST("/api/told/{id}/try", { params: { path: { id } } })),
  );
