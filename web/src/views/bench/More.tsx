/** What else can be made of a take: a little other, in another pose, larger, in another look; and its seed kept. */
import * as Menu from "@radix-ui/react-dropdown-menu";
import { MoreHorizontal } from "lucide-react";

import type { Film, Shot, Take } from "../../api/client";
import { useChange, useStart } from "../../api/film";
import { useHand } from "../../api/hand";

const ITEM = "flex cursor-pointer items-baseline gap-6 px-3 py-1.5 outline-none data-[disabled]:cursor-default data-[disabled]:opacity-45 data-[highlighted]:bg-shade";

interface Props {
  film: Film;
  shot: Shot;
  take: Take;
  onPose: () => void;
}

export function More({ film, shot, take, onPose }: Props) {
  return (
    <Menu.Root>
      <Menu.Trigger aria-label={`More with take ${take.number}`} className="inline-flex h-8 items-center rounded-[5px] px-1.5 hover:bg-shade">
        <MoreHorizontal className="size-4" />
      </Menu.Trigger>
      <Menu.Portal>
        <Menu.Content align="end" sideOffset={4} className="z-50 w-[330px] rounded-md border border-rule-strong bg-page py-1 shadow-sm">
          <Items film={film} shot={shot} take={take} onPose={onPose} />
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}

function Items({ film, shot, take, onPose }: Props) {
  const start = useStart(film.id);
  const change = useChange(film.id);
  const hand = useHand(film.id, take.id).data;
  const reach = hand?.reach[0];
  const made = !take.brought && take.prompt !== "";
  const again = { shots: [shot.id], take: take.id };
  return (
    <>
      <Menu.Item className={ITEM} disabled={!made} onSelect={() => start.mutate({ kind: "again", ...again, vary: 25, takes: 2 })}>
        Vary slightly <Aside>{made ? "2 takes" : "not of a brought picture"}</Aside>
      </Menu.Item>
      <Menu.Item className={ITEM} disabled={!made} onSelect={onPose}>
        Pose a figure … <Aside>by its joints</Aside>
      </Menu.Item>
      {([2, 4] as const).map((factor) => (
        <Menu.Item key={factor} className={ITEM} disabled={(take.width ?? 0) * factor > 8192} onSelect={() => start.mutate({ kind: "enlarge", ...again, factor })}>
          Enlarge {factor} times <Aside>{take.width ? `${take.width * factor}×${(take.height ?? 0) * factor}` : ""}</Aside>
        </Menu.Item>
      ))}
      <Menu.Item className={ITEM} disabled={!made || shot.own.seed === take.seed} onSelect={() => change.mutate({ type: "set shots", shots: [shot.id], values: { seed: take.seed } })}>
        Keep its seed for the shot <Aside>{shot.own.seed === take.seed ? "kept" : take.seed}</Aside>
      </Menu.Item>
      {shot.own.seed !== null && shot.own.seed !== undefined && (
        <Menu.Item className={ITEM} onSelect={() => change.mutate({ type: "set shots", shots: [shot.id], values: { seed: null } })}>
          Let the seed go <Aside>{shot.own.seed}</Aside>
        </Menu.Item>
      )}
      {reach && (
        <p className="mt-1 border-t border-rule px-3 pb-1 pt-2 text-[12px] text-ink-2">
          The camera comes {reach.zoom.toFixed(2)} times as close: {reach.across} pixels of the picture for {reach.frame} of a 1080p film.{" "}
          {reach.factor > 1 ? `Enlarge ${reach.factor} times to have enough.` : "That is enough."}
        </p>
      )}
    </>
  );
}

const Aside = ({ children }: { children: React.ReactNode }) => <span className="ml-auto font-mono text-[12px] text-ink-2">{children}</span>;
