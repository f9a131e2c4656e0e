/** The word that is said just now, marked wherever it stands on the page while the film plays. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect } from "react";

import { type Film, api, unwrap } from "../api/client";
import { playhead, playing } from "../state/playhead";
import { useStore } from "../state/store";

const NONE: readonly number[] = [];

/** The frame at which each word is said, and where the last one ends; asked for once it is wanted. */
export const useMoments = (film: Film, wanted: boolean): readonly number[] =>
  useQuery({
    queryKey: ["moments", film.id, film.preview],
    enabled: wanted,
    queryFn: async () =>
      unwrap<number[]>(
        await api.GET("/api/films/{film}/preview/{version}/moments", {
          params: { path: { film: film.id, version: film.preview } },
        }),
      ),
    placeholderData: keepPreviousData,
  }).data ?? NONE;

/** Which word is said at a frame; -1 before the first and behind the last. */
export function wordAt(moments: readonly number[], frame: number): number {
  if (frame >= (moments.at(-1) ?? 0)) return -1;
  let [low, high] = [0, moments.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (moments[middle]! <= frame) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** Marks the word that is said (`data-word` says which it is) while the film plays. It is marked beside React: ten
 * thousand words would be asked thirty times a second whether it is they. */
export function useFollowing(film: Film) {
  const isPlaying = useStore(playing);
  const moments = useMoments(film, isPlaying);
  useEffect(() => {
    if (!isPlaying || !moments.length) return;
    let last = -1;
    const mark = () => {
      const word = wordAt(moments, playhead.get());
      if (word === last) return;
      last = word;
      marked(word);
    };
    mark();
    const end = playhead.subscribe(mark);
    return () => {
      end();
      marked(-1);
    };
  }, [isPlaying, moments]);
}

function marked(word: number) {
  for (const was of document.querySelectorAll("[data-now]")) was.removeAttribute("data-now");
  for (const now of document.querySelectorAll(`[data-word="${word}"]`))
    now.setAttribute("data-now", "");
}
