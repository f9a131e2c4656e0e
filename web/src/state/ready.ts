/** Whether somebody who looks at something else is told when a run has ended; kept in this browser. */
import { createStore } from "./store";

const KEY = "told when ready";

export const toldWhenReady = createStore(
  typeof window !== "undefined" && window.localStorage.getItem(KEY) === "yes",
);

/** Ask to be told, or no more. The browser asks its owner first; false where that says no. */
export async function setToldWhenReady(wanted: boolean): Promise<boolean> {
  const may = !wanted || (await allowed());
  window.localStorage.setItem(KEY, wanted && may ? "yes" : "no");
  toldWhenReady.set(wanted && may);
  return may;
}

async function allowed() {
  if (!("Notification" in window)) return false;
  if (Notification.permission !== "default") return Notification.permission === "granted";
  return (await Notification.requestPermission()) === "granted";
}
