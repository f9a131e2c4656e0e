/** What is due when: how far each film is, what making it will still take, and whether that fits into the days. */
import { Link } from "react-router";

import { type Due, useCalendar, useSetDue } from "../../api/calendar";
import type { Card } from "../../api/client";
import { inWords, money } from "../../parts/time";

const day = (iso: string) =>
  new Date(`${iso}T12:00:00`).toLocaleDateString([], {
    weekday: "short",
    day: "numeric",
    month: "short",
  });

/** Whether a film will be there in time, in words. */
export function inTime(due: Due, today: string): string {
  const why = due.held_by === "money" ? "the day’s money" : `what ${due.held_by} draws a day`;
  if (!due.items && !due.left) return "all made";
  if (due.ready === null) return `never, as ${why} is`;
  if (due.due < today && !due.late) return "was due; it can be made today";
  const ready = due.ready === today ? "can be ready today" : `ready ${day(due.ready)} at ${why}`;
  return due.late ? `${ready}: ${due.late} ${due.late === 1 ? "day" : "days"} late` : ready;
}

export function Calendar({ cards }: { cards: readonly Card[] }) {
  const due = useCalendar().data;
  const today = new Date().toISOString().slice(0, 10);
  if (!due) return <p className="text-ink-2">Reckoning what is still to be made …</p>;
  const open = cards.filter((c) => !c.due);
  return (
    <>
      <table className="w-full table-fixed" aria-label="What is due">
        <colgroup>
          <col className="w-[150px]" />
          <col />
          <col className="w-[150px]" />
          <col className="w-[190px]" />
        </colgroup>
        <thead>
          <tr className="text-left text-ink-2">
            {["due", "film", "how far", "still to make"].map((head) => (
              <th key={head} scope="col" className="pb-1 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {due.map((film) => (
            <Row key={film.film} due={film} today={today} />
          ))}
        </tbody>
      </table>
      {!due.length && (
        <p className="py-2 text-ink-2">Nothing is due yet: say below when a film is to be ready.</p>
      )}
      {open.length > 0 && (
        <section aria-label="Without a day" className="mt-6">
          <h2 className="mb-1 text-ink-2">Without a day</h2>
          <ul>
            {open.map((card) => (
              <li key={card.id} className="flex min-h-9 items-center gap-4 border-t border-rule">
                <Day film={card.id} title={card.title} value="" />
                <Link to={`/film/${card.id}/sheet`} className="truncate font-serif text-[15px]">
                  {card.title}
                </Link>
                <span className="ml-auto whitespace-nowrap text-ink-2">
                  {card.left ? `${card.left} to do` : "all made"}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function Row({ due, today }: { due: Due; today: string }) {
  const share = due.shots ? (due.shots - due.left) / due.shots : 0;
  const late = due.late > 0 || due.ready === null || (due.due < today && due.left > 0);
  return (
    <tr className="border-t border-rule align-top">
      <td className="py-2">
        <Day film={due.film} title={due.title} value={due.due} />
      </td>
      <th scope="row" className="min-w-0 py-2 pr-4 text-left font-normal">
        <Link
          to={`/film/${due.film}/sheet`}
          className="block truncate font-serif text-[16px] font-bold"
        >
          {due.title}
          {due.cut && <span className="font-sans text-[13px] font-normal"> · {due.cut}</span>}
        </Link>
        <span className={late ? "text-grease-ink" : "text-ink-2"}>{inTime(due, today)}</span>
      </th>
      <td className="py-2 pr-5">
        <span className="block pt-2">
          <span className="block h-[5px] bg-rule">
            <span className="block h-full bg-slate" style={{ width: `${share * 100}%` }} />
          </span>
          <span className="mt-1 block font-mono text-[12px] text-ink-2">
            {due.shots - due.left} of {due.shots} shots
          </span>
        </span>
      </td>
      <td className="py-2">
        {due.items ? (
          <>
            {due.items} pieces, <span className="font-mono">{money(due.cost)}</span>
            <span className="block text-ink-2">about {inWords(due.seconds)}</span>
          </>
        ) : (
          <span className="text-ink-2">nothing</span>
        )}
      </td>
    </tr>
  );
}

function Day({ film, title, value }: { film: string; title: string; value: string }) {
  const set = useSetDue();
  return (
    <input
      type="date"
      aria-label={`When ${title} is due`}
      defaultValue={value}
      key={value}
      onBlur={(e) => {
        const to = e.currentTarget.value;
        if (to !== value) set.mutate({ film, due: to || null });
      }}
      onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
      className="h-8 w-[132px] rounded-[5px] border border-rule-strong bg-page px-2 font-mono text-[12px] text-ink"
    />
  );
}
