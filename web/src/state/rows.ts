/** How close the rows of the Sheet stand: an own choice of this browser. */
import { createStore } from "./store";

export type Rows = "roomy" | "close";
const KEY = "rows of the sheet";

const kept = (): Rows =>
  typeof window !== "undefined" && window.localStorage.getItem(KEY) === "close" ? "close" : "roomy";

export const rows = createStore<Rows>(kept());

export function setRows(wanted: Rows) {
  window.localStorage.setItem(KEY, wanted);
  rows.set(wanted);
}
