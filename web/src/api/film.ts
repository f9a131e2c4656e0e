/** Server state: one film, its runs, its changes. View state lives elsewhere (see `state/`). */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";

import { notify } from "../state/notices";
import { ahead } from "./ahead";
import { askBeside, showBeside } from "./besideAhead";
import { lookedAt, show, stateOf, taken } from "./opening";
import {
  type Card,
  type Command,
  type CutPreview,
  type CutWish,
  type Delta,
  type Estimate,
  type Film,
  type Impact,
  type Look,
  type Offer,
  Problem,
  type Rules,
  type Schemas,
  type Run,
  type Spending,
  api,
  unwrap,
} from "./client";
import { keys, queryClient } from "./queries";
import type { paths } from "./schema";

export const useShelf = () =>
  useQuery({
    queryKey: keys.shelf,
    queryFn: async () => unwrap<Card[]>(await api.GET("/api/films")),
    refetchInterval: 4_000,
  });

export const useFilm = (id: string) =>
  useQuery({ queryKey: keys.film(id), queryFn: () => lookedAt(id) });

export const useRuns = (id: string) =>
  useQuery({
    queryKey: keys.runs(id),
    queryFn: async () =>
      unwrap<Run[]>(await api.GET("/api/films/{film}/runs", { params: { path: { film: id } } })),
  });

export const useSpending = (id: string) =>
  useQuery({
    queryKey: keys.spending(id),
    queryFn: async () =>
      unwrap<Spending>(
        await api.GET("/api/films/{film}/spending", { params: { path: { film: id } } }),
      ),
  });

export const useOffers = () =>
  useQuery({
    queryKey: ["offers"],
    queryFn: async () => unwrap<Offer[]>(await api.GET("/api/offers")),
    staleTime: 30_000,
  });

export const useLooks = () =>
  useQuery({
    queryKey: ["looks"],
    queryFn: async () => unwrap<Look[]>(await api.GET("/api/looks")),
    staleTime: Infinity,
  });

const NONE_YET: Rules = {
  kinds: {},
  aspects: [],
  framings: [],
  angles: [],
  times: [],
  weathers: [],
  seasons: [],
  moods: [],
  moves: [],
  airs: [],
  air_amounts: [],
  movements: [],
  fits: [],
  ways: [],
  paces: [],
  rooms: [],
  sizes: [],
  rates: [],
  captions: [],
  music: [],
  sounds: [],
  join_amounts: [],
  joins: [],
  patterns: [],
  eases: [],
  plates: [],
  insets: {
    borders: [],
    comes: [],
    arranged: [],
    most: 0,
    new: {
      media: "",
      name: "",
      shape: 1,
      x: 0.5,
      y: 0.5,
      size: 0.5,
      turn: 0,
      border: "print",
      comes: "fade",
      begin: 0,
      nearer: 0,
      keeps: "frame",
    },
  },
  marks: [],
  effect_amounts: [],
  effects: [],
  moments: [],
  grades: {},
  caption_styles: {},
  faces: [],
  caption_places: [],
  said_marks: [],
  titles: [],
  title_looks: {},
  title_comes: [],
  title_goes: [],
  words_keep: [],
  maker_corners: [],
  caption_lines: 0,
  loudness: [],
  true_peak: 0,
};

/** What may be chosen from, and what holds where nothing is chosen. */
export const useRules = (): Rules =>
  useQuery({
    queryKey: ["rules"],
    queryFn: async () => unwrap<Rules>(await api.GET("/api/rules")),
    staleTime: Infinity,
  }).data ?? NONE_YET;

/** All looks that a film can be drawn in: ours and its own. */
export const useLooksOf = (film: Film): Look[] => [...(useLooks().data ?? []), ...film.looks];

/** Shows a failure, and looks at the film again where somebody else was faster. */
export function failed(film: string) {
  return (error: Error) => {
    notify(
      error instanceof Problem
        ? error.message
        : "The server does not answer. What you did is not saved; try again.",
    );
    if (error instanceof Problem && error.status === 409)
      void queryClient.invalidateQueries({ queryKey: keys.film(film) });
  };
}

/** Numbers of shots by the provisional ones that the page gave them. */
const settled = new Map<string, number>();

