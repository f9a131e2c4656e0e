/** What holds for a whole lane, opened at its head: how much is proposed, how loud it lies, how far it gives way to the
 * voice, and what was thrown out. */
import * as Popover from "@radix-ui/react-popover";
import type { ReactNode } from "react";

import type { Film } from "../../api/client";
import { useChange, useOffers, useRules } from "../../api/film";
import { Choice, worded } from "../../parts/Choice";
import { DeskRow as Row } from "../../parts/DeskRow";
import { Steps, decibels } from "../../parts/Steps";
import { MUSIC, SOUNDS } from "../wording";

type Lane = "Sound" | "Music";
export const isLane = (title: string): title is Lane => title === "Sound" || title === "Music";

export function LaneDesk({
  film,
  lane,
  children,
}: {
  film: Film;
  lane: Lane;
  children: ReactNode;
}) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`${lane} of the whole film`}
        className="-ml-1 min-h-6 rounded-[3px] px-1 underline decoration-dotted underline-offset-4 hover:bg-shade"
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={`${lane} of the whole film`}
          className="z-50 w-[330px] rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onKeyDown={(e) => e.stopPropagation()}
        >
          {lane === "Sound" ? <SoundLane film={film} /> : <MusicLane film={film} />}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const softer = (duck: number) => (duck === 0 ? "not at all" : `by ${duck} dB`);

function useSet(film: Film) {
  const change = useChange(film.id);
  return (values: Record<string, unknown>) => change.mutate({ type: "set settings", values });
}

function Level({
  film,
  name,
}: {
  film: Film;
  name: "spot_level" | "ambience_level" | "music_level";
}) {
  const set = useSet(film);
  return (
    <Steps
      name={`decibels louder: ${name.split("_")[0]}`}
      value={film.settings[name]}
      step={1.5}
      least={-24}
      most={12}
      says={decibels}
      onPut={(value) => set({ [name]: value })}
    />
  );
}

function GivesWay({ film, name }: { film: Film; name: "ambience_duck" | "music_duck" }) {
  const set = useSet(film);
  return (
    <Steps
      name="gives way to the voice"
      value={film.settings[name]}
      step={1}
      least={0}
      most={30}
      says={softer}
      onPut={(value) => set({ [name]: value })}
    />
  );
}

function SoundLane({ film }: { film: Film }) {
  const set = useSet(film);
  const change = useChange(film.id);
  const out = film.lifted_sounds;
  return (
    <>
      <dl className="grid grid-cols-[104px_1fr] items-center gap-y-1.5">
        <Row name="Proposed">
          <Choice
            quiet
            label="How much is proposed"
            value={film.settings.sounds}
            options={worded(useRules().sounds, SOUNDS)}
            onChange={(sounds) => set({ sounds })}
          />
        </Row>
        <Row name="Spots">
          <Level film={film} name="spot_level" />
        </Row>
        <Row name="Ambience">
          <Level film={film} name="ambience_level" />
        </Row>
        <Row name="It gives way">
          <GivesWay film={film} name="ambience_duck" />
        </Row>
      </dl>
      {out.length > 0 && (
        <>
          <p className="mt-2 border-t border-rule pt-2 text-ink-2">Thrown out everywhere</p>
          <ul>
            {out.map((prompt) => (
              <li key={prompt} className="flex items-center justify-between gap-2">
                <span>{prompt}</span>
                <button
                  type="button"
                  className="min-h-6 rounded-[3px] underline underline-offset-2 hover:bg-shade"
                  onClick={() => change.mutate({ type: "lift sounds", prompt, lifted: false })}
                >
                  Take it back
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function MusicLane({ film }: { film: Film }) {
  const set = useSet(film);
  const s = film.settings;
  const families = (useOffers().data ?? [])
    .flatMap((offer) => offer.instruments)
    .map((family) => [family, family] as const);
  return (
    <dl className="grid grid-cols-[104px_1fr] items-center gap-y-1.5">
      <Row name="Mood">
        <Choice
          quiet
          label="Mood of the music"
          value={film.settings.music}
          options={worded(useRules().music, MUSIC)}
          onChange={(music) => set({ music })}
        />
      </Row>
      <Row name="Level">
        <Level film={film} name="music_level" />
      </Row>
      <Row name="It gives way">
        <GivesWay film={film} name="music_duck" />
      </Row>
      <Row name="Tension">
        <Choice
          quiet
          label="Whether music follows the tension"
          value={s.music_course}
          options={[
            ["told", "follows the story"],
            ["even", "even"],
          ]}
          onChange={(music_course) => set({ music_course })}
        />
      </Row>
      <Row name="Tunes">
        <Choice
          quiet
          label="Whether people and places have tunes"
          value={s.themes}
          options={[
            ["told", "people and places have theirs"],
            ["none", "nobody has one"],
          ]}
          onChange={(themes) => set({ themes })}
        />
      </Row>
      <Row name="Leading">
        <Choice
          quiet
          label="Which instruments lead"
          value={s.instruments}
          options={[["look", "as the look has it"], ["mood", "as the mood has it"], ...families]}
          onChange={(instruments) => set({ instruments })}
        />
      </Row>
      <Row name="Cuts">
        <Choice
          quiet
          label="Whether cuts move to beats"
          value={s.snap}
          options={[
            ["off", "stay where they are"],
            ["beats", "move to near beats"],
          ]}
          onChange={(snap) => set({ snap })}
        />
      </Row>
    </dl>
  );
}
