/** Somebody's face, cut out of a picture by where their figure is in it. */
import type { Film, Person, Shot } from "../../api/client";
import { usedOf } from "./drift";

interface Props {
  film: Film;
  person: Person;
  /** The picture to cut from; without one the best of the film's is taken. */
  shot?: Shot;
  className?: string;
}

const shapeOf = (aspect: string) => {
  const [w, h] = aspect.split(":").map(Number);
  return (w ?? 16) / (h ?? 9);
};

const LIGHT: Record<string, number> = { day: 0.3, dawn: 0.25, dusk: 0.1 };

/** The shot that shows somebody large, alone and by good light. */
export function portraitOf(film: Film, person: number): Shot | undefined {
  const size = (s: Shot) => {
    const box = s.figures.find((f) => f.person === person)?.box;
    return box
      ? (box[2] - box[0]) * (box[3] - box[1]) -
          (s.people.length > 1 ? 0.2 : 0) -
          (s.stale ? 0.5 : 0) +
          (LIGHT[s.time] ?? 0)
      : -1;
  };
  return film.shots
    .filter((s) => s.people.includes(person) && usedOf(s))
    .sort((a, b) => size(b) - size(a))[0];
}

export function Face({
  film,
  person,
  shot = portraitOf(film, person.id),
  className = "size-11",
}: Props) {
  const take = shot && usedOf(shot);
  const frame = `relative block shrink-0 overflow-hidden rounded-[3px] bg-ground ${className}`;
  if (!shot || !take)
    return (
      <span className={frame}>
        <span className="flex size-full items-center justify-center font-serif text-[18px] text-ink-2">
          {person.name.replace(/^the /, "")[0]?.toUpperCase()}
        </span>
      </span>
    );
  const box = shot.figures.find((f) => f.person === person.id)?.box;
  const aspect = shapeOf(film.settings.aspect);
  if (!box)
    return (
      <span className={frame}>
        <img src={`/media/${take.thumb}`} alt="" className="size-full object-cover" />
      </span>
    );
  const [left, top, right, bottom] = box;
  const whole = person.kind !== "person";
  const tall = Math.min(
    1,
    Math.max(
      0.12,
      whole
        ? Math.max(bottom - top, (right - left) * aspect) * 1.1
        : Math.min((right - left) * aspect * 1.1, (bottom - top) * 0.55),
    ),
  );
  const up = Math.min(1 - tall, Math.max(0, whole ? (top + bottom - tall) / 2 : top - tall * 0.08));
  const wide = aspect / tall;
  const across = Math.min(wide - 1, Math.max(0, ((left + right) / 2) * wide - 0.5));
  return (
    <span className={frame}>
      <img
        src={`/media/${take.thumb}`}
        alt=""
        className="absolute max-w-none"
        style={{
          height: `${100 / tall}%`,
          width: `${wide * 100}%`,
          left: `${-across * 100}%`,
          top: `${(-up / tall) * 100}%`,
        }}
      />
    </span>
  );
}
