/** A point of a line that is drawn by hand: taken by the pointer, moved by the arrows, taken away by Delete. */
interface Props {
  label: string;
  least: number;
  most: number;
  value: number;
  says: string;
  left: number;
  top: number;
  held: boolean;
  onTake: (e: React.PointerEvent) => void;
  onKey: (e: React.KeyboardEvent) => void;
}

export function Handle({ label, least, most, value, says, left, top, held, onTake, onKey }: Props) {
  return (
    <span
      role="slider"
      tabIndex={0}
      aria-orientation="horizontal"
      aria-label={label}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={value}
      aria-valuetext={says}
      title={`${says}; drag it, arrows move it, Delete takes it away`}
      className="pointer-events-auto absolute grid size-6 -translate-x-1/2 -translate-y-1/2 cursor-move touch-none place-items-center rounded-full"
      style={{ left, top }}
      onPointerDown={(e) => {
        e.currentTarget.focus();
        onTake(e);
      }}
      onKeyDown={onKey}
    >
      <i
        className={`size-[9px] rounded-full border-[1.5px] border-ink ${held ? "bg-ink" : "bg-page"}`}
      />
      {held && (
        <b className="pointer-events-none absolute left-5 whitespace-nowrap rounded-[3px] bg-page px-1 font-mono text-[11px] font-normal">
          {says}
        </b>
      )}
    </span>
  );
}

/** A point that stands too near to another to be taken. */
export const NearPoint = ({ left, top }: { left: number; top: number }) => (
  <i
    className="absolute size-[7px] -translate-x-1/2 -translate-y-1/2 rounded-full border-[1.5px] border-ink bg-page"
    style={{ left, top }}
  />
);

/** What an arrow or Delete does to a point: so many frames and so many steps along, or gone. */
export function pressed(e: React.KeyboardEvent): { frames: number; steps: number } | "gone" | null {
  const by = e.shiftKey ? 12 : 1;
  const steps: Record<string, readonly [number, number]> = {
    ArrowLeft: [0, -by],
    ArrowRight: [0, by],
    ArrowUp: [-by, 0],
    ArrowDown: [by, 0],
  };
  const step = steps[e.key];
  const gone = e.key === "Delete" || e.key === "Backspace";
  if (!step && !gone) return null;
  e.preventDefault();
  e.stopPropagation();
  return step ? { frames: step[0], steps: step[1] } : "gone";
}
