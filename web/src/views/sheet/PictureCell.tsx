/** What a shot shows, in its row of the Sheet: its picture or plate, its takes, its framing. */
import type { Film, Shot } from "../../api/client";
import { lastFrame } from "../../parts/lastFrame";
import { IdeaMark, Ring } from "../../parts/marks";
import { FinishDesk } from "./FinishDesk";

interface Props {
  film: Film;
  shot: Shot;
  making: boolean;
  low: boolean;
  onCircle: (shot: number, take: string) => void;
}

/** How many takes find room. */
const TAKES = { low: 2, roomy: 5 };

export function PictureCell({ film, shot, making, low, onCircle }: Props) {
  return (
    <div className={low ? "flex gap-1.5" : undefined}>
      <div
        className={`relative shrink-0 overflow-hidden rounded-[3px] ${low ? "h-[54px] w-[96px]" : "h-[86px]"}`}
      >
        <Seen film={film} shot={shot} />
        {shot.picture_of !== shot.id && (
          <span className="absolute right-1.5 top-1.5 rounded-[3px] bg-page px-1.5 text-[12px]">
            as {low ? "" : "shot "}
            <span className="font-mono">
              {film.shots.find((s) => s.id === shot.picture_of)?.edge}
            </span>
          </span>
        )}
        {shot.stale && (
          <>
            <span className="hatch absolute inset-0" title="stale: prompt changed" />
            {!low && (
              <span className="absolute bottom-1.5 left-1.5 rounded-[3px] bg-page px-1.5 text-[12px]">
                stale: prompt changed
              </span>
            )}
          </>
        )}
        {making && <span className="making absolute inset-0" aria-label="being made" />}
        <span className="absolute bottom-1 right-1">
          <FinishDesk film={film} shot={shot} />
        </span>
      </div>
      <div className={low ? "flex min-w-0 grow flex-col" : "flex items-center pt-0.5"}>
        <span className={low ? "flex items-center" : "contents"}>
          {shot.takes.slice(-(low ? TAKES.low : TAKES.roomy)).map((t) => (
            <button
              key={t.id}
              type="button"
              title={t.id === shot.used ? `Take ${t.number} is used` : `Circle take ${t.number}`}
              aria-label={`Circle take ${t.number} of shot ${shot.edge}`}
              aria-pressed={t.id === shot.used}
              onClick={(e) => {
                e.stopPropagation();
                onCircle(shot.id, t.id);
              }}
            >
              <Ring number={t.number} on={t.id === shot.used} hatched={t.id !== shot.own_circled} />
            </button>
          ))}
          {low && shot.idea && (
            <span className="ml-auto">
              <IdeaMark sort={shot.idea} on={!!shot.own.idea} />
            </span>
          )}
        </span>
        <span
          className={`flex min-w-0 items-center gap-1 truncate text-ink-2 ${low ? "text-[12px]" : "ml-auto"}`}
          title={shot.idea ? `${shot.idea}: ${shot.why.action ?? ""}` : undefined}
        >
          {!low && shot.idea && <IdeaMark sort={shot.idea} on={!!shot.own.idea} />}
          {low ? shot.framing.replace("extreme", "extr.") : shot.framing}
        </span>
      </div>
    </div>
  );
}

/** The picture itself, or what stands in for it. */
function Seen({ film, shot }: { film: Film; shot: Shot }) {
  const used = shot.takes.find((t) => t.id === shot.used);
  if (shot.plate || shot.own.insets?.length)
    return (
      <img
        src={lastFrame(film, shot)}
        alt={
          shot.plate
            ? `Plate of shot ${shot.edge}: ${shot.plate.plate.sort}`
            : `Shot ${shot.edge} with what is laid over it`
        }
        loading="lazy"
        className="size-full bg-shade object-contain"
      />
    );
  if (used)
    return (
      <img
        src={`/media/${used.thumb}`}
        alt={`Picture of shot ${shot.edge}`}
        loading="lazy"
        className={`size-full ${film.settings.aspect === "16:9" ? "object-cover" : "bg-shade object-contain"}`}
      />
    );
  return (
    <div className="flex size-full items-center justify-center border border-dashed border-rule-strong text-[12px] text-ink-2">
      no picture yet
    </div>
  );
}
