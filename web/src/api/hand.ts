/** What is done to a take by hand: its figures and pixels, and poses. */
import { useMutation, useQuery } from "@tanstack/react-query";

import { type Delta, type Schemas, api, unwrap } from "./client";
import { failed } from "./film";
import { show, stateOf } from "./opening";

export type Hand = Schemas["HandView"];
export type Figure = Schemas["TakenFigure"];
export type Pose = Schemas["FigurePose"];

export const useHand = (film: string, take: string) =>
  useQuery({
    queryKey: ["hand", film, take],
    queryFn: async () =>
      unwrap<Hand>(
        await api.GET("/api/films/{film}/takes/{take}/hand", { params: { path: { film, take } } }),
      ),
  });

export const usePoses = () =>
  useQuery({
    queryKey: ["poses"],
    staleTime: Infinity,
    queryFn: async () => unwrap<string[]>(await api.GET("/api/poses")),
  });

/** A joint dragged, or a pose of the stock taken; limbs keep their lengths. */
export const useMovePose = () =>
  useMutation({
    mutationFn: async (wish: {
      pose: Pose;
      aspect: number;
      joint?: string;
      to?: [number, number];
      stock?: string;
    }) =>
      unwrap<Pose>(
        await api.POST("/api/poses", {
          body: { to: [0.5, 0.5], stock: "", ...wish } as Schemas["PoseMove"],
        }),
      ),
  });

export type CutOut = Schemas["CutOut"];
export type Placing = Pick<Schemas["PlaceWish"], "x" | "y" | "height" | "flip" | "light">;
export type Box = Schemas["HandView"]["frame"];

/** A change that the film answers. */
function useAnswered<T>(film: string, ask: (wish: T) => Promise<Delta>) {
  return useMutation({
    mutationFn: ask,
    onSuccess: (delta) => show(film, delta),
    onError: failed(film),
  });
}

/** Cuts a figure, or what a kept mask marks, out of a take, and keeps it in the film. */
export const useCut = (film: string, take: string) =>
  useAnswered(
    film,
    async (wish: {
      name: string;
      figure: number | null;
      mask: string | null;
      feather: number;
      revision: number;
    }) =>
      unwrap<Delta>(
        await api.POST("/api/films/{film}/takes/{take}/cutouts", {
          params: { path: { film, take }, query: { since: stateOf(film) } },
          body: wish,
        }),
      ),
  );

/** Lays a cut-out into a take, as a new one. */
export const useLayIn = (film: string, take: string) =>
  useAnswered(film, async (wish: { cutout: number } & Placing) =>
    unwrap<Delta>(
      await api.POST("/api/films/{film}/takes/{take}/placed", {
        params: { path: { film, take }, query: { since: stateOf(film) } },
        body: wish,
      }),
    ),
  );

/** Where to see how it would look there. */
export const seenPlaced = (film: string, take: string, cutout: number, p: Placing) =>
  `/api/films/${film}/takes/${take}/placed?${new URLSearchParams({ cutout: String(cutout), x: p.x.toFixed(4), y: p.y.toFixed(4), height: p.height.toFixed(4), flip: String(p.flip), light: p.light.toFixed(2) })}`;

/** Makes a new take of what a frame holds of one. */
export const useReframe = (film: string, take: string) =>
  useAnswered(film, async (frame: Box) =>
    unwrap<Delta>(
      await api.POST("/api/films/{film}/takes/{take}/reshaped", {
        params: { path: { film, take }, query: { since: stateOf(film) } },
        body: { frame },
      }),
    ),
  );

/** Keeps a sketch that pictures are to follow. */
export const useSketch = (film: string) =>
  useMutation({
    mutationFn: async (file: Blob) => {
      const body = new FormData();
      body.append("file", file, "sketch.png");
      const response = await fetch(`/api/films/${film}/sketches`, { method: "POST", body });
      const data = (await response.json()) as Schemas["KeptPicture"];
      return unwrap<Schemas["KeptPicture"]>({ data, error: data, response });
    },
    onError: failed(film),
  });

/** A figure of a take as it was drawn: pixels of the asked size, white where it is. */
export async function maskOfFigure(
  film: string,
  take: string,
  number: number,
  width: number,
  height: number,
): Promise<ImageData> {
  const image = new Image();
  image.src = `/api/films/${film}/takes/${take}/figures/${number}/mask`;
  await image.decode();
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [width, height];
  const pen = canvas.getContext("2d")!;
  pen.drawImage(image, 0, 0, width, height);
  return pen.getImageData(0, 0, width, height);
}
