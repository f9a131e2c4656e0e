/** The maker's own voice for the whole story, or a part of it: brought in one file, followed by the text; what was left
 * out, put in or said otherwise is listed, and either one is mended. */
import { Mic } from "lucide-react";

import type { Film } from "../../../api/client";
import { useChange, useRuns, useStart } from "../../../api/film";
import { type Narration, useBringNarration, useNarrations } from "../../../api/recordings";
import { Bring } from "../../../parts/Bring";
import { Button } from "../../../parts/Button";
import { inWords } from "../../../parts/time";
import { SOUNDS } from "./OwnVoice";
import { Found } from "./Found";

interface NarrationProps {
  film: Film;
  onLineByLine: () => void;
}

export function OwnNarration({ film, onLineByLine }: NarrationProps) {
  const bring = useBringNarration(film.id);
  const change = useChange(film.id);
  const start = useStart(film.id);
  const runs = (useRuns(film.id).data ?? []).filter((r) => r.kind === "narration");
  const going = runs.some((r) => r.state === "going");
  const known =
    useNarrations(film, runs[0] ? `${runs[0].id} ${runs[0].state}` : "", going).data ?? [];
  const follow = (key: string) => start.mutate({ kind: "narration", narration: key });
  return (
    <section aria-label="Your own narration" className="border-t border-rule-strong pt-2">
      <p className="flex flex-wrap items-center gap-2">
        <b>Your own narration</b>
        <span className="text-ink-2">
          {film.language === "en"
            ? "the whole story, or a part of it, in one recording"
            : "line by line; a whole story is followed in English only"}
        </span>
        <span className="ml-auto flex gap-2">
          <Button onClick={onLineByLine}>
            <Mic className="size-4" /> Record line by line
          </Button>
          {film.language === "en" && (
            <Bring
              label="Bring a recording of the story"
              title="Bring a recording"
              accept={SOUNDS}
              says="WAV, FLAC, MP3, M4A or Ogg, at most three hours"
              busy={bring.isPending}
              onFiles={([file]) =>
                file && bring.mutate(file, { onSuccess: (made) => follow(made.key) })
              }
            />
          )}
        </span>
      </p>
      {known.map((n) => (
        <One
          key={n.key}
          film={film}
          narration={n}
          going={going}
          onFollow={() => follow(n.key)}
          onMend={(start, end, insert) =>
            void change
              .mutateAsync({ type: "edit text", start, end, insert })
              .then(() => follow(n.key))
          }
        />
      ))}
    </section>
  );
}

interface OneProps {
  film: Film;
  narration: Narration;
  going: boolean;
  onFollow: () => void;
  onMend: (start: number, end: number, insert: string) => void;
}

function One({ film, narration, going, onFollow, onMend }: OneProps) {
  const change = useChange(film.id);
  const { key, name, seconds, heard, followed, lines } = narration;
  const said = lines.filter((l) => l.recording);
  const taken = said.filter((l) => l.taken).length;
  const take = (own: boolean) =>
    change.mutate({
      type: "take recordings",
      lines: said.map((l) => ({ word: l.word, recording: own ? (l.recording ?? null) : null })),
    });
  const forget = () =>
    change.mutate({
      type: "keep narration",
      narration: { key, name, seconds, text: "" },
      drop: true,
    });
  return (
    <article aria-label={name} className="mt-2 border-l-2 border-rule pl-3">
      <p className="flex flex-wrap items-center gap-2">
        <span className="font-serif text-[16px]">{name}</span>
        <span className="font-mono text-[12px] text-ink-2">{inWords(seconds)}</span>
        {!followed && (
          <span role="status" className="text-ink-2">
            {going
              ? heard < 1
                ? `heard ${Math.round(heard * 100)} %, then the text is followed`
                : "following the text …"
              : heard < 1
                ? "not heard to its end"
                : "the text has changed since it was followed"}
          </span>
        )}
        {followed && <Summary narration={narration} />}
        <span className="ml-auto flex gap-1">
          {!followed && !going && <Button onClick={onFollow}>Follow the text</Button>}
          {followed && said.length > 0 && (
            <Button
              kind={taken < said.length ? "ink" : "plain"}
              onClick={() => take(taken < said.length)}
            >
              {taken < said.length
                ? `Use ${said.length === 1 ? "this line" : `these ${said.length} lines`}`
                : "Voices again"}
            </Button>
          )}
          <Button kind="quiet" onClick={forget}>
            Forget it
          </Button>
        </span>
      </p>
      {followed && <Found narration={narration} onMend={onMend} />}
    </article>
  );
}

function Summary({ narration: { lines } }: { narration: Narration }) {
  const said = lines.filter((l) => l.recording);
  const again = said.filter((l) => l.said > 1).length;
  return (
    <span role="status" className="text-ink-2">
      {said.length} of {lines.length} lines said
      {again > 0 && `; ${again} more than once: the last is kept`}
    </span>
  );
}
