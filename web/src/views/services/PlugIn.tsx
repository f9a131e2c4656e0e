/** Plugging in: the way, then its settings; tried from here, with what was sent and what came. */
import { useState } from "react";

import { Problem } from "../../api/client";
import {
  type Plugged,
  type Services,
  type Settings,
  type Tried,
  useMoney,
  usePlugIn,
  useTry,
  useUnplug,
} from "../../api/services";
import { Button } from "../../parts/Button";
import { Area, Check, Field } from "../../parts/Field";
import { SaidOffer } from "./SaidOffer";
import { WAYS, blank, idOf, typed, wordsOf } from "./kinds";
import { Checked } from "./Opened";
import type { Beside } from "./Services";

interface Props {
  services: Services | undefined;
  beside: Beside | null;
  onBeside: (beside: Beside | null) => void;
}

export function PlugIn({ services, beside, onBeside }: Props) {
  if (beside && "settings" in beside) {
    const known = services?.plugged.find((p) => p.settings.id === beside.settings.id);
    return (
      <>
        <Form
          start={known?.settings ?? beside.settings}
          anew={false}
          hasKey={known?.has_key ?? false}
          onDone={onBeside}
        />
        {known?.settings.reached.how === "protocol" && <Checked plugged={known} />}
      </>
    );
  }
  if (beside && "anew" in beside)
    return (
      <Form key={beside.anew} start={blank(beside.anew)} anew hasKey={false} onDone={onBeside} />
    );
  return (
    <>
      <h2 className="mb-1 font-serif text-[20px] font-bold">Plug something in</h2>
      <p className="mb-3 text-ink-2">
        Whoever makes pictures, clips, voices, sounds or music for you can be reached from here.
      </p>
      {WAYS.map(([how, title, says]) => (
        <button
          key={how}
          type="button"
          onClick={() => onBeside({ anew: how })}
          className="block w-full border-b border-rule py-2.5 text-left first-of-type:border-t hover:bg-shade"
        >
          <span className="block font-medium">{title}</span>
          <span className="block text-ink-2">{says}</span>
        </button>
      ))}
      <p className="mt-4 text-ink-2">
        A Python function can be one too: with the kit, sixty lines are a whole service.{" "}
        <code className="font-mono text-[12px]">bin/cutreel service run FILE</code> runs it, and it
        is plugged in by its address. docs/services.md tells how.
      </p>
    </>
  );
}

interface FormProps {
  start: Settings;
  anew: boolean;
  hasKey: boolean;
  onDone: (beside: Beside | null) => void;
}

