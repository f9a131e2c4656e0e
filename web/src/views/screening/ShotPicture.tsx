/** A shot as it is seen, without the film being rendered: its picture, or the page that stands in for it. */
import type { Film, Shot } from "../../api/client";
import { isDrawn, lastFrame } from "../../parts/lastFrame";

export function ShotPicture({ film, shot, high = 180 }: { film: Film; shot: Shot; high?: number }) {
  const take = shot.takes.find((t) => t.id === shot.used);
  if (isDrawn(shot))
    return (
      <img
        src={lastFrame(film, shot, high)}
        alt=""
        loading="lazy"
        className="size-full object-cover"
      />
    );
  if (take)
    return (
      <img
        src={`/media/${high > 240 ? take.media : take.thumb}`}
        alt=""
        loading="lazy"
        className="size-full object-cover"
      />
    );
  return (
    <span
      className={`flex size-full items-center bg-[#faf6ec] text-left font-serif leading-tight text-[#272320] ${high > 360 ? "px-[9%] text-[24px]" : "px-2 text-[10px]"}`}
    >
      <span className="line-clamp-3">{shot.said || shot.text}</span>
    </span>
  );
}
