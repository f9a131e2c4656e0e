/** Where pictures have their seeds from: each its own, or one for the whole film. */
import { useState } from "react";

import type { Command, Film } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { SeedField } from "../../parts/SeedField";
import { BeforeYouDecide } from "../continuity/BeforeYouDecide";
import { Heading } from "../continuity/Heading";

const WAYS = [
  ["each", "each shot its own"],
  ["one", "one for the whole film"],
] as const;

export function Seeds({ film }: { film: Film }) {
  const [draft, setDraft] = useState<Command | null>(null);
  const set = (values: Record<string, unknown>) => setDraft({ type: "set settings", values });
  return (
    <section aria-label="Seeds">
      <Heading title="Seeds" beside="a shot’s or a person’s own goes before" />
      <div className="flex flex-wrap items-baseline gap-x-4">
        <Choice
          quiet
          label="Where seeds come from"
          value={film.settings.seeds ?? "each"}
          options={WAYS}
          onChange={(seeds) => seeds !== film.settings.seeds && set({ seeds })}
        />
        <SeedField
          value={film.settings.seed}
          title="Of the film; the seeds of its shots follow from it"
          onSet={(seed) => seed !== null && set({ seed })}
        />
      </div>
      {draft && (
        <BeforeYouDecide
          film={film}
          title="Other seeds"
          command={draft}
          onDone={() => setDraft(null)}
          onLeave={() => setDraft(null)}
        />
      )}
    </section>
  );
}
