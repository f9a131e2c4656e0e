/** One paragraph of the manuscript with its cut marks; edge numbers at the left, remarks at the right. */
import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";

import type { Film, Schemas, Shot } from "../../api/client";
import { CutStroke } from "../../parts/marks";
import { PauseMark, lookOf, saidOf } from "../../parts/saidSo";
import { cursor } from "./cursor";
import { Editor } from "./Editor";
import { SceneHeading } from "./Heading";
import { Remarks } from "./Remarks";
import type { Block } from "./blocks";
import { marginOf } from "./margin";
import { marked } from "./meant";
import { secondsOf } from "./shots";
import { desk } from "./Side";
import { seek, selected } from "../../state/playhead";

interface Props {
  film: Film;
  block: Block;
  shotAt: Map<number, Shot>;
  editing: boolean;
  onEdit: () => void;
  onSave: (text: string) => void;
  onLeave: () => void;
  onStep: (way: -1 | 1, text: string) => void;
  onToggle: (word: number) => void;
  onPush: (shot: Shot, words: number) => void;
  onFocus: (word: number) => void;
  /** Shots without words, by the index of the word that follows them. */
  holds: Map<number, Shot[]>;
}

const TEXT = "font-serif text-[18.5px] leading-[31px]";

export const Paragraph = memo(function Paragraph(props: Props) {
  const { film, block, editing, onEdit, onSave, onLeave } = props;
  if (editing)
    return (
      <Row>
        <Editor
          text={film.text.slice(block.start, block.stop)}
          look={block.kind === "scene" ? "text-[15px]" : TEXT}
          speaker={film.cast[0]?.name ?? "Somebody"}
          onSave={onSave}
          onLeave={onLeave}
          onStep={props.onStep}
        />
      </Row>
    );
  if (block.kind === "scene") {
    return (
      <Row className="pb-1 pt-4">
        <SceneHeading film={film} index={block.scene} onEdit={onEdit} />
      </Row>
    );
  }
  if (block.kind === "note")
    return (
      <Row className="py-1">
        <p
          onDoubleClick={onEdit}
          className="font-serif italic text-ink-2"
          title="Not spoken. Double click to edit"
        >
          {film.text.slice(block.start, block.stop)}
        </p>
      </Row>
    );
  return <Words {...props} />;
});

const Row = ({
  children,
  className = "",
  left,
  right,
}: {
  children: React.ReactNode;
  className?: string;
  left?: React.ReactNode;
  right?: React.ReactNode;
}) => (
  <div className={`grid grid-cols-[98px_minmax(0,1fr)_206px] ${className}`}>
    <div className="relative">{left}</div>
    <div className="min-w-0">{children}</div>
    <div className="relative">{right}</div>
  </div>
);

