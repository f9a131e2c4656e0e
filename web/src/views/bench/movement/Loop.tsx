/** A shot playing in place, over and over: its drawings, twelve a second, laid one in front of another. */
import { useEffect, useRef, useState } from "react";

const COLUMNS = 8;

interface Props {
  src: string;
  count: number;
  seconds: number;
  label: string;
  onTime?: (seconds: number) => void;
}

export function Loop({ src, count, seconds, label, onTime }: Props) {
  const [ready, setReady] = useState<string | null>(null);
  const screen = useRef<HTMLDivElement>(null);
  const rows = Math.ceil(count / COLUMNS);
  const columns = Math.min(count, COLUMNS);
  const told = useRef(onTime);
  useEffect(() => {
    told.current = onTime;
  });
  useEffect(() => {
    const image = new Image();
    image.onload = () => setReady(src);
    image.src = src;
    return () => {
      image.onload = null;
    };
  }, [src]);
  useEffect(() => {
    if (!ready) return;
    const begun = performance.now();
    let id = 0;
    let last = -1;
    const show = () => {
      const at = ((performance.now() - begun) / 1000) % seconds;
      const n = Math.min(count - 1, Math.floor((at / seconds) * count));
      if (n !== last && screen.current) {
        const x = columns > 1 ? (n % COLUMNS) / (columns - 1) : 0;
        const y = rows > 1 ? Math.floor(n / COLUMNS) / (rows - 1) : 0;
        screen.current.style.backgroundPosition = `${x * 100}% ${y * 100}%`;
        last = n;
        told.current?.(at);
      }
      id = requestAnimationFrame(show);
    };
    id = requestAnimationFrame(show);
    return () => cancelAnimationFrame(id);
  }, [ready, count, columns, rows, seconds]);
  return (
    <div
      ref={screen}
      role="img"
      aria-label={label}
      className="absolute inset-0"
      style={{
        backgroundImage: ready ? `url("${ready}")` : undefined,
        backgroundSize: `${columns * 100}% ${rows * 100}%`,
      }}
    />
  );
}
