/** Who outside is told when a film, its parts or everything of it is ready: addresses, and how they were told last. */
import { useState } from "react";

import { Problem } from "../../api/client";
import { type Told, useAddTold, useDropTold, useTold, useTryTold } from "../../api/told";
import { Button } from "../../parts/Button";
import { copy } from "../../parts/copy";

export function ToldElsewhere() {
  const told = useTold().data;
  const add = useAddTold();
  const [address, setAddress] = useState("");
  const fresh = add.data?.find((t) => t.secret);
  return (
    <div className="h-full overflow-y-auto">
      <section aria-label="Told elsewhere" className="max-w-[860px] px-6 py-5">
        <h2 className="mb-1 font-serif text-[20px] font-bold">Told elsewhere</h2>
        <p className="mb-4 text-ink-2">
          When a film file, its parts, a board or everything of a film is ready, or could not be
          made, these addresses get a signed call: what it was and how it ended, nothing of the
          story. One that does not answer is called again, for up to a day.
        </p>
        <form
          className="flex gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            add.mutate(address, { onSuccess: () => setAddress("") });
          }}
        >
          <input
            type="url"
            required
            aria-label="Address to tell"
            placeholder="https://… that takes such calls"
            value={address}
            onChange={(e) => setAddress(e.target.value)}
            className="h-8 min-w-0 grow rounded-[5px] border border-rule-strong bg-page px-2"
          />
          <Button type="submit" disabled={add.isPending}>
            Tell it from now on
          </Button>
        </form>
        {add.error && (
          <p role="alert" className="pt-2 text-grease-ink">
            {add.error instanceof Problem ? add.error.message : "The server does not answer."}
          </p>
        )}
        {fresh && (
          <div role="status" className="mt-3 border-l-2 border-ink bg-page px-3 py-2">
            <p>
              It knows us by this secret, which is shown only now. Signed as Standard Webhooks says:
              HMAC-SHA256 over id, moment and body.
            </p>
            <p className="mt-1 flex items-center gap-3">
              <code className="break-all font-mono text-[12px]">{fresh.secret}</code>
              <Button kind="quiet" onClick={() => void copy(fresh.secret, "the secret")}>
                Copy
              </Button>
            </p>
          </div>
        )}
        {told && told.length > 0 ? (
          <ul aria-label="Who is told" className="mt-4 border-b border-rule">
            {told.map((t) => (
              <Row key={t.id} told={t} />
            ))}
          </ul>
        ) : (
          <p className="mt-4 text-ink-2">
            Nobody outside is told yet. In the page you are told by the top line, and by your
            browser where you asked for that.
          </p>
        )}
      </section>
    </div>
  );
}

function Row({ told }: { told: Told }) {
  const drop = useDropTold();
  const tryIt = useTryTold();
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-3 border-t border-rule py-2">
      <div className="min-w-0">
        <p className="truncate font-mono text-[12px]" title={told.address}>
          {told.address}
        </p>
        <p className="text-ink-2">{howTold(told)}</p>
      </div>
      <p className="flex gap-2">
        <Button kind="quiet" disabled={told.waits > 0} onClick={() => tryIt.mutate(told.id)}>
          Send it a word
        </Button>
        <Button kind="quiet" onClick={() => drop.mutate(told.id)}>
          No more
        </Button>
      </p>
    </li>
  );
}

/** How an address was told last, in words. */
export function howTold(told: Told): string {
  const waits = told.waits ? `, ${told.waits} to be told` : "";
  if (!told.last) return told.waits ? "is being told …" : "was told nothing yet";
  const when = new Date(told.last).toLocaleString([], { dateStyle: "medium", timeStyle: "short" });
  return told.arrived
    ? `told ${when}; it ${told.says}${waits}`
    : `not told ${when}: it ${told.says}${waits}`;
}
