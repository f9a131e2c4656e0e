/** Pictures in use that have faults, those with the most first. */
import type { Film, Shot } from "../../api/client";
import { useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { usedOf } from "../continuity/drift";

export const faulty = (film: Film): Shot[] =>
  film.shots
    .filter((s) => s.picture_of === s.id && (usedOf(s)?.faults.length ?? 0) > 0)
    .sort((a, b) => usedOf(b)!.faults.length - usedOf(a)!.faults.length);

export function FaultList({ film, onOpen }: { film: Film; onOpen: (shot: Shot) => void }) {
  const start = useStart(film.id);
  const wrong = faulty(film);
  if (!wrong.length)
    return (
      <p className="py-3 text-ink-2">
        No fault was found. Every picture is looked over when it is made: borders, shape, blur, lettering, nearly the same as another, somebody cut by the edge, small, or turned away while speaking.
      </p>
    );
  return (
    <ul aria-label="Faults" className="border-t border-ink">
      {wrong.map((s) => (
        <li key={s.id} className="grid grid-cols-[128px_44px_minmax(0,1fr)_auto] items-center gap-3 border-b border-rule py-2">
          <button type="button" aria-label={`Open the takes of shot ${s.edge}`} onClick={() => onOpen(s)}>
            <img src={`/media/${usedOf(s)!.thumb}`} alt="" className={`w-full rounded-[3px] object-cover ${film.settings.aspect === "9:16" ? "aspect-square" : "aspect-video"}`} />
          </button>
          <span className="font-mono">{s.edge}</span>
          <ul>
            {usedOf(s)!.faults.map((f) => (
              <li key={f.text}>
                <span className="underline decoration-grease decoration-wavy decoration-1 underline-offset-[3px]">{f.text}</span>
              </li>
            ))}
          </ul>
          <Button onClick={() => start.mutate({ kind: "pictures", shots: [s.id], takes: 1 })}>Make again</Button>
        </li>
      ))}
    </ul>
  );
}
