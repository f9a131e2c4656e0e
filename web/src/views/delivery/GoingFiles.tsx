/** Files that are being made, in the order in which they are: each can be paused, cancelled, and be made sooner. */
import { ArrowUp } from "lucide-react";

import type { Film, Run } from "../../api/client";
import { useOrder } from "../../api/film";
import { Button } from "../../parts/Button";
import { RunControls } from "../../parts/RunControls";

/** Runs as they are made: those put in order first, then by age. */
export function inOrder(runs: readonly Run[]): Run[] {
  return [...runs].sort(
    (a, b) => b.priority - a.priority || Date.parse(a.created) - Date.parse(b.created),
  );
}

export function GoingFiles({ film, runs }: { film: Film; runs: readonly Run[] }) {
  const order = useOrder(film.id);
  const going = inOrder(runs);
  if (!going.length) return null;
  const sooner = (at: number) => {
    const ids = going.map((run) => run.id);
    ids.splice(at - 1, 0, ...ids.splice(at, 1));
    order.mutate(ids);
  };
  return (
    <ol aria-label="Files being made" className="mb-3 flex flex-col gap-2">
      {going.map((run, i) => (
        <li key={run.id}>
          <p className="flex h-7 items-center justify-between">
            <span className="text-ink-2">
              {going.length > 1 && `${i + 1}. `}
              {nameOfFile(run)}
            </span>
            {i > 0 && (
              <Button
                kind="quiet"
                aria-label={`Make ${nameOfFile(run)} sooner`}
                disabled={order.isPending}
                onClick={() => sooner(i)}
              >
                <ArrowUp className="size-3.5" /> sooner
              </Button>
            )}
          </p>
          <RunControls film={film} run={run} />
        </li>
      ))}
    </ol>
  );
}

const FILES: Record<string, string> = {
  web: "for the web",
  archive: "to be kept",
  vp9: "in an open codec",
  av1: "in a small file",
  master: "as a master",
};

/** What a delivery makes, in a few words. */
function nameOfFile(run: Run): string {
  const { size = "1080p", form = "web" } = run.options as { size?: string; form?: string };
  return `${size}, ${FILES[form] ?? form}`;
}
