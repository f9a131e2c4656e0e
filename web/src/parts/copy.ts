/** Puts words on the clipboard and says so. */
import { notify } from "../state/notices";

/** `what` as in "The link is copied." */
export async function copy(text: string, what: string): Promise<void> {
  const [first = "", ...rest] = what;
  try {
    await navigator.clipboard.writeText(text);
    notify(`${first.toUpperCase()}${rest.join("")} is copied.`);
  } catch {
    notify(`The browser does not let ${what} be copied. Mark it and copy it by hand.`);
  }
}
