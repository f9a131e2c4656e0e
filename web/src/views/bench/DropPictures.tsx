/** Pictures dropped on the Bench: one becomes a take of the shot, several, a zip or a folder are looked over first. */
import { type ReactNode, useState } from "react";

import type { Film, Shot } from "../../api/client";
import { useBring } from "../../api/film";
import { type Brought, useBringBack } from "../../api/prompts";
import { droppedFiles, likelyPictures } from "../../parts/dropped";
import { notify } from "../../state/notices";
import { BroughtBack } from "../delivery/BroughtBack";

export function useBringAny(film: Film, shot: Shot | undefined) {
  const bring = useBring(film.id);
  const many = useBringBack(film.id);
  const [found, setFound] = useState<Brought[] | null>(null);
  const take = (files: readonly File[]) => {
    const pictures = likelyPictures(files);
    if (!pictures.length) notify("There is no picture in that.");
    else if (pictures.length === 1 && shot && !/\.zip$/i.test(pictures[0]!.name))
      bring.mutate({ shot: shot.id, file: pictures[0]! });
    else many.mutate(pictures, { onSuccess: setFound });
  };
  return {
    take,
    busy: bring.isPending || many.isPending,
    review: found && <BroughtBack film={film} found={found} onDone={() => setFound(null)} />,
  };
}

export function DropPictures({
  film,
  shot,
  children,
}: {
  film: Film;
  shot: Shot | undefined;
  children: ReactNode;
}) {
  const { take, busy, review } = useBringAny(film, shot);
  const [over, setOver] = useState(false);
  return (
    <div
      className="relative h-full"
      onDragEnter={(e) => e.dataTransfer.types.includes("Files") && setOver(true)}
      onDragOver={(e) => e.preventDefault()}
      onDragLeave={(e) =>
        !e.currentTarget.contains(e.relatedTarget as Node | null) && setOver(false)
      }
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        void droppedFiles(e.dataTransfer).then(take);
      }}
    >
      {children}
      {(over || busy) && (
        <div className="pointer-events-none absolute inset-0 z-30 grid place-items-center bg-[color-mix(in_srgb,var(--page)_80%,transparent)]">
          <p
            className="rounded-md border-2 border-dashed border-rule-strong bg-page px-8 py-6 text-center"
            role="status"
          >
            <span className="block font-serif text-[18px]">
              {busy
                ? "Reading …"
                : shot
                  ? `One picture becomes a take of shot ${shot.edge}`
                  : "Pictures, a zip or a folder"}
            </span>
            {!busy && (
              <span className="text-ink-2">Several, a zip or a folder are looked over first</span>
            )}
          </p>
        </div>
      )}
      {review}
    </div>
  );
}
