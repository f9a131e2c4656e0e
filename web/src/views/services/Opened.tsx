/** An offer opened: what it understands, how its last ten jobs went, and what its service was found to keep. */
import type { PluggedView, Services } from "../../api/services";
import { useCheck, useChoose, useLastJobs } from "../../api/services";
import { Button } from "../../parts/Button";
import { DeskRow } from "../../parts/DeskRow";
import { inWords } from "../../parts/time";
import { perInWords, price } from "./kinds";
import { NO_CHOICE } from "./Offers";
import type { Beside } from "./Services";
import { Trial } from "./Trial";

const UNDERSTOOD: Record<string, string> = {
  seed: "seeds",
  negative: "what is not to be seen",
  references: "pictures to follow",
  weights: "what weighs less",
  masks: "masks",
  regions: "says where figures are",
  layers: "layers",
  variations: "variations",
  guides: "sketches",
  poses: "poses",
  jointed: "figures in pieces",
  direction: "directions",
  ssml: "marked words",
};
/** What is done where an offer lacks something. */
const REMEDY: Record<string, string> = {
  seed: "No seeds: nothing can be made twice alike, so people drift more. Pictures to follow carry more.",
  negative: "What must not be seen cannot be said: it is left out of the wording instead.",
  references: "No pictures to follow: people are held together by words alone.",
};

export function Opened({
  services,
  name,
  onBeside,
}: {
  services: Services;
  name: string;
  onBeside: (beside: Beside | null) => void;
}) {
  const row = services.offers.find((r) => r.offer.name === name);
  if (!row) return <p className="text-ink-2">That is not on offer any more.</p>;
  const { offer } = row;
  const plugged = services.plugged.find((p) => p.settings.id === row.service);
  const understands = offer.understands ?? [];
  return (
    <>
      <h2 className="flex items-baseline justify-between font-serif text-[20px] font-bold">
        {offer.title}
        <button
          type="button"
          className="min-h-6 font-sans text-[13px] font-normal text-ink-2 hover:text-ink"
          onClick={() => onBeside(null)}
        >
          Close
        </button>
      </h2>
      <p className="mb-3 text-ink-2">
        {offer.simulated
          ? "A stand-in: it simulates such a service, and ships with Cut Reel."
          : plugged
            ? where(plugged)
            : ""}
      </p>
      <dl className="grid grid-cols-[104px_1fr] gap-y-1.5">
        <DeskRow name="price">
          {price(offer.price.amount)}
          {Number(offer.price.amount) > 0 && ` ${perInWords(offer.price.per)}`}
        </DeskRow>
        <DeskRow name="at once">{offer.parallel ?? 1}</DeskRow>
        {offer.caps.width && (
          <DeskRow name="largest">
            {offer.caps.width} × {offer.caps.height}
          </DeskRow>
        )}
        {offer.quota && (
          <DeskRow name="renews">
            {new Date(offer.quota.renews_at).toLocaleString("en-GB", {
              weekday: "short",
              hour: "2-digit",
              minute: "2-digit",
            })}
          </DeskRow>
        )}
        {(offer.voices?.length ?? 0) > 0 && <DeskRow name="voices">{offer.voices!.length}</DeskRow>}
        {understands.length > 0 && (
          <DeskRow name="understands">
            {understands.map((u) => UNDERSTOOD[u] ?? u).join(", ")}
          </DeskRow>
        )}
        {offer.kind === "picture" && <Stars services={services} name={name} />}
      </dl>
      {offer.kind === "picture" &&
        Object.entries(REMEDY)
          .filter(([what]) => !(understands as string[]).includes(what))
          .map(([what, says]) => (
            <p key={what} className="mt-2 border-l-2 border-rule-strong pl-2.5 text-ink-2">
              {says}
            </p>
          ))}
      {offer.kind === "picture" && <Trial offer={offer} />}
      {plugged && (
        <p className="mt-3 flex gap-2">
          <Button onClick={() => onBeside({ settings: plugged.settings })}>Its settings …</Button>
        </p>
      )}
      {plugged?.settings.reached.how === "protocol" && <Checked plugged={plugged} />}
      <LastJobs offer={name} />
    </>
  );
}

function where({ settings }: PluggedView): string {
  const { reached } = settings;
  if (reached.how === "protocol") return `${settings.title}, a service at ${reached.address}`;
  if (reached.how === "program") return `The program ${reached.command[0]} on this machine`;
  return reached.how === "hand" ? "Made by hand" : "An HTTP interface that is described";
}

