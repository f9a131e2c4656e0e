/** Heads of a view's parts: plain words with one stroke under the present one. */
import * as Tabs from "@radix-ui/react-tabs";
import type { ReactNode } from "react";

interface Props {
  label: string;
  /** Name, title, and a count that is shown when it is more than nothing. */
  tabs: readonly (readonly [string, string, number?])[];
  children?: ReactNode;
}

export const TabHeads = ({ label, tabs, children }: Props) => (
  <div className="mr-[430px] flex h-[46px] shrink-0 items-baseline gap-5 px-5 pt-4">
    <Tabs.List aria-label={label} className="flex shrink-0 gap-5 whitespace-nowrap">
      {tabs.map(([name, title, count]) => (
        <Tabs.Trigger
          key={name}
          value={name}
          className="pb-1 text-ink-2 hover:text-ink data-[state=active]:font-semibold data-[state=active]:text-ink data-[state=active]:shadow-[0_2px_0_var(--ink)]"
        >
          {title}
          {count ? <span className="ml-1.5 font-mono text-[12px] font-normal">{count}</span> : null}
        </Tabs.Trigger>
      ))}
    </Tabs.List>
    {children}
  </div>
);
