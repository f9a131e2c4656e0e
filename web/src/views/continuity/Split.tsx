/** A page with a sheet beside it; each scrolls by itself. */
import type { ReactNode } from "react";

export const Split = ({ children, aside }: { children: ReactNode; aside: ReactNode }) => (
  <div className="flex h-full">
    <section className="min-w-0 grow overflow-y-auto px-5 pb-5 pt-2">{children}</section>
    <aside className="-mt-[46px] w-[430px] shrink-0 overflow-y-auto border-l border-rule-strong bg-ground px-5 py-5">
      {aside}
    </aside>
  </div>
);
