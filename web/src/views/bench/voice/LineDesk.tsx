/** One line: its direction, its words at their moments, its takings, each heard and used. */
import { Play, RotateCcw, Square } from "lucide-react";
import { useState } from "react";

import type { Film } from "../../../api/client";
import { useChange, useEstimate, useRules, useRuns, useStart } from "../../../api/film";
import { type LineSaid, useLineSaid, useVoices } from "../../../api/voices";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";
import { Field } from "../../../parts/Field";
import { money } from "../../../parts/time";
import { Marks } from "./Marks";
import { SoundsLike } from "./SoundsLike";
import { Wave } from "./Wave";
import { OwnVoice } from "./OwnVoice";
import { useHearing } from "./hearing";
import { lineOf } from "./voices";

interface Props {
  film: Film;
  line: number;
  chosen: boolean;
  onChoose: () => void;
}

export function LineDesk({ film, line, chosen, onChoose }: Props) {
  const said = useLineSaid(film, line).data;
  const voices = useVoices(film);
  if (!said) return <p className="text-ink-2">reading the line …</p>;
  const voice = voices.find((v) => v.name === said.voice);
  return (
    <article
      aria-label={`Line of ${said.speaker ?? "the narrator"}: ${said.words[0]?.text ?? ""}`}
      className={`border-l-2 pl-3 ${chosen ? "border-ink" : "border-rule"}`}
      onFocusCapture={onChoose}
      onPointerDown={onChoose}
    >
      <h3 className="flex items-baseline gap-2">
        <span className="font-serif text-[17px] font-semibold">{said.speaker ?? "Narrator"}</span>
        <span className="truncate text-ink-2">{voice?.title ?? "a voice of their own"}</span>
        <Where film={film} said={said} />
      </h3>
      <Directing key={`${said.own}${said.told}`} film={film} said={said} />
      <Takings film={film} line={line} said={said} />
    </article>
  );
}

/** In which room it is heard: as the words or the place tell, or as the maker says. */
function Where({ film, said }: { film: Film; said: LineSaid }) {
  const change = useChange(film.id);
  const rooms = useRules().rooms;
  return (
    <span className="ml-auto" title={said.room_why}>
      <Choice
        quiet
        label="Where it is heard"
        value={said.room_own ?? "-"}
        options={[
          ["-", said.room_own ? "as told" : said.room],
          ...rooms.map((r): [string, string] => [r, r]),
        ]}
        onChange={(room) =>
          change.mutate({
            type: "set line",
            line: { ...lineOf(said), room: room === "-" ? null : (room as LineSaid["room"]) },
          })
        }
      />
    </span>
  );
}

function Directing({ film, said }: { film: Film; said: LineSaid }) {
  const change = useChange(film.id);
  const [text, setText] = useState(said.own ?? said.told);
  const put = (direction: string | null) =>
    change.mutate({
      type: "set line",
      line: { ...lineOf(said), direction },
    });
  const settle = () => {
    const now = text.trim();
    if (now !== (said.own ?? said.told)) put(now === said.told ? null : now);
  };
  return (
    <p className="mt-1 flex items-center gap-2">
      <Field
        aria-label="How it is said"
        value={text}
        maxLength={200}
        placeholder="how it is said: almost a whisper, slowly"
        className="!w-[340px] !font-serif italic"
        onChange={(e) => setText(e.target.value)}
        onBlur={settle}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === "Enter") settle();
        }}
      />
      <span className="min-w-0 truncate text-[12.5px] text-ink-2" title={said.why}>
        {said.own !== null ? (
          <button type="button" className="underline" onClick={() => put(null)}>
            as the text tells{said.told ? `: ${said.told}` : ""}
          </button>
        ) : said.told ? (
          `from “${said.why}”`
        ) : (
          said.standing && `and always: ${said.standing}`
        )}
      </span>
    </p>
  );
}