/** The command with a provisional shot number replaced by the one that the server gave. */
function named(film: Film | undefined, command: Command): Command {
  if (!("shot" in command) || command.shot >= 0 || !film) return command;
  const key = `${film.id} ${command.shot}`;
  const known =
    settled.get(key) ??
    film.shots.find((s) => film.words[s.first]?.[2] === -command.shot && s.end > s.first)?.id;
  if (known === undefined) return command;
  settled.set(key, known);
  return { ...command, shot: known };
}

/** Sends commands one after another, each with the revision that the one before left behind. Cut marks and choices
 * show at once. */
export function useChange(film: string) {
  const client = useQueryClient();
  const mutationKey = ["change", film];
  return useMutation({
    mutationKey,
    scope: { id: `changes of ${film}` },
    onMutate: async (command: Command) => {
      await client.cancelQueries({ queryKey: keys.film(film) });
      client.setQueryData<Film>(keys.film(film), (before) =>
        before ? (ahead(before, command) ?? before) : before,
      );
      showBeside(client, film, command);
    },
    mutationFn: async (command: Command) => {
      const seen = client.getQueryData<Film>(keys.film(film));
      const known = client.getQueryData<Film>(keys.answered(film)) ?? seen;
      const delta = unwrap<Delta>(
        await api.POST("/api/films/{film}/changes", {
          params: { path: { film }, query: { since: stateOf(film) } },
          body: {
            revision: Math.max(seen?.revision ?? 0, known?.revision ?? 0),
            command: named(known, command),
          },
        }),
      );
      return taken(film, delta) ?? (await lookedAt(film));
    },
    onSuccess: (fresh) => {
      client.setQueryData(keys.answered(film), fresh);
      // While more changes wait, the page goes on showing them; the last answer brings everything.
      if (client.isMutating({ mutationKey }) <= 1) client.setQueryData(keys.film(film), fresh);
    },
    onError: (error: Error) => {
      failed(film)(error);
      void client.invalidateQueries({ queryKey: keys.film(film) });
      askBeside(client, film);
    },
  });
}

export function useHistory(film: string) {
  return useMutation({
    scope: { id: `changes of ${film}` },
    mutationFn: async (way: "undo" | "redo") =>
      unwrap<Delta>(
        await api.POST(way === "undo" ? "/api/films/{film}/undo" : "/api/films/{film}/redo", {
          params: { path: { film }, query: { since: stateOf(film) } },
        }),
      ),
    onSuccess: (delta) => show(film, delta),
    onError: failed(film),
  });
}

type Asked = paths["/api/films/{film}/runs"]["post"]["requestBody"]["content"]["application/json"];
type Wish<T> = T extends { kind: infer K } ? { kind: K } & Partial<Omit<T, "kind">> : never;

/** What a run is asked for: each kind has wishes of its own, and the server knows what is usual. */
export type RunWish = Wish<Asked>;

const bodyOf = (wish: RunWish) => wish as Asked;

export const useEstimate = (film: string, wish: RunWish, revision: number, enabled = true) =>
  useQuery({
    queryKey: ["estimate", film, wish, revision],
    enabled,
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Estimate>(
        await api.POST("/api/films/{film}/estimate", {
          params: { path: { film } },
          body: bodyOf(wish),
        }),
      ),
  });

export function useStart(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (wish: RunWish) =>
      unwrap<Run>(
        await api.POST("/api/films/{film}/runs", {
          params: { path: { film } },
          body: bodyOf(wish),
        }),
      ),
    onSuccess: () => void client.invalidateQueries({ queryKey: keys.runs(film) }),
    onError: failed(film),
  });
}

/** Tries at once what waits for a service or for a quota. */
export function useTryNow(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (run: string) =>
      unwrap<Run>(await api.POST("/api/runs/{run}/try-now", { params: { path: { run } } })),
    onSuccess: () => void client.invalidateQueries({ queryKey: keys.runs(film) }),
    onError: failed(film),
  });
}

/** Answers what a run asks: whether the second choice makes what the first can't. */
export function useAnswer(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ run, ...body }: { run: string; kind: string; second: boolean }) =>
      unwrap<Run>(
        await api.POST("/api/runs/{run}/answers", {
          params: { path: { run } },
          body: body as Schemas["AnswerWanted"],
        }),
      ),
    onSuccess: () => void client.invalidateQueries({ queryKey: keys.runs(film) }),
    onError: failed(film),
  });
}

