/** What a viewer or a place to publish could complain of: figures with their aims, and the way to where they are mended. */
import { useState } from "react";
import { Link } from "react-router";

import type { Film, Schemas } from "../../api/client";
import { useReport } from "../../api/publishing";
import { Button } from "../../parts/Button";
import { pointAt } from "../../state/playhead";

export type Figure = Schemas["ReportFigure"];

const SECTIONS: readonly (readonly [Figure["section"], string])[] = [
  ["film", "The film"],
  ["file", "The file"],
  ["pictures", "Pictures"],
  ["sound", "Sound"],
  ["captions", "Captions"],
  ["joins", "Joins"],
  ["texts", "Texts"],
  ["rights", "Rights"],
  ["agreed", "Notes and agreement"],
  ["money", "Money"],
];

/** How a report stands, in a sentence. */
export function summed(figures: readonly Figure[]): string {
  const aimed = figures.filter((f) => f.good !== null);
  const bad = aimed.filter((f) => f.good === false).length;
  if (!bad) return `All ${aimed.length} figures are as they are aimed at.`;
  return `${bad} of ${aimed.length} figures ${bad === 1 ? "is" : "are"} not as aimed at.`;
}

/** The report of the film as it stands, before anything is made of it. */
export function ReportNow({ film }: { film: Film }) {
  const figures = useReport(film).data;
  if (!figures) return null;
  return (
    <section aria-label="Report" className="mb-6">
      <h2 className="mb-1 font-serif text-[20px] font-bold">Report, before it is made</h2>
      <Figures film={film} figures={figures} />
    </section>
  );
}

/** What is not as aimed at, and everything on demand. */
export function Figures({ film, figures }: { film: Film; figures: readonly Figure[] }) {
  const [all, setAll] = useState(false);
  const shown = all ? figures : figures.filter((f) => f.good === false);
  return (
    <>
      <p className="flex items-center gap-3 text-ink-2">
        <span role="status">{summed(figures)}</span>
        <Button kind="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? "Only what is not" : `All ${figures.length}`}
        </Button>
      </p>
      {SECTIONS.map(([section, name]) => {
        const own = shown.filter((f) => f.section === section);
        return own.length ? (
          <table key={section} className="mt-2 w-full table-fixed">
            <caption className="pb-0.5 text-left font-semibold">{name}</caption>
            <colgroup>
              <col className="w-[34%]" />
              <col />
              <col className="w-[24%]" />
              <col className="w-[84px]" />
            </colgroup>
            <tbody>
              {own.map((figure) => (
                <Row key={figure.what} film={film} figure={figure} />
              ))}
            </tbody>
          </table>
        ) : null;
      })}
    </>
  );
}

function Row({ film, figure }: { film: Film; figure: Figure }) {
  const { where } = figure;
  const shot = film.shots.find((s) => s.id === where?.shot);
  return (
    <tr
      className="border-t border-rule align-top"
      title={figure.how ? `Measure it: ${figure.how}` : undefined}
    >
      <th scope="row" className="py-1 pr-3 text-left font-normal text-ink-2">
        {figure.what}
      </th>
      <td className={`py-1 pr-3 ${figure.good === false ? "text-grease-ink" : ""}`}>
        {figure.found}
      </td>
      <td className="py-1 pr-3 text-ink-2">
        {figure.good ? "as aimed at" : figure.aim && `aim: ${figure.aim}`}
      </td>
      <td className="py-1 text-right">
        {where && figure.good === false && where.view !== "delivery" && (
          <Link
            to={
              where.view === "services" ? "/services?view=money" : `/film/${film.id}/${where.view}`
            }
            onClick={() => shot && pointAt(shot)}
            className="underline decoration-rule-strong underline-offset-2 hover:decoration-ink"
          >
            {shot ? `to shot ${shot.edge}` : `to ${where.view}`}
          </Link>
        )}
      </td>
    </tr>
  );
}
