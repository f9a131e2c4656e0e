/** Texts for publishing: drafted from the film, edited in place, counted, copied. */
import { Copy } from "lucide-react";

import type { Film } from "../../api/client";
import { useChange } from "../../api/film";
import { type Publishing, usePublishing } from "../../api/publishing";
import { Choice } from "../../parts/Choice";
import { Editable } from "../../parts/Editable";
import { notify } from "../../state/notices";
import { ByWriter } from "./ByWriter";

type Field = "title" | "description" | "tags" | "hashtags";

const stamp = (seconds: number) => {
  const s = Math.floor(seconds);
  const two = (n: number) => String(n).padStart(2, "0");
  return s >= 3600
    ? `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}`
    : `${Math.floor(s / 60)}:${two(s % 60)}`;
};

/** What is pasted elsewhere. */
const asText = (p: Publishing, field: Field | "chapters"): string => {
  if (field === "chapters") return p.chapters.map((c) => `${stamp(c.start)} ${c.title}`).join("\n");
  if (field === "tags") return p.texts.tags.join(", ");
  if (field === "hashtags") return p.texts.hashtags.join(" ");
  return p.texts[field];
};

const asValue = (field: Field, text: string): string | string[] => {
  if (field === "tags")
    return text
      .split(",")
      .map((t) => t.trim())
      .filter(Boolean);
  if (field === "hashtags") return text.split(/[\s,]+/).filter(Boolean);
  return text;
};

export function TextsDesk({ film }: { film: Film }) {
  const told = usePublishing(film).data;
  if (!told) return <p className="text-ink-2">Drafting the texts …</p>;
  return (
    <section aria-label="Texts">
      <div className="mb-2 flex items-baseline">
        <h2 className="font-serif text-[20px] font-bold">Texts</h2>
        <a
          href={`/api/films/${film.id}/publishing.txt`}
          download
          className="ml-auto underline decoration-rule-strong underline-offset-2 hover:decoration-ink"
        >
          all as one file
        </a>
      </div>
      <Written film={film} told={told} field="title" letters={52} />
      <Written film={film} told={told} field="description" letters={64} multiline />
      <Chapters told={told} />
      <Written film={film} told={told} field="tags" letters={64} multiline />
      <Written film={film} told={told} field="hashtags" letters={64} />
      {told.unlicensed.length > 0 && (
        <p className="mt-2 text-grease-ink">
          Neither credit nor licence is known of {told.unlicensed.join(", ")}: say it where the
          sound is kept, on the Sheet.
        </p>
      )}
    </section>
  );
}

interface WrittenProps {
  film: Film;
  told: Publishing;
  field: Field;
  letters: number;
  multiline?: boolean;
}

function Written({ film, told, field, letters, multiline = false }: WrittenProps) {
  const change = useChange(film.id);
  const text = asText(told, field);
  const own = JSON.stringify(told.texts[field]) !== JSON.stringify(told.drafted[field]);
  const put = (value: string | string[] | null) =>
    change.mutate({ type: "set texts", values: { [field]: value } });
  const count = field === "hashtags" ? told.texts.hashtags.length : text.length;
  return (
    <div className="border-t border-rule py-2">
      <div className="flex min-h-6 flex-wrap items-baseline gap-x-3 text-ink-2">
        <h3 className="text-ink-2">{field}</h3>
        <span className="font-mono text-[12px]">
          {count} of {told.most[field]}
        </span>
        {own ? (
          <button
            type="button"
            className="min-h-6 underline decoration-dotted underline-offset-2 hover:text-ink"
            onClick={() => put(null)}
          >
            as drafted
          </button>
        ) : (
          <span className="text-[12px]">drafted</span>
        )}
        {field === "title" && told.titles.length > 1 && (
          <Choice
            quiet
            label="Another title"
            value="none"
            options={[["none", "others"], ...told.titles.map((t) => [t, t] as const)]}
            onChange={(t) => t !== "none" && put(t)}
          />
        )}
        {(field === "title" || field === "description") && (
          <ByWriter film={film} field={field} onTake={put} />
        )}
        <CopyText text={text} what={field} />
      </div>
      <Editable
        value={text}
        label={field[0]!.toUpperCase() + field.slice(1)}
        multiline={multiline}
        letters={letters}
        onSave={(value) => put(asValue(field, value))}
        className={`font-serif ${field === "title" ? "text-[17px] font-semibold" : "text-[14px] leading-snug"} ${field === "description" ? "!overflow-y-auto max-h-[210px]" : ""}`}
      />
      <Faults told={told} field={field} />
    </div>
  );
}

function Chapters({ told }: { told: Publishing }) {
  return (
    <div className="border-t border-rule py-2">
      <div className="flex min-h-6 items-baseline gap-3 text-ink-2">
        <h3>chapters</h3>
        <span className="text-[12px]">from scenes, in the description and in the file</span>
        {told.chapters.length > 0 && <CopyText text={asText(told, "chapters")} what="chapters" />}
      </div>
      <ol className="columns-2 gap-5">
        {told.chapters.map((c) => (
          <li key={c.start} className="flex gap-2 break-inside-avoid">
            <span className="w-10 shrink-0 text-right font-mono text-[12px] leading-5 text-ink-2">
              {stamp(c.start)}
            </span>
            <span className="truncate">{c.title}</span>
          </li>
        ))}
      </ol>
      <Faults told={told} field="chapters" />
    </div>
  );
}

const Faults = ({ told, field }: { told: Publishing; field: Field | "chapters" }) =>
  told.faults
    .filter((f) => f.field === field)
    .map((f) => (
      <p key={f.says} className={`text-[12px] ${f.beyond ? "text-grease-ink" : "text-ink-2"}`}>
        {f.says}
      </p>
    ));

const CopyText = ({ text, what }: { text: string; what: string }) => (
  <button
    type="button"
    aria-label={`Copy the ${what}`}
    title={`Copy the ${what}`}
    className="ml-auto flex size-6 items-center justify-center rounded-[3px] text-ink-2 hover:bg-shade hover:text-ink"
    onClick={() =>
      void navigator.clipboard
        .writeText(text)
        .then(() => notify(`The ${what} can be pasted now.`))
        .catch(() => notify("This browser does not let it be copied; mark it and copy it there."))
    }
  >
    <Copy className="size-3.5" />
  </button>
);
