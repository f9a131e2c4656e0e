/** Making pictures: for which shots, how many takes, at which offer; cost, time and quota before; pause, go on, cancel. */
import { useState } from "react";

import type { Film, Shot } from "../../api/client";
import {
  type RunWish,
  useChange,
  useEstimate,
  useLooksOf,
  useOffers,
  useRuns,
  useStart,
} from "../../api/film";
import { CLIPS, PICTURES } from "../../api/formats";
import { Bring } from "../../parts/Bring";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Check } from "../../parts/Field";
import { leftInWords } from "../../parts/quota";
import { inWords, money } from "../../parts/time";
import { Heading } from "../continuity/Heading";
import { PromptBox } from "../PromptBox";
import { RunControls } from "../../parts/RunControls";
import { useBringAny } from "./DropPictures";
import { Seeds } from "./Seeds";
import { Telling } from "./Telling";

const COUNTS = ["1", "2", "3", "4"].map((n) => [n, n] as const);
type Scope = "shot" | "chosen" | "scene" | "missing" | "stale" | "all";

interface Props {
  film: Film;
  shot: Shot;
  /** Shots chosen on the light table; they are what is made, if there are any. */
  chosen?: readonly number[];
}

export function Making({ film, shot, chosen: picked = [] }: Props) {
  const change = useChange(film.id);
  const offers = (useOffers().data ?? []).filter((o) => o.kind === "picture");
  const runs = useRuns(film.id).data ?? [];
  const going = runs.filter((r) => r.state === "going" || r.state === "paused");
  // What only waits, for a hand or for tomorrow's quota, holds nothing else up.
  const busy = going.some((r) => !r.waits);
  const start = useStart(film.id);
  const bring = useBringAny(film, shot);
  const [scope, setScope] = useState<Scope>(picked.length ? "chosen" : "shot");
  const [count, setCount] = useState(2);
  const [wait, setWait] = useState(false);
  const chosenOtherwise = film.shots.some(
    (s) => (s.made_by.picture ?? film.settings.offer) !== film.settings.offer,
  );
  const [offer, setOffer] = useState(chosenOtherwise ? AS_CHOSEN : film.settings.offer);
  const [look, setLook] = useState(film.settings.look);
  const looks = useLooksOf(film);
  const other = look !== film.settings.look;
  const wish = (at: string): RunWish => ({
    kind: "pictures",
    takes: count,
    ...(at !== AS_CHOSEN && { offer: at }),
    wait,
    ...(other && { look }),
    ...asked(film, shot, scope, picked),
  });
  const missing = film.shots.filter((s) => s.picture_of === s.id && !s.used).length;
  const stale = film.shots.filter((s) => s.picture_of === s.id && s.stale).length;
  const scopes: readonly (readonly [Scope, string])[] = [
    ["shot", `shot ${shot.edge}`],
    ...(picked.length ? [["chosen", `the ${picked.length} chosen`] as const] : []),
    ["scene", `all of ${film.scenes[shot.scene]?.title || "the scene"}`],
    ["missing", `all missing, ${missing}`],
    ["stale", `all stale, ${stale}`],
    ["all", "the whole film"],
  ];
  const chosen = useEstimate(film.id, wish(offer), film.revision).data;
  return (
    <div className="flex flex-col gap-4">
      <section aria-label="Make pictures">
        <h2 className="mb-2 font-serif text-[22px] font-bold">Make pictures</h2>
        <div className="flex flex-wrap items-center gap-2">
          <Choice
            label="For which shots"
            value={scope}
            options={scopes}
            onChange={(v) => setScope(v as Scope)}
          />
          <Choice
            label="How many takes"
            value={String(count)}
            options={COUNTS}
            onChange={(v) => setCount(Number(v))}
          />
          <span className="text-ink-2">{count === 1 ? "take each" : "takes each"}</span>
          <Choice
            quiet
            label="In which look"
            value={look}
            options={looks.map(
              (l) =>
                [
                  l.name,
                  l.name === film.settings.look ? "in the film’s look" : `in ${l.title}`,
                ] as const,
            )}
            onChange={setLook}
          />
        </div>
        {other && (
          <p className="mt-1.5 text-[12px] text-ink-2">
            Beside what there is; the film’s look stays{" "}
            {looks.find((l) => l.name === film.settings.look)?.title ?? film.settings.look} until
            you change it under Continuity.
          </p>
        )}
        <div role="radiogroup" aria-label="Offers" className="mt-3">
          {chosenOtherwise && (
            <OfferRow
              film={film}
              title="Whoever was chosen"
              says="for each shot, who is in it, its scene or the film"
              wish={wish(AS_CHOSEN)}
              on={offer === AS_CHOSEN}
              onChoose={() => setOffer(AS_CHOSEN)}
            />
          )}
          {offers.map((o) => (
            <OfferRow
              key={o.name}
              film={film}
              title={o.title}
              says={`${money(Number(o.price.amount))} each, ${leftInWords(o)}, ${o.caps.prompt_characters ?? "any number of"} characters`}
              wish={wish(o.name)}
              on={o.name === offer}
              onChoose={() => setOffer(o.name)}
            />
          ))}
        </div>
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <Button
            kind="ink"
            disabled={!chosen?.pictures || busy}
            onClick={() => start.mutate(wish(offer))}
          >
            {busy ? "making …" : `Make ${chosen?.pictures ?? ""}`}
            {chosen && chosen.pictures > 0 && !busy && (
              <span className="font-mono font-normal opacity-75">{money(chosen.cost)}</span>
            )}
          </Button>
        </div>
        <div className="mt-2 flex flex-wrap items-center gap-1">
          <Bring
            label="Picture file"
            title={`Bring one for shot ${shot.edge}`}
            busy={bring.busy}
            onFiles={bring.take}
          />
          <Bring
            quiet
            many
            label="Picture files or a zip"
            title="several, a zip"
            accept={`${PICTURES},${CLIPS},.zip`}
            busy={bring.busy}
            onFiles={bring.take}
          />
          <Bring
            quiet
            folder
            label="Folder of pictures"
            title="a folder"
            busy={bring.busy}
            onFiles={bring.take}
          />
        </div>
        {bring.review}
        {chosen &&
          chosen.fits !== null &&
          chosen.fits !== undefined &&
          chosen.fits < chosen.pictures && (
            <div className="mt-2">
              <p className="text-grease-ink">
                {chosen.fits} of {chosen.pictures} fit into what is left today. The rest fits{" "}
                {chosen.renews ? `from ${clock(chosen.renews)}` : "when it renews"}, or at another
                offer now.
              </p>
              <Check label="go on by itself when it renews" on={wait} onChange={setWait} />
            </div>
          )}
        {chosen && chosen.pictures === 0 && (
          <p className="mt-2 text-ink-2">Nothing to make there.</p>
        )}
      </section>
      {going.map((run) => (
        <RunControls key={run.id} film={film} run={run} />
      ))}
      <section aria-label={`Prompts of shot ${shot.edge}`}>
        <Heading
          title={`Shot ${shot.edge} asks for`}
          beside={`drawn by ${offers.find((o) => o.name === shot.made_by.picture)?.title ?? film.settings.offer}`}
        />
        <div className="-mx-4">
          <PromptBox
            film={film}
            shot={shot}
            onSet={(values) => change.mutate({ type: "set shots", shots: [shot.id], values })}
          />
        </div>
      </section>
      <Seeds film={film} />
      <Telling film={film} />
    </div>
  );
}

