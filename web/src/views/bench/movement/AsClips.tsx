/** Clips where they are worth it: the shots that gain most are chosen, as many as are left today, and made together. */
import type { Film } from "../../../api/client";
import { useEstimate, useOffers, useRuns, useStart } from "../../../api/film";
import { useWorth } from "../../../api/movement";
import { Button } from "../../../parts/Button";
import { leftInWords, leftOf } from "../../../parts/quota";
import { money } from "../../../parts/time";
import { Heading } from "../../continuity/Heading";

/** The day on which the last of some clips is made, where a quota leaves room for so many a day. */
export function lastDay(
  count: number,
  { left, limit, renews_at }: { left: number; limit: number; renews_at: string },
): string {
  const more = Math.ceil((count - left) / limit) - 1;
  const day = new Date(Date.parse(renews_at) + more * 86_400_000);
  return day.toLocaleDateString("en-GB", { weekday: "long", day: "numeric", month: "long" });
}

interface Props {
  film: Film;
  chosen: readonly number[];
  onChosen: (shots: number[]) => void;
}

export function AsClips({ film, chosen, onChosen }: Props) {
  const offer = (useOffers().data ?? []).find((o) => o.kind === "clip");
  const ranked = useWorth(film).data ?? [];
  const pictured = chosen.filter((id) => film.shots.find((s) => s.id === id)?.used);
  const beyond = !!offer && pictured.length > leftOf(offer);
  const wish = {
    kind: "clips" as const,
    shots: [...pictured],
    takes: 1,
    ...(beyond ? { wait: true } : {}),
  };
  const told = useEstimate(film.id, wish, film.revision, !!offer && pictured.length > 0).data;
  const start = useStart(film.id);
  const going = (useRuns(film.id).data ?? []).some((r) => r.state === "going");
  if (!offer) return null;
  const able = ranked.filter((w) => film.shots.find((s) => s.id === w.shot)?.used);
  const counts = [...new Set([5, 10, Math.min(leftOf(offer), able.length), able.length])].filter(
    (n) => n > 0 && n <= able.length,
  );
  return (
    <section aria-label="As clips" className="mt-6">
      <Heading title="Clips where they are worth it" beside={leftInWords(offer)} />
      <p className="flex flex-wrap items-center gap-2 py-2">
        <span className="text-ink-2">Choose the</span>
        {counts.map((n) => (
          <Button key={n} onClick={() => onChosen(able.slice(0, n).map((w) => w.shot))}>
            {n}
          </Button>
        ))}
        <span className="text-ink-2">shots that gain most</span>
      </p>
      {pictured.length > 0 && (
        <>
          <ul className="max-h-[180px] overflow-y-auto border-y border-rule">
            {pictured.map((id) => (
              <li key={id} className="grid grid-cols-[40px_minmax(0,1fr)] py-0.5">
                <span className="font-mono text-[12px]">
                  {film.shots.find((s) => s.id === id)?.edge}
                </span>
                <span className="truncate text-ink-2">
                  {ranked.find((w) => w.shot === id)?.why}
                </span>
              </li>
            ))}
          </ul>
          <Button
            kind="ink"
            className="mt-2"
            disabled={going || !told}
            onClick={() => start.mutate(wish)}
          >
            {going
              ? "making …"
              : pictured.length === 1
                ? "Make a clip"
                : `Make ${pictured.length} clips`}
            {told && !going && (
              <span className="font-mono font-normal opacity-75">{money(told.cost)}</span>
            )}
          </Button>
          {beyond && offer.quota && (
            <p className="mt-1 text-ink-2">
              {leftOf(offer) > 0 ? `${leftOf(offer)} are made today` : "None are left today"},{" "}
              {offer.quota.limit} a day from then on; the last is ready on{" "}
              {lastDay(pictured.length, offer.quota)}.
            </p>
          )}
        </>
      )}
    </section>
  );
}
