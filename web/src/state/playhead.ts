/** The desk: playhead, selected shot, whether it plays, and the lamp (theme). */
import { createStore, useStore } from "./store";

/** The frame under the playhead. */
export const playhead = createStore(0);
/** Set to ask the monitor to go to a frame, and to play from there. */
export const seekTo = createStore<{ frame: number; count: number; play: boolean }>({
  frame: 0,
  count: 0,
  play: false,
});
export const usePlayhead = () => useStore(playhead);
export const playing = createStore(false);
export const selected = createStore<number | null>(null);

export function seek(frame: number, play = false) {
  playhead.set(frame);
  seekTo.set((before) => ({ frame, count: before.count + 1, play }));
}

type Lamp = "light" | "dim";
const kept = (): Lamp => (window.localStorage.getItem("lamp") === "dim" ? "dim" : "light");
export const lamp = createStore<Lamp>(typeof window === "undefined" ? "light" : kept());

export function setLamp(value: Lamp) {
  window.localStorage.setItem("lamp", value);
  document.documentElement.dataset.lamp = value;
  lamp.set(value);
}

/** Choose a shot, and go to its first frame. */
export function pointAt(shot: { id: number; start: number }) {
  selected.set(shot.id);
  seek(shot.start);
}
