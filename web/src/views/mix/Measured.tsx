/** What is measured of the whole film's sound, beside what it is to be. */
import type { Film } from "../../api/client";
import type { Mix } from "../../api/mix";

const signed = (value: number, digits = 1) => value.toFixed(digits).replace("-", "−");

export function Measured({ film, mix, ceiling }: { film: Film; mix: Mix; ceiling: number }) {
  const aim = film.settings.loudness;
  const rows: [string, string, string][] = [
    [
      "Loudness",
      mix.loudness == null ? "…" : `${signed(mix.loudness)} LUFS`,
      `aim ${signed(aim, 0)}`,
    ],
    ["Range", mix.range == null ? "…" : `${signed(mix.range)} LU`, ""],
    [
      "True peak",
      mix.true_peak == null ? "…" : `${signed(mix.true_peak)} dBTP`,
      `under ${signed(ceiling, 0)}`,
    ],
    ["Limiter holds", mix.held == null ? "…" : `${signed(mix.held)} dB at most`, ""],
  ];
  return (
    <section aria-label="Whole film">
      <h3 className="mb-1 border-b border-rule pb-1 font-semibold">Whole film</h3>
      {mix.measured ? (
        <dl className="grid grid-cols-[minmax(0,1fr)_auto_72px] gap-y-1">
          {rows.map(([what, found, asked]) => (
            <div key={what} className="contents">
              <dt>{what}</dt>
              <dd className="text-right font-mono text-[12px]">{found}</dd>
              <dd className="text-right font-mono text-[12px] text-ink-2">{asked}</dd>
            </div>
          ))}
        </dl>
      ) : (
        <p role="status" className="text-ink-2">
          Being measured: {Math.round(mix.known * mix.block)} of {Math.round(film.seconds)} s.
        </p>
      )}
    </section>
  );
}
