/** The sound taken out as files: stems, the mix alone, the cue sheet. */
import type { Film, Run } from "../../api/client";
import { useRuns, useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { RunControls } from "../../parts/RunControls";
import { TakenFiles, filesOf } from "../../parts/TakenFiles";

interface Outcome {
  lower?: number;
}

export function TakenOut({ film }: { film: Film }) {
  const start = useStart(film.id);
  const runs = (useRuns(film.id).data ?? []).filter((r) => r.kind === "stems");
  const going = runs.find((r) => r.state === "going" || r.state === "paused");
  const last = runs.find((r) => r.state === "done" && filesOf(r));
  const failed = runs[0]?.state === "failed" ? runs[0] : undefined;
  return (
    <section aria-label="The sound as files">
      <h3 className="mb-2 border-b border-rule pb-1 font-semibold">The sound as files</h3>
      {going ? (
        <RunControls film={film} run={going} />
      ) : (
        <div className="flex flex-wrap gap-2">
          <Button disabled={start.isPending} onClick={() => start.mutate({ kind: "stems" })}>
            Take stems out
          </Button>
          <a
            href={`/api/films/${film.id}/mix/cues.csv`}
            download
            className="inline-flex h-8 items-center rounded-[5px] border border-rule-strong bg-page px-3 font-medium hover:bg-shade"
          >
            Cue sheet
          </a>
        </div>
      )}
      {failed && <p className="mt-2 text-grease-ink">{failed.message}</p>}
      {last && <Files run={last} />}
    </section>
  );
}

function Files({ run }: { run: Run }) {
  const { lower = 0 } = run.outcome as Outcome;
  const when = new Date(run.created).toLocaleString([], {
    dateStyle: "medium",
    timeStyle: "short",
  });
  return (
    <>
      <p className="mt-2 text-[12px] text-ink-2">
        {when}; 24 bit, 48 kHz. Voice, sound and music add up to the sum
        {lower > 0 && `; stems lie ${lower} dB under the film, so that none clips`}.
      </p>
      <TakenFiles run={run} />
    </>
  );
}
