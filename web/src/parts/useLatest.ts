/** A function for a timer: when it is called it is the one of the last drawing, made of what is known by then. */
import { useCallback, useRef } from "react";

export function useLatest<A extends unknown[]>(does: (...args: A) => void): (...args: A) => void {
  const now = useRef(does);
  now.current = does;
  return useCallback((...args: A) => now.current(...args), []);
}
