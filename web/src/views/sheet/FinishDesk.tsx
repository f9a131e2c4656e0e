/** How one shot's picture is graded and what is done to it, opened in its row: for the shot, its scene, or all that are like
 * it. */
import * as Popover from "@radix-ui/react-popover";
import { Contrast } from "lucide-react";
import { useState } from "react";

import type { Film, Shot } from "../../api/client";
import { Opening } from "../../parts/Opening";
import { useChange } from "../../api/film";
import { Also } from "../../parts/Also";
import { Button } from "../../parts/Button";
import { EffectList, type Effect } from "./EffectList";
import { FrameSeen } from "./FrameSeen";
import { type Grade, GradeFields, PAINTED } from "./GradeFields";
import { type Inset, InsetList } from "./InsetList";
import { type Mark, MarkList } from "./MarkList";
import { type At, PlaceHandle } from "./PlaceHandle";

/** What is done to a shot's picture, in short. */
function finishWords(shot: Shot): string {
  const { grade, mood, effects } = shot.finish;
  const words = effects.map((e) => e.kind as string);
  if (shot.own.insets?.length) words.push("a picture over it");
  if (shot.own.marks?.length) words.push("marks");
  if (shot.own.grade ?? mood) words.push("graded");
  else if (grade) words.push("the film’s grade");
  return words.join(", ");
}

export function FinishDesk({ film, shot }: { film: Film; shot: Shot }) {
  const words = finishWords(shot);
  return (
    <Opening
      button={
        <button
          type="button"
          aria-label={`Grade and effects of shot ${shot.edge}: ${words || "none"}`}
          title={words || "grade and effects: none"}
          className={`flex size-6 shrink-0 items-center justify-center rounded-[3px] bg-page hover:bg-shade ${words ? "text-ink" : "text-ink-2 opacity-0 focus-visible:opacity-100 group-hover:opacity-100 group-data-[on]:opacity-100 data-[state=open]:opacity-100"}`}
          onClick={(e) => e.stopPropagation()}
        >
          <Contrast className="size-3.5" />
        </button>
      }
    >
      <Popover.Content
        side="right"
        align="center"
        sideOffset={6}
        collisionPadding={8}
        aria-label={`Grade and effects of shot ${shot.edge}`}
        className="z-50 max-h-[var(--radix-popover-content-available-height)] w-[348px] overflow-y-auto rounded-md border border-rule-strong bg-page p-3 shadow-sm"
        onClick={(e) => e.stopPropagation()}
        onKeyDown={(e) => e.stopPropagation()}
      >
        <Desk film={film} shot={shot} />
      </Popover.Content>
    </Opening>
  );
}

type Values = {
  grade?: Grade | null;
  effects?: Effect[] | null;
  insets?: Inset[] | null;
  marks?: Mark[] | null;
};

function Desk({ film, shot }: { film: Film; shot: Shot }) {
  const change = useChange(film.id);
  const { grade, mood, effects, whys } = shot.finish;
  const set = (values: Values, shots: readonly Shot[] = [shot]) =>
    change.mutate({ type: "set shots", shots: shots.map((s) => s.id), values });
  const own = shot.own.grade != null || shot.own.effects != null;
  const here = { grade: shot.own.grade ?? null, effects: [...effects] };
  const scene = film.scenes[shot.scene];
  const inScene = film.shots.filter((s) => s.scene === shot.scene);
  const hour = film.shots.filter((s) => s.time === shot.time && s.place === shot.place);
  const graded = whys.filter(([what]) => !effects.some((e) => e.kind === what));
  const moment = effects.find((e) => e.begin);
  const marks = shot.own.marks ?? [];
  const [chosen, choose] = useState(0);
  const place = (x: number, y: number) =>
    set({ marks: marks.map((m, n) => (n === chosen ? { ...m, x, y } : m)) });
  const insets = shot.own.insets ?? [];
  const [laid, lay] = useState(0);
  const over = insets[laid];
  const put = (values: Partial<Inset>) =>
    set({ insets: insets.map((one, n) => (n === laid ? { ...one, ...values } : one)) });
  // All marks are drawn by then, and the inset that is chosen has come.
  const drawn = Math.max(...marks.map((m) => m.begin + 2.2), over ? over.begin + 0.7 : 0);
  return (
    <>
      <FrameSeen
        film={film}
        shot={shot}
        alt={`Shot ${shot.edge} as it is finished`}
        after={marks.length || over ? drawn : moment ? (moment.begin ?? 0) + 0.2 : 1.1}
        onPick={marks[chosen] ? place : undefined}
        over={(stage) =>
          over && (
            <>
              <PlaceHandle
                stage={stage}
                at={[over.x, over.y]}
                name={`Place of ${over.name}`}
                own
                beyond={0.5}
                onPut={([x, y]) => put({ x, y })}
              />
              {over.to && (
                <PlaceHandle
                  stage={stage}
                  at={over.to as At}
                  name={`Where ${over.name} goes`}
                  own={false}
                  beyond={0.5}
                  onPut={(to) => put({ to })}
                />
              )}
            </>
          )
        }
      />
      {graded.map(([what, why]) => (
        <p key={what} className="mb-1 text-[12.5px] text-ink-2">
          {what}: {why}
        </p>
      ))}
      <EffectList effects={effects} whys={whys} moments onPut={(list) => set({ effects: list })} />
      <InsetList
        film={film}
        shot={shot}
        insets={insets}
        chosen={laid}
        onChoose={lay}
        onPut={(list) => set({ insets: list.length ? list : null })}
      />
      <MarkList
        marks={marks}
        chosen={chosen}
        onChoose={choose}
        onPut={(list) => set({ marks: list.length ? list : null })}
      />
      <dl className="mt-2 grid grid-cols-[84px_1fr] items-center gap-y-0.5 border-t border-rule pt-2">
        <GradeFields
          film={film}
          grade={shot.own.grade ?? grade ?? PAINTED}
          onPut={(next) => set({ grade: next })}
          besides={[["film", mood ? "as planned" : "as the film"]]}
          named={shot.own.grade ? undefined : "film"}
          onNamed={() => set({ grade: null })}
        />
      </dl>
      <p className="mt-3 flex flex-wrap gap-x-3 border-t border-rule pt-2">
        {inScene.length > 1 && (
          <Also
            says={
              scene?.title
                ? `All ${inScene.length} of this scene`
                : `All ${inScene.length} beside it`
            }
            onClick={() => set(here, inScene)}
          />
        )}
        {hour.length > 1 && hour.length !== inScene.length && (
          <Also
            says={`All ${hour.length} at this place and hour`}
            onClick={() => set(here, hour)}
          />
        )}
        {film.shots.length > 1 && (
          <Also
            says={`All ${film.shots.length} of the film`}
            onClick={() => set(here, film.shots)}
          />
        )}
        {own && <Button onClick={() => set({ grade: null, effects: null })}>As planned</Button>}
      </p>
    </>
  );
}
