/** A block of the Mix, drawn: waveforms that run down, what gives way, and the curve of loudness. */
import type { Block, Lane, Role } from "../../api/mix";
import { type Point, gainAt } from "./level";
import { ALL, INKS, LANES, ROLES, WAVES, WIDTHS, leftOf, levelX, loudnessX, wide } from "./scale";

const EVERY = 20;
/** Values that a block has for a second. */
const STROKE = 3;

export interface Look {
  /** Pixels a second is tall. */
  tall: number;
  seconds: number;
  /** Where in the film it begins, in seconds. */
  start: number;
  rate: number;
  aim: number;
  curve: readonly number[];
  levels: Record<Lane, readonly Point[]>;
  silent: ReadonlySet<Lane>;
}

/** The curve has a value for each half second, of the three seconds before it; it is drawn in their middle. */
const CURVE_FROM = 1.5;
const CURVE_EVERY = 0.5;

/** From where to where something gives way, and by how much at most: indices of values, decibels. */
export function bites(gives: readonly number[]): { from: number; to: number; most: number }[] {
  const out: { from: number; to: number; most: number }[] = [];
  let open: { from: number; to: number; most: number } | null = null;
  gives.forEach((tenths, i) => {
    if (tenths <= -5) {
      open ??= { from: i, to: i, most: 0 };
      open.to = i + 1;
      open.most = Math.max(open.most, -tenths / 10);
    } else if (open) {
      out.push(open);
      open = null;
    }
  });
  if (open) out.push(open);
  return out;
}

/** The highest value of each stroke, down the page. */
export function strokes(wave: readonly number[], tall: number, seconds: number): number[] {
  const count = Math.floor((seconds * tall) / STROKE);
  return Array.from({ length: count }, (_, n) => {
    const from = Math.floor(((n * STROKE) / tall) * EVERY);
    const to = Math.max(from + 1, Math.floor((((n + 1) * STROKE) / tall) * EVERY));
    let most = 0;
    for (let i = from; i < to; i++) most = Math.max(most, wave[i] ?? 0);
    return most;
  });
}

export function draw(canvas: HTMLCanvasElement, block: Block | undefined, look: Look) {
  const scale = window.devicePixelRatio || 1;
  const high = look.seconds * look.tall;
  canvas.width = ALL * scale;
  canvas.height = Math.max(1, Math.round(high * scale));
  const pen = canvas.getContext("2d")!;
  pen.scale(scale, scale);
  const style = getComputedStyle(canvas);
  const ink = (name: string) => style.getPropertyValue(name).trim();
  if (block) {
    for (const lane of LANES) drawBite(pen, block, lane, look, ink);
    for (const role of Object.keys(block.wave) as Role[]) drawWave(pen, block, role, look, ink);
  }
  drawCurve(pen, look, ink);
}

type Ink = (name: string) => string;

function drawWave(pen: CanvasRenderingContext2D, block: Block, role: Role, look: Look, ink: Ink) {
  const { lane, middle, half } = WAVES[role];
  const x = leftOf(lane) + middle;
  if (role === "ambience") {
    pen.fillStyle = ink(INKS[lane]);
    pen.globalAlpha = 0.1;
    strokes(block.wave[role]!, look.tall, look.seconds).forEach((value, n) => {
      if (value) pen.fillRect(x - half, n * STROKE, 2 * half, STROKE);
    });
  }
  pen.globalAlpha = look.silent.has(lane) ? 0.28 : role === "ambience" ? 0.75 : 1;
  pen.fillStyle = ink(INKS[lane]);
  strokes(block.wave[role]!, look.tall, look.seconds).forEach((value, n) => {
    const reach = Math.max(value ? 0.75 : 0, wide(value, role) * half);
    if (reach) pen.fillRect(x - reach, n * STROKE, 2 * reach, 2);
  });
  pen.globalAlpha = 1;
}

/** What a lane gives way by, as a bite out of its level line, with the decibels where it begins. */
function drawBite(pen: CanvasRenderingContext2D, block: Block, lane: Lane, look: Look, ink: Ink) {
  const role = ROLES[lane].at(-1)!;
  const gives = block.gives[role];
  if (!gives) return;
  const left = leftOf(lane);
  for (const bite of bites(gives)) {
    pen.beginPath();
    const at = (i: number): [number, number] => {
      const seconds = i / EVERY;
      const own = gainAt(look.levels[lane], (look.start + seconds) * look.rate);
      return [seconds * look.tall, own];
    };
    for (let i = bite.from; i <= bite.to; i++) {
      const [y, own] = at(i);
      pen.lineTo(left + levelX(lane, own), y);
    }
    for (let i = bite.to; i >= bite.from; i--) {
      const [y, own] = at(i);
      pen.lineTo(left + levelX(lane, own + (gives[Math.min(i, gives.length - 1)] ?? 0) / 10), y);
    }
    pen.closePath();
    pen.fillStyle = ink(INKS[lane]);
    pen.globalAlpha = 0.2;
    pen.fill();
    pen.globalAlpha = 1;
    const [top] = at(bite.from);
    const [end] = at(bite.to);
    if (end - top >= 26 && bite.from > 0) {
      pen.fillStyle = ink("--ink-2");
      pen.font = '11px "IBM Plex Mono", monospace';
      pen.textAlign = "right";
      pen.fillText(`−${Math.round(bite.most)}`, left + WIDTHS[lane] - 4, top + 20);
    }
  }
}

function drawCurve(pen: CanvasRenderingContext2D, look: Look, ink: Ink) {
  const left = leftOf("loudness");
  const high = look.seconds * look.tall;
  pen.fillStyle = ink("--ink-2");
  for (let y = 0; y < high; y += 6) pen.fillRect(left + loudnessX(look.aim, look.aim), y, 1, 2);
  if (!look.curve.length) return;
  const first = Math.floor((look.start - CURVE_FROM) / CURVE_EVERY) - 1;
  const last = Math.ceil((look.start + look.seconds - CURVE_FROM) / CURVE_EVERY) + 1;
  pen.strokeStyle = ink("--slate");
  pen.lineWidth = 1.6;
  pen.lineJoin = "round";
  pen.beginPath();
  let down = false;
  for (let i = Math.max(0, first); i <= Math.min(look.curve.length - 1, last); i++) {
    const level = look.curve[i]!;
    const y = (CURVE_FROM + i * CURVE_EVERY - look.start) * look.tall;
    if (level <= -59) down = false;
    else {
      const x = left + loudnessX(level, look.aim);
      if (down) pen.lineTo(x, y);
      else pen.moveTo(x, y);
      down = true;
    }
  }
  pen.stroke();
}
