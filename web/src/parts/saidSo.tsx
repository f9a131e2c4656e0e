/** Marks of how a word is said, as they are seen wherever the words stand. */
import type { Schemas } from "../api/client";

type Mark = Schemas["WordMark"];

/** How a marked word looks among the others: stressed, slow, quick. */
export function lookOf(mark: Mark | undefined): string {
  if (!mark) return "";
  const pace =
    mark.pace === "slow"
      ? "tracking-[0.12em]"
      : mark.pace === "quick"
        ? "tracking-[-0.05em] italic"
        : "";
  return `${mark.stress ? "font-bold underline decoration-ink decoration-2 underline-offset-4" : ""} ${pace}`;
}

/** A pause before a word. */
export const PauseMark = ({ mark }: { mark: Mark | undefined }) =>
  mark?.pause ? (
    <span className="mr-0.5 text-ink-2" title={`${mark.pause} s of pause before it`}>
      ‖
    </span>
  ) : null;

/** The same in words, for who does not see it. */
export function saidOf(mark: Mark | undefined): string {
  if (!mark) return "";
  const told = [
    mark.pause && `after a pause of ${mark.pause} s`,
    mark.stress && "stressed",
    mark.pace,
  ].filter(Boolean);
  return told.length ? `, ${told.join(", ")}` : "";
}
