/** The maker's own voice for a line: a file that is brought, or recorded here with the words before one's eyes. */
import { Mic, Square } from "lucide-react";
import { useCallback } from "react";

import type { Film } from "../../../api/client";
import { useChange } from "../../../api/film";
import { useRecord } from "../../../api/recordings";
import type { LineSaid } from "../../../api/voices";
import { Bring } from "../../../parts/Bring";
import { Button } from "../../../parts/Button";
import { useKeys } from "../../../keys/useKeys";
import { useHearing } from "../../../parts/hearing";
import { doing, useMicrophone } from "./microphone";

export const SOUNDS = ".wav,.flac,.mp3,.m4a,.ogg,.webm,audio/*";

interface Props {
  film: Film;
  said: LineSaid;
  /** Keys are for this line. */
  keyed: boolean;
}

export function OwnVoice({ film, said, keyed }: Props) {
  const record = useRecord(film.id);
  const change = useChange(film.id);
  const { hear } = useHearing();
  const { counting, recording, level, begin, end } = useMicrophone((file) => take(file));
  const put = (word: number, own: LineSaid["recording"]) =>
    change.mutate({ type: "take recordings", lines: [{ word, recording: own }] });
  const take = (file: File) =>
    record.mutate(
      { line: said.line, file },
      { onSuccess: ({ word, recording: kept }) => put(word, kept) },
    );
  const turn = () => {
    if (recording) end();
    else if (!said.recorded && counting === 0 && !record.isPending) void begin();
  };
  const hears = useCallback(() => keyed, [keyed]);
  useKeys("own voice", { turn }, hears);
  if (said.recorded)
    return (
      <>
        <span className="text-ink-2">
          your own voice
          {said.unsure.length > 0 &&
            `; unsure: ${said.unsure.map((i) => said.words[i]?.text).join(" ")}`}
        </span>
        {said.recording && said.takes[0]?.media !== said.recording.media && (
          <Button kind="quiet" onClick={() => hear(said.recording!.media, 0)}>
            Hear it untouched
          </Button>
        )}
        <Button kind="quiet" onClick={() => put(said.recorded_word ?? said.word, null)}>
          A voice again
        </Button>
      </>
    );
  return (
    <>
      <Button
        kind={recording ? "ink" : "plain"}
        disabled={record.isPending || counting > 0}
        aria-pressed={recording}
        onClick={turn}
      >
        {recording ? <Square className="size-4" /> : <Mic className="size-4" />}
        {doing({ counting, recording }, record.isPending, "Say it yourself")}
      </Button>
      {(recording || counting > 0) && <Level level={level} />}
      <Bring
        quiet
        label="Bring a recording of this line"
        title="or bring it"
        accept={SOUNDS}
        says="WAV, FLAC, MP3, M4A or Ogg, at most three minutes"
        busy={record.isPending}
        onFiles={([file]) => file && take(file)}
      />
    </>
  );
}

const LOUD = 0.95;
const SOFT = 0.05;

/** How loud it is just now; too loud is red. */
export function Level({ level }: { level: number }) {
  const says = level > LOUD ? "too loud" : level < SOFT ? "soft" : "";
  return (
    <span className="flex items-center gap-1.5" aria-hidden>
      <span className="block h-2 w-24 overflow-hidden rounded-[2px] bg-shade">
        <span
          className={`block h-full ${level > LOUD ? "bg-grease" : "bg-teal"}`}
          style={{ width: `${Math.min(1, level) * 100}%` }}
        />
      </span>
      <span className="w-14 text-[12.5px] text-ink-2">{says}</span>
    </span>
  );
}
