/** Words that stand on the screen in a shot besides captions, in its row; and more of them. */
import * as Popover from "@radix-ui/react-popover";
import type { ReactElement } from "react";

import type { Film, Shot } from "../../api/client";
import { NewWords, WordsDesk } from "./WordsDesk";

export type Card = Shot["cards"][number];

export const SORTS: Record<Card["sort"], string> = {
  title: "Title",
  chapter: "Chapter",
  place: "Place",
  name: "Name",
  emphasis: "Stressed",
  words: "Words",
  mark: "Your mark",
  end: "End",
};

export function CardLine({ film, shot, card }: { film: Film; shot: Shot; card: Card }) {
  return (
    <InRow
      name={`${SORTS[card.sort]} on the screen`}
      head={
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
      }
    >
      <WordsDesk film={film} shot={shot} card={card} />
    </InRow>
  );
}

/** Lets the maker write more words into a shot. */
export function AddWords({ film, shot }: { film: Film; shot: Shot }) {
  return (
    <InRow
      name="Words for the screen"
      head={
        <button
          type="button"
          aria-label={`Add words on the screen to shot ${shot.edge}`}
          className="-mx-1 block min-h-6 rounded-[3px] px-1 text-left text-ink-2 hover:bg-shade hover:text-ink"
          onClick={(e) => e.stopPropagation()}
        >
          + words
        </button>
      }
    >
      <NewWords film={film} shot={shot} />
    </InRow>
  );
}

interface InRowProps {
  name: string;
  head: ReactElement;
  children: ReactElement;
}

const InRow = ({ name, head, children }: InRowProps) => (
  <Popover.Root>
    <Popover.Trigger asChild>{head}</Popover.Trigger>
    <Popover.Portal>
      <Popover.Content
        side="left"
        align="start"
        sideOffset={10}
        collisionPadding={8}
        aria-label={name}
        className="z-50 w-[348px] rounded-md border border-rule-strong bg-page p-3 shadow-sm"
        onClick={(e) => e.stopPropagation()}
        onKeyDown={(e) => e.stopPropagation()}
      >
        {children}
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
);
