/** What a shot shows: proposed from its words, set by hand, or inherited from its scene; each says which. */
import type { Film, Shot } from "../api/client";
import { useChange, useRules } from "../api/film";
import { Choice, worded } from "../parts/Choice";
import { Editable } from "../parts/Editable";

/** What is chosen from a list, with the list of the rules that it is. */
const LISTS = {
  framing: "framings",
  angle: "angles",
  time: "times",
  weather: "weathers",
  mood: "moods",
} as const;
type Name = keyof typeof LISTS | "season" | "remembered" | "place" | "people" | "action";
/** For a season that nothing says, and for what happens now: lists know no empty choice. */
const UNSAID = "none said";
const WHEN = ["now", "remembered"];

/** Sets values for a shot, or for its whole scene. */
export function useSetFacts(film: Film, shot: Shot, forScene: boolean) {
  const change = useChange(film.id);
  const word = film.scenes[shot.scene]?.word;
  return (values: Record<string, unknown>) =>
    forScene && word
      ? change.mutate({ type: "set scene", word, values, pace: null, aim: null })
      : change.mutate({ type: "set shots", shots: [shot.id], values });
}

interface Props {
  film: Film;
  shot: Shot;
  /** Whether a choice is made for the whole scene. */
  forScene?: boolean;
  /** With the reason for each proposal beside it. */
  withReasons?: boolean;
  names?: (keyof typeof LISTS)[];
}

