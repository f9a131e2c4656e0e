/** Words on the screen besides captions, for the whole film: which are planned, and how they look. */
import { useEffect, useState } from "react";

import { useBringPicture } from "../../api/brought";
import type { Film, Schemas } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import { BringChoice } from "../../parts/BringChoice";
import { Choice, worded } from "../../parts/Choice";
import { Colour } from "../../parts/Colour";
import { DeskRow as Row } from "../../parts/DeskRow";
import { Steps } from "../../parts/Steps";
import { FaceChoice } from "./FaceChoice";

type Look = Schemas["TitleLook"];

const TITLES: Record<string, string> = {
  off: "nothing",
  low: "the title and the end",
  middle: "chapters too",
  high: "places and hours too",
};
const COMES: Record<string, string> = {
  fade: "softly",
  rise: "from below",
  letters: "letter by letter",
  said: "word by word with the voice",
  drawn: "as if drawn",
};
const GOES: Record<string, string> = { fade: "softly", rise: "upward", cut: "at once" };
const AROUND = [
  ["shadow", "with a shadow"],
  ["sheet", "on a sheet"],
  ["edge", "with an edge"],
  ["glow", "with a glow"],
  ["none", "as they are"],
] as const;
type Around = (typeof AROUND)[number][0];

export function TitleFields({ film }: { film: Film }) {
  const change = useChange(film.id);
  const rules = useRules();
  const bring = useBringPicture(film.id);
  const s = film.settings;
  const set = (values: Record<string, unknown>) => change.mutate({ type: "set settings", values });
  const own = s.title_style;
  const look = own ?? rules.title_looks[s.title_look] ?? film.words_look;
  const put = (values: Partial<Look>) => set({ title_style: { ...look, ...values } });
  const around = aroundOf(look);
  return (
    <dl className="grid grid-cols-[88px_1fr] items-center gap-y-1.5">
      <Row name="Planned">
        <Choice
          quiet
          label="Words on the screen besides captions"
          value={s.titles}
          options={worded(rules.titles, TITLES)}
          onChange={(titles) => set({ titles })}
        />
      </Row>
      <Row name="Besides">
        <Tick
          says="who somebody is, when first seen"
          on={s.title_names}
          onPut={(title_names) => set({ title_names })}
        />
        <Tick
          says="stressed words, as they are said"
          on={s.emphasis}
          onPut={(emphasis) => set({ emphasis })}
        />
      </Row>
      <Row name="They are">
        <Choice
          quiet
          label="Look of words on the screen"
          value={own ? "own" : s.title_look}
          options={[
            ...(own ? ([["own", "of your own"]] as const) : []),
            ["look", "as the look has it"],
            ...worded(Object.keys(rules.title_looks)),
          ]}
          onChange={(name) => {
            if (name !== "own") set({ title_look: name, title_style: null });
          }}
        />
      </Row>
      <Row name="Letters">
        <span className="flex items-center gap-2">
          <FaceChoice
            film={film}
            label="Face of words on the screen"
            value={look.face}
            onPut={(face) => put({ face })}
          />
          <Colour
            label="Colour of words on the screen"
            value={look.colour}
            onPut={(colour) => put({ colour })}
          />
        </span>
      </Row>
      <Row name="Stand">
        <span className="flex items-center gap-2">
          <Choice
            quiet
            label="What words on the screen stand on"
            value={around}
            options={AROUND}
            onChange={(to) => put(withAround(to as Around))}
          />
          {around !== "none" && around !== "shadow" && (
            <Colour
              label="Colour of what they stand on"
              value={look[around] ?? "#000000"}
              onPut={(colour) => put({ [around]: colour })}
            />
          )}
        </span>
      </Row>
      <Row name="Size">
        <span className="flex items-center gap-3">
          <Steps
            name="size of words on the screen"
            value={look.size}
            step={0.1}
            least={0.4}
            most={2.5}
            says={(size) => `${Math.round(size * 100)} %`}
            onPut={(size) => put({ size: Number(size.toFixed(2)) })}
          />
          <Tick says="capitals" on={look.capitals} onPut={(capitals) => put({ capitals })} />
        </span>
      </Row>
      <Row name="Come">
        <Choice
          quiet
          label="How words on the screen come"
          value={look.comes}
          options={worded(rules.title_comes, COMES)}
          onChange={(comes) => put({ comes: comes as Look["comes"] })}
        />
      </Row>
      <Row name="Go">
        <Choice
          quiet
          label="How words on the screen go"
          value={look.goes}
          options={worded(rules.title_goes, GOES)}
          onChange={(goes) => put({ goes: goes as Look["goes"] })}
        />
      </Row>
      <Row name="Your mark">
        <span className="flex flex-wrap items-center gap-x-3">
          <Mark
            key={s.maker_mark}
            value={s.maker_mark}
            onPut={(maker_mark) => set({ maker_mark })}
          />
          <BringChoice
            label="A picture as your mark"
            value={s.maker_picture ?? "none"}
            options={[
              ["none", "no picture"],
              ...film.own_pictures.map((p) => [p.media, p.name] as const),
            ]}
            bring="bring a picture …"
            accept="image/*"
            file="A picture of your own as the mark"
            onChange={(media) => set({ maker_picture: media === "none" ? null : media })}
            onBring={(file) =>
              bring.mutate(file, {
                onSuccess: (picture) => set({ maker_picture: picture.media }),
              })
            }
          />
          {(s.maker_mark || s.maker_picture) && (
            <Choice
              quiet
              label="Corner of your mark"
              value={s.maker_corner}
              options={worded(rules.maker_corners)}
              onChange={(maker_corner) => set({ maker_corner })}
            />
          )}
        </span>
      </Row>
    </dl>
  );
}

function Tick({ says, on, onPut }: { says: string; on: boolean; onPut: (on: boolean) => void }) {
  return (
    <label className="flex min-h-6 items-center gap-1.5">
      <input type="checkbox" checked={on} onChange={(e) => onPut(e.target.checked)} />
      {says}
    </label>
  );
}

/** What stands in a corner all the time; taken when it is left, or by Enter. */
function Mark({ value, onPut }: { value: string; onPut: (text: string) => void }) {
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  const put = () => text.trim() !== value && onPut(text.trim());
  return (
    <input
      value={text}
      maxLength={60}
      placeholder="none"
      aria-label="Your mark, in a corner all the time"
      className="h-7 w-[120px] rounded-[3px] border border-rule-strong bg-field px-1.5"
      onChange={(e) => setText(e.target.value)}
      onBlur={put}
      onKeyDown={(e) => e.key === "Enter" && put()}
    />
  );
}

const aroundOf = (look: Look): Around =>
  look.sheet ? "sheet" : look.edge ? "edge" : look.glow ? "glow" : look.shadow ? "shadow" : "none";

const INK = "#272320";
const LIGHT = "#fbf6e9";

/** What letters stand on, with letters that are read on it. */
function withAround(to: Around): Partial<Look> {
  const none = { sheet: null, edge: null, glow: null, shadow: false, colour: LIGHT };
  if (to === "sheet") return { ...none, sheet: LIGHT, colour: INK };
  if (to === "edge") return { ...none, edge: "#16120f" };
  if (to === "glow") return { ...none, glow: "#7a4a12", shadow: true };
  return { ...none, shadow: to === "shadow" };
}
