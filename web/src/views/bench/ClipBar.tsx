/** Plays the clips that are looked at in step, and goes to a moment of all of them. */
import { Button } from "../../parts/Button";
import type { InStep } from "./useClipsInStep";

interface Props {
  step: InStep;
  longest: number;
  many: boolean;
}

export function ClipBar({ step, longest, many }: Props) {
  const at = Math.min(step.at, longest);
  const says = `${at.toFixed(1)} of ${longest.toFixed(1)} s`;
  return (
    <div className="mb-2 flex items-center gap-3">
      <Button kind="ink" title="K" aria-pressed={step.playing} onClick={step.toggle}>
        {step.playing ? "Stop" : many ? "Play in step" : "Play the clip"}
      </Button>
      <input
        type="range"
        aria-label="Where the clips are"
        aria-valuetext={says}
        min={0}
        max={longest}
        step={0.04}
        value={at}
        onChange={(e) => step.seek(Number(e.target.value))}
        className="h-6 min-w-0 max-w-[320px] flex-1 accent-[var(--ink-2)]"
      />
      <span className="whitespace-nowrap tabular-nums text-ink-2">{says}</span>
    </div>
  );
}
