/** From an idea: ten titles, storylines to pick from, then a manuscript; each asked of the writer at its price. */
import { useState } from "react";

import { useOffers } from "../../api/film";
import { type ScriptWish, type Written, useWriting } from "../../api/script";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Area, NumberField } from "../../parts/Field";
import { money } from "../../parts/time";

type Structure = ScriptWish["structure"];
const STRUCTURES: readonly (readonly [Structure, string])[] = [
  ["hook", "hook, turn, trouble, discovery"],
  ["chapters", "chapters with sources"],
  ["comic", "short comic"],
  ["sleep", "slow sleep story"],
];
const STORIES = [
  ["story", "any kind"],
  ...["mystery", "adventure", "folk tale", "family story", "ghost story"].map(
    (k) => [k, k] as const,
  ),
] as const;
const TONES = ["plain", "warm", "tense", "funny", "calm", "dark"].map(
  (t) => [t, `${t} tone`] as const,
);
const LEVELS = [
  ["easy", "easy to read"],
  ["plain", "plain words"],
  ["rich", "rich words"],
] as const;
const VIEWS = [
  ["third", "told of them"],
  ["first", "told as I"],
] as const;

export function FromIdea({
  onWritten,
}: {
  onWritten: (written: Written, structure: Structure) => void;
}) {
  const writer = (useOffers().data ?? []).find((o) => o.kind === "script");
  const [wish, setWish] = useState<ScriptWish>({
    kind: "script",
    task: "titles",
    idea: "",
    points: [],
    story: "story",
    tone: "plain",
    view: "third",
    level: "plain",
    language: "en",
    minutes: 3,
    structure: "hook",
    title: "",
    plot: "",
    text: "",
    how: "tighten",
    instruction: "",
    seed: 0,
  });
  const [points, setPoints] = useState("");
  const [titles, setTitles] = useState<string[]>([]);
  const [lines, setLines] = useState<Written["storylines"]>([]);
  const set = (values: Partial<ScriptWish>) => setWish({ ...wish, ...values });
  const writing = useWriting((written, asked) => {
    if (asked.task === "titles") setTitles(written.titles);
    else if (asked.task === "storylines") setLines(written.storylines);
    else onWritten(written, asked.structure);
  });
  const ask = (task: ScriptWish["task"], more: Partial<ScriptWish> = {}) => {
    const next = { ...wish, ...more, points: points.split("\n").filter((p) => p.trim()) };
    setWish(next);
    writing.mutate({ ...next, task });
  };
  const ready = wish.idea.trim() !== "" && !writing.isPending;
  const price = writer ? money(Number(writer.price.amount)) : "";
  return (
    <form
      aria-label="From an idea"
      className="flex min-h-0 grow flex-col gap-2.5"
      onSubmit={(e) => {
        e.preventDefault();
        if (ready) ask("manuscript");
      }}
    >
      <label className="block">
        <span className="text-ink-2">Idea</span>
        <Area
          rows={2}
          className="mt-1 font-serif text-[15px]"
          placeholder="a lighthouse keeper who collects lost letters"
          value={wish.idea}
          onChange={(e) => set({ idea: e.target.value })}
        />
      </label>
      <label className="block">
        <span className="text-ink-2">Key points, one a line</span>
        <Area
          rows={2}
          className="mt-1"
          value={points}
          onChange={(e) => setPoints(e.target.value)}
        />
      </label>
      <div className="flex flex-wrap items-center gap-1.5">
        <Choice
          label="Structure"
          value={wish.structure}
          options={STRUCTURES}
          onChange={(v) => set({ structure: v as Structure })}
        />
        <span className="ml-1 text-ink-2">
          <NumberField
            label="Minutes"
            value={wish.minutes}
            onChange={(minutes) => set({ minutes })}
            min={0.25}
            max={120}
          />{" "}
          min
        </span>
        {wish.structure === "hook" && (
          <Choice
            label="Kind of story"
            value={wish.story}
            options={STORIES}
            onChange={(v) => set({ story: v })}
          />
        )}
        <Choice
          label="Tone"
          value={wish.tone}
          options={TONES}
          onChange={(v) => set({ tone: v as ScriptWish["tone"] })}
        />
        <Choice
          label="Reading level"
          value={wish.level}
          options={LEVELS}
          onChange={(v) => set({ level: v as ScriptWish["level"] })}
        />
        <Choice
          label="Point of view"
          value={wish.view}
          options={VIEWS}
          onChange={(v) => set({ view: v as ScriptWish["view"] })}
        />
      </div>
      <div className="flex items-center gap-2">
        <Button
          disabled={!ready}
          onClick={() => ask("titles", titles.length ? { seed: wish.seed + 1 } : {})}
        >
          {titles.length ? "Ten others" : "Ten titles"}
        </Button>
        <Button
          disabled={!ready}
          onClick={() => ask("storylines", lines.length ? { seed: wish.seed + 1 } : {})}
        >
          {lines.length ? "Other storylines" : "Storylines"}
        </Button>
        <span className="ml-auto font-mono text-[12px] text-ink-2">
          {writing.isPending ? "writing …" : price && `${price} each`}
        </span>
      </div>
      <div className="min-h-0 grow overflow-y-auto">
        {titles.length > 0 && (
          <ul aria-label="Titles" className="mb-2 flex flex-wrap gap-1">
            {titles.map((t) => (
              <li key={t}>
                <button
                  type="button"
                  aria-pressed={wish.title === t}
                  onClick={() => set({ title: wish.title === t ? "" : t })}
                  className={`rounded-[4px] border px-2 py-0.5 font-serif ${wish.title === t ? "border-ink bg-shade font-semibold" : "border-rule hover:border-rule-strong"}`}
                >
                  {t}
                </button>
              </li>
            ))}
          </ul>
        )}
        {lines.length > 0 && (
          <ul aria-label="Storylines" className="flex flex-col gap-1.5">
            {lines.map((line) => (
              <li key={line.plot}>
                <button
                  type="button"
                  aria-pressed={wish.plot === line.plot}
                  onClick={() => set({ plot: wish.plot === line.plot ? "" : line.plot })}
                  className={`block w-full rounded-[4px] border px-2.5 py-1.5 text-left ${wish.plot === line.plot ? "border-ink bg-shade" : "border-rule hover:border-rule-strong"}`}
                >
                  <b className="font-semibold">{line.title}</b>
                  <span className="block font-serif text-[13.5px] leading-snug text-ink-2">
                    {line.text}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        )}
      </div>
      <Button kind="ink" type="submit" disabled={!ready} className="h-10 shrink-0 justify-center">
        Write the manuscript
      </Button>
      <p className="text-[12px] text-ink-2">
        {writer?.simulated
          ? "The writer that ships with Cut Reel is a simulation; it writes by rule, in English. "
          : ""}
        You see the manuscript before it becomes a film.
      </p>
    </form>
  );
}
