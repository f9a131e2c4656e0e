/** A figure of a take is posed by its joints: dragged, moved by keys, or in a pose of the stock; limbs keep their lengths. */
import { Undo2 } from "lucide-react";
import { useEffect, useRef, useState } from "react";

import { useStart } from "../../api/film";
import { type Hand, type Pose as Posed, useHand, useMovePose, usePoses } from "../../api/hand";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Candidates } from "./Candidates";
import { STEPS, type DeskProps } from "./desk";

/** What is drawn between which joints. */
/** Strips of paper, outlined in pencil: in which ink, how broad, how dense. */
const PAPER: readonly (readonly [string, number, number])[] = [
  ["#3b3735", 4.2, 1],
  ["#fffdf8", 3.6, 0.72],
];
const LIMBS = [
  ["far_shoulder", "far_elbow", "far_hand"],
  ["hips", "far_knee", "far_foot"],
  ["hips", "neck", "head"],
  ["far_shoulder", "neck", "near_shoulder"],
  ["hips", "near_knee", "near_foot"],
  ["near_shoulder", "near_elbow", "near_hand"],
];

export function Pose(props: DeskProps) {
  const hand = useHand(props.film.id, props.take.id).data;
  if (!hand) return <p className="py-6 text-ink-2">looking at the picture …</p>;
  const figures = hand.figures.filter((f) => Object.keys(f.joints).length);
  if (!figures.length) {
    return (
      <p className="py-6 text-ink-2">
        Nobody’s joints are known in take {props.take.number}: only figures that the illustrator
        drew can be posed. <Button onClick={props.onDone}>Back</Button>
      </p>
    );
  }
  return <Joints {...props} figures={figures} />;
}

