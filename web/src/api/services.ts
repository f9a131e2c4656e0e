/** Services: what is plugged in, who makes what, lists of what is made by hand, and money. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { Problem, type Run, type Schemas, api, unwrap } from "./client";
import { keys } from "./queries";
import { notify } from "../state/notices";

export type Services = Schemas["ServicesView"];
export type OfferRow = Schemas["OfferRow"];
export type Plugged = Schemas["Plugged-Output"];
export type PluggedView = Schemas["PluggedView"];
export type PlugWanted = Schemas["PlugWanted"];
export type Settings = PlugWanted["settings"];
export type HandView = Schemas["HandListView"];
export type MoneyView = Schemas["MoneyView"];
export type Tried = Schemas["TriedView"];
export type Kind = Schemas["Offer"]["kind"];
export type PlanView = Schemas["PlanView"];
export type PlanWanted = Schemas["PlanWanted"];

const SERVICES = ["services"] as const;
const MONEY = ["money"] as const;

const said = (error: Error) =>
  notify(error instanceof Problem ? error.message : "The server does not answer; try again.");

/** The page of services; looked at again while a check goes on. */
export const useServices = () =>
  useQuery({
    queryKey: SERVICES,
    queryFn: async () => unwrap<Services>(await api.GET("/api/services")),
    refetchInterval: (query) =>
      query.state.data?.plugged.some((p) => p.checked?.state === "going") ? 800 : 15_000,
  });

/** What changes the page answers with the page. */
function useServicesChange<T>(ask: (wanted: T) => Promise<Services>, quiet = false) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ask,
    onSuccess: (services) => {
      client.setQueryData(SERVICES, services);
      void client.invalidateQueries({ queryKey: ["offers"] });
    },
    onError: quiet ? undefined : said,
  });
}

export const usePlugIn = () =>
  useServicesChange<PlugWanted & { anew: boolean }>(
    async ({ anew, ...body }) =>
      anew
        ? unwrap(await api.POST("/api/services", { body }))
        : unwrap(
            await api.PUT("/api/services/{service}", {
              params: { path: { service: body.settings.id } },
              body,
            }),
          ),
    true,
  );

export const useUnplug = () =>
  useServicesChange<string>(async (service) =>
    unwrap(await api.DELETE("/api/services/{service}", { params: { path: { service } } })),
  );

export const useCheck = () =>
  useServicesChange<string>(async (service) =>
    unwrap(await api.POST("/api/services/{service}/check", { params: { path: { service } } })),
  );

export const useChoose = () =>
  useServicesChange<{ kind: Kind; choice: Schemas["ChoiceView"] }>(async ({ kind, choice }) =>
    unwrap(await api.PUT("/api/choices/{kind}", { params: { path: { kind } }, body: choice })),
  );

export const useTry = () =>
  useMutation({
    mutationFn: async (body: Schemas["TryWanted"]) =>
      unwrap<Tried>(await api.POST("/api/services/try", { body })),
  });

export const useLastJobs = (offer: string) =>
  useQuery({
    queryKey: ["jobs", offer],
    queryFn: async () =>
      unwrap<Schemas["JobWentView"][]>(
        await api.GET("/api/jobs", { params: { query: { offer } } }),
      ),
  });

const hand = (service: string) => ["hand", service] as const;

export const useHandList = (service: string) =>
  useQuery({
    queryKey: hand(service),
    refetchInterval: 4_000,
    queryFn: async () =>
      unwrap<HandView>(
        await api.GET("/api/services/{service}/hand", { params: { path: { service } } }),
      ),
  });

export function useBringHand(service: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (files: readonly File[]) => {
      const body = new FormData();
      for (const file of files) body.append("files", file);
      const response = await fetch(`/api/services/${service}/hand`, { method: "POST", body });
      const told: unknown = await response.json();
      return unwrap<Schemas["BroughtByHand"]>({ data: told, error: told, response });
    },
    onSuccess: (brought) => client.setQueryData(hand(service), brought.list),
    onError: said,
  });
}

