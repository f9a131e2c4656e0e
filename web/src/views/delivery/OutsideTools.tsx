/** For outside tools: all prompts as a file, and their results brought back, looked over before anything is placed. */
import { useRef, useState } from "react";

import type { Film } from "../../api/client";
import { type Brought, useBringBack } from "../../api/prompts";
import { Button } from "../../parts/Button";
import { droppedFiles } from "../../parts/dropped";
import { BroughtBack } from "./BroughtBack";

const PACKS = ["md", "csv", "json"];

export function OutsideTools({ film }: { film: Film }) {
  const input = useRef<HTMLInputElement>(null);
  const bring = useBringBack(film.id);
  const [found, setFound] = useState<Brought[] | null>(null);
  const take = (files: File[]) => files.length && bring.mutate(files, { onSuccess: setFound });
  return (
    <section
      aria-label="Outside tools"
      className="mt-5 border-t border-rule-strong pt-3"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        void droppedFiles(e.dataTransfer).then(take);
      }}
    >
      <h3 className="font-semibold">For outside tools</h3>
      <p className="my-1 text-ink-2">
        All prompts, numbered:{" "}
        {PACKS.map((f) => (
          <a
            key={f}
            href={`/api/films/${film.id}/prompts.${f}`}
            download
            className="mr-3 inline-block min-h-6 font-mono text-[12.5px] underline decoration-dotted underline-offset-2"
          >
            .{f}
          </a>
        ))}
      </p>
      <div className="flex items-center gap-3">
        <Button onClick={() => input.current?.click()} disabled={bring.isPending}>
          {bring.isPending ? "Reading …" : "Bring results back"}
        </Button>
        <span className="text-[12px] text-ink-2">
          pictures or a zip; numbers in their names find their shots
        </span>
      </div>
      <input
        ref={input}
        type="file"
        multiple
        accept="image/*,.zip"
        aria-label="Results of outside tools"
        className="hidden"
        onChange={(e) => {
          take([...(e.target.files ?? [])]);
          e.target.value = "";
        }}
      />
      {found && <BroughtBack film={film} found={found} onDone={() => setFound(null)} />}
    </section>
  );
}
