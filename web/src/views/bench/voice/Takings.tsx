/** The takings of one line under each other on one time axis: heard one after another, used, rejected with a reason. */
import { Play, Square, X } from "lucide-react";
import { useCallback, useState } from "react";

import type { Film } from "../../../api/client";
import { useChange } from "../../../api/film";
import type { Heard, LineSaid } from "../../../api/voices";
import { digitOf, useKeys } from "../../../keys/useKeys";
import { Button } from "../../../parts/Button";
import { Rejecting } from "../../../parts/Rejecting";
import { Wave } from "./Wave";
import { differs } from "./differs";
import type { useHearing } from "../../../parts/hearing";
import { lineOf } from "./voices";

interface Props {
  film: Film;
  said: LineSaid;
  /** The words chosen, by their numbers. */
  chosen: ReadonlySet<number>;
  /** Keys are for this line. */
  keyed: boolean;
  hearing: ReturnType<typeof useHearing>;
  onWord: (word: number, passage: boolean) => void;
}

export function Takings({ film, said, chosen, keyed, hearing, onWord }: Props) {
  const change = useChange(film.id);
  const { hear, stop, playing, now } = hearing;
  const [rejecting, setRejecting] = useState<number | null>(null);
  const put = (values: Partial<ReturnType<typeof lineOf>>) =>
    change.mutate({ type: "set line", line: { ...lineOf(said), ...values } });
  const use = (seed: number) => {
    if (seed !== said.seed && rejectedOf(said, seed) === null) put({ seed });
  };
  const reject = (seed: number, reason: string | null) => {
    const others = Object.entries(said.rejected).filter(([s]) => s !== String(seed));
    const rejected: Record<string, string> = {
      ...Object.fromEntries(others),
      ...(reason === null ? {} : { [seed]: reason }),
    };
    const other = said.takes.find((t) => t.media && rejected[t.seed] === undefined);
    put({ rejected, seed: rejected[said.seed] === undefined ? said.seed : (other?.seed ?? 0) });
    setRejecting(null);
  };
  const longest = Math.max(0.1, ...said.takes.map((t) => t.seconds ?? 0));
  const used = said.takes.find((t) => t.seed === said.seed);
  const hears = useCallback(() => keyed, [keyed]);
  useKeys(
    "voice",
    {
      hear: () => {
        if (playing) stop();
        else if (used?.media) hear(used.media, 0);
      },
      next: () => {
        const made = said.takes.filter((t) => t.media);
        const at = made.findIndex((t) => t.media === playing);
        const next = made[(at + 1) % made.length];
        if (next?.media) hear(next.media, 0);
      },
      use: (e) => {
        const seed = digitOf(e) - 1;
        if (said.takes.some((t) => t.seed === seed)) use(seed);
      },
      reject: () => {
        const heard = said.takes.find((t) => t.media && t.media === playing) ?? used;
        if (!heard || said.recorded || said.takes.length < 2) return false;
        setRejecting(heard.seed);
      },
    },
    hears,
  );
  return said.takes.map((take) => {
    const why = rejectedOf(said, take.seed);
    const on = take.seed === said.seed;
    const here = playing !== null && playing === take.media;
    const alone = said.takes.filter((t) => rejectedOf(said, t.seed) === null).length < 2;
    return (
      <div key={take.seed}>
        <div className="mt-1.5 flex items-start gap-2">
          <button
            type="button"
            aria-label={`Use taking ${take.seed + 1}`}
            aria-pressed={on}
            disabled={why !== null}
            title={on ? "this one is used" : why !== null ? "it is rejected" : "use this one"}
            className={`mt-2 flex size-6 shrink-0 items-center justify-center rounded-full font-mono text-[12px] ${on ? "border-2 border-grease font-semibold" : "border border-rule-strong text-ink-2"} ${why !== null ? "line-through" : ""}`}
            onClick={() => use(take.seed)}
          >
            {take.seed + 1}
          </button>
          <div className="min-w-0 grow">
            {take.media ? (
              <div
                className={why !== null ? "opacity-50" : undefined}
                style={{ width: `${((take.seconds ?? longest) / longest) * 100}%` }}
              >
                <Wave
                  take={take}
                  words={on ? said.words : []}
                  cuts={on ? said.cuts : []}
                  now={here ? now : null}
                  chosen={chosen}
                  onWord={(w, passage) => {
                    onWord(w.number, passage);
                    if (!passage) hear(take.media!, w.start ?? 0);
                  }}
                />
              </div>
            ) : (
              <p className="py-2 font-serif text-ink-2">
                {said.words.map((w) => w.text).join(" ")}
              </p>
            )}
            {on && said.anew && (
              <p className="text-[12.5px] text-ink-2">heard as it was said before</p>
            )}
            {why !== null ? (
              <p className="text-[12.5px] text-ink-2">rejected{why ? `: ${why}` : ""}</p>
            ) : (
              <Differs take={take} used={used} />
            )}
          </div>
          <span className="mt-2 w-[44px] shrink-0 text-right font-mono text-[12px] text-ink-2">
            {take.seconds !== null && `${take.seconds.toFixed(1)} s`}
          </span>
          <Button
            kind="quiet"
            className="mt-1 !px-2"
            disabled={!take.media}
            aria-label={here ? "Stop" : `Hear taking ${take.seed + 1}`}
            onClick={() => (here ? stop() : hear(take.media!, 0))}
          >
            {here ? <Square className="size-4" /> : <Play className="size-4" />}
          </Button>
          {why !== null ? (
            <Button kind="quiet" className="mt-1 !px-2" onClick={() => reject(take.seed, null)}>
              Take it back
            </Button>
          ) : (
            said.takes.length > 1 && (
              <Button
                kind="quiet"
                className="mt-1 !px-2"
                disabled={alone}
                aria-label={`Reject taking ${take.seed + 1}`}
                title={alone ? "it is the only one left" : "reject it"}
                onClick={() => setRejecting(take.seed)}
              >
                <X className="size-4" />
              </Button>
            )
          )}
        </div>
        {rejecting === take.seed && (
          <Rejecting
            className="ml-8"
            placeholder="why? flat, a word swallowed …"
            onReject={(why) => reject(take.seed, why)}
            onLeave={() => setRejecting(null)}
          />
        )}
      </div>
    );
  });
}

/** Why a taking is rejected; null where it is not. */
const rejectedOf = (said: LineSaid, seed: number): string | null => said.rejected[seed] ?? null;

function Differs({ take, used }: { take: Heard; used: Heard | undefined }) {
  if (!used || take === used || !take.media || !used.media) return null;
  return <p className="text-[12.5px] text-ink-2">{differs(take, used)}</p>;
}
