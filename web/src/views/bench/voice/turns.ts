/** Two voices on one line, heard by turns: the other goes on at the same share of the line. */
import type { Heard } from "../../../api/voices";

/** A voice that was heard on the line beside its own. */
export interface Beside {
  media: string;
  seconds: number | null;
  title: string;
}

/** What is heard next, and from which second: the other of the two, from where the one is; the line's own voice first. */
export function turned(
  { playing, now }: { playing: string | null; now: number },
  used: Pick<Heard, "media" | "seconds">,
  beside: Beside,
): [string, number] {
  if (playing === used.media)
    return [beside.media, share(now, used.seconds) * (beside.seconds ?? 0)];
  const from = playing === beside.media ? share(now, beside.seconds) * (used.seconds ?? 0) : 0;
  return [used.media!, from];
}

const share = (now: number, seconds: number | null) => (seconds ? Math.min(1, now / seconds) : 0);
