/** Beside another cut: the same moment of both, and what of them differs. */
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";

import type { Film } from "../../api/client";
import { type CutDifference, useCuts, useDifferences, useKeepCut } from "../../api/cuts";
import { useEvents, useFilm } from "../../api/film";
import { keys } from "../../api/queries";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { inWords, rateOf, timecode } from "../../parts/time";
import { pointAt, usePlayhead } from "../../state/playhead";
import { notify } from "../../state/notices";
import { InStep } from "./InStep";
import type { Stretch } from "./Watch";
import { shotAt } from "./place";
import { SHAPES } from "../../parts/shape";

export function Beside({ film, stretch }: { film: Film; stretch: Stretch | null }) {
  const cuts = useCuts(film);
  const others = cuts.filter((c) => c.film !== film.id);
  const [chosen, setChosen] = useState<string | null>(null);
  const other = others.find((c) => c.film === chosen) ?? others[0];
  return (
    <div className="flex h-full flex-col overflow-y-auto px-5 pb-4">
      <div className="mb-3 flex items-center gap-4">
        {other ? (
          <>
            <span>
              {cuts.find((c) => c.film === film.id)?.name}{" "}
              <span className="text-ink-2">beside</span>
            </span>
            <Choice
              label="The other cut"
              value={other.film}
              options={others.map((c) => [c.film, `${c.name}, ${c.aspect}, ${inWords(c.seconds)}`])}
              onChange={setChosen}
            />
            <Link
              to={`/film/${other.film}/screening`}
              className="underline decoration-rule-strong underline-offset-2 hover:text-ink"
            >
              open it
            </Link>
          </>
        ) : (
          <span className="text-ink-2">
            Keep the film as it is, or a part of it, as a cut with a name: a teaser, an upright
            short of a scene. Both go on apart, and what was made is shared.
          </span>
        )}
      </div>
      <KeepCut film={film} stretch={stretch} />
      {other && <Compared key={other.film} film={film} other={other.film} />}
    </div>
  );
}

const AS_IT_IS = ["as", "in the film’s shape"] as const;
const WHOLE = "whole";

/** A cut of the whole film, or of a part of it. */
function KeepCut({ film, stretch }: { film: Film; stretch: Stretch | null }) {
  const keep = useKeepCut(film.id);
  const shot = shotAt(film, usePlayhead());
  const [name, setName] = useState("");
  const [of, setOf] = useState(WHOLE);
  const [shape, setShape] = useState<string>("as");
  const parts = partsOf(film, shot.scene, stretch);
  const part = parts.find((p) => p.key === of);
  return (
    <form
      aria-label="Keep a cut"
      className="mb-4 flex shrink-0 flex-wrap items-center gap-2 border-y border-rule py-2"
      onSubmit={(e) => {
        e.preventDefault();
        const wanted = part && {
          start: part.from,
          end: part.to,
          aspect: shape === "as" ? null : (shape as (typeof SHAPES)[number][0]),
        };
        keep.mutate(
          { name: name.trim() || part?.title || "", part: wanted ?? null },
          {
            onSuccess: (cut) => {
              setName("");
              notify(`“${cut.name}” is kept: ${inWords(cut.seconds)}, ${cut.aspect}.`);
            },
          },
        );
      }}
    >
      <span className="text-ink-2">A cut of</span>
      <Choice
        label="Of what"
        value={part ? of : WHOLE}
        options={[[WHOLE, "the whole film"], ...parts.map((p) => [p.key, p.title] as const)]}
        onChange={setOf}
      />
      {part && (
        <Choice
          label="In which shape"
          value={shape}
          options={[AS_IT_IS, ...SHAPES]}
          onChange={setShape}
        />
      )}
      <Field
        aria-label="Name of the new cut"
        placeholder={part ? part.title : "its name"}
        value={name}
        maxLength={60}
        onChange={(e) => setName(e.target.value)}
        className="!w-[200px]"
      />
      <Button type="submit" disabled={(!name.trim() && !part) || keep.isPending}>
        Keep as a cut
      </Button>
    </form>
  );
}

