/** The thumbnail desk: at the size at which people meet it first, then large; words, side, nearness; what is left of it. */
import { Download } from "lucide-react";
import { useState } from "react";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import {
  type Thumbnail,
  type ThumbnailShape,
  thumbnailAt,
  useProposedThumbnails,
  useThumbnailMeasures,
} from "../../api/publishing";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Colour } from "../../parts/Colour";
import { Check, Field } from "../../parts/Field";
import { Slide, inHundredths } from "../../parts/Slide";
import { useStore } from "../../state/store";
import { selected } from "../../state/playhead";
import { ThumbnailPicture } from "./ThumbnailPicture";

const SIDES = [
  ["left", "at the left"],
  ["right", "at the right"],
  ["top", "above"],
  ["bottom", "below"],
] as const;
const SHAPES = [
  ["16:9", "1280 × 720"],
  ["9:16", "upright, 720 × 1280"],
  ["4:5", "upright, 1080 × 1350"],
  ["1:1", "1080 × 1080"],
] as const;
const SMALL = 168;
const times = (zoom: number) => `${zoom.toFixed(1)} ×`;
type Slid = "size" | "zoom" | "x" | "y" | "tall" | "across";
/** What is slid: its field, its name and in full, its least and most, its step, and how it is said. */
type Slider = readonly [Slid, string, string, number, number, number, (value: number) => string];
const SLIDES: readonly Slider[] = [
  ["size", "letters", "Size of the letters", 0.1, 0.5, 0.02, inHundredths],
  ["zoom", "nearer", "How near", 1, 4, 0.1, times],
  ["x", "across", "Across", 0, 1, 0.02, inHundredths],
  ["y", "down", "Down", 0, 1, 0.02, inHundredths],
];

/** Those of a figure that was cut out. */
const STANDING: readonly Slider[] = [
  ["tall", "tall", "How tall the figure is", 0.2, 2, 0.05, inHundredths],
  ["across", "stands", "Where the figure stands", 0, 1, 0.02, inHundredths],
];

const CALLED = { kept: "Kept", made: "Made", proposed: "Proposed" } as const;

/** Those that are kept, those of pictures that were made for it, those by rule, each once and numbered. */
function gallery(kept: Thumbnail[], proposed: { made: Thumbnail[]; thumbnails: Thumbnail[] }) {
  const fresh = (rows: Thumbnail[]) => rows.filter((t) => !kept.some((k) => same(k, t)));
  const told = (sort: keyof typeof CALLED, rows: Thumbnail[]) =>
    rows.map((thumbnail, i) => ({ thumbnail, sort, n: i + 1 }));
  return [
    ...told("kept", kept),
    ...told("made", fresh(proposed.made)),
    ...told("proposed", fresh(proposed.thumbnails)),
  ];
}

const same = (a: Thumbnail, b: Thumbnail) => JSON.stringify(a) === JSON.stringify(b);

