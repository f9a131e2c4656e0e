import type { ButtonHTMLAttributes } from "react";

type Kind = "plain" | "ink" | "quiet";

const LOOK: Record<Kind, string> = {
  ink: "bg-ink text-on-ink border-ink hover:opacity-90 disabled:opacity-40",
  plain: "bg-page text-ink border-rule-strong hover:bg-shade disabled:text-ink-3",
  quiet: "border-transparent text-ink-2 hover:text-ink hover:bg-shade disabled:text-ink-3",
};

/** Actions are graphite; the pencil's red is for marks alone. */
export function Button({
  kind = "plain",
  className = "",
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { kind?: Kind }) {
  return (
    <button
      type="button"
      className={`inline-flex h-8 items-center gap-1.5 whitespace-nowrap rounded-[5px] border px-3 text-[13px] font-medium transition-colors ${LOOK[kind]} ${className}`}
      {...rest}
    />
  );
}
