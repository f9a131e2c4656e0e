/** How captions and other words look in the whole film, opened at their column's head: a style as it stands or changed,
 * seen at once on the shot that is chosen. */
import * as Popover from "@radix-ui/react-popover";
import * as Tabs from "@radix-ui/react-tabs";
import type { ReactNode } from "react";

import type { Film, Schemas } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import { Choice, worded } from "../../parts/Choice";
import { Colour } from "../../parts/Colour";
import { DeskRow as Row } from "../../parts/DeskRow";
import { Steps } from "../../parts/Steps";
import { FaceChoice } from "./FaceChoice";
import { FrameSeen, useChosenShot } from "./FrameSeen";
import { TitleFields } from "./TitleFields";

type Style = Schemas["CaptionStyle"];

const SAID: Record<string, string> = {
  none: "not marked",
  colour: "in another colour",
  box: "in a box",
  "so far": "with all before it",
};
const PLACES: Record<string, string> = { low: "below", middle: "in the middle", high: "above" };
const GROUNDS: readonly (readonly [string, string])[] = [
  ["edge", "an edge around letters"],
  ["shadow", "a shadow"],
  ["light", "a strip of paper"],
  ["dark", "a dark band"],
];
const CAPTIONS: Record<string, string> = {
  burn: "in the picture",
  file: "beside the film",
  off: "none",
};

export function CaptionDesk({ film, children }: { film: Film; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label="Captions of the whole film"
        className="-ml-1 min-h-6 rounded-[3px] px-1 underline decoration-dotted underline-offset-4 hover:bg-shade"
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Captions of the whole film"
          className="z-50 w-[348px] rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onKeyDown={(e) => e.stopPropagation()}
        >
          <Tabs.Root defaultValue="captions">
            <Tabs.List aria-label="Words in the picture" className="mb-2.5 flex gap-4">
              {[
                ["captions", "Captions"],
                ["others", "Other words"],
              ].map(([name, title]) => (
                <Tabs.Trigger
                  key={name}
                  value={name!}
                  className="min-h-6 pb-0.5 text-ink-2 hover:text-ink data-[state=active]:font-semibold data-[state=active]:text-ink data-[state=active]:shadow-[0_2px_0_var(--ink)]"
                >
                  {title}
                </Tabs.Trigger>
              ))}
            </Tabs.List>
            <Tabs.Content value="captions">
              <Desk film={film} />
            </Tabs.Content>
            <Tabs.Content value="others">
              <Others film={film} />
            </Tabs.Content>
          </Tabs.Root>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Titles, names, what is stressed: seen where the first of them stands. */
function Others({ film }: { film: Film }) {
  const chosen = useChosenShot(film);
  const shot = chosen?.cards.length ? chosen : film.shots.find((s) => s.cards.length);
  const card = shot?.cards[0];
  return (
    <>
      {shot && card && (
        <FrameSeen
          film={film}
          shot={shot}
          after={(card.start + card.end) / 2}
          alt={`Shot ${shot.edge} with its words`}
        />
      )}
      <TitleFields film={film} />
    </>
  );
}

function Desk({ film }: { film: Film }) {
  const change = useChange(film.id);
  const rules = useRules();
  const shot = useChosenShot(film);
  const s = film.settings;
  const style = s.caption_style;
  const set = (values: Record<string, unknown>) => change.mutate({ type: "set settings", values });
  const put = (values: Partial<Style>) => set({ caption_style: { ...style, ...values } });
  const named = Object.entries(rules.caption_styles).find(([, ready]) => same(ready, style))?.[0];
  return (
    <>
      {shot && <FrameSeen film={film} shot={shot} alt={`Shot ${shot.edge} with its captions`} />}
      <dl className="grid grid-cols-[88px_1fr] items-center gap-y-1.5">
        <Row name="Captions">
          <Choice
            quiet
            label="Where captions are"
            value={s.captions}
            options={worded(rules.captions, CAPTIONS)}
            onChange={(captions) => set({ captions })}
          />
        </Row>
        <Row name="Style">
          <Choice
            quiet
            label="Style of captions"
            value={named ?? "own"}
            options={[
              ...(named ? [] : ([["own", "of your own"]] as const)),
              ...worded(Object.keys(rules.caption_styles)),
            ]}
            onChange={(name) => {
              const ready = rules.caption_styles[name];
              if (ready) set({ caption_style: ready });
            }}
          />
        </Row>
        <Row name="Size">
          <Steps
            name="size of captions"
            value={style.size}
            step={0.1}
            least={0.5}
            most={2}
            says={(size) => `${Math.round(size * 100)} %`}
            onPut={(size) => put({ size: Number(size.toFixed(2)) })}
          />
        </Row>
        <Row name="Letters">
          <span className="flex items-center gap-2">
            <FaceChoice
              film={film}
              label="Face of captions"
              value={style.face}
              onPut={(face) => put({ face })}
            />
            <Colour
              label="Colour of captions"
              value={style.colour}
              onPut={(colour) => put({ colour })}
            />
          </span>
        </Row>
        <Row name="On">
          <Choice
            quiet
            label="What captions stand on"
            value={groundOf(style)}
            options={GROUNDS}
            onChange={(ground) => put(onGround(ground))}
          />
        </Row>
        <Row name="Stand">
          <Choice
            quiet
            label="Place of captions"
            value={style.place}
            options={worded(rules.caption_places, PLACES)}
            onChange={(place) => put({ place: place as Style["place"] })}
          />
        </Row>
        <Row name="Speakers">
          <label className="flex min-h-6 items-center gap-1.5">
            <input
              type="checkbox"
              checked={s.speaker_colours}
              onChange={(e) => set({ speaker_colours: e.target.checked })}
            />
            each in a colour of their own
          </label>
        </Row>
        <Row name="Word said">
          <span className="flex items-center gap-2">
            <Choice
              quiet
              label="How the word that is said is marked"
              value={style.said}
              options={worded(rules.said_marks, SAID)}
              onChange={(said) => put({ said: said as Style["said"] })}
            />
            {style.said !== "none" && (
              <Colour
                label="Colour of the word that is said"
                value={style.said_colour}
                onPut={(said_colour) => put({ said_colour })}
              />
            )}
          </span>
        </Row>
        <Row name="Line">
          <Steps
            name="characters in a line"
            value={s.caption_length}
            step={2}
            least={16}
            most={48}
            says={(n) => `${n} characters`}
            onPut={(caption_length) => set({ caption_length })}
          />
        </Row>
      </dl>
    </>
  );
}

const same = (a: Style, b: Style) =>
  (Object.keys(a) as (keyof Style)[]).every((key) => (a[key] ?? null) === (b[key] ?? null));

function groundOf(style: Style): string {
  if (style.box) return style.box === PAPER ? "light" : "dark";
  return style.edge ? "edge" : "shadow";
}

const PAPER = "#fbf6e9";
const INK = "#272320";
const LIGHT = "#fcf9f0";

/** What letters stand on, with letters that are read on it. */
function onGround(ground: string): Partial<Style> {
  if (ground === "light")
    return { box: PAPER, cover: 0.95, edge: null, shadow: false, colour: INK };
  if (ground === "dark")
    return { box: "#14110f", cover: 0.66, edge: null, shadow: false, colour: LIGHT };
  if (ground === "shadow") return { box: null, edge: null, shadow: true, colour: LIGHT };
  return { box: null, edge: "#181311", shadow: false, colour: LIGHT };
}
