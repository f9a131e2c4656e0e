/** All keys, under `?`. */
import * as Dialog from "@radix-ui/react-dialog";
import { useEffect, useState } from "react";

const KEYS: [string, [string, string][]][] = [
  [
    "Anywhere",
    [
      ["?", "these keys"],
      ["1 2 3 4 5", "Script, Continuity, Sheet, Bench, Delivery"],
      ["Ctrl Z", "undo, with Shift redo"],
      ["Space", "play and stop"],
      ["← →", "a frame back or on (on the strip)"],
    ],
  ],
  [
    "Script",
    [
      ["← → ↑ ↓", "walk from word to word"],
      ["Enter", "set a cut mark before the word, or lift the one that is there"],
      ["Backspace", "lift the word's cut mark"],
      ["Alt ← →", "push the mark a word along"],
      ["E", "edit the words of the paragraph; Ctrl Enter saves, Esc leaves"],
      ["Alt 1 2 3 4", "while editing: narration, somebody speaks, scene heading, not spoken"],
      ["R", "do what the remark on the shot says"],
      ["S", "what the shot shows"],
      ["Alt ↑ ↓", "move the scene (on its heading)"],
    ],
  ],
  [
    "Continuity",
    [
      ["← → ↑ ↓", "walk through who and scenes, or through the pictures below"],
      ["M", "make the picture again"],
      ["A", "accept its drift, or count it again"],
      ["Enter", "open the shot in the Sheet"],
    ],
  ],
  [
    "Bench",
    [
      ["↑ ↓", "the shot before, the next"],
      ["1 … 9 with Shift", "circle a take"],
      ["+ − 0", "nearer, further, the whole picture"],
    ],
  ],
  [
    "Sheet",
    [
      ["↑ ↓", "the shot before, the next"],
      ["1 2 3 4 with Shift", "circle a take"],
      ["M", "make more takes of the shot"],
      ["H", "hear the shot's line"],
      ["P O D S", "copy the picture, motion, direction or sound prompt"],
    ],
  ],
];

export function KeyList() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (
        e.key === "?" &&
        !(e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement)
      )
        setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
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
          {KEYS.map(([where, rows]) => (
            <section key={where} className="mb-4">
              <h3 className="mb-1 border-b border-rule pb-1 font-semibold">{where}</h3>
              <dl className="grid grid-cols-[170px_1fr] gap-y-1">
                {rows.map(([key, what]) => (
                  <div key={key} className="contents">
                    <dt className="font-mono text-[12px]">{key}</dt>
                    <dd className="text-ink-2">{what}</dd>
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