/** How good an offer is, told by who uses it: a plan gives the best what counts most. */
function Stars({ services, name }: { services: Services; name: string }) {
  const choose = useChoose();
  const choice = services.choices.picture ?? NO_CHOICE;
  const stars = choice.stars?.[name] ?? 3;
  return (
    <DeskRow name="how good">
      <span role="radiogroup" aria-label="How good it is" className="-ml-1 inline-flex">
        {[1, 2, 3, 4, 5].map((n) => (
          <button
            key={n}
            type="button"
            role="radio"
            aria-checked={n === stars}
            aria-label={`${n} of 5`}
            onClick={() =>
              choose.mutate({
                kind: "picture",
                choice: { ...choice, stars: { ...choice.stars, [name]: n } },
              })
            }
            className="flex size-6 items-center justify-center"
          >
            <svg viewBox="0 0 16 16" className="size-4" aria-hidden="true">
              <path
                d="M8 1.8l1.9 4 4.4.5-3.2 3 .8 4.4L8 11.5l-3.9 2.2.8-4.4-3.2-3 4.4-.5z"
                fill={n <= stars ? "var(--ink)" : "none"}
                stroke={n <= stars ? "var(--ink)" : "var(--rule-strong)"}
              />
            </svg>
          </button>
        ))}
      </span>
    </DeskRow>
  );
}

export function Checked({ plugged }: { plugged: PluggedView }) {
  const check = useCheck();
  const found = plugged.checked;
  const going = found?.state === "going";
  const broken = found?.findings?.filter((f) => !f.ok) ?? [];
  const kept = found?.findings?.filter((f) => f.ok) ?? [];
  return (
    <section aria-label="Its check" className="mt-5">
      <h3 className="flex items-baseline justify-between border-b border-rule-strong pb-1 font-semibold">
        Does it keep to the protocol?
        <button
          type="button"
          disabled={going || check.isPending}
          className="min-h-6 font-normal text-ink-2 hover:text-ink"
          onClick={() => check.mutate(plugged.settings.id)}
        >
          {going ? `looking, ${Math.round((found?.share ?? 0) * 100)} %` : "look again"}
        </button>
      </h3>
      {found?.state === "lost" && <p className="pt-1.5">The last look was cut off.</p>}
      {found?.state === "done" && (
        <>
          <p className="pt-1.5">
            {broken.length
              ? `${broken.length} of ${found.findings!.length} rules are not kept.`
              : `All ${kept.length} rules are kept.`}{" "}
            <span className="text-ink-2">Small orders for it cost {price(found.spent ?? 0)}.</span>
          </p>
          <ul className="mt-1">
            {[...broken, ...kept].map((f, i) => (
              <li
                key={i}
                className={`border-b border-rule py-1 ${f.ok ? "text-ink-2" : "shadow-[inset_2px_0_0_var(--grease)] pl-2.5"}`}
              >
                <b className="font-semibold">{f.rule}</b>: {f.says}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function LastJobs({ offer }: { offer: string }) {
  const jobs = useLastJobs(offer).data ?? [];
  if (!jobs.length) return null;
  return (
    <section aria-label="Its last jobs" className="mt-5">
      <h3 className="border-b border-rule-strong pb-1 font-semibold">Its last jobs</h3>
      <ul>
        {jobs.map((job, i) => (
          <li key={i} className="border-b border-rule py-1.5">
            <span className="flex items-baseline gap-2">
              <span className="font-mono text-[12px] text-ink-2">
                {new Date(job.at).toLocaleTimeString("en-GB", {
                  hour: "2-digit",
                  minute: "2-digit",
                })}
              </span>
              <span className="min-w-0 grow truncate">
                {job.title || "tried out"}
                {job.shot !== null && <span className="text-ink-2"> · a shot</span>}
              </span>
              <span className={job.outcome === "done" ? "text-ink-2" : "text-grease-ink"}>
                {job.outcome === "done"
                  ? inWords(job.seconds)
                  : job.outcome === "down"
                    ? "did not answer"
                    : "refused"}
              </span>
              <span className="w-12 text-right font-mono text-[12px]">
                {job.cost ? price(job.cost) : ""}
              </span>
            </span>
            {job.message && <span className="block text-[12.5px] text-ink-2">{job.message}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}
