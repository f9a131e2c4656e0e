/** Opens a film's preview over HLS in a video element, once its sound is mixed. */
import Hls from "hls.js";

import { mixed } from "./previewSound";

interface Watched {
  /** Whether this player is still the one that is looked at. */
  isWanted: () => boolean;
  /** Told how many seconds mixing the sound still takes; 0: none. */
  onMixing: (seconds: number) => void;
  onFailed: () => void;
}

export function openPreview(
  film: string,
  version: string,
  video: HTMLVideoElement,
  from: number,
  watched: Watched,
): Hls {
  const player = new Hls({
    enableWorker: false,
    startPosition: from,
    maxBufferLength: 12,
    fragLoadPolicy: patient,
    manifestLoadPolicy: patient,
    playlistLoadPolicy: patient,
  });
  player.on(Hls.Events.ERROR, (_, data) => data.fatal && watched.onFailed());
  player.attachMedia(video);
  // Whoever asked knows the player before anything is told of it.
  void Promise.resolve()
    .then(() => mixed(film, version, watched.isWanted, watched.onMixing))
    .then(() => {
      if (watched.isWanted()) player.loadSource(`/api/films/${film}/preview/${version}/film.m3u8`);
    })
    .catch(watched.onFailed);
  return player;
}

const patient = {
  default: {
    maxTimeToFirstByteMs: 70_000,
    maxLoadTimeMs: 90_000,
    timeoutRetry: { maxNumRetry: 2, retryDelayMs: 300, maxRetryDelayMs: 2_000 },
    errorRetry: { maxNumRetry: 3, retryDelayMs: 500, maxRetryDelayMs: 3_000 },
  },
};