function Joints({ film, shot, take, figures, onDone }: DeskProps & { figures: Hand["figures"] }) {
  const frame = useRef<HTMLDivElement>(null);
  const dragged = useRef<string | null>(null);
  const [at, setAt] = useState(0);
  const first = (i: number): Posed => ({
    name: figures[i]!.name,
    way: figures[i]!.way,
    joints: figures[i]!.joints,
  });
  const [poses, setPoses] = useState<Posed[]>(figures.map((_, i) => first(i)));
  const [before, setBefore] = useState<Posed[][]>([]);
  const [count, setCount] = useState(4);
  const stock = usePoses().data ?? [];
  const move = useMovePose();
  const start = useStart(film.id);
  const changed = poses.filter(
    (p, i) => JSON.stringify(p.joints) !== JSON.stringify(figures[i]!.joints),
  );
  const wish = {
    kind: "again" as const,
    shots: [shot.id],
    take: take.id,
    poses: changed,
    takes: count,
  };
  const aspect = (take.width ?? 16) / (take.height ?? 9);
  const pose = poses[at]!;
  const latest = useRef(pose);
  const waiting = useRef<{ joint: string; to: [number, number] } | null>(null);
  useEffect(() => {
    latest.current = pose;
  }, [pose]);
  const put = (next: Posed) => {
    latest.current = next;
    setPoses((all) => all.map((p, i) => (i === at ? next : p)));
  };
  const remember = () => setBefore((all) => [...all, poses].slice(-60));
  /** One request at a time; while it is under way only the newest place is kept. */
  const draw = (joint: string, to: [number, number]) => {
    if (move.isPending || waiting.current) {
      waiting.current = { joint, to };
      return;
    }
    move.mutate(
      { pose: latest.current, aspect, joint, to },
      {
        onSuccess: (next) => {
          put(next);
          const more = waiting.current;
          waiting.current = null;
          if (more) setTimeout(() => draw(more.joint, more.to), 0);
        },
      },
    );
  };
  const onMove = (e: React.PointerEvent) => {
    if (!dragged.current) return;
    const r = frame.current!.getBoundingClientRect();
    draw(dragged.current, [(e.clientX - r.left) / r.width, (e.clientY - r.top) / r.height]);
  };
  const onKey = (e: React.KeyboardEvent, joint: string) => {
    const step = STEPS[e.key];
    if (!step) return;
    e.preventDefault();
    e.stopPropagation();
    const size = e.shiftKey ? 0.05 : 0.01;
    const [x, y] = pose.joints[joint as keyof Posed["joints"]]!;
    remember();
    draw(joint, [x + (step[0] * size) / aspect, y + step[1] * size]);
  };
  const take_ = (name: string) => {
    remember();
    move.mutate({ pose: first(at), aspect, stock: name }, { onSuccess: put });
  };
  const place = (joint: string) => pose.joints[joint as keyof Posed["joints"]] ?? [0.5, 0.5];
  return (
    <section aria-label={`Pose in take ${take.number}`}>
      <div className="mb-2 flex flex-wrap items-center gap-2">
        {figures.length > 1 && (
          <Choice
            label="Whom to pose"
            value={String(at)}
            options={figures.map((f, i) => [String(i), f.name] as const)}
            onChange={(v) => setAt(Number(v))}
          />
        )}
        <span className="text-ink-2">Drag a joint, or take a pose:</span>
        <Button
          kind="quiet"
          className="ml-auto"
          disabled={!before.length}
          aria-label="Undo the last move"
          onClick={() => {
            setPoses(before.at(-1)!);
            setBefore(before.slice(0, -1));
          }}
        >
          <Undo2 className="size-4" />
        </Button>
        <Button
          kind="quiet"
          disabled={!changed.length}
          onClick={() => (remember(), setPoses(figures.map((_, i) => first(i))))}
        >
          As it was
        </Button>
      </div>
      <div role="group" aria-label="Poses" className="mb-2 flex flex-wrap gap-1">
        {stock.map((name) => (
          <button
            key={name}
            type="button"
            onClick={() => take_(name)}
            className="h-7 rounded-[5px] border border-rule-strong px-2 hover:bg-shade"
          >
            {name}
          </button>
        ))}
      </div>
      <div
        ref={frame}
        className="relative mx-auto w-fit touch-none"
        onPointerMove={onMove}
        onPointerUp={() => (dragged.current = null)}
      >
        <img
          src={`/media/${take.media}`}
          alt={`Take ${take.number}`}
          draggable={false}
          className="block max-h-[50vh] max-w-full select-none rounded-[3px] opacity-70"
        />
        <svg
          viewBox={`0 0 ${aspect * 100} 100`}
          className="pointer-events-none absolute inset-0 size-full overflow-visible"
          aria-hidden
        >
          {/* Limbs as a jointed paper figure has them: strips of paper, outlined in pencil. */}
          {PAPER.map(([ink, width, opacity]) =>
            LIMBS.map((limb) => (
              <polyline
                key={`${ink}${limb.join()}`}
                points={limb
                  .map((j) => `${place(j)[0] * aspect * 100},${place(j)[1] * 100}`)
                  .join(" ")}
                fill="none"
                stroke={ink}
                strokeOpacity={opacity}
                strokeWidth={width}
                strokeLinecap="round"
                strokeLinejoin="round"
              />
            )),
          )}
        </svg>
        {Object.entries(pose.joints).map(([joint, [x, y]]) => (
          <button
            key={joint}
            type="button"
            aria-label={joint.replace("_", " ")}
            title={joint.replace("_", " ")}
            className="absolute size-4 -translate-x-1/2 -translate-y-1/2 cursor-grab rounded-full border border-[#5a4116] bg-[#c9973a] shadow-[inset_0_0_0_2px_#e5c274] focus-visible:outline focus-visible:outline-2 focus-visible:outline-ink"
            style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
            onPointerDown={(e) => {
              e.preventDefault();
              e.currentTarget.focus();
              frame.current!.setPointerCapture(e.pointerId);
              remember();
              dragged.current = joint;
            }}
            onKeyDown={(e) => onKey(e, joint)}
          />
        ))}
      </div>
      <p className="mt-1 text-[12px] text-ink-2">
        By keys: Tab from joint to joint, arrows move it, with Shift further. Limbs keep their
        lengths.
      </p>
      <Candidates
        film={film}
        wish={wish}
        ready={changed.length > 0}
        title={`Make ${count} in this pose`}
        count={count}
        onCount={setCount}
        onMake={() => start.mutate(wish, { onSuccess: onDone })}
        onDone={onDone}
      >
        {changed.length
          ? "Prompt and seed stay; each is a take of its own."
          : "Nothing is moved yet."}
      </Candidates>
    </section>
  );
}
