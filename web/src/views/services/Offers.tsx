/** All offers by what they make; for each kind who is asked first, and who when that one can't. */
import type { OfferRow, PluggedView, Services } from "../../api/services";
import type { Schemas } from "../../api/client";
import { useChoose } from "../../api/services";
import { Choice } from "../../parts/Choice";
import { inWords } from "../../parts/time";
import { KINDS, perInWords, price } from "./kinds";
import type { Beside } from "./Services";

interface Props {
  services: Services;
  beside: Beside | null;
  onBeside: (beside: Beside | null) => void;
}

const COLUMNS = "grid grid-cols-[minmax(0,1fr)_124px_84px_126px_112px_48px_56px] gap-x-3";
/** Radix keeps the empty value for "nothing chosen yet". */
const NOBODY = "-";
export const NO_CHOICE: Schemas["ChoiceView"] = {
  first: null,
  then: null,
  asked: false,
  stars: {},
};

export function Offers({ services, beside, onBeside }: Props) {
  const troubled = services.plugged.filter((p) => p.trouble);
  return (
    <>
      {services.unreached && (
        <p role="status" className="mb-2 border-l-2 border-grease py-1 pl-3">
          The stand-ins that came with Cut Reel do not answer; their offers are as they were seen{" "}
          {lastSeen(services.unreached_since)}.
        </p>
      )}
      {troubled.map((p) => (
        <p key={p.settings.id} role="status" className="mb-2 border-l-2 border-grease py-1 pl-3">
          <b className="font-semibold">{p.settings.title}</b>: {p.trouble}{" "}
          {p.silent_since && `What it offers is as it was seen ${lastSeen(p.silent_since)}. `}
          <button
            type="button"
            className="underline decoration-rule-strong underline-offset-2 hover:text-ink"
            onClick={() => onBeside({ settings: p.settings })}
          >
            its settings
          </button>
        </p>
      ))}
      <div
        className={`${COLUMNS} sticky top-0 z-10 border-b border-rule-strong bg-ground pb-1.5 pt-1 text-[12px] text-ink-2`}
      >
        <span>offer</span>
        <span className="text-right">price</span>
        <span className="text-right">takes</span>
        <span className="text-right">left today</span>
        <span className="text-right">lately</span>
        <span className="text-right">today</span>
        <span className="text-right">month</span>
      </div>
      {KINDS.map(([kind, title]) => {
        const rows = services.offers.filter((r) => r.offer.kind === kind);
        if (!rows.length) return null;
        return (
          <section key={kind} aria-label={title} className="mt-4 first-of-type:mt-3">
            <h2 className="flex items-baseline gap-3 pb-1">
              <span className="font-serif text-[17px] font-bold">{title}</span>
              {rows.length > 1 && <WhoMakes kind={kind} rows={rows} services={services} />}
            </h2>
            {rows.map((row) => (
              <Row
                key={row.offer.name}
                row={row}
                plugged={services.plugged.find((p) => p.settings.id === row.service)}
                on={!!beside && "offer" in beside && beside.offer === row.offer.name}
                onOpen={() => onBeside({ offer: row.offer.name })}
              />
            ))}
          </section>
        );
      })}
      <Off services={services} onBeside={onBeside} />
    </>
  );
}

/** Who is asked first for a kind, and who makes it when that one can't. */
function WhoMakes({
  kind,
  rows,
  services,
}: {
  kind: OfferRow["offer"]["kind"];
  rows: readonly OfferRow[];
  services: Services;
}) {
  const choose = useChoose();
  const choice = services.choices[kind] ?? NO_CHOICE;
  const names = rows.map((r) => [r.offer.name, r.offer.title] as const);
  const first = choice.first ?? NOBODY;
  return (
    <span className="text-[12.5px] text-ink-2">
      {kind === "picture" ? "of new films by " : "by "}
      <Choice
        quiet
        label={`First for ${kind}`}
        value={first}
        options={[[NOBODY, kind === "picture" ? "the usual one" : "whoever comes first"], ...names]}
        onChange={(to) =>
          choose.mutate({
            kind,
            choice: {
              ...choice,
              first: to === NOBODY ? null : to,
              then: choice.then === to ? null : choice.then,
            },
          })
        }
      />
      {", when that can’t, "}
      <Choice
        quiet
        label={`Second for ${kind}`}
        value={choice.then ?? NOBODY}
        options={[[NOBODY, "nobody, and it is said"], ...names.filter(([name]) => name !== first)]}
        onChange={(to) =>
          choose.mutate({ kind, choice: { ...choice, then: to === NOBODY ? null : to } })
        }
      />
      {choice.then && (
        <>
          {", "}
          <Choice
            quiet
            label={`When the second makes ${kind}`}
            value={choice.asked ? "asked" : "unasked"}
            options={[
              ["unasked", "without asking"],
              ["asked", "when I say so"],
            ]}
            onChange={(how) =>
              choose.mutate({ kind, choice: { ...choice, asked: how === "asked" } })
            }
          />
        </>
      )}
    </span>
  );
}

