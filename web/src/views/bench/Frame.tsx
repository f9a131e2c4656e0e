/** A take is brought to the film's shape: cropped by a frame that keeps faces, or its edges continued beyond it. */
import { useRef, useState } from "react";

import { useHand, useReframe } from "../../api/hand";
import { Button } from "../../parts/Button";
import { STEPS, type DeskProps, laid } from "./desk";
import { useDrag } from "./drag";
import { beyond, holding, moved, onStage, sized, stageOf } from "./framing";
import type { Box } from "./keyBox";

const WHOLE: Box = [0, 0, 1, 1];

export function Frame(props: DeskProps) {
  const hand = useHand(props.film.id, props.take.id).data;
  if (!hand) return <p className="py-6 text-ink-2">looking at the picture …</p>;
  return <Framing {...props} keeping={hand.frame as Box} fits={hand.fits} />;
}

function Framing({
  film,
  take,
  onDone,
  keeping,
  fits,
}: DeskProps & { keeping: Box; fits: boolean }) {
  const [frame, setFrame] = useState<Box>(keeping);
  const stage = useRef<HTMLDivElement>(null);
  const reframe = useReframe(film.id, take.id);
  const [width, height] = [take.width ?? 1280, take.height ?? 720];
  const [w, h] = film.settings.aspect.split(":").map(Number) as [number, number];
  const shape = w / h / (width / height);
  const seen = stageOf(shape);
  const [wideSeen, highSeen] = [seen[2] - seen[0], seen[3] - seen[1]];
  const { whole, corner } = useDrag(stage, (x, y, size) => {
    const [dx, dy] = [x * wideSeen, y * highSeen];
    setFrame((f) => (size ? sized(f, 1 + (dx * 2) / (f[2] - f[0]), shape) : moved(f, dx, dy)));
  });
  const onKey = (e: React.KeyboardEvent) => {
    const step = STEPS[e.key];
    const times = { "+": 1.05, "=": 1.05, "-": 1 / 1.05 }[e.key];
    if (!step && !times) return;
    e.preventDefault();
    e.stopPropagation();
    const far = e.shiftKey ? 0.05 : 0.01;
    setFrame((f) => (step ? moved(f, step[0] * far, step[1] * far) : sized(f, times!, shape)));
  };
  const across = Math.round((frame[2] - frame[0]) * width);
  const over = beyond(frame);
  const same = frame.every((v, i) => Math.abs(v - WHOLE[i]!) < 1e-4);
  return (
    <section aria-label={`Frame take ${take.number}`}>
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <Button onClick={() => setFrame(keeping)}>Largest inside, keeping faces</Button>
        <Button disabled={fits} onClick={() => setFrame(holding(shape))}>
          All of it, edges continued
        </Button>
        <span className="text-ink-2">
          {width}×{height}
          {fits
            ? ", the film’s shape"
            : `, and the film is ${film.settings.aspect}: left as it is, the camera path stays inside the middle`}
        </span>
      </div>
      <div
        ref={stage}
        className="relative mx-auto max-w-full touch-none overflow-hidden rounded-[3px] bg-shade"
        style={{ aspectRatio: (wideSeen * width) / (highSeen * height), maxHeight: "54vh" }}
      >
        <img
          src={`/media/${take.media}`}
          alt={`Take ${take.number}`}
          draggable={false}
          className="absolute select-none"
          style={laid(onStage(WHOLE, seen))}
        />
        <div
          role="application"
          tabIndex={0}
          aria-label="What the frame holds"
          className="absolute cursor-move border-2 border-grease shadow-[0_0_0_2000px_color-mix(in_srgb,var(--page)_62%,transparent)]"
          style={laid(onStage(frame, seen))}
          {...whole}
          onKeyDown={onKey}
        >
          <span
            {...corner}
            className="absolute -bottom-2 -right-2 size-4 cursor-nwse-resize rounded-full border-2 border-[#fffdf8] bg-grease"
          />
        </div>
      </div>
      <p className="mt-1 flex justify-between gap-4 text-[12px] text-ink-2">
        Drag the frame, or its corner. By keys: arrows move it, with Shift further, + and − size it.
        <span role="status">
          {across}×{Math.round((frame[3] - frame[1]) * height)} pixels
          {over > 0.001 ? `, ${Math.round(over * 100)} % beyond the picture` : ""}
        </span>
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <Button
          kind="ink"
          disabled={same || reframe.isPending}
          onClick={() => reframe.mutate(frame, { onSuccess: onDone })}
        >
          {reframe.isPending ? "framing …" : over > 0.001 ? "Continue the edges" : "Crop to this"}
        </Button>
        <Button kind="quiet" onClick={onDone}>
          Leave it
        </Button>
        <span className="text-[12px] text-ink-2">
          A take of its own, at no cost
          {across < 1920 && !same
            ? `; a 1080p film is ${Math.round((1080 * w) / h)} wide, so enlarge it afterwards`
            : ""}
          .
        </span>
      </div>
    </section>
  );
}
