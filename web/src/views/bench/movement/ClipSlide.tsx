/** A clip beside its shot, drawn as long as it plays: it is slid within the shot by dragging or by the arrow keys. */
import { useEffect, useRef, useState } from "react";

import type { Movement } from "../../../api/movement";
import { useLatest } from "../../../parts/useLatest";
import { useDrag } from "../drag";

interface Props {
  clip: NonNullable<Movement["clip"]>;
  /** How long the shot is, in seconds. */
  seconds: number;
  onPut: (slide: number) => void;
}

/** How many times as long as the shot the strip is, which has the shot in its middle. */
const AROUND = 2;
const STEP = 0.1;
const QUIET = 350;

const inWords = (slid: number) =>
  slid > 0
    ? `begins at its second ${slid.toFixed(1)}`
    : slid < 0
      ? `begins ${(-slid).toFixed(1)} s later`
      : "begins with the shot";

export function ClipSlide({ clip, seconds, onPut }: Props) {
  const stage = useRef<HTMLDivElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  const slid = held ?? clip.slid;
  useEffect(() => setHeld(null), [clip.slid]);
  const now = useRef(slid);
  now.current = slid;
  const to = (wanted: number) => {
    const most = clip.seconds - STEP;
    now.current = Math.min(most, Math.max(STEP - seconds, wanted));
    setHeld(now.current);
  };
  const put = useLatest(() => onPut(Math.round(now.current * 100) / 100));
  const drag = useDrag(stage, (dx) => to(now.current - dx * AROUND * seconds * pace(now.current)));
  const quiet = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(quiet.current), []);
  /** What is past is counted in the clip's own seconds, what is waited in the shot's. */
  const pace = (at: number) => (at > 0 ? clip.speed : 1);
  const share = (s: number) => `${(s / (AROUND * seconds)) * 100}%`;
  const begins = ((AROUND - 1) / 2) * seconds - slid / pace(slid);
  return (
    <div
      ref={stage}
      className="relative mt-1 h-7 w-full touch-none overflow-hidden rounded-[3px] bg-shade"
    >
      <i
        className="absolute inset-y-0 border-x border-ink bg-page"
        style={{ left: share(((AROUND - 1) / 2) * seconds), width: share(seconds) }}
      />
      <button
        type="button"
        role="slider"
        aria-label="The clip within its shot"
        aria-valuemin={STEP - seconds}
        aria-valuemax={clip.seconds - STEP}
        aria-valuenow={Number(slid.toFixed(2))}
        aria-valuetext={inWords(slid)}
        title={`${inWords(slid)}: drag it, or arrow keys`}
        className={`absolute inset-y-[3px] min-w-6 cursor-ew-resize rounded-[3px] border ${
          slid ? "border-grease-ink" : "border-slate"
        } bg-[color-mix(in_srgb,var(--slate)_40%,transparent)]`}
        style={{ left: share(begins), width: share(clip.seconds / clip.speed) }}
        {...drag.whole}
        onPointerUp={() => {
          drag.whole.onPointerUp();
          if (held !== null) put();
        }}
        onKeyDown={(e) => {
          const by = { ArrowLeft: 1, ArrowRight: -1 }[e.key];
          if (!by) return;
          e.preventDefault();
          e.stopPropagation();
          to(now.current + by * STEP * (e.shiftKey ? 10 : 1));
          clearTimeout(quiet.current);
          quiet.current = setTimeout(put, QUIET);
        }}
      />
    </div>
  );
}
