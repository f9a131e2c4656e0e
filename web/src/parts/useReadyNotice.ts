/** Tells whoever looks at something else that a run has ended, if they asked for that. */
import { useEffect, useRef } from "react";

import type { Film, Run } from "../api/client";
import { toldWhenReady } from "../state/ready";
import { nameOfRun } from "./runNames";

const OPEN = new Set(["going", "paused"]);

/** What is said of a run that has ended; nothing of one that its maker cancelled. */
export function saidOf(run: Run): string {
  if (run.state === "done" && run.failures.length)
    return `${run.done} of ${run.total} made; ${run.failures.length} failed.`;
  if (run.state === "done") return "It is ready.";
  return run.state === "failed" ? run.message || "It failed." : "";
}

export function useReadyNotice(film: Film, runs: Run[] | undefined) {
  const open = useRef(new Set<string>());
  useEffect(() => {
    if (!runs) return;
    const ended = runs.filter((run) => open.current.has(run.id) && !OPEN.has(run.state));
    open.current = new Set(runs.filter((run) => OPEN.has(run.state)).map((run) => run.id));
    if (!document.hidden || !toldWhenReady.get()) return;
    for (const run of ended) {
      const body = saidOf(run);
      if (!body) continue;
      const notice = new Notification(`${film.title}: ${nameOfRun(run.kind)}`, {
        body,
        tag: run.id,
      });
      notice.onclick = () => window.focus();
    }
  }, [film.title, runs]);
}
