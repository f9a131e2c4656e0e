/** In which other languages captions are delivered, of those that the film is kept in. */
import type { Film } from "../../api/client";
import { useLanguages } from "../../api/languages";
import { languageNamed } from "../../parts/languages";
import { Setting } from "./Setting";

interface Props {
  film: Film;
  onPut: (languages: string[]) => void;
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
    <Setting name="Captions also in" note="from the cuts that it is kept in, timed to this voice">
      <span className="flex flex-wrap gap-x-4">
        {others.map((cut) => (
          <label key={cut.language} className="flex min-h-6 items-center gap-1.5">
            <input
              type="checkbox"
              checked={also.includes(cut.language)}
              onChange={(e) =>
                onPut(
                  e.target.checked
                    ? [...also, cut.language]
                    : also.filter((tag) => tag !== cut.language),
                )
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
  );
}
