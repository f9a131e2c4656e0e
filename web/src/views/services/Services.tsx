/** Services: one ruled page of who does what, at what price, with which caps, what is left, what was spent on what. */
import * as Tabs from "@radix-ui/react-tabs";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import { type Plugged, useServices } from "../../api/services";
import { KeyList } from "../../keys/KeyList";
import { TabHeads } from "../../parts/TabHeads";
import { LampButton } from "../../parts/TopLine";
import { HandLists } from "./HandLists";
import { Money } from "./Money";
import { Offers } from "./Offers";
import { Opened } from "./Opened";
import { PlugIn } from "./PlugIn";
import { Sharing } from "./Sharing";
import { ToldElsewhere } from "./ToldElsewhere";

/** What stands at the right: ways to plug in, an offer, or the settings of what is plugged in. */
export type Beside =
  { offer: string } | { settings: Plugged } | { anew: Plugged["reached"]["how"] };

export function Services() {
  const services = useServices();
  const [asked, ask] = useSearchParams();
  const [beside, setBeside] = useState<Beside | null>(null);
  const hands = (services.data?.plugged ?? []).filter((p) => p.settings.reached.how === "hand");
  const view = asked.get("view") ?? "offers";
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-11 shrink-0 items-center border-b border-rule-strong px-5">
        <Link to="/" className="font-serif text-[17px] font-bold">
          Cut Reel
        </Link>
        <h1 className="ml-4 text-ink-2">services</h1>
        <span className="ml-auto flex items-center gap-3">
          <Link to="/" className="text-ink-2 hover:text-ink">
            To the shelf
          </Link>
          <LampButton />
          <KeyList />
        </span>
      </header>
      <Tabs.Root
        value={view}
        onValueChange={(to) => ask({ view: to }, { replace: true })}
        className="flex min-h-0 grow flex-col"
      >
        <TabHeads
          label="Parts of services"
          tabs={[
            ["offers", "Who does what"],
            ["hand", "By hand"],
            ["sharing", "Sharing out"],
            ["money", "Money"],
            ["told", "Told elsewhere"],
          ]}
        />
        <Tabs.Content
          value="offers"
          className="grid min-h-0 grow grid-cols-[1fr_412px] outline-none"
        >
          <section aria-label="Offers" className="min-h-0 overflow-y-auto px-5 pb-6">
            {services.isError && (
              <p className="text-ink-2">
                The server does not answer. See that bin/start still runs.
              </p>
            )}
            {services.data && (
              <Offers services={services.data} beside={beside} onBeside={setBeside} />
            )}
          </section>
          <aside
            aria-label="Particulars"
            className="min-h-0 overflow-y-auto border-l border-rule-strong bg-page px-5 py-4"
          >
            {services.data && beside && "offer" in beside ? (
              <Opened
                key={beside.offer}
                services={services.data}
                name={beside.offer}
                onBeside={setBeside}
              />
            ) : (
              <PlugIn
                key={beside && "settings" in beside ? beside.settings.id : "anew"}
                services={services.data}
                beside={beside}
                onBeside={setBeside}
              />
            )}
          </aside>
        </Tabs.Content>
        <Tabs.Content value="hand" className="min-h-0 grow outline-none">
          <HandLists
            hands={hands.map((h) => h.settings)}
            onPlugIn={() => ask({ view: "offers" })}
          />
        </Tabs.Content>
        <Tabs.Content value="sharing" className="min-h-0 grow outline-none">
          <Sharing />
        </Tabs.Content>
        <Tabs.Content value="money" className="min-h-0 grow outline-none">
          <Money />
        </Tabs.Content>
        <Tabs.Content value="told" className="min-h-0 grow outline-none">
          <ToldElsewhere />
        </Tabs.Content>
      </Tabs.Root>
    </div>
  );
}
