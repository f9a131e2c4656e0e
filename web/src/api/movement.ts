/** How a shot moves: asked for anew whenever anything seen or heard of its film changes. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { type Film, type Schemas, api, unwrap } from "./client";

export type Movement = Schemas["MovementView"];
export type Path = Schemas["OwnPath"];
export type PathFrame = Schemas["PathFrame"];
export type Act = Schemas["ActView"];
export type Region = Schemas["RegionView"];

/** Regions as they are set: without what is only told of them. */
export const setOf = (regions: readonly Region[]) =>
  regions.map(({ id, name, mask, take, move, who }) => ({ id, name, mask, take, move, who }));

/** The actions that some words mean. */
export const actionsTold = async (words: string, of: "person" | "animal") =>
  unwrap<string[]>(await api.GET("/api/actions/told", { params: { query: { words, of } } }));

export const useMovement = (film: Film, shot: number) =>
  useQuery({
    queryKey: ["movement", film.id, shot, film.preview],
    queryFn: async () =>
      unwrap<Movement>(
        await api.GET("/api/films/{film}/shots/{shot}/movement", {
          params: { path: { film: film.id, shot } },
        }),
      ),
    placeholderData: keepPreviousData,
  });

export const useActions = () =>
  useQuery({
    queryKey: ["actions"],
    staleTime: Infinity,
    queryFn: async () => unwrap<Schemas["ActionView"][]>(await api.GET("/api/actions")),
  });

export const useWorth = (film: Film) =>
  useQuery({
    queryKey: ["worth", film.id, film.revision],
    queryFn: async () =>
      unwrap<Schemas["WorthView"][]>(
        await api.GET("/api/films/{film}/worth", { params: { path: { film: film.id } } }),
      ),
    placeholderData: keepPreviousData,
  });

interface Wish {
  count: number;
  high: number;
  camera?: boolean;
}

/** Where frames of a shot are, in rows of eight; another version of the film has another address. */
export const framesAt = (film: Film, shot: number, { count, high, camera }: Wish) =>
  `/api/films/${film.id}/shots/${shot}/frames?count=${count}&high=${high}` +
  `${camera ? "&camera=true" : ""}&of=${film.preview}`;
