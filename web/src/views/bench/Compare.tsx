/** Takes side by side, moved and enlarged together; circled, rejected, told apart by what they were made from. */
import { useState } from "react";

import type { Film, Shot, Take } from "../../api/client";
import { useChange } from "../../api/film";
import { Button } from "../../parts/Button";
import { Rejecting } from "../../parts/Rejecting";
import { Ring } from "../../parts/marks";
import { money } from "../../parts/time";
import { digitOf, useKeys } from "../../keys/useKeys";
import { ClipBar } from "./ClipBar";
import { More } from "./More";
import { Pane, WHOLE, type View } from "./Pane";
import { DESKS, type DeskName } from "./desks";
import { inOrder, setApart } from "./takes";
import { useClipsInStep } from "./useClipsInStep";
import { isUpright } from "../../parts/shape";

const MOST = 4;

export function Compare({ film, shot }: { film: Film; shot: Shot }) {
  const change = useChange(film.id);
  const takes = inOrder(shot);
  const [picked, setPicked] = useState<string[] | null>(null);
  const [known, setKnown] = useState(takes.map((t) => t.id));
  const [view, setView] = useState<View>(WHOLE);
  const [desk, setDesk] = useState<{ name: DeskName; take: string } | null>(null);
  const [rejecting, setRejecting] = useState<string | null>(null);
  const shown = (
    picked ??
    takes
      .filter((t) => t.rejected === null)
      .slice(0, 2)
      .map((t) => t.id)
  )
    .map((id) => takes.find((t) => t.id === id))
    .filter((t): t is Take => t !== undefined);
  const clips = shown.filter((t) => t.clip);
  const longest = Math.max(0, ...clips.map((t) => t.clip?.seconds ?? 0));
  const step = useClipsInStep(longest);
  const fresh = shot.takes.filter((t) => !known.includes(t.id)).map((t) => t.id);
  if (fresh.length) {
    // What has just been made is set beside what was looked at.
    setKnown(takes.map((t) => t.id));
    setPicked(
      [...(picked ?? (known.length ? shown.slice(0, 1).map((t) => t.id) : [])), ...fresh].slice(
        -MOST,
      ),
    );
  }
  const circle = (take: Take) =>
    change.mutate({ type: "circle take", shot: shot.id, take: take.id });
  const reject = (take: Take, reason: string | null) => {
    change.mutate({ type: "reject take", shot: shot.id, take: take.id, reason });
    if (reason !== null) setPicked((now) => now?.filter((id) => id !== take.id) ?? null);
  };
  const toggle = (take: Take) => {
    const now = shown.map((t) => t.id);
    setPicked(
      now.includes(take.id) ? now.filter((id) => id !== take.id) : [...now, take.id].slice(-MOST),
    );
  };
  useKeys("takes", {
    circle: (e) => {
      const take = shot.takes.find((t) => t.number === digitOf(e));
      if (take) circle(take);
    },
    nearer: () => setView((v) => ({ ...v, scale: Math.min(8, v.scale * 1.25) })),
    further: () => setView((v) => (v.scale < 1.3 ? WHOLE : { ...v, scale: v.scale / 1.25 })),
    whole: () => setView(WHOLE),
    play: step.toggle,
  });
  if (!takes.length)
    return (
      <p className="py-6 text-ink-2">
        No take of shot {shot.edge} is made yet. Make some at the right, or bring a picture of your
        own.
      </p>
    );
  const first = shown[0];
  const put = desk && takes.find((t) => t.id === desk.take);
  if (put) {
    const Desk = DESKS[desk.name];
    return <Desk key={put.id} film={film} shot={shot} take={put} onDone={() => setDesk(null)} />;
  }
  return (
    <div>
      {clips.length > 0 && <ClipBar step={step} longest={longest} many={clips.length > 1} />}
      <div className={`grid gap-3 ${shown.length > 1 ? "grid-cols-2" : "grid-cols-1"}`}>
        {shown.map((take) => {
          const apart = first && take !== first ? setApart(first, take) : [];
          return (
            <figure key={take.id} aria-label={`Take ${take.number}`}>
              <Pane
                take={take}
                aspect={film.settings.aspect}
                view={view}
                onView={setView}
                many={shown.length > 1}
                keep={step.keep}
              />
              <figcaption className="mt-1.5">
                <div className="flex items-center gap-2">
                  <button
                    type="button"
                    aria-pressed={take.id === shot.used}
                    aria-label={`Circle take ${take.number}`}
                    title={`Circle it (Shift ${take.number})`}
                    onClick={() => circle(take)}
                  >
                    <Ring
                      number={take.number}
                      on={take.id === shot.used}
                      hatched={take.id !== shot.own_circled}
                    />
                  </button>
                  <span className="min-w-0 truncate text-ink-2">{madeOf(take)}</span>
                  {take.stale && <span className="text-ink-2">stale</span>}
                  <span className="ml-auto flex shrink-0">
                    <Button
                      kind="quiet"
                      className="px-2"
                      onClick={() => setDesk({ name: "retouch", take: take.id })}
                    >
                      Retouch
                    </Button>
                    {take.rejected !== null ? (
                      <Button kind="quiet" onClick={() => reject(take, null)}>
                        Take it back
                      </Button>
                    ) : (
                      <Button kind="quiet" className="px-2" onClick={() => setRejecting(take.id)}>
                        Reject
                      </Button>
                    )}
                    <More
                      film={film}
                      shot={shot}
                      take={take}
                      onDesk={(name) => setDesk({ name, take: take.id })}
                    />
                  </span>
                </div>
                {rejecting === take.id && (
                  <Rejecting
                    placeholder="why? two heads, wrong hat …"
                    onReject={(reason) => {
                      reject(take, reason);
                      setRejecting(null);
                    }}
                    onLeave={() => setRejecting(null)}
                  />
                )}
                {take.came && <p className="text-ink-2">{take.came}</p>}
                {take.rejected !== null && (
                  <p className="text-ink-2">Rejected{take.rejected ? `: ${take.rejected}` : ""}.</p>
                )}
                {take.faults.length > 0 && (
                  <p>
                    {take.faults.map((f) => (
                      <span
                        key={f.text}
                        className="mr-2 underline decoration-grease decoration-wavy decoration-1 underline-offset-[3px]"
                      >
                        {f.text}
                      </span>
                    ))}
                    {take.faults.some((f) => f.kind === "shape") && (
                      <Button
                        kind="quiet"
                        className="-my-2 px-2"
                        onClick={() => setDesk({ name: "frame", take: take.id })}
                      >
                        Crop or continue its edges
                      </Button>
                    )}
                  </p>
                )}
                {apart.length > 0 && (
                  <p className="text-[12px] text-ink-2">
                    against take {first!.number}: {apart.join("; ")}
                  </p>
                )}
                {take.unused.length > 0 && (
                  <p className="text-[12px] text-ink-2">
                    of no use to the {take.clip ? "animator" : "illustrator"}:{" "}
                    {take.unused.join(", ")}
                  </p>
                )}
              </figcaption>
            </figure>
          );
        })}
      </div>
      <h2 className="mb-1.5 mt-5 flex items-baseline justify-between font-semibold">
        All takes
        <span className="font-normal text-ink-2">
          {shown.length > 1
            ? "wheel or + − to come nearer, drag to move: all together; 0 for the whole"
            : "click more to set them beside it"}
        </span>
      </h2>
      <ul
        aria-label="All takes"
        className="grid grid-cols-[repeat(auto-fill,minmax(112px,1fr))] gap-2.5"
      >
        {takes.map((t) => (
          <li key={t.id}>
            <button
              type="button"
              aria-pressed={shown.includes(t)}
              aria-label={`Take ${t.number} beside the others${t.rejected !== null ? ", rejected" : ""}`}
              onClick={() => toggle(t)}
              className="block w-full text-left"
            >
              <span
                className={`relative block overflow-hidden rounded-[3px] ${isUpright(film.settings.aspect) ? "aspect-[3/4]" : "aspect-video"} ${shown.includes(t) ? "outline outline-2 outline-offset-1 outline-ink" : ""}`}
              >
                <img
                  src={`/media/${t.thumb}`}
                  alt=""
                  className={`size-full object-cover ${t.rejected !== null ? "opacity-40" : ""}`}
                />
                {t.stale && <span className="hatch absolute inset-0" />}
              </span>
              <span className="flex justify-between pt-0.5 font-mono text-[12px]">
                {t.number}
                <span className="truncate text-ink-2">
                  {t.rejected !== null
                    ? "rejected"
                    : t.id === shot.used
                      ? "in use"
                      : t.faults.length
                        ? t.faults[0]!.kind
                        : t.brought
                          ? "yours"
                          : t.seed}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

const madeOf = (t: Take) =>
  t.brought
    ? t.clip
      ? "your own clip"
      : "your own picture"
    : [
        `seed ${t.seed}`,
        t.offer.replace("illustrator-", ""),
        t.width && `${t.width}×${t.height}`,
        t.cost > 0 && money(t.cost),
      ]
        .filter(Boolean)
        .join(", ");
