/** All keys, under `?`. */
import * as Dialog from "@radix-ui/react-dialog";
import { useState } from "react";

import { COMMANDS, HEADS, type Command } from "./commands";
import { useKeys } from "./useKeys";

export function KeyList() {
  const [open, setOpen] = useState(false);
  useKeys("list", { open: () => setOpen(true) });
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <button
          type="button"
          aria-label="Keys"
          title="Keys"
          className="ml-1 flex size-6 items-center justify-center rounded-[3px] border border-rule-strong bg-page text-[12px] font-semibold"
        >
          ?
        </button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[#27232066]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-1/2 z-50 max-h-[86vh] w-[640px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-md border border-rule-strong bg-page p-6"
        >
          <Dialog.Title className="mb-3 font-serif text-[20px] font-bold">Keys</Dialog.Title>
          {HEADS.map(([where, scopes]) => (
            <section key={where} className="mb-4">
              <h3 className="mb-1 border-b border-rule pb-1 font-semibold">{where}</h3>
              <dl className="grid grid-cols-[170px_1fr] gap-y-1">
                {scopes
                  .flatMap((scope) => Object.values<Command>(COMMANDS[scope]))
                  .map(({ shown, says }) => (
                    <div key={shown + says} className="contents">
                      <dt className="font-mono text-[12px]">{shown}</dt>
                      <dd className="text-ink-2">{says}</dd>
                    </div>
                  ))}
              </dl>
            </section>
          ))}
          <Dialog.Close className="rounded-[5px] border border-rule-strong px-3 py-1 font-medium hover:bg-shade">
            Close
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
