/** Which words are marked because they mean the same people as the word under the cursor. */
import type { Mention } from "../../api/meant";
import { createStore } from "../../state/store";

/** Word indices: `same` mean whom the word at the cursor means, `unsure` are asked. */
export interface MarkedWords {
  same: ReadonlySet<number>;
  unsure: ReadonlySet<number>;
}

const NONE: MarkedWords = { same: new Set(), unsure: new Set() };
export const marked = createStore<MarkedWords>(NONE);

/** The mention that a word belongs to, the narrowest where there are several. */
export function mentionAt(mentions: readonly Mention[], word: number): Mention | undefined {
  return mentions
    .filter((m) => m.first <= word && word < m.end)
    .sort((a, b) => a.end - a.first - (b.end - b.first))[0];
}

/** What is to be marked while the cursor is at a word. */
export function markedFor(mentions: readonly Mention[], word: number): MarkedWords {
  const here = mentionAt(mentions, word);
  const same = new Set<number>();
  const unsure = new Set<number>();
  for (const m of mentions) {
    const shared = here && m.people.some((p) => here.people.includes(p));
    for (let i = m.first; i < m.end; i++) {
      if (shared) same.add(i);
      if (m.asked && !m.by_hand) unsure.add(i);
    }
  }
  return { same, unsure };
}

export const noMarks = () => marked.set(NONE);
