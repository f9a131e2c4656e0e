/** The story recorded line by line with the words before one's eyes: keys for all of it, again and again. */
import { useState } from "react";

import type { Film } from "../../../api/client";
import { useChange } from "../../../api/film";
import { useRecord } from "../../../api/recordings";
import { useLineSaid } from "../../../api/voices";
import { useKeys } from "../../../keys/useKeys";
import { Button } from "../../../parts/Button";
import { pointAt } from "../../../state/playhead";
import { Level } from "./OwnVoice";
import { useHearing } from "../../../parts/hearing";
import { doing, useMicrophone } from "./microphone";

interface Props {
  film: Film;
  /** The line to begin with. */
  from: number;
  onDone: () => void;
}

export function LineByLine({ film, from, onDone }: Props) {
  const [at, setAt] = useState(from);
  const line = film.lines[at];
  const said = useLineSaid(film, at).data;
  const record = useRecord(film.id);
  const change = useChange(film.id);
  const { hear, stop, playing } = useHearing();
  const { counting, recording, level, begin, end } = useMicrophone((file) =>
    record.mutate(
      { line: at, file },
      {
        onSuccess: ({ word, recording: kept }) =>
          change.mutate({ type: "take recordings", lines: [{ word, recording: kept }] }),
      },
    ),
  );
  const idle = !recording && counting === 0 && !record.isPending;
  const go = (to: number) => {
    const there = film.lines[to];
    if (!idle || !there) return;
    stop();
    setAt(to);
    const shot = film.shots.find((s) => s.first <= there.first && there.first < s.end);
    if (shot) pointAt(shot);
  };
  const own = said?.line === at && said.recorded ? said.takes[0]?.media : null;
  const hearIt = () => {
    if (playing) stop();
    else if (own) hear(own, 0);
  };
  const turn = () => {
    if (recording) end();
    else if (idle) {
      stop();
      void begin();
    }
  };
  useKeys("recorder", {
    turn,
    next: () => go(at + 1),
    before: () => go(at - 1),
    hear: hearIt,
    leave: () => idle && onDone(),
  });
  if (!line) return null;
  return (
    <section
      aria-label="Record line by line"
      className="rounded-[5px] border border-rule-strong bg-ground px-5 py-4"
    >
      <p className="flex items-baseline gap-3 text-ink-2">
        <span>
          line <span className="font-mono">{at + 1}</span> of{" "}
          <span className="font-mono">{film.lines.length}</span>
        </span>
        <span>{line.speaker ?? "narrator"}</span>
        {said?.line === at && said.direction && (
          <span className="font-serif italic">{said.direction}</span>
        )}
        <Button kind="quiet" className="ml-auto" disabled={!idle} onClick={onDone}>
          Close
        </Button>
      </p>
      <Words film={film} line={at - 1} small />
      <Words film={film} line={at} />
      <Words film={film} line={at + 1} small />
      <p className="mt-3 flex flex-wrap items-center gap-2">
        <Button
          kind="ink"
          aria-pressed={recording}
          disabled={record.isPending || counting > 0}
          onClick={turn}
        >
          {doing({ counting, recording }, record.isPending, own ? "Record it again" : "Record it")}
          <Key>R</Key>
        </Button>
        <Button disabled={!own || !idle} onClick={hearIt}>
          {playing ? "Stop" : "Hear it"} <Key>H</Key>
        </Button>
        <Button disabled={!idle || at + 1 >= film.lines.length} onClick={() => go(at + 1)}>
          Next line <Key>Enter</Key>
        </Button>
        <Button kind="quiet" disabled={!idle || at === 0} onClick={() => go(at - 1)}>
          The line before <Key>Backspace</Key>
        </Button>
        {(recording || counting > 0) && <Level level={level} />}
        {own && said && (
          <span role="status" className="text-ink-2">
            recorded, {said.takes[0]?.seconds?.toFixed(1)} s
            {said.unsure.length > 0 &&
              `; unsure: ${said.unsure.map((i) => said.words[i]?.text).join(" ")}`}
          </span>
        )}
      </p>
    </section>
  );
}

const Key = ({ children }: { children: string }) => (
  <kbd className="font-mono text-[11.5px] font-normal">{children}</kbd>
);

function Words({ film, line, small = false }: { film: Film; line: number; small?: boolean }) {
  const there = film.lines[line];
  if (!there) return <p className="h-6" />;
  const first = film.words[there.first];
  const last = film.words[there.end - 1];
  const text = there.said || (first && last ? film.text.slice(first[0], last[1]) : "");
  return (
    <p
      className={
        small
          ? "truncate py-1 font-serif text-[14px] text-ink-2"
          : "py-1 font-serif text-[25px] leading-[1.36]"
      }
    >
      {text}
    </p>
  );
}
