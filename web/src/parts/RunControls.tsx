/** A run as it goes: how far, how long still, what it cost; pause, go on, cancel. */
import type { Film, Run } from "../api/client";
import { useCancel, useRest, useTryNow } from "../api/film";
import { Button } from "./Button";
import { RunQuestions } from "./RunQuestions";
import { inWords, money } from "./time";

export function RunControls({ film, run }: { film: Film; run: Run }) {
  const cancel = useCancel(film.id);
  const rest = useRest(film.id);
  const tryNow = useTryNow(film.id);
  const paused = run.state === "paused";
  return (
    <section
      aria-label="What is being made"
      className="rounded-[5px] border border-rule-strong bg-page p-3"
    >
      <div className="flex justify-between gap-3">
        <span>
          {run.done} of {run.total} made
          {paused ? ", paused" : run.left ? `, about ${inWords(run.left)} left` : ""}
        </span>
        <span className="font-mono">{money(run.cost)}</span>
      </div>
      <div
        role="progressbar"
        aria-label="How far it is"
        aria-valuenow={Math.round(run.share * 100)}
        aria-valuemin={0}
        aria-valuemax={100}
        className="my-2 h-[3px] bg-rule"
      >
        <div className="h-full bg-ink" style={{ width: `${run.share * 100}%` }} />
      </div>
      <RunQuestions film={film} run={run} />
      {run.waits && !run.questions.length && (
        <p className="mb-2 flex items-start justify-between gap-3 text-[12px] text-ink-2">
          <span>{run.waits}</span>
          <Button kind="quiet" onClick={() => tryNow.mutate(run.id)}>
            Try now
          </Button>
        </p>
      )}
      {run.failures.length > 0 && (
        <p className="mb-2 text-[12px] text-grease-ink">
          {run.failures.length} failed: {run.failures[0]}
        </p>
      )}
      <div className="flex gap-2">
        <Button onClick={() => rest.mutate({ run: run.id, paused: !paused })}>
          {paused ? "Go on" : "Pause"}
        </Button>
        <Button kind="quiet" onClick={() => cancel.mutate(run.id)}>
          Cancel; what is made stays
        </Button>
      </div>
    </section>
  );
}
