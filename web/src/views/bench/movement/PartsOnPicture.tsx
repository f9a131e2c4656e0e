/** Parts that move, over their picture: tinted where they are, a brass pin where they hang or stand, a line where ground begins. */
import { useState } from "react";

import type { Region } from "../../../api/movement";
import { STEPS, percent } from "../desk";
import { useDrag } from "../drag";
import { PINNED, pinOf } from "./ways";

interface Props {
  stage: React.RefObject<HTMLDivElement | null>;
  regions: readonly Region[];
  onPin: (region: number, pin: readonly [number, number]) => void;
  horizon: number | null;
  onHorizon: (horizon: number) => void;
}

export function PartsOnPicture({ stage, regions, onPin, horizon, onHorizon }: Props) {
  const here = regions.filter((r) => r.here);
  return (
    <>
      {here.map((r) => (
        <span
          key={r.id}
          aria-hidden
          className="pointer-events-none absolute inset-0 bg-[#c9973a] opacity-40"
          style={{
            maskImage: `url("/media/${r.mask}")`,
            maskSize: "100% 100%",
            maskMode: "luminance",
          }}
        />
      ))}
      {here
        .filter((r) => PINNED.has(r.move.way ?? ""))
        .map((r) => (
          <Pin key={r.id} stage={stage} region={r} onPin={(to) => onPin(r.id, to)} />
        ))}
      {horizon !== null && <Horizon stage={stage} at={horizon} onAt={onHorizon} />}
    </>
  );
}

const within = (n: number, least = 0, most = 1) => Math.min(most, Math.max(least, n));

interface PinProps {
  stage: Props["stage"];
  region: Region;
  onPin: (pin: readonly [number, number]) => void;
}

function Pin({ stage, region, onPin }: PinProps) {
  const [draft, setDraft] = useState<readonly [number, number] | null>(null);
  const [x, y] = draft ?? pinOf(region);
  const to = (dx: number, dy: number) => setDraft([within(x + dx), within(y + dy)]);
  const { whole } = useDrag(stage, to);
  const settle = () => {
    if (draft) onPin(draft);
    setDraft(null);
  };
  return (
    <button
      type="button"
      aria-label={`The pin of ${region.name || `part ${region.id}`}`}
      title="Drag it, or move it by arrows"
      className="absolute size-3.5 -translate-x-1/2 -translate-y-1/2 cursor-grab rounded-full border border-[#5a4116] bg-[#c9973a] shadow-[inset_0_0_0_2px_#e5c274]"
      style={{ left: percent(x), top: percent(y) }}
      {...whole}
      onPointerUp={(e) => {
        whole.onPointerUp();
        e.stopPropagation();
        settle();
      }}
      onKeyDown={(e) => {
        const step = STEPS[e.key];
        if (!step) return;
        e.preventDefault();
        e.stopPropagation();
        to(step[0] * 0.01, step[1] * 0.01);
      }}
      onKeyUp={settle}
    />
  );
}

interface HorizonProps {
  stage: Props["stage"];
  at: number;
  onAt: (at: number) => void;
}

function Horizon({ stage, at, onAt }: HorizonProps) {
  const [draft, setDraft] = useState<number | null>(null);
  const shown = draft ?? at;
  const to = (dy: number) => setDraft(within(shown + dy, 0.05, 0.95));
  const { whole } = useDrag(stage, (_, dy) => to(dy));
  const settle = () => {
    if (draft !== null) onAt(draft);
    setDraft(null);
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="The horizon"
      aria-orientation="vertical"
      aria-valuenow={Math.round(shown * 100)}
      title="Ground begins here; drag it, or move it by arrows"
      className="absolute inset-x-0 h-3 -translate-y-1/2 cursor-ns-resize"
      style={{ top: percent(shown) }}
      {...whole}
      onPointerUp={(e) => {
        whole.onPointerUp();
        e.stopPropagation();
        settle();
      }}
      onKeyDown={(e) => {
        const step = STEPS[e.key];
        if (!step?.[1]) return;
        e.preventDefault();
        e.stopPropagation();
        to(step[1] * 0.01);
      }}
      onKeyUp={settle}
    >
      <span className="absolute inset-x-0 top-1/2 border-t-2 border-dotted border-[#e5c274]" />
      <span className="absolute right-0 top-1/2 bg-[#191613]/70 px-1.5 text-[12px] leading-5 text-[#fffdf8]">
        ground
      </span>
    </div>
  );
}
