/** Keys heard by a whole view, or by what has the focus; what they mean stands in `commands`. */
import { useEffect, useRef } from "react";
import { createKeybindingsHandler, tinykeys } from "tinykeys";

import { COMMANDS, type Command, type Scope } from "./commands";

/** What is done; `false` says that the press was meant for something else after all. */
export type Deed = (event: KeyboardEvent) => unknown;
export type Deeds<S extends Scope> = { [C in keyof (typeof COMMANDS)[S]]: Deed };

/** Whether a key press belongs to a field that is being typed in. */
const typing = (e: KeyboardEvent) =>
  e.target instanceof HTMLInputElement ||
  e.target instanceof HTMLTextAreaElement ||
  (e.target instanceof HTMLElement && e.target.isContentEditable);

const all = () => true;

/** The deeds of a scope by their presses; `done` is told of each that was carried out. */
function bound(scope: Scope, deed: (name: string) => Deed, done: (e: KeyboardEvent) => void) {
  return Object.fromEntries(
    Object.entries<Command>(COMMANDS[scope]).map(([name, { presses }]) => [
      presses,
      (e: KeyboardEvent) => {
        if (deed(name)(e) !== false) done(e);
      },
    ]),
  );
}

/**
 * The view hears the commands of `scope` for as long as it is shown, except while something is typed;
 * `hears` says which presses are for it at all.
 */
export function useKeys<S extends Scope>(
  scope: S,
  deeds: Deeds<S>,
  hears: (e: KeyboardEvent) => boolean = all,
) {
  // The listener stays while deeds change with every render; it must do the latest of them.
  const latest = useRef<Record<string, Deed>>(deeds);
  useEffect(() => {
    latest.current = deeds;
  });
  useEffect(
    () =>
      tinykeys(
        window,
        bound(
          scope,
          (name) => latest.current[name]!,
          (e) => e.preventDefault(),
        ),
        { ignore: (e) => typing(e) || e.isComposing || !hears(e) },
      ),
    [hears, scope],
  );
}

/** The same for what has the focus, as its `onKeyDown`; the view does not hear what it carried out. */
export function keysOf<S extends Scope>(scope: S, deeds: Deeds<S>) {
  const byName: Record<string, Deed> = deeds;
  return (e: React.KeyboardEvent) => {
    const done = () => {
      e.preventDefault();
      e.stopPropagation();
    };
    createKeybindingsHandler(
      bound(scope, (name) => byName[name]!, done),
      {
        ignore: (press) => press.isComposing,
      },
    )(e.nativeEvent);
  };
}

/** The digit of a press, whatever Shift or Alt make of it. */
export const digitOf = (e: KeyboardEvent) => Number(e.code.replace("Digit", ""));
