/** Words that stand on the screen in a shot besides captions, in its row: written anew, taken away, or as planned. */
import * as Popover from "@radix-ui/react-popover";
import { useState } from "react";

import type { Film, Shot } from "../../api/client";
import { useChange } from "../../api/film";
import { Button } from "../../parts/Button";

type Card = Shot["cards"][number];
const SORTS: Record<Card["sort"], string> = {
  title: "Title",
  chapter: "Chapter",
  place: "Place",
  end: "End",
};

export function CardLine({ film, shot, card }: { film: Film; shot: Shot; card: Card }) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button
          type="button"
          aria-label={`${SORTS[card.sort]} on the screen: ${card.lines.join(", ")}`}
          title={card.why}
          className="-mx-1 mb-0.5 block min-h-6 w-full truncate rounded-[3px] px-1 text-left font-serif text-[13px] text-ink hover:bg-shade"
          onClick={(e) => e.stopPropagation()}
        >
          <i className="mr-1 inline-block size-2 rounded-[1px] bg-plum" />
          {card.lines[0]}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label={`${SORTS[card.sort]} on the screen`}
          className="z-50 w-[300px] rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onClick={(e) => e.stopPropagation()}
          onKeyDown={(e) => e.stopPropagation()}
        >
          <Desk film={film} shot={shot} card={card} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Desk({ film, shot, card }: { film: Film; shot: Shot; card: Card }) {
  const change = useChange(film.id);
  const [text, setText] = useState(card.lines.join("\n"));
  const put = (to: string | null) =>
    change.mutate({ type: "set card", sort: card.sort, shot: shot.id, text: to });
  const own = card.why === "written by hand";
  return (
    <>
      <p className="mb-2 text-[12.5px] text-ink-2">
        {SORTS[card.sort].toLowerCase()}, {own ? card.why : `planned: ${card.why}`}
      </p>
      <textarea
        aria-label="Words on the screen"
        value={text}
        rows={3}
        maxLength={400}
        className="w-full rounded-[3px] border border-rule-strong bg-field px-2 py-1 font-serif text-[15px]"
        onChange={(e) => setText(e.target.value)}
      />
      <p className="mt-2 flex flex-wrap gap-2">
        <Popover.Close asChild>
          <Button kind="ink" disabled={!text.trim()} onClick={() => put(text)}>
            Write it
          </Button>
        </Popover.Close>
        <Popover.Close asChild>
          <Button onClick={() => put("")}>Take it away</Button>
        </Popover.Close>
        {own && (
          <Popover.Close asChild>
            <Button onClick={() => put(null)}>As planned</Button>
          </Popover.Close>
        )}
      </p>
    </>
  );
}
