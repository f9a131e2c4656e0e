/** Clips of a shot that play in step: one clock for all, each holds its last frame until the longest is over. */
import { useCallback, useEffect, useRef, useState } from "react";

/** Seconds by which a clip may be off the clock before it is put right: less is not seen, and putting right stutters. */
const OFF = 0.12;

export interface InStep {
  playing: boolean;
  /** Seconds of the clock. */
  at: number;
  toggle: () => void;
  seek: (seconds: number) => void;
  /** Hands over the video of a take, and takes it back. */
  keep: (take: string, video: HTMLVideoElement | null) => void;
}

export function useClipsInStep(longest: number): InStep {
  const videos = useRef(new Map<string, HTMLVideoElement>());
  const [playing, setPlaying] = useState(false);
  const [at, setAt] = useState(0);
  const now = useRef(0);
  const put = useCallback((video: HTMLVideoElement, seconds: number) => {
    const end = video.duration || Infinity;
    const wanted = Math.min(seconds, Math.max(0, end - 0.05));
    if (Math.abs(video.currentTime - wanted) > OFF || (seconds >= end && !video.paused))
      video.currentTime = wanted;
  }, []);
  const keep = useCallback(
    (take: string, video: HTMLVideoElement | null) => {
      if (!video) {
        videos.current.delete(take);
        return;
      }
      videos.current.set(take, video);
      put(video, now.current);
    },
    [put],
  );
  const seek = useCallback(
    (seconds: number) => {
      now.current = Math.min(longest, Math.max(0, seconds));
      setAt(now.current);
      for (const video of videos.current.values()) put(video, now.current);
    },
    [longest, put],
  );
  useEffect(() => {
    if (!playing) {
      for (const video of videos.current.values()) video.pause();
      return;
    }
    let frame = 0;
    let before = performance.now();
    const tick = (time: number) => {
      now.current += (time - before) / 1000;
      before = time;
      if (now.current >= longest) now.current = 0;
      setAt(now.current);
      for (const video of videos.current.values()) {
        put(video, now.current);
        if (video.paused && now.current < (video.duration || 0) - OFF)
          void video.play().catch(() => undefined);
      }
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [playing, longest, put]);
  useEffect(() => {
    if (!longest) setPlaying(false);
  }, [longest]);
  const toggle = useCallback(() => setPlaying((p) => !p), []);
  return { playing, at, toggle, seek, keep };
}
