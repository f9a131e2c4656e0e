/** Ten seconds of the Mix: its waveforms, bites and curve on one canvas. */
import { memo, useEffect, useRef } from "react";

import type { Film } from "../../api/client";
import { type Lane, useBlock } from "../../api/mix";
import { lamp } from "../../state/playhead";
import { useStore } from "../../state/store";
import { draw } from "./drawing";
import type { Point } from "./level";
import { ALL } from "./scale";

interface Props {
  film: Film;
  number: number;
  name: string;
  seconds: number;
  start: number;
  tall: number;
  rate: number;
  curve: readonly number[];
  levels: Record<Lane, readonly Point[]>;
  silent: ReadonlySet<Lane>;
}

export const Block = memo(function Block(props: Props) {
  const { film, number, name, seconds, start, tall, rate, curve, levels, silent } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const block = useBlock(film.id, number, name);
  const light = useStore(lamp);
  const aim = film.settings.loudness;
  useEffect(() => {
    if (canvas.current)
      draw(canvas.current, block, { tall, seconds, start, rate, aim, curve, levels, silent });
  }, [aim, block, curve, levels, light, rate, seconds, silent, start, tall]);
  return (
    <canvas
      ref={canvas}
      aria-hidden="true"
      className="block"
      style={{ width: ALL, height: seconds * tall }}
    />
  );
});