function Words({ film, block, shotAt, holds, onEdit, onToggle, onPush, onFocus }: Props) {
  const body = useRef<HTMLParagraphElement>(null);
  const [marks, setMarks] = useState<{ word: number; top: number }[]>([]);
  const [room, setRoom] = useState({ low: false, height: 0 });
  const dragging = useRef<{ shot: Shot; word: number } | null>(null);
  const opens: number[] = [];
  for (let i = block.first; i < block.end; i++) if (shotAt.has(i)) opens.push(i);
  const sign = opens.map((i) => `${i}:${shotAt.get(i)!.edge}`).join();

  useLayoutEffect(() => {
    const measure = () => {
      const box = body.current!.getBoundingClientRect();
      const opening = [...body.current!.querySelectorAll<HTMLElement>("[data-opens]")];
      const { tops, low, height } = marginOf(
        opening.map((el) => el.getBoundingClientRect().top - box.top),
      );
      setMarks(opening.map((el, i) => ({ word: Number(el.dataset.opens), top: tops[i]! })));
      setRoom({ low, height });
    };
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(body.current!);
    void document.fonts.ready.then(() => body.current && measure());
    return () => watch.disconnect();
  }, [sign]);

  const words = film.words.slice(block.first, block.end);
  const said = useMemo(() => new Map(film.word_marks.map((m) => [m.word, m])), [film.word_marks]);
  return (
    <Row
      className="py-[7px]"
      left={marks.map(({ word, top }) => {
        const shot = shotAt.get(word);
        return (
          shot && (
            <div
              key={shot.id}
              className={`absolute right-6 whitespace-nowrap text-right font-mono leading-[17px] ${room.low ? "flex items-baseline gap-1.5" : ""}`}
              style={{ top: top + 5 }}
            >
              <div className="text-[14px] font-medium">{shot.edge}</div>
              <div className="text-[11.5px] text-ink-2">{secondsOf(film, shot).toFixed(1)} s</div>
            </div>
          )
        );
      })}
      right={<Remarks film={film} marks={marks} shotAt={shotAt} />}
    >
      <p
        ref={body}
        className={`${TEXT} select-text`}
        style={{ minHeight: room.height }}
        onDoubleClick={onEdit}
        title="Double click to edit the words"
      >
        {words.map(([start, end, number, line], i) => {
          const index = block.first + i;
          const shot = shotAt.get(index);
          const before = film.words[index - 1];
          const glued = i > 0 && before![1] === start;
          const speaker = film.lines.length ? speakerOf(film, index) : null;
          return (
            <span key={number}>
              {holds.get(index)?.map((h) => (
                <Hold key={h.id} film={film} shot={h} />
              ))}
              {i > 0 && !glued && !shot && (
                <Gap
                  onSet={() => onToggle(index)}
                  voiced={!!speaker && film.words[index - 1]![3] === line}
                />
              )}
              {shot && i > 0 && !glued && " "}
              {/* A mark stays on the line of the word it opens. */}
              <span className={shot ? "whitespace-nowrap" : undefined}>
                {shot && (
                  <Mark
                    shot={shot}
                    first={index === 0}
                    onLift={() => onToggle(index)}
                    onGrab={() => (dragging.current = { shot, word: index })}
                    onDrop={(word) => {
                      const held = dragging.current;
                      dragging.current = null;
                      if (held && word !== null && word !== held.word)
                        onPush(held.shot, word - held.word);
                    }}
                  />
                )}
                <Word
                  index={index}
                  text={film.text.slice(start, end)}
                  speaker={speaker}
                  said={said.get(number)}
                  onClick={() => onFocus(index)}
                />
              </span>
            </span>
          );
        })}
        {block.end === film.words.length &&
          holds.get(block.end)?.map((h) => <Hold key={h.id} film={film} shot={h} />)}
      </p>
    </Row>
  );
}

function speakerOf(film: Film, word: number): string | null {
  let low = 0;
  let high = film.lines.length - 1;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (film.lines[mid]!.end <= word) low = mid + 1;
    else high = mid;
  }
  return film.lines[low]?.speaker ?? null;
}

/** How a word is marked for whom it means: as the one at the cursor, or as one that is asked. */
const markOf = (index: number) => {
  const { same, unsure } = marked.get();
  if (same.has(index)) return "underline decoration-[var(--ochre)] decoration-2 underline-offset-4";
  return unsure.has(index)
    ? "underline decoration-[var(--ink-2)] decoration-dotted decoration-2 underline-offset-4"
    : "";
};

function Word({
  index,
  text,
  speaker,
  said,
  onClick,
}: {
  index: number;
  text: string;
  speaker: string | null;
  said: Schemas["WordMark"] | undefined;
  onClick: () => void;
}) {
  const [here, setHere] = useState(() => cursor.get() === index);
  useEffect(() => cursor.subscribe(() => setHere(cursor.get() === index)), [index]);
  const [mark, setMark] = useState(() => markOf(index));
  useEffect(() => marked.subscribe(() => setMark(markOf(index))), [index]);
  return (
    <span
      data-word={index}
      tabIndex={here ? 0 : -1}
      role="button"
      aria-label={`${text}${saidOf(said)}${speaker ? `, ${speaker} speaks` : ""}`}
      onClick={onClick}
      className={`cursor-text rounded-[2px] ${speaker ? "bg-[linear-gradient(transparent_62%,color-mix(in_srgb,var(--teal)_17%,transparent)_62%)]" : ""} ${here ? "outline-1 outline-offset-1 outline-rule-strong" : ""} ${lookOf(said)} ${mark}`}
    >
      <PauseMark mark={said} />
      {text}
    </span>
  );
}

