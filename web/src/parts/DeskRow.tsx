/** A name with what can be set of it, in a list of such rows (`dl` with two columns). */
import type { ReactNode } from "react";

export const DeskRow = ({ name, children }: { name: string; children: ReactNode }) => (
  <>
    <dt className="text-ink-2">{name}</dt>
    <dd className="min-w-0">{children}</dd>
  </>
);
