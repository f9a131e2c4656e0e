/** Faces of the maker's own. */
import { useMutation } from "@tanstack/react-query";

import { type Schemas, unwrap } from "./client";
import { failed, useChange } from "./film";

type OwnFace = Schemas["OwnFace"];

/** Reads a face (TTF, OTF) and keeps it in the film. */
export function useBringFace(film: string) {
  const change = useChange(film);
  return useMutation({
    mutationFn: async (file: File) => {
      const body = new FormData();
      body.append("file", file);
      const response = await fetch(`/api/films/${film}/faces`, { method: "POST", body });
      const data = (await response.json()) as OwnFace;
      const face = unwrap<OwnFace>({ data, error: data, response });
      await change.mutateAsync({ type: "keep face", name: face.name, media: face.media });
      return face;
    },
    onError: failed(film),
  });
}
