/** The side of the script: five desks, one at a time. */
import * as Tabs from "@radix-ui/react-tabs";

import type { Film } from "../../api/client";
import { createStore, useStore } from "../../state/store";
import { Pace } from "./Pace";
import { ShotDesk } from "./ShotDesk";
import { Versions } from "./Versions";
import { Who } from "./Who";
import { Words } from "./Words";

type Desk = "pace" | "shot" | "who" | "words" | "versions";

export const desk = createStore<Desk>("pace");

const DESKS: [Desk, string][] = [
  ["pace", "Pace"],
  ["shot", "Shot"],
  ["who", "Who"],
  ["words", "Words"],
  ["versions", "Versions"],
];

export function Side({ film, onWord }: { film: Film; onWord: (word: number) => void }) {
  const open = useStore(desk);
  return (
    <Tabs.Root
      value={open}
      onValueChange={(v) => desk.set(v as Desk)}
      className="flex w-[338px] shrink-0 flex-col border-l border-rule-strong bg-ground"
      asChild
    >
      <aside aria-label="Beside the script">
        <Tabs.List
          aria-label="Desks"
          className="flex shrink-0 gap-4 border-b border-rule px-[18px] pb-2 pt-3.5"
        >
          {DESKS.map(([key, name]) => (
            <Tabs.Trigger
              key={key}
              value={key}
              className="border-b-2 border-transparent pb-0.5 text-ink-2 hover:text-ink data-[state=active]:border-ink data-[state=active]:font-semibold data-[state=active]:text-ink"
            >
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content
          value="pace"
          className="flex min-h-0 grow flex-col gap-3.5 overflow-y-auto px-[18px] py-4"
        >
          <Pace film={film} />
        </Tabs.Content>
        <Tabs.Content value="shot" className="min-h-0 grow overflow-y-auto px-[18px] py-4">
          <ShotDesk film={film} />
        </Tabs.Content>
        <Tabs.Content value="who" data-who className="min-h-0 grow overflow-y-auto px-[18px] py-4">
          <Who film={film} onWord={onWord} />
        </Tabs.Content>
        <Tabs.Content
          value="words"
          className="flex min-h-0 grow flex-col gap-4 overflow-y-auto px-[18px] py-4"
        >
          <Words film={film} />
        </Tabs.Content>
        <Tabs.Content
          value="versions"
          className="flex min-h-0 grow flex-col gap-3 overflow-y-auto px-[18px] py-4"
        >
          <Versions film={film} />
        </Tabs.Content>
      </aside>
    </Tabs.Root>
  );
}
