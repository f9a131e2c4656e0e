/** Chooses shots by words, opened at the head of the edge column: "wide shots without movement". */
import * as Popover from "@radix-ui/react-popover";
import { type ReactNode, useDeferredValue, useState } from "react";

import { useChosenBy } from "../../api/chosen";
import type { Film } from "../../api/client";
import { Button } from "../../parts/Button";
import { choose, chosen } from "../../state/chosen";

const SUCH_AS = [
  "wide shots without movement",
  "stale",
  "without a picture",
  "close-ups at night",
  "longer than 8 seconds",
];

export const shotsInWords = (count: number) => `${count} ${count === 1 ? "shot" : "shots"}`;

export function ChooseDesk({ film, children }: { film: Film; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label="Choose shots by words"
        className="-ml-1 min-h-6 rounded-[3px] px-1 underline decoration-dotted underline-offset-4 hover:bg-shade"
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Choose shots"
          className="z-50 w-[348px] rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onKeyDown={(e) => e.stopPropagation()}
        >
          <Desk film={film} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Desk({ film }: { film: Film }) {
  const [words, setWords] = useState("");
  const asked = useDeferredValue(words);
  const found = useChosenBy(film, asked);
  const shown = words.trim() ? found : undefined;
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        if (shown?.shots.length) choose(shown.shots);
      }}
    >
      <input
        autoFocus
        value={words}
        maxLength={300}
        aria-label="Which shots"
        placeholder="Which shots? In your own words"
        className="h-8 w-full rounded-[3px] border border-rule-strong bg-field px-2"
        onChange={(e) => setWords(e.target.value)}
      />
      <p role="status" className="mt-2 min-h-[36px] text-[12.5px] text-ink-2">
        {shown ? (
          <>
            <b className="font-medium text-ink">{shotsInWords(shown.shots.length)}</b>
            {shown.told.length > 0 && `: ${shown.told.join(", ")}`}
            {shown.unknown.length > 0 && (
              <span className="text-grease-ink"> Not understood: {shown.unknown.join(", ")}.</span>
            )}
          </>
        ) : (
          "By framing, move, length, hour, weather, people, places, joins, or what is missing. Ctrl and a click choose one by one."
        )}
      </p>
      <p className="flex flex-wrap gap-x-3">
        {SUCH_AS.map((such) => (
          <button
            key={such}
            type="button"
            className="min-h-6 text-[12.5px] text-ink-2 underline decoration-dotted underline-offset-4 hover:text-ink"
            onClick={() => setWords(such)}
          >
            {such}
          </button>
        ))}
      </p>
      <p className="mt-2.5 flex gap-2">
        <Popover.Close asChild>
          <Button
            kind="ink"
            disabled={!shown?.shots.length}
            onClick={() => shown && choose(shown.shots)}
          >
            Choose {shown?.shots.length ? shotsInWords(shown.shots.length) : "them"}
          </Button>
        </Popover.Close>
        <Popover.Close asChild>
          <Button
            disabled={!shown?.shots.length}
            onClick={() => shown && choose([...chosen.get(), ...shown.shots])}
          >
            Add them
          </Button>
        </Popover.Close>
      </p>
    </form>
  );
}
