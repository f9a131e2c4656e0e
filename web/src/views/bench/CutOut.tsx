/** A figure, or what is painted over, is cut out of a take to be laid into others. */
import { useState } from "react";

import { useMask } from "../../api/film";
import { useCut, useHand } from "../../api/hand";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { notify } from "../../state/notices";
import { CutOuts } from "./CutOuts";
import { Marking } from "./Marking";
import type { DeskProps } from "./desk";
import { type Mask, pngOf, share } from "./mask";

const SOFT = 1.5;

export function CutOut({ film, take, onDone }: DeskProps) {
  const [mask, setMask] = useState<Mask | null>(null);
  const [figure, setFigure] = useState<number | null>(null);
  const [given, setGiven] = useState<string | null>(null);
  const figures = useHand(film.id, take.id).data?.figures ?? [];
  const keep = useMask(film.id);
  const cut = useCut(film.id, take.id);
  const name = given ?? (figure === null ? "" : (figures[figure]?.name ?? ""));
  const ready = mask !== null && share(mask) > 0 && name.trim() !== "";
  const cutIt = async () => {
    // A figure as it was drawn has a finer edge than the marks on the screen.
    const kept =
      figure === null
        ? (await keep.mutateAsync({ take: take.id, png: await pngOf(mask!) })).media
        : null;
    const wish = { name: name.trim(), figure, mask: kept, feather: SOFT, revision: film.revision };
    cut.mutate(wish, {
      onSuccess: () => {
        notify(
          `${name.trim()} is cut out. Go to any shot and choose “Lay something in” beside a take.`,
        );
        onDone();
      },
    });
  };
  return (
    <section aria-label={`Cut out of take ${take.number}`}>
      <Marking
        film={film}
        take={take}
        mask={mask}
        onMask={(next, number) => {
          setMask(next);
          setFigure(number);
        }}
      />
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <Field
          className="!w-[220px]"
          aria-label="Name of the cut-out"
          value={name}
          maxLength={80}
          placeholder="what it is called"
          onChange={(e) => setGiven(e.target.value)}
        />
        <Button
          kind="ink"
          disabled={!ready || keep.isPending || cut.isPending}
          onClick={() => void cutIt()}
        >
          {cut.isPending ? "cutting …" : "Cut it out"}
        </Button>
        <Button kind="quiet" onClick={onDone}>
          Leave it
        </Button>
        <span className="text-[12px] text-ink-2">
          {figure === null
            ? "Mark somebody, or paint over what is to be cut out."
            : "Cut along its edge as it was drawn."}
        </span>
      </div>
      <CutOuts film={film} />
    </section>
  );
}
