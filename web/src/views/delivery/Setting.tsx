/** A setting of a delivery: its name, what it may be, and a note of it. */
import type { ReactNode } from "react";

export function Setting(props: { name: string; note: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[112px_1fr] items-center border-t border-rule py-1">
      <dt className="text-ink-2">{props.name}</dt>
      <dd>
        {props.children}
        <span className="mt-0.5 block text-[12px] text-ink-2">{props.note}</span>
      </dd>
    </div>
  );
}
