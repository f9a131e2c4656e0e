/** Plays another cut in step with the one that leads: it is where the leader is in the same shot, and waits where its own
 * shot is over. */
import type Hls from "hls.js";
import { type RefObject, useEffect, useRef, useState } from "react";

import type { Film } from "../../api/client";
import { openPreview } from "../../parts/openPreview";
import { rateOf } from "../../parts/time";
import { type Met, isAstray, paceOf } from "./place";

export interface SecondVideo {
  video: RefObject<HTMLVideoElement | null>;
  isReady: boolean;
  hasFailed: boolean;
}

export function useSecondVideo(
  film: Film | undefined,
  met: Met | null,
  plays: boolean,
): SecondVideo {
  const video = useRef<HTMLVideoElement>(null);
  const hls = useRef<Hls | null>(null);
  const loaded = useRef<string | null>(null);
  const [isReady, setReady] = useState(false);
  const [hasFailed, setFailed] = useState(false);
  const rate = film ? rateOf(film.fps) : 24;
  const at = met?.at ?? null;

  useEffect(() => {
    const element = video.current;
    if (!plays || !film || !element || at === null || loaded.current === film.preview) return;
    loaded.current = film.preview;
    hls.current?.destroy();
    setReady(false);
    setFailed(false);
    element.onloadeddata = () => setReady(true);
    const player = openPreview(film.id, film.preview, element, at / rate, {
      isWanted: () => hls.current === player,
      onMixing: () => undefined,
      onFailed: () => setFailed(true),
    });
    hls.current = player;
  }, [at, film, plays, rate]);

  useEffect(() => {
    const element = video.current;
    if (!element || !isReady || at === null) return;
    const wanted = (at + 0.5) / rate;
    if (!element.seeking && isAstray(element.currentTime, wanted, plays))
      element.currentTime = wanted;
    element.playbackRate = plays ? paceOf(wanted - element.currentTime) : 1;
    if (!plays || met?.waits) element.pause();
    else if (element.paused)
      void element.play().catch((e: Error) => e.name !== "AbortError" && setFailed(true));
  }, [at, isReady, met?.waits, plays, rate]);

  useEffect(() => () => hls.current?.destroy(), []);
  return { video, isReady, hasFailed };
}
