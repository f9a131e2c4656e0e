/** How lines are said: asked for anew whenever anything seen or heard of the film changes; voices by description. */
import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";

import { type Film, type Schemas, api, unwrap } from "./client";
import { failed, useOffers } from "./film";

export type LineSaid = Schemas["LineSaid"];
export type Heard = Schemas["Heard"];
export type Voice = Schemas["Voice"];

export const useLineSaid = (film: Film, line: number) =>
  useQuery({
    queryKey: ["line", film.id, line, film.revision, film.preview],
    queryFn: async () =>
      unwrap<LineSaid>(
        await api.GET("/api/films/{film}/lines/{line}", {
          params: { path: { film: film.id, line } },
        }),
      ),
    placeholderData: keepPreviousData,
  });

const PATIENCE = 120;
/** A line as some voices say it, as far as they did. What was asked for is looked for until all have said it, and not
 * for ever: one may have been refused. */
export const useHeard = (film: Film, line: number, voices: readonly string[], asked: boolean) =>
  useQuery({
    queryKey: ["heard", film.id, line, voices, film.revision, asked],
    enabled: voices.length > 0,
    refetchInterval: ({ state }) =>
      asked && state.dataUpdateCount < PATIENCE && !state.data?.every((h) => h.media) ? 700 : false,
    queryFn: async () =>
      unwrap<Heard[]>(
        await api.GET("/api/films/{film}/lines/{line}/heard", {
          params: { path: { film: film.id, line }, query: { voice: [...voices] } },
        }),
      ),
    placeholderData: keepPreviousData,
  });

/** What some longest pauses (null: as spoken) save in the film. */
export const useDeadAir = (film: Film, comma: number | null, stop: number | null) =>
  useQuery({
    queryKey: ["dead air", film.id, film.revision, film.preview, comma, stop],
    queryFn: async () =>
      unwrap<Schemas["DeadAir"]>(
        await api.GET("/api/films/{film}/dead-air", {
          params: { path: { film: film.id }, query: { comma, stop } },
        }),
      ),
    placeholderData: keepPreviousData,
  });

export const useMakeVoices = (film: string) =>
  useMutation({
    mutationFn: async (body: { description: string; seed: number }) =>
      unwrap<Schemas["DescribedVoices"]>(
        await api.POST("/api/films/{film}/voices", { params: { path: { film } }, body }),
      ),
    onError: failed(film),
  });

export const asVoice = (kept: Schemas["OwnVoice"], says = kept.description ?? ""): Voice => ({
  name: kept.voice,
  title: kept.name,
  pronoun: kept.pronoun ?? "she",
  age: kept.age ?? "adult",
  length: kept.length ?? 1,
  pitch: kept.pitch ?? null,
  brightness: kept.brightness ?? null,
  says,
  language: "en",
});

/** All voices of a film: those that are offered, and those that were made for it and kept. */
export function useVoices(film: Film): Voice[] {
  const offered = (useOffers().data ?? []).flatMap((o) => o.voices);
  const kept = film.voices.map((v) => asVoice(v));
  return [...kept, ...offered];
}

/** What a machine's ear found in the spoken lines; asked for anew when the last `run` of listening is in another state. */
export const useByEar = (film: Film, run: string) =>
  useQuery({
    queryKey: ["by ear", film.id, film.revision, film.preview, run],
    queryFn: async () =>
      unwrap<Schemas["ByEar"]>(
        await api.GET("/api/films/{film}/by-ear", { params: { path: { film: film.id } } }),
      ),
    placeholderData: keepPreviousData,
  });

/** Figures, dates, money and short forms of the film, with how each is read. */
export const useFigures = (film: Film) =>
  useQuery({
    queryKey: ["figures", film.id, film.revision],
    queryFn: async () =>
      unwrap<Schemas["Figure"][]>(
        await api.GET("/api/films/{film}/figures", { params: { path: { film: film.id } } }),
      ),
    placeholderData: keepPreviousData,
  });

export type NameSaid = Schemas["NameView"];

/** Names and rare words, and how each is said; those that are in no dictionary first. */
export const useNames = (film: Film) =>
  useQuery({
    queryKey: ["names", film.id, film.revision, film.preview],
    queryFn: async () =>
      unwrap<NameSaid[]>(
        await api.GET("/api/films/{film}/names", { params: { path: { film: film.id } } }),
      ),
    placeholderData: keepPreviousData,
  });
