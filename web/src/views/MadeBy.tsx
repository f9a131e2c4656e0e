/** Who makes what: chosen for a film, a scene, somebody or a shot. What is not chosen is as the part around it has it. */
import type { Schemas } from "../api/client";
import { useOffers } from "../api/film";
import { Choice } from "../parts/Choice";
import { Lift } from "./Facts";

export type MadeBy = NonNullable<Schemas["Overrides"]["made_by"]>;
type MadeKind = keyof MadeBy;

const MADE: Record<MadeKind, string> = {
  picture: "picture",
  clip: "clip",
  sound: "sounds",
  music: "music",
  enlarge: "enlarged",
};

interface Props {
  kinds: readonly MadeKind[];
  /** What was chosen here. */
  chosen: MadeBy;
  /** Who makes it as things stand, also where nothing was chosen here; without, whoever is first. */
  stands: MadeBy;
  /** What a choice is lifted from: "for the scene", "by hand". */
  scene?: boolean;
  onSet: (chosen: MadeBy) => void;
}

/** A row for each kind that several offers make; nothing where there is no choice. */
export function MadeByRows({ kinds, chosen, stands, scene = false, onSet }: Props) {
  const offers = useOffers().data ?? [];
  const rows = kinds
    .map((kind) => [kind, offers.filter((o) => o.kind === kind)] as const)
    .filter(([kind, of]) => of.length > 1 || chosen[kind]);
  if (!rows.length) return null;
  return (
    <section aria-label="Made by" className="flex flex-col gap-0.5">
      {rows.map(([kind, of]) => {
        const name = chosen[kind] ?? stands[kind] ?? of[0]?.name ?? "";
        const known = of.some((o) => o.name === name);
        return (
          <div key={kind} className="flex items-baseline gap-3">
            <span className="w-[72px] shrink-0 text-ink-2">{MADE[kind]} by</span>
            <span className="flex min-w-0 items-baseline gap-1.5 font-medium">
              <Choice
                quiet
                label={`${MADE[kind]} by`}
                value={name}
                options={[
                  ...of.map((o) => [o.name, o.title] as const),
                  ...(known || !name ? [] : [[name, `${name}, not on offer now`] as const]),
                ]}
                onChange={(to) => onSet({ ...chosen, [kind]: to })}
              />
              {chosen[kind] && (
                <Lift
                  what={`who makes the ${MADE[kind]}`}
                  scene={scene}
                  onClick={() =>
                    onSet(
                      Object.fromEntries(
                        Object.entries(chosen).filter(([other]) => other !== kind),
                      ) as MadeBy,
                    )
                  }
                />
              )}
            </span>
          </div>
        );
      })}
    </section>
  );
}

const OF_SHOT = ["picture", "clip", "sound"] as const;
const OF_SCENE = ["picture", "clip", "sound", "music"] as const;

/** The same for a shot, or for its whole scene. */
export function MadeByOfShot({
  own,
  stands,
  forScene = false,
  onSet,
}: {
  own: MadeBy | null | undefined;
  stands: MadeBy;
  forScene?: boolean;
  onSet: (values: { made_by: MadeBy | null }) => void;
}) {
  return (
    <MadeByRows
      kinds={forScene ? OF_SCENE : OF_SHOT}
      chosen={own ?? {}}
      stands={stands}
      scene={forScene}
      onSet={(made_by) => onSet({ made_by: Object.keys(made_by).length ? made_by : null })}
    />
  );
}
