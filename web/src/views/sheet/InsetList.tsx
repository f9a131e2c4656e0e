/** Pictures laid over a shot: which, how large, with what border, when and how they come, where they go. */
import { X } from "lucide-react";

import { useBringPicture } from "../../api/brought";
import type { Film, Schemas, Shot } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import { BringChoice } from "../../parts/BringChoice";
import { Choice, worded } from "../../parts/Choice";
import { Slide, inHundredths } from "../../parts/Slide";
import { Steps } from "../../parts/Steps";

export type Inset = Schemas["Inset"];
type Laid = Pick<Inset, "media" | "name" | "shape" | "border">;

const BORDERS: Record<string, string> = {
  print: "a white print",
  paper: "a scrap of paper",
  line: "an ink line",
  round: "a round window",
  none: "no border",
};
const COMES: Record<string, string> = {
  cut: "there at once",
  fade: "comes softly",
  rise: "comes from below",
  drop: "drops from above",
  "from left": "comes from the left",
  "from right": "comes from the right",
  grow: "grows",
};
const ARRANGED: Record<string, string> = { "in the corners": "small, in the corners" };
/** How an inset moves while it is there. */
const MOVES: Record<string, Partial<Inset>> = {
  "stands still": { to: null, nearer: 0 },
  "comes nearer": { to: null, nearer: 0.12 },
  "goes back": { to: null, nearer: -0.12 },
};
const GOES = "goes to another place";
const CUT = "cut out: ";

interface Props {
  film: Film;
  shot: Shot;
  insets: readonly Inset[];
  chosen: number;
  onChoose: (at: number) => void;
  onPut: (insets: Inset[]) => void;
}

export function InsetList({ film, shot, insets, chosen, onChoose, onPut }: Props) {
  const rules = useRules().insets;
  const change = useChange(film.id);
  const put = (at: number, values: Partial<Inset>) =>
    onPut(insets.map((one, n) => (n === at ? { ...one, ...values } : one)));
  const one = insets[chosen];
  return (
    <section aria-label="Laid over the picture" className="mt-2 border-t border-rule pt-1">
      <ul>
        {insets.map((inset, n) => (
          // The same picture may be laid twice; their order is the order in which they lie.
          <li key={n} className="grid grid-cols-[1fr_174px_24px] items-center gap-1 py-0.5">
            <button
              type="button"
              aria-pressed={n === chosen}
              title={inset.name}
              className={`min-h-6 truncate rounded-[3px] px-1 text-left ${n === chosen ? "bg-shade font-medium" : "hover:bg-shade"}`}
              onClick={() => onChoose(n)}
            >
              {inset.name || "picture"}
            </button>
            <Slide
              name={`size of ${inset.name}`}
              value={inset.size}
              least={0.05}
              most={1.2}
              step={0.05}
              says={inHundredths}
              onPut={(size) => put(n, { size })}
            />
            <button
              type="button"
              aria-label={`Take ${inset.name} away`}
              className="flex size-6 items-center justify-center rounded-[3px] hover:bg-shade"
              onClick={() => {
                onPut(insets.filter((_, k) => k !== n));
                onChoose(Math.max(0, chosen - (n <= chosen ? 1 : 0)));
              }}
            >
              <X className="size-3.5" />
            </button>
          </li>
        ))}
      </ul>
      {one && <Particulars one={one} onPut={(values) => put(chosen, values)} />}
      <p className="flex flex-wrap items-center gap-x-4">
        {insets.length < rules.most && (
          <LayOver
            film={film}
            shot={shot}
            onLay={(laid) => {
              onPut([...insets, { ...rules.new, ...laid }]);
              onChoose(insets.length);
            }}
          />
        )}
        {insets.length > 0 && (
          <Choice
            quiet
            label="Arrange what is laid over it"
            value="arrange …"
            options={worded(rules.arranged, ARRANGED)}
            onChange={(how) =>
              change.mutate({
                type: "arrange insets",
                shot: shot.id,
                how: how as Schemas["ArrangeInsets"]["how"],
              })
            }
          />
        )}
      </p>
    </section>
  );
}

