/** Sounds and music of the maker's own. */
import { useMutation } from "@tanstack/react-query";

import { type Schemas, unwrap } from "./client";
import { failed } from "./film";

export type OwnSound = Schemas["OwnSound"];

export interface Bringing {
  file: File;
  licence: string;
  credit: string;
}

/** Reads a file; what is found in it is kept by a change. */
export const useBringSound = (film: string) =>
  useMutation({
    mutationFn: async ({ file, licence, credit }: Bringing) => {
      const body = new FormData();
      body.append("file", file);
      body.append("licence", licence);
      body.append("credit", credit);
      const response = await fetch(`/api/films/${film}/sounds`, { method: "POST", body });
      const data = (await response.json()) as OwnSound;
      return unwrap<OwnSound>({ data, error: data, response });
    },
    onError: failed(film),
  });
