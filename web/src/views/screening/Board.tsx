/** The board: all shots with their words as pages to print. */
import { useState } from "react";

import type { Film } from "../../api/client";
import { useRuns, useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { FileLink, filesOf } from "../../parts/TakenFiles";

const PAPERS = [
  ["a4", "A4"],
  ["letter", "letter"],
] as const;
const EACH = [6, 9, 12] as const;

/** All shots taken out as pictures: one zip. */
export function Stills({ film }: { film: Film }) {
  const start = useStart(film.id);
  const runs = (useRuns(film.id).data ?? []).filter((r) => r.kind === "stills");
  const going = runs.find((r) => r.state === "going");
  const last = runs.find((r) => r.state === "done" && filesOf(r));
  return (
    <div className="flex items-center gap-2 text-ink-2">
      {runs[0]?.state === "failed" && <span>{runs[0].message}</span>}
      {last && !going && <FileLink run={last} name="stills.zip" />}
      <Button
        kind="quiet"
        disabled={start.isPending || !!going}
        onClick={() => start.mutate({ kind: "stills", size: "1080p" })}
      >
        {going ? `Drawing stills, ${Math.round(going.share * 100)} %` : "A still of each"}
      </Button>
    </div>
  );
}

export function Board({ film }: { film: Film }) {
  const start = useStart(film.id);
  const runs = (useRuns(film.id).data ?? []).filter((r) => r.kind === "board");
  const going = runs.find((r) => r.state === "going");
  const last = runs.find((r) => r.state === "done" && filesOf(r));
  const [paper, setPaper] = useState<"a4" | "letter">("a4");
  const [each, setEach] = useState<(typeof EACH)[number]>(9);
  return (
    <div className="flex items-center gap-2 text-ink-2">
      {runs[0]?.state === "failed" && <span>{runs[0].message}</span>}
      {last && !going && <FileLink run={last} name="board.pdf" />}
      <Choice
        quiet
        label="Shots to a page"
        value={String(each)}
        options={EACH.map((n) => [String(n), `${n} to a page`] as const)}
        onChange={(n) => setEach(Number(n) as (typeof EACH)[number])}
      />
      <Choice
        quiet
        label="Paper"
        value={paper}
        options={PAPERS}
        onChange={(p) => setPaper(p as "a4" | "letter")}
      />
      <Button
        disabled={start.isPending || !!going}
        onClick={() => start.mutate({ kind: "board", paper, each })}
      >
        {going ? `Making pages, ${Math.round(going.share * 100)} %` : "Make a board"}
      </Button>
    </div>
  );
}
