/** The monitor: the film as it stands, over HLS. While nothing is loaded it shows the picture under the playhead. */
import type { Film } from "../api/client";
import { useKeys } from "../keys/useKeys";
import { usePlayhead } from "../state/playhead";
import { Button } from "./Button";
import { isDrawn, lastFrame } from "./lastFrame";
import { timecode } from "./time";
import { useFilmVideo } from "./useFilmVideo";
import { isUpright } from "./shape";

export function Monitor({ film }: { film: Film }) {
  const { video, state, isPlaying, mixing, fresh, toggle, tells } = useFilmVideo(film);
  const frame = usePlayhead();

  useKeys("monitor", {
    // On a button, a tab or an entry of a menu the space bar presses that.
    play: (e) =>
      (e.target as HTMLElement).closest("button,[role=tab],[role=menuitem]") ? false : toggle(),
  });

  const shot = film.shots.find((s) => frame < s.stop) ?? film.shots[film.shots.length - 1];
  const still = shot?.takes.find((t) => t.id === shot.used);
  const upright = isUpright(film.settings.aspect);
  return (
    <section aria-label="Monitor" className={upright ? "flex bg-ground" : ""}>
      {/* As wide as there is room, and never higher than two fifths of the window. An upright film has its controls
          beside it, so that takes and prompts stay in sight below. */}
      <div className={`bg-[#191613] ${upright ? "shrink-0" : ""}`}>
        <div
          className="relative mx-auto overflow-hidden"
          style={{
            aspectRatio: film.settings.aspect.replace(":", " / "),
            width: upright
              ? `calc(32vh * ${film.settings.aspect.replace(":", " / ")})`
              : `min(100%, calc(42vh * ${film.settings.aspect.replace(":", " / ")}))`,
          }}
        >
          <div className="absolute inset-0">
            {still ? (
              <img src={`/media/${still.media}`} alt="" className="size-full object-cover" />
            ) : (
              <p className="flex size-full items-center bg-[#faf6ec] px-[9%] font-serif text-[17px] leading-snug text-[#272320]">
                {shot?.text}
              </p>
            )}
            {shot && isDrawn(shot) && (
              <img
                key={shot.id}
                src={lastFrame(film, shot, 360)}
                alt=""
                className="absolute inset-0 size-full object-cover"
              />
            )}
          </div>
          <video
            ref={video}
            playsInline
            className="absolute inset-0 size-full object-contain"
            style={{ opacity: state === "ready" ? 1 : 0 }}
            {...tells}
          />
          {state === "loading" && (
            <span className="absolute bottom-2 right-2 rounded bg-[#191613cc] px-2 py-0.5 text-[12px] text-[#faf6ec]">
              {mixing > 5
                ? `mixing the sound, about ${Math.round(mixing)} s …`
                : "laying the preview …"}
            </span>
          )}
        </div>
      </div>
      <div
        className={
          upright ? "flex flex-col items-start gap-2 p-4" : "flex items-center gap-3 px-4 py-2"
        }
      >
        <Button
          kind="ink"
          onClick={toggle}
          aria-label={isPlaying ? "Stop" : "Play"}
          className="w-[58px] justify-center"
        >
          {isPlaying ? "Stop" : "Play"}
        </Button>
        <span role="timer" className="font-mono text-[15px]" aria-label="Time under the playhead">
          {timecode(frame, film.fps)}
        </span>
        <span className="font-mono text-[12px] text-ink-2">
          of {timecode(film.frames, film.fps)}
        </span>
        <span
          className={`text-[12px] leading-tight text-ink-2 ${upright ? "" : "ml-auto text-right"}`}
        >
          {state === "failed"
            ? "the preview does not answer; play again"
            : shot
              ? `shot ${shot.edge}, ${shot.measured ? "own voice" : "time estimated"}`
              : ""}
          {fresh === false && isPlaying ? ", changed since" : ""}
        </span>
      </div>
    </section>
  );
}
