/** One line: its direction, its words at their moments, its takings, each heard and used. */
import { RotateCcw } from "lucide-react";
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
import { Takings } from "./Takings";
import { OwnVoice } from "./OwnVoice";
import { useHearing } from "../../../parts/hearing";
import { usePassage } from "./passage";
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
        <span className="ml-auto flex gap-2">
          <Begins film={film} said={said} />
          <Where film={film} said={said} />
        </span>
      </h3>
      <Directing key={`${said.own}${said.told}`} film={film} said={said} />
      <Said film={film} line={line} said={said} chosen={chosen} />
    </article>
  );
}

/** Seconds before the end of the line before, as they are chosen. */
const BEGINS: [string, string][] = [
  ["0", "after the line before"],
  ["0.25", "over its end"],
  ["0.7", "well before it ends"],
];

/** Whether it waits until the line before has ended: as the text tells, or as the maker says. */
function Begins({ film, said }: { film: Film; said: LineSaid }) {
  const change = useChange(film.id);
  if (said.line === 0 || said.words[0]?.number !== said.word) return null;
  const now = BEGINS.find(([over]) => Number(over) >= said.over) ?? BEGINS[2]!;
  return (
    <Choice
      quiet
      label="When it begins"
      value={said.over_own === null ? "-" : now[0]}
      options={[["-", said.over_own === null ? now[1] : "as told"], ...BEGINS]}
      onChange={(over) =>
        change.mutate({
          type: "set line",
          line: { ...lineOf(said), over: over === "-" ? null : Number(over) },
        })
      }
    />
  );
}

/** In which room it is heard: as the words or the place tell, or as the maker says. */
function Where({ film, said }: { film: Film; said: LineSaid }) {
  const change = useChange(film.id);
  const rooms = useRules().rooms;
  return (
    <span title={said.room_why}>
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

interface SaidProps {
  film: Film;
  line: number;
  said: LineSaid;
  chosen: boolean;
}

function Said({ film, line, said, chosen }: SaidProps) {
  const change = useChange(film.id);
  const start = useStart(film.id);
  const going = (useRuns(film.id).data ?? []).some((r) => r.state === "going");
  const used = said.takes.find((t) => t.seed === said.seed);
  const missing = !used?.media || said.anew;
  const wish = { kind: "speech" as const, lines: [line] };
  const told = useEstimate(film.id, wish, film.revision, missing).data;
  const hearing = useHearing();
  const { passage, choose, leave } = usePassage(said.words.map((w) => w.number));
  const again = () =>
    change.mutate(
      {
        type: "set line",
        line: { ...lineOf(said), seed: said.takes.length, takes: said.takes.length + 1 },
      },
      { onSuccess: () => start.mutate(wish) },
    );
  const unused = used?.unused ?? [];
  const marked = said.words.filter((w) => passage.has(w.number));
  return (
    <>
      <Takings
        film={film}
        said={said}
        chosen={passage}
        keyed={chosen}
        hearing={hearing}
        // What is said in another language is heard word by word; marks hold to the manuscript's words.
        onWord={said.translated ? () => {} : choose}
      />
      <p className="mt-1 flex flex-wrap items-center gap-2">
        {missing ? (
          <Button kind="ink" disabled={going} onClick={() => start.mutate(wish)}>
            {going ? "speaking …" : said.anew ? "Say it so" : "Speak it"}
            {told && !going && (
              <span className="font-mono font-normal opacity-75">{money(told.cost)}</span>
            )}
          </Button>
        ) : (
          !said.recorded && (
            <Button disabled={going || said.takes.length >= MOST_TAKINGS} onClick={again}>
              <RotateCcw className="size-4" /> Say it again
            </Button>
          )
        )}
        <OwnVoice film={film} said={said} keyed={chosen} />
        {unused.length > 0 && (
          <span className="text-[12.5px] text-grease-ink">
            the voice had no use for: {unused.join(", ")}
          </span>
        )}
      </p>
      {marked.length === 1 && (
        <SoundsLike key={marked[0]!.number} film={film} word={marked[0]!} onDone={leave} />
      )}
      {marked.length > 0 && !said.recorded && (
        <Marks film={film} marks={marked.map((w) => w.mark)} />
      )}
    </>
  );
}

const MOST_TAKINGS = 4;
