/** Publishing: texts, chapters, thumbnails; a timeline that comes back from another program. */
import { useMutation, useQuery } from "@tanstack/react-query";

import { type Command, type Film, Problem, type Schemas, api, unwrap } from "./client";
import { notify } from "../state/notices";

export type Publishing = Schemas["PublishingView"];
export type Thumbnail = Schemas["Thumbnail"];
export type ThumbnailShape = "16:9" | "9:16" | "4:5" | "1:1";
type Measures = Schemas["ThumbnailMeasuresView"];
type Proposed = Schemas["ProposedThumbnails"];
export type BackChange = Omit<Schemas["BackChangeView"], "command"> & { command: Command | null };

export const usePublishing = (film: Film) =>
  useQuery({
    queryKey: ["publishing", film.id, film.revision, film.preview],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Publishing>(
        await api.GET("/api/films/{film}/publishing", { params: { path: { film: film.id } } }),
      ),
  });

/** What somebody could complain of, as far as it is known before a file is made. */
export const useReport = (film: Film) =>
  useQuery({
    queryKey: ["report", film.id, film.revision, film.preview],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Schemas["ReportFigure"][]>(
        await api.GET("/api/films/{film}/report", { params: { path: { film: film.id } } }),
      ),
  });

/** What the writer proposes for a text; nothing changes by it. */
export const useWrittenTexts = (film: Film) =>
  useMutation({
    mutationFn: async (body: Schemas["WrittenWish"]) =>
      unwrap<Schemas["WrittenTextsView"]>(
        await api.POST("/api/films/{film}/publishing/written", {
          params: { path: { film: film.id } },
          body,
        }),
      ),
    onError: (error) =>
      notify(error instanceof Problem ? error.message : "The server does not answer; try again."),
  });

export const useProposedThumbnails = (film: Film) =>
  useQuery({
    queryKey: ["thumbnails", film.id, film.preview, film.thumbnail_pictures.map((p) => p.media)],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Proposed>(
        await api.GET("/api/films/{film}/thumbnails", { params: { path: { film: film.id } } }),
      ),
  });

/** What a picture for a thumbnail is asked for with, where it begins with a shot. */
export const useThumbnailPrompt = (film: Film, shot: number, shape: ThumbnailShape) =>
  useQuery({
    queryKey: ["thumbnail prompt", film.id, film.revision, shot, shape],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Schemas["ThumbnailPromptView"]>(
        await api.GET("/api/films/{film}/thumbnails/prompt", {
          params: { path: { film: film.id }, query: { shot, shape } },
        }),
      ),
  });

export const useThumbnailMeasures = (film: Film, told: Thumbnail, shape: ThumbnailShape) =>
  useQuery({
    queryKey: ["thumbnail measures", film.id, film.preview, told, shape],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Measures>(
        await api.POST("/api/films/{film}/thumbnails/measured", {
          params: { path: { film: film.id }, query: { shape } },
          body: told,
        }),
      ),
  });

/** Where a thumbnail is had as a picture. */
export const thumbnailAt = (film: Film, told: Thumbnail, shape: ThumbnailShape, wide?: number) =>
  `/api/films/${film.id}/thumbnail.jpg?${new URLSearchParams({
    told: JSON.stringify(told),
    shape,
    version: film.preview,
    ...(wide && { wide: String(wide) }),
  })}`;

export const useTimelineBack = (film: string) =>
  useMutation({
    mutationFn: async (text: string) =>
      unwrap<BackChange[]>(
        await api.POST("/api/films/{film}/timeline/back", {
          params: { path: { film } },
          body: { text },
        }),
      ),
    onError: (error: Error) =>
      notify(error instanceof Problem ? error.message : "The server does not answer; try again."),
  });
