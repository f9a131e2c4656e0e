/** The preview's sound is mixed by a worker; what plays it waits until it is there. */
import { type PreviewSound, api, unwrap } from "../api/client";

const LOOK_EVERY = 400;

/** Waits until a film's sound is mixed, or nobody wants it any more; `about` is told how many seconds it takes. */
export async function mixed(
  film: string,
  version: string,
  wanted: () => boolean,
  about: (seconds: number) => void,
) {
  const path = { film, version };
  while (wanted()) {
    const sound = unwrap<PreviewSound>(
      await api.GET("/api/films/{film}/preview/{version}/sound", { params: { path } }),
    );
    about(sound.ready ? 0 : sound.seconds);
    if (sound.ready) return;
    await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY));
  }
}
