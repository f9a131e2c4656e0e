/** Sounds and music of the maker's own. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { type Schemas, api, unwrap } from "./client";
import { failed } from "./film";

export type OwnSound = Schemas["OwnSound"];

export interface Bringing {
  file: File;
  licence: string;
  credit: string;
}

const SHELF = ["own sounds"];

/** All sounds that were ever brought, for whatever film. */
export const useShelf = () =>
  useQuery({
    queryKey: SHELF,
    queryFn: async () => unwrap<OwnSound[]>(await api.GET("/api/sounds")),
  });

/** Reads a file; what is found in it is kept by a change. */
export function useBringSound(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ file, licence, credit }: Bringing) => {
      const body = new FormData();
      body.append("file", file);
      body.append("licence", licence);
      body.append("credit", credit);
      const response = await fetch(`/api/films/${film}/sounds`, { method: "POST", body });
      const data = (await response.json()) as OwnSound;
      return unwrap<OwnSound>({ data, error: data, response });
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: SHELF }),
    onError: failed(film),
  });
}