/** What is said of the one that is chosen. */
function Particulars({ one, onPut }: { one: Inset; onPut: (values: Partial<Inset>) => void }) {
  const rules = useRules().insets;
  const moves = one.to
    ? GOES
    : one.nearer > 0
      ? "comes nearer"
      : one.nearer < 0
        ? "goes back"
        : "stands still";
  return (
    <div className="mb-1 flex flex-wrap items-center gap-x-4 border-l-2 border-rule-strong pl-2">
      <Choice
        quiet
        label="Its border"
        value={one.border}
        options={worded(rules.borders, BORDERS)}
        onChange={(border) => onPut({ border: border as Inset["border"] })}
      />
      <Choice
        quiet
        label="How it comes"
        value={one.comes}
        options={worded(rules.comes, COMES)}
        onChange={(comes) => onPut({ comes: comes as Inset["comes"] })}
      />
      <Choice
        quiet
        label="How it moves"
        value={moves}
        options={worded([...Object.keys(MOVES), GOES])}
        onChange={(move) =>
          onPut(MOVES[move] ?? { to: [one.x < 0.5 ? 0.75 : 0.25, one.y], nearer: 0 })
        }
      />
      <Choice
        quiet
        label="What it keeps to"
        value={one.keeps}
        options={[
          ["frame", "keeps to the frame"],
          ["picture", "moves with the camera"],
        ]}
        onChange={(keeps) => onPut({ keeps: keeps as Inset["keeps"] })}
      />
      <Steps
        name="when it comes"
        value={one.begin}
        step={0.2}
        least={-2}
        most={60}
        says={(s) => `${s.toFixed(1)} s in`}
        onPut={(begin) => onPut({ begin: Number(begin.toFixed(2)) })}
      />
      <Steps
        name="how far it is turned"
        value={one.turn}
        step={3}
        least={-45}
        most={45}
        says={(turn) => (turn ? `turned ${turn}°` : "upright")}
        onPut={(turn) => onPut({ turn })}
      />
      <span className="flex items-center gap-2">
        <label className="flex min-h-6 items-center gap-1.5">
          <input
            type="checkbox"
            checked={one.seconds == null}
            onChange={(e) => onPut({ seconds: e.target.checked ? null : 2 })}
          />
          until the shot ends
        </label>
        {one.seconds != null && (
          <Steps
            name="how long it is there"
            value={one.seconds}
            step={0.5}
            least={0.5}
            most={120}
            says={(s) => `${s.toFixed(1)} s`}
            onPut={(seconds) => onPut({ seconds })}
          />
        )}
      </span>
    </div>
  );
}

interface LayProps {
  film: Film;
  shot: Shot;
  onLay: (laid: Laid) => void;
}

/** What can be laid over a shot: what was cut out, pictures of the maker's own, those of the shots beside it. */
function LayOver({ film, shot, onLay }: LayProps) {
  const bring = useBringPicture(film.id);
  const at = film.shots.indexOf(shot);
  const beside = [film.shots[at - 1], film.shots[at + 1]].flatMap((s) => {
    const take = s?.takes.find((t) => t.id === s.used);
    return s && take ? [[s, take] as const] : [];
  });
  const own = (p: Schemas["LaidPicture"]): Laid => ({
    media: p.media,
    name: p.name,
    shape: p.width / p.height,
    border: "print",
  });
  const [wide, high] = film.settings.aspect.split(":").map(Number);
  const known = new Map<string, Laid>([
    ...film.cutouts.map(
      (c) => [`${CUT}${c.name}`, { ...own(c), border: "none" as const }] as const,
    ),
    ...film.own_pictures.map((p) => [p.name, own(p)] as const),
    ...beside.map(
      ([s, take]) =>
        [
          `the picture of shot ${s.edge}`,
          {
            media: take.media,
            name: `shot ${s.edge}`,
            shape: take.width && take.height ? take.width / take.height : wide! / high!,
            border: "print" as const,
          },
        ] as const,
    ),
  ]);
  return (
    <BringChoice
      label="Lay a picture over it"
      value="lay over it …"
      options={worded([...known.keys()])}
      bring="bring a picture …"
      accept="image/*,.ora"
      file="A picture of your own to lay over"
      onChange={(name) => known.has(name) && onLay(known.get(name)!)}
      onBring={(file) => bring.mutate(file, { onSuccess: (picture) => onLay(own(picture)) })}
    />
  );
}
