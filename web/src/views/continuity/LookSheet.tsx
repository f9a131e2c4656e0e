/** A look's sheet: its words and palette, what was measured, three shots tried in it, and what no picture may show. */
import { useState } from "react";

import type { Command, Film, Look } from "../../api/client";
import { useKeep, useSamples } from "../../api/continuity";
import { useChange, useEstimate, useRuns, useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { Editable } from "../../parts/Editable";
import { money } from "../../parts/time";
import { notify } from "../../state/notices";
import { BeforeYouDecide } from "./BeforeYouDecide";
import { Heading } from "./Heading";
import { Strength } from "./References";
import { usedOf } from "./drift";

const WORDS = [
  ["medium", "in every prompt"],
  ["line", "where there is room"],
  ["light", "where there is room"],
  ["lens", "where there is room"],
  ["era", "where there is room"],
  ["avoid", "in every negative"],
] as const;

interface Props {
  film: Film;
  look: Look;
  onChoose: (look: string) => void;
}

export function LookSheet({ film, look, onChoose }: Props) {
  const change = useChange(film.id);
  const keep = useKeep();
  const [draft, setDraft] = useState<{ title: string; command: Command } | null>(null);
  const used = film.settings.look === look.name;
  const set = (values: Partial<Look>) => {
    const command: Command = { type: "set look", look: { ...look, ...values }, use: false };
    if (used) setDraft({ title: `Changing ${look.title}`, command });
    else change.mutate(command);
  };
  const copy = () => {
    const name = fresh(look.name, film);
    change.mutate(
      {
        type: "set look",
        look: {
          ...look,
          name,
          title: `${look.title}, own`,
          own: true,
          about: `Changed from ${look.title}.`,
        },
        use: false,
      },
      { onSuccess: () => onChoose(name) },
    );
  };
  return (
    <div className="flex flex-col gap-4">
      <div>
        <h2 className="font-serif text-[22px] font-bold">
          {look.own ? (
            <Editable
              value={look.title}
              label="Name of the look"
              onSave={(title) => set({ title })}
            />
          ) : (
            look.title
          )}
        </h2>
        <p className="text-ink-2">{look.about}</p>
      </div>
      {draft ? (
        <BeforeYouDecide
          film={film}
          title={draft.title}
          command={draft.command}
          onDone={() => setDraft(null)}
          onLeave={() => setDraft(null)}
        />
      ) : (
        <div className="flex flex-wrap gap-2">
          <Button
            kind="ink"
            disabled={used}
            onClick={() =>
              setDraft({
                title: `${film.title} in ${look.title}`,
                command: { type: "set settings", values: { look: look.name } },
              })
            }
          >
            {used ? "This film's look" : "Take it for the film"}
          </Button>
          {look.own ? (
            <>
              <Button
                disabled={keep.isPending}
                onClick={() =>
                  keep.mutate(
                    { member: null, card: { look }, thumb: look.references[0]?.thumb },
                    { onSuccess: () => notify(`${look.title} is in the company now.`) },
                  )
                }
              >
                Keep in the company
              </Button>
              <Button
                kind="quiet"
                disabled={used}
                onClick={() =>
                  change.mutate(
                    { type: "remove look", name: look.name },
                    { onSuccess: () => onChoose(film.settings.look) },
                  )
                }
              >
                Remove
              </Button>
            </>
          ) : (
            <Button onClick={copy}>Change a copy</Button>
          )}
        </div>
      )}
      {!used && <Tried film={film} look={look} />}
      <section aria-label="Words of the look">
        <Heading title="In prompts" beside={look.own ? "yours to change" : "ours"} />
        {WORDS.filter(([what]) => look.own || look[what]).map(([what, where]) => (
          <div
            key={what}
            className="grid grid-cols-[72px_minmax(0,1fr)_auto] items-baseline gap-2 border-b border-rule py-[3px]"
          >
            <span className="px-1 text-ink-2">{what}</span>
            {look.own ? (
              <Editable
                value={look[what]}
                hint="nothing"
                label={`The look's ${what}`}
                onSave={(words) => set({ [what]: words })}
              />
            ) : (
              <span>{look[what]}</span>
            )}
            <span className="text-[12px] text-ink-2">{where}</span>
          </div>
        ))}
      </section>
      <section aria-label="Palette">
        <Heading
          title="Palette"
          beside={
            look.own
              ? "said by name, as far as the strength asks"
              : "known to services by the medium"
          }
        />
        <ul className="mt-2 grid grid-cols-3 gap-2">
          {look.palette.map((c) => (
            <li key={c.css} className="flex items-center gap-2">
              <i
                className="size-7 shrink-0 rounded-[3px] border border-rule"
                style={{ background: c.css }}
              />
              <span className="min-w-0 leading-tight">
                <span className="block truncate">{c.name}</span>
                <span className="font-mono text-[11px] text-ink-2">{c.css}</span>
              </span>
            </li>
          ))}
        </ul>
        {look.own && look.references.length > 0 && (
          <div className="mt-2 flex">
            <Strength value={look.strength} onSet={(strength) => set({ strength })} />
          </div>
        )}
      </section>
      {look.measured && <Measured style={look.measured} />}
      <section aria-label="Never in this film">
        <Heading title="Never in this film" beside="in every negative, whatever the look" />
        <Editable
          value={film.settings.negative}
          hint="modern clothes, cars, lettering"
          label="What no picture of the film may show"
          onSave={(negative) =>
            setDraft({
              title: "What no picture may show",
              command: { type: "set settings", values: { negative } },
            })
          }
        />
      </section>
    </div>
  );
}

/** A name for a copy that the film does not have yet. */
function fresh(name: string, film: Film): string {
  const taken = new Set(film.looks.map((l) => l.name));
  for (let i = 1; ; i++) if (!taken.has(`own-${name}-${i}`)) return `own-${name}-${i}`;
}

/** What was measured of the pictures that a look was made from. */
export const Measured = ({ style }: { style: NonNullable<Look["measured"]> }) => (
  <section aria-label="Measured">
    <Heading title="Measured" beside="of its pictures" />
    <dl className="mt-1 grid grid-cols-4 gap-2">
      {(
        [
          ["lightness", style.lightness, "L* mean"],
          ["contrast", style.contrast, "L* deviation"],
          ["saturation", style.saturation, "chroma"],
          ["line", style.line, "% on an edge"],
        ] as const
      ).map(([name, value, unit]) => (
        <div key={name}>
          <dt className="text-ink-2">{name}</dt>
          <dd className="font-mono text-[15px]">{value}</dd>
          <dd className="text-[11px] text-ink-2">{unit}</dd>
        </div>
      ))}
    </dl>
  </section>
);

/** The picture that a shot has now, faint. */
function AsItIs({ film, shot }: { film: Film; shot: number }) {
  const found = film.shots.find((s) => s.id === shot);
  const take = found && usedOf(found);
  return take ? (
    <img src={`/media/${take.thumb}`} alt="" className="size-full object-cover opacity-40" />
  ) : null;
}

/** Three shots of the film in a look that it does not have yet. */
function Tried({ film, look }: { film: Film; look: Look }) {
  const runs = useRuns(film.id).data;
  const samples = useSamples(film.id, look.name, film.revision, runs).data;
  const start = useStart(film.id);
  const going = runs?.some((r) => r.state === "going" && r.kind === "look") ?? false;
  const missing = samples?.filter((s) => !s.media).length ?? 0;
  const estimate = useEstimate(
    film.id,
    { kind: "look", look: look.name },
    film.revision,
    missing > 0 && !going,
  ).data;
  return (
    <section aria-label="Three shots in it">
      <Heading title="Three shots in it" beside="before everything is made again" />
      <div className="grid grid-cols-3 gap-2 py-1">
        {samples?.map((s) => (
          <figure key={s.shot}>
            <div className="aspect-video overflow-hidden rounded-[3px] bg-shade">
              {s.thumb ? (
                <img
                  src={`/media/${s.thumb}`}
                  alt={`Shot ${s.edge} in ${look.title}`}
                  className="size-full object-cover"
                />
              ) : (
                <AsItIs film={film} shot={s.shot} />
              )}
            </div>
            <figcaption className="font-mono text-[12px] text-ink-2">
              {s.edge}
              {!s.thumb && ", as it is now"}
            </figcaption>
          </figure>
        ))}
      </div>
      {missing > 0 && (
        <Button disabled={going} onClick={() => start.mutate({ kind: "look", look: look.name })}>
          {going ? "making …" : "Try it"}{" "}
          {estimate && !going && (
            <span className="font-mono font-normal opacity-75">{money(estimate.cost)}</span>
          )}
        </Button>
      )}
      {missing === 0 && samples && (
        <p className="text-[12px] text-ink-2">
          Paid already: they are used as they are when the film takes this look.
        </p>
      )}
    </section>
  );
}
