/** Look-up tables of the maker's own. */
import { useMutation } from "@tanstack/react-query";

import { type Schemas, unwrap } from "./client";
import { failed, useChange } from "./film";

type OwnTable = Schemas["OwnTable"];

/** Reads a .cube file and keeps it in the film. */
export function useBringTable(film: string) {
  const change = useChange(film);
  return useMutation({
    mutationFn: async (file: File) => {
      const body = new FormData();
      body.append("file", file);
      const response = await fetch(`/api/films/${film}/tables`, { method: "POST", body });
      const data = (await response.json()) as OwnTable;
      const table = unwrap<OwnTable>({ data, error: data, response });
      await change.mutateAsync({ type: "keep table", table });
      return table;
    },
    onError: failed(film),
  });
}
