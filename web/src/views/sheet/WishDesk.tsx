/** Say it for the whole film: a wish in plain words becomes a list of changes, each looked at before any is made. */
import * as Popover from "@radix-ui/react-popover";
import { useState } from "react";
import { useNavigate } from "react-router";

import type { Command, Film } from "../../api/client";
import { useChange, useImpact, useOffers } from "../../api/film";
import { type Understood, useMakeInCut, useWish } from "../../api/wishes";
import { Button } from "../../parts/Button";
import { inWords, money } from "../../parts/time";

const LIKE = "quicker in the beginning, captions larger and yellow, no effects in the night scenes";

export function WishDesk({ film }: { film: Film }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="-mr-1 ml-auto min-h-6 rounded-[3px] px-1 underline decoration-dotted underline-offset-4 hover:bg-shade">
        Say a change
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Say it for the whole film"
          className="z-50 max-h-[var(--radix-popover-content-available-height)] w-[440px] overflow-y-auto rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onKeyDown={(e) => e.stopPropagation()}
        >
          <Desk film={film} onDone={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Desk({ film, onDone }: { film: Film; onDone: () => void }) {
  const [words, setWords] = useState("");
  const wish = useWish(film.id);
  const found = wish.data;
  const writer = useOffers().data?.find((o) => o.kind === "script");
  return (
    <>
      <form
        className="flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (words.trim()) wish.mutate({ words, by: "rules" });
        }}
      >
        <textarea
          aria-label="What is to be otherwise"
          placeholder={LIKE}
          value={words}
          rows={3}
          maxLength={1000}
          className="min-w-0 grow rounded-[5px] border border-rule-strong bg-field px-2 py-1 font-serif text-[14.5px] leading-snug placeholder:text-ink-3"
          onChange={(e) => setWords(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== "Enter" || e.shiftKey) return;
            e.preventDefault();
            e.currentTarget.form?.requestSubmit();
          }}
        />
        <span className="flex flex-col gap-1.5">
          <Button type="submit" disabled={!words.trim() || wish.isPending}>
            Look
          </Button>
          {writer && (
            <Button
              disabled={!words.trim() || wish.isPending}
              title={`${writer.title} reads the wish and the film’s shots; ${money(Number(writer.price.amount))} once`}
              onClick={() => wish.mutate({ words, by: "writer" })}
            >
              Ask a writer
            </Button>
          )}
        </span>
      </form>
      {wish.isPending && <p className="mt-2 text-ink-2">reading the wish …</p>}
      {/* Another answer is another list: nothing is crossed out in it yet. */}
      {found && !wish.isPending && (
        <Answer
          key={wish.submittedAt}
          film={film}
          found={found}
          words={wish.variables.words}
          onDone={onDone}
        />
      )}
    </>
  );
}

interface AnswerProps {
  film: Film;
  found: Understood;
  words: string;
  onDone: () => void;
}

function Answer({ film, found, words, onDone }: AnswerProps) {
  const change = useChange(film.id);
  const inCut = useMakeInCut(film.id);
  const go = useNavigate();
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const taken = found.proposals.filter((_, n) => !left.has(n));
  const turn = (n: number) =>
    setLeft((before) => {
      const next = new Set(before);
      if (!next.delete(n)) next.add(n);
      return next;
    });
  return (
    <>
      <ul aria-label="Changes that this comes to" className="mt-2">
        {found.proposals.map(({ command, says, why }, n) => (
          <li key={says} className="border-t border-rule py-1.5">
            <label className="flex items-start gap-2">
              <input
                type="checkbox"
                className="mt-1"
                checked={!left.has(n)}
                onChange={() => turn(n)}
              />
              <span className="min-w-0">
                {says}
                <span className="block text-[12px] text-ink-2">
                  {why} <Cost film={film} command={command} />
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      {found.unclear.length > 0 && (
        <p className="border-t border-rule py-1.5 text-[12.5px] text-grease-ink">
          Not understood, or so already: {found.unclear.map((u) => `“${u}”`).join(", ")}
        </p>
      )}
      {found.proposals.length > 0 && (
        <p className="mt-1 flex items-center gap-3">
          <Button
            kind="ink"
            disabled={!taken.length}
            onClick={() => {
              for (const { command } of taken) change.mutate(command);
              onDone();
            }}
          >
            {taken.length === found.proposals.length ? "Make them all" : `Make ${taken.length}`}
          </Button>
          <Button
            disabled={!taken.length || inCut.isPending}
            title="beside the film as it is, to be played in step with it"
            onClick={() =>
              inCut.mutate(
                { name: nameOf(words), commands: taken.map((p) => p.command) },
                { onSuccess: (cut) => void go(`/film/${cut.film}/sheet`) },
              )
            }
          >
            In a cut of its own
          </Button>
          <span className="text-[12px] text-ink-2">each is undone by itself</span>
        </p>
      )}
    </>
  );
}

/** What a cut is called that comes of a wish. */
const nameOf = (words: string) => {
  const told = words.trim().replace(/\s+/g, " ");
  return told.length > 44 ? `${told.slice(0, 43)}…` : told;
};

/** What would become stale by a change, and what making it again would cost. */
function Cost({ film, command }: { film: Film; command: Command }) {
  const impact = useImpact(film.id, command, film.revision).data;
  if (!impact) return null;
  if (!impact.stale) return <>nothing becomes stale</>;
  return (
    <>
      {impact.stale} {impact.stale === 1 ? "picture becomes" : "pictures become"} stale, again{" "}
      {money(impact.cost)} and about {inWords(impact.seconds)}
    </>
  );
}
