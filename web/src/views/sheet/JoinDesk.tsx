/** How a shot is come to from the one before it, opened at its cut: which join, how long, which way; alone, for all that are
 * alike, or as planned. */
import * as Popover from "@radix-ui/react-popover";

import type { Film, Schemas, Shot } from "../../api/client";
import { Opening } from "../../parts/Opening";
import { useChange, useRules } from "../../api/film";
import { Also } from "../../parts/Also";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { DeskRow as Row } from "../../parts/DeskRow";
import { Steps } from "../../parts/Steps";
import { CutStroke } from "../../parts/marks";
import { useCutDrag } from "./useCutDrag";

type How = Schemas["JoinHow"];

const KINDS: Record<string, string> = {
  dip: "dip to a colour",
  pattern: "along a pattern",
  slide: "slide over",
  push: "push away",
  page: "turn of a page",
  through: "through, nearer",
  flood: "flood of light",
};
const TURNS: Record<string, string> = {
  picture: "under which a picture goes on",
  within: "within a scene",
  place: "where the place changes",
  hour: "where time goes by",
  scene: "between scenes",
  memory: "to and from what is remembered",
  chapter: "between chapters",
};
const EASES = { even: "evenly", gentle: "gently", sudden: "suddenly" };
const COLOURS: readonly (readonly [string, string])[] = [
  ["#000000", "black"],
  ["#ffffff", "white"],
  ["#f3e6c8", "paper"],
  ["#1d2a4a", "night blue"],
  ["#7a1f1a", "dark red"],
];
const WITH_WAY = new Set(["wipe", "slide", "push", "page", "whip"]);
const PLAIN: How = {
  kind: "dissolve",
  seconds: 0.5,
  ease: "even",
  colour: "#000000",
  way: "left",
  pattern: "torn paper",
  sound: 0,
};

const nameOf = (how: How) => (how.kind === "pattern" ? how.pattern : how.kind);

interface JoinProps {
  film: Film;
  shot: Shot;
  before: Shot | undefined;
}

export function JoinDesk({ film, shot, before }: JoinProps) {
  const { ghost, handlers } = useCutDrag(film, before, shot);
  const join = shot.join;
  if (!join) return null;
  const soft = join.how.kind !== "cut";
  return (
    <>
      {ghost}
      <Opening
        button={
          <button
            type="button"
            {...handlers}
            aria-label={`Join before shot ${shot.edge}: ${nameOf(join.how)}`}
            title={`${nameOf(join.how)}${soft ? `, ${join.how.seconds.toFixed(1)} s` : ""}: ${join.why}. Dragged, or with Alt ↑ ↓, the cut goes by words.`}
            className="absolute -top-3 left-[58px] z-10 flex h-6 min-w-6 cursor-ns-resize touch-none items-center gap-1 rounded-[3px] px-1 hover:bg-shade"
            onClick={(e) => e.stopPropagation()}
          >
            <CutStroke className="!h-[21px] !w-[11px] shrink-0" />
            {soft && (
              <span className="rounded-[3px] bg-page px-1 text-[11px] leading-[15px] text-ink-2">
                {nameOf(join.how)}
              </span>
            )}
          </button>
        }
      >
        <Popover.Content
          align="start"
          sideOffset={2}
          collisionPadding={8}
          aria-label={`Join before shot ${shot.edge}`}
          className="z-50 w-[320px] rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onClick={(e) => e.stopPropagation()}
          onKeyDown={(e) => e.stopPropagation()}
        >
          <Desk film={film} shot={shot} how={join.how} why={join.why} turn={join.turn} />
        </Popover.Content>
      </Opening>
    </>
  );
}

interface DeskProps {
  film: Film;
  shot: Shot;
  how: How;
  why: string;
  turn: string;
}

function Desk({ film, shot, how, why, turn }: DeskProps) {
  const change = useChange(film.id);
  const rules = useRules();
  const now: How = { ...PLAIN, ...how };
  const set = (join: How | null, shots: readonly Shot[] = [shot]) =>
    change.mutate({ type: "set shots", shots: shots.map((s) => s.id), values: { join } });
  const put = (values: Partial<How>) => {
    const next = { ...now, ...values };
    // A join has some length, a cut has none.
    const seconds = next.kind === "cut" ? 0 : next.seconds || PLAIN.seconds;
    set({ ...next, seconds });
  };
  const alike = film.shots.filter((s) => s.join?.turn === turn);
  const all = film.shots.filter((s) => s.join);
  const own = shot.own.join != null;
  const ways: Record<string, string> = {
    left: "to the left",
    right: "to the right",
    up: "up",
    down: "down",
  };
  return (
    <>
      <p className="mb-2 text-[12.5px] text-ink-2">{own ? "set by hand" : `planned: ${why}`}</p>
      <dl className="grid grid-cols-[80px_1fr] items-center gap-y-1.5">
        <Row name="Join">
          <Choice
            quiet
            label="Kind of join"
            value={now.kind}
            options={worded(rules.joins, KINDS)}
            onChange={(kind) => put({ kind: kind as How["kind"] })}
          />
        </Row>
        {now.kind === "pattern" && (
          <Row name="Pattern">
            <Choice
              quiet
              label="Pattern"
              value={now.pattern}
              options={worded(rules.patterns)}
              onChange={(pattern) => put({ pattern: pattern as How["pattern"] })}
            />
          </Row>
        )}
        {now.kind === "dip" && (
          <Row name="Colour">
            <Choice
              quiet
              label="Colour"
              value={now.colour}
              options={
                COLOURS.some(([c]) => c === now.colour)
                  ? COLOURS
                  : [...COLOURS, [now.colour, now.colour]]
              }
              onChange={(colour) => put({ colour })}
            />
          </Row>
        )}
        {WITH_WAY.has(now.kind) && (
          <Row name="Goes">
            <Choice
              quiet
              label="Which way"
              value={now.way}
              options={Object.entries(ways)}
              onChange={(way) => put({ way: way as How["way"] })}
            />
          </Row>
        )}
        {now.kind !== "cut" && (
          <>
            <Row name="Lasts">
              <Steps
                name="seconds of the join"
                value={now.seconds}
                step={0.1}
                least={0.1}
                most={4}
                says={(s) => `${s.toFixed(1)} s`}
                onPut={(seconds) => put({ seconds: Number(seconds.toFixed(2)) })}
              />
            </Row>
            <Row name="Sets in">
              <Choice
                quiet
                label="How it sets in"
                value={now.ease}
                options={worded(rules.eases, EASES)}
                onChange={(ease) => put({ ease: ease as How["ease"] })}
              />
            </Row>
          </>
        )}
        <Row name="Sound">
          <Steps
            name="seconds that sound leads"
            value={now.sound}
            step={0.1}
            least={-2}
            most={2}
            says={leads}
            onPut={(sound) => put({ sound: Number(sound.toFixed(2)) })}
          />
        </Row>
      </dl>
      <p className="mt-3 flex flex-wrap gap-x-3 border-t border-rule pt-2">
        {alike.length > 1 && (
          <Also
            onClick={() => set(now, alike)}
            says={`All ${alike.length} ${TURNS[turn] ?? "like it"}`}
          />
        )}
        {all.length > alike.length && (
          <Also onClick={() => set(now, all)} says={`All ${all.length} of the film`} />
        )}
        {own && <Button onClick={() => set(null)}>As planned</Button>}
      </p>
    </>
  );
}

const leads = (seconds: number) =>
  seconds === 0
    ? "with the picture"
    : `${Math.abs(seconds).toFixed(1)} s ${seconds > 0 ? "before" : "behind"} the picture`;
