/** A place's sheet: what prompts say of it, its light by the hour, its weather, a view to follow. */
import { useState } from "react";

import type { Film, Place } from "../../api/client";
import { useKeep } from "../../api/continuity";
import { useChange, useRules } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { Editable } from "../../parts/Editable";
import { notify } from "../../state/notices";
import { BeforeYouDecide } from "./BeforeYouDecide";
import { Heading } from "./Heading";
import { said } from "./PlacesTab";
import { PlaceColours } from "./PlaceColours";
import { References } from "./References";
import { usedOf } from "./drift";

const ANY = "any";

export function PlaceSheet({ film, place }: { film: Film; place: Place }) {
  const change = useChange(film.id);
  const { times, weathers } = useRules();
  const keep = useKeep();
  const [draft, setDraft] = useState<Place | null>(null);
  const shown = draft ?? place;
  const edit = (values: Partial<Place>) => setDraft({ ...shown, ...values });
  const now = (values: Partial<Place>) =>
    change.mutate({ type: "set place", place: { ...place, ...values } });
  const shots = film.shots.filter((s) => s.place === said(place));
  const shotsAt = (hour: string) => shots.filter((s) => s.time === hour).length;
  const picture = shots.find((s) => usedOf(s) && !s.people.length) ?? shots.find(usedOf);
  return (
    <div className="flex flex-col gap-4">
      <div>
        <h2 className="font-serif text-[22px] font-bold">
          <Editable
            value={place.name}
            label="Name of the place"
            onSave={(name) => edit({ name })}
          />
        </h2>
        <div className="flex items-baseline gap-2 text-ink-2">
          <span className="shrink-0">the text says</span>
          <Editable
            value={shown.words.join(", ")}
            hint="no word for it"
            label={`Words for ${place.name}`}
            onSave={(words) =>
              edit({
                words: words
                  .split(",")
                  .map((w) => w.trim().toLowerCase())
                  .filter(Boolean),
              })
            }
          />
        </div>
        <p className="text-[12px] text-ink-2">
          {place.guess ? `A guess: ${place.why}. ` : ""}In {shots.length}{" "}
          {shots.length === 1 ? "shot" : "shots"}.
        </p>
      </div>
      {draft && (
        <BeforeYouDecide
          film={film}
          title={`Changing ${place.name}`}
          command={{ type: "set place", place: draft }}
          onDone={() => setDraft(null)}
          onLeave={() => setDraft(null)}
        />
      )}
      <section aria-label="What prompts say">
        <Heading title="What prompts say of it" beside="in every shot there" />
        <Editable
          multiline
          letters={54}
          value={shown.description}
          hint="how it looks"
          label={`Description of ${place.name}`}
          className="font-serif text-[14px]"
          onSave={(description) => edit({ description })}
        />
      </section>
      <PlaceColours film={film} shots={shots} />
      <section aria-label="Light by the hour">
        <Heading title="Light by the hour" beside="said in shots of that hour" />
        {times.map((hour) => (
          <div
            key={hour}
            className="grid grid-cols-[72px_minmax(0,1fr)_64px] items-baseline gap-2 border-b border-rule py-[3px]"
          >
            <span className="px-1 text-ink-2">{hour}</span>
            <Editable
              value={shown.light[hour] ?? ""}
              hint="nothing of its own"
              label={`Light at ${hour}`}
              onSave={(words) => edit({ light: { ...shown.light, [hour]: words } })}
            />
            <span className="text-right font-mono text-[12px] text-ink-2">
              {shotsAt(hour) ? `${shotsAt(hour)} ${shotsAt(hour) === 1 ? "shot" : "shots"}` : ""}
            </span>
          </div>
        ))}
        <div className="grid grid-cols-[72px_minmax(0,1fr)] items-baseline gap-2 py-[3px]">
          <span className="px-1 text-ink-2">weather</span>
          <Choice
            quiet
            label="Weather of the place"
            value={shown.weather ?? "any"}
            options={worded([ANY, ...weathers], { [ANY]: "as the text says" })}
            onChange={(v) => edit({ weather: v === "any" ? null : (v as Place["weather"]) })}
          />
        </div>
      </section>
      <References
        film={film}
        kind="place"
        whose={shown}
        onSet={(references) => edit({ references })}
      />
      <section aria-label="Company">
        <Heading
          title="Company"
          beside={
            place.company ? "taken from there; changes stay in this film" : "kept for other films"
          }
        />
        <Button
          disabled={keep.isPending}
          onClick={() =>
            keep.mutate(
              {
                member: place.company ?? null,
                card: { place },
                thumb: place.references[0]?.thumb ?? (picture && usedOf(picture)?.thumb),
              },
              {
                onSuccess: (member) => {
                  if (!place.company) now({ company: member.id });
                  notify(
                    place.company
                      ? `${place.name} in the company is as here now.`
                      : `${place.name} is in the company now.`,
                  );
                },
              },
            )
          }
        >
          {place.company ? "Give back as here" : "Keep in the company"}
        </Button>
      </section>
    </div>
  );
}
