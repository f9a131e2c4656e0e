/** Who makes what in one film, and where it was chosen otherwise: for a scene, somebody of the cast, or a shot. */
import { useState } from "react";

import type { Film } from "../../api/client";
import { useChange, useOffers } from "../../api/film";
import { type ChosenView, useMakers } from "../../api/services";
import { BeforeYouDecide } from "../continuity/BeforeYouDecide";
import { type MadeBy, MadeByRows } from "../MadeBy";

const KINDS = ["picture", "clip", "sound", "music", "enlarge"] as const;

export function WhoInFilm({ film }: { film: Film }) {
  const change = useChange(film.id);
  const makers = useMakers(film.id, film.revision).data;
  const [draft, setDraft] = useState<string | null>(null);
  const offers = useOffers().data ?? [];
  const title = (name: string) => offers.find((o) => o.name === name)?.title ?? name;
  if (!makers) return null;
  const { picture, ...others } = makers.film;
  const set = ({ picture: to, ...rest }: MadeBy) => {
    if (to && to !== picture) setDraft(to);
    else change.mutate({ type: "set settings", values: { made_by: rest } });
  };
  const person = (id: number) => film.cast.find((p) => p.id === id);
  return (
    <section aria-label="Who makes it" className="mt-6">
      <h2 className="mb-2 font-serif text-[20px] font-bold">Who makes it</h2>
      {draft && (
        <BeforeYouDecide
          film={film}
          title={`Pictures by ${title(draft)}`}
          command={{ type: "set settings", values: { offer: draft } }}
          onDone={() => setDraft(null)}
          onLeave={() => setDraft(null)}
        />
      )}
      <MadeByRows
        kinds={KINDS}
        chosen={others}
        stands={{ ...others, picture: draft ?? picture ?? "" }}
        onSet={set}
      />
      <Chosen
        heading="Chosen otherwise"
        rows={[
          ...makers.scenes.map((s) => ({
            ...s,
            what: `scene “${s.name || "the opening"}”`,
            lift: () =>
              change.mutate({
                type: "set scene",
                word: s.number,
                values: { made_by: null },
                pace: null,
                aim: null,
              }),
          })),
          ...makers.people.map((p) => ({
            ...p,
            what: p.name,
            lift: () => {
              const whose = person(p.number);
              if (whose) change.mutate({ type: "set person", person: { ...whose, made_by: {} } });
            },
          })),
          ...makers.shots.map((s) => ({
            ...s,
            what: `shot ${s.name}`,
            lift: () =>
              change.mutate({ type: "set shots", shots: [s.number], values: { made_by: null } }),
          })),
        ]}
        title={title}
      />
    </section>
  );
}

function Chosen({
  heading,
  rows,
  title,
}: {
  heading: string;
  rows: readonly (ChosenView & { what: string; lift: () => void })[];
  title: (offer: string) => string;
}) {
  if (!rows.length) return null;
  return (
    <>
      <h3 className="mt-3 border-b border-rule-strong pb-1 font-semibold">{heading}</h3>
      <ul>
        {rows.map((row) => (
          <li key={row.what} className="flex items-baseline gap-2 border-b border-rule py-1">
            <span className="min-w-0 grow">
              {row.what}:{" "}
              <span className="text-ink-2">
                {Object.entries(row.made_by)
                  .map(([kind, offer]) => `${kind} by ${title(offer)}`)
                  .join(", ")}
              </span>
            </span>
            <button
              type="button"
              className="min-h-6 shrink-0 text-[12px] text-ink-2 underline decoration-dotted"
              onClick={row.lift}
            >
              lift
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
