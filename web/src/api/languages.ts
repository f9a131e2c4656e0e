/** A film in other languages: its cuts by language, what is translated, tables that go out and come back. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { type Film, type Schemas, api, unwrap } from "./client";
import { failed } from "./film";
import { keys } from "./queries";
import { notify } from "../state/notices";

export type Translation = Schemas["TranslationView"];
export type TranslatedRow = Schemas["TranslatedRow"];
export type ShownRow = Schemas["ShownRow"];
type Cut = Schemas["CutView"];
type Taken = Schemas["TableTaken"];

export const useLanguages = (film: Film) =>
  useQuery({
    queryKey: ["languages", film.id, film.revision, film.preview],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Schemas["LanguagesView"]>(
        await api.GET("/api/films/{film}/languages", { params: { path: { film: film.id } } }),
      ),
  });

export const useTranslation = (film: Film) =>
  useQuery({
    queryKey: ["translation", film.id, film.revision, film.preview],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Translation>(
        await api.GET("/api/films/{film}/translation", { params: { path: { film: film.id } } }),
      ),
  });

/** Keeps the film in another language. */
export function useKeepInLanguage(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (body: Schemas["LanguageWish"]) =>
      unwrap<Cut>(
        await api.POST("/api/films/{film}/languages", { params: { path: { film } }, body }),
      ),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: ["cuts"] });
      void client.invalidateQueries({ queryKey: ["languages"] });
      void client.invalidateQueries({ queryKey: keys.shelf });
    },
    onError: failed(film),
  });
}

/** Takes over what the original has by now. */
export function useFollow(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async () =>
      unwrap(await api.POST("/api/films/{film}/follow", { params: { path: { film } } })),
    onSuccess: () => void client.invalidateQueries({ queryKey: keys.film(film) }),
    onError: failed(film),
  });
}

/** Brings a table that was filled in. */
export function useBringTable(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (file: File) => {
      const body = new FormData();
      body.append("file", file);
      const response = await fetch(`/api/films/${film}/translation`, { method: "POST", body });
      const data = (await response.json()) as Taken;
      return unwrap<Taken>({ data, error: data, response });
    },
    onSuccess: (taken) => {
      notify(saidOf(taken));
      void client.invalidateQueries({ queryKey: keys.film(film) });
    },
    onError: failed(film),
  });
}

/** What became of a table, in a sentence. */
export function saidOf(taken: Taken): string {
  const parts = [`${taken.taken} ${taken.taken === 1 ? "passage" : "passages"} taken`];
  if (taken.same) parts.push(`${taken.same} as they were`);
  if (taken.empty) parts.push(`${taken.empty} still empty`);
  const left = taken.left.length
    ? ` Left, since the film does not say it (any more): “${taken.left.slice(0, 3).join("”, “")}”${taken.left.length > 3 ? " and others" : ""}.`
    : "";
  return `${parts.join(", ")}.${left}`;
}
