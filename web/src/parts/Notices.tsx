import { X } from "lucide-react";

import { dismiss, notices } from "../state/notices";
import { useStore } from "../state/store";

export function Notices() {
  const all = useStore(notices);
  return (
    <div
      role="status"
      aria-live="polite"
      className="pointer-events-none fixed bottom-12 left-1/2 z-50 flex w-[560px] max-w-[92vw] -translate-x-1/2 flex-col gap-2"
    >
      {all.map((n) => (
        <div
          key={n.id}
          className="pointer-events-auto flex items-start gap-3 rounded-md border border-rule-strong bg-page px-4 py-2.5 shadow-sm"
        >
          <p className="grow">{n.text}</p>
          <button
            type="button"
            aria-label="Close the message"
            onClick={() => dismiss(n.id)}
            className="text-ink-2 hover:text-ink"
          >
            <X className="size-4" />
          </button>
        </div>
      ))}
    </div>
  );
}