function Takings({ film, line, said }: { film: Film; line: number; said: LineSaid }) {
  const change = useChange(film.id);
  const start = useStart(film.id);
  const going = (useRuns(film.id).data ?? []).some((r) => r.state === "going");
  const used = said.takes.find((t) => t.seed === said.seed);
  const missing = !used?.media;
  const wish = { kind: "speech" as const, lines: [line] };
  const told = useEstimate(film.id, wish, film.revision, missing).data;
  const [word, setWord] = useState<number | null>(null);
  const { hear, stop, playing, now } = useHearing();
  const put = (seed: number, takes = said.takes.length, then?: () => void) =>
    change.mutate(
      { type: "set line", line: { ...lineOf(said), seed, takes } },
      { onSuccess: then },
    );
  const unused = used?.unused ?? [];
  const marked = said.words.find((w) => w.number === word);
  return (
    <>
      {said.takes.map((take) => (
        <div key={take.seed} className="mt-1.5 flex items-start gap-2">
          <button
            type="button"
            aria-label={`Use taking ${take.seed + 1}`}
            aria-pressed={take.seed === said.seed}
            title={take.seed === said.seed ? "this one is used" : "use this one"}
            className={`mt-2 flex size-6 shrink-0 items-center justify-center rounded-full font-mono text-[12px] ${take.seed === said.seed ? "border-2 border-grease font-semibold" : "border border-rule-strong text-ink-2"}`}
            onClick={() => put(take.seed)}
          >
            {take.seed + 1}
          </button>
          <div className="min-w-0 grow">
            {take.media ? (
              <Wave
                take={take}
                words={take.seed === said.seed && !said.anew ? said.words : []}
                cuts={take.seed === said.seed && !said.anew ? said.cuts : []}
                now={playing === take.media ? now : null}
                chosen={word}
                onWord={(w) => {
                  setWord(w.number);
                  hear(take.media!, w.start ?? 0);
                }}
              />
            ) : (
              <p className="py-2 font-serif text-ink-2">
                {said.words.map((w) => w.text).join(" ")}
              </p>
            )}
          </div>
          <span className="mt-2 w-[44px] shrink-0 text-right font-mono text-[12px] text-ink-2">
            {take.seconds !== null && `${take.seconds.toFixed(1)} s`}
          </span>
          <Button
            kind="quiet"
            className="mt-1 !px-2"
            disabled={!take.media}
            aria-label={playing && playing === take.media ? "Stop" : `Hear taking ${take.seed + 1}`}
            onClick={() => (playing && playing === take.media ? stop() : hear(take.media!, 0))}
          >
            {playing && playing === take.media ? (
              <Square className="size-4" />
            ) : (
              <Play className="size-4" />
            )}
          </Button>
        </div>
      ))}
      <p className="mt-1 flex flex-wrap items-center gap-2">
        {missing ? (
          <Button
            kind="ink"
            disabled={going}
            onClick={() => start.mutate(wish)}
            title={said.anew ? "It is heard as it was said before" : undefined}
          >
            {going ? "speaking …" : said.anew ? "Say it so" : "Speak it"}
            {told && !going && (
              <span className="font-mono font-normal opacity-75">{money(told.cost)}</span>
            )}
          </Button>
        ) : (
          !said.recorded && (
            <Button
              disabled={going || said.takes.length >= 4}
              onClick={() =>
                put(said.takes.length, said.takes.length + 1, () => start.mutate(wish))
              }
            >
              <RotateCcw className="size-4" /> Say it again
            </Button>
          )
        )}
        <OwnVoice film={film} said={said} />
        {unused.length > 0 && (
          <span className="text-[12.5px] text-grease-ink">
            the voice had no use for: {unused.join(", ")}
          </span>
        )}
      </p>
      {word !== null && (
        <SoundsLike
          key={word}
          film={film}
          word={said.words.find((w) => w.number === word) ?? null}
          onDone={() => setWord(null)}
        />
      )}
      {marked && !said.recorded && <Marks film={film} mark={marked.mark} />}
    </>
  );
}
