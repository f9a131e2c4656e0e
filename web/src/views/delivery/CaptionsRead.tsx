/** Whether every caption can be read in time, and what would mend one that cannot. */
import type { Film } from "../../api/client";
import { useCaptionsRead } from "../../api/captions";
import { useChange, useRuns } from "../../api/film";
import { Button } from "../../parts/Button";
import { rateOf, timecode } from "../../parts/time";
import { selected } from "../../state/playhead";

const KINDS: Record<string, (found: number, aim: number) => string> = {
  "too quick": (found, aim) => `${found} words a minute, at most ${aim}`,
  "too short": (found, aim) => `${found.toFixed(1)} s, at least ${aim.toFixed(1)} s`,
  "too long": (found, aim) => `${found.toFixed(1)} s, at most ${aim.toFixed(1)} s`,
};

export function CaptionsRead({ film }: { film: Film }) {
  const last = useRuns(film.id).data?.[0];
  const found = useCaptionsRead(
    film.id,
    film.revision,
    last ? `${last.id} ${last.state}` : "",
  ).data;
  const change = useChange(film.id);
  if (!found || film.settings.captions === "off" || !found.captions) return null;
  const { unread } = found;
  return (
    <section aria-label="Captions read" className="mb-6">
      <h2 className="mb-1 font-serif text-[20px] font-bold">What is read</h2>
      <p className="text-ink-2" role="status">
        {unread.length
          ? `${unread.length} of ${found.captions} captions cannot be read in time (DCMP Captioning Key).`
          : `All ${found.captions} captions can be read in time (DCMP Captioning Key).`}
      </p>
      {unread.length > 0 && (
        <ul
          aria-label="Captions that cannot be read in time"
          className="mt-2 max-h-[240px] overflow-y-auto border-t border-rule"
        >
          {unread.map((u) => (
            <li
              key={u.at}
              className="grid grid-cols-[92px_minmax(0,1fr)_210px_150px] items-center gap-2 border-b border-rule py-1"
            >
              <span className="font-mono text-[12px]">
                {timecode(Math.round(u.at * rateOf(film.fps)), film.fps)}
              </span>
              <button
                type="button"
                className="min-h-6 truncate rounded-[3px] text-left font-serif hover:bg-shade"
                title="choose its shot"
                onClick={() => selected.set(u.shot)}
              >
                {u.text}
              </button>
              <span className="text-[12px] text-ink-2">{KINDS[u.kind]?.(u.found, u.aim)}</span>
              {u.remedy && (
                <Button className="justify-center" onClick={() => change.mutate(u.remedy!)}>
                  {u.says}
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