export function useTakeOff(service: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (number: number) =>
      unwrap<HandView>(
        await api.DELETE("/api/services/{service}/hand/{number}", {
          params: { path: { service, number } },
        }),
      ),
    onSuccess: (list) => client.setQueryData(hand(service), list),
    onError: said,
  });
}

export const useMoney = () =>
  useQuery({
    queryKey: MONEY,
    queryFn: async () => unwrap<MoneyView>(await api.GET("/api/money")),
  });

export function useLimit() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ scope, amount }: { scope: string; amount: number | null }) =>
      unwrap<MoneyView>(
        await api.PUT("/api/limits/{scope}", { params: { path: { scope } }, body: { amount } }),
      ),
    onSuccess: (money) => {
      client.setQueryData(MONEY, money);
      void client.invalidateQueries({ queryKey: ["spending"] });
    },
    onError: said,
  });
}

export function useCurrency() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (name: string) =>
      unwrap<MoneyView>(await api.PUT("/api/currency", { body: { name } })),
    onSuccess: (money) => {
      client.setQueryData(MONEY, money);
      void client.invalidateQueries({ queryKey: ["spending"] });
    },
    onError: said,
  });
}

export const useFilmMoney = (film: string, made: number) =>
  useQuery({
    queryKey: ["money", film, made],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Schemas["FilmMoneyView"]>(
        await api.GET("/api/films/{film}/money", { params: { path: { film } } }),
      ),
  });

/** A film's runs, looked at from outside of the film: nobody tells of them there. */
export const useRunsOf = (film: string) =>
  useQuery({
    queryKey: keys.runs(film),
    refetchInterval: (query) =>
      query.state.data?.some((r) => r.state === "going" && !r.waits) ? 1_500 : 10_000,
    queryFn: async () =>
      unwrap<Run[]>(await api.GET("/api/films/{film}/runs", { params: { path: { film } } })),
  });

/** Three shots of a film by an offer; looked at again when `made` of the film's things are. */
export const useTrial = (film: string, offer: string, revision: number, made: number) =>
  useQuery({
    queryKey: ["trial", film, offer, revision, made],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Schemas["TrialView"][]>(
        await api.GET("/api/films/{film}/trials/{offer}", { params: { path: { film, offer } } }),
      ),
  });

export type ChosenView = Schemas["ChosenView"];

/** Who makes what in a film, and where something else was chosen. */
export const useMakers = (film: string, revision: number) =>
  useQuery({
    queryKey: ["makers", film, revision],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<Schemas["MakersView"]>(
        await api.GET("/api/films/{film}/makers", { params: { path: { film } } }),
      ),
  });

/** What a service says it was paid in so many days, beside the ledger. */
export const useStatement = (service: string, days: number) =>
  useQuery({
    queryKey: ["statement", service, days],
    enabled: service !== "",
    staleTime: 0,
    retry: false,
    queryFn: async () =>
      unwrap<Schemas["StatementView"]>(
        await api.GET("/api/services/{service}/statement", {
          params: { path: { service }, query: { days } },
        }),
      ),
  });

/** Who makes which of the pictures that a film still needs; thought out anew when `made` of its pictures are. */
export const usePlan = (film: string, revision: number, made: number, wanted: PlanWanted) =>
  useQuery({
    queryKey: ["plan", film, revision, made, wanted],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap<PlanView>(
        await api.POST("/api/films/{film}/plan", { params: { path: { film } }, body: wanted }),
      ),
  });

export function useBeginPlan(film: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (wanted: PlanWanted) =>
      unwrap<Schemas["RunView"][]>(
        await api.POST("/api/films/{film}/plan/runs", {
          params: { path: { film } },
          body: wanted,
        }),
      ),
    onSuccess: () => void client.invalidateQueries({ queryKey: keys.runs(film) }),
    onError: said,
  });
}
