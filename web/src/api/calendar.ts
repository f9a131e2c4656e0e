/** What is due when. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { Problem, type Schemas, api, unwrap } from "./client";
import { keys } from "./queries";
import { notify } from "../state/notices";

export type Due = Schemas["DueView"];
const CALENDAR = ["calendar"] as const;

export const useCalendar = () =>
  useQuery({
    queryKey: CALENDAR,
    queryFn: async () => unwrap<Due[]>(await api.GET("/api/calendar")),
    refetchInterval: 10_000,
  });

export function useSetDue() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ film, due }: { film: string; due: string | null }) =>
      unwrap<Due[]>(
        await api.PUT("/api/films/{film}/due", { params: { path: { film } }, body: { due } }),
      ),
    onSuccess: (due) => {
      client.setQueryData(CALENDAR, due);
      void client.invalidateQueries({ queryKey: keys.shelf });
    },
    onError: (error: Error) =>
      notify(error instanceof Problem ? error.message : "The server does not answer; try again."),
  });
}
