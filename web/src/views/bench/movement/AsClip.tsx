/** A clip of the shot by a service: what it costs, what is left today, how long it would be against its words. */
import { useState } from "react";

import type { Film, Shot } from "../../../api/client";
import { useChange, useEstimate, useOffers, useRuns, useStart } from "../../../api/film";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";
import { Check } from "../../../parts/Field";
import { leftInWords, leftOf } from "../../../parts/quota";
import { money } from "../../../parts/time";

const COUNTS = [1, 2, 3, 4].map((n) => [String(n), n === 1 ? "one" : String(n)] as const);

export function AsClip({ film, shot, seconds }: { film: Film; shot: Shot; seconds: number }) {
  const [takes, setTakes] = useState(2);
  const change = useChange(film.id);
  const offers = (useOffers().data ?? []).filter((o) => o.kind === "clip");
  const offer = offers.find((o) => o.name === shot.made_by.clip) ?? offers[0];
  const [chained, setChained] = useState(false);
  const [into, setInto] = useState(false);
  const [sound, setSound] = useState(false);
  const at = film.shots.findIndex((s) => s.id === shot.id);
  const [before, after] = [film.shots[at - 1], film.shots[at + 1]];
  const wish = {
    kind: "clips" as const,
    shots: [shot.id],
    takes,
    ...(chained && { chained }),
    ...(into && { into }),
    ...(sound && { sound }),
  };
  const told = useEstimate(film.id, wish, film.revision, !!offer && !!shot.used).data;
  const start = useStart(film.id);
  const going = (useRuns(film.id).data ?? []).some((r) => r.state === "going");
  if (!offer) return null;
  const lasts = offer.lengths?.length
    ? offer.lengths.reduce((a, b) =>
        Math.max(b / seconds, seconds / b) < Math.max(a / seconds, seconds / a) ? b : a,
      )
    : seconds;
  return (
    <section aria-label="As a clip" className="mt-3">
      <h3 className="flex items-baseline justify-between border-b border-rule-strong pb-1 font-semibold">
        As a clip instead
        <span className="text-[12px] font-normal text-ink-2">{leftInWords(offer)}</span>
      </h3>
      <div className="flex items-center gap-2 py-2">
        <Button
          kind="ink"
          disabled={going || !told || leftOf(offer) < takes}
          onClick={() => start.mutate(wish)}
        >
          {going ? "making …" : `Make ${takes}`}
          {told && !going && (
            <span className="font-mono font-normal opacity-75">{money(told.cost)}</span>
          )}
        </Button>
        <Choice
          label="How many clips"
          value={String(takes)}
          options={COUNTS}
          onChange={(n) => setTakes(Number(n))}
        />
        {offers.length > 1 && (
          <Choice
            quiet
            label="Who makes them"
            value={offer.name}
            options={offers.map((o) => [o.name, o.title] as const)}
            onChange={(clip) =>
              change.mutate({
                type: "set shots",
                shots: [shot.id],
                values: { made_by: { ...shot.own.made_by, clip } },
              })
            }
          />
        )}
      </div>
      <div className="pb-1">
        <span className="text-[12px] text-ink-2">
          {lasts} s each; its words take {seconds.toFixed(1)}
        </span>
      </div>
      <div className="flex flex-wrap gap-x-4">
        {before?.used && (
          <Check
            label={`from shot ${before.edge}’s last frame`}
            on={chained}
            onChange={setChained}
          />
        )}
        {after?.used && (
          <Check label={`ending as shot ${after.edge}’s picture`} on={into} onChange={setInto} />
        )}
        <Check label="with a sound of its own" on={sound} onChange={setSound} />
      </div>
      <p className="text-[12px] text-ink-2">
        Each is a take of the shot, by the motion prompt; circle one under Takes.
      </p>
    </section>
  );
}
