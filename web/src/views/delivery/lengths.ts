/** By how much a translated passage is longer or shorter than what it is translated from, in words, with its remedy. */
import type { TranslatedRow } from "../../api/languages";

/** Whether it is worth a look. */
export const amiss = (row: TranslatedRow): boolean => row.far && row.text !== "";

/** How long it is: "2.4 s", or "~ 2.4 s" while it is reckoned. */
export const lengthSaid = (row: TranslatedRow): string =>
  row.here == null ? "" : `${row.spoken ? "" : "~ "}${row.here.toFixed(1)} s`;

/** "1.1 s longer than 2.0". */
export function differenceSaid(row: TranslatedRow): string {
  const more = (row.here ?? 0) - (row.original ?? 0);
  const before = (row.original ?? 0).toFixed(1);
  return `${Math.abs(more).toFixed(1)} s ${more > 0 ? "longer" : "shorter"} than ${before}`;
}

/** How it comes nearer to the length there is: said quicker or slower, as far as a voice still sounds like itself; with
 * how many letters less would do besides, where that is not enough. */
export function remedyOf(row: TranslatedRow): { pace: number; says: string } | null {
  if (!amiss(row) || row.needs === row.pace) return null;
  const how = row.needs > row.pace ? "quicker" : "slower";
  const still = stillLong(row);
  const besides = still > 0 ? `; ${still} letters less would do the rest` : "";
  return { pace: row.needs, says: `say it ${how} (×${row.needs})${besides}` };
}

/** Letters that are still too many when it is said as quickly as it may be. */
function stillLong(row: TranslatedRow): number {
  if (row.original == null || !row.here || row.needs < row.pace) return 0;
  const then = (row.here * row.pace) / row.needs;
  return then > row.original * 1.05 ? Math.round(row.text.length * (1 - row.original / then)) : 0;
}
