/** A film's pictures shared out among offers: the best where it counts, by a day, under a sum; as a table one can change. */
import { useState } from "react";
import { useSearchParams } from "react-router";

import { useFilm, useShelf } from "../../api/film";
import {
  type PlanView,
  type PlanWanted,
  useBeginPlan,
  useFilmMoney,
  useMoney,
  usePlan,
  useRunsOf,
  useServices,
} from "../../api/services";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { RunControls } from "../../parts/RunControls";
import { money } from "../../parts/time";
import { notify } from "../../state/notices";
import { LimitRow } from "./Money";
import { price } from "./kinds";
import { WhoInFilm } from "./WhoInFilm";

const LEVELS: readonly (readonly [1 | 2 | 3, string, string])[] = [
  [3, "the opening, and faces", "the first half minute, and pictures that a face fills"],
  [2, "deeds and speech", "somebody does something, or speaks"],
  [1, "everything else", "places, things, ways between"],
];

export function Sharing() {
  const films = useShelf().data ?? [];
  const [asked, ask] = useSearchParams();
  const film = asked.get("film") ?? films[0]?.id;
  if (!film) return <p className="px-5 py-6 text-ink-2">There is no film yet.</p>;
  return (
    <Shared
      key={film}
      film={film}
      head={
        <Choice
          label="Which film"
          value={film}
          options={films.map((f) => [f.id, f.cut ? `${f.title}, ${f.cut}` : f.title])}
          onChange={(id) => ask({ view: "sharing", film: id }, { replace: true })}
        />
      }
    />
  );
}

type Fixed = Record<string, number>;
const slot = (level: number, offer: string) => `${level} ${offer}`;

