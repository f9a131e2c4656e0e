/** Who is who, references, looks from pictures, figures in pictures brought, and the company. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { notify } from "../state/notices";
import {
  type CompanyCard,
  type Delta,
  type Member,
  type Reference,
  type Run,
  type Schemas,
  api,
  unwrap,
} from "./client";
import { show, stateOf } from "./opening";

export type Who = Schemas["WhoView"];
export type Candidates = Schemas["CandidatesView"];
export type MadeLook = Schemas["MadeLook"];
export type Sample = Schemas["SampleView"];
export type BoxedFigure = Schemas["BoxedFigure"];

const tell = (error: Error) => notify(error.message);

export const useWho = (film: string, revision: number) =>
  useQuery({
    queryKey: ["who", film, revision],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Who>(await api.GET("/api/films/{film}/who", { params: { path: { film } } })),
  });

/** References made for a person or a place; asked again while a run makes more. */
export const useCandidates = (
  film: string,
  kind: "person" | "place",
  number: number,
  revision: number,
  runs: Run[] | undefined,
) =>
  useQuery({
    queryKey: ["references", film, kind, number, revision, runs?.map((r) => r.done).join()],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Candidates>(
        await api.GET("/api/films/{film}/references/{kind}/{number}", {
          params: { path: { film, kind, number } },
        }),
      ),
  });

export const useSamples = (
  film: string,
  look: string | null,
  revision: number,
  runs: Run[] | undefined,
) =>
  useQuery({
    queryKey: ["samples", film, look, revision, runs?.map((r) => r.done).join()],
    enabled: look !== null,
    queryFn: async () =>
      unwrap<Sample[]>(
        await api.GET("/api/films/{film}/looks/{look}/samples", {
          params: { path: { film, look: look! } },
        }),
      ),
  });

export const useBringReferences = (film: string) =>
  useMutation({
    mutationFn: async (files: File[]) => {
      const body = new FormData();
      for (const file of files) body.append("files", file);
      const response = await fetch(`/api/films/${film}/references`, { method: "POST", body });
      const data = (await response.json()) as Reference[];
      return unwrap<Reference[]>({ data, error: data, response });
    },
    onError: tell,
  });

export const useMakeLook = (film: string) =>
  useMutation({
    mutationFn: async (wish: Schemas["LookFrom"]) =>
      unwrap<MadeLook>(
        await api.POST("/api/films/{film}/looks", { params: { path: { film } }, body: wish }),
      ),
    onError: tell,
  });

export function useSetFigures(film: string) {
  return useMutation({
    mutationFn: async ({ take, figures }: { take: string; figures: BoxedFigure[] }) =>
      unwrap<Delta>(
        await api.PUT("/api/films/{film}/takes/{take}/figures", {
          params: { path: { film, take }, query: { since: stateOf(film) } },
          body: figures,
        }),
      ),
    onSuccess: (delta) => show(film, delta),
    onError: tell,
  });
}

export interface CompanySearch {
  kind?: Member["kind"];
  age?: "child" | "adult" | "old";
  words: string;
}

export const useCompany = (search: CompanySearch) =>
  useQuery({
    queryKey: ["company", search],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Member[]>(await api.GET("/api/company", { params: { query: search } })),
  });

/** The colour that words name, as the core reads them; null where they name none. */
export const useColour = (words: string) =>
  useQuery({
    queryKey: ["colour", words],
    enabled: words.trim().length > 2,
    staleTime: Infinity,
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Schemas["ColourView"]>(await api.GET("/api/colour", { params: { query: { words } } }))
        .css,
  });

interface Kept {
  /** The member that it is given back to; a new one without it. */
  member: string | null;
  card: CompanyCard;
  thumb?: string;
}

export function useKeep() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ member, card, thumb }: Kept) => {
      const body = { card, tags: "", thumb: thumb ?? null };
      return unwrap<Member>(
        member
          ? await api.PUT("/api/company/{member}", { params: { path: { member } }, body })
          : await api.POST("/api/company", { body }),
      );
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: ["company"] }),
    onError: tell,
  });
}

export function useDropMember() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (member: string) => {
      const { error, response } = await api.DELETE("/api/company/{member}", {
        params: { path: { member } },
      });
      if (!response.ok) unwrap({ data: undefined, error, response });
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: ["company"] }),
    onError: tell,
  });
}
