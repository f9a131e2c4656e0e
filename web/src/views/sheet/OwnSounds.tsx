/** The shelf of the maker's own sounds, opened at a cue: searched, heard, taken for the cue; more are brought. */
import { Play, Square, Trash2 } from "lucide-react";
import { useRef, useState } from "react";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import { type OwnSound, useBringSound, useShelf } from "../../api/sounds";
import { Button } from "../../parts/Button";
import { useHearing } from "../../parts/hearing";
import { inWords } from "../../parts/time";

interface Props {
  film: Film;
  /** The one that the cue is now. */
  own: number | null;
  onUse: (own: number | null) => void;
}

const found = (sounds: readonly OwnSound[], words: string) =>
  sounds.filter((s) =>
    words
      .toLowerCase()
      .split(/\s+/)
      .every((word) => `${s.name} ${s.credit} ${s.licence}`.toLowerCase().includes(word)),
  );

export function OwnSounds({ film, own, onUse }: Props) {
  const change = useChange(film.id);
  const bring = useBringSound(film.id);
  const hearing = useHearing();
  const input = useRef<HTMLInputElement>(null);
  const [words, setWords] = useState("");
  const [licence, setLicence] = useState("");
  const [credit, setCredit] = useState("");
  const here = new Set(film.own_sounds.map((s) => s.media));
  const others = (useShelf().data ?? []).filter((s) => !here.has(s.media));
  const shown = found([...film.own_sounds, ...others.map((s) => ({ ...s, id: 0 }))], words);
  const keep = (sound: OwnSound) =>
    change.mutate(
      { type: "keep sound", sound: { ...sound, id: 0 } },
      {
        onSuccess: (film) =>
          onUse(film.own_sounds.find((s) => s.media === sound.media)?.id ?? null),
      },
    );
  const take = (file: File | undefined) =>
    file && bring.mutate({ file, licence, credit }, { onSuccess: keep });
  const field =
    "min-w-0 rounded-[3px] border border-rule-strong bg-field px-2 py-0.5 placeholder:text-ink-2";
  return (
    <section aria-label="Own sounds" className="mt-2 border-t border-rule pt-2">
      {film.own_sounds.length + others.length > 0 && (
        <>
          <input
            aria-label="Find among own sounds"
            placeholder="find by words"
            value={words}
            className={`${field} mb-1 w-full`}
            onChange={(e) => setWords(e.target.value)}
          />
          <ul className="max-h-36 overflow-y-auto">
            {shown.map((s) => (
              <li key={s.media} className="flex items-center gap-1.5">
                <button
                  type="button"
                  aria-label={hearing.playing === s.media ? `Stop ${s.name}` : `Hear ${s.name}`}
                  className="rounded-[3px] p-1 hover:bg-shade"
                  onClick={() =>
                    hearing.playing === s.media ? hearing.stop() : hearing.hear(s.media, 0)
                  }
                >
                  {hearing.playing === s.media ? (
                    <Square className="size-4" />
                  ) : (
                    <Play className="size-4" />
                  )}
                </button>
                <button
                  type="button"
                  aria-pressed={own === s.id}
                  title={[s.licence, s.credit].filter(Boolean).join(", ") || "take it for this cue"}
                  className={`min-h-6 min-w-0 flex-1 rounded-[3px] px-1 text-left leading-tight hover:bg-shade ${
                    own === s.id ? "font-semibold" : ""
                  }`}
                  onClick={() => (s.id ? onUse(s.id) : keep(s))}
                >
                  <span className="block truncate">{s.name} </span>
                  <span className="text-[12px] font-normal text-ink-2">
                    {inWords(s.seconds)}
                    {s.tempo ? `, ${Math.round(s.tempo)} beats a minute` : ""}
                    {s.id ? "" : ", from another film"}
                  </span>
                </button>
                {s.id > 0 && (
                  <button
                    type="button"
                    aria-label={`Let ${s.name} go`}
                    title="let it go; cues are as they were proposed"
                    className="rounded-[3px] p-1 text-ink-2 hover:bg-shade hover:text-ink"
                    onClick={() => change.mutate({ type: "drop sound", sound: s.id })}
                  >
                    <Trash2 className="size-4" />
                  </button>
                )}
              </li>
            ))}
            {shown.length === 0 && <li className="text-ink-2">None has these words.</li>}
          </ul>
        </>
      )}
      <div className="mt-1 grid grid-cols-2 gap-1.5">
        <input
          aria-label="Licence"
          placeholder="licence"
          value={licence}
          className={field}
          onChange={(e) => setLicence(e.target.value)}
        />
        <input
          aria-label="Credit"
          placeholder="credit"
          value={credit}
          className={field}
          onChange={(e) => setCredit(e.target.value)}
        />
      </div>
      <p className="mt-1.5 flex items-center gap-2">
        <Button disabled={bring.isPending} onClick={() => input.current?.click()}>
          {bring.isPending ? "Reading …" : "Bring a file"}
        </Button>
        {own !== null && <Button onClick={() => onUse(null)}>Not this one</Button>}
      </p>
      <input
        ref={input}
        type="file"
        accept="audio/*,.wav,.flac,.mp3,.ogg,.m4a,.mid,.midi"
        aria-label="A sound of your own"
        className="hidden"
        onChange={(e) => {
          take(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
    </section>
  );
}