function Form({ start, anew, hasKey, onDone }: FormProps) {
  const currency = useMoney().data?.currency;
  const [settings, set] = useState<Settings>(start);
  const [key, setKey] = useState<string | null>(null);
  const plugIn = usePlugIn();
  const unplug = useUnplug();
  const wanted = { settings: { ...settings, id: settings.id || idOf(settings.title) }, key };
  const way = WAYS.find(([how]) => how === settings.reached.how)!;
  const able = wanted.settings.id.length > 1 && settings.title.trim() !== "";
  return (
    <form
      aria-label={anew ? `Plug in: ${way[1]}` : `Settings of ${start.title}`}
      onSubmit={(e) => {
        e.preventDefault();
        plugIn.mutate(
          { ...wanted, anew },
          {
            onSuccess: () =>
              onDone(
                settings.reached.how === "protocol"
                  ? { settings: wanted.settings as Plugged }
                  : null,
              ),
          },
        );
      }}
    >
      <h2 className="flex items-baseline justify-between font-serif text-[20px] font-bold">
        {anew ? way[1] : start.title}
        <button
          type="button"
          className="min-h-6 font-sans text-[13px] font-normal text-ink-2 hover:text-ink"
          onClick={() => onDone(null)}
        >
          {anew ? "Back" : "Close"}
        </button>
      </h2>
      <p className="mb-3 text-ink-2">{way[2]}</p>
      <Labelled title="Name">
        <Field
          aria-label="Name"
          value={settings.title}
          maxLength={60}
          placeholder="as you call it"
          onChange={(e) => set({ ...settings, title: e.target.value })}
        />
      </Labelled>
      <Reaching settings={settings} onChange={set} />
      {(settings.reached.how === "protocol" || settings.reached.how === "interface") && (
        <>
          <Labelled title="Key">
            <Field
              aria-label="Key"
              type="password"
              autoComplete="off"
              value={key ?? ""}
              placeholder={hasKey ? "written in; type to replace it" : "if it needs one"}
              onChange={(e) => setKey(e.target.value)}
            />
          </Labelled>
          <p className="mb-2 text-[12.5px] text-ink-2">
            It is kept sealed, sent nowhere but there, and never shown again.
          </p>
          <Check
            label="It is on this machine or in my own network"
            on={settings.own_network ?? false}
            onChange={(own_network) => set({ ...settings, own_network })}
          />
        </>
      )}
      <details className="mt-2">
        <summary className="min-h-6 cursor-pointer text-ink-2 hover:text-ink">
          Money of another country, terms, credit
        </summary>
        <div className="grid grid-cols-2 gap-x-3 pt-1">
          <Labelled title="Its currency">
            <Field
              aria-label="Its currency"
              value={settings.currency ?? ""}
              maxLength={8}
              onChange={(e) => set({ ...settings, currency: e.target.value })}
            />
          </Labelled>
          <Labelled title={`One of it is, in ${currency || "mine"}`}>
            <Field
              aria-label="One of it is, in mine"
              inputMode="decimal"
              value={String(settings.rate ?? "1")}
              onChange={(e) => set({ ...settings, rate: e.target.value })}
            />
          </Labelled>
        </div>
        <Labelled title="What results may be used for">
          <Field
            aria-label="What results may be used for"
            value={settings.terms ?? ""}
            maxLength={200}
            onChange={(e) => set({ ...settings, terms: e.target.value })}
          />
        </Labelled>
        <Labelled title="Whom to name for them">
          <Field
            aria-label="Whom to name for them"
            value={settings.credit ?? ""}
            maxLength={200}
            onChange={(e) => set({ ...settings, credit: e.target.value })}
          />
        </Labelled>
      </details>
      {!anew && (
        <Check
          label="In use"
          on={settings.on ?? true}
          onChange={(on) => set({ ...settings, on })}
        />
      )}
      {plugIn.error && (
        <p role="alert" className="mt-2 border-l-2 border-grease py-1 pl-3">
          {plugIn.error instanceof Problem
            ? plugIn.error.message
            : "The server does not answer; try again."}
        </p>
      )}
      <p className="mt-3 flex items-center gap-2">
        <Button type="submit" kind="ink" disabled={!able || plugIn.isPending}>
          {plugIn.isPending ? "Looking …" : anew ? "Plug it in" : "Keep"}
        </Button>
        {!anew && (
          <Button
            kind="quiet"
            onClick={() => unplug.mutate(start.id, { onSuccess: () => onDone(null) })}
          >
            Take it out
          </Button>
        )}
      </p>
      {settings.reached.how !== "hand" && <Trying wanted={wanted} able={able} />}
    </form>
  );
}

/** What the way needs to be reached. */
function Reaching({ settings, onChange }: { settings: Settings; onChange: (s: Settings) => void }) {
  const { reached } = settings;
  if (reached.how === "protocol")
    return (
      <Labelled title="Address">
        <Field
          aria-label="Address"
          value={reached.address}
          placeholder="http://127.0.0.1:8790"
          onChange={(e) =>
            onChange({ ...settings, reached: { ...reached, address: e.target.value.trim() } })
          }
        />
      </Labelled>
    );
  if (reached.how === "interface")
    return (
      <Labelled title="Description (TOML)">
        <Area
          aria-label="Description"
          rows={15}
          spellCheck={false}
          value={reached.toml}
          className="font-mono text-[12px]"
          onChange={(e) => onChange({ ...settings, reached: { ...reached, toml: e.target.value } })}
        />
      </Labelled>
    );
  const offer = (
    <SaidOffer
      offer={reached.offer}
      byHand={reached.how === "hand"}
      onChange={(to) => onChange({ ...settings, reached: { ...reached, offer: to } })}
    />
  );
  if (reached.how === "hand") return offer;
  return (
    <>
      <Command
        command={reached.command}
        onChange={(command) => onChange({ ...settings, reached: { ...reached, command } })}
      />
      {offer}
      <div className="grid grid-cols-3 gap-x-3">
        <Labelled title="Writes a file .">
          <Field
            aria-label="Ending of its file"
            value={reached.ending}
            maxLength={5}
            onChange={(e) =>
              onChange({ ...settings, reached: { ...reached, ending: e.target.value.trim() } })
            }
          />
        </Labelled>
        <Labelled title="At most seconds">
          <Whole
            label="At most seconds"
            value={reached.seconds ?? 300}
            onChange={(seconds) =>
              onChange({ ...settings, reached: { ...reached, seconds: seconds ?? 300 } })
            }
          />
        </Labelled>
        <Labelled title="Megabytes">
          <Whole
            label="At most megabytes"
            value={reached.megabytes ?? 4096}
            onChange={(megabytes) =>
              onChange({ ...settings, reached: { ...reached, megabytes: megabytes ?? 4096 } })
            }
          />
        </Labelled>
      </div>
    </>
  );
}