export function Facts({
  film,
  shot,
  forScene = false,
  withReasons = false,
  names = ["framing", "angle", "time", "weather", "mood"],
}: Props) {
  const set = useSetFacts(film, shot, forScene);
  const rules = useRules();
  const scene = film.scenes[shot.scene];
  const own = forScene && scene ? scene.own : shot.own;
  const byHand = (name: Name) => own[name] !== null && own[name] !== undefined;
  const lift = (name: Name) =>
    byHand(name) && <Lift what={name} scene={forScene} onClick={() => set({ [name]: null })} />;
  const reason = (name: Name) =>
    withReasons && <span className="block text-[11.5px] text-ink-2">{shot.why[name] ?? ""}</span>;
  const grid = withReasons
    ? "grid-cols-1 gap-y-1.5"
    : "grid-cols-[minmax(0,1.05fr)_minmax(0,1fr)] gap-x-3 gap-y-0.5";
  return (
    <div className={`grid ${grid}`}>
      {names.map((name) => (
        <Line
          key={name}
          name={name}
          why={shot.why[name]}
          wide={withReasons}
          lift={lift(name)}
          reason={reason(name)}
        >
          <Choice
            quiet
            label={name[0]!.toUpperCase() + name.slice(1)}
            value={shot[name]}
            options={worded(rules[LISTS[name]])}
            onChange={(v) => set({ [name]: v })}
          />
        </Line>
      ))}
      {withReasons && (
        <Line
          name="season"
          why={shot.why.season}
          wide
          lift={lift("season")}
          reason={
            <span className="block text-[11.5px] text-ink-2">
              {[shot.why.season, shot.year && `the year ${shot.year}`].filter(Boolean).join(", ")}
            </span>
          }
        >
          <Choice
            quiet
            label="Season"
            value={shot.season || UNSAID}
            options={worded(rules.seasons.map((s) => s || UNSAID))}
            onChange={(v) => set({ season: v === UNSAID ? "" : v })}
          />
        </Line>
      )}
      {withReasons && (
        <Line
          name="when"
          why={shot.why.remembered}
          wide
          lift={lift("remembered")}
          reason={reason("remembered")}
        >
          <Choice
            quiet
            label="When"
            value={WHEN[Number(shot.remembered)]!}
            options={worded(WHEN)}
            onChange={(v) => set({ remembered: v === WHEN[1] })}
          />
        </Line>
      )}
      {!forScene && (
        <Line
          name="move"
          wide={withReasons}
          lift={
            shot.own.move && <Lift what="move" scene={false} onClick={() => set({ move: null })} />
          }
          reason={
            withReasons && (
              <span className="block text-[11.5px] text-ink-2">
                {shot.own.move
                  ? "set by hand"
                  : shot.idea
                    ? "follows from the picture idea"
                    : "alternates, so that pushes do not tire"}
              </span>
            )
          }
        >
          <Choice
            quiet
            label="Move"
            value={shot.move}
            options={worded(rules.moves)}
            onChange={(v) => set({ move: v })}
          />
        </Line>
      )}
      <div className={withReasons ? "" : "col-span-2"}>
        <div className="flex items-baseline gap-3">
          <span className={`${withReasons ? "w-[72px]" : "w-10"} shrink-0 text-ink-2`}>place</span>
          {lift("place")}
          <Editable
            value={shot.place}
            hint="nowhere stated"
            label="Place"
            className="font-medium"
            onSave={(place) => set({ place })}
          />
        </div>
        {withReasons && <div className="pl-[84px]">{reason("place")}</div>}
      </div>
      <div className={`flex items-baseline gap-3 ${withReasons ? "" : "col-span-2"}`}>
        <span className={`${withReasons ? "w-[72px]" : "w-10"} shrink-0 text-ink-2`}>in it</span>
        <span className="flex flex-wrap items-baseline gap-1" title={shot.why.people}>
          {film.cast.map((p) => {
            const on = shot.people.includes(p.id);
            return (
              <button
                key={p.id}
                type="button"
                aria-pressed={on}
                onClick={() =>
                  set({
                    people: on ? shot.people.filter((x) => x !== p.id) : [...shot.people, p.id],
                  })
                }
                className={`min-h-6 rounded-[4px] border px-1.5 ${on ? "border-ochre font-medium" : "border-rule text-ink-2 hover:border-rule-strong"}`}
              >
                {p.name}
              </button>
            );
          })}
          {lift("people")}
          {withReasons && <span className="w-full">{reason("people")}</span>}
        </span>
      </div>
      {forScene && (
        <div className="flex items-baseline gap-3">
          <span className="w-[72px] shrink-0 text-ink-2">in prompts</span>
          <span className="min-w-0 grow">
            <Editable
              multiline
              letters={28}
              value={own.prompt ?? ""}
              hint="in place of its place, hour and weather"
              label="What prompts say of the scene"
              className="font-serif text-[14px]"
              onSave={(prompt) => set({ prompt })}
            />
            {own.prompt && (
              <Lift what="the scene's prompt" scene onClick={() => set({ prompt: null })} />
            )}
          </span>
        </div>
      )}
      {withReasons && !forScene && (
        <div className="flex items-baseline gap-3">
          <span className="w-[72px] shrink-0 text-ink-2">happens</span>
          <span className="min-w-0 grow">
            <Editable
              multiline
              letters={28}
              value={shot.action}
              hint="what is to be seen"
              label="What happens"
              className="font-serif text-[14px]"
              onSave={(action) => set({ action })}
            />
            {lift("action")}
          </span>
        </div>
      )}
    </div>
  );
}

interface LineProps {
  name: string;
  why?: string;
  wide: boolean;
  lift: React.ReactNode;
  reason: React.ReactNode;
  children: React.ReactNode;
}

const Line = ({ name, why, wide, lift, reason, children }: LineProps) =>
  wide ? (
    <div className="flex items-baseline gap-3">
      <span className="w-[72px] shrink-0 text-ink-2">{name}</span>
      <span className="min-w-0">
        <span className="flex items-baseline gap-1.5 font-medium">
          {children}
          {lift}
        </span>
        {reason}
      </span>
    </div>
  ) : (
    <div className="flex items-baseline justify-between gap-2">
      <span className="text-ink-2">{name}</span>
      <span className="flex min-w-0 items-baseline gap-1 font-medium" title={why}>
        {lift}
        {children}
      </span>
    </div>
  );

export const Lift = ({
  onClick,
  what,
  scene,
}: {
  onClick: () => void;
  what: string;
  scene: boolean;
}) => (
  <button
    type="button"
    onClick={onClick}
    title={`Lift what was set ${scene ? "for the scene" : "by hand"}: ${what}`}
    aria-label={`Lift ${what}`}
    className="min-h-6 shrink-0 text-[11px] text-ink-2 underline decoration-dotted"
  >
    {scene ? "for the scene" : "by hand"}
  </button>
);
