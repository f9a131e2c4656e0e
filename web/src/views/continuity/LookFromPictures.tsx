/** A look made from one to four pictures: what is measured is shown, then kept. */
import { X } from "lucide-react";
import { useState } from "react";

import type { Film, Reference } from "../../api/client";
import { type MadeLook, useBringReferences, useMakeLook } from "../../api/continuity";
import { useChange } from "../../api/film";
import { Bring } from "../../parts/Bring";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Heading } from "./Heading";
import { Measured } from "./LookSheet";
import { Strength } from "./References";

export function LookFromPictures({
  film,
  onDone,
}: {
  film: Film;
  onDone: (look: string | null) => void;
}) {
  const bring = useBringReferences(film.id);
  const make = useMakeLook(film.id);
  const change = useChange(film.id);
  const [pictures, setPictures] = useState<Reference[]>([]);
  const [title, setTitle] = useState("");
  const [medium, setMedium] = useState("");
  const [strength, setStrength] = useState(50);
  const [made, setMade] = useState<MadeLook | null>(null);
  const again = () => setMade(null);
  return (
    <div className="flex flex-col gap-4">
      <div>
        <h2 className="font-serif text-[22px] font-bold">A look from pictures</h2>
        <p className="text-ink-2">
          Bring pictures that you may use. They are measured here; a service that follows references
          is sent them with each prompt.
        </p>
      </div>
      <div className="grid grid-cols-4 gap-2">
        {pictures.map((p) => (
          <span key={p.media} className="relative block">
            <img
              src={`/media/${p.thumb}`}
              alt={p.title}
              className="aspect-square w-full rounded-[3px] object-cover"
            />
            <button
              type="button"
              aria-label={`Leave out ${p.title}`}
              onClick={() => {
                setPictures(pictures.filter((x) => x.media !== p.media));
                again();
              }}
              className="absolute right-0.5 top-0.5 flex size-6 items-center justify-center rounded-[3px] bg-page"
            >
              <X className="size-3.5" />
            </button>
          </span>
        ))}
      </div>
      <div>
        <Bring
          many
          label="Pictures of the look"
          title={pictures.length ? "Bring another" : "Bring one to four pictures"}
          busy={bring.isPending}
          disabled={pictures.length >= 4}
          onFiles={(files) => {
            bring.mutate(files.slice(0, 4 - pictures.length), {
              onSuccess: (fresh) => setPictures((before) => [...before, ...fresh].slice(0, 4)),
            });
            again();
          }}
        />
      </div>
      <label className="block">
        <span className="text-ink-2">Name</span>
        <Field
          aria-label="Name of the new look"
          value={title}
          maxLength={80}
          placeholder="Winter gouache"
          onChange={(e) => setTitle(e.target.value)}
        />
      </label>
      <label className="block">
        <span className="text-ink-2">Medium, as every prompt says it</span>
        <Field
          aria-label="Medium of the new look"
          value={medium}
          maxLength={120}
          placeholder="gouache painting"
          onChange={(e) => setMedium(e.target.value)}
        />
      </label>
      <div className="flex">
        <Strength value={strength} onSet={setStrength} />
      </div>
      {made ? (
        <>
          <Measured style={made.look.measured!} />
          <section aria-label="Palette">
            <Heading
              title="Palette"
              beside={`of ${made.measured.length} ${made.measured.length === 1 ? "picture" : "pictures"}`}
            />
            <ul className="mt-2 grid grid-cols-3 gap-2">
              {made.look.measured!.palette.map((c) => (
                <li key={c.css} className="flex items-center gap-2">
                  <i
                    className="size-7 shrink-0 rounded-[3px] border border-rule"
                    style={{ background: c.css }}
                  />
                  <span className="min-w-0 leading-tight">
                    <span className="block truncate">{c.name}</span>
                    <span className="font-mono text-[11px] text-ink-2">
                      {Math.round(c.share * 100)} %
                    </span>
                  </span>
                </li>
              ))}
            </ul>
            <p className="mt-2 text-ink-2">
              Prompts will say:{" "}
              <span className="font-serif">
                {[made.look.medium, made.look.line, made.look.light].filter(Boolean).join(", ")}
              </span>
            </p>
          </section>
          <div className="flex gap-2">
            <Button
              kind="ink"
              onClick={() =>
                change.mutate(
                  { type: "set look", look: { ...made.look, strength }, use: false },
                  { onSuccess: () => onDone(made.look.name) },
                )
              }
            >
              Keep the look
            </Button>
            <Button kind="quiet" onClick={() => onDone(null)}>
              Leave it
            </Button>
          </div>
        </>
      ) : (
        <div className="flex gap-2">
          <Button
            kind="ink"
            disabled={!pictures.length || !title.trim() || !medium.trim() || make.isPending}
            onClick={() =>
              make.mutate(
                { title: title.trim(), medium: medium.trim(), strength, pictures },
                { onSuccess: setMade },
              )
            }
          >
            {make.isPending ? "measuring …" : "Measure"}
          </Button>
          <Button kind="quiet" onClick={() => onDone(null)}>
            Leave it
          </Button>
        </div>
      )}
    </div>
  );
}
