/** The plate of a shot, or those that its words give a reason for. */
import type { Film, Shot } from "../../api/client";
import { useChange, useRules } from "../../api/film";
import { type Plate, useProposedPlates } from "../../api/plates";
import { Button } from "../../parts/Button";
import { Choice, worded } from "../../parts/Choice";
import { PlateDesk } from "./PlateDesk";

const EMPTY: Plate = {
  sort: "number",
  title: "",
  rows: [],
  words: "",
  by: "",
  unit: "",
  source: "",
  route: true,
};

/** What a plate says, in short. */
const brief = (plate: Plate) =>
  plate.title || plate.words || (plate.rows ?? []).map((r) => r.label).join(", ");

export function Plates({ film, shot }: { film: Film; shot: Shot }) {
  const change = useChange(film.id);
  const rules = useRules();
  const proposed = useProposedPlates(film.id, shot.id, shot.text).data ?? [];
  const set = (plate: Plate | null) =>
    change.mutate({ type: "set shots", shots: [shot.id], values: { plate } });
  const now = shot.plate;
  return (
    <section className="px-4 py-2" aria-label="Plate">
      <div className="flex min-h-7 items-center gap-2">
        <h2 className="font-semibold">Plate</h2>
        {now ? (
          <>
            <span className="min-w-0 truncate text-ink-2">
              {now.plate.sort}
              {brief(now.plate) ? `: ${brief(now.plate)}` : ""}
            </span>
            <span className="ml-auto flex shrink-0 gap-1">
              <PlateDesk
                film={film}
                shot={shot}
                plate={now.plate}
                doubts={now.doubts}
                onPut={set}
              />
              <Button onClick={() => set(null)}>Take it away</Button>
            </span>
          </>
        ) : (
          <span className="ml-auto">
            <Choice
              quiet
              label="A plate instead of a picture"
              value="draw one …"
              options={worded(rules.plates)}
              onChange={(sort) => set({ ...EMPTY, sort: sort as Plate["sort"] })}
            />
          </span>
        )}
      </div>
      {now && now.doubts.length > 0 && (
        <p className="text-[12px] text-grease-ink">{now.doubts.join("; ")}</p>
      )}
      {!now && proposed.length > 0 && (
        <ul aria-label="Plates for these words" className="-mx-1.5 flex flex-col gap-px">
          {proposed.map(({ plate, why }) => (
            <li
              key={plate.sort + why}
              className="flex items-center gap-2 rounded-[5px] px-1.5 py-1 hover:bg-shade"
            >
              <span className="min-w-0 leading-[1.35]">
                {plate.sort}
                <span className="block truncate text-[11.5px] text-ink-2" title={why}>
                  {why}
                </span>
              </span>
              <button
                type="button"
                className="ml-auto min-h-6 shrink-0 rounded-[5px] border border-rule-strong bg-page px-2 text-[12px] hover:bg-shade"
                onClick={() => set({ ...EMPTY, ...plate })}
              >
                show it
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
