/** What is asked for beside a film, ahead of the server as the film itself is: how a shot moves, a line is said, a lane sounds. */
import type { QueryClient } from "@tanstack/react-query";

import type { Command, Schemas } from "./client";
import type { Mix } from "./mix";
import type { Movement } from "./movement";
import type { LineSaid } from "./voices";

/** Shows what a choice changes in all that is asked for beside a film. */
export function showBeside(client: QueryClient, film: string, command: Command): void {
  if (command.type === "set shots") {
    const shots = new Set(command.shots);
    client.setQueriesData<Movement>(
      { queryKey: ["movement", film], predicate: (q) => shots.has(q.queryKey[2] as number) },
      (before) => before && movementAhead(before, command.values),
    );
  } else if (command.type === "set line")
    client.setQueriesData<LineSaid>({ queryKey: ["line", film] }, (before) =>
      before?.word === command.line.word ? lineAhead(before, command.line) : before,
    );
  else if (command.type === "set lane")
    client.setQueriesData<Mix>(
      { queryKey: ["mix", film] },
      (before) => before && mixAhead(before, command.lane),
    );
}

/** Asks anew for all that: the server did not take the choice. */
export function askBeside(client: QueryClient, film: string): void {
  for (const what of ["movement", "line", "mix"])
    void client.invalidateQueries({ queryKey: [what, film] });
}

const lineAhead = (said: LineSaid, line: Schemas["OwnLine"]): LineSaid => ({
  ...said,
  own: line.direction ?? null,
  room_own: line.room ?? null,
  over_own: line.over ?? null,
  seed: line.seed,
  rejected: line.rejected,
});

const mixAhead = (mix: Mix, choice: Schemas["LaneChoice"]): Mix => ({
  ...mix,
  lanes: mix.lanes.map((lane) => (lane.choice.lane === choice.lane ? { ...lane, choice } : lane)),
});

/** How a shot will move once it is told so: what was there keeps its reason. */
function movementAhead(movement: Movement, values: Partial<Schemas["Overrides"]>): Movement {
  const next = { ...movement };
  if (values.acts)
    next.acts = values.acts.map((act) => {
      const known =
        movement.acts.find((a) => a.figure === act.figure && a.action === act.action) ??
        movement.acts.find((a) => a.figure === act.figure && a.word === (act.word ?? null));
      return { why: "", start: 0, seconds: null, ...known, ...act, word: act.word ?? null };
    });
  if (values.air)
    next.air = values.air.map((air) => ({
      why: movement.air.find((a) => a.kind === air.kind)?.why ?? "",
      ...air,
      amount: air.amount ?? "middle",
    }));
  if (values.regions)
    next.regions = movement.regions.flatMap((region) => {
      const told = values.regions!.find((r) => r.id === region.id);
      return told ? [{ ...region, ...told, move: { ...region.move, ...told.move } }] : [];
    });
  if (values.path) next.path = values.path;
  if (values.horizon != null) next.horizon = values.horizon;
  return next;
}
