/** Files of the maker's own that a film keeps: faces, look-up tables, pictures. */
import { useMutation } from "@tanstack/react-query";

import { type Command, type Schemas, unwrap } from "./client";
import { failed, useChange } from "./film";

/** Has a file looked at by the server, then kept in the film by the change that it asks for. */
function useBring<T>(film: string, where: string, kept: (found: T) => Command) {
  const change = useChange(film);
  return useMutation({
    mutationFn: async (file: File) => {
      const body = new FormData();
      body.append("file", file);
      const response = await fetch(`/api/films/${film}/${where}`, { method: "POST", body });
      const data = (await response.json()) as T;
      const found = unwrap<T>({ data, error: data, response });
      await change.mutateAsync(kept(found));
      return found;
    },
    onError: failed(film),
  });
}

/** A face (TTF, OTF). */
export const useBringFace = (film: string) =>
  useBring<Schemas["OwnFace"]>(film, "faces", (face) => ({ type: "keep face", ...face }));

/** A look-up table (.cube). */
export const useBringTable = (film: string) =>
  useBring<Schemas["OwnTable"]>(film, "tables", (table) => ({ type: "keep table", table }));

/** A picture to be laid over others, or to be the film's mark. */
export const useBringPicture = (film: string) =>
  useBring<Schemas["LaidPicture"]>(film, "own-pictures", (picture) => ({
    type: "keep picture",
    picture,
  }));
