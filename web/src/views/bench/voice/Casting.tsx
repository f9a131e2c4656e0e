/** Who speaks a line: all voices, heard on this very line; others made by description; and what holds for every line. */
import { Play, Square } from "lucide-react";
import { useState } from "react";

import type { Film } from "../../../api/client";
import { useChange, useOffers, useStart } from "../../../api/film";
import {
  type LineSaid,
  type Voice,
  useHeard,
  useLineSaid,
  useMakeVoices,
  useVoices,
} from "../../../api/voices";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";
import { Area } from "../../../parts/Field";
import { leftInWords } from "../../../parts/quota";
import { money } from "../../../parts/time";
import { Heading } from "../../continuity/Heading";
import { useKeys } from "../../../keys/useKeys";
import { Company } from "./Company";
import { Names } from "./Names";
import { Standing } from "./Standing";
import { useCompanyVoices } from "./companyVoices";
import { useHearing } from "../../../parts/hearing";
import { type Beside, turned } from "./turns";
import { languagesOf } from "../../../parts/languages";
import { costOfCasting, fitting } from "./voices";

const MOST_HEARD = 8;
type Hearing = ReturnType<typeof useHearing>;

export function Casting({ film, line }: { film: Film; line: number }) {
  const said = useLineSaid(film, line).data;
  if (!said) return null;
  return <Cast film={film} said={said} />;
}

function Cast({ film, said }: { film: Film; said: LineSaid }) {
  const change = useChange(film.id);
  const hearing = useHearing();
  const [beside, setBeside] = useState<Beside | null>(null);
  const person = film.cast.find((p) => p.id === said.person);
  const used = said.takes.find((t) => t.seed === said.seed);
  useKeys("casting", {
    turns: () => {
      if (!beside || !used?.media) return false;
      hearing.hear(...turned(hearing, used, beside));
    },
  });
  const give = (voice: string) =>
    person
      ? change.mutate({ type: "set person", person: { ...person, voice } })
      : change.mutate({ type: "set settings", values: { narrator: voice } });
  return (
    <section aria-label="Casting">
      <h2 className="font-serif text-[20px] font-semibold">{said.speaker ?? "Narrator"}</h2>
      {said.speaker && !person && (
        <p className="mb-2 text-ink-2">not in the cast: add them in Continuity to choose a voice</p>
      )}
      <Standing film={film} said={said} />
      {(person || !said.speaker) && (
        <>
          {beside && used?.media && (
            <p className="mb-2 text-[12.5px] text-ink-2" role="status">
              <kbd className="font-mono">C</kbd> hears the line by turns in its voice and in{" "}
              {beside.title}.
            </p>
          )}
          <Described film={film} said={said} hearing={hearing} onHeard={setBeside} />
          <Listed film={film} said={said} hearing={hearing} onGive={give} onHeard={setBeside} />
        </>
      )}
      <Names film={film} />
    </section>
  );
}

interface PartProps {
  film: Film;
  said: LineSaid;
  hearing: Hearing;
  /** A voice was heard on the line: it is the one to compare. */
  onHeard: (voice: Beside) => void;
}

/** Voices that are made by description: three say the line; one is kept. */
function Described({ film, said, hearing, onHeard }: PartProps) {
  const [words, setWords] = useState("");
  const [seed, setSeed] = useState(0);
  const make = useMakeVoices(film.id);
  const start = useStart(film.id);
  const change = useChange(film.id);
  const offer = (useOffers().data ?? []).find((o) => o.kind === "voice");
  const found = make.data?.voices ?? [];
  const ask = (with_: number) => {
    setSeed(with_);
    make.mutate(
      { description: words.trim(), seed: with_ },
      {
        onSuccess: ({ voices }) =>
          start.mutate({
            kind: "audition",
            line: said.line,
            voices: voices.map((v) => v.name),
          }),
      },
    );
  };
  if (!offer) return null;
  const keep = (voice: Voice) =>
    change.mutate({
      type: "keep voice",
      for: said.person ?? 0,
      voice: {
        id: 0,
        name: `${said.speaker ?? "Narrator"}: ${words.trim()}`.slice(0, 80),
        voice: voice.name,
        description: words.trim(),
        pronoun: voice.pronoun,
        age: voice.age,
        length: voice.length ?? 1,
        pitch: voice.pitch ?? null,
        brightness: voice.brightness ?? null,
        language: voice.language ?? "en",
      },
    });
  return (
    <section aria-label="By description" className="mb-3">
      <Heading title="By description" beside={leftInWords(offer)} />
      <Area
        aria-label="What the voice is like"
        value={words}
        rows={2}
        maxLength={300}
        placeholder="a young man, warm, low, steady, as if in the room"
        onChange={(e) => setWords(e.target.value)}
      />
      <p className="mt-1 flex items-center gap-2">
        <Button
          kind="ink"
          disabled={!words.trim() || make.isPending}
          onClick={() => ask(found.length ? seed + 1 : 0)}
        >
          {found.length ? "Three others" : "Three voices"}
          <span className="font-mono font-normal opacity-75">
            {money(Number(offer.price.amount))}
          </span>
        </Button>
        {make.data && make.data.unused.length > 0 && (
          <span className="text-[12.5px] text-grease-ink">
            no use for: {make.data.unused.join(", ")}
          </span>
        )}
      </p>
      {found.length > 0 && (
        <VoiceRows
          film={film}
          said={said}
          voices={found}
          hearing={hearing}
          onHeard={onHeard}
          verb="Keep it"
          numbered
          asked
          onUse={keep}
        />
      )}
    </section>
  );
}

