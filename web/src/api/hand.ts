/** What is done to a take by hand: its figures and pixels, and poses. */
import { useMutation, useQuery } from "@tanstack/react-query";

import { type Schemas, api, unwrap } from "./client";

export type Hand = Schemas["HandView"];
export type Figure = Schemas["TakenFigure"];
export type Pose = Schemas["FigurePose"];
export type Joint = keyof NonNullable<Pose["joints"]> & string;

export const useHand = (film: string, take: string) =>
  useQuery({
    queryKey: ["hand", film, take],
    queryFn: async () => unwrap<Hand>(await api.GET("/api/films/{film}/takes/{take}/hand", { params: { path: { film, take } } })),
  });

export const usePoses = () => useQuery({ queryKey: ["poses"], staleTime: Infinity, queryFn: async () => unwrap<string[]>(await api.GET("/api/poses")) });

/** A joint dragged, or a pose of the stock taken; limbs keep their lengths. */
export const useMovePose = () =>
  useMutation({
    mutationFn: async (wish: { pose: Pose; aspect: number; joint?: string; to?: [number, number]; stock?: string }) =>
      unwrap<Pose>(await api.POST("/api/poses", { body: { to: [0.5, 0.5], stock: "", ...wish } as Schemas["PoseMove"] })),
  });
