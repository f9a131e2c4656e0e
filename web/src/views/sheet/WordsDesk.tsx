/** One of the words on the screen: written, placed on the picture by hand or key, in a look of its own, before or behind
 * figures, from a word of the voice on. */
import * as Popover from "@radix-ui/react-popover";
import { useState } from "react";

import type { Film, Schemas, Shot } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import { useWordsRead } from "../../api/words";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { DeskRow as Row } from "../../parts/DeskRow";
import { Steps } from "../../parts/Steps";
import { type Card, SORTS } from "./CardLine";
import { PlacedOn } from "./PlacedOn";

type How = Schemas["CardHow"];

const KEEPS: Record<string, string> = {
  frame: "to the frame",
  picture: "to the picture, as the camera moves",
  behind: "behind the figures",
};
const LONGEST = 60;
const SHORTEST = 0.6;

export function WordsDesk({ film, shot, card }: { film: Film; shot: Shot; card: Card }) {
  const change = useChange(film.id);
  const rules = useRules();
  const [text, setText] = useState(card.lines.join("\n"));
  const own = card.why === "written by hand";
  const put = (values: Partial<Schemas["SetCard"]>) =>
    change.mutate({
      type: "set card",
      sort: card.sort,
      shot: shot.id,
      number: card.number,
      text: own ? card.lines.join("\n") : null,
      word: card.word,
      seconds: card.seconds,
      ...values,
    });
  const how = (values: Partial<How>) => put({ how: { ...card.how, ...values } });
  const lasts = card.seconds ?? card.end - card.start;
  return (
    <>
      <p className="mb-2 text-[12.5px] text-ink-2">
        {SORTS[card.sort].toLowerCase()}, {own ? card.why : `planned: ${card.why}`}
      </p>
      <PlacedOn film={film} shot={shot} card={card} onPut={(at) => how({ at })} />
      <textarea
        aria-label="Words on the screen"
        value={text}
        rows={2}
        maxLength={400}
        className="w-full rounded-[3px] border border-rule-strong bg-field px-2 py-1 font-serif text-[15px]"
        onChange={(e) => setText(e.target.value)}
      />
      <dl className="mt-1.5 grid grid-cols-[64px_1fr] items-center gap-y-1">
        <Row name="Look">
          <Choice
            quiet
            label="Look of these words"
            value={card.how.look || "film"}
            options={[["film", "as the film has it"], ...worded(Object.keys(rules.title_looks))]}
            onChange={(look) => how({ look: look === "film" ? "" : look })}
          />
        </Row>
        <Row name="Size">
          <Steps
            name="size of these words"
            value={card.how.size}
            step={0.1}
            least={0.4}
            most={3}
            says={(size) => `${Math.round(size * 100)} %`}
            onPut={(size) => how({ size: Number(size.toFixed(2)) })}
          />
        </Row>
        <Row name="Keep">
          <Choice
            quiet
            label="What these words keep to"
            value={card.how.keeps}
            options={worded(rules.words_keep, KEEPS)}
            onChange={(keeps) => how({ keeps: keeps as How["keeps"] })}
          />
        </Row>
        {card.sort === "words" && (
          <>
            <Row name="Begin">
              <Choice
                quiet
                label="Where these words begin"
                value={String(card.word ?? "shot")}
                options={[["shot", "with the shot"], ...wordsOf(film, shot)]}
                onChange={(at) => put({ word: at === "shot" ? null : Number(at) })}
              />
            </Row>
            <Row name="Stay">
              <Steps
                name="how long these words stay"
                value={lasts}
                step={0.2}
                least={SHORTEST}
                most={LONGEST}
                says={(seconds) => `${seconds.toFixed(1)} s`}
                onPut={(seconds) => put({ seconds: Number(seconds.toFixed(1)) })}
              />
            </Row>
          </>
        )}
      </dl>
      <Read film={film} shot={shot} card={card} onSheet={() => how({ sheet: true })} />
      <p className="mt-2 flex flex-wrap gap-2">
        <Popover.Close asChild>
          <Button kind="ink" disabled={!text.trim()} onClick={() => put({ text, how: card.how })}>
            Write it
          </Button>
        </Popover.Close>
        <Popover.Close asChild>
          <Button onClick={() => put({ text: "" })}>Take it away</Button>
        </Popover.Close>
        {!card.number && (own || changed(card.how)) && (
          <Popover.Close asChild>
            <Button onClick={() => put({ text: null, how: USUAL })}>As planned</Button>
          </Popover.Close>
        )}
      </p>
    </>
  );
}

/** How well words can be read where they stand, with what helps. */
function Read({
  film,
  shot,
  card,
  onSheet,
}: {
  film: Film;
  shot: Shot;
  card: Card;
  onSheet: () => void;
}) {
  const read = useWordsRead(film, shot);
  const contrast = read?.contrasts[shot.cards.indexOf(card)];
  if (card.how.keeps === "behind" && read && !read.layered)
    return (
      <p role="status" className="mt-2 text-[12.5px] text-grease-ink">
        This picture has no layers: words stand before it.
      </p>
    );
  if (!read || contrast == null) return null;
  const good = contrast >= read.needed;
  return (
    <p role="status" className={`mt-2 text-[12.5px] ${good ? "text-ink-2" : "text-grease-ink"}`}>
      {good ? "Well read" : "Hard to read"}: contrast {contrast.toFixed(1)}
      {good ? "" : `, large letters need ${read.needed.toFixed(0)}`}
      {!good && !card.how.sheet && (
        <Button className="ml-2" onClick={onSheet}>
          On a sheet
        </Button>
      )}
    </p>
  );
}

/** Words that are not there yet. */
export function NewWords({ film, shot }: { film: Film; shot: Shot }) {
  const change = useChange(film.id);
  const [text, setText] = useState("");
  return (
    <>
      <textarea
        aria-label="New words on the screen"
        value={text}
        rows={2}
        maxLength={400}
        placeholder="What shall stand there?"
        className="w-full rounded-[3px] border border-rule-strong bg-field px-2 py-1 font-serif text-[15px]"
        onChange={(e) => setText(e.target.value)}
      />
      <p className="mt-2 flex items-center gap-3">
        <Popover.Close asChild>
          <Button
            kind="ink"
            disabled={!text.trim()}
            onClick={() =>
              change.mutate({ type: "set card", sort: "words", shot: shot.id, number: 0, text })
            }
          >
            Write it
          </Button>
        </Popover.Close>
        <span className="text-[12.5px] text-ink-2">Then it is placed on the picture.</span>
      </p>
    </>
  );
}

const USUAL: How = { look: "", size: 1, at: null, keeps: "frame", sheet: false };

const changed = (how: How) =>
  how.look !== "" || how.size !== 1 || how.at != null || how.keeps !== "frame" || how.sheet;

/** The words of a shot, by their numbers. */
const wordsOf = (film: Film, shot: Shot): (readonly [string, string])[] =>
  film.words
    .slice(shot.first, shot.end)
    .map(([start, end, id]) => [String(id), film.text.slice(start, end)] as const);
