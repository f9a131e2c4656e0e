/** Voices that the company keeps, besides those of the film. */
import type { Film, Schemas } from "../../../api/client";
import { useCompany } from "../../../api/continuity";
import { type Voice, asVoice } from "../../../api/voices";

type Kept = Schemas["OwnVoice"];

/** Each as a voice that can be heard, and as it is kept. */
export function useCompanyVoices(film: Film): { voice: Voice; kept: Kept }[] {
  const members = useCompany({ kind: "voice", words: "" }).data ?? [];
  const own = new Set(film.voices.map((v) => v.voice));
  return members.flatMap(({ card: { voice: kept } }) =>
    kept && !own.has(kept.voice)
      ? [{ voice: asVoice(kept, `from the company: ${kept.description ?? ""}`), kept }]
      : [],
  );
}
