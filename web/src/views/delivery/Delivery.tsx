/** Delivery: make the film file, follow it, download it, and read what was measured on it. */
import * as Tabs from "@radix-ui/react-tabs";
import { Download } from "lucide-react";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import type { Film, Run, Schemas } from "../../api/client";
import { useChange, useEstimate, useRules, useRuns, useStart } from "../../api/film";
import { type Voice, useVoices } from "../../api/voices";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { languageNamed, languagesOf } from "../../parts/languages";
import { TabHeads } from "../../parts/TabHeads";
import { inWords, money } from "../../parts/time";
import { useFilmHere } from "../FilmFrame";
import { CaptionLanguages } from "./CaptionLanguages";
import { CaptionsRead } from "./CaptionsRead";
import { GoingFiles } from "./GoingFiles";
import { HouseStyles } from "./HouseStyles";
import { Setting } from "./Setting";
import { Languages } from "./Languages";
import { Programs } from "./Programs";
import { type Figure, Figures, ReportNow } from "./Report";
import { TextsDesk } from "./TextsDesk";
import { ThumbnailDesk } from "./ThumbnailDesk";
import { Understood } from "./Understood";
import { fitting } from "../bench/voice/voices";
import { MUSIC, JOINS } from "../wording";

type Size = Schemas["DeliveryWanted"]["size"];
type Form = Schemas["DeliveryWanted"]["form"];
type Lacking = "stop" | "stand in";

const SIZES = { "360p": "360p, to look at" };
const MOVEMENT = { all: "all that can move", camera: "the camera alone" };
const AIR = { off: "as drawn", low: "a little", middle: "as it is told", high: "much" };
const CAPTIONS = {
  burn: "burned into the picture",
  track: "as a track of the file",
  file: "as a file beside it",
  off: "none",
};
const FORMS: readonly (readonly [Form, string, string])[] = [
  ["web", "for the web", "H.264 and AAC, MP4"],
  ["archive", "to be kept", "H.264 near loss-free, AAC, MP4"],
  ["vp9", "in an open codec", "VP9 and Opus, WebM"],
  ["av1", "in a small file", "AV1 and Opus, WebM"],
  ["master", "as a master", "FFV1 and FLAC, picture by picture as drawn, Matroska"],
];
const PICTURE: Record<Form, string> = {
  web: "H.264",
  archive: "H.264, to be kept",
  vp9: "VP9",
  av1: "AV1",
  master: "FFV1 master",
};
const RATES = { "30000/1001": "29.97 (30000/1001)" };

const LOUDNESS: Partial<Record<number, string>> = {
  [-14]: "−14 LUFS, for the web",
  [-16]: "−16 LUFS, for listening on the way",
  [-23]: "−23 LUFS, for broadcasting (EBU)",
  [-24]: "−24 LUFS, for broadcasting (ATSC)",
};

/** A level with a true minus sign. */
const signed = (level: number) => String(level).replace("-", "−");

/** Voices to narrate with: those of the film's language, and the one that does. */
function narrators(offered: readonly Voice[], film: Film): (readonly [string, string])[] {
  const wish = { who: "any", age: "any", language: film.language, order: "given" } as const;
  const may = fitting(offered, wish).map((v) => [v.name, v.title] as const);
  if (may.some(([name]) => name === film.narrator)) return may;
  const now = offered.find((v) => v.name === film.narrator);
  return [[film.narrator, now?.title ?? film.narrator], ...may];
}

/** Which music lies under the film now. */
function musicOf(film: Film): string {
  const cues = film.cues.filter((c) => c.kind === "music");
  if (!cues.length) return "no music";
  const moods = cues.map((c) => c.prompt.replace(/ music$/, "")).join(", then ");
  return cues.length > 4 ? `${cues.length} pieces, as the story turns` : `now ${moods}`;
}

