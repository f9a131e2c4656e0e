/** The maker's own voice for a line: a file that is brought, or recorded here with the words before one's eyes. */
import { Mic, Square } from "lucide-react";
import { useRef, useState } from "react";

import type { Film } from "../../../api/client";
import { useChange } from "../../../api/film";
import { useRecord } from "../../../api/recordings";
import type { LineSaid } from "../../../api/voices";
import { Bring } from "../../../parts/Bring";
import { Button } from "../../../parts/Button";
import { notify } from "../../../state/notices";
import { useHearing } from "./hearing";

export const SOUNDS = ".wav,.flac,.mp3,.m4a,.ogg,.webm,audio/*";

export function OwnVoice({ film, said }: { film: Film; said: LineSaid }) {
  const record = useRecord(film.id);
  const change = useChange(film.id);
  const { hear } = useHearing();
  const { recording, begin, end } = useMicrophone((file) => take(file));
  const put = (word: number, own: LineSaid["recording"]) =>
    change.mutate({ type: "take recordings", lines: [{ word, recording: own }] });
  const take = (file: File) =>
    record.mutate(
      { line: said.line, file },
      { onSuccess: ({ word, recording: kept }) => put(word, kept) },
    );
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
        disabled={record.isPending}
        aria-pressed={recording}
        onClick={() => (recording ? end() : void begin())}
      >
        {recording ? <Square className="size-4" /> : <Mic className="size-4" />}
        {record.isPending ? "aligning …" : recording ? "Stop" : "Say it yourself"}
      </Button>
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

/** Records from the microphone; what was said is handed over as a file. */
function useMicrophone(onFile: (file: File) => void) {
  const recorder = useRef<MediaRecorder | null>(null);
  const [recording, setRecording] = useState(false);
  const begin = async () => {
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      const parts: Blob[] = [];
      const made = new MediaRecorder(stream);
      made.ondataavailable = (e) => parts.push(e.data);
      made.onstop = () => {
        for (const track of stream.getTracks()) track.stop();
        onFile(new File(parts, "line.webm", { type: made.mimeType }));
      };
      made.start();
      recorder.current = made;
      setRecording(true);
    } catch {
      notify("The microphone cannot be used here. Allow it for this page, or bring a file.");
    }
  };
  const end = () => {
    recorder.current?.stop();
    setRecording(false);
  };
  return { recording, begin, end };
}