function Row({
  row,
  plugged,
  on,
  onOpen,
}: {
  row: OfferRow;
  plugged: PluggedView | undefined;
  on: boolean;
  onOpen: () => void;
}) {
  const { offer } = row;
  return (
    <button
      type="button"
      aria-expanded={on}
      onClick={onOpen}
      className={`${COLUMNS} w-full items-baseline border-b border-rule py-1.5 text-left ${on ? "bg-page shadow-[inset_2px_0_0_var(--ink)]" : "hover:bg-shade"}`}
    >
      <span className="min-w-0 pl-2">
        <span className="font-medium">{offer.title}</span>
        <span className="ml-2 text-[12px] text-ink-2">
          {plugged ? (offer.service !== offer.title ? offer.service : wayOf(plugged)) : "stand-in"}
        </span>
      </span>
      <span className="text-right text-[12px] text-ink-2">
        <span className="font-mono text-ink">{price(offer.price.amount)}</span>
        {Number(offer.price.amount) > 0 && ` ${perInWords(offer.price.per)}`}
      </span>
      <span className="text-right text-[12px] text-ink-2">{takes(offer)}</span>
      <span className="text-right text-[12px] text-ink-2">
        {offer.quota ? (
          <>
            <span className="font-mono text-ink">{offer.quota.left.toLocaleString("en")}</span> of{" "}
            {offer.quota.limit.toLocaleString("en")}
          </>
        ) : (
          "no limit"
        )}
      </span>
      <span className="text-right text-[12px] text-ink-2">
        {row.seconds !== null && `${inSeconds(row.seconds)} each`}
        {row.jobs > 0 && row.seconds !== null && row.failed > 0 && ", "}
        {row.failed > 0 && (
          <span className="text-grease-ink">
            {row.failed} of {row.jobs} failed
          </span>
        )}
        {!row.jobs && "–"}
      </span>
      <span className="text-right font-mono text-[12px]">{spent(row.today)}</span>
      <span className="pr-2 text-right font-mono text-[12px]">{spent(row.month)}</span>
    </button>
  );
}

/** What is plugged in and switched off, or offers nothing now: it is still to be found. */
function Off({ services, onBeside }: { services: Services; onBeside: (beside: Beside) => void }) {
  const offering = new Set(services.offers.map((r) => r.service));
  const silent = services.plugged.filter((p) => !offering.has(p.settings.id));
  if (!silent.length) return null;
  return (
    <section aria-label="Switched off" className="mt-5">
      <h2 className="pb-1 font-serif text-[17px] font-bold">Not in use</h2>
      {silent.map((p) => (
        <button
          key={p.settings.id}
          type="button"
          onClick={() => onBeside({ settings: p.settings })}
          className="flex w-full gap-2 border-b border-rule py-1.5 pl-2 text-left hover:bg-shade"
        >
          <span className="font-medium">{p.settings.title}</span>
          <span className="text-ink-2">
            {p.settings.on === false ? "switched off" : "offers nothing now"}
          </span>
        </button>
      ))}
    </section>
  );
}

const wayOf = (plugged: PluggedView): string =>
  ({ protocol: "service", program: "program", interface: "HTTP interface", hand: "by hand" })[
    plugged.settings.reached.how
  ];

/** When offers were seen last, in words: at an hour of today, or on a day. */
function lastSeen(at: string | null | undefined): string {
  if (!at) return "last";
  const seen = new Date(at);
  const hour = seen.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
  return seen.toDateString() === new Date().toDateString()
    ? `at ${hour}`
    : `on ${seen.toLocaleDateString("en-GB", { day: "numeric", month: "long" })} at ${hour}`;
}

const inSeconds = (seconds: number): string =>
  seconds < 10 ? `${seconds.toFixed(1)} s` : inWords(seconds);

const spent = (amount: number): string => (amount ? amount.toFixed(2) : "–");

function takes({ caps, kind, lengths }: OfferRow["offer"]): string {
  const letters = kind === "speech" ? caps.text_characters : caps.prompt_characters;
  if (kind === "clip" && lengths?.length) return `${lengths.join(" or ")} s`;
  if (letters) return `${letters.toLocaleString("en")} letters`;
  if (caps.seconds)
    return caps.seconds < 60 ? `${caps.seconds} s` : `${Math.round(caps.seconds / 60)} min`;
  return "any length";
}