export function Delivery() {
  const film = useFilmHere();
  const [query] = useSearchParams();
  return (
    <Tabs.Root defaultValue={query.get("part") ?? "files"} className="flex h-full flex-col">
      <TabHeads
        label="Parts of the delivery"
        tabs={[
          ["files", "Files"],
          ["publishing", "Publishing"],
          ["languages", "Languages"],
          ["programs", "Other programs"],
        ]}
      />
      <Tabs.Content value="files" className="min-h-0 grow border-t border-rule" tabIndex={-1}>
        <Files film={film} />
      </Tabs.Content>
      <Tabs.Content value="publishing" className="min-h-0 grow border-t border-rule" tabIndex={-1}>
        <div className="grid h-full grid-cols-[minmax(0,1fr)_460px] overflow-hidden">
          <div className="overflow-y-auto px-6 py-5">
            <ThumbnailDesk film={film} />
          </div>
          <div className="overflow-y-auto border-l border-rule-strong bg-page px-6 py-5">
            <TextsDesk film={film} />
          </div>
        </div>
      </Tabs.Content>
      <Tabs.Content value="languages" className="min-h-0 grow border-t border-rule" tabIndex={-1}>
        <Languages film={film} />
      </Tabs.Content>
      <Tabs.Content value="programs" className="min-h-0 grow border-t border-rule" tabIndex={-1}>
        <Programs film={film} />
      </Tabs.Content>
    </Tabs.Root>
  );
}

