/** The Bench: one shot's takes side by side, how it moves, all circled pictures on a light table, and what is faulty. */
import * as Tabs from "@radix-ui/react-tabs";
import { ChevronDown, ChevronUp } from "lucide-react";
import { useState } from "react";

import type { Film, Shot } from "../../api/client";
import { useKeys } from "../../keys/useKeys";
import { Button } from "../../parts/Button";
import { TabHeads } from "../../parts/TabHeads";
import { pointAt, selected } from "../../state/playhead";
import { useStore } from "../../state/store";
import { useFilmHere } from "../FilmFrame";
import { Split } from "../continuity/Split";
import { Compare } from "./Compare";
import { DropPictures } from "./DropPictures";
import { FaultList, faulty } from "./FaultList";
import { LightTable } from "./LightTable";
import { Making } from "./Making";
import { AsClips } from "./movement/AsClips";
import { Movement } from "./movement/Movement";
import { Voice } from "./voice/Voice";

const TABS = [
  ["takes", "Takes"],
  ["movement", "Movement"],
  ["voice", "Voice"],
  ["light", "Light table"],
  ["faults", "Faults"],
] as const;
type TabName = (typeof TABS)[number][0];
/** Desks of one shot: the arrow keys go from one to the next there. */
const ONE_SHOT = new Set<TabName>(["takes", "movement", "voice"]);

export function Bench() {
  const film = useFilmHere();
  const [tab, setTab] = useState<TabName>("takes");
  const [chosen, setChosen] = useState<number[]>([]);
  const at = useStore(selected);
  const own = film.shots.filter((s) => s.picture_of === s.id);
  const shot =
    own.find((s) => s.id === (film.shots.find((x) => x.id === at)?.picture_of ?? at)) ?? own[0];
  useKeys("bench", {
    walk: (e) => {
      if (!ONE_SHOT.has(tab) || !shot) return false;
      const to = own.indexOf(shot) + (e.key === "ArrowDown" ? 1 : -1);
      pointAt(own[Math.min(own.length - 1, Math.max(0, to))]!);
    },
  });
  const open = (s: Shot) => {
    pointAt(s);
    setTab("takes");
  };
  const wrong = faulty(film).length;
  return (
    <DropPictures film={film} shot={tab === "takes" ? shot : undefined}>
      <Tabs.Root
        value={tab}
        onValueChange={(v) => setTab(v as TabName)}
        className="flex h-full flex-col bg-page"
      >
        <TabHeads
          label="Parts of the bench"
          tabs={TABS.map(([name, title]) => [name, title, name === "faults" ? wrong : 0] as const)}
        >
          {ONE_SHOT.has(tab) && shot && <Walk film={film} own={own} shot={shot} />}
        </TabHeads>
        {shot ? (
          <>
            <Tabs.Content value="takes" className="min-h-0 grow" tabIndex={-1}>
              <Split aside={<Making key={shot.id} film={film} shot={shot} />}>
                <Compare key={shot.id} film={film} shot={shot} />
              </Split>
            </Tabs.Content>
            <Tabs.Content value="movement" className="min-h-0 grow" tabIndex={-1}>
              <Movement key={shot.id} film={film} shot={shot} />
            </Tabs.Content>
            <Tabs.Content value="voice" className="min-h-0 grow" tabIndex={-1}>
              <Voice film={film} shot={shot} />
            </Tabs.Content>
            <Tabs.Content value="light" className="min-h-0 grow" tabIndex={-1}>
              <Split
                aside={
                  <>
                    <Making
                      key={chosen.length ? "chosen" : "shot"}
                      film={film}
                      shot={shot}
                      chosen={chosen}
                    />
                    <AsClips film={film} chosen={chosen} onChosen={setChosen} />
                  </>
                }
              >
                <LightTable film={film} chosen={chosen} onChosen={setChosen} onOpen={open} />
              </Split>
            </Tabs.Content>
            <Tabs.Content value="faults" className="min-h-0 grow" tabIndex={-1}>
              <Split aside={<Making film={film} shot={shot} />}>
                <FaultList film={film} onOpen={open} />
              </Split>
            </Tabs.Content>
          </>
        ) : (
          <p className="px-5 text-ink-2">
            The film has no shots yet. Write a few sentences in the Script.
          </p>
        )}
      </Tabs.Root>
    </DropPictures>
  );
}

function Walk({ film, own, shot }: { film: Film; own: Shot[]; shot: Shot }) {
  const at = own.indexOf(shot);
  return (
    <div className="ml-auto flex min-w-0 items-baseline gap-1">
      <span className="truncate font-serif text-[14px]" title={shot.text}>
        <span className="mr-2 font-mono text-[13px] font-medium">{shot.edge}</span>
        {shot.text || film.scenes[shot.scene]?.title}
      </span>
      <Button
        kind="quiet"
        className="-my-2 px-1.5"
        aria-label="The shot before"
        title="The shot before (↑)"
        disabled={at === 0}
        onClick={() => pointAt(own[at - 1]!)}
      >
        <ChevronUp className="size-4" />
      </Button>
      <Button
        kind="quiet"
        className="-my-2 px-1.5"
        aria-label="The next shot"
        title="The next shot (↓)"
        disabled={at === own.length - 1}
        onClick={() => pointAt(own[at + 1]!)}
      >
        <ChevronDown className="size-4" />
      </Button>
    </div>
  );
}
