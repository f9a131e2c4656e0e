/** The one cache of server state, and the names of what is in it. */
import { QueryClient } from "@tanstack/react-query";

export const queryClient = new QueryClient({
  defaultOptions: { queries: { staleTime: 5_000, retry: 1, refetchOnWindowFocus: true } },
});

export const keys = {
  shelf: ["shelf"] as const,
  film: (id: string) => ["film", id] as const,
  /** The film as the server last answered a change, without what is shown ahead of it. */
  answered: (id: string) => ["answered", id] as const,
  runs: (id: string) => ["runs", id] as const,
  spending: (id: string) => ["spending", id] as const,
};
