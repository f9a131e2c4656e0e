/** The colours of a place as its pictures show them: the one wanted, how many hold to it, and the picture that departs most. */
import type { Film, Shot } from "../../api/client";
import { Button } from "../../parts/Button";
import { Heading } from "./Heading";
import { useDeeds } from "./deeds";
import { MARKED, placeColours } from "./drift";

export function PlaceColours({ film, shots }: { film: Film; shots: Shot[] }) {
  const deeds = useDeeds(film);
  const rows = placeColours(shots);
  if (!rows.length) return null;
  return (
    <section aria-label="Colours of the place">
      <Heading title="Its colours in the pictures" beside="in white light" />
      <ul>
        {rows.map((row) => (
          <li
            key={row.said}
            className="grid grid-cols-[14px_minmax(0,1fr)_auto] items-center gap-2 border-b border-rule py-[3px]"
          >
            <i
              title={`wanted, ${row.by}`}
              className="size-3.5 rounded-[3px] border border-rule"
              style={{ background: row.wanted ?? "transparent" }}
            />
            <span className="min-w-0 truncate">
              {row.said}
              <span className="text-ink-2">
                {" "}
                {row.open ? `off in ${row.open} of ${row.measured}` : `the same in ${row.measured}`}
              </span>
            </span>
            <Button kind="quiet" onClick={() => deeds.go(row.worst.shot)}>
              <span
                className={
                  row.worst.apart >= MARKED
                    ? "underline decoration-grease decoration-wavy decoration-1 underline-offset-[3px]"
                    : ""
                }
              >
                ΔE {Math.floor(row.worst.apart)} in {row.worst.shot.edge}
              </span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
