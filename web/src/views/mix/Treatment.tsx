/** How a lane is treated: a sentence whose numbers are changed where they stand. */
import type { Film } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import type { Lane } from "../../api/mix";
import { Choice, worded } from "../../parts/Choice";
import { Figure } from "../../parts/Figure";
import { LANES } from "./scale";
import type { LaneChoice } from "./useLevels";

interface Props {
  film: Film;
  lane: Lane;
  choice: LaneChoice;
  onLane: (lane: Lane) => void;
  onSet: (values: Partial<LaneChoice>) => void;
}

type Levels = "voice_level" | "spot_level" | "ambience_level" | "music_level";
type Ducks = "ambience_duck" | "music_duck";
const LEVELS: Record<Lane, readonly (readonly [Levels, string])[]> = {
  voice: [["voice_level", "Lies"]],
  sound: [
    ["spot_level", "Spots lie"],
    ["ambience_level", "ambience"],
  ],
  music: [["music_level", "Lies"]],
};
const DUCKS: Partial<Record<Lane, readonly [Ducks, string]>> = {
  sound: ["ambience_duck", "Ambience gives way to the voice by"],
  music: ["music_duck", "Gives way to the voice by"],
};

export function Treatment({ film, lane, choice, onLane, onSet }: Props) {
  const change = useChange(film.id);
  const set = (values: Record<string, number>) => change.mutate({ type: "set settings", values });
  const s = film.settings;
  const duck = DUCKS[lane];
  const rooms = useRules().rooms;
  return (
    <section aria-label="How a lane is treated">
      <div className="mb-2 flex items-baseline justify-between border-b border-rule pb-1">
        <h3 className="font-semibold">How a lane is treated</h3>
        <span role="group" aria-label="Lane" className="flex gap-1">
          {LANES.map((name) => (
            <button
              key={name}
              type="button"
              aria-pressed={name === lane}
              className={`min-h-6 rounded-[3px] px-1 ${
                name === lane
                  ? "font-semibold text-ink underline underline-offset-4"
                  : "text-ink-2 hover:text-ink"
              }`}
              onClick={() => onLane(name)}
            >
              {name}
            </button>
          ))}
        </span>
      </div>
      <p className="leading-[26px]">
        {LEVELS[lane].map(([name, says], i) => (
          <span key={name}>
            {i > 0 && " and "}
            {says}{" "}
            <Figure
              label={`${says} louder`}
              unit="dB"
              value={s[name]}
              step={0.5}
              least={-24}
              most={12}
              onPut={(value) => set({ [name]: value })}
            />
          </span>
        ))}{" "}
        above the usual.{" "}
        {duck && (
          <>
            {duck[1]}{" "}
            <Figure
              label={duck[1]}
              unit="dB"
              value={s[duck[0]]}
              step={1}
              least={0}
              most={30}
              onPut={(value) => set({ [duck[0]]: value })}
            />
            , within{" "}
            <Figure
              label="Goes down within"
              unit="ms"
              value={Math.round(s.duck_in * 1000)}
              step={20}
              least={20}
              most={2000}
              onPut={(value) => set({ duck_in: value / 1000 })}
            />
            , and comes back in{" "}
            <Figure
              label="Comes back in"
              unit="ms"
              value={Math.round(s.duck_out * 1000)}
              step={50}
              least={50}
              most={4000}
              onPut={(value) => set({ duck_out: value / 1000 })}
            />
            . Kept{" "}
            <Figure
              label="Kept lower from 1 to 4 kHz"
              unit="dB"
              value={choice.dip}
              step={1}
              least={0}
              most={12}
              onPut={(dip) => onSet({ dip })}
            />{" "}
            lower still from 1 to 4 kHz.{" "}
          </>
        )}
        Cut below{" "}
        <Figure
          label="Cut below"
          unit="Hz"
          value={choice.low_cut}
          step={10}
          least={0}
          most={400}
          onPut={(low_cut) => onSet({ low_cut })}
        />
        , brighter by{" "}
        <Figure
          label="Brighter by"
          unit="dB"
          value={choice.bright}
          step={0.5}
          least={-9}
          most={9}
          onPut={(bright) => onSet({ bright })}
        />
        . Loud moments are held down by at most{" "}
        <Figure
          label="Loud moments are held down by at most"
          unit="dB"
          value={choice.press}
          step={1}
          least={0}
          most={12}
          onPut={(press) => onSet({ press })}
        />
        . What is in no room is heard in{" "}
        <Choice
          quiet
          label="The room of this lane"
          value={choice.room ?? "dry"}
          options={worded(rooms, { dry: "none" })}
          onChange={(room) => onSet({ room: room === "dry" ? null : (room as LaneChoice["room"]) })}
        />
        .
      </p>
      {choice.points.length > 0 && (
        <p className="mt-1 text-ink-2">
          Its level is drawn by hand at {choice.points.length}{" "}
          {choice.points.length === 1 ? "point" : "points"}.{" "}
          <button
            type="button"
            className="min-h-6 rounded-[3px] underline underline-offset-2 hover:bg-shade"
            onClick={() => onSet({ points: [] })}
          >
            Straighten it
          </button>
        </p>
      )}
    </section>
  );
}
