/** What services say they were paid, beside the ledger: asked for when somebody wants to know. */
import { useState } from "react";

import { Problem } from "../../api/client";
import { useServices, useStatement } from "../../api/services";
import { Choice } from "../../parts/Choice";
import { price } from "./kinds";

const STANDINS = "standins";
const SPANS = [
  ["1", "today"],
  ["7", "a week"],
  ["31", "31 days"],
  ["366", "a year"],
] as const;
const WHICH: Record<string, string> = {
  "theirs alone": "they count it, we don’t",
  "ours alone": "we count it, they don’t",
  "another sum": "another sum",
};

export function Statements() {
  const services = useServices().data;
  const [service, setService] = useState("");
  const [days, setDays] = useState<string>("31");
  const asked = useStatement(service, Number(days));
  if (!services) return null;
  const may = services.plugged.filter((p) =>
    ["protocol", "interface"].includes(p.settings.reached.how),
  );
  const found = asked.data;
  return (
    <section aria-label="What services say">
      <h2 className="mb-1 mt-7 font-serif text-[20px] font-bold">What services say</h2>
      <p className="mb-2 text-ink-2">
        What a service says it was paid, held against the ledger job by job.
      </p>
      <p className="flex items-center gap-2">
        <Choice
          label="Whose statement"
          value={service || "-"}
          options={[
            ["-", "choose whose"],
            [STANDINS, "the stand-ins"],
            ...may.map((p) => [p.settings.id, p.settings.title] as const),
          ]}
          onChange={(to) => setService(to === "-" ? "" : to)}
        />
        <Choice label="Of how long" value={days} options={SPANS} onChange={setDays} />
      </p>
      {service && asked.isFetching && <p className="pt-2 text-ink-2">Asking …</p>}
      {service && asked.error && !asked.isFetching && (
        <p role="status" className="pt-2">
          {asked.error instanceof Problem ? asked.error.message : "The server does not answer."}
        </p>
      )}
      {service && found && !asked.isFetching && !asked.error && (
        <div role="status" className="pt-2">
          <p>
            {found.differ === 0
              ? `All ${found.same} jobs are the same here and there: `
              : `${found.same} jobs are the same, ${found.differ} ${found.differ === 1 ? "differs" : "differ"}: we count ${price(found.ours)}, they `}
            <span className="font-mono">{price(found.theirs)}</span>.
          </p>
          {found.differences.length > 0 && (
            <ul className="mt-1">
              {found.differences.map((d) => (
                <li
                  key={d.key}
                  title={d.key}
                  className="flex items-baseline gap-2 border-b border-rule py-1 text-[12.5px]"
                >
                  <span className="text-ink-2">
                    {new Date(d.at).toLocaleDateString("en-GB", { day: "numeric", month: "short" })}
                  </span>
                  <span className="min-w-0 grow">{WHICH[d.which] ?? d.which}</span>
                  <span className="font-mono">
                    {price(d.ours)} · {price(d.theirs)}
                  </span>
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </section>
  );
}
