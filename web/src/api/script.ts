/** The script desk's server state: files, finding, renaming, versions, writing and reworking. */
import { useMutation, useQuery } from "@tanstack/react-query";

import { notify } from "../state/notices";
import { type Delta, type Schemas, Problem, api, unwrap } from "./client";
import { show, stateOf } from "./opening";

export type Story = Schemas["StoryView"];
export type Written = Schemas["Written"];
export type ScriptWish = Schemas["ScriptInput"];
export type FoundPlace = Schemas["PlaceView"];
export type Reworked = Schemas["ReworkedPassage"];
export type Rework = Schemas["ReworkRequest"];
export type ReferencePace = Schemas["ReferencePace"];
export type Compared = Schemas["ComparedVersions"];
export type Version = Schemas["ChangeView"];

const tell = (error: Error) =>
  notify(
    error instanceof Problem
      ? error.message
      : "The server does not answer; what you wrote is still here.",
  );

async function posted<T>(path: string, body: FormData): Promise<T> {
  const response = await fetch(path, { method: "POST", body });
  const data = (await response.json()) as T;
  return unwrap<T>({ data, error: data, response });
}

/** Reads a script from a file; `columns` say what a table's columns are. */
export const useReadStory = (onRead: (story: Story, file: File) => void) =>
  useMutation({
    mutationFn: async ({ file, columns }: { file: File; columns?: string[] }) => {
      const body = new FormData();
      body.append("file", file);
      if (columns) body.append("columns", JSON.stringify(columns));
      return posted<Story>("/api/stories", body);
    },
    onSuccess: (story, { file }) => onRead(story, file),
    onError: tell,
  });

export const useMeasurePace = (onMeasured: (pace: ReferencePace) => void) =>
  useMutation({
    mutationFn: async (file: File | string) => {
      const body = new FormData();
      body.append(
        "file",
        typeof file === "string" ? new File([file], "pasted.txt", { type: "text/plain" }) : file,
      );
      return posted<ReferencePace>("/api/paces", body);
    },
    onSuccess: onMeasured,
    onError: tell,
  });

export const useWriting = (onWritten: (written: Written, wish: ScriptWish) => void) =>
  useMutation({
    mutationFn: async (wish: ScriptWish) =>
      unwrap<Written>(await api.POST("/api/writing", { body: wish })),
    onSuccess: onWritten,
    onError: tell,
  });

export const useRework = (film: string) =>
  useMutation({
    mutationFn: async (wish: Rework) =>
      unwrap<Reworked>(
        await api.POST("/api/films/{film}/rework", { params: { path: { film } }, body: wish }),
      ),
    onError: tell,
  });

export interface Finding {
  query: string;
  instead: string;
  match_case: boolean;
  whole_words: boolean;
}

export const useFind = (film: string, wanted: Finding, revision: number) =>
  useQuery({
    queryKey: ["find", film, wanted, revision],
    enabled: wanted.query.length > 0,
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<FoundPlace[]>(
        await api.POST("/api/films/{film}/find", { params: { path: { film } }, body: wanted }),
      ),
  });

export const useRenaming = (film: string, person: number, name: string, revision: number) =>
  useQuery({
    queryKey: ["renaming", film, person, name, revision],
    enabled: name.trim().length > 0,
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<FoundPlace[]>(
        await api.POST("/api/films/{film}/renaming", {
          params: { path: { film } },
          body: { person, name: name.trim() },
        }),
      ),
  });

export const useVersions = (film: string, revision: number) =>
  useQuery({
    queryKey: ["versions", film, revision],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Version[]>(await api.GET("/api/films/{film}/history", { params: { path: { film } } })),
  });

export const useCompared = (film: string, before: number | null, after: number | null) =>
  useQuery({
    queryKey: ["compared", film, before, after],
    enabled: before !== null && after !== null,
    queryFn: async () =>
      unwrap<Compared>(
        await api.GET("/api/films/{film}/compare", {
          params: { path: { film }, query: { before: before ?? 0, after: after ?? 0 } },
        }),
      ),
  });

export function useGoBack(film: string) {
  return useMutation({
    scope: { id: `changes of ${film}` },
    mutationFn: async (number: number) =>
      unwrap<Delta>(
        await api.POST("/api/films/{film}/versions/{number}", {
          params: { path: { film, number }, query: { since: stateOf(film) } },
        }),
      ),
    onSuccess: (delta) => show(film, delta),
    onError: tell,
  });
}
