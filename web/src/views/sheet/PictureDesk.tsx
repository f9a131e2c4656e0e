/** How all pictures of a film are graded and what is done to them, opened at their column's head and seen at once on the shot
 * that is chosen. */
import * as Popover from "@radix-ui/react-popover";
import type { ReactNode } from "react";

import type { Film } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import { Choice, worded } from "../../parts/Choice";
import { DeskRow as Row } from "../../parts/DeskRow";
import { EffectList } from "./EffectList";
import { FrameSeen, useChosenShot } from "./FrameSeen";
import { GradeFields } from "./GradeFields";

const AMOUNTS: Record<string, string> = {
  off: "none",
  low: "memories and years long ago",
  middle: "blows and strong moods too",
  high: "more, and the look’s own grain",
};

export function PictureDesk({ film, children }: { film: Film; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label="Grade and effects of the whole film"
        className="-ml-1 min-h-6 rounded-[3px] px-1 underline decoration-dotted underline-offset-4 hover:bg-shade"
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="center"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Grade and effects of the whole film"
          className="z-50 max-h-[var(--radix-popover-content-available-height)] w-[348px] overflow-y-auto rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onKeyDown={(e) => e.stopPropagation()}
        >
          <Desk film={film} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Desk({ film }: { film: Film }) {
  const change = useChange(film.id);
  const rules = useRules();
  const shot = useChosenShot(film);
  const s = film.settings;
  const set = (values: Record<string, unknown>) => change.mutate({ type: "set settings", values });
  const out: readonly string[] = s.no_effects ?? [];
  return (
    <>
      {shot && <FrameSeen film={film} shot={shot} alt={`Shot ${shot.edge} as it is graded`} />}
      <dl className="grid grid-cols-[84px_1fr] items-center gap-y-0.5">
        <GradeFields film={film} grade={s.grade} onPut={(grade) => set({ grade })} />
        <Row name="Proposed">
          <Choice
            quiet
            label="Effects that are proposed"
            value={s.effects}
            options={worded(rules.effect_amounts, AMOUNTS)}
            onChange={(effects) => set({ effects })}
          />
        </Row>
        {s.effects !== "off" && (
          <Row name="Never">
            <Choice
              quiet
              label="Effects that are never proposed"
              value={out.length ? out.join(", ") : "none of them"}
              options={rules.effects.map((kind) => [
                kind,
                out.includes(kind) ? `${kind}: propose again` : kind,
              ])}
              onChange={(kind) =>
                set({
                  no_effects: out.includes(kind) ? out.filter((k) => k !== kind) : [...out, kind],
                })
              }
            />
          </Row>
        )}
      </dl>
      <h3 className="mb-0.5 mt-3 border-t border-rule pt-2 text-ink-2">In every picture</h3>
      <EffectList
        effects={s.film_effects ?? []}
        moments={false}
        onPut={(film_effects) => set({ film_effects })}
      />
      <p className="mt-2 border-t border-rule pt-2">
        <a
          href={`/api/films/${film.id}/grade.cube`}
          download="grade.cube"
          className="min-h-6 underline decoration-rule-strong underline-offset-2 hover:bg-shade"
        >
          Take the grade out as a table (.cube)
        </a>
      </p>
    </>
  );
}
