/** What a maker offers that cannot say so itself. */
import type { Settings } from "../../api/services";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Labelled, Whole } from "./PlugIn";

type Reached = Settings["reached"];
type Offer = Extract<Reached, { how: "hand" | "program" }>["offer"];

const MAKES = [
  ["picture", "pictures"],
  ["clip", "clips"],
  ["speech", "voices"],
  ["sound", "sounds"],
  ["music", "music"],
] as const;
const PER = [
  ["picture", "a picture"],
  ["second", "a second"],
  ["character", "a character"],
  ["sound", "a sound"],
  ["request", "a piece"],
] as const;

interface Props {
  offer: Offer;
  byHand: boolean;
  onChange: (offer: Offer) => void;
}

export function SaidOffer({ offer, byHand, onChange }: Props) {
  const speaks = offer.kind === "speech";
  const letters = speaks ? offer.text_characters : offer.prompt_characters;
  return (
    <>
      <div className="mb-2 flex flex-wrap items-end gap-x-3 gap-y-2">
        <span>
          <span className="mb-0.5 block text-[12.5px] text-ink-2">Makes</span>
          <Choice
            label="Makes"
            value={offer.kind}
            options={MAKES}
            onChange={(kind) => onChange({ ...offer, kind: kind as Offer["kind"] })}
          />
        </span>
        <label className="w-24">
          <span className="mb-0.5 block text-[12.5px] text-ink-2">Costs</span>
          <Field
            aria-label="Costs"
            inputMode="decimal"
            value={String(offer.price ?? "0")}
            onChange={(e) => onChange({ ...offer, price: e.target.value || "0" })}
          />
        </label>
        <Choice
          label="Costs for"
          value={offer.per ?? "request"}
          options={PER}
          onChange={(per) => onChange({ ...offer, per: per as Offer["per"] })}
        />
      </div>
      <div className="grid grid-cols-3 gap-x-3">
        <Labelled title="A day, at most">
          <Whole
            label="A day, at most"
            value={offer.daily ?? null}
            onChange={(daily) => onChange({ ...offer, daily })}
          />
        </Labelled>
        <Labelled title="Letters">
          <Whole
            label="Letters, at most"
            value={letters ?? null}
            onChange={(n) =>
              onChange({ ...offer, [speaks ? "text_characters" : "prompt_characters"]: n })
            }
          />
        </Labelled>
        {byHand ? null : (
          <Labelled title="At once">
            <Whole
              label="At once"
              value={offer.parallel ?? 1}
              onChange={(parallel) => onChange({ ...offer, parallel: parallel ?? 1 })}
            />
          </Labelled>
        )}
      </div>
      {speaks && (
        <Labelled title="Its voices, by name, with commas between them">
          <Field
            aria-label="Its voices"
            value={(offer.voices ?? []).map((v) => v.name).join(", ")}
            onChange={(e) =>
              onChange({
                ...offer,
                voices: e.target.value
                  .split(",")
                  .map((name) => name.trim())
                  .filter(Boolean)
                  .map((name) => ({
                    name,
                    title: name,
                    pronoun: "she",
                    age: "adult",
                    length: 1,
                    says: "",
                    language: "en",
                    pitch: null,
                    brightness: null,
                  })),
              })
            }
          />
        </Labelled>
      )}
    </>
  );
}