export function ThumbnailDesk({ film }: { film: Film }) {
  const proposed = useProposedThumbnails(film).data;
  const change = useChange(film.id);
  const kept = film.thumbnails;
  const [draft, setDraft] = useState<Thumbnail | null>(null);
  const [shape, setShape] = useState<ThumbnailShape>("16:9");
  const made = new Set(film.thumbnail_pictures.map((p) => p.media));
  // A picture that was taken away meanwhile is shown no more.
  const drafted = draft?.picture && !made.has(draft.picture) ? null : draft;
  const shown = drafted ?? kept[0] ?? proposed?.made[0] ?? proposed?.thumbnails[0];
  if (!proposed) return <p className="text-ink-2">Looking for good pictures …</p>;
  if (!shown)
    return (
      <section aria-label="Thumbnail">
        <h2 className="mb-2 font-serif text-[20px] font-bold">Thumbnail</h2>
        <p className="text-ink-2">
          There is no picture yet. Make one on the Bench; thumbnails are proposed from what is made.
        </p>
      </section>
    );
  const place = kept.findIndex((t) => same(t, shown));
  const put = (values: Partial<Thumbnail>) => setDraft({ ...shown, ...values });
  const small = shape === "9:16" ? 95 : shape === "4:5" ? 134 : SMALL;
  return (
    <section aria-label="Thumbnail">
      <div className="mb-2 flex items-baseline">
        <h2 className="font-serif text-[20px] font-bold">Thumbnail</h2>
        <span className="ml-3 text-ink-2">as people meet it, {small} pixels wide</span>
      </div>
      <ul aria-label="Thumbnails" className="flex flex-wrap gap-3 bg-[#808080] p-3">
        {gallery(kept, proposed).map(({ thumbnail: t, sort, n }) => (
          <li key={`${sort} ${JSON.stringify(t)}`}>
            <button
              type="button"
              aria-label={`${CALLED[sort]} thumbnail ${n}`}
              aria-pressed={same(t, shown)}
              onClick={() => setDraft(t)}
              className={`block ${same(t, shown) ? "outline-2 outline-offset-2 outline-[#fff]" : ""}`}
            >
              <img
                src={thumbnailAt(film, t, shape, 2 * small)}
                alt=""
                width={small}
                className="block"
              />
            </button>
            <span className="mt-0.5 flex min-h-6 items-center text-[11px] text-[#191613]">
              {sort === "kept" && n === 1 ? "used" : sort}
              {sort === "made" && !kept.some((k) => k.picture === t.picture) && (
                <button
                  type="button"
                  aria-label={`Take made picture ${n} away`}
                  className="ml-auto size-6 hover:bg-[#00000022]"
                  onClick={() =>
                    change.mutate({ type: "drop thumbnail picture", media: t.picture! })
                  }
                >
                  ×
                </button>
              )}
            </span>
          </li>
        ))}
      </ul>
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)_250px] gap-5">
        <div>
          <img
            src={thumbnailAt(film, shown, shape)}
            alt={`Thumbnail: ${shown.words || "without words"}`}
            className="mx-auto block max-h-[330px] max-w-full"
          />
          <Measures film={film} shown={shown} shape={shape} />
        </div>
        <Wording film={film} shown={shown} words={proposed.words} onPut={put} />
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        {place < 0 ? (
          <Button
            kind="ink"
            onClick={() => change.mutate({ type: "keep thumbnail", thumbnail: shown })}
          >
            Keep it
          </Button>
        ) : (
          <>
            {place > 0 && (
              <Button onClick={() => change.mutate({ type: "drop thumbnail", place, first: true })}>
                Use this one
              </Button>
            )}
            <Button
              kind="quiet"
              onClick={() => change.mutate({ type: "drop thumbnail", place, first: false })}
            >
              Take it away
            </Button>
          </>
        )}
        <Choice
          label="Shape of the thumbnail"
          value={shape}
          options={SHAPES}
          onChange={(s) => setShape(s as ThumbnailShape)}
        />
        <a
          href={thumbnailAt(film, shown, shape)}
          download="thumbnail.jpg"
          className="ml-auto inline-flex h-8 items-center gap-1.5 rounded-[5px] border border-rule-strong bg-page px-3 font-medium hover:bg-shade"
        >
          <Download className="size-4" /> JPEG
        </a>
      </div>
      <ThumbnailPicture key={shown.shot} film={film} shot={shown.shot} shape={shape} />
    </section>
  );
}

interface WordingProps {
  film: Film;
  shown: Thumbnail;
  words: string[];
  onPut: (values: Partial<Thumbnail>) => void;
}

