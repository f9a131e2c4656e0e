/** Films opened in windows, remembered, and patched by what became of them. */
import { type Delta, type Film, Problem, type Schemas, api, unwrap } from "./client";
import { type Memory, filmOf, patched, remembered, withWindow } from "./memory";
import { keys, queryClient } from "./queries";

const WINDOW = 200;
const CLASH = 409;
const known = new Map<string, { memory: Memory; film: Film }>();

/** The state of a film that the page knows; empty while it knows none. */
export const stateOf = (film: string) => known.get(film)?.memory.state ?? "";

/** The film as it is now: opened, or what was opened before with what became of it. */
export async function lookedAt(film: string): Promise<Film> {
  const before = known.get(film);
  if (before) {
    const delta = unwrap<Delta>(
      await api.GET("/api/films/{film}/since", {
        params: { path: { film }, query: { state: before.memory.state } },
      }),
    );
    const fresh = taken(film, delta);
    if (fresh) return fresh;
  }
  return opened(film);
}

/** Opens a film: its head and outline, its manuscript, its first shots; the rest follows by itself. */
async function opened(film: string): Promise<Film> {
  const path = { film };
  const head = unwrap<Schemas["OpenedFilm"]>(
    await api.GET("/api/films/{film}", { params: { path } }),
  );
  const [told, first] = await Promise.all([
    api.GET("/api/films/{film}/manuscript", { params: { path, query: { state: head.state } } }),
    window_(film, head.state, 0),
  ]);
  const memory = remembered(head, unwrap<Schemas["ManuscriptWindow"]>(told));
  const whole = kept(film, withWindow(memory, first));
  if (head.shots.length > WINDOW) void rest(film, head.state, head.shots.length);
  return whole;
}

async function window_(film: string, state: string, first: number) {
  const query = { state, first, count: WINDOW };
  const answer = await api.GET("/api/films/{film}/shots", { params: { path: { film }, query } });
  return unwrap<Schemas["ShotWindow"]>(answer).shots;
}

async function rest(film: string, state: string, count: number): Promise<void> {
  try {
    for (let first = WINDOW; first < count; first += WINDOW) {
      const views = await window_(film, state, first);
      const now = known.get(film);
      if (!now) return;
      queryClient.setQueryData(keys.film(film), kept(film, withWindow(now.memory, views)));
    }
  } catch (error) {
    // The film changed so often meanwhile that the state it was opened at is gone.
    if (!(error instanceof Problem) || error.status !== CLASH) throw error;
    known.delete(film);
    void queryClient.invalidateQueries({ queryKey: keys.film(film) });
  }
}

function kept(film: string, memory: Memory): Film {
  const whole = filmOf(memory, known.get(film));
  known.set(film, { memory, film: whole });
  return whole;
}

/** The film after a change; null where the page did not know the state that it was changed from. */
export function taken(film: string, delta: Delta): Film | null {
  const before = known.get(film);
  const memory = before && patched(before.memory, delta);
  if (delta.reopen) known.delete(film);
  return memory ? kept(film, memory) : null;
}

/** Shows a change at once. */
export function show(film: string, delta: Delta): void {
  const fresh = taken(film, delta);
  if (fresh) queryClient.setQueryData(keys.film(film), fresh);
  else void queryClient.invalidateQueries({ queryKey: keys.film(film) });
}