/** What a cut can be made of: the stretch that is marked, the scene under the playhead, the first so many seconds. */
function partsOf(film: Film, scene: number, stretch: Stretch | null) {
  const rate = rateOf(film.fps);
  const within = film.shots.filter((s) => s.scene === scene);
  const title = film.scenes[scene]?.title;
  return [
    ...(stretch
      ? [
          {
            key: "stretch",
            title: `${timecode(stretch.from, film.fps)} to ${timecode(stretch.to, film.fps)}`,
            from: stretch.from,
            to: stretch.to,
          },
        ]
      : []),
    ...(title && within.length && within.length < film.shots.length
      ? [{ key: "scene", title, from: within[0]!.start, to: within.at(-1)!.stop }]
      : []),
    ...[15, 30, 60]
      .map((s) => ({ key: `${s}`, title: `the first ${s} s`, from: 0, to: Math.round(s * rate) }))
      .filter((p) => p.to < film.frames),
  ];
}

function Compared({ film, other }: { film: Film; other: string }) {
  const twin = useFilm(other).data;
  const client = useQueryClient();
  // It may have been changed while nobody listened to it.
  useEffect(() => {
    void client.invalidateQueries({ queryKey: keys.film(other) });
  }, [client, other]);
  useEvents(other);
  const differences = useDifferences(film, other, twin?.revision).data ?? [];
  return (
    <>
      <InStep film={film} twin={twin} />
      <h3 className="mb-1 mt-4 font-semibold" role="status">
        {differences.length
          ? `${differences.length} ${differences.length === 1 ? "difference" : "differences"}`
          : "Nothing differs yet"}
      </h3>
      <ul aria-label="Differences">
        {differences
          .filter((d) => d.sort !== "picture")
          .map((d, i) => (
            <Difference key={i} film={film} difference={d} />
          ))}
        <Pictures film={film} edges={differences.filter((d) => d.sort === "picture")} />
      </ul>
    </>
  );
}

/** Shots that show another picture, in one line. */
function Pictures({ film, edges }: { film: Film; edges: CutDifference[] }) {
  if (!edges.length) return null;
  return (
    <li className="grid grid-cols-[52px_110px_1fr] gap-2 border-t border-rule py-1">
      <span className="font-mono text-ink-2">{edges.length}</span>
      <span className="text-ink-2">other pictures</span>
      <span className="flex flex-wrap gap-x-2">
        {edges.map((d) => (
          <button
            key={d.edge}
            type="button"
            className="min-h-6 min-w-6 text-left font-mono underline decoration-dotted underline-offset-2"
            onClick={() => {
              const shot = film.shots.find((s) => s.id === d.shot);
              if (shot) pointAt(shot);
            }}
          >
            {d.edge}
          </button>
        ))}
      </span>
    </li>
  );
}

const SORTS: Record<CutDifference["sort"], string> = {
  setting: "setting",
  title: "name",
  gone: "only here",
  new: "only there",
  words: "words",
  picture: "picture",
  time: "length",
  made: "made otherwise",
  order: "order",
};

const plainly = (value: unknown): string =>
  typeof value === "string" || typeof value === "number" || typeof value === "boolean"
    ? String(value)
    : "";

function Difference({ film, difference: d }: { film: Film; difference: CutDifference }) {
  const shot = film.shots.find((s) => s.id === d.shot);
  const unit = d.sort === "time" ? " s" : "";
  const [here, there] = d.sort === "picture" ? ["", ""] : [plainly(d.here), plainly(d.there)];
  return (
    <li className="grid grid-cols-[52px_110px_1fr] gap-2 border-t border-rule py-1">
      {shot ? (
        <button
          type="button"
          className="min-h-6 text-left font-mono underline decoration-dotted underline-offset-2"
          onClick={() => pointAt(shot)}
        >
          {d.edge}
        </button>
      ) : (
        <span className="font-mono text-ink-2">{d.edge || "film"}</span>
      )}
      <span className="text-ink-2">{SORTS[d.sort]}</span>
      <span className="truncate">
        {(d.sort === "setting" || d.sort === "made") && `${d.what.replaceAll("_", " ")} `}
        {here && (
          <>
            {here}
            {unit}
          </>
        )}
        {here && there && <span className="text-ink-2"> here, </span>}
        {there && (
          <>
            {there}
            {unit} <span className="text-ink-2">there</span>
          </>
        )}
      </span>
    </li>
  );
}
