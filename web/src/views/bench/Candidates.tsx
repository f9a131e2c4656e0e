/** The last line of a desk: how many candidates are made and what they cost, or it is left as it is. */
import type { ReactNode } from "react";

import type { Film } from "../../api/client";
import { type RunWish, useEstimate, useRuns } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { money } from "../../parts/time";

const COUNTS = ["1", "2", "3", "4"].map((n) => [n, n] as const);

interface Props {
  film: Film;
  /** What would be made, for its cost. */
  wish: RunWish;
  ready: boolean;
  busy?: boolean;
  title: string;
  count: number;
  onCount: (count: number) => void;
  onMake: () => void;
  onDone: () => void;
  /** A word on what it does. */
  children: ReactNode;
}

export function Candidates({
  film,
  wish,
  ready,
  busy = false,
  title,
  count,
  onCount,
  onMake,
  onDone,
  children,
}: Props) {
  const making = (useRuns(film.id).data ?? []).some(
    (r) => r.state === "going" && r.kind === wish.kind,
  );
  const price = useEstimate(film.id, wish, film.revision, ready).data;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      <Button kind="ink" disabled={!ready || busy || making} onClick={onMake}>
        {making ? "making …" : title}
        {price && ready && price.cost > 0 && (
          <span className="font-mono font-normal opacity-75">{money(price.cost)}</span>
        )}
      </Button>
      <Choice
        label="How many candidates"
        value={String(count)}
        options={COUNTS}
        onChange={(v) => onCount(Number(v))}
      />
      <Button kind="quiet" onClick={onDone}>
        Leave it
      </Button>
      <span className="text-[12px] text-ink-2">{children}</span>
    </div>
  );
}
