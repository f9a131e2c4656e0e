/** Asks why a take is rejected; Escape leaves it. */
import { Button } from "./Button";
import { Field } from "./Field";

interface Props {
  /** What reasons may be like. */
  placeholder: string;
  className?: string;
  onReject: (reason: string) => void;
  onLeave: () => void;
}

export function Rejecting({ placeholder, className = "", onReject, onLeave }: Props) {
  return (
    <form
      className={`my-1 flex gap-2 ${className}`}
      onSubmit={(e) => {
        e.preventDefault();
        onReject(new FormData(e.currentTarget).get("reason") as string);
      }}
    >
      <Field
        autoFocus
        name="reason"
        aria-label="Why it is rejected"
        placeholder={placeholder}
        maxLength={200}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === "Escape") onLeave();
        }}
      />
      <Button type="submit">Reject it</Button>
    </form>
  );
}
