/** Continuity: who is in which scene and how well they hold, what departs most, places, the look, and the company. */
import * as Tabs from "@radix-ui/react-tabs";
import { useState } from "react";

import { useChange } from "../../api/film";
import { Button } from "../../parts/Button";
import { TabHeads } from "../../parts/TabHeads";
import { useFilmHere } from "../FilmFrame";
import { CompanyTab } from "./CompanyTab";
import { LookTab } from "./LookTab";
import { Matrix } from "./Matrix";
import { PersonSheet } from "./PersonSheet";
import { PlacesTab } from "./PlacesTab";
import { Split } from "./Split";
import { Strip } from "./Strip";
import { WhoIsWho } from "./WhoIsWho";
import { WorstList } from "./WorstList";
import { blankPerson } from "./blank";
import { useDeeds } from "./deeds";
import { MARKED, departures, shareSaid } from "./drift";

const TABS = [
  ["who", "Who, scene by scene"],
  ["worst", "Worst drift first"],
  ["places", "Places"],
  ["look", "Look"],
  ["company", "Company"],
] as const;
type TabName = (typeof TABS)[number][0];

export function Continuity() {
  const film = useFilmHere();
  const change = useChange(film.id);
  const deeds = useDeeds(film);
  const [tab, setTab] = useState<TabName>("who");
  const [chosen, setChosen] = useState<number | null>(null);
  const person = film.cast.find((p) => p.id === chosen) ?? film.cast[0];
  const open = departures(film).open.length;
  const said = shareSaid(film);
  const sheet = person ? (
    <PersonSheet key={person.id} film={film} person={person} onChoose={setChosen} />
  ) : (
    <p className="text-ink-2">
      Nobody recurs in this manuscript. Add somebody to keep them the same in every picture.
    </p>
  );
  return (
    <Tabs.Root
      value={tab}
      onValueChange={(v) => setTab(v as TabName)}
      className="flex h-full flex-col bg-page"
    >
      <TabHeads
        label="Parts of continuity"
        tabs={TABS.map(([name, title]) => [name, title, name === "worst" ? open : 0] as const)}
      >
        <span className="ml-auto truncate text-ink-2">
          {said !== null && `${said} % of traits said; `}ΔE {MARKED} and over is marked
        </span>
      </TabHeads>
      <Tabs.Content value="who" className="min-h-0 grow" tabIndex={-1}>
        <Split aside={sheet}>
          <Matrix film={film} chosen={person?.id} onChoose={setChosen} deeds={deeds} />
          {person && <Strip film={film} person={person} deeds={deeds} />}
          <WhoIsWho film={film} onChoose={setChosen} />
          <Button
            className="mt-4"
            onClick={() =>
              change.mutate(
                { type: "set person", person: blankPerson("Somebody new") },
                { onSuccess: (fresh) => setChosen(Math.max(...fresh.cast.map((p) => p.id))) },
              )
            }
          >
            Add somebody
          </Button>
        </Split>
      </Tabs.Content>
      <Tabs.Content value="worst" className="min-h-0 grow" tabIndex={-1}>
        <Split aside={sheet}>
          <WorstList film={film} deeds={deeds} onChoose={setChosen} />
        </Split>
      </Tabs.Content>
      <Tabs.Content value="places" className="min-h-0 grow" tabIndex={-1}>
        <PlacesTab film={film} />
      </Tabs.Content>
      <Tabs.Content value="look" className="min-h-0 grow" tabIndex={-1}>
        <LookTab film={film} />
      </Tabs.Content>
      <Tabs.Content value="company" className="min-h-0 grow" tabIndex={-1}>
        <CompanyTab
          film={film}
          onTaken={(id) => {
            setChosen(id);
            setTab("who");
          }}
        />
      </Tabs.Content>
    </Tabs.Root>
  );
}
