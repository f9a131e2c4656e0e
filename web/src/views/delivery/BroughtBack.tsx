/** Pictures that were brought, looked over before any is placed: which shot each is for. */
import * as Dialog from "@radix-ui/react-dialog";
import { useState } from "react";

import type { Film } from "../../api/client";
import { type Brought, usePlace } from "../../api/prompts";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { notify } from "../../state/notices";

export function BroughtBack({
  film,
  found,
  onDone,
}: {
  film: Film;
  found: Brought[];
  onDone: () => void;
}) {
  const place = usePlace(film.id);
  const [shots, setShots] = useState<(number | null)[]>(() => {
    const taken = new Set<number>();
    return found.map((f) => {
      if (f.shot === null || taken.has(f.shot)) return null;
      taken.add(f.shot);
      return f.shot;
    });
  });
  const options = [
    ["none", "nowhere"] as const,
    ...film.shots.map((s) => [String(s.id), `shot ${s.edge}`] as const),
  ];
  const wanted = found.flatMap((f, i) =>
    shots[i] !== null && !f.problem
      ? [{ shot: shots[i]!, media: f.media, thumb: f.thumb, name: f.name, clip: f.clip }]
      : [],
  );
  const twice = new Set(wanted.map((w) => w.shot)).size < wanted.length;
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onDone()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[#27232066]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-1/2 z-50 flex max-h-[88vh] w-[860px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col rounded-md border border-rule-strong bg-page p-6"
        >
          <Dialog.Title className="font-serif text-[20px] font-bold">
            {counted(found)} brought back
          </Dialog.Title>
          <p className="mb-3 text-ink-2">
            Look them over; nothing is placed yet. A placed picture is circled, the takes it stands
            beside are kept.
          </p>
          <ul
            aria-label="Pictures brought back"
            className="grid min-h-0 grow grid-cols-4 gap-3 overflow-y-auto pr-1"
          >
            {found.map((f, i) => {
              const shot = film.shots.find((s) => s.id === shots[i]);
              return (
                <li key={`${f.name} ${i}`} className="flex flex-col gap-0.5">
                  {f.thumb ? (
                    <img
                      src={`/media/${f.thumb}`}
                      alt={f.name}
                      className="aspect-video w-full rounded-[3px] object-cover"
                    />
                  ) : (
                    <p className="flex aspect-video items-center rounded-[3px] border border-dashed border-rule-strong p-2 text-[12px] text-grease-ink">
                      {f.problem}
                    </p>
                  )}
                  <span className="truncate font-mono text-[11.5px] text-ink-2" title={f.name}>
                    {f.clip && "clip · "}
                    {f.name}
                  </span>
                  {!f.problem && (
                    <>
                      <Choice
                        quiet
                        label={`Where ${f.name} goes`}
                        value={shots[i] === null ? "none" : String(shots[i])}
                        options={options}
                        onChange={(v) =>
                          setShots(
                            shots.map((s, k) => (k === i ? (v === "none" ? null : Number(v)) : s)),
                          )
                        }
                      />
                      <span className="line-clamp-2 text-[12px] leading-tight text-ink-2">
                        {shot ? shot.text : f.why}
                      </span>
                    </>
                  )}
                </li>
              );
            })}
          </ul>
          <div className="mt-4 flex items-center gap-2">
            <Button
              kind="ink"
              disabled={!wanted.length || twice || place.isPending}
              onClick={() =>
                place.mutate(wanted, {
                  onSuccess: () => {
                    notify(`${wanted.length} placed.`);
                    onDone();
                  },
                })
              }
            >
              Place {wanted.length}
            </Button>
            <Dialog.Close asChild>
              <Button>Leave them</Button>
            </Dialog.Close>
            {twice && <span className="text-grease-ink">Two pictures are for the same shot.</span>}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** "2 pictures and 1 clip" */
function counted(found: readonly Brought[]): string {
  const clips = found.filter((f) => f.clip).length;
  const of = (n: number, what: string) => (n ? [`${n} ${what}${n === 1 ? "" : "s"}`] : []);
  return [...of(found.length - clips, "picture"), ...of(clips, "clip")].join(" and ");
}