function Wording({ film, shown, words, onPut }: WordingProps) {
  const chosen = useStore(selected);
  const shot = film.shots.find((s) => s.id === shown.shot);
  const other = film.shots.find((s) => s.id === chosen && s.id !== shown.shot);
  const at = shot ? film.shots.indexOf(shot) : 0;
  const go = (by: number) => {
    const next = film.shots[at + by];
    if (next) onPut({ shot: next.id, picture: null });
  };
  const said = words.filter((w) => w !== shown.words);
  return (
    <div className="flex flex-col gap-2">
      <Field
        aria-label="Words on the thumbnail"
        placeholder="few words"
        maxLength={60}
        value={shown.words}
        onChange={(e) => onPut({ words: e.target.value })}
      />
      {said.length > 0 && (
        <Choice
          quiet
          label="Words from the film"
          value="none"
          options={[["none", "words from the film"], ...said.map((w) => [w, w] as const)]}
          onChange={(w) => w !== "none" && onPut({ words: w })}
        />
      )}
      <div className="flex items-center gap-2">
        <Choice
          label="Where the words stand"
          value={shown.side!}
          options={SIDES}
          onChange={(side) => onPut({ side: side as Thumbnail["side"] })}
        />
        <Colour
          label="Colour of the words"
          value={shown.colour!}
          onPut={(colour) => onPut({ colour })}
        />
      </div>
      <Check
        label="behind the figure"
        on={!!shown.behind}
        onChange={(behind) => onPut({ behind })}
      />
      <Check label="a shade under them" on={!!shown.shade} onChange={(shade) => onPut({ shade })} />
      {film.cutouts.length > 0 && (
        <Choice
          label="A figure that was cut out"
          value={shown.figure ?? "none"}
          options={[
            ["none", "no figure cut out"],
            ...film.cutouts.map((c) => [c.media, c.name] as const),
          ]}
          onChange={(f) => onPut({ figure: f === "none" ? null : f })}
        />
      )}
      {[...SLIDES, ...(shown.figure ? STANDING : [])].map(
        ([field, name, label, least, most, step, says]) => (
          <div key={field} className="grid grid-cols-[52px_1fr] items-center">
            <span className="text-ink-2">{name}</span>
            <Slide
              name={label}
              value={shown[field]!}
              least={least}
              most={most}
              step={step}
              says={says}
              onPut={(value) => onPut({ [field]: value })}
            />
          </div>
        ),
      )}
      <div className="flex items-center gap-1">
        <Button
          kind="quiet"
          aria-label="The shot before"
          disabled={at === 0}
          onClick={() => go(-1)}
          className="px-2"
        >
          ←
        </Button>
        <span>
          {shown.picture ? "made, after shot " : "shot "}
          <span className="font-mono">{shot?.edge}</span>
        </span>
        <Button
          kind="quiet"
          aria-label="The next shot"
          disabled={at >= film.shots.length - 1}
          onClick={() => go(1)}
          className="px-2"
        >
          →
        </Button>
        {other && (
          <Button
            kind="quiet"
            onClick={() => onPut({ shot: other.id, picture: null })}
            className="px-2"
          >
            shot {other.edge}, at the playhead
          </Button>
        )}
      </div>
    </div>
  );
}

function Measures(props: { film: Film; shown: Thumbnail; shape: ThumbnailShape }) {
  const m = useThumbnailMeasures(props.film, props.shown, props.shape).data;
  if (!m) return null;
  const { aims } = m;
  const rows: (readonly [string, string, boolean])[] = [
    ...(m.contrast == null
      ? []
      : ([["contrast of the words", `${m.contrast} to 1`, m.contrast >= aims.contrast!]] as const)),
    ...(m.capital == null
      ? []
      : ([["a capital", `${m.capital} px high`, m.capital >= aims.capital!]] as const)),
    ...(m.face == null ? [] : ([["the face", `${m.face} px high`, m.face >= aims.face!]] as const)),
    ["words", `${m.words}`, m.words <= aims.words!],
    ...(m.hidden
      ? ([["hidden by the figure", inHundredths(m.hidden), m.hidden <= aims.hidden!]] as const)
      : []),
    ["file", `${(m.bytes / 1000).toFixed(0)} kB`, m.bytes < aims.bytes!],
  ];
  const short: Record<string, string> = {
    "contrast of the words": `${aims.contrast} or more`,
    "a capital": `${aims.capital} or more`,
    "the face": `${aims.face} or more`,
    words: `${aims.words} at most`,
    "hidden by the figure": `${inHundredths(aims.hidden!)} at most`,
    file: "under 2 MB",
  };
  return (
    <p role="status" className="mt-2 text-[12px] text-ink-2">
      At {m.wide} pixels:{" "}
      {rows.map(([what, found, good], i) => (
        <span key={what}>
          {i > 0 && ", "}
          {what}{" "}
          <span
            className={
              good
                ? "text-ink"
                : "text-ink underline decoration-grease decoration-wavy underline-offset-2"
            }
          >
            {found}
            {!good && ` (${short[what]})`}
          </span>
        </span>
      ))}
    </p>
  );
}
