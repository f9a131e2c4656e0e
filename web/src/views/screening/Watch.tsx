/** Watch: the picture large, its words below as they are said, and the way there by keys. */
import { memo, useCallback, useEffect, useState } from "react";

import type { Film, Shot } from "../../api/client";
import type { PlacedNote, ScreenedScene } from "../../api/screening";
import { useKeys } from "../../keys/useKeys";
import { Button } from "../../parts/Button";
import { useMoments, wordAt } from "../../parts/following";
import { ratioOf } from "../../parts/lastFrame";
import { timecode } from "../../parts/time";
import { useFilmVideo } from "../../parts/useFilmVideo";
import { playhead, seek, selected, usePlayhead } from "../../state/playhead";
import { Agreement } from "./Agreement";
import { MovingPicture } from "./MovingPicture";
import { ShotPicture } from "./ShotPicture";
import { Stage } from "./Stage";
import { type Point, shotAt } from "./place";

const SPEEDS = [1, 1.5, 2, 3] as const;

export interface Stretch {
  from: number;
  to: number;
}

interface Props {
  film: Film;
  notes: readonly PlacedNote[];
  scenes: readonly ScreenedScene[];
  drawing: Point[] | null;
  stretch: Stretch | null;
  onStretch: (stretch: Stretch | null) => void;
  onDraw: (points: Point[]) => void;
  onNote: () => void;
  onChoose: (note: number) => void;
}

export function Watch(props: Props) {
  const { film, notes, scenes, drawing, stretch, onStretch } = props;
  const player = useFilmVideo(film);
  const frame = usePlayhead();
  const [speed, setSpeed] = useState<number>(1);
  const [loops, setLoops] = useState(false);
  const shot = shotAt(film, frame);
  const looped = stretch ?? { from: shot.start, to: shot.stop };

  useEffect(() => {
    const video = player.video.current;
    if (!video) return;
    video.preservesPitch = true;
    video.playbackRate = speed;
  }, [player.isPlaying, player.state, player.video, speed]);

  // What is chosen begins again where it ends.
  const [held, setHeld] = useState<Stretch | null>(null);
  const around = loops ? (stretch ?? held) : null;
  useEffect(() => {
    if (around && player.isPlaying && (frame >= around.to || frame < around.from))
      seek(around.from);
  }, [around, frame, player.isPlaying]);
  const loop = () => {
    setHeld(looped);
    setLoops((on) => !on);
  };

  const to = useCallback(
    (at: number) => seek(Math.min(film.frames - 1, Math.max(0, at))),
    [film.frames],
  );
  const byShot = (by: number) => {
    const index = film.shots.indexOf(shotAt(film, playhead.get()));
    const next = film.shots[Math.min(film.shots.length - 1, Math.max(0, index + by))]!;
    selected.set(next.id);
    to(next.start);
  };
  const faster = (by: number) =>
    setSpeed((now) => {
      const at = SPEEDS.findIndex((s) => s === now) + by;
      return SPEEDS[Math.min(SPEEDS.length - 1, Math.max(0, at))]!;
    });
  useKeys("watch", {
    play: (e) => ((e.target as HTMLElement).closest("button,[role=tab]") ? false : player.toggle()),
    frame: (e) => to(playhead.get() + (e.key === "ArrowRight" ? 1 : -1)),
    shot: (e) => byShot(e.key === "ArrowDown" ? 1 : -1),
    speed: (e) => faster(e.key === "-" ? -1 : 1),
    loop,
    begin: () => onStretch({ from: frame, to: Math.max(frame + 1, stretch?.to ?? shot.stop) }),
    end: () => onStretch({ from: Math.min(frame, stretch?.from ?? shot.start), to: frame + 1 }),
    clear: () => {
      onStretch(null);
      setLoops(false);
    },
    note: props.onNote,
  });
  const now = notes
    .map((n, i) => [i + 1, n] as const)
    .filter(([, n]) => !n.note.done && !n.lost && n.note.outline.length > 0)
    .filter(([, n]) => n.shot === shot.id || (frame >= n.start && frame < n.end));
  const scene = scenes.find((s) => frame < s.end);
  return (
    <div className="flex h-full flex-col px-5 pb-3">
      <div
        className="flex min-h-0 grow items-center [container-type:size]"
        style={{ "--ratio": ratioOf(film) } as React.CSSProperties}
      >
        <Stage
          film={film}
          player={player}
          notes={now}
          drawing={drawing}
          onDraw={props.onDraw}
          onChoose={props.onChoose}
        />
      </div>
      <p className="flex h-[52px] shrink-0 items-baseline gap-4 pt-3">
        <span role="timer" aria-label="Time under the playhead" className="font-mono text-[15px]">
          {timecode(frame, film.fps)}
        </span>
        <span className="shrink-0 font-mono text-[12px] text-ink-2">shot {shot.edge}</span>
        <Said film={film} shot={shot} frame={frame} />
      </p>
      <div className="flex h-9 shrink-0 items-center gap-3 whitespace-nowrap text-ink-2">
        <Button
          kind="ink"
          className="w-[58px] justify-center"
          aria-label={player.isPlaying ? "Stop" : "Play"}
          onClick={player.toggle}
        >
          {player.isPlaying ? "Stop" : "Play"}
        </Button>
        <div role="group" aria-label="Speed" className="flex gap-0.5">
          {SPEEDS.map((s) => (
            <button
              key={s}
              type="button"
              aria-pressed={speed === s}
              onClick={() => setSpeed(s)}
              className={`h-7 min-w-7 rounded-[4px] px-1 font-mono text-[12px] ${speed === s ? "bg-shade text-ink" : "hover:text-ink"}`}
            >
              {s}×
            </button>
          ))}
        </div>
        <Button kind="quiet" aria-pressed={loops} onClick={loop} className="px-2">
          {loops ? "Looping" : "Loop"}{" "}
          {stretch
            ? `${timecode(stretch.from, film.fps)} to ${timecode(stretch.to, film.fps)}`
            : "this shot"}
        </Button>
        <Button kind="quiet" onClick={props.onNote} className="px-2">
          Note here
        </Button>
        <MovingPicture film={film} stretch={looped} />
        <span className="ml-auto min-w-0">
          {player.state === "failed" ? (
            "The preview does not answer; play again."
          ) : scene ? (
            <Agreement film={film} scene={scene} />
          ) : null}
        </span>
      </div>
      <Row film={film} shot={shot} />
    </div>
  );
}

