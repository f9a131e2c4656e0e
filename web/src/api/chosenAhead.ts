/**
 * What a maker chooses, ahead of the server. A choice often sends a whole list of which it changes one thing: the next
 * one, made before the answer is there, has to be made of the list as it will be, or it would take the first one back.
 */
import type { Command, Film, Schemas, Shot } from "./client";

type Values = Partial<Schemas["Overrides"]>;

/** What is shown of a shot just as it was chosen. */
const SHOWN = ["framing", "angle", "time", "weather", "mood", "people", "move"] as const;

/** The film as it will be after a choice; null for every other command. */
export function chosenAhead(film: Film, command: Command): Film | null {
  switch (command.type) {
    case "set shots": {
      const numbers = new Set(command.shots);
      const values = command.values as Values;
      return {
        ...film,
        shots: film.shots.map((s) => (numbers.has(s.id) ? withOwn(s, values) : s)),
      };
    }
    case "set settings":
      return { ...film, settings: { ...film.settings, ...command.values } };
    case "set person":
      return { ...film, cast: replaced(film.cast, command.person) };
    case "set place":
      return { ...film, places: replaced(film.places, command.place) };
    case "set look":
      return {
        ...film,
        looks: film.looks.map((l) => (l.name === command.look.name ? command.look : l)),
      };
    case "set cue":
      return {
        ...film,
        cues: film.cues.map((c) => (c.id === command.cue.id ? { ...c, choice: command.cue } : c)),
      };
    case "set hold":
      return withShot(film, command.shot, (shot) => ({ ...shot, hold: command.seconds }));
    case "set card":
      return withShot(film, command.shot, (shot) => ({
        ...shot,
        cards: shot.cards.map((card) =>
          card.sort === command.sort && card.number === command.number
            ? { ...card, how: command.how ?? card.how, seconds: command.seconds ?? card.seconds }
            : card,
        ),
      }));
    default:
      return null;
  }
}

const withShot = (film: Film, id: number, next: (shot: Shot) => Shot): Film => ({
  ...film,
  shots: film.shots.map((s) => (s.id === id ? next(s) : s)),
});

const replaced = <T extends { id: number }>(all: readonly T[], one: T): T[] =>
  all.map((known) => (known.id === one.id ? { ...known, ...one } : known));

function withOwn(shot: Shot, values: Values): Shot {
  const next = { ...shot, own: { ...shot.own, ...values } };
  for (const name of SHOWN) if (values[name] != null) Object.assign(next, { [name]: values[name] });
  if (values.effects) next.finish = { ...shot.finish, effects: values.effects };
  if (values.join && shot.join) next.join = { ...shot.join, how: values.join };
  if (values.plate && shot.plate) next.plate = { ...shot.plate, plate: values.plate };
  if (values.plate === null) next.plate = null;
  return next;
}
