/** What else can be made of a take: a little other, posed, composed, cut out, framed, larger, in another look; and its seed kept. */
import * as Menu from "@radix-ui/react-dropdown-menu";
import { ChevronRight, MoreHorizontal } from "lucide-react";

import type { Film, Shot, Take } from "../../api/client";
import { useChange, useLooksOf, useStart } from "../../api/film";
import { useHand } from "../../api/hand";
import type { DeskName } from "./desks";

const BOX = "z-50 rounded-md border border-rule-strong bg-page py-1 shadow-sm";
const LINE = "my-1 h-px bg-rule";
const ITEM =
  "flex cursor-pointer items-baseline gap-6 px-3 py-1.5 outline-none data-[disabled]:cursor-default data-[disabled]:opacity-45 data-[highlighted]:bg-shade data-[state=open]:bg-shade";

interface Props {
  film: Film;
  shot: Shot;
  take: Take;
  onDesk: (desk: DeskName) => void;
}

export function More({ film, shot, take, onDesk }: Props) {
  return (
    <Menu.Root>
      <Menu.Trigger
        aria-label={`More with take ${take.number}`}
        className="inline-flex h-8 items-center rounded-[5px] px-1.5 hover:bg-shade"
      >
        <MoreHorizontal className="size-4" />
      </Menu.Trigger>
      <Menu.Portal>
        <Menu.Content align="end" sideOffset={4} className={`${BOX} w-[350px]`}>
          <Items film={film} shot={shot} take={take} onDesk={onDesk} />
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}

function Items({ film, shot, take, onDesk }: Props) {
  const start = useStart(film.id);
  const change = useChange(film.id);
  const looks = useLooksOf(film);
  const hand = useHand(film.id, take.id).data;
  const reach = hand?.reach[0];
  const made = !take.brought && take.prompt !== "";
  const somebody = made && hand?.figures.some((f) => Object.keys(f.joints).length > 0);
  const again = { shots: [shot.id], take: take.id };
  return (
    <>
      <Menu.Item
        className={ITEM}
        disabled={!made}
        onSelect={() => start.mutate({ kind: "again", ...again, vary: 25, takes: 2 })}
      >
        Vary slightly <Aside>{made ? "2 takes" : "not of a brought picture"}</Aside>
      </Menu.Item>
      <Menu.Sub>
        <Menu.SubTrigger className={ITEM} disabled={!made}>
          In another look <Aside>beside it</Aside>
          <ChevronRight className="size-3.5 self-center text-ink-2" />
        </Menu.SubTrigger>
        <Menu.Portal>
          <Menu.SubContent sideOffset={2} className={`${BOX} max-h-80 overflow-y-auto`}>
            {looks
              .filter((l) => l.name !== film.settings.look)
              .map((l) => (
                <Menu.Item
                  key={l.name}
                  className={ITEM}
                  onSelect={() =>
                    start.mutate({ kind: "pictures", shots: [shot.id], look: l.name, takes: 1 })
                  }
                >
                  {l.title}
                </Menu.Item>
              ))}
          </Menu.SubContent>
        </Menu.Portal>
      </Menu.Sub>
      <Menu.Separator className={LINE} />
      <Menu.Item className={ITEM} disabled={!somebody} onSelect={() => onDesk("pose")}>
        Pose a figure …{" "}
        <Aside>{somebody || !hand ? "by its joints" : "nobody’s joints are known"}</Aside>
      </Menu.Item>
      <Menu.Item className={ITEM} disabled={!made} onSelect={() => onDesk("sketch")}>
        Compose after a sketch … <Aside>its masses</Aside>
      </Menu.Item>
      <Menu.Item className={ITEM} onSelect={() => onDesk("cut")}>
        Cut out … <Aside>a figure, or what you mark</Aside>
      </Menu.Item>
      <Menu.Item className={ITEM} onSelect={() => onDesk("lay")}>
        Lay something in …{" "}
        <Aside>
          {film.cutouts.length ? `${film.cutouts.length} cut out` : "nothing cut out yet"}
        </Aside>
      </Menu.Item>
      <Menu.Item className={ITEM} onSelect={() => onDesk("frame")}>
        Crop or continue its edges …{" "}
        <Aside>{hand ? (hand.fits ? "it fits the film" : "not the film’s shape") : ""}</Aside>
      </Menu.Item>
      <Menu.Item className={ITEM} asChild>
        <a href={`/api/films/${film.id}/takes/${take.id}/openraster`} download>
          Take away with its layers <Aside>OpenRaster</Aside>
        </a>
      </Menu.Item>
      <Menu.Separator className={LINE} />
      {([2, 4] as const).map((factor) => (
        <Menu.Item
          key={factor}
          className={ITEM}
          disabled={(take.width ?? 0) * factor > 8192}
          onSelect={() => start.mutate({ kind: "enlarge", ...again, factor })}
        >
          Enlarge {factor} times{" "}
          <Aside figures>
            {take.width ? `${take.width * factor}×${(take.height ?? 0) * factor}` : ""}
          </Aside>
        </Menu.Item>
      ))}
      <Menu.Item
        className={ITEM}
        disabled={!made || shot.own.seed === take.seed}
        onSelect={() =>
          change.mutate({ type: "set shots", shots: [shot.id], values: { seed: take.seed } })
        }
      >
        Keep its seed for the shot{" "}
        <Aside figures>{shot.own.seed === take.seed ? "kept" : take.seed}</Aside>
      </Menu.Item>
      {shot.own.seed !== null && shot.own.seed !== undefined && (
        <Menu.Item
          className={ITEM}
          onSelect={() =>
            change.mutate({ type: "set shots", shots: [shot.id], values: { seed: null } })
          }
        >
          Let the seed go <Aside figures>{shot.own.seed}</Aside>
        </Menu.Item>
      )}
      {/* Its room is kept while it is asked for, so that nothing moves under the pointer. */}
      {(reach || !hand) && (
        <p className="mt-1 min-h-[66px] border-t border-rule px-3 pb-1 pt-2 text-[12px] text-ink-2">
          {reach && (
            <>
              The camera comes {reach.zoom.toFixed(2)} times as close: {reach.across} pixels of the
              picture for {reach.frame} of a 1080p film.{" "}
              {reach.factor > 1
                ? `Enlarge ${reach.factor} times to have enough.`
                : "That is enough."}
            </>
          )}
        </p>
      )}
    </>
  );
}

const Aside = ({ children, figures = false }: { children: React.ReactNode; figures?: boolean }) => (
  <span className={`ml-auto text-[12px] text-ink-2 ${figures ? "font-mono" : ""}`}>{children}</span>
);
