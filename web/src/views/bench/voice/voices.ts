/** Voices that fit, in an order; and what it costs to give a speaker another. */
import type { Film } from "../../../api/client";
import type { LineSaid, Voice } from "../../../api/voices";

interface Wish {
  who: string;
  age: string;
  language: string;
  order: "given" | "pitch" | "pace";
}

export function fitting(voices: readonly Voice[], { who, age, language, order }: Wish): Voice[] {
  const found = voices.filter(
    (v) =>
      (who === "any" || v.pronoun === who) &&
      (age === "any" || v.age === age) &&
      (language === "any" || (v.language ?? "en") === language),
  );
  if (order === "pitch") return found.sort((a, b) => (a.pitch ?? 0) - (b.pitch ?? 0));
  if (order === "pace") return found.sort((a, b) => (b.length ?? 1) - (a.length ?? 1));
  return found;
}

interface Offered {
  kind: string;
  price: { amount: string | number; per: string };
}

/** Lines of a speaker (null: the narrator), and what it costs to have all of them said anew. */
export function costOfCasting(film: Film, speaker: string | null, offers: readonly Offered[]) {
  const lines = film.lines.filter((l) => l.speaker === speaker);
  const price = Number(offers.find((o) => o.kind === "speech")?.price.amount ?? 0);
  const letters = lines.reduce((n, l) => n + lettersIn(film, l), 0);
  return { lines: lines.length, money: letters * price };
}

const USUAL_WORD = 5.7;
/** Characters of a line: what is not loaded is counted as words of a usual length, spaces included. */
function lettersIn(film: Film, line: Film["lines"][number]): number {
  const first = film.words[line.first];
  const last = film.words[line.end - 1];
  return first && last ? last[1] - first[0] : (line.end - line.first) * USUAL_WORD;
}

/** The line as it is set, of which a change says only what it changes; a recording stays while nothing is said of it. */
export const lineOf = (said: LineSaid) => ({
  word: said.word,
  direction: said.own,
  room: said.room_own,
  over: said.over_own,
  seed: said.seed,
  takes: said.recorded ? 1 : said.takes.length,
  rejected: said.rejected,
});
