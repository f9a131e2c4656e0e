/** Whether somebody agrees with a scene as it is. */
import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import type { ScreenedScene } from "../../api/screening";
import { useStore } from "../../state/store";
import { today, viewer } from "../../state/viewer";

export function Agreement({ film, scene }: { film: Film; scene: ScreenedScene }) {
  const change = useChange(film.id);
  const name = useStore(viewer) || "the maker";
  const { agreed } = scene;
  const put = (on: boolean) =>
    change.mutate({
      type: "agree scene",
      scene: scene.word,
      agreed: on ? { scene: scene.word, key: scene.key, by: name, on: today() } : null,
    });
  // What is said gives way to what can be done.
  const button =
    "min-h-6 shrink-0 underline decoration-rule-strong underline-offset-2 hover:text-ink";
  return (
    <span className="flex min-w-0 items-center gap-2">
      <span className="truncate">
        <b className="font-semibold text-ink">{scene.title}</b>{" "}
        {agreed ? `agreed by ${agreed.by}, ${dayTold(agreed.on)}` : "not agreed yet"}
        {scene.changed && ", changed since"}
      </span>
      {(!agreed || scene.changed) && (
        <button type="button" className={button} onClick={() => put(true)}>
          {agreed ? "agree anew" : "agree"}
        </button>
      )}
      {agreed && (
        <button type="button" className={button} onClick={() => put(false)}>
          take back
        </button>
      )}
    </span>
  );
}

/** A day as people say it: "Sat, Nov 28". */
export const dayTold = (day: string) =>
  day
    ? new Date(`${day}T12:00`).toLocaleDateString([], {
        weekday: "short",
        month: "short",
        day: "numeric",
      })
    : "";
