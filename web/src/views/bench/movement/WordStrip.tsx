/** A shot's time running down: its words, and beside them what each figure does when. */
import type { Movement } from "../../../api/movement";
import { shortly } from "./names";
import { apart } from "./words";

/** Colours of columns, from the page's own: what acts, what runs by itself. */
const INKS = ["#466080", "#2f7d6f", "#8a5a83", "#a06a2c"];

export function WordStrip({ movement, now }: { movement: Movement; now: number }) {
  const { seconds, words, figures, acts, water, flames, air } = movement;
  const y = (t: number) => `${(Math.min(seconds, Math.max(0, t)) / seconds) * 100}%`;
  const tops = apart(words.map((w) => w.start / seconds));
  const always = [water && "water", flames > 0 && "light", ...air.map((a) => a.kind)].filter(
    (name): name is string => Boolean(name),
  );
  return (
    <section aria-label="Words and what is done" className="flex h-full flex-col">
      <div className="relative min-h-0 grow">
        <ol className="absolute inset-y-0 left-0 w-[46%]">
          {words.map((w, i) => (
            <li
              key={w.number}
              className={`absolute right-1 whitespace-nowrap font-serif text-[13px] leading-none ${now >= w.start && now < w.end ? "font-semibold" : ""}`}
              style={{ top: `${tops[i]! * 100}%` }}
            >
              {w.text}
            </li>
          ))}
        </ol>
        <div className="absolute inset-y-0 right-0 flex w-[52%] gap-2 border-l border-rule pl-2">
          {figures.map((f, i) => (
            <div key={f.figure} className="relative w-3 border-l border-rule" title={f.name}>
              {acts
                .filter((a) => a.figure === f.figure && a.start !== null)
                .map((a) => (
                  <span
                    key={`${a.action}${a.start}`}
                    title={`${f.name}: ${a.action}, ${a.why}`}
                    className="absolute inset-x-0 rounded-[2px]"
                    style={{
                      background: INKS[i % INKS.length],
                      top: y(a.start!),
                      bottom: `calc(100% - ${y(a.start! + a.seconds!)})`,
                    }}
                  />
                ))}
            </div>
          ))}
          {always.map((name) => (
            <div key={name} className="relative w-3" title={name}>
              <span className="absolute inset-0 rounded-[2px] bg-rule-strong opacity-70" />
            </div>
          ))}
        </div>
        <div className="absolute inset-x-0 h-px bg-grease" style={{ top: y(now) }} />
      </div>
      <p className="mt-1 truncate text-right text-[11.5px] text-ink-2">
        {[...figures.map((f) => shortly(f.name)), ...always].join(" · ")}
      </p>
    </section>
  );
}
