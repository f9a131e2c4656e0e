/** A line of what moves: what it is, how, why; and that it can go. */
import { X } from "lucide-react";

interface Props {
  what: string;
  why: string;
  children: React.ReactNode;
  onLift?: () => void;
  lifts?: string;
}

export const Row = ({ what, why, children, onLift, lifts }: Props) => (
  <li className="grid grid-cols-[76px_minmax(0,1fr)_24px] items-start border-b border-rule py-1.5">
    <span className="line-clamp-2 pr-1 font-semibold leading-snug" title={what}>
      {what}
    </span>
    <span className="min-w-0">
      {children}
      <span className="block truncate text-[12px] text-ink-2" title={why}>
        {why}
      </span>
    </span>
    {onLift && (
      <button
        type="button"
        aria-label={lifts}
        title={lifts}
        onClick={onLift}
        className="rounded-[3px] p-0.5 text-ink-2 hover:bg-shade"
      >
        <X className="size-4" />
      </button>
    )}
  </li>
);
