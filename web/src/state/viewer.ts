/** Who looks: the name that notes are written under, kept in this browser. */
import { createStore } from "./store";

const KEY = "viewer";

export const viewer = createStore(
  typeof window === "undefined" ? "" : (window.localStorage.getItem(KEY) ?? ""),
);

export function setViewer(name: string) {
  window.localStorage.setItem(KEY, name);
  viewer.set(name);
}

/** Today, as notes are dated. */
export const today = (now = new Date()) =>
  [now.getFullYear(), now.getMonth() + 1, now.getDate()]
    .map((n) => String(n).padStart(2, "0"))
    .join("-");
