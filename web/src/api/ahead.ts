/** Cut marks and choices ahead of the server: what the page shows at once, until the answer brings exact times and remarks. */
import { chosenAhead } from "./chosenAhead";
import type { Command, Film, Shot } from "./client";

/** A shot that the server does not know yet has the number of its first word, negative, for its own. */
const provisional = (word: number) => -word;

/** The film as it will be after a command on a cut mark or a choice; null for every other command. */
export function ahead(film: Film, command: Command): Film | null {
  if (command.type === "set mark") return withMark(film, command.word);
  if (command.type === "lift mark") return withoutMark(film, command.shot);
  if (command.type === "push mark") return withPushed(film, command.shot, command.words);
  return chosenAhead(film, command);
}

/** The frame at which a word is said, in proportion to its place among the words of the shots around it. */
function frameOf(film: Film, index: number): number {
  const shot = film.shots.find((s) => s.first <= index && index < s.end);
  if (!shot) return film.frames;
  return Math.round(
    shot.start + ((index - shot.first) / (shot.end - shot.first)) * (shot.stop - shot.start),
  );
}

const textOf = (film: Film, first: number, end: number) =>
  end > first
    ? film.text.slice(film.words[first]![0], film.words[end - 1]![1]).replace(/\s+/g, " ")
    : "";

const reshaped = (film: Film, shot: Shot, values: Partial<Shot>): Shot => {
  const next = { ...shot, ...values, remarks: [] };
  return { ...next, text: textOf(film, next.first, next.end) };
};

function withMark(film: Film, word: number): Film | null {
  const index = film.words.findIndex((w) => w[2] === word);
  const at = film.shots.findIndex((s) => s.first < index && index < s.end);
  if (at < 0) return null;
  const shot = film.shots[at]!;
  const frame = frameOf(film, index);
  const parts = [
    reshaped(film, shot, { end: index, stop: frame }),
    reshaped(film, shot, {
      id: provisional(word),
      edge: `${shot.edge}+`,
      first: index,
      start: frame,
      by_hand: true,
      takes: [],
      used: null,
      own_circled: null,
    }),
  ];
  return { ...film, shots: [...film.shots.slice(0, at), ...parts, ...film.shots.slice(at + 1)] };
}

function withoutMark(film: Film, id: number): Film | null {
  const at = film.shots.findIndex((s) => s.id === id);
  const shot = film.shots[at];
  const before = film.shots[at - 1];
  if (!shot || !before) return null;
  const joined = reshaped(film, before, { end: Math.max(before.end, shot.end), stop: shot.stop });
  return { ...film, shots: [...film.shots.slice(0, at - 1), joined, ...film.shots.slice(at + 1)] };
}

function withPushed(film: Film, id: number, words: number): Film | null {
  const at = film.shots.findIndex((s) => s.id === id);
  const shot = film.shots[at];
  const before = film.shots[at - 1];
  if (!shot || !before || before.end !== shot.first) return null;
  const first = shot.first + words;
  if (first <= before.first || first >= shot.end) return null;
  const frame = frameOf(film, first);
  const shots = [...film.shots];
  shots[at - 1] = reshaped(film, before, { end: first, stop: frame });
  shots[at] = reshaped(film, shot, { first, start: frame, by_hand: true });
  return { ...film, shots };
}
