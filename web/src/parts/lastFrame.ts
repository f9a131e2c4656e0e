import type { Film, Shot } from "../api/client";

/** The last frame of a shot, small; another where the film changed. */
export const lastFrame = (film: Film, shot: Shot, high = 180) =>
  `/api/films/${film.id}/frame?at=${Math.max(shot.start, shot.stop - 14)}&high=${high}&captions=false&version=${film.revision}`;

/** Whether something is seen of a shot that is not in its take. */
export const isDrawn = ({ plate, used, finish, own }: Shot) =>
  !!plate ||
  !!own.marks?.length ||
  !!own.insets?.length ||
  (!!used && !!(finish.grade ?? finish.mood ?? finish.effects.length > 0));

/** How much wider than high the film is. */
export function ratioOf(film: Film): number {
  const [wide, high] = film.settings.aspect.split(":").map(Number);
  return wide! / high!;
}