function Files({ film }: { film: Film }) {
  const change = useChange(film.id);
  const start = useStart(film.id);
  const rules = useRules();
  const [size, setSize] = useState<Size>("1080p");
  const [lacking, setLacking] = useState<Lacking>("stop");
  const set = (values: Record<string, unknown>) => change.mutate({ type: "set settings", values });
  const runs = (useRuns(film.id).data ?? []).filter((r) => r.kind === "delivery");
  const going = runs.filter((r) => r.state === "going" || r.state === "paused");
  const [form, setForm] = useState<Form>("web");
  const wish = { kind: "delivery", size, lacking, form } as const;
  const estimate = useEstimate(film.id, wish, film.revision, true).data;
  const s = film.settings;
  const offered = useVoices(film);
  const voices = narrators(offered, film);
  return (
    <div className="grid h-full grid-cols-[minmax(380px,460px)_1fr] overflow-hidden">
      <section
        aria-label="What to make"
        className="overflow-y-auto border-r border-rule-strong bg-page px-6 py-5"
      >
        <h2 className="mb-1 font-serif text-[20px] font-bold">The film file</h2>
        <p className="mb-4 text-ink-2">
          {inWords(film.seconds)}, {film.frames} frames, {film.shots.length} shots. True peak under{" "}
          {signed(rules.true_peak)} dBTP.
        </p>
        <dl>
          <Setting name="File" note={FORMS.find(([f]) => f === form)![2]}>
            <Choice
              label="File"
              value={form}
              options={FORMS.map(([f, name]) => [f, name] as const)}
              onChange={(f) => setForm(f as Form)}
            />
          </Setting>
          <Setting name="Size" note={s.aspect}>
            <Choice
              label="Size"
              value={size}
              options={worded(rules.sizes, SIZES)}
              onChange={(v) => setSize(v as Size)}
            />
          </Setting>
          <Setting name="Frames a second" note={"whole frames, sound stays in step"}>
            <Choice
              label="Frames a second"
              value={s.fps}
              options={worded(rules.rates, RATES)}
              onChange={(fps) => set({ fps })}
            />
          </Setting>
          <Setting
            name="Captions"
            note={`${rules.caption_lines} lines of ${s.caption_length} characters`}
          >
            <Choice
              label="Captions"
              value={s.captions}
              options={worded(rules.captions, CAPTIONS)}
              onChange={(captions) => set({ captions })}
            />
          </Setting>
          <CaptionLanguages film={film} onPut={set} />
          <Setting name="Narrator" note={"speaks all that nobody says"}>
            <Choice
              label="Narrator"
              value={film.narrator}
              options={voices}
              onChange={(narrator) => set({ narrator })}
            />
          </Setting>
          <Setting name="Language" note={"what the voices speak; the text stays as it is"}>
            <Choice
              label="Language"
              value={s.language || "text"}
              options={[
                [
                  "text",
                  s.language ? "as the text is" : `as the text is: ${languageNamed(film.language)}`,
                ],
                ...languagesOf(offered, "en"),
              ]}
              onChange={(to) => set({ language: to === "text" ? "" : to })}
            />
          </Setting>
          <Setting name="Loudness" note={"integrated, by EBU R 128"}>
            <Choice
              label="Loudness"
              value={String(s.loudness)}
              options={rules.loudness.map((l) => [String(l), LOUDNESS[l] ?? signed(l)] as const)}
              onChange={(to) => set({ loudness: Number(to) })}
            />
          </Setting>
          <Setting name="Music" note={musicOf(film)}>
            <Choice
              label="Music"
              value={s.music}
              options={worded(rules.music, MUSIC)}
              onChange={(music) => set({ music })}
            />
          </Setting>
          <Setting name="Joins" note={"shot by shot on the Sheet"}>
            <Choice
              label="Joins"
              value={s.joins}
              options={worded(rules.join_amounts, JOINS)}
              onChange={(joins) => set({ joins })}
            />
          </Setting>
          <Setting name="Dissolves" note={"between shots, from handles"}>
            <Choice
              label="Dissolves"
              value={String(s.dissolve)}
              options={[
                ["0", "straight cuts"],
                ["0.25", "a quarter second"],
                ["0.5", "half a second"],
                ["1", "a second"],
                ["3", "three seconds"],
              ]}
              onChange={(v) => set({ dissolve: Number(v) })}
            />
          </Setting>
          <Setting name="Movement" note={"shot by shot on the Bench"}>
            <Choice
              label="Movement"
              value={s.movement}
              options={worded(rules.movements, MOVEMENT)}
              onChange={(movement) => set({ movement })}
            />
          </Setting>
          <Setting name="Air" note={"rain, snow, mist, leaves, stars"}>
            <Choice
              label="Air"
              value={s.air}
              options={worded(rules.air_amounts, AIR)}
              onChange={(air) => set({ air })}
            />
          </Setting>
        </dl>
        {film.sources.length > 0 && (
          <section aria-label="Sources" className="border-t border-rule py-2">
            <h3 className="text-ink-2">Sources, in the report</h3>
            <ul>
              {film.sources.map((source) => (
                <li key={source.id} className="truncate" title={source.text}>
                  {source.text}
                </li>
              ))}
            </ul>
          </section>
        )}
        <div className="sticky -bottom-5 -mx-6 mt-3 border-t border-ink bg-page px-6 pb-5 pt-3">
          <GoingFiles film={film} runs={going} />
          <Button
            kind="ink"
            className="h-10 px-5"
            disabled={start.isPending}
            onClick={() => start.mutate(wish)}
          >
            {going.length ? "Make another file" : "Make the film"}
            <span className="font-mono font-normal opacity-75">{money(estimate?.cost ?? 0)}</span>
          </Button>
          <p className="mt-2 text-ink-2">
            {estimate?.items
              ? estimate.items === 1
                ? "One piece is missing and is made first. "
                : `${estimate.items} pieces are missing and are made first. `
              : "Everything is made; only what changed is rendered again. "}
          </p>
          {estimate && estimate.lacks.length > 0 && (
            <div className="mt-2 text-ink-2">
              <p>Lacking now: {estimate.lacks.join(", ")}.</p>
              <label className="mt-1 flex items-start gap-2">
                <input
                  type="checkbox"
                  className="mt-[3px] accent-ink"
                  checked={lacking === "stand in"}
                  onChange={(e) => setLacking(e.target.checked ? "stand in" : "stop")}
                />
                <span>
                  Go on with what stands in (paper pages, silence) where something cannot be made
                </span>
              </label>
            </div>
          )}
        </div>
        <HouseStyles film={film} />
      </section>
      <section aria-label="Deliveries" className="overflow-y-auto px-6 py-6">
        <ReportNow film={film} />
        <Understood film={film} />
        <CaptionsRead film={film} />
        <h2 className="mb-3 font-serif text-[20px] font-bold">Deliveries</h2>
        <p className="mb-3 text-ink-2">
          Go and do something else: the top line and your browser tell you when a file is ready, and
          so can{" "}
          <Link to="/services?view=told" className="underline underline-offset-2 hover:text-ink">
            an address of yours
          </Link>
          .
        </p>
        {runs.length === going.length && (
          <p className="text-ink-2">None yet. A delivery keeps its files and its report here.</p>
        )}
        {runs
          .filter((r) => !going.includes(r))
          .map((run) => (
            <Delivered key={run.id} film={film} run={run} />
          ))}
      </section>
    </div>
  );
}

