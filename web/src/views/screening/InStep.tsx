/** Two cuts at the same moment, still or played in step; beside each other, or one over the other with a line between. */
import { useState } from "react";

import type { Film } from "../../api/client";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Slide, inHundredths } from "../../parts/Slide";
import { ratioOf } from "../../parts/lastFrame";
import { timecode } from "../../parts/time";
import { useFilmVideo } from "../../parts/useFilmVideo";
import { usePlayhead } from "../../state/playhead";
import { metIn, shotAt } from "./place";
import { useSecondVideo } from "./useSecondVideo";

const WAYS = [
  ["beside", "beside each other"],
  ["over", "one over the other"],
] as const;
const HEARD = [
  ["this", "hear this cut"],
  ["other", "hear the other"],
] as const;

export function InStep({ film, twin }: { film: Film; twin: Film | undefined }) {
  const player = useFilmVideo(film);
  const frame = usePlayhead();
  const met = twin ? metIn(film, twin, frame) : null;
  const second = useSecondVideo(twin, met, player.isPlaying);
  const [way, setWay] = useState<string>("beside");
  const [heard, setHeard] = useState<string>("this");
  const [line, setLine] = useState(0.5);
  const shot = shotAt(film, frame);
  const alike = twin?.settings.aspect === film.settings.aspect;
  const over = way === "over" && alike;
  const here = (
    <Picture
      film={film}
      at={frame}
      name="this cut"
      plays={player.isPlaying}
      shown={player.isPlaying && player.state === "ready"}
    >
      <video
        ref={player.video}
        playsInline
        muted={heard === "other"}
        className="absolute inset-0 size-full object-contain"
        style={{ opacity: player.isPlaying && player.state === "ready" ? 1 : 0 }}
        {...player.tells}
      />
    </Picture>
  );
  const there = twin && (
    <Picture
      film={twin}
      at={met?.at ?? 0}
      name="the other cut"
      plays={player.isPlaying}
      shown={player.isPlaying && second.isReady}
      lacks={met ? null : `Shot ${shot.edge} is not in the other cut.`}
    >
      <video
        ref={second.video}
        playsInline
        muted={heard === "this"}
        className="absolute inset-0 size-full object-contain"
        style={{ opacity: met && player.isPlaying && second.isReady ? 1 : 0 }}
      />
    </Picture>
  );
  return (
    <section aria-label="Both cuts" className="shrink-0">
      <div className="mb-2 flex items-center gap-3 text-ink-2">
        <Button
          kind="ink"
          className="w-[58px] justify-center"
          aria-label={player.isPlaying ? "Stop both" : "Play both"}
          disabled={!twin}
          onClick={player.toggle}
        >
          {player.isPlaying ? "Stop" : "Play"}
        </Button>
        <Choice
          quiet
          label="How the cuts are laid"
          value={over ? "over" : "beside"}
          options={alike ? WAYS : [WAYS[0]]}
          onChange={setWay}
        />
        <Choice
          quiet
          label="Which cut is heard"
          value={heard}
          options={HEARD}
          onChange={setHeard}
        />
        {over && (
          <Slide
            name="Where the line is"
            value={line}
            least={0}
            most={1}
            step={0.05}
            says={inHundredths}
            onPut={setLine}
          />
        )}
        <span role="status" className="ml-auto">
          {player.state === "failed" || second.hasFailed
            ? "A preview does not answer; play again."
            : player.mixing
              ? "mixing the sound …"
              : player.isPlaying && !second.isReady
                ? "laying the other cut …"
                : ""}
        </span>
      </div>
      <div className={over ? "relative" : "grid grid-cols-2 gap-4"}>
        {here}
        <div
          className={over ? "absolute inset-0" : ""}
          style={over ? { clipPath: `inset(0 0 0 ${line * 100}%)` } : undefined}
        >
          {there || <p className="self-center text-center text-ink-2">Opening the other cut …</p>}
        </div>
      </div>
    </section>
  );
}

interface PictureProps {
  film: Film;
  at: number;
  name: string;
  /** Whether the cuts run. */
  plays: boolean;
  /** Whether what plays is seen in place of the still. */
  shown: boolean;
  lacks?: string | null;
  children: React.ReactNode;
}

function Picture({ film, at, name, plays, shown, lacks = null, children }: PictureProps) {
  // A still is asked for where the film rests; while it runs, every frame would be.
  const [still, setStill] = useState(at);
  if (!plays && still !== at) setStill(at);
  return (
    <figure>
      <div className="flex h-[270px] items-center justify-center bg-[#0f0d0b]">
        <div
          className="relative max-h-full max-w-full"
          style={{ aspectRatio: ratioOf(film), height: "100%" }}
        >
          {!lacks && !shown && (
            <img
              src={`/api/films/${film.id}/frame?at=${still}&high=360&captions=${film.settings.captions === "burn"}&version=${film.preview}`}
              alt={`Frame ${still} of ${name}`}
              className="size-full"
            />
          )}
          {children}
          {lacks && (
            <p className="absolute inset-0 flex items-center justify-center p-4 text-center text-ink-2">
              {lacks}
            </p>
          )}
        </div>
      </div>
      <figcaption className="mt-1 flex justify-between text-ink-2">
        <span>{name}</span>
        <span className="font-mono text-[12px]">
          {timecode(at, film.fps)} of {timecode(film.frames, film.fps)}
        </span>
      </figcaption>
    </figure>
  );
}