function Shared({ film: id, head }: { film: string; head: React.ReactNode }) {
  const film = useFilm(id).data;
  const services = useServices().data;
  const [days, setDays] = useState(1);
  const [sum, setSum] = useState("");
  const [fixed, setFixed] = useState<Fixed>({});
  const begin = useBeginPlan(id);
  const wanted: PlanWanted = {
    days,
    money: sum.trim() && !Number.isNaN(Number(sum)) ? sum.trim() : null,
    fixed: Object.entries(fixed).map(([at, count]) => {
      const [level, ...offer] = at.split(" ");
      return [Number(level), offer.join(" "), count];
    }),
  };
  const runs = useRunsOf(id).data ?? [];
  const going = runs.filter((r) => r.state === "going" || r.state === "paused");
  const made = runs.reduce((n, r) => n + r.done, 0);
  const plan = usePlan(id, film?.revision ?? 0, made, wanted).data;
  const offers = (services?.offers ?? []).filter((r) => r.offer.kind === "picture");
  const pieces = plan ? Object.values(plan.pieces).reduce((a, b) => a + b, 0) : 0;
  return (
    <div className="grid h-full grid-cols-[1fr_412px]">
      <section aria-label="Who makes which" className="min-h-0 overflow-y-auto px-5 pb-6 pt-1">
        <div className="flex flex-wrap items-center gap-2 pb-3">
          {head}
          <span className="ml-1 text-ink-2">ready</span>
          <Choice
            label="Ready by"
            value={String(days)}
            options={[1, 2, 3, 5, 7, 14, 30].map((n) => [String(n), inDays(n)] as const)}
            onChange={(n) => setDays(Number(n))}
          />
          <span className="text-ink-2">for at most</span>
          <Field
            aria-label="For at most"
            inputMode="decimal"
            placeholder="any sum"
            value={sum}
            onChange={(e) => setSum(e.target.value)}
            className="max-w-24 text-right font-mono text-[12px]"
          />
        </div>
        {plan && plan.chosen.length > 0 && (
          <p className="pb-2 text-ink-2">
            {plan.chosen.length === 1 ? "One picture is" : `${plan.chosen.length} pictures are`}{" "}
            made by who was chosen for {plan.chosen.length === 1 ? "it" : "them"},{" "}
            <span className="font-mono text-[12px]">{plan.chosen_cost.toFixed(2)}</span>; the rest
            is shared out.
          </p>
        )}
        {plan && pieces === 0 && !plan.chosen.length && (
          <p className="font-serif text-[17px] text-ink-2">Every shot of it has its picture.</p>
        )}
        {plan && (pieces > 0 || plan.chosen.length > 0) && (
          <>
            <table className="w-full border-collapse">
              <thead>
                <tr className="border-b border-rule-strong text-[12px] text-ink-2">
                  <th scope="col" className="py-1.5 text-left font-normal">
                    pictures that are still to be made
                  </th>
                  {offers.map(({ offer }) => (
                    <th
                      key={offer.name}
                      scope="col"
                      className="w-[108px] px-1 text-right align-bottom font-normal"
                    >
                      <span className="block truncate text-ink">{offer.title}</span>
                      {price(offer.price.amount)},{" "}
                      {services?.choices.picture?.stars?.[offer.name] ?? 3} of 5 stars
                    </th>
                  ))}
                  <th scope="col" className="w-[72px] text-right align-bottom font-normal">
                    not made
                  </th>
                </tr>
              </thead>
              <tbody>
                {LEVELS.filter(([level]) => plan.pieces[level]).map(([level, title, says]) => (
                  <tr key={level} className="border-b border-rule">
                    <th scope="row" className="py-2 text-left font-normal" title={says}>
                      <span className="font-medium">{title}</span>{" "}
                      <span className="font-mono text-[12px] text-ink-2">{plan.pieces[level]}</span>
                    </th>
                    {offers.map(({ offer }) => (
                      <td key={offer.name} className="px-1 text-right">
                        <Count
                          label={`${title} by ${offer.title}`}
                          made={countOf(plan, level, offer.name)}
                          fixed={fixed[slot(level, offer.name)]}
                          onFix={(n) => setFixed(held(fixed, slot(level, offer.name), n))}
                        />
                      </td>
                    ))}
                    <td className="text-right font-mono text-[12px]">
                      {plan.unmade[level] ? (
                        <span className="text-grease-ink">{plan.unmade[level]}</span>
                      ) : (
                        "–"
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p className="pt-2 text-ink-2">
              Type a number to hold it; the rest is shared out anew.
              {Object.keys(fixed).length > 0 && (
                <button
                  type="button"
                  className="ml-2 min-h-6 underline decoration-rule-strong underline-offset-2 hover:text-ink"
                  onClick={() => setFixed({})}
                >
                  Let go of what is held
                </button>
              )}
            </p>
            <p className="mt-4 flex items-center gap-3">
              <Button
                kind="ink"
                disabled={
                  begin.isPending ||
                  !(plan.steps.length || plan.chosen.length) ||
                  going.some((r) => !r.waits)
                }
                onClick={() =>
                  begin.mutate(wanted, {
                    onSuccess: (runs) =>
                      notify(
                        `${runs.length === 1 ? "One offer has" : `${runs.length} offers have`} their share of it.`,
                      ),
                  })
                }
              >
                Make them so
                <span className="font-mono font-normal opacity-75">
                  {money(plan.cost + plan.chosen_cost)}
                </span>
              </Button>
              <span className="text-ink-2">
                {plan.ready === 0 ? "all today" : `ready ${inDays(plan.ready + 1)}`}
                {sumOf(plan.unmade) > 0 && `, ${sumOf(plan.unmade)} not made`}
              </span>
            </p>
            <Days plan={plan} title={(name) => titleOf(offers, name)} />
            <Without plan={plan} title={(name) => titleOf(offers, name)} />
          </>
        )}
      </section>
      <aside
        aria-label="Money of the film"
        className="min-h-0 overflow-y-auto border-l border-rule-strong bg-page px-5 py-4"
      >
        {film &&
          going.map((run) => (
            <div key={run.id} className="mb-3">
              <RunControls film={film} run={run} />
            </div>
          ))}
        <FilmMoney film={id} made={made} />
        {film && <WhoInFilm film={film} />}
      </aside>
    </div>
  );
}

/** The numbers that are held, with one more, or without it. */
const held = (fixed: Fixed, at: string, n: number | null): Fixed =>
  Object.fromEntries([
    ...Object.entries(fixed).filter(([other]) => other !== at),
    ...(n === null ? [] : [[at, n] as const]),
  ]);

const inDays = (n: number): string => (n === 1 ? "today" : n === 2 ? "tomorrow" : `in ${n} days`);
const sumOf = (counts: Record<string, number>) => Object.values(counts).reduce((a, b) => a + b, 0);
const countOf = (plan: PlanView, level: number, offer: string) =>
  plan.steps.find((s) => s.level === level && s.offer === offer)?.count ?? 0;
const titleOf = (offers: readonly { offer: { name: string; title: string } }[], name: string) =>
  offers.find((r) => r.offer.name === name)?.offer.title ?? name;

/** A number of the plan; typed over, it is held. */
function Count({
  label,
  made,
  fixed,
  onFix,
}: {
  label: string;
  made: number;
  fixed: number | undefined;
  onFix: (n: number | null) => void;
}) {
  return (
    <input
      aria-label={label}
      inputMode="numeric"
      value={fixed ?? (made || "")}
      placeholder="–"
      onKeyDown={(e) => e.stopPropagation()}
      onChange={(e) => {
        const text = e.target.value.replace(/\D/g, "");
        onFix(text === "" ? null : Math.min(20_000, Number(text)));
      }}
      className={`h-7 w-16 rounded-[3px] border px-1.5 text-right font-mono text-[12px] text-ink placeholder:text-ink-2 ${fixed === undefined ? "border-transparent bg-transparent hover:border-rule-strong" : "border-ink bg-field"}`}
    />
  );
}

function Days({ plan, title }: { plan: PlanView; title: (offer: string) => string }) {
  const counts = Object.entries(plan.days);
  const last = plan.ready;
  if (last === 0) return null;
  return (
    <section aria-label="Day by day" className="mt-6">
      <h2 className="border-b border-rule-strong pb-1 font-serif text-[17px] font-bold">
        Day by day
      </h2>
      {Array.from({ length: last + 1 }, (_, day) => (
        <p key={day} className="grid grid-cols-[96px_1fr] border-b border-rule py-1">
          <span className="text-ink-2">{inDays(day + 1)}</span>
          <span>
            {counts
              .filter(([, n]) => n[day])
              .map(([offer, n]) => `${n[day]} by ${title(offer)}`)
              .join(", ") || "nothing"}
          </span>
        </p>
      ))}
    </section>
  );
}

/** What each limit costs: what would be without it. */
function Without({ plan, title }: { plan: PlanView; title: (offer: string) => string }) {
  if (!plan.without.length) return null;
  const made = plan.steps.reduce((a, s) => a + s.count, 0);
  return (
    <section aria-label="What each limit costs" className="mt-6">
      <h2 className="border-b border-rule-strong pb-1 font-serif text-[17px] font-bold">
        What each limit costs
      </h2>
      {plan.without.map((w) => (
        <p key={w.limit} className="border-b border-rule py-1">
          {w.limit === "money"
            ? "With any sum"
            : w.limit === "days"
              ? "With a week more"
              : `Without the daily number of ${title(w.limit)}`}
          : {w.made > made ? `${w.made - made} more pictures` : "better ones where it counts"},{" "}
          <span className="font-mono text-[12px]">{w.cost.toFixed(2)}</span> in all.
        </p>
      ))}
    </section>
  );
}

function FilmMoney({ film, made }: { film: string; made: number }) {
  const money = useFilmMoney(film, made).data;
  const limits = useMoney().data;
  if (!money || !limits) return null;
  const rows: readonly (readonly [string, number])[] = [
    ["spent so far", money.spent],
    ["on takes it uses", money.used],
    ["on takes it does not use", money.unused],
    ["for a finished minute", money.per_minute],
    ["the whole, at this rate", money.forecast],
  ];
  return (
    <>
      <h2 className="mb-2 font-serif text-[20px] font-bold">Its money</h2>
      <dl>
        {rows.map(([name, amount]) => (
          <div key={name} className="flex justify-between border-b border-rule py-1.5">
            <dt className="text-ink-2">{name}</dt>
            <dd className="font-mono text-[12px]">{amount.toFixed(amount < 0.1 ? 3 : 2)}</dd>
          </div>
        ))}
      </dl>
      {money.shots.length > 1 && (
        <>
          <h3 className="mt-5 font-semibold">Its dearest shots</h3>
          <p className="flex flex-wrap gap-x-3 text-ink-2">
            {money.shots.slice(0, 6).map((s) => (
              <span key={s.shot} className="whitespace-nowrap">
                {s.edge ? `shot ${s.edge}` : "one that is gone"}{" "}
                <span className="font-mono text-[12px] text-ink">
                  {s.amount.toFixed(s.amount < 0.1 ? 3 : 2)}
                </span>
              </span>
            ))}
          </p>
        </>
      )}
      <h3 className="mt-5 font-semibold">Its limit</h3>
      <LimitRow
        key={film}
        scope={film}
        title="this film"
        money={{ ...limits, today: money.spent }}
      />
    </>
  );
}
