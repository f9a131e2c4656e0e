/** Records from the microphone behind a count-in, and says how loud it is; what was said is handed over as a file. */
import { useEffect, useRef, useState } from "react";

import { notify } from "../../../state/notices";

const BEATS = 3;
const BEAT = 550;

interface Microphone {
  /** Beats that are left before it records; 0 while it does not count. */
  counting: number;
  recording: boolean;
  /** The loudest sample just now, 0 … 1. */
  level: number;
  begin: () => Promise<void>;
  end: () => void;
}

export function useMicrophone(onFile: (file: File) => void): Microphone {
  const recorder = useRef<MediaRecorder | null>(null);
  const close = useRef<() => void>(() => {});
  const [counting, setCounting] = useState(0);
  const [recording, setRecording] = useState(false);
  const [level, setLevel] = useState(0);
  // Whoever leaves the line while it records is not listened to any more.
  useEffect(() => () => close.current(), []);
  const begin = async () => {
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      const stopMeter = metered(stream, setLevel);
      let left = false;
      close.current = () => {
        if (left) return;
        left = true;
        stopMeter();
        for (const track of stream.getTracks()) track.stop();
      };
      for (let beat = BEATS; beat > 0 && !left; beat--) {
        setCounting(beat);
        await new Promise((done) => setTimeout(done, BEAT));
      }
      if (left) return;
      setCounting(0);
      const parts: Blob[] = [];
      const made = new MediaRecorder(stream);
      made.ondataavailable = (e) => parts.push(e.data);
      made.onstop = () => {
        close.current();
        onFile(new File(parts, "line.webm", { type: made.mimeType }));
      };
      made.start();
      recorder.current = made;
      setRecording(true);
    } catch {
      setCounting(0);
      notify("The microphone cannot be used here. Allow it for this page, or bring a file.");
    }
  };
  const end = () => {
    recorder.current?.stop();
    setRecording(false);
    setLevel(0);
  };
  return { counting, recording, level, begin, end };
}

/** What the button that records says; `rest` while nothing is done. */
export function doing(
  { counting, recording }: Pick<Microphone, "counting" | "recording">,
  listening: boolean,
  rest: string,
) {
  if (listening) return "listening …";
  if (counting > 0) return `in ${counting} …`;
  return recording ? "Stop" : rest;
}

/** Tells how loud a stream is, until it is stopped. */
function metered(stream: MediaStream, onLevel: (level: number) => void): () => void {
  if (typeof AudioContext === "undefined") return () => {};
  const context = new AudioContext();
  const analyser = context.createAnalyser();
  context.createMediaStreamSource(stream).connect(analyser);
  const samples = new Float32Array(analyser.fftSize);
  const id = setInterval(() => {
    analyser.getFloatTimeDomainData(samples);
    onLevel(samples.reduce((most, s) => Math.max(most, Math.abs(s)), 0));
  }, 80);
  return () => {
    clearInterval(id);
    void context.close();
  };
}
