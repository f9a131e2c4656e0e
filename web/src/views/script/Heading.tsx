/** A scene's heading: its number, name, time and weather, its length and pace; moved by drag or by keys. */
import { ArrowDown, ArrowUp, Scissors } from "lucide-react";
import { useState } from "react";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import { keysOf } from "../../keys/useKeys";
import { inWords } from "../../parts/time";

export function SceneHeading({
  film,
  index,
  onEdit,
}: {
  film: Film;
  index: number;
  onEdit: () => void;
}) {
  const change = useChange(film.id);
  const [over, setOver] = useState(false);
  const scene = film.scenes[index]!;
  const first = film.scenes[0]?.title ? 0 : 1;
  const move = (to: number) =>
    to >= first &&
    to < film.scenes.length &&
    to !== index &&
    change.mutate({ type: "move scene", scene: index, to });
  return (
    <h2
      tabIndex={0}
      draggable
      onDoubleClick={onEdit}
      onDragStart={(e) => {
        e.dataTransfer.setData("application/x-cutreel-scene", String(index));
        e.dataTransfer.effectAllowed = "move";
      }}
      onDragOver={(e) => {
        if (!e.dataTransfer.types.includes("application/x-cutreel-scene")) return;
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        setOver(false);
        const from = e.dataTransfer.getData("application/x-cutreel-scene");
        if (from !== "" && Number(from) !== index)
          change.mutate({ type: "move scene", scene: Number(from), to: index });
      }}
      onKeyDown={keysOf("heading", {
        move: (e) => move(index + (e.key === "ArrowUp" ? -1 : 1)),
        edit: onEdit,
      })}
      title="Drag to move the scene, double click to edit its heading"
      className={`group/scene flex cursor-grab items-baseline gap-1.5 rounded-[3px] text-ink-2 ${over ? "shadow-[0_-2px_0_var(--ink)]" : ""}`}
    >
      <span className="font-semibold">Scene {index + 1}</span>{" "}
      <b className="font-semibold text-ink">{scene.title}</b>
      <span>{[scene.time, scene.weather].filter(Boolean).join(", ")}</span>
      <span className="ml-auto whitespace-nowrap text-[12px]">
        {inWords(scene.seconds)}
        {scene.aim !== null && <b className="font-semibold text-ink"> of {inWords(scene.aim)}</b>}
        {scene.pace !== null && `, ${scene.pace} s a shot`}
      </span>
      <span className="flex opacity-0 group-focus-within/scene:opacity-100 group-hover/scene:opacity-100">
        {([-1, 1] as const).map((way) => (
          <button
            key={way}
            type="button"
            aria-label={`Move scene ${index + 1} ${way < 0 ? "up" : "down"}`}
            disabled={index + way < first || index + way >= film.scenes.length}
            onClick={() => move(index + way)}
            className="flex size-6 items-center justify-center self-center rounded-[3px] hover:bg-shade hover:text-ink disabled:opacity-30"
          >
            {way < 0 ? <ArrowUp className="size-3.5" /> : <ArrowDown className="size-3.5" />}
          </button>
        ))}
        <button
          type="button"
          aria-label={`Set scene ${index + 1} aside`}
          title="Take the scene out of the film; it stays under Versions and can come back"
          disabled={film.scenes.length < 2}
          onClick={() => change.mutate({ type: "set aside", scene: index })}
          className="flex size-6 items-center justify-center self-center rounded-[3px] hover:bg-shade hover:text-ink disabled:opacity-30"
        >
          <Scissors className="size-3.5" />
        </button>
      </span>
    </h2>
  );
}
