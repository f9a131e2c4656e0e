/** In which other languages captions are delivered, of those that the film is kept in: beside the film, or in its
 *  picture beneath its own. */
import type { Film } from "../../api/client";
import { useLanguages } from "../../api/languages";
import { Choice } from "../../parts/Choice";
import { languageNamed } from "../../parts/languages";
import { Setting } from "./Setting";

const NONE = "none";

interface Props {
  film: Film;
  onPut: (values: Partial<Film["settings"]>) => void;
}

export function CaptionLanguages({ film, onPut }: Props) {
  const cuts = useLanguages(film).data?.languages ?? [];
  const own = cuts.find((c) => c.film === film.id)?.language;
  const others = [...new Map(cuts.map((c) => [c.language, c])).values()].filter(
    (c) => c.language !== own,
  );
  if (!others.length || film.settings.captions === "off") return null;
  const also: readonly string[] = film.settings.captions_also ?? [];
  return (
    <>
      <Setting name="Captions also in" note="from the cuts that it is kept in, timed to this voice">
        <span className="flex flex-wrap gap-x-4">
          {others.map((cut) => (
            <label key={cut.language} className="flex min-h-6 items-center gap-1.5">
              <input
                type="checkbox"
                checked={also.includes(cut.language)}
                onChange={(e) =>
                  onPut({
                    captions_also: e.target.checked
                      ? [...also, cut.language]
                      : also.filter((tag) => tag !== cut.language),
                  })
                }
              />
              {languageNamed(cut.language)}
              {!cut.original && cut.translated < cut.passages && (
                <span className="text-ink-2">
                  {cut.translated} of {cut.passages}
                </span>
              )}
            </label>
          ))}
        </span>
      </Setting>
      {film.settings.captions === "burn" && (
        <Setting name="In the picture" note="a second language, smaller, beneath the film’s own">
          <Choice
            label="Language beneath the captions"
            value={film.settings.captions_beneath || NONE}
            options={[
              [NONE, "one language"],
              ...others.map(
                (cut) => [cut.language, `with ${languageNamed(cut.language)}`] as const,
              ),
            ]}
            onChange={(tag) => onPut({ captions_beneath: tag === NONE ? "" : tag })}
          />
        </Setting>
      )}
    </>
  );
}
