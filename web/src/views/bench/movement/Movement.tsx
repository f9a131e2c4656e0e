/** One shot's movement: its picture with the camera's path, its time against its words, its frames. */
import { Pause, Play } from "lucide-react";
import { useRef, useState } from "react";

import type { Film, Shot, Take } from "../../../api/client";
import { useBring, useChange, useStart } from "../../../api/film";
import { CLIPS } from "../../../api/formats";
import {
  type Movement as Moves,
  type Path,
  framesAt,
  setOf,
  useMovement,
} from "../../../api/movement";
import { Bring } from "../../../parts/Bring";
import { Button } from "../../../parts/Button";
import { Choice, worded } from "../../../parts/Choice";
import { Split } from "../../continuity/Split";
import { LEANS, LEANS_SAID, leanOf } from "./leans";
import { CopyTo } from "./CopyTo";
import { Loop } from "./Loop";
import { MarkPart } from "./MarkPart";
import { PartsOnPicture } from "./PartsOnPicture";
import { PathOnPicture } from "./PathOnPicture";
import { WhatMoves } from "./WhatMoves";
import { WordStrip } from "./WordStrip";
import { isUpright } from "../../../parts/shape";

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
      <Desk film={film} shot={shot} movement={movement} take={take} />
    </Split>
  );
}

interface DeskProps {
  film: Film;
  shot: Shot;
  movement: Moves;
  take: Take;
}

function Desk({ film, shot, movement, take }: DeskProps) {
  const change = useChange(film.id);
  const [playing, setPlaying] = useState(false);
  const [before, setBefore] = useState(false);
  const [now, setNow] = useState(0);
  const [marking, setMarking] = useState(false);
  const stage = useRef<HTMLDivElement>(null);
  const start = useStart(film.id);
  const bring = useBring(film.id);
  const set = (values: Record<string, unknown>) =>
    change.mutate({ type: "set shots", shots: [shot.id], values });
  const setPath = (path: Path) => set({ path });
  const count = Math.min(MOST, Math.max(2, Math.round(movement.seconds * DRAWINGS)));
  const upright = isUpright(film.settings.aspect);
  if (marking)
    return (
      <MarkPart
        film={film}
        shot={shot}
        take={take}
        regions={movement.regions}
        onDone={() => setMarking(false)}
      />
    );
  return (
    <section aria-label="Movement" className="flex flex-col gap-2">
      <div className="flex gap-4">
        <div className={upright ? "w-[240px] shrink-0" : "min-w-0 grow"}>
          <PathOnPicture
            key={shot.id}
            media={take.media}
            alt={`The picture of shot ${shot.edge}`}
            aspect={film.settings.aspect}
            path={movement.path}
            onPath={setPath}
            stage={stage}
            playing={playing}
          >
            {!playing && (
              <PartsOnPicture
                stage={stage}
                regions={movement.regions}
                onPin={(id, pin) =>
                  set({
                    regions: setOf(movement.regions).map((r) =>
                      r.id === id ? { ...r, move: { ...r.move, pin } } : r,
                    ),
                  })
                }
                horizon={movement.horizon}
                onHorizon={(horizon) => set({ horizon })}
              />
            )}
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
            <span className="flex items-center gap-1.5">
              {movement.pixels} picture pixels for one at 1080p
              {movement.pixels < 0.95 && !movement.clip && (
                <Button
                  kind="quiet"
                  className="!h-5 !px-1 underline"
                  disabled={start.isPending}
                  onClick={() => start.mutate({ kind: "enlarge", take: take.id, factor: 2 })}
                >
                  enlarge it
                </Button>
              )}
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
        <Choice
          label="How the camera leans"
          value={leanOf(movement.path.roll)}
          options={worded(Object.keys(LEANS), LEANS_SAID)}
          onChange={(lean) =>
            setPath({ ...movement.path, roll: LEANS[lean as keyof typeof LEANS] })
          }
        />
        <Bring
          label={`Bring a clip for shot ${shot.edge}`}
          title="Bring a clip"
          accept={CLIPS}
          says="MP4, WebM, MOV or an animated GIF, at most a minute"
          busy={bring.isPending}
          onFiles={([file]) => file && bring.mutate({ shot: shot.id, file })}
        />
        {!movement.clip && <Button onClick={() => setMarking(true)}>Mark a part that moves</Button>}
        {movement.flat && movement.horizon === null && (
          <Button
            title="Below a horizon the picture comes nearer, and parts as the camera moves"
            onClick={() => set({ horizon: 0.55 })}
          >
            Ground below a horizon
          </Button>
        )}
        <CopyTo film={film} shot={shot} movement={movement} />
        <span className="ml-auto text-[12px] text-ink-2">
          {playing && `loops every ${movement.seconds.toFixed(1)} s`}
        </span>
      </div>
    </section>
  );
}

/** Six frames of the shot as it stands, with their times. */
function Strip({ film, shot, movement, camera }: Omit<DeskProps, "take"> & { camera: boolean }) {
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