/** The shot's words: those that were said bright, those to come faint. */
function Said({ film, shot, frame }: { film: Film; shot: Shot; frame: number }) {
  const moments = useMoments(film, true);
  const now = moments.length ? wordAt(moments, frame) : shot.end;
  const said = now < 0 ? shot.end : Math.min(shot.end, Math.max(shot.first, now + 1));
  const part = (from: number, end: number) =>
    film.words[end - 1] && end > from
      ? film.text.slice(film.words[from]![0], film.words[end - 1]![1])
      : "";
  if (shot.said || !film.words[shot.end - 1])
    return (
      <span className="line-clamp-1 font-serif text-[19px]" title={shot.said || shot.text}>
        {shot.said || shot.text}
      </span>
    );
  return (
    <span className="line-clamp-1 font-serif text-[19px]" title={shot.text}>
      {part(shot.first, said)} <span className="text-ink-2 opacity-80">{part(said, shot.end)}</span>
    </span>
  );
}

const BESIDE = 5;

/** The shots around this one. */
const Row = memo(function Row({ film, shot }: { film: Film; shot: Shot }) {
  const at = film.shots.indexOf(shot);
  const first = Math.max(0, Math.min(at - BESIDE, film.shots.length - 2 * BESIDE - 1));
  const shown = film.shots.slice(first, first + 2 * BESIDE + 1);
  return (
    <ul aria-label="Shots around" className="mt-1 flex h-[52px] shrink-0 gap-1.5 py-1">
      {shown.map((s) => (
        <li key={s.id} className="min-w-0 grow basis-0">
          <button
            type="button"
            aria-label={`Shot ${s.edge}`}
            aria-current={s === shot}
            onClick={() => {
              selected.set(s.id);
              seek(s.start);
            }}
            className={`block size-full overflow-hidden bg-shade ${s === shot ? "outline-2 outline-grease" : "opacity-75 hover:opacity-100"}`}
          >
            <ShotPicture film={film} shot={s} />
          </button>
        </li>
      ))}
    </ul>
  );
});
