/** The passage that is marked on the page: words from … to, by index, both included. */
import { useEffect } from "react";

import { createStore } from "../../state/store";

export interface Passage {
  from: number;
  to: number;
}

export const passage = createStore<Passage | null>(null);

const wordOf = (node: Node | null): number | null => {
  const element = node instanceof Element ? node : node?.parentElement;
  const word = element?.closest<HTMLElement>("[data-word]");
  return word ? Number(word.dataset.word) : null;
};

/** The words that a selection of the page touches. A selection may begin in a gap or a mark; the nearest words count. */
function selectedWords(): Passage | null {
  const selection = window.getSelection();
  if (!selection || selection.isCollapsed || selection.rangeCount === 0) return null;
  const range = selection.getRangeAt(0);
  let from = wordOf(range.startContainer);
  let to = wordOf(range.endContainer);
  if (from === null || to === null) {
    const inside = [...document.querySelectorAll<HTMLElement>("[data-word]")].filter((el) =>
      range.intersectsNode(el),
    );
    if (!inside.length) return null;
    from ??= Number(inside[0]!.dataset.word);
    to ??= Number(inside.at(-1)!.dataset.word);
  }
  return { from: Math.min(from, to), to: Math.max(from, to) };
}

/** Follows the selection of the page; a click elsewhere on the page lifts it, a click at the side does not. */
export function useFollowSelection() {
  useEffect(() => {
    const onChange = () => {
      const found = selectedWords();
      if (found) passage.set(found);
    };
    const onDown = (e: PointerEvent) => {
      if ((e.target as HTMLElement).closest("article")) passage.set(null);
    };
    document.addEventListener("selectionchange", onChange);
    document.addEventListener("pointerdown", onDown);
    return () => {
      document.removeEventListener("selectionchange", onChange);
      document.removeEventListener("pointerdown", onDown);
      passage.set(null);
    };
  }, []);
}
