/** The monitor: the film as it stands, over HLS. While nothing is loaded it shows the picture under the playhead. */
import Hls from "hls.js";
import { useCallback, useEffect, useRef, useState } from "react";

import type { Film, Shot } from "../api/client";
import { useRuns } from "../api/film";
import { useKeys } from "../keys/useKeys";
import { playhead, playing, seekTo, usePlayhead } from "../state/playhead";
import { useStore } from "../state/store";
import { Button } from "./Button";
import { useFollowing } from "./following";
import { mixed } from "./previewSound";
import { lastFrame } from "./lastFrame";
import { rateOf, timecode } from "./time";

const ASPECT: Record<string, string> = { "16:9": "16 / 9", "9:16": "9 / 16", "1:1": "1 / 1" };

/** Whether something is seen of a shot that is not in its take. */
const isDrawn = ({ plate, used, finish, own }: Shot) =>
  !!plate ||
  !!own.marks?.length ||
  (!!used && !!(finish.grade ?? finish.mood ?? finish.effects.length > 0));

export function Monitor({ film }: { film: Film }) {
  const video = useRef<HTMLVideoElement>(null);
  const loaded = useRef<string | null>(null);
  const hls = useRef<Hls | null>(null);
  const [state, setState] = useState<"rest" | "loading" | "ready" | "failed">("rest");
  const [mixing, setMixing] = useState(0);
  useFollowing(film);
  const frame = usePlayhead();
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
      const player = new Hls({
        enableWorker: false,
        startPosition: from,
        maxBufferLength: 12,
        fragLoadPolicy: patient,
        manifestLoadPolicy: patient,
        playlistLoadPolicy: patient,
      });
      hls.current = player;
      setState("loading");
      player.on(Hls.Events.ERROR, (_, data) => data.fatal && setState("failed"));
      player.attachMedia(video.current);
      void mixed(film.id, version, () => hls.current === player, setMixing)
        .then(() => {
          if (hls.current === player)
            player.loadSource(`/api/films/${film.id}/preview/${version}/film.m3u8`);
        })
        .catch(() => setState("failed"));
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

  useKeys("monitor", {
    // On a button, a tab or an entry of a menu the space bar presses that.
    play: (e) =>
      (e.target as HTMLElement).closest("button,[role=tab],[role=menuitem]") ? false : toggle(),
  });

  const shot = film.shots.find((s) => frame < s.stop) ?? film.shots[film.shots.length - 1];
  const still = shot?.takes.find((t) => t.id === shot.used);
  const fresh = loaded.current === film.preview;
  const upright = film.settings.aspect === "9:16";
  return (
    <section aria-label="Monitor" className={upright ? "flex bg-ground" : ""}>
      {/* As wide as there is room, and never higher than two fifths of the window. An upright film has its controls
          beside it, so that takes and prompts stay in sight below. */}
      <div className={`bg-[#191613] ${upright ? "shrink-0" : ""}`}>
        <div
          className="relative mx-auto overflow-hidden"
          style={{
            aspectRatio: ASPECT[film.settings.aspect],
            width: upright
              ? `calc(32vh * ${ASPECT[film.settings.aspect]})`
              : `min(100%, calc(42vh * ${ASPECT[film.settings.aspect]}))`,
          }}
        >
          <div className="absolute inset-0">
            {still ? (
              <img src={`/media/${still.media}`} alt="" className="size-full object-cover" />
            ) : (
              <p className="flex size-full items-center bg-[#faf6ec] px-[9%] font-serif text-[17px] leading-snug text-[#272320]">
                {shot?.text}
              </p>
            )}
            {shot && isDrawn(shot) && (
              <img
                key={shot.id}
                src={lastFrame(film, shot, 360)}
                alt=""
                className="absolute inset-0 size-full object-cover"
              />
            )}
          </div>
          <video
            ref={video}
            playsInline
            className="absolute inset-0 size-full object-contain"
            style={{ opacity: state === "ready" ? 1 : 0 }}
            onLoadedData={() => setState("ready")}
            onPlaying={() => {
              setState("ready");
              playing.set(true);
            }}
            onPause={() => playing.set(false)}
            onEnded={() => playing.set(false)}
          />
          {state === "loading" && (
            <span className="absolute bottom-2 right-2 rounded bg-[#191613cc] px-2 py-0.5 text-[12px] text-[#faf6ec]">
              {mixing > 5
                ? `mixing the sound, about ${Math.round(mixing)} s …`
                : "laying the preview …"}
            </span>
          )}
        </div>
      </div>
      <div
        className={
          upright ? "flex flex-col items-start gap-2 p-4" : "flex items-center gap-3 px-4 py-2"
        }
      >
        <Button
          kind="ink"
          onClick={toggle}
          aria-label={isPlaying ? "Stop" : "Play"}
          className="w-[58px] justify-center"
        >
          {isPlaying ? "Stop" : "Play"}
        </Button>
        <span role="timer" className="font-mono text-[15px]" aria-label="Time under the playhead">
          {timecode(frame, film.fps)}
        </span>
        <span className="font-mono text-[12px] text-ink-2">
          of {timecode(film.frames, film.fps)}
        </span>
        <span
          className={`text-[12px] leading-tight text-ink-2 ${upright ? "" : "ml-auto text-right"}`}
        >
          {state === "failed"
            ? "the preview does not answer; play again"
            : shot
              ? `shot ${shot.edge}, ${shot.measured ? "own voice" : "time estimated"}`
              : ""}
          {loaded.current && !fresh && isPlaying ? ", changed since" : ""}
        </span>
      </div>
    </section>
  );
}

const patient = {
  default: {
    maxTimeToFirstByteMs: 70_000,
    maxLoadTimeMs: 90_000,
    timeoutRetry: { maxNumRetry: 2, retryDelayMs: 300, maxRetryDelayMs: 2_000 },
    errorRetry: { maxNumRetry: 3, retryDelayMs: 500, maxRetryDelayMs: 3_000 },
  },
};
