/** Words of the script with what stands around them, and those whom they mean. */
import type { Film } from "../../api/client";

const AROUND = 7;
/** Words before and behind that tell which place is meant. */

interface Words {
  first: number;
  end: number;
}

export const wordsOf = (film: Film, first: number, end: number) =>
  film.text
    .slice(film.words[first]?.[0] ?? 0, film.words[end - 1]?.[1] ?? 0)
    .replace(/^[“"'‘(]+|[”"'’).,;:!?…—]+$/g, "");

export const namesOf = (film: Film, people: number[]) =>
  people
    .map((p) => film.cast.find((c) => c.id === p)?.name)
    .filter((n): n is string => !!n)
    .join(" and ") || "nobody of the cast";

export function Passage({ film, mention }: { film: Film; mention: Words }) {
  const from = Math.max(0, mention.first - AROUND);
  const to = Math.min(film.words.length, mention.end + AROUND);
  const text = (a: number, b: number) =>
    a < b ? film.text.slice(film.words[a]![0], film.words[b - 1]![1]) : "";
  return (
    <>
      <span className="text-ink-2">… {text(from, mention.first)} </span>
      <b className="font-semibold">{text(mention.first, mention.end)}</b>
      <span className="text-ink-2"> {text(mention.end, to)} …</span>
    </>
  );
}
