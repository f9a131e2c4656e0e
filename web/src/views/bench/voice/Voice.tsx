/** The lines of one shot: how each is said, by whom, its takings as waveforms with the words beneath. */
import { useState } from "react";

import type { Film, Shot } from "../../../api/client";
import { Split } from "../../continuity/Split";
import { pointAt } from "../../../state/playhead";
import { ByEar } from "./ByEar";
import { Casting } from "./Casting";
import { CleanUp } from "./CleanUp";
import { DeadAir } from "./DeadAir";
import { LineByLine } from "./LineByLine";
import { LineDesk } from "./LineDesk";
import { OwnNarration } from "./OwnNarration";

export function Voice({ film, shot }: { film: Film; shot: Shot }) {
  const lines = film.lines
    .map((line, at) => ({ line, at }))
    .filter(({ line }) => line.first < shot.end && line.end > shot.first);
  const [chosen, setChosen] = useState<number | null>(null);
  const [recording, setRecording] = useState(false);
  const at = lines.some((l) => l.at === chosen) ? chosen! : lines[0]?.at;
  const open = (line: number) => {
    const word = film.lines[line]?.first ?? 0;
    const there = film.shots.find((s) => s.first <= word && word < s.end);
    if (there) pointAt(there);
    setChosen(line);
  };
  if (at === undefined)
    return <p className="px-5 py-4 text-ink-2">Nothing is said in this shot.</p>;
  return (
    <Split aside={<Casting key={at} film={film} line={at} />}>
      <section aria-label="Voice" className="flex flex-col gap-4">
        {recording && <LineByLine film={film} from={at} onDone={() => setRecording(false)} />}
        {lines.map((l) => (
          <LineDesk
            key={l.at}
            film={film}
            line={l.at}
            chosen={l.at === at && !recording}
            onChoose={() => setChosen(l.at)}
          />
        ))}
        <DeadAir film={film} />
        <CleanUp film={film} />
        <ByEar film={film} onLine={open} />
        <OwnNarration film={film} onLineByLine={() => setRecording(true)} />
      </section>
    </Split>
  );
}