/** A shot without words, where it stands between them. */
const Hold = ({ film, shot }: { film: Film; shot: Shot }) => (
  <button
    type="button"
    onClick={(e) => {
      e.stopPropagation();
      selected.set(shot.id);
      seek(shot.start);
      desk.set("shot");
    }}
    title={`Hold ${shot.edge}: a picture without words. Click to see it`}
    className="mx-1 inline-flex items-baseline gap-1 whitespace-nowrap rounded-[3px] border border-dashed border-rule-strong px-1.5 align-baseline font-sans text-[12px] leading-[20px] text-ink-2 hover:bg-shade"
  >
    <CutStroke className="relative top-[2px]" />
    <span className="font-mono text-[11px]">{shot.edge}</span> hold{" "}
    {secondsOf(film, shot).toFixed(1)} s
  </button>
);

/** The space between two words: pointing at it shows where a cut mark would stand, a click sets it. */
const Gap = ({ onSet, voiced }: { onSet: () => void; voiced: boolean }) => (
  <span
    data-gap
    onClick={(e) => {
      e.stopPropagation();
      onSet();
    }}
    title="Set a cut mark here"
    className={`group/gap relative cursor-pointer ${voiced ? "bg-[linear-gradient(transparent_62%,color-mix(in_srgb,var(--teal)_17%,transparent)_62%)]" : ""}`}
  >
    {" "}
    <CutStroke className="pointer-events-none absolute left-1/2 top-0 -translate-x-1/2 opacity-0 group-hover/gap:opacity-55" />
  </span>
);

interface MarkProps {
  shot: Shot;
  first: boolean;
  onLift: () => void;
  onGrab: () => void;
  onDrop: (word: number | null) => void;
}

function Mark({ shot, first, onLift, onGrab, onDrop }: MarkProps) {
  const moved = useRef(false);
  const remark = shot.remarks.some((r) => r.kind === "scrap");
  const number = (
    <sup className="ml-[1px] mr-[3px] font-mono text-[10.5px] text-ink-2">{shot.edge}</sup>
  );
  if (first) return <span data-opens={shot.first}>{number}</span>;
  return (
    <button
      type="button"
      data-opens={shot.first}
      data-mark={shot.edge}
      aria-label={`Cut mark ${shot.edge}. Enter lifts it, drag pushes it along`}
      title={`Cut mark ${shot.edge}: click lifts it, dragging pushes it along`}
      className={`touch-none rounded-[3px] align-baseline hover:bg-shade ${remark ? "bg-[color-mix(in_srgb,var(--grease)_16%,transparent)]" : ""}`}
      onPointerDown={(e) => {
        moved.current = false;
        const from = e.clientX;
        const y = e.clientY;
        onGrab();
        const move = (m: PointerEvent) => {
          if (Math.hypot(m.clientX - from, m.clientY - y) > 5) moved.current = true;
          document.body.style.cursor = moved.current ? "grabbing" : "";
        };
        const up = (u: PointerEvent) => {
          window.removeEventListener("pointermove", move);
          window.removeEventListener("pointerup", up);
          document.body.style.cursor = "";
          onDrop(moved.current ? wordAt(u.clientX, u.clientY) : null);
        };
        window.addEventListener("pointermove", move);
        window.addEventListener("pointerup", up);
      }}
      onClick={() => !moved.current && onLift()}
    >
      <CutStroke className="relative top-[3px]" />
      {number}
    </button>
  );
}

/** The word nearest to a point on the page. */
function wordAt(x: number, y: number): number | null {
  let best: number | null = null;
  let cost = Infinity;
  document.querySelectorAll<HTMLElement>("[data-word]").forEach((el) => {
    const box = el.getBoundingClientRect();
    const c = Math.abs(box.top + box.height / 2 - y) * 5 + Math.abs(box.left - x);
    if (c < cost) {
      cost = c;
      best = Number(el.dataset.word);
    }
  });
  return best;
}
