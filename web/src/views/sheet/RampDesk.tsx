/** Shots that get quicker or slower: a stretch of the film is cut again from one length to another. */
import * as Popover from "@radix-ui/react-popover";
import { useState } from "react";

import type { Film, Shot } from "../../api/client";
import { useChange } from "../../api/film";
import { Button } from "../../parts/Button";
import { DeskRow as Row } from "../../parts/DeskRow";
import { Steps } from "../../parts/Steps";
import { rateOf } from "../../parts/time";

interface Props {
  film: Film;
  shots: readonly Shot[];
}

export function RampDesk({ film, shots }: Props) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button>Cut again …</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={6}
          collisionPadding={8}
          aria-label="Cut the chosen shots again"
          className="z-50 w-[310px] rounded-md border border-rule-strong bg-page p-3 shadow-sm"
          onKeyDown={(e) => e.stopPropagation()}
        >
          <Desk film={film} shots={shots} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const half = (seconds: number) => Math.max(1, Math.round(seconds * 2) / 2);
const says = (seconds: number) => `${seconds.toFixed(1)} s a shot`;

function Desk({ film, shots }: Props) {
  const change = useChange(film.id);
  const rate = rateOf(film.fps);
  const at = shots.map((s) => film.shots.indexOf(s));
  const stretch = film.shots.slice(Math.min(...at), Math.max(...at) + 1);
  const whole = (stretch.at(-1)!.stop - stretch[0]!.start) / rate;
  const mean = half(whole / stretch.length);
  const [first, setFirst] = useState(mean);
  const [last, setLast] = useState(mean);
  const ends = [
    ["At first", "first", first, setFirst],
    ["At last", "last", last, setLast],
  ] as const;
  return (
    <>
      <p className="mb-2 text-ink-2">
        From shot {stretch[0]!.edge} to {stretch.at(-1)!.edge}: {whole.toFixed(0)} s in{" "}
        {stretch.length} {stretch.length === 1 ? "shot" : "shots"}. Marks that you set stay.
      </p>
      <dl className="grid grid-cols-[84px_1fr] items-center gap-y-1">
        {ends.map(([name, which, value, onPut]) => (
          <Row key={name} name={name}>
            <Steps
              name={`length of the ${which} shots`}
              value={value}
              step={0.5}
              least={1}
              most={120}
              says={says}
              onPut={onPut}
            />
          </Row>
        ))}
      </dl>
      <p className="mt-3 flex justify-end">
        <Popover.Close asChild>
          <Button
            onClick={() =>
              change.mutate({
                type: "cut ramp",
                shots: stretch.map((s) => s.id),
                first,
                last,
                keep_hand: true,
              })
            }
          >
            Cut them again
          </Button>
        </Popover.Close>
      </p>
    </>
  );
}
