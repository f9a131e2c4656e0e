/** What somebody is called, how often, and who speaks; a name can be made a person of its own, two can be made one. */
import { useState } from "react";
import { Link } from "react-router";

import type { Film, Person } from "../../api/client";
import { useWho } from "../../api/continuity";
import { useChange } from "../../api/film";
import { Choice } from "../../parts/Choice";
import { Editable } from "../../parts/Editable";
import { desk } from "../script/Side";
import { BeforeYouDecide } from "./BeforeYouDecide";

interface Props {
  film: Film;
  person: Person;
  onAliases: (aliases: string[]) => void;
  onChoose: (person: number) => void;
}

export function Names({ film, person, onAliases, onChoose }: Props) {
  const change = useChange(film.id);
  const seen = useWho(film.id, film.revision).data?.appearances.find((a) => a.person === person.id);
  const [into, setInto] = useState<number | null>(null);
  const others = film.cast.filter((p) => p.id !== person.id);
  const calls = seen?.calls.filter((c) => c.count) ?? [];
  const shots = film.shots.filter((s) => s.people.includes(person.id)).length;
  return (
    <div className="text-ink-2">
      <div className="flex items-baseline gap-2">
        <span className="shrink-0">also called</span>
        <Editable
          value={person.aliases.join(", ")}
          hint="nothing else"
          label="Also called"
          onSave={(words) =>
            onAliases(
              words
                .split(",")
                .map((w) => w.trim())
                .filter(Boolean),
            )
          }
        />
      </div>
      <p className="text-[12px]">
        {person.guess &&
          `A guess: ${person.why}. What the text leaves open is ours until you set it. `}
        {calls.length > 0 &&
          `${calls.map((c) => `“${c.name}” ${c.count} ${c.count === 1 ? "time" : "times"}`).join(", ")}. `}
        {seen && seen.lines > 0 && `Speaks ${seen.lines} ${seen.lines === 1 ? "line" : "lines"}. `}
        In {shots} {shots === 1 ? "shot" : "shots"}.
        {seen && seen.meant > 0 && ` Meant by ${seen.meant} words`}
        {seen && seen.meant > 0 && (seen.unsure ? ", " : ", all of them surely.")}
        {seen && seen.unsure > 0 && (
          <>
            {seen.unsure} of them a guess:{" "}
            <Link
              to={`/film/${film.id}/script`}
              onClick={() => desk.set("who")}
              className="underline hover:text-ink"
            >
              answer in Script
            </Link>
            .
          </>
        )}
      </p>
      {into !== null ? (
        <div className="mt-2 text-ink">
          <BeforeYouDecide
            film={film}
            title={`${person.name} and ${others.find((p) => p.id === into)?.name} are one`}
            command={{ type: "merge people", id: person.id, into }}
            only="Merge only"
            onDone={() => {
              onChoose(into);
              setInto(null);
            }}
            onLeave={() => setInto(null)}
          />
        </div>
      ) : (
        <div className="mt-1 flex flex-wrap gap-3 text-[12px]">
          {others.length > 0 && (
            <Choice
              quiet
              label="Is the same as"
              value="none"
              options={[
                ["none", "is the same as …"] as const,
                ...others.map((p) => [String(p.id), p.name] as const),
              ]}
              onChange={(v) => v !== "none" && setInto(Number(v))}
            />
          )}
          {person.aliases.length > 0 && (
            <Choice
              quiet
              label="Is somebody else"
              value="none"
              options={[
                ["none", "one name is another’s …"] as const,
                ...person.aliases.map((a) => [a, `“${a}” is another’s`] as const),
              ]}
              onChange={(v) =>
                v !== "none" && change.mutate({ type: "split person", id: person.id, names: [v] })
              }
            />
          )}
        </div>
      )}
    </div>
  );
}
