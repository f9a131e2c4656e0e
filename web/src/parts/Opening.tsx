/** A button and what opens at it, which is built when it is opened first: a row of the Sheet has half a dozen of them, and
 * rows come and go as it is scrolled. */
import * as Popover from "@radix-ui/react-popover";
import { cloneElement, type MouseEvent, type ReactElement, type ReactNode, useState } from "react";

interface Props {
  button: ReactElement<{ onClick?: (e: MouseEvent) => void }>;
  /** The `Popover.Content`. */
  children: ReactNode;
}

export function Opening({ button, children }: Props) {
  const [open, setOpen] = useState<boolean | "never">("never");
  if (open === "never")
    return cloneElement(button, {
      "aria-haspopup": "dialog",
      "aria-expanded": false,
      onClick: (e: MouseEvent) => {
        button.props.onClick?.(e);
        if (!e.defaultPrevented) setOpen(true);
      },
    } as object);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>{button}</Popover.Trigger>
      <Popover.Portal>{children}</Popover.Portal>
    </Popover.Root>
  );
}
