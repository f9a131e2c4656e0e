/** Effects of a shot or of the whole film: how much of each, when it sets in, one more, one less. */
import { X } from "lucide-react";

import type { Schemas } from "../../api/client";
import { useRules } from "../../api/film";
import { Choice, worded } from "../../parts/Choice";
import { Slide, inHundredths } from "../../parts/Slide";
import { Steps } from "../../parts/Steps";

export type Effect = Schemas["Effect"];
const MOST = 6;

interface Props {
  effects: readonly Effect[];
  whys?: readonly (readonly [string, string])[];
  /** Whether effects that set in at a moment are offered. */
  moments: boolean;
  onPut: (effects: Effect[]) => void;
}

export function EffectList({ effects, whys = [], moments, onPut }: Props) {
  const rules = useRules();
  const put = (kind: string, values: Partial<Effect>) =>
    onPut(effects.map((e) => (e.kind === kind ? { ...e, ...values } : e)));
  const left = rules.effects.filter(
    (kind) => !effects.some((e) => e.kind === kind) && (moments || !rules.moments.includes(kind)),
  );
  return (
    <ul aria-label="Effects">
      {effects.map((e) => {
        const why = whys.find(([what]) => what === e.kind)?.[1];
        return (
          <li key={e.kind} className="border-t border-rule py-1 first:border-t-0">
            <div className="grid grid-cols-[84px_1fr_24px] items-center">
              <span>{e.kind}</span>
              <Slide
                name={`how much: ${e.kind}`}
                value={e.amount ?? 0.5}
                least={0.05}
                most={1}
                step={0.05}
                says={inHundredths}
                onPut={(amount) => put(e.kind, { amount })}
              />
              <button
                type="button"
                aria-label={`Take ${e.kind} away`}
                className="flex size-6 items-center justify-center rounded-[3px] hover:bg-shade"
                onClick={() => onPut(effects.filter((other) => other !== e))}
              >
                <X className="size-3.5" />
              </button>
            </div>
            {rules.moments.includes(e.kind) && (
              <div className="flex items-center gap-2 pl-[84px]">
                <Steps
                  name={`when ${e.kind} sets in`}
                  value={e.begin ?? 0}
                  step={0.1}
                  least={-2}
                  most={60}
                  says={(s) => `${s.toFixed(1)} s in`}
                  onPut={(begin) => put(e.kind, { begin: Number(begin.toFixed(2)) })}
                />
              </div>
            )}
            {why && <p className="text-[12px] text-ink-2">{why}</p>}
          </li>
        );
      })}
      {effects.length < MOST && (
        <li className="pt-1">
          <Choice
            quiet
            label="Another effect"
            value="another effect …"
            options={worded(left)}
            onChange={(kind) =>
              onPut([...effects, { kind: kind as Effect["kind"], amount: 0.5, begin: 0 }])
            }
          />
        </li>
      )}
    </ul>
  );
}
