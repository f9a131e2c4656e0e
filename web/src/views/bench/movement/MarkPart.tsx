/** A part of the picture is marked, so that it moves by itself: painted, boxed, by colour, or somebody as they were drawn. */
import { useState } from "react";

import type { Film, Shot, Take } from "../../../api/client";
import { useChange, useMask, useRules } from "../../../api/film";
import { type Region, setOf } from "../../../api/movement";
import { Button } from "../../../parts/Button";
import { Choice, worded } from "../../../parts/Choice";
import { Field } from "../../../parts/Field";
import { Marking } from "../Marking";
import { type Mask, pngOf, share } from "../mask";
import { WAYS } from "./ways";

interface Props {
  film: Film;
  shot: Shot;
  take: Take;
  regions: readonly Region[];
  onDone: () => void;
}

export function MarkPart({ film, shot, take, regions, onDone }: Props) {
  const [mask, setMask] = useState<Mask | null>(null);
  const [way, setWay] = useState<Region["move"]["way"]>("sway");
  const [name, setName] = useState("");
  const keep = useMask(film.id);
  const change = useChange(film.id);
  const rules = useRules();
  const add = async () => {
    const kept = await keep.mutateAsync({ take: take.id, png: await pngOf(mask!) });
    const id = Math.max(0, ...regions.map((r) => r.id)) + 1;
    const region = { id, name: name.trim(), mask: kept.media, take: take.number, move: { way } };
    change.mutate(
      {
        type: "set shots",
        shots: [shot.id],
        values: { regions: [...setOf(regions), region] },
      },
      { onSuccess: onDone },
    );
  };
  const ready = mask !== null && share(mask) > 0;
  return (
    <section aria-label="Mark a part that moves">
      <Marking film={film} take={take} mask={mask} onMask={setMask} />
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <span className="text-ink-2">it</span>
        <Choice
          label="How it moves"
          value={way ?? "sway"}
          options={worded(rules.ways, WAYS)}
          onChange={(w) => setWay(w as typeof way)}
        />
        <Field
          aria-label="What it is called"
          value={name}
          maxLength={60}
          placeholder="what it is: the flag"
          className="!w-[190px]"
          onChange={(e) => setName(e.target.value)}
        />
        <Button kind="ink" disabled={!ready || keep.isPending} onClick={() => void add()}>
          Let it move
        </Button>
        <Button onClick={onDone}>Leave it</Button>
        <span className="text-[12px] text-ink-2">Nothing is made anew, and nothing costs.</span>
      </div>
    </section>
  );
}