function Listed({
  film,
  said,
  hearing,
  onGive,
  onHeard,
}: PartProps & { onGive: (voice: string) => void }) {
  const change = useChange(film.id);
  const company = useCompanyVoices(film);
  const voices = [...useVoices(film), ...company.map(({ voice }) => voice)];
  const [who, setWho] = useState<string>(
    film.cast.find((p) => p.id === said.person)?.pronoun ?? "any",
  );
  const [age, setAge] = useState("any");
  const [language, setLanguage] = useState(film.language);
  const [order, setOrder] = useState<"given" | "pitch" | "pace">("given");
  const [asked, setAsked] = useState(false);
  const shown = fitting(voices, { who, age, language, order });
  const start = useStart(film.id);
  const unheard = shown.slice(0, MOST_HEARD).map((v) => v.name);
  const offers = useOffers().data ?? [];
  const cost = costOfCasting(film, said.speaker, offers);
  const quota = offers.find((o) => o.kind === "speech")?.quota;
  return (
    <section aria-label="All voices">
      <Heading
        title="All voices"
        beside={`${cost.lines} ${cost.lines === 1 ? "line" : "lines"}, ${money(cost.money)} to change`}
      />
      <p className="flex flex-wrap items-center gap-2 pt-1">
        <Choice
          quiet
          label="Whose voices"
          value={who}
          options={[
            ["any", "she or he"],
            ["she", "she"],
            ["he", "he"],
          ]}
          onChange={setWho}
        />
        <Choice
          quiet
          label="Of which age"
          value={age}
          options={[
            ["any", "any age"],
            ["child", "children"],
            ["adult", "grown"],
            ["old", "old"],
          ]}
          onChange={setAge}
        />
        <Choice
          quiet
          label="In which language"
          value={language}
          options={[["any", "any language"], ...languagesOf(voices, film.language)]}
          onChange={setLanguage}
        />
      </p>
      {quota && (
        <p className="text-[12.5px] text-ink-2">
          characters today: {(quota.limit - quota.left).toLocaleString("en")} spent,{" "}
          {quota.left.toLocaleString("en")} left
        </p>
      )}
      <p className="flex items-center gap-2 pb-1">
        <Choice
          quiet
          label="In which order"
          value={order}
          options={[
            ["given", "as offered"],
            ["pitch", "low to high"],
            ["pace", "slow to quick"],
          ]}
          onChange={(o) => setOrder(o as typeof order)}
        />
        <Button
          className="ml-auto"
          onClick={() => {
            setAsked(true);
            start.mutate({ kind: "audition", line: said.line, voices: unheard });
          }}
        >
          Let {unheard.length} say it
        </Button>
      </p>
      <VoiceRows
        film={film}
        said={said}
        voices={shown}
        hearing={hearing}
        onHeard={onHeard}
        verb="Use"
        asked={asked}
        onUse={(v) => {
          const kept = company.find(({ voice }) => voice.name === v.name)?.kept;
          if (kept) change.mutate({ type: "keep voice", for: said.person ?? 0, voice: kept });
          else onGive(v.name);
        }}
      />
    </section>
  );
}

interface RowsProps extends PartProps {
  voices: readonly Voice[];
  verb: string;
  /** They are all called the same, and told apart by their number. */
  numbered?: boolean;
  /** They were asked to say the line. */
  asked: boolean;
  onUse: (voice: Voice) => void;
}

function VoiceRows(props: RowsProps) {
  const { film, said, voices, hearing, onHeard, verb, numbered, asked, onUse } = props;
  const names = voices.slice(0, MOST_HEARD).map((v) => v.name);
  const heard = useHeard(film, said.line, names, asked).data ?? [];
  const hear = (v: Voice, i: number) => {
    const found = heard.find((h) => h.voice === v.name);
    if (!found?.media) return;
    if (hearing.playing === found.media) return hearing.stop();
    const { media, seconds } = found;
    if (v.name !== said.voice)
      onHeard({ media, seconds, title: numbered ? `number ${i + 1}` : v.title });
    hearing.hear(media, 0);
  };
  return (
    <ul>
      {voices.map((v, i) => {
        const media = heard.find((h) => h.voice === v.name)?.media;
        const used = v.name === said.voice;
        return (
          <li
            key={v.name}
            className="grid grid-cols-[28px_minmax(0,1fr)_52px_64px] items-center gap-1 border-b border-rule py-1"
          >
            <button
              type="button"
              disabled={!media}
              aria-label={`Hear ${numbered ? `number ${i + 1}` : v.title}`}
              title={media ? "hear it say this line" : "it did not say this line yet"}
              className="rounded-[3px] p-1 hover:bg-shade disabled:text-ink-3"
              onClick={() => hear(v, i)}
            >
              {media && hearing.playing === media ? (
                <Square className="size-4" />
              ) : (
                <Play className="size-4" />
              )}
            </button>
            <span className={`truncate ${used ? "font-semibold" : ""}`} title={v.says || v.title}>
              {numbered && <span className="mr-1.5 font-mono text-[12px]">{i + 1}</span>}
              {v.title}
              <Company film={film} voice={v.name} />
            </span>
            <span className="text-right font-mono text-[12px] text-ink-2">
              {v.pitch ? `${Math.round(v.pitch)} Hz` : ""}
            </span>
            {used ? (
              <span className="text-center text-ink-2">used</span>
            ) : (
              <Button className="!h-7 justify-center !px-1" onClick={() => onUse(v)}>
                {verb}
              </Button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
