/** Plays the film as it stands, over HLS, in a video element; the playhead follows it, and it follows the playhead. */
import type Hls from "hls.js";
import { type RefObject, useCallback, useEffect, useRef, useState } from "react";

import type { Film } from "../api/client";
import { useRuns } from "../api/film";
import { playhead, playing, seekTo } from "../state/playhead";
import { useStore } from "../state/store";
import { useFollowing } from "./following";
import { openPreview } from "./openPreview";
import { rateOf } from "./time";

type PlayerState = "rest" | "loading" | "ready" | "failed";

export interface FilmVideo {
  video: RefObject<HTMLVideoElement | null>;
  state: PlayerState;
  isPlaying: boolean;
  /** Seconds that mixing the sound still takes; 0: none. */
  mixing: number;
  /** Whether what is loaded is the film as it is by now; null: nothing is loaded. */
  fresh: boolean | null;
  /** Play, or stop. */
  toggle: () => void;
  /** What the video element tells. */
  tells: {
    onLoadedData: () => void;
    onPlaying: () => void;
    onPause: () => void;
    onEnded: () => void;
  };
}

export function useFilmVideo(film: Film): FilmVideo {
  const video = useRef<HTMLVideoElement>(null);
  const loaded = useRef<string | null>(null);
  const hls = useRef<Hls | null>(null);
  const [state, setState] = useState<PlayerState>("rest");
  const [mixing, setMixing] = useState(0);
  useFollowing(film);
  const isPlaying = useStore(playing);
  const asked = useStore(seekTo);
  const busy = (useRuns(film.id).data ?? []).some((r) => r.state === "going");
  const rate = rateOf(film.fps);
  const latest = useRef({ version: film.preview, frames: film.frames });
  useEffect(() => {
    latest.current = { version: film.preview, frames: film.frames };
  });

  const load = useCallback(
    (from: number) => {
      const version = latest.current.version;
      if (loaded.current === version || !video.current) return;
      loaded.current = version;
      hls.current?.destroy();
      setState("loading");
      const player = openPreview(film.id, version, video.current, from, {
        isWanted: () => hls.current === player,
        onMixing: setMixing,
        onFailed: () => setState("failed"),
      });
      hls.current = player;
    },
    [film.id],
  );

  // Follow edits while nobody is watching and nothing is being made; else the next Play takes them in.
  useEffect(() => {
    if (!isPlaying && !busy && loaded.current && loaded.current !== film.preview)
      load(playhead.get() / rate);
  }, [busy, film.preview, isPlaying, load, rate]);

  // What was asked of a monitor before this one is none of its business.
  const done = useRef(asked.count);
  useEffect(() => {
    const v = video.current;
    if (!v || (!loaded.current && asked.count === done.current)) return;
    const fresh = asked.count !== done.current;
    done.current = asked.count;
    if (fresh && asked.play) load(asked.frame / rate);
    if (loaded.current) v.currentTime = (asked.frame + 0.5) / rate;
    if (fresh && asked.play) void v.play().catch(() => setState("failed"));
  }, [asked, load, rate]);

  useEffect(() => {
    if (!isPlaying) return;
    let id = 0;
    const follow = () => {
      const now = Math.floor((video.current?.currentTime ?? 0) * rate + 1e-3);
      playhead.set(Math.min(latest.current.frames - 1, now));
      id = requestAnimationFrame(follow);
    };
    id = requestAnimationFrame(follow);
    return () => cancelAnimationFrame(id);
  }, [isPlaying, rate]);

  useEffect(
    () => () => {
      hls.current?.destroy();
      playing.set(false);
    },
    [],
  );

  const toggle = useCallback(() => {
    const v = video.current;
    if (!v) return;
    if (!v.paused) {
      v.pause();
      return;
    }
    const from = playhead.get() >= latest.current.frames - 2 ? 0 : playhead.get();
    load(from / rate);
    v.currentTime = from / rate;
    void v.play().catch(() => setState("failed"));
  }, [load, rate]);

  return {
    video,
    state,
    isPlaying,
    mixing,
    fresh: loaded.current ? loaded.current === film.preview : null,
    toggle,
    tells: {
      onLoadedData: () => setState("ready"),
      onPlaying: () => {
        setState("ready");
        playing.set(true);
      },
      onPause: () => playing.set(false),
      onEnded: () => playing.set(false),
    },
  };
}