/** Each shot by who was chosen for it. */
const AS_CHOSEN = "";

/** The shots that a scope names; those of the whole film are made anew, the missing and the stale are found by the server. */
function asked(
  film: Film,
  shot: Shot,
  scope: Scope,
  picked: readonly number[],
): Partial<Omit<Extract<RunWish, { kind: "pictures" }>, "kind">> {
  if (scope === "missing" || scope === "stale") return { only: scope };
  const within = {
    shot: (s: Shot) => s.id === shot.id,
    chosen: (s: Shot) => picked.includes(s.id),
    scene: (s: Shot) => s.scene === shot.scene,
    all: () => true,
  }[scope];
  return { shots: film.shots.filter(within).map((s) => s.id) };
}

function OfferRow({
  film,
  title,
  says,
  wish,
  on,
  onChoose,
}: {
  film: Film;
  title: string;
  says: string;
  wish: RunWish;
  on: boolean;
  onChoose: () => void;
}) {
  const estimate = useEstimate(film.id, wish, film.revision).data;
  return (
    <button
      type="button"
      role="radio"
      aria-checked={on}
      onClick={onChoose}
      className={`grid w-full grid-cols-[16px_minmax(0,1fr)_auto_auto] items-baseline gap-2.5 border-b border-rule py-1.5 text-left ${on ? "" : "text-ink-2 hover:text-ink"}`}
    >
      <span
        className={`mt-0.5 block size-3 self-center rounded-full border ${on ? "border-ink bg-ink" : "border-rule-strong"}`}
      />
      <span className="min-w-0">
        <span className="block truncate font-medium text-ink">{title}</span>
        <span className="block truncate text-[12px] text-ink-2">{says}</span>
      </span>
      <span className="font-mono">{estimate ? money(estimate.cost) : "…"}</span>
      <span className="w-[76px] text-right">{estimate ? inWords(estimate.seconds) : ""}</span>
    </button>
  );
}

const clock = (when: string) =>
  new Date(when).toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" });
