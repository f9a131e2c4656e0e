/** What moves in this shot for other shots as well: the camera, the air, what figures do, or all of it. */
import { useState } from "react";

import type { Film, Shot } from "../../../api/client";
import { useChange } from "../../../api/film";
import type { Movement } from "../../../api/movement";
import { Choice } from "../../../parts/Choice";

const PARTS = {
  camera: "the camera",
  air: "the air",
  actions: "the actions",
  all: "all of it",
} as const;
type Part = keyof typeof PARTS;

const theOthers = (count: number) => (count === 1 ? "other shot" : `${count} other shots`);

/** The values of a part, as they are set by hand; all that is set together is one step back. */
function valuesOf(part: Part, { path, air, acts }: Movement) {
  return {
    ...(part === "camera" || part === "all" ? { path } : {}),
    ...(part === "air" || part === "all"
      ? { air: air.map(({ kind, amount }) => ({ kind, amount })) }
      : {}),
    ...(part === "actions" || part === "all"
      ? { acts: acts.map(({ figure, action, word }) => ({ figure, action, word })) }
      : {}),
  };
}

export function CopyTo({ film, shot, movement }: { film: Film; shot: Shot; movement: Movement }) {
  const change = useChange(film.id);
  const [part, setPart] = useState<Part>("camera");
  const others = film.shots.filter((s) => s.id !== shot.id);
  const inScene = others.filter((s) => s.scene === shot.scene);
  const next = others.find((s) => s.start >= shot.stop);
  const targets = { next: next ? [next] : [], scene: inScene, all: others };
  return (
    <span className="flex items-center gap-1.5">
      <span className="text-ink-2">copy</span>
      <Choice
        quiet
        label="What to copy"
        value={part}
        options={Object.entries(PARTS)}
        onChange={(p) => setPart(p as Part)}
      />
      <Choice
        label="Copy it to"
        value="nowhere"
        options={[
          ["nowhere", "to …"],
          ...(next ? ([["next", `shot ${next.edge}`]] as const) : []),
          ...(inScene.length
            ? ([["scene", `the scene’s ${theOthers(inScene.length)}`]] as const)
            : []),
          ["all", `all ${theOthers(others.length)}`],
        ]}
        onChange={(to) => {
          const found = targets[to as keyof typeof targets] ?? [];
          if (found.length)
            change.mutate({
              type: "copy movement",
              shot: shot.id,
              to: found.map((s) => s.id),
              values: valuesOf(part, movement),
            });
        }}
      />
    </span>
  );
}
