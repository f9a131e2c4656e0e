/** Screening: notes, and what is agreed, where they stand in the film as it is now. */
import { useQuery } from "@tanstack/react-query";

import { type Film, type Schemas, api, unwrap } from "./client";

export type PlacedNote = Schemas["NoteView"];
export type ScreenedScene = Schemas["ScreenedView"];
type Screening = Schemas["ScreeningView"];

const NONE: Screening = { notes: [], scenes: [] };

export const useScreening = (film: Film): Screening =>
  useQuery({
    queryKey: ["screening", film.id, film.revision, film.preview],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Screening>(
        await api.GET("/api/films/{film}/screening", { params: { path: { film: film.id } } }),
      ),
  }).data ?? NONE;
