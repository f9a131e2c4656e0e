/** The parts of the picture that move by themselves, as rows: how, where to, how far, how quickly. */
import type { Film } from "../../../api/client";
import { useRules } from "../../../api/film";
import type { Region } from "../../../api/movement";
import { Choice, worded } from "../../../parts/Choice";
import { Row } from "./Row";
import { DIRECTED, TOWARDS, WAYS } from "./ways";

interface Props {
  film: Film;
  regions: readonly Region[];
  onRegions: (regions: Region[]) => void;
}

const AMOUNTS = { low: "a little", middle: "plainly", high: "far" };
const PACES = { slow: "slowly", middle: "evenly", quick: "quickly" };

export function Regions({ film, regions, onRegions }: Props) {
  const rules = useRules();
  const put = (i: number, move: Partial<Region["move"]>) =>
    onRegions(regions.map((r, n) => (n === i ? { ...r, move: { ...r.move, ...move } } : r)));
  return regions.map((region, i) => {
    const { move } = region;
    const way = move.way ?? "sway";
    const called = region.name || `part ${region.id}`;
    return (
      <Row
        key={region.id}
        what={called}
        why={
          region.here
            ? "marked by hand"
            : `marked on take ${region.take}, which is not shown; circle it, or mark it here`
        }
        onLift={() => onRegions(regions.filter((_, n) => n !== i))}
        lifts={`${called} stands still`}
      >
        <span className="flex flex-wrap items-center gap-x-2">
          <Choice
            quiet
            label={`How ${called} moves`}
            value={way}
            options={worded(rules.ways, WAYS)}
            onChange={(w) => put(i, { way: w as typeof way })}
          />
          {DIRECTED.has(way) && (
            <Choice
              quiet
              label={`Where to ${called} moves`}
              value={move.towards == null ? "own" : String(move.towards)}
              options={TOWARDS}
              onChange={(to) => put(i, { towards: to === "own" ? null : Number(to) })}
            />
          )}
          {way !== "speak" && (
            <Choice
              quiet
              label={`How far ${called} moves`}
              value={move.amount ?? "middle"}
              options={worded(["low", "middle", "high"], AMOUNTS)}
              onChange={(amount) => put(i, { amount: amount as Region["move"]["amount"] })}
            />
          )}
          {way === "speak" && (
            <Choice
              quiet
              label={`Who ${called} is`}
              value={String(region.who ?? "-")}
              options={[
                ["-", "whoever speaks here"],
                ...film.cast.map((p) => [String(p.id), p.name] as const),
              ]}
              onChange={(who) =>
                onRegions(
                  regions.map((r, n) =>
                    n === i ? { ...r, who: who === "-" ? null : Number(who) } : r,
                  ),
                )
              }
            />
          )}
          {way !== "speak" && way !== "stand nearer" && (
            <>
              <Choice
                quiet
                label={`How quickly ${called} moves`}
                value={move.pace ?? "middle"}
                options={worded(["slow", "middle", "quick"], PACES)}
                onChange={(pace) => put(i, { pace: pace as Region["move"]["pace"] })}
              />
              <label className="flex items-center gap-1 text-[12.5px] text-ink-2">
                <input
                  type="checkbox"
                  aria-label={`${called} ends as it began`}
                  checked={move.repeats ?? false}
                  className="accent-[var(--ink)]"
                  onChange={(e) => put(i, { repeats: e.target.checked })}
                />
                ends as it began
              </label>
            </>
          )}
        </span>
      </Row>
    );
  });
}
