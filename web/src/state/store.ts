/** A tiny store for view state: what is selected, where the playhead is. Nothing of it is ever sent to the server. */
import { useSyncExternalStore } from "react";

export interface Store<T> {
  get: () => T;
  set: (value: T | ((before: T) => T)) => void;
  subscribe: (listener: () => void) => () => void;
}

export function createStore<T>(initial: T): Store<T> {
  let value = initial;
  const listeners = new Set<() => void>();
  return {
    get: () => value,
    set: (next) => {
      const fresh = typeof next === "function" ? (next as (before: T) => T)(value) : next;
      if (Object.is(fresh, value)) return;
      value = fresh;
      listeners.forEach((listener) => listener());
    },
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

export const useStore = <T>(store: Store<T>): T => useSyncExternalStore(store.subscribe, store.get);
