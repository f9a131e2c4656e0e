/** The music under a shot: a bar that goes on from row to row, named where it comes in, pointed where it ends; and what it
 * does at this shot. */
import * as Popover from "@radix-ui/react-popover";

import type { Film, Shot } from "../../api/client";
import { Opening } from "../../parts/Opening";
import { useChange } from "../../api/film";
import { SoundDesk } from "./SoundDesk";

interface Props {
  film: Film;
  shot: Shot;
  rate: number;
  /** Whether rows stand close. */
  low: boolean;
}

export function Music({ film, shot, rate, low }: Props) {
  const from = shot.start / rate;
  const to = shot.stop / rate;
  const cue = film.cues.find(
    (c) => c.kind === "music" && c.start < to - 0.01 && c.end > from + 0.01,
  );
  if (!cue) return null;
  const begins = cue.start >= from - 0.01;
  const ends = cue.end <= to + 0.01;
  const silent = shot.own.music === "rest";
  return (
    <>
      <span
        className={`absolute bottom-0 left-1/2 -translate-x-1/2 ${
          silent
            ? "w-px border-l border-dashed border-ochre"
            : "w-5 bg-[color-mix(in_srgb,var(--ochre)_38%,transparent)]"
        } ${cue.made || silent ? "" : "hatch"}`}
        style={{
          top: begins ? 8 : 0,
          bottom: ends ? 10 : 0,
          clipPath: ends && !silent ? "polygon(0 0,100% 0,62% 100%,38% 100%)" : undefined,
        }}
      />
      {begins && (
        <SoundDesk
          film={film}
          cue={cue}
          className={`absolute left-1/2 top-4 min-w-6 -translate-x-1/2 text-[12px] text-ink [writing-mode:vertical-rl] ${low ? "max-h-[44px] truncate" : ""}`}
        >
          {cue.prompt.replace(/ music$/, "")}
        </SoundDesk>
      )}
      <Here film={film} shot={shot} begins={begins} />
    </>
  );
}

type Does = "hit" | "rest" | "flows";
const DOES: readonly (readonly [Does | "told", string])[] = [
  ["told", "as it is told"],
  ["hit", "a bar begins with this shot"],
  ["rest", "silent under this shot"],
  ["flows", "goes on as it likes"],
];

/** Whether a bar begins with the shot, or music is silent under it. */
function Here({ film, shot, begins }: { film: Film; shot: Shot; begins: boolean }) {
  const change = useChange(film.id);
  const own = shot.own.music ?? null;
  const before = film.shots[film.shots.findIndex((s) => s.id === shot.id) - 1];
  const told = !begins && before !== undefined && before.scene !== shot.scene;
  const met = own === "hit" || (own === null && told && !begins);
  return (
    <Opening
      button={
        <button
          type="button"
          aria-label={`Music at shot ${shot.edge}: ${own ? DOES.find(([d]) => d === own)![1] : "as it is told"}`}
          title="what the music does here"
          className={`absolute left-0 top-0 min-h-6 min-w-6 rounded-[3px] px-1 text-left text-[11px] leading-none text-ink-2 hover:bg-shade ${
            met || own === "rest"
              ? ""
              : "opacity-0 focus-visible:opacity-100 group-hover:opacity-100"
          }`}
          onClick={(e) => e.stopPropagation()}
        >
          {met && <i className="mb-0.5 block h-[3px] w-4 bg-ochre" />}
          {own === "rest" ? "silent" : met ? "bar" : "…"}
        </button>
      }
    >
      <Popover.Content
        align="end"
        sideOffset={4}
        collisionPadding={8}
        aria-label={`Music at shot ${shot.edge}`}
        className="z-50 rounded-md border border-rule-strong bg-page py-1 shadow-sm"
        onClick={(e) => e.stopPropagation()}
      >
        {DOES.map(([does, says]) => (
          <Popover.Close asChild key={does}>
            <button
              type="button"
              aria-pressed={(own ?? "told") === does}
              className={`block min-h-7 w-full px-3 text-left hover:bg-shade ${
                (own ?? "told") === does ? "font-semibold" : ""
              }`}
              onClick={() =>
                change.mutate({
                  type: "set shots",
                  shots: [shot.id],
                  values: { music: does === "told" ? null : does },
                })
              }
            >
              {says}
            </button>
          </Popover.Close>
        ))}
      </Popover.Content>
    </Opening>
  );
}