interface Outcome {
  film?: string;
  form?: Form;
  bytes?: number;
  width?: number;
  height?: number;
  frames?: number;
  fps?: string;
  stood_in?: string[];
  /** Deliveries made before had no captions that tell a style. */
  ttml?: string;
  loudness?: { aim?: number; integrated_lufs: number; true_peak_dbtp: number };
  checks?: { what: string; asked: unknown; found: unknown; good: boolean }[];
  /** Captions in other languages. */
  also?: { language: string }[];
  /** Deliveries made before had no report on paper. */
  page?: string;
  figures?: Figure[];
}

function Delivered({ film, run }: { film: Film; run: Run }) {
  const o = run.outcome as Outcome;
  const when = new Date(run.created).toLocaleString([], {
    dateStyle: "medium",
    timeStyle: "short",
  });
  if (run.state !== "done" || !o.film)
    return (
      <article className="mb-4 border-b border-rule pb-3">
        <b className="font-semibold">{when}</b>{" "}
        <span className="text-ink-2">
          {run.state === "cancelled" ? run.message : `not made: ${run.message}`}
        </span>
      </article>
    );
  const checks: [string, string, string, boolean][] = [
    [
      "loudness",
      `${signed(o.loudness!.aim ?? -14)} ±0.5 LUFS`,
      `${o.loudness!.integrated_lufs.toFixed(1)} LUFS`,
      Math.abs(o.loudness!.integrated_lufs - (o.loudness!.aim ?? -14)) <= 0.5,
    ],
    [
      "true peak",
      "under −1 dBTP",
      `${o.loudness!.true_peak_dbtp.toFixed(1)} dBTP`,
      o.loudness!.true_peak_dbtp < -1,
    ],
    ...(o.checks ?? []).map(
      (c) =>
        [
          c.what,
          c.asked === true ? "yes" : String(c.asked),
          c.found === true ? "yes" : String(c.found),
          c.good,
        ] as [string, string, string, boolean],
    ),
  ];
  return (
    <article className="mb-6 overflow-hidden rounded-[5px] border border-rule-strong bg-page">
      <div className="flex items-center gap-4 border-b border-rule px-4 py-3">
        <div>
          <b className="font-semibold">
            {o.width} × {o.height}, {o.fps} a second, {PICTURE[o.form ?? "web"]}
          </b>
          <div className="text-ink-2">
            {when}, {((o.bytes ?? 0) / 1e6).toFixed(1)} MB
            {o.stood_in && o.stood_in.length > 0 && `; stood in: ${o.stood_in.join(", ")}`}
          </div>
        </div>
        <a
          href={`/api/runs/${run.id}/files/film.${o.film.split(".").at(-1)}`}
          download
          className="ml-auto inline-flex h-8 items-center gap-1.5 rounded-[5px] bg-ink px-3 font-medium text-on-ink hover:opacity-90"
        >
          <Download className="size-4" /> Download the film
        </a>
        {(
          [
            "srt",
            "vtt",
            ...(o.ttml ? (["ttml", "ass"] as const) : []),
            ...(o.also ?? []).flatMap(({ language }) => [`${language}.srt`, `${language}.vtt`]),
            "json",
            ...(o.page ? (["pdf"] as const) : []),
          ] as string[]
        ).map((kind) => (
          <a
            key={kind}
            href={`/api/runs/${run.id}/files/film.${kind}`}
            download
            className="underline decoration-rule-strong underline-offset-2 hover:decoration-ink"
          >
            {kind === "json" ? "report" : kind === "pdf" ? "on paper" : kind}
          </a>
        ))}
      </div>
      <div className="grid grid-cols-[minmax(200px,320px)_1fr]">
        <video
          controls
          preload="metadata"
          src={`/media/${o.film}`}
          className="aspect-video w-full bg-[#191613]"
          aria-label="The finished film"
        />
        <table className="w-full">
          <caption className="sr-only">Measured on the file</caption>
          <tbody>
            {checks.map(([what, asked, found, good]) => (
              <tr key={what} className="border-b border-rule last:border-b-0">
                <th className="px-4 py-[3px] text-left font-normal text-ink-2">{what}</th>
                <td className="font-mono text-[12px]">{found}</td>
                <td className="pr-4 text-right text-[12px] text-ink-2">
                  {good ? "as asked" : `asked ${asked}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {o.figures && (
        <div className="border-t border-rule px-4 py-2">
          <Figures film={film} figures={o.figures} />
        </div>
      )}
    </article>
  );
}
