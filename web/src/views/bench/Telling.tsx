/** What picture prompts tell of a shot: what is seen, as it was read, or the words themselves. */
import { useState } from "react";

import type { Command, Film } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { BeforeYouDecide } from "../continuity/BeforeYouDecide";
import { Heading } from "../continuity/Heading";

const WAYS = [
  ["seen", "what is seen"],
  ["words", "the words themselves"],
] as const;

export function Telling({ film }: { film: Film }) {
  const [draft, setDraft] = useState<Command | null>(null);
  return (
    <section aria-label="What prompts tell">
      <Heading title="What prompts tell" beside="a shot’s own words go before" />
      <Choice
        quiet
        label="What prompts tell"
        value={film.settings.prompts ?? "seen"}
        options={WAYS}
        onChange={(prompts) =>
          prompts !== film.settings.prompts &&
          setDraft({ type: "set settings", values: { prompts } })
        }
      />
      {draft && (
        <BeforeYouDecide
          film={film}
          title="Other prompts"
          command={draft}
          onDone={() => setDraft(null)}
          onLeave={() => setDraft(null)}
        />
      )}
    </section>
  );
}
