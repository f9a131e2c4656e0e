/** An offer of pictures tried on three shots of a film, beside what the film has: so it is told how good it is. */
import { useState } from "react";

import type { Schemas } from "../../api/client";
import { useEstimate, useFilm, useShelf, useStart } from "../../api/film";
import { useRunsOf, useTrial } from "../../api/services";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { money } from "../../parts/time";

export function Trial({ offer }: { offer: Schemas["Offer"] }) {
  const films = useShelf().data ?? [];
  const [chosen, setChosen] = useState("");
  const film = films.find((f) => f.id === chosen) ?? films[0];
  if (!film) return null;
  return (
    <section aria-label="On trial" className="mt-5">
      <h3 className="flex items-baseline justify-between gap-3 border-b border-rule-strong pb-1 font-semibold">
        Tried on three shots
        <span className="font-normal text-ink-2">
          of{" "}
          <Choice
            quiet
            label="Film to try it on"
            value={film.id}
            options={films.map((f) => [f.id, f.cut ? `${f.title}, ${f.cut}` : f.title])}
            onChange={setChosen}
          />
        </span>
      </h3>
      <OnFilm key={film.id} film={film.id} offer={offer} />
    </section>
  );
}

function OnFilm({ film, offer }: { film: string; offer: Schemas["Offer"] }) {
  const start = useStart(film);
  const revision = useFilm(film).data?.revision ?? 0;
  const runs = useRunsOf(film).data ?? [];
  const going = runs.find(
    (r) => r.state === "going" && r.kind === "trial" && r.options.offer === offer.name,
  );
  const made = runs.reduce((n, r) => n + r.done, 0);
  const shots = useTrial(film, offer.name, revision, made).data;
  const missing = shots?.filter((s) => !s.media).length ?? 0;
  const wish = { kind: "trial" as const, offer: offer.name };
  const cost = useEstimate(film, wish, revision, missing > 0 && !going).data?.cost;
  if (!shots) return null;
  if (missing === shots.length && !going)
    return (
      <p className="flex items-center gap-3 pt-2 text-ink-2">
        <Button disabled={start.isPending} onClick={() => start.mutate(wish)}>
          Try it
          {cost !== undefined && (
            <span className="font-mono font-normal opacity-75">{money(cost)}</span>
          )}
        </Button>
        Somebody near, somebody farther off, and a place.
      </p>
    );
  return (
    <div className="grid grid-cols-2 gap-2 pt-2">
      <span className="text-[12px] text-ink-2">{offer.title}</span>
      <span className="text-[12px] text-ink-2">as the film has it</span>
      {shots.map((s) => (
        <Pair key={s.shot} edge={s.edge} theirs={s.media} used={s.used} />
      ))}
      {going && (
        <p role="status" className="col-span-2 text-ink-2">
          {going.waits || `${going.done} of ${going.total} made …`}
        </p>
      )}
      {!going && missing > 0 && (
        <Button className="col-span-2 w-fit" onClick={() => start.mutate(wish)}>
          Make the rest
        </Button>
      )}
      {!missing && (
        <p className="col-span-2 text-ink-2">
          How good it is, told above, counts when pictures are shared out. If the film takes it,
          these are not made again.
        </p>
      )}
    </div>
  );
}

const Pair = ({
  edge,
  theirs,
  used,
}: {
  edge: string;
  theirs: string | null;
  used: string | null;
}) => (
  <>
    <Seen media={theirs} alt={`shot ${edge} on trial`} />
    <Seen media={used} alt={`shot ${edge} as it is`} />
  </>
);

const Seen = ({ media, alt }: { media: string | null; alt: string }) =>
  media ? (
    <a href={`/media/${media}`} target="_blank" rel="noreferrer" title="Open it large">
      <img
        src={`/media/${media}`}
        alt={alt}
        className="aspect-video w-full rounded-[3px] bg-shade object-contain"
      />
    </a>
  ) : (
    <span className="flex aspect-video items-center justify-center rounded-[3px] bg-shade text-[12px] text-ink-2">
      not made yet
    </span>
  );
