/** What is left of an offer, as a number and in words. */
import type { Offer } from "../api/client";

type Told = Pick<Offer, "quota">;

export const leftOf = (offer: Told): number => offer.quota?.left ?? Infinity;

export const leftInWords = (offer: Told): string =>
  offer.quota
    ? `${offer.quota.left.toLocaleString("en")} of ${offer.quota.limit.toLocaleString("en")} left today`
    : "as many as you like";
