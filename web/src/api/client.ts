/** The server's API, typed by its own OpenAPI description. */
import createClient from "openapi-fetch";

import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type { Cue, Delta, Film, Line, Shot } from "./memory";
export type Take = Schemas["TakeView"];
export type Person = Schemas["Person"];
export type Place = Schemas["Place"];
export type Run = Schemas["RunView"];
export type Trait = Person["traits"][number];
export type Reference = Person["references"][number];
export type Member = Schemas["MemberView"];
export type CompanyCard = Member["card"];
export type Drift = Schemas["DriftView"];
export type Card = Schemas["Card"];
export type Estimate = Schemas["EstimateView"];
export type Impact = Schemas["Impact"];
export type Spending = Schemas["Spending"];
export type Look = Schemas["Look"];
export type CutPreview = Schemas["CutPreview"];
export type PreviewSound = Schemas["PreviewSound"];
export type Rules = Schemas["Rules"];
export type Offer = Schemas["Offer"];
export type Command = Schemas["Change"]["command"];
export type CutWish = Schemas["CutAgain"];

export const api = createClient<paths>({
  baseUrl: typeof window === "undefined" ? "" : window.location.origin,
});

/** What went wrong, in words for the person, and what to do next. */
export class Problem extends Error {
  constructor(
    public title: string,
    public advice: string,
    public status: number,
  ) {
    super(advice ? `${title} ${advice}` : title);
  }
}

/** The data of an answer, or the Problem that the server described. */
export function unwrap<T>(answer: { data?: unknown; error?: unknown; response: Response }): T {
  if (answer.response.ok) return answer.data as T;
  const p = (answer.error ?? {}) as { title?: string; detail?: string };
  throw new Problem(
    p.title ?? "The server did not answer as expected.",
    p.detail ?? "Try again.",
    answer.response.status,
  );
}