/** Lets a run rest, or go on. */
export function useRest(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ run, paused }: { run: string; paused: boolean }) =>
      unwrap<Run>(
        paused
          ? await api.POST("/api/runs/{run}/pause", { params: { path: { run } } })
          : await api.POST("/api/runs/{run}/go-on", { params: { path: { run } } }),
      ),
    onSuccess: () => void client.invalidateQueries({ queryKey: keys.runs(film) }),
    onError: failed(film),
  });
}

/** Puts runs into the order in which they are to be made. */
export function useOrder(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (runs: string[]) =>
      unwrap<Run[]>(
        await api.PUT("/api/films/{film}/runs/order", {
          params: { path: { film } },
          body: { runs },
        }),
      ),
    onSuccess: (runs) => client.setQueryData(keys.runs(film), runs),
    onError: failed(film),
  });
}

export function useCancel(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (run: string) =>
      unwrap<Run>(await api.DELETE("/api/runs/{run}", { params: { path: { run } } })),
    onSuccess: () => void client.invalidateQueries({ queryKey: keys.runs(film) }),
    onError: failed(film),
  });
}

export function useBring(film: string) {
  return useMutation({
    mutationFn: async ({ shot, file }: { shot: number; file: File }) => {
      const body = new FormData();
      body.append("file", file);
      const since = new URLSearchParams({ since: stateOf(film) });
      const response = await fetch(`/api/films/${film}/shots/${shot}/takes?${since}`, {
        method: "POST",
        body,
      });
      const data = (await response.json()) as Delta;
      return unwrap<Delta>({ data, error: data, response });
    },
    onSuccess: (delta) => show(film, delta),
    onError: failed(film),
  });
}

/** Keeps what was marked in a take's picture. */
export const useMask = (film: string) =>
  useMutation({
    mutationFn: async ({ take, png }: { take: string; png: Blob }) => {
      const body = new FormData();
      body.append("file", png, "mask.png");
      const response = await fetch(`/api/films/${film}/takes/${take}/masks`, {
        method: "POST",
        body,
      });
      const data = (await response.json()) as { media: string };
      return unwrap<{ media: string }>({ data, error: data, response });
    },
    onError: failed(film),
  });

export const previewCut = async (film: string, wish: CutWish) =>
  unwrap<CutPreview>(
    await api.POST("/api/films/{film}/cut", { params: { path: { film } }, body: wish }),
  );

/** What a change would do, before it is made; nothing is asked while there is none. */
export const useImpact = (film: string, command: Command | null, revision: number) =>
  useQuery({
    queryKey: ["impact", film, command, revision],
    enabled: command !== null,
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Impact>(
        await api.POST("/api/films/{film}/impact", { params: { path: { film } }, body: command! }),
      ),
  });

/** Follows the film's events and fetches again only what they name; bursts are taken together. */
export function useEvents(film: string) {
  const client = useQueryClient();
  useEffect(() => {
    const source = new EventSource(`/api/films/${film}/events`);
    const waiting = new Set<string>();
    let revision = 0;
    let timer: number | undefined;
    const flush = () => {
      timer = undefined;
      // What this page changed comes with its own answer; only what others changed has to be fetched.
      if (client.isMutating({ mutationKey: ["change", film] })) {
        timer = window.setTimeout(flush, 350);
        return;
      }
      if (waiting.has("run")) {
        // What a run made is not missing any more, though no change was made to the film.
        void client.invalidateQueries({ queryKey: ["estimate", film] });
        void client.invalidateQueries({ queryKey: keys.runs(film) });
        void client.invalidateQueries({ queryKey: keys.spending(film) });
      }
      if (waiting.has("read")) void client.invalidateQueries({ queryKey: ["meant", film] });
      const known = client.getQueryData<Film>(keys.film(film))?.revision ?? 0;
      // A run also makes lines, sounds and mixes, which are part of the film.
      if (revision > known || [...waiting].some((what) => what !== "changed"))
        void client.invalidateQueries({ queryKey: keys.film(film) });
      waiting.clear();
    };
    source.addEventListener("film", (event) => {
      const news = JSON.parse((event as MessageEvent<string>).data) as {
        what: string;
        revision?: number;
      };
      waiting.add(news.what);
      revision = Math.max(revision, news.revision ?? 0);
      timer ??= window.setTimeout(flush, 350);
    });
    return () => {
      source.close();
      window.clearTimeout(timer);
    };
  }, [client, film]);
}
