/** Whether a voice, or how a word sounds, is in the company; what the film keeps is put there by a click. */
import type { CompanyCard, Film } from "../../../api/client";
import { useCompany, useKeep } from "../../../api/continuity";

/** Of one of the film's own voices. */
export function Company({ film, voice }: { film: Film; voice: string }) {
  const members = useCompany({ kind: "voice", words: "" }).data ?? [];
  const kept = film.voices.find((v) => v.voice === voice);
  const there = members.some((m) => m.card.voice?.voice === voice);
  return <Keep there={there} card={kept ? { voice: kept } : null} />;
}

/** Of one word of the film's lexicon. */
export function CompanyWord({ film, word }: { film: Film; word: string }) {
  const members = useCompany({ kind: "word", words: "" }).data ?? [];
  const said = film.lexicon.find((s) => s.word.toLowerCase() === word.toLowerCase());
  const there = members.find((m) => m.card.word?.word.toLowerCase() === word.toLowerCase());
  const same = there?.card.word?.sounds === said?.sounds;
  return <Keep there={!!there && same} card={said ? { word: said } : null} member={there?.id} />;
}

interface KeepProps {
  there: boolean;
  /** What would be put there; nothing where the film does not keep it. */
  card: CompanyCard | null;
  /** The member that it is given back to. */
  member?: string;
}

function Keep({ there, card, member }: KeepProps) {
  const keep = useKeep();
  if (there) return <span className="ml-2 text-[12.5px] text-ink-2">in the company</span>;
  if (!card) return null;
  return (
    <button
      type="button"
      className="ml-2 text-[12.5px] text-ink-2 underline"
      disabled={keep.isPending}
      onClick={() => keep.mutate({ card, member: member ?? null })}
    >
      keep for the company
    </button>
  );
}
