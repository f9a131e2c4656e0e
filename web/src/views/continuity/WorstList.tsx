/** Everything that departs, the worst first: what, where, the colour wanted beside the one shown. */
import type { Film } from "../../api/client";
import { Button } from "../../parts/Button";
import { isUpright } from "../../parts/shape";
import type { Deeds } from "./deeds";
import { type Departure, departures, nameOf, usedOf } from "./drift";

export function WorstList({
  film,
  deeds,
  onChoose,
}: {
  film: Film;
  deeds: Deeds;
  onChoose: (person: number) => void;
}) {
  const { open, accepted } = departures(film);
  const made = film.shots.filter((s) => s.used).length;
  if (!open.length && !accepted.length)
    return (
      <p className="py-3 text-ink-2">
        {made
          ? `Nothing departs in the ${made} pictures made so far.`
          : "No picture is made yet. Make the pictures in the Sheet; what departs in them is listed here."}
      </p>
    );
  return (
    <>
      <ul aria-label="Departures" className="border-t border-ink">
        {open.map((d) => (
          <Row
            key={`${d.shot.id} ${d.drift.person}`}
            film={film}
            departure={d}
            deeds={deeds}
            onChoose={onChoose}
          />
        ))}
      </ul>
      {open.length === 0 && (
        <p className="py-3 text-ink-2">Nothing departs that you have not accepted.</p>
      )}
      {accepted.length > 0 && (
        <>
          <h2 className="mb-1 mt-6 font-semibold">Accepted</h2>
          <ul aria-label="Accepted departures" className="border-t border-rule-strong">
            {accepted.map((d) => (
              <Row
                key={`${d.shot.id} ${d.drift.person}`}
                film={film}
                departure={d}
                deeds={deeds}
                onChoose={onChoose}
              />
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function Row({
  film,
  departure,
  deeds,
  onChoose,
}: {
  film: Film;
  departure: Departure;
  deeds: Deeds;
  onChoose: (person: number) => void;
}) {
  const { shot, drift, person } = departure;
  const seen = drift.found.filter((f) => f.marked).sort((a, b) => (b.apart ?? 0) - (a.apart ?? 0));
  const isOpen = drift.open > 0;
  return (
    <li className="grid grid-cols-[128px_44px_minmax(0,1fr)_auto] items-center gap-3 border-b border-rule py-2">
      <button
        type="button"
        aria-label={`Open shot ${shot.edge}`}
        onClick={() => deeds.go(shot)}
        onKeyDown={(e) => deeds.onKey(e, shot, drift.person ?? null)}
        className="block"
      >
        <span
          className={`relative block overflow-hidden rounded-[3px] ${isUpright(film.settings.aspect) ? "aspect-square" : "aspect-video"}`}
        >
          <img src={`/media/${usedOf(shot)?.thumb}`} alt="" className="size-full object-cover" />
          {shot.stale && <span className="hatch absolute inset-0" />}
        </span>
      </button>
      <span className="font-mono">{shot.edge}</span>
      <div className="min-w-0">
        <button
          type="button"
          disabled={!person}
          onClick={() => person && onChoose(person.id)}
          className="font-serif text-[15px] font-bold"
        >
          {nameOf(film, departure)}
        </button>
        <ul>
          {seen.map((f, i) => (
            <li key={i} className={`flex items-center gap-1.5 ${f.accepted ? "text-ink-2" : ""}`}>
              {f.wanted && (
                <i
                  title="wanted"
                  className="size-3.5 shrink-0 rounded-[3px] border border-rule"
                  style={{ background: f.wanted }}
                />
              )}
              {f.shown && (
                <i
                  title="shown"
                  className="size-3.5 shrink-0 rounded-[3px] border border-rule"
                  style={{ background: f.shown }}
                />
              )}
              <span
                className={
                  f.accepted
                    ? ""
                    : "underline decoration-grease decoration-wavy decoration-1 underline-offset-[3px]"
                }
              >
                {f.text}
              </span>
              {f.by && <span className="truncate text-ink-2">{f.by}</span>}
            </li>
          ))}
          {drift.missing.length > 0 && <li>its prompt does not say: {drift.missing.join(", ")}</li>}
        </ul>
      </div>
      <div className="flex gap-1.5">
        <Button onClick={() => deeds.again(shot)}>Make again</Button>
        <Button kind="quiet" onClick={() => deeds.accept(shot, drift.person ?? null)}>
          {isOpen ? "Accept" : "Count it again"}
        </Button>
      </div>
    </li>
  );
}
