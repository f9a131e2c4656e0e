/** A text for publishing by the writer: what it proposes is seen beside what is there, and taken or left. */
import { useState } from "react";

import type { Film } from "../../api/client";
import { useWrittenTexts } from "../../api/publishing";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { money } from "../../parts/time";

const WAYS = [
  ["ask", "by the writer"],
  ["vivid", "more vivid"],
  ["tighten", "tighter"],
  ["simpler", "simpler"],
  ["tense", "more tense"],
  ["opening", "a stronger opening"],
] as const;
type Way = Exclude<(typeof WAYS)[number][0], "ask">;

interface Props {
  film: Film;
  field: "title" | "description";
  onTake: (text: string) => void;
}

export function ByWriter({ film, field, onTake }: Props) {
  const written = useWrittenTexts(film);
  const [seed, setSeed] = useState(0);
  const ask = (how: Way) => {
    written.mutate({ field, how, seed });
    setSeed(seed + 1);
  };
  const found = written.data;
  return (
    <>
      {field === "title" ? (
        <Button kind="quiet" disabled={written.isPending} onClick={() => ask("vivid")}>
          {written.isPending ? "asking …" : found ? "ten others" : "by the writer"}
        </Button>
      ) : (
        <Choice
          quiet
          label="The description’s opening by the writer"
          value="ask"
          options={WAYS}
          onChange={(how) => how !== "ask" && ask(how as Way)}
        />
      )}
      {found && !written.isPending && (
        <div
          role="group"
          aria-label={`The ${field} by the writer`}
          className="order-last basis-full pb-1"
        >
          <ul className="border-l-2 border-rule-strong pl-3">
            {found.texts.map((text) => (
              <li key={text} className="flex items-baseline gap-3 py-0.5">
                <span className="line-clamp-4 whitespace-pre-line font-serif text-[14px] leading-snug text-ink">
                  {field === "title" ? text : text.split("\n\n")[0]}
                </span>
                <Button
                  kind="quiet"
                  className="ml-auto"
                  onClick={() => {
                    onTake(text);
                    written.reset();
                  }}
                >
                  Take it
                </Button>
              </li>
            ))}
          </ul>
          <p className="flex items-center gap-3 text-[12px]">
            <span>
              {found.cost > 0 && `${money(found.cost)} spent. `}
              {found.unused.length > 0 && `Not understood: ${found.unused.join(", ")}.`}
            </span>
            <Button kind="quiet" onClick={() => written.reset()}>
              Leave it
            </Button>
          </p>
        </div>
      )}
    </>
  );
}
