/** Drift as the view counts it: the worst of somebody in a scene, the film's share of traits said, the worst first. */
import type { Drift, Film, Person, Shot } from "../../api/client";

/** A colour this far off (CIEDE2000) is marked. */
export const MARKED = 5;

export const usedOf = (shot: Shot) => shot.takes.find((t) => t.id === shot.used);
export const driftOf = (shot: Shot, person: number | null): Drift | undefined =>
  shot.drift.find((d) => d.person === person);

/** How bad a drift is, to sort by: open departures first, by their colour difference. */
const weightOf = (drift: Drift | undefined): number =>
  drift ? (drift.open ? 1000 : 0) + (drift.worst ?? 0) + drift.missing.length * 3 : -1;

export interface Cell {
  shots: Shot[];
  stale: number;
  unmade: number;
  /** The shot that departs most, and its largest colour difference; null where nothing is measured. */
  worst: Shot | null;
  apart: number | null;
  open: number;
  unsaid: string[];
}

export function cellOf(film: Film, person: number, scene: number): Cell {
  const shots = film.shots.filter((s) => s.scene === scene && s.people.includes(person));
  const ranked = [...shots].sort(
    (a, b) => weightOf(driftOf(b, person)) - weightOf(driftOf(a, person)),
  );
  const measured = shots
    .map((s) => driftOf(s, person)?.worst)
    .filter((w) => w !== null && w !== undefined);
  return {
    shots,
    stale: shots.filter((s) => s.stale).length,
    unmade: shots.filter((s) => !s.used).length,
    worst: ranked.find((s) => driftOf(s, person)) ?? null,
    apart: measured.length ? Math.max(...measured) : null,
    open: shots.reduce((n, s) => n + (driftOf(s, person)?.open ?? 0), 0),
    unsaid: [...new Set(shots.flatMap((s) => driftOf(s, person)?.missing ?? []))],
  };
}

/** The share of traits, over everybody in every made picture, that the prompts used did say; null while none is made. */
export function shareSaid(film: Film): number | null {
  const traits = new Map(
    film.cast.map((p) => [p.id, p.traits.filter((t) => t.weight === "must").length]),
  );
  let all = 0;
  let missing = 0;
  for (const shot of film.shots) {
    const take = usedOf(shot);
    if (!take || take.brought) continue;
    for (const person of shot.people) {
      all += traits.get(person) ?? 0;
      missing += driftOf(shot, person)?.missing.length ?? 0;
    }
  }
  return all ? Math.max(0, Math.round((1 - missing / all) * 100)) : null;
}

export interface Departure {
  shot: Shot;
  drift: Drift;
  person: Person | undefined;
}

/** Everything that departs and is not accepted, the worst first, then what is accepted. */
export function departures(film: Film): { open: Departure[]; accepted: Departure[] } {
  const cast = new Map(film.cast.map((p) => [p.id, p]));
  const all = film.shots
    .filter((s) => s.picture_of === s.id)
    .flatMap((shot) =>
      shot.drift.map((drift) => ({
        shot,
        drift,
        person:
          drift.person === null || drift.person === undefined ? undefined : cast.get(drift.person),
      })),
    );
  const worst = (d: Departure) =>
    Math.max(
      0,
      ...d.drift.found.filter((f) => f.marked && !f.accepted).map((f) => f.apart ?? 12),
      d.drift.missing.length ? 20 + d.drift.missing.length : 0,
    );
  return {
    open: all.filter((d) => d.drift.open > 0).sort((a, b) => worst(b) - worst(a)),
    accepted: all.filter(
      (d) => d.drift.open === 0 && d.drift.found.some((f) => f.marked && f.accepted),
    ),
  };
}

/** The departures of one drift in a few words: "scarf ΔE 14, no red scarf said". */
export function inFew(drift: Drift): string {
  const seen = drift.found
    .filter((f) => f.marked && !f.accepted)
    .sort((a, b) => (b.apart ?? 0) - (a.apart ?? 0));
  return [
    ...seen.map((f) => f.text),
    ...(drift.missing.length ? [`not said: ${drift.missing.join(", ")}`] : []),
  ].join("; ");
}

/** The worst departure in two words: "scarf ΔE 14". */
export function shortOf(drift: Drift, person: Person): string {
  const traits = [...person.traits, ...person.outfits.flatMap((o) => o.traits)];
  const worst = drift.found
    .filter((f) => f.marked && !f.accepted)
    .sort((a, b) => (b.apart ?? 99) - (a.apart ?? 99))[0];
  if (!worst) return `${drift.missing.length} unsaid`;
  const about = traits.find((t) => t.text === worst.trait)?.about ?? worst.kind;
  return worst.kind === "colour"
    ? `${about} ΔE ${Math.floor(worst.apart ?? 0)}`
    : worst.kind === "missing"
      ? `no ${about}`
      : worst.kind;
}

/** What somebody wears in a scene, shortly: the outfit of the scene, else the trait about clothes. */
export function wornIn(film: Film, person: Person, scene: number): string {
  const word = film.scenes[scene]?.word;
  const shots = new Set(
    film.shots.filter((s) => s.scene === scene && s.people.includes(person.id)).map((s) => s.id),
  );
  const outfit =
    person.outfits.find((o) => word !== undefined && o.scenes.includes(word)) ??
    person.outfits.find((o) => o.shots.length > 0 && [...shots].every((s) => o.shots.includes(s)));
  return outfit?.traits[0]?.text ?? person.traits.find((t) => t.about === "clothes")?.text ?? "";
}

export interface PlaceColour {
  /** As the place's words say it: "ochre walls". */
  said: string;
  wanted: string | null;
  by: string;
  /** How many pictures it was measured in, and in how many of them it departs and is not accepted. */
  measured: number;
  open: number;
  /** The shot whose picture departs most, how far, and the colour it shows. */
  worst: { shot: Shot; apart: number; shown: string | null };
}

/** What was measured of a place's colours in the pictures of its shots, each picture once. */
export function placeColours(shots: Shot[]): PlaceColour[] {
  const rows = new Map<string, PlaceColour>();
  for (const shot of shots.filter((s) => s.picture_of === s.id))
    for (const f of driftOf(shot, null)?.found ?? []) {
      if (f.kind !== "colour" || f.apart === null) continue;
      const here = { shot, apart: f.apart, shown: f.shown };
      const row = rows.get(f.trait) ?? {
        said: f.trait,
        wanted: f.wanted,
        by: f.by,
        measured: 0,
        open: 0,
        worst: here,
      };
      row.measured += 1;
      row.open += f.marked && !f.accepted ? 1 : 0;
      if (here.apart > row.worst.apart) row.worst = here;
      rows.set(f.trait, row);
    }
  return [...rows.values()];
}

/** Who or what departs: somebody, the place where only its colours do, else the whole picture. */
export function nameOf(film: Film, { shot, drift, person }: Departure): string {
  if (person) return person.name;
  const marked = drift.found.filter((f) => f.marked);
  const place = film.places.find((p) => (p.description || p.name) === shot.place);
  return place && marked.every((f) => f.kind === "colour") ? place.name : "The whole picture";
}

/** The command that accepts, or looks again at, what departs of somebody in a shot. */
export const acceptance = (shot: Shot, drift: Drift, accept: boolean) => ({
  type: "accept drift" as const,
  shot: shot.id,
  take: shot.used ?? "",
  person: drift.person ?? null,
  about: accept ? drift.about : [],
});
