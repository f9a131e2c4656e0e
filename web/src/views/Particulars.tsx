/** Particulars of the selected shot: what it shows, its prompt by origin, its takes, what to make and what it costs. */
import { Volume2 } from "lucide-react";
import { useState } from "react";

import type { Film, Shot } from "../api/client";
import {
  useBring,
  useCancel,
  useChange,
  useEstimate,
  useOffers,
  useRest,
  useRuns,
  useStart,
} from "../api/film";
import { Bring } from "../parts/Bring";
import { Button } from "../parts/Button";
import { Choice } from "../parts/Choice";
import { hearShot } from "../parts/hear";
import { Ring } from "../parts/marks";
import { inWords, money } from "../parts/time";
import { Facts } from "./Facts";
import { Ideas } from "./Ideas";
import { MadeByOfShot } from "./MadeBy";
import { PromptBox } from "./PromptBox";
import { Plates } from "./sheet/Plates";

const COUNTS = ["1", "2", "3", "4"].map((n) => [n, n] as const);

export function Particulars({ film, shot }: { film: Film; shot: Shot }) {
  const change = useChange(film.id);
  const set = (values: Record<string, unknown>) =>
    change.mutate({ type: "set shots", shots: [shot.id], values });
  // Documentaries are drawn as much as they are painted.
  const first = !!shot.plate || film.settings.kind === "documentary";
  return (
    <div className="flex grow flex-col divide-y divide-rule border-t border-rule-strong">
      <PromptBox film={film} shot={shot} onSet={set} />
      <Takes film={film} shot={shot} />
      {first && <Plates film={film} shot={shot} />}
      {shot.ideas.length > 0 && (
        <div className="px-4 py-2">
          <Ideas film={film} shot={shot} />
        </div>
      )}
      {!first && <Plates film={film} shot={shot} />}
      <section className="px-4 py-2" aria-label="What it shows">
        <Facts film={film} shot={shot} names={["framing", "time", "weather"]} />
        <MadeByOfShot own={shot.own.made_by} stands={shot.made_by} onSet={set} />
      </section>
      <MakeAll film={film} />
    </div>
  );
}

function Takes({ film, shot }: { film: Film; shot: Shot }) {
  const change = useChange(film.id);
  const start = useStart(film.id);
  const bring = useBring(film.id);
  const offers = useOffers().data;
  const [count, setCount] = useState(2);
  const price = Number(offers?.find((o) => o.name === shot.made_by.picture)?.price.amount ?? 0);
  const making = (useRuns(film.id).data ?? []).some(
    (r) => r.state === "going" && r.shots.includes(shot.id),
  );
  const shown = shot.takes.slice(-4);
  const used = shot.takes.find((t) => t.id === shot.used);
  return (
    <section className="px-4 py-2" aria-label="Takes">
      <div className="mb-1.5 flex items-baseline justify-between">
        <h2 className="font-semibold">Takes</h2>
        <span className="truncate text-ink-2">
          {used ? (used.brought ? "your own picture" : `seed ${used.seed}`) : "none yet"}
        </span>
      </div>
      {shown.length > 0 && (
        <div className="mb-2 grid grid-cols-4 gap-2">
          {shown.map((t) => (
            <button
              key={t.id}
              type="button"
              aria-pressed={t.id === shot.used}
              aria-label={`Circle take ${t.number}${t.stale ? ", stale" : ""}`}
              title={
                t.unused.length
                  ? `the illustrator could not use: ${t.unused.join(", ")}`
                  : "circle this take"
              }
              onClick={() => change.mutate({ type: "circle take", shot: shot.id, take: t.id })}
              className="text-center"
            >
              <span
                className={`relative block aspect-video overflow-hidden rounded-[3px] ${t.id === shot.used ? "outline outline-2 outline-offset-2 outline-ink" : ""}`}
              >
                <img
                  src={`/media/${t.thumb}`}
                  alt=""
                  className={`size-full ${film.settings.aspect === "16:9" ? "object-cover" : "bg-shade object-contain"}`}
                />
                {t.stale && <span className="hatch absolute inset-0" />}
                <span className="absolute bottom-0 left-0 flex rounded-tr-[5px] bg-page">
                  <Ring
                    number={t.number}
                    on={t.id === shot.used}
                    hatched={t.id !== shot.own_circled}
                  />
                </span>
              </span>
            </button>
          ))}
        </div>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button
          kind="ink"
          disabled={making}
          onClick={() => start.mutate({ kind: "pictures", shots: [shot.id], takes: count })}
        >
          {making ? "making …" : `Make ${count} ${shot.takes.length ? "more" : ""}`}
          <span className="font-mono font-normal opacity-75">{money(price * count)}</span>
        </Button>
        <Choice
          label="How many takes"
          value={String(count)}
          options={COUNTS}
          onChange={(v) => setCount(Number(v))}
        />
        <Bring
          label="Picture file"
          title="Bring"
          busy={bring.isPending}
          onFiles={([file]) => bring.mutate({ shot: shot.id, file: file! })}
        />
        <Button
          aria-label="Hear the line"
          title="Hear the line"
          onClick={() => hearShot(film, shot)}
        >
          <Volume2 className="size-4" />
        </Button>
      </div>
    </section>
  );
}

/** Everything missing or stale, with its cost before it is made. */
function MakeAll({ film }: { film: Film }) {
  const start = useStart(film.id);
  const cancel = useCancel(film.id);
  const rest = useRest(film.id);
  const going = (useRuns(film.id).data ?? []).find(
    (r) => r.state === "going" || r.state === "paused",
  );
  const failed = useFailed(film.id)?.[0];
  const estimate = useEstimate(film.id, { kind: "everything" }, film.revision, !going).data;
  if (going)
    return (
      <section className="sticky bottom-0 z-10 mt-auto flex items-center gap-3 bg-ground px-4 py-2.5">
        <span className="text-ink-2">
          {going.done} of {going.total} made{going.state === "paused" ? ", paused" : ""}
        </span>
        <Button
          className="ml-auto"
          onClick={() => rest.mutate({ run: going.id, paused: going.state !== "paused" })}
        >
          {going.state === "paused" ? "Go on" : "Pause"}
        </Button>
        <Button onClick={() => cancel.mutate(going.id)}>Cancel</Button>
      </section>
    );
  return (
    <section className="sticky bottom-0 z-10 mt-auto flex flex-wrap items-center gap-3 bg-ground px-4 py-2.5">
      {failed && <p className="w-full text-[12px] text-grease-ink">{failed}</p>}
      {estimate && estimate.items > 0 ? (
        <>
          <Button kind="ink" onClick={() => start.mutate({ kind: "everything" })}>
            Make what is missing{" "}
            <span className="font-mono font-normal opacity-75">{money(estimate.cost)}</span>
          </Button>
          <span className="text-[12px] text-ink-2">
            {estimate.items} pieces, about {inWords(estimate.seconds)}
          </span>
        </>
      ) : (
        <span className="text-ink-2">
          {estimate ? "Pictures, voices and sound are all made." : "Looking at what is missing …"}
        </span>
      )}
    </section>
  );
}

function useFailed(film: string): string[] | undefined {
  const last = useRuns(film).data?.[0];
  if (!last || last.state === "going" || last.state === "paused" || last.state === "cancelled")
    return undefined;
  return last.state === "failed" ? [last.message] : last.failures.length ? [last.message] : [];
}
