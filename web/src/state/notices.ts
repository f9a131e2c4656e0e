/** Messages to the person: what happened, to what, and what to do. */
import { createStore } from "./store";

export interface Notice {
  id: number;
  text: string;
}

export const notices = createStore<Notice[]>([]);
let count = 0;

export function notify(text: string) {
  const id = ++count;
  notices.set((before) => [...before.slice(-2), { id, text }]);
  window.setTimeout(() => dismiss(id), 9_000);
}

export const dismiss = (id: number) => notices.set((before) => before.filter((n) => n.id !== id));
