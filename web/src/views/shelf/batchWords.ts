/** A batch in words. */
import type { BatchFilm } from "../../api/batches";

/** How far a film of a batch is. */
export function howFar(film: Pick<BatchFilm, "state" | "says" | "looked" | "share">): string {
  switch (film.state) {
    case "waiting":
      return "waits for its turn";
    case "making":
      return `being made, ${Math.round(film.share * 100)} %`;
    case "asking":
      return "rests until it is answered";
    case "failed":
      return film.says || "could not be made";
    case "made":
      return film.looked ? "looked over, and delivered" : "made; waits for your look";
  }
}

/** The moment after which no other film is begun, so many hours from now ("any": none). */
export const untilOf = (hours: string, now: Date): string | null =>
  hours === "any" ? null : new Date(now.getTime() + Number(hours) * 3_600_000).toISOString();
