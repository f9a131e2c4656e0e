/** The words of a shot, one by one, so that the one that is said is seen. */
import type { Film, Shot } from "../api/client";

export function ShotWords({ film, shot }: { film: Film; shot: Shot }) {
  if (shot.said) return shot.said; // in another language, whose words are not the manuscript's
  if (!film.words[shot.end - 1]) return shot.text; // the manuscript is on its way
  return film.words.slice(shot.first, shot.end).map((word, i) => (
    <span key={i}>
      {i > 0 && film.words[shot.first + i - 1]![1] < word[0] ? " " : ""}
      <span data-word={shot.first + i}>{film.text.slice(word[0], word[1])}</span>
    </span>
  ));
}
