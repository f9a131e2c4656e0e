/** Money: what was spent on what, and the limits that hold. */
import { useState } from "react";

import { type MoneyView, useCurrency, useLimit, useMoney } from "../../api/services";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { KINDS } from "./kinds";
import { Statements } from "./Statements";

const SCOPES = [
  ["day", "today"],
  ["month", "this month"],
] as const;
const TITLES = new Map<string, string>([...KINDS, ["check", "Checks"]]);

export function Money() {
  const money = useMoney().data;
  if (!money) return null;
  return (
    <div className="grid h-full grid-cols-[1fr_412px]">
      {/* It can be scrolled by keys as well. */}
      <section
        aria-label="What was spent"
        tabIndex={0}
        className="min-h-0 overflow-y-auto px-5 pb-6 pt-1"
      >
        <div className="grid grid-cols-2 gap-x-10 gap-y-6">
          <Sums title="By film" sums={money.films} />
          <Sums
            title="By kind"
            sums={money.kinds.map((k) => ({ ...k, name: TITLES.get(k.name) ?? k.name }))}
          />
          <Sums title="By offer" sums={money.offers} />
          <Sums title="By day" sums={[...money.days].reverse()} />
          {money.months.length > 1 && <Sums title="By month" sums={[...money.months].reverse()} />}
        </div>
      </section>
      <aside
        aria-label="Limits"
        className="min-h-0 overflow-y-auto border-l border-rule-strong bg-page px-5 py-4"
      >
        <h2 className="mb-1 font-serif text-[20px] font-bold">Limits</h2>
        <p className="mb-3 text-ink-2">
          At eight tenths it is said; where nothing is left, a run rests and asks. What is being
          made counts, so two runs never pass a limit together.
        </p>
        {SCOPES.map(([scope, title]) => (
          <LimitRow key={scope} scope={scope} title={title} money={money} />
        ))}
        <Currency key={money.currency} name={money.currency} />
        <p className="mt-2 text-[12.5px] text-ink-2">
          A film has a limit of its own under “Sharing out”.
        </p>
        <h2 className="mb-1 mt-7 font-serif text-[20px] font-bold">The ledger</h2>
        <p className="mb-2 text-ink-2">Every job that was paid, one line each, as a table (CSV).</p>
        <a
          href="/api/ledger.csv"
          download
          className="inline-flex h-8 items-center rounded-[5px] border border-rule-strong bg-page px-3 font-medium hover:bg-shade"
        >
          Take the ledger out
        </a>
        <Statements />
        <p className="mt-6 text-ink-2">
          In all{" "}
          <span className="font-mono text-ink">
            {money.whole.toFixed(2)}
            {money.currency && ` ${money.currency}`}
          </span>
          . Days and months are counted by UTC.
        </p>
      </aside>
    </div>
  );
}

/** What the page's money is called; a service in another has a rate of its own. */
function Currency({ name }: { name: string }) {
  const currency = useCurrency();
  const [text, setText] = useState(name);
  return (
    <form
      className="flex items-center gap-2 border-b border-rule py-2"
      onSubmit={(e) => {
        e.preventDefault();
        currency.mutate(text.trim());
      }}
    >
      <label className="contents">
        <span className="grow">all of it is in</span>
        <Field
          placeholder="no name"
          maxLength={8}
          value={text}
          onChange={(e) => setText(e.target.value)}
          className="max-w-24 text-right font-mono text-[12px]"
        />
      </label>
      <Button type="submit" disabled={text.trim() === name || currency.isPending}>
        Set
      </Button>
    </form>
  );
}

function Sums({ title, sums }: { title: string; sums: MoneyView["films"] }) {
  const most = Math.max(...sums.map((s) => s.amount), 1e-9);
  return (
    <section aria-label={title}>
      <h2 className="border-b border-rule-strong pb-1 font-serif text-[17px] font-bold">{title}</h2>
      {!sums.length && <p className="pt-1.5 text-ink-2">Nothing was spent yet.</p>}
      {sums.map((s) => (
        <div
          key={s.name}
          className="grid grid-cols-[minmax(0,1fr)_30%_64px] items-center gap-3 border-b border-rule py-1"
        >
          <span className="truncate" title={s.name}>
            {s.name}
          </span>
          <span aria-hidden="true" className="h-2">
            <span
              className="block h-full bg-ochre"
              style={{ width: `${Math.max(1, (s.amount / most) * 100)}%` }}
            />
          </span>
          <span className="text-right font-mono text-[12px]">{amount(s.amount)}</span>
        </div>
      ))}
    </section>
  );
}

const amount = (n: number): string => n.toFixed(n < 0.1 ? 3 : 2);

export function LimitRow({
  scope,
  title,
  money,
}: {
  scope: string;
  title: string;
  money: Pick<MoneyView, "limits" | "today" | "month">;
}) {
  const known = money.limits.find((l) => l.scope === scope);
  const spent = known?.spent ?? (scope === "month" ? money.month : money.today);
  const [text, setText] = useState(known ? String(known.amount) : "");
  const limit = useLimit();
  const share = known ? Math.min(1, spent / known.amount) : 0;
  const wanted = text.trim() === "" ? null : Number(text);
  const changed = (known?.amount ?? null) !== wanted && !Number.isNaN(wanted);
  return (
    <form
      className="border-b border-rule py-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (changed) limit.mutate({ scope, amount: wanted });
      }}
    >
      <span className="flex items-center gap-2">
        <span className="grow">
          {title}: <span className="font-mono text-[12px]">{amount(spent)}</span> of
        </span>
        <Field
          aria-label={`Limit for ${title}`}
          inputMode="decimal"
          placeholder="no limit"
          value={text}
          onChange={(e) => setText(e.target.value)}
          className="max-w-24 text-right font-mono text-[12px]"
        />
        <Button type="submit" disabled={!changed || limit.isPending}>
          Set
        </Button>
      </span>
      {known && (
        <span className="mt-1.5 block h-1.5 bg-shade">
          <span
            className={`block h-full ${share >= 0.8 ? "bg-grease" : "bg-ochre"}`}
            style={{ width: `${share * 100}%` }}
          />
        </span>
      )}
      {share >= 0.8 && (
        <span className="mt-1 block text-[12.5px]">
          {share >= 1 ? "Nothing is left: runs rest until you raise it." : "Little is left of it."}
        </span>
      )}
    </form>
  );
}
