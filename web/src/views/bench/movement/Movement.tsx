/** One shot's movement: its picture with the camera's path, its time against its words, its frames. */
import { Pause, Play } from "lucide-react";
import { useState } from "react";

import type { Film, Shot } from "../../../api/client";
import { useBring, useChange } from "../../../api/film";
import { CLIPS } from "../../../api/formats";
import { type Movement as Moves, type Path, framesAt, useMovement } from "../../../api/movement";
import { Bring } from "../../../parts/Bring";
import { Button } from "../../../parts/Button";
import { Choice, worded } from "../../../parts/Choice";
import { Split } from "../../continuity/Split";
import { Loop } from "./Loop";
import { PathOnPicture } from "./PathOnPicture";
import { WhatMoves } from "./WhatMoves";
import { WordStrip } from "./WordStrip";

const FRAMES = 6;
const DRAWINGS = 12;
const MOST = 120;

export function Movement({ film, shot }: { film: Film; shot: Shot }) {
  const movement = useMovement(film, shot.id).data;
  const take = shot.takes.find((t) => t.id === shot.used);
  if (!take)
    return (
      <p className="px-5 py-4 text-ink-2">
        This shot has no picture yet. Make one under Takes; what moves in it is seen here.
      </p>
    );
  if (!movement) return <p className="px-5 py-4 text-ink-2">reading what moves …</p>;
  return (
    <Split aside={<WhatMoves film={film} shot={shot} movement={movement} />}>
      <Desk film={film} shot={shot} movement={movement} media={take.media} />
    </Split>
  );
}

interface DeskProps {
  film: Film;
  shot: Shot;
  movement: Moves;
  media: string;
}

function Desk({ film, shot, movement, media }: DeskProps) {
  const change = useChange(film.id);
  const [playing, setPlaying] = useState(false);
  const [before, setBefore] = useState(false);
  const [now, setNow] = useState(0);
  const bring = useBring(film.id);
  const set = (values: Record<string, unknown>, shots = [shot.id]) =>
    change.mutate({ type: "set shots", shots, values });
  const setPath = (path: Path) => set({ path });
  const count = Math.min(MOST, Math.max(2, Math.round(movement.seconds * DRAWINGS)));
  const upright = film.settings.aspect === "9:16";
  return (
    <section aria-label="Movement" className="flex flex-col gap-2">
      <div className="flex gap-4">
        <div className={upright ? "w-[240px] shrink-0" : "min-w-0 grow"}>
          <PathOnPicture
            key={shot.id}
            media={media}
            alt={`The picture of shot ${shot.edge}`}
            aspect={film.settings.aspect}
            path={movement.path}
            onPath={setPath}
          >
            {playing && (
              <Loop
                src={framesAt(film, shot.id, { count, high: 270, camera: before })}
                count={count}
                seconds={movement.seconds}
                label={`Shot ${shot.edge}, playing`}
                onTime={setNow}
              />
            )}
          </PathOnPicture>
          <p className="mt-1 flex justify-between gap-3 text-[12px] text-ink-2">
            <span>Drag frames or corners; click twice to go by.</span>
            <span>
              {movement.pixels} picture pixels for one at 1080p
              {movement.pixels < 0.95 ? "; enlarge it" : ""}
            </span>
          </p>
        </div>
        <div className={`w-[150px] shrink-0 ${upright ? "h-[400px]" : ""}`}>
          <WordStrip movement={movement} now={playing ? now : 0} />
        </div>
      </div>
      <Strip film={film} shot={shot} movement={movement} camera={before} />
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button kind="ink" onClick={() => setPlaying((p) => !p)} aria-pressed={playing}>
          {playing ? <Pause className="size-4" /> : <Play className="size-4" />}
          {playing ? "Stop" : "Play this shot"}
        </Button>
        <Button onClick={() => setBefore((b) => !b)} aria-pressed={before}>
          {before ? "The camera alone" : "Before and after"}
        </Button>
        <Choice
          label="How the camera starts and settles"
          value={movement.path.ease ?? "even"}
          options={worded(["even", "gentle", "sudden"], {
            even: "starts evenly",
            gentle: "starts gently",
            sudden: "starts suddenly",
          })}
          onChange={(ease) => setPath({ ...movement.path, ease: ease as Path["ease"] })}
        />
        <Button
          aria-pressed={movement.path.held ?? false}
          className={movement.path.held ? "font-semibold" : ""}
          onClick={() => setPath({ ...movement.path, held: !movement.path.held })}
        >
          {movement.path.held ? "Held in the hand" : "Hold it in the hand"}
        </Button>
        <Bring
          label={`Bring a clip for shot ${shot.edge}`}
          title="Bring a clip"
          accept={CLIPS}
          says="MP4, WebM, MOV or an animated GIF, at most a minute"
          busy={bring.isPending}
          onFiles={([file]) => file && bring.mutate({ shot: shot.id, file })}
        />
        <CopyTo film={film} shot={shot} onCopy={(shots) => set({ path: movement.path }, shots)} />
        <span className="ml-auto text-[12px] text-ink-2">
          {playing && `loops every ${movement.seconds.toFixed(1)} s`}
        </span>
      </div>
    </section>
  );
}

/** Six frames of the shot as it stands, with their times. */
function Strip({ film, shot, movement, camera }: Omit<DeskProps, "media"> & { camera: boolean }) {
  const [w, h] = film.settings.aspect.split(":").map(Number) as [number, number];
  return (
    <figure className={w < h ? "max-w-[480px]" : ""}>
      <img
        src={framesAt(film, shot.id, { count: FRAMES, high: 180, camera })}
        alt={`Six frames of shot ${shot.edge}`}
        className="w-full rounded-[3px] bg-shade"
        style={{ aspectRatio: `${w * FRAMES} / ${h}` }}
      />
      <figcaption className="mt-0.5 grid grid-cols-6 font-mono text-[12px] text-ink-2">
        {Array.from({ length: FRAMES }, (_, i) => (
          <span key={i}>{((movement.seconds * i) / (FRAMES - 1)).toFixed(1)} s</span>
        ))}
      </figcaption>
    </figure>
  );
}

const theOthers = (count: number) => (count === 1 ? "other shot" : `${count} other shots`);

/** The camera's path for other shots as well. */
function CopyTo({
  film,
  shot,
  onCopy,
}: {
  film: Film;
  shot: Shot;
  onCopy: (shots: number[]) => void;
}) {
  const others = film.shots.filter((s) => s.id !== shot.id);
  const inScene = others.filter((s) => s.scene === shot.scene);
  const next = others.find((s) => s.start >= shot.stop);
  return (
    <Choice
      label="Copy the path to"
      value="nowhere"
      options={[
        ["nowhere", "copy the path to …"],
        ...(next ? ([["next", `shot ${next.edge}`]] as const) : []),
        ...(inScene.length
          ? ([["scene", `the scene’s ${theOthers(inScene.length)}`]] as const)
          : []),
        ["all", `all ${theOthers(others.length)}`],
      ]}
      onChange={(to) => {
        if (to === "nowhere") return;
        onCopy((to === "next" ? [next!] : to === "scene" ? inScene : others).map((s) => s.id));
      }}
    />
  );
}
