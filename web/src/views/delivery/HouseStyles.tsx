/** House styles: this film's kept by a name, and others applied to it, with what they would change shown first. */
import { X } from "lucide-react";
import { useRef, useState } from "react";

import type { Film } from "../../api/client";
import {
  type HouseStyle,
  useBringStyle,
  useDropStyle,
  useKeepStyle,
  useStyleChanges,
  useStyles,
} from "../../api/styles";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { BeforeYouDecide } from "../continuity/BeforeYouDecide";

export function HouseStyles({ film }: { film: Film }) {
  const styles = useStyles().data ?? [];
  const keep = useKeepStyle(film.id);
  const drop = useDropStyle();
  const bring = useBringStyle();
  const input = useRef<HTMLInputElement>(null);
  const [name, setName] = useState("");
  const [looked, setLooked] = useState<HouseStyle | null>(null);
  return (
    <section aria-label="House style" className="mt-5 border-t border-rule-strong pt-3">
      <h3 className="font-semibold">House style</h3>
      <p className="mb-2 mt-1 text-ink-2">
        What this film looks and sounds like, kept for others: look, narrator, captions, words on
        the screen, joins, grade and effects, music and mix, pace, and what is delivered.
      </p>
      <form
        className="flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (name.trim()) keep.mutate(name, { onSuccess: () => setName("") });
        }}
      >
        <Field
          aria-label="Name of the style"
          placeholder="name of the channel or series"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" disabled={!name.trim() || keep.isPending}>
          Keep
        </Button>
        <Button onClick={() => input.current?.click()}>Bring</Button>
        <input
          ref={input}
          type="file"
          accept=".json"
          aria-label="A style as a file"
          className="hidden"
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = "";
            if (file) bring.mutate(file);
          }}
        />
      </form>
      <ul aria-label="Styles that are kept" className="mt-2">
        {styles.map((s) => (
          <li key={s.id} className="flex min-h-8 items-center gap-2 border-t border-rule">
            <span className="min-w-0 truncate">{s.style.name}</span>
            <button
              type="button"
              className="ml-auto min-h-6 shrink-0 rounded-[5px] border border-rule-strong bg-page px-2 text-[12px] hover:bg-shade"
              onClick={() => setLooked(looked?.id === s.id ? null : s)}
            >
              what it would change
            </button>
            <a
              href={`/api/styles/${s.id}/file`}
              download={`${s.style.name}.json`}
              className="min-h-6 shrink-0 text-[12px] underline decoration-dotted underline-offset-2"
            >
              as a file
            </a>
            <button
              type="button"
              aria-label={`Let ${s.style.name} go`}
              className="flex size-6 items-center justify-center rounded-[3px] hover:bg-shade"
              onClick={() => {
                drop.mutate(s.id);
                setLooked(null);
              }}
            >
              <X className="size-3.5" />
            </button>
          </li>
        ))}
      </ul>
      {looked && <Compared film={film} kept={looked} onDone={() => setLooked(null)} />}
    </section>
  );
}

interface ComparedProps {
  film: Film;
  kept: HouseStyle;
  onDone: () => void;
}

/** What a style would change, setting by setting; some can be left as they are. */
function Compared({ film, kept, onDone }: ComparedProps) {
  const changes = useStyleChanges(film.id, kept.id, film.revision).data;
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  if (!changes) return null;
  if (!changes.length)
    return <p className="py-2 text-ink-2">This film is in that style already.</p>;
  const taken = changes.filter((c) => !left.has(c.setting)).map((c) => c.setting);
  const turn = (setting: string) =>
    setLeft((before) => {
      const next = new Set(before);
      if (!next.delete(setting)) next.add(setting);
      return next;
    });
  return (
    <>
      <table
        className="my-2 w-full text-[12.5px]"
        aria-label={`What ${kept.style.name} would change`}
      >
        <tbody>
          {changes.map((c) => (
            <tr key={c.setting} className="border-t border-rule align-top">
              <td className="py-1 pr-2">
                <label className="flex min-h-6 items-center gap-1.5">
                  <input
                    type="checkbox"
                    checked={!left.has(c.setting)}
                    onChange={() => turn(c.setting)}
                  />
                  {c.setting.replaceAll("_", " ")}
                </label>
              </td>
              <td className="max-w-[120px] truncate py-1.5 pr-2 text-ink-2" title={shown(c.now)}>
                {shown(c.now)}
              </td>
              <td className="max-w-[140px] truncate py-1.5" title={shown(c.then)}>
                {shown(c.then)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {taken.length > 0 && (
        <BeforeYouDecide
          film={film}
          title={`Take ${kept.style.name}`}
          command={{
            type: "take style",
            style: kept.style,
            only: left.size ? taken : null,
          }}
          onDone={onDone}
          onLeave={onDone}
        />
      )}
    </>
  );
}

/** A setting as it is read: words and numbers; of what has parts, those that are not nothing. */
export function shown(value: unknown): string {
  if (value === null || value === "") return "none";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (Array.isArray(value)) return value.length ? value.map(shown).join(", ") : "none";
  if (typeof value === "object")
    return (
      Object.entries(value)
        .filter(([, part]) => part !== null && part !== 0 && part !== false && part !== "none")
        .map(([key, part]) => `${key.replaceAll("_", " ")} ${shown(part)}`)
        .join(", ") || "none"
    );
  return String(value as string | number);
}
