/** The stretch that is marked, or this shot, as a picture that moves: for places that take no film. */
import * as Popover from "@radix-ui/react-popover";
import { useState } from "react";

import type { Film } from "../../api/client";
import { useRuns, useStart } from "../../api/film";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Check } from "../../parts/Field";
import { FileLink, filesOf } from "../../parts/TakenFiles";
import { timecode } from "../../parts/time";
import type { Stretch } from "./Watch";

const FORMS = [
  ["webp", "WebP, 25 a second"],
  ["gif", "GIF, 12.5 a second"],
] as const;
const SIZES = ["240p", "360p", "720p"] as const;
const LONGEST = 30;

export function MovingPicture({ film, stretch }: { film: Film; stretch: Stretch }) {
  const start = useStart(film.id);
  const runs = (useRuns(film.id).data ?? []).filter((r) => r.kind === "moving picture");
  const going = runs.find((r) => r.state === "going");
  const last = runs.find((r) => r.state === "done" && filesOf(r));
  const [form, setForm] = useState<"webp" | "gif">("webp");
  const [size, setSize] = useState<(typeof SIZES)[number]>("360p");
  const [captions, setCaptions] = useState(true);
  const seconds = ((stretch.to - stretch.from) * film.seconds) / film.frames;
  const wish = {
    kind: "moving picture",
    first: stretch.from,
    end: stretch.to,
    form,
    size,
    captions,
  } as const;
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button kind="quiet" className="px-2">
          {going ? `Drawing, ${Math.round(going.share * 100)} %` : "GIF …"}
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          sideOffset={6}
          aria-label="As a picture that moves"
          className="z-20 w-[320px] rounded-[5px] border border-rule-strong bg-page p-4 text-ink shadow-lg"
        >
          <p className="font-semibold">As a picture that moves</p>
          <p className="mb-3 mt-0.5 text-ink-2">
            {timecode(stretch.from, film.fps)} to {timecode(stretch.to, film.fps)},{" "}
            {seconds.toFixed(1)} s, without sound, over and over.
          </p>
          <div className="flex flex-wrap items-center gap-2">
            <Choice
              label="Kind of picture"
              value={form}
              options={FORMS}
              onChange={(f) => setForm(f as "webp" | "gif")}
            />
            <Choice
              label="Size of the picture"
              value={size}
              options={SIZES.map((s) => [s, s] as const)}
              onChange={(s) => setSize(s as (typeof SIZES)[number])}
            />
          </div>
          <div className="mt-2">
            <Check label="with captions" on={captions} onChange={setCaptions} />
          </div>
          <div className="mt-3 flex items-center gap-3">
            <Button
              kind="ink"
              disabled={start.isPending || !!going || seconds > LONGEST}
              onClick={() => start.mutate(wish)}
            >
              {going ? "Drawing …" : "Draw it"}
            </Button>
            {last && !going && <FileLink run={last} name={filesOf(last)![0]!.name} />}
          </div>
          {seconds > LONGEST && (
            <p className="mt-2 text-ink-2">
              At most {LONGEST} seconds: mark less, or keep the stretch as a cut and make a film of
              it.
            </p>
          )}
          {runs[0]?.state === "failed" && <p className="mt-2 text-grease-ink">{runs[0].message}</p>}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