function Command({
  command,
  onChange,
}: {
  command: readonly string[];
  onChange: (command: string[]) => void;
}) {
  const [text, setText] = useState(typed(command));
  return (
    <Labelled title="Command">
      <Area
        aria-label="Command"
        rows={3}
        spellCheck={false}
        value={text}
        placeholder={'draw --text "{prompt}" --seed {seed} --size {width}x{height} --out {output}'}
        className="font-mono text-[12px]"
        onChange={(e) => {
          setText(e.target.value);
          onChange(wordsOf(e.target.value));
        }}
      />
    </Labelled>
  );
}

/** A whole number, or nothing. */
export const Whole = ({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | null;
  onChange: (n: number | null) => void;
}) => (
  <Field
    aria-label={label}
    inputMode="numeric"
    value={value ?? ""}
    onChange={(e) => {
      const typedIn = e.target.value.replace(/\D/g, "");
      onChange(typedIn ? Number(typedIn) : null);
    }}
  />
);

export const Labelled = ({ title, children }: { title: string; children: React.ReactNode }) => (
  <label className="mb-2 block">
    <span className="mb-0.5 block text-[12.5px] text-ink-2">{title}</span>
    {children}
  </label>
);

function Trying({
  wanted,
  able,
}: {
  wanted: { settings: Settings; key: string | null };
  able: boolean;
}) {
  const [prompt, setPrompt] = useState("A lamp on a table by a window at night.");
  const attempt = useTry();
  return (
    <section aria-label="Try it" className="mt-5">
      <h3 className="border-b border-rule-strong pb-1 font-semibold">Try it</h3>
      <p className="py-1.5 text-ink-2">One piece is made, at its price.</p>
      <span className="flex gap-2">
        <Field
          aria-label="What to try it with"
          value={prompt}
          maxLength={2000}
          onChange={(e) => setPrompt(e.target.value)}
        />
        <Button
          disabled={!able || !prompt.trim() || attempt.isPending}
          onClick={() => attempt.mutate({ ...wanted, prompt, seed: 7 })}
        >
          {attempt.isPending ? "making …" : "Try"}
        </Button>
      </span>
      {attempt.error && (
        <p role="alert" className="mt-2 border-l-2 border-grease py-1 pl-3">
          {attempt.error instanceof Problem
            ? attempt.error.message
            : "The server does not answer; try again."}
        </p>
      )}
      {attempt.data && <Result tried={attempt.data} />}
    </section>
  );
}

function Result({ tried }: { tried: Tried }) {
  return (
    <div aria-live="polite" className="mt-2">
      {tried.media ? (
        <>
          <Shown media={tried.media} />
          <p className="mt-1 text-ink-2">
            It took {tried.seconds.toFixed(1)} s and cost {tried.cost || "nothing"}.
          </p>
        </>
      ) : (
        <p role="alert" className="border-l-2 border-grease py-1 pl-3">
          {tried.says}
        </p>
      )}
      {tried.exchanges.map((e, i) => (
        <details key={i} className="mt-1.5 border-b border-rule pb-1" open={!tried.media}>
          <summary className="cursor-pointer break-all font-mono text-[12px]">
            {e.request} <span className="text-ink-2">{e.status || "no answer"}</span>
          </summary>
          {[
            ["sent", e.sent],
            ["came", e.came],
          ].map(
            ([title, text]) =>
              text && (
                <div key={title} className="mt-1">
                  <span className="text-[12px] text-ink-2">{title}</span>
                  <pre className="max-h-40 overflow-auto whitespace-pre-wrap break-all rounded-[3px] bg-shade p-2 font-mono text-[11.5px]">
                    {text}
                  </pre>
                </div>
              ),
          )}
        </details>
      ))}
    </div>
  );
}

function Shown({ media }: { media: string }) {
  const src = `/media/${media}`;
  if (/\.(png|jpg|webp|gif)$/.test(media))
    return <img src={src} alt="What came" className="w-full rounded-[3px]" />;
  if (/\.(mp4|webm)$/.test(media))
    return <video src={src} controls className="w-full rounded-[3px]" />;
  return <audio src={src} controls className="w-full" />;
}
