/** House styles: what a channel keeps from film to film. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { Problem, type Schemas, api, unwrap } from "./client";
import { notify } from "../state/notices";

export type HouseStyle = Schemas["StyleView"];
type StyleChange = Schemas["StyleChange"];

const STYLES = ["styles"];
const told = (error: Error) =>
  notify(error instanceof Problem ? error.message : "The server does not answer; try again.");

export const useStyles = () =>
  useQuery({
    queryKey: STYLES,
    queryFn: async () => unwrap<HouseStyle[]>(await api.GET("/api/styles")),
  });

export function useKeepStyle(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (name: string) =>
      unwrap<HouseStyle>(await api.POST("/api/styles", { body: { film, name } })),
    onSuccess: () => void client.invalidateQueries({ queryKey: STYLES }),
    onError: told,
  });
}

export function useDropStyle() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (style: string) => {
      await api.DELETE("/api/styles/{style}", { params: { path: { style } } });
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: STYLES }),
    onError: told,
  });
}

export function useBringStyle() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (file: File) => {
      const body = new FormData();
      body.append("file", file);
      const response = await fetch("/api/styles/file", { method: "POST", body });
      const data = (await response.json()) as HouseStyle;
      return unwrap<HouseStyle>({ data, error: data, response });
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: STYLES }),
    onError: told,
  });
}

/** What a style would change in a film. */
export const useStyleChanges = (film: string, style: string | null, revision: number) =>
  useQuery({
    queryKey: [...STYLES, film, style, revision],
    enabled: style !== null,
    queryFn: async () =>
      unwrap<StyleChange[]>(
        await api.GET("/api/films/{film}/styles/{style}", {
          params: { path: { film, style: style! } },
        }),
      ),
  });
