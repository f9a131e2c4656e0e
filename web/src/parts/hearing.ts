/** One sound that is heard, with where it is just now. */
import { useEffect, useRef, useState } from "react";

import { notify } from "../state/notices";

export function useHearing() {
  const sound = useRef<HTMLAudioElement | null>(null);
  const [playing, setPlaying] = useState<string | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => () => sound.current?.pause(), []);
  useEffect(() => {
    if (!playing) return;
    let id = requestAnimationFrame(function tick() {
      setNow(sound.current?.currentTime ?? 0);
      id = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(id);
  }, [playing]);
  const stop = () => {
    sound.current?.pause();
    setPlaying(null);
  };
  /** Hear a sound from a second on, as far as another one. */
  const hear = (media: string, from: number, to = Infinity) => {
    stop();
    const audio = new Audio(`/media/${media}`);
    audio.currentTime = from;
    audio.onended = () => setPlaying(null);
    audio.ontimeupdate = () => {
      if (audio.currentTime >= to) stop();
    };
    sound.current = audio;
    setPlaying(media);
    void audio.play().catch(() => {
      setPlaying(null);
      notify("The sound cannot be played here.");
    });
  };
  return { hear, stop, playing, now };
}
