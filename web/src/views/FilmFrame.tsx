/** The frame around every view of a film: top line, view, edge strip; keys that hold everywhere; live events. */
import { useEffect } from "react";
import { Link, Navigate, Outlet, useNavigate, useOutletContext, useParams } from "react-router";

import type { Film } from "../api/client";
import { useEvents, useFilm, useHistory } from "../api/film";
import { EdgeStrip } from "../parts/EdgeStrip";
import { TopLine } from "../parts/TopLine";
import { seek, selected } from "../state/playhead";

export const useFilmHere = () => useOutletContext<Film>();

/** Whether a key press belongs to a field that is being typed in. */
export const typing = (e: KeyboardEvent) =>
  e.target instanceof HTMLInputElement ||
  e.target instanceof HTMLTextAreaElement ||
  (e.target as HTMLElement).isContentEditable;

export function FilmFrame() {
  const id = useParams().film!;
  const film = useFilm(id);
  const history = useHistory(id);
  const navigate = useNavigate();
  useEvents(id);
  useEffect(() => {
    seek(0);
    selected.set(null);
  }, [id]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (typing(e)) return;
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === "z") {
        e.preventDefault();
        history.mutate(e.shiftKey ? "redo" : "undo");
      } else if (!e.ctrlKey && !e.metaKey && !e.altKey && !e.shiftKey) {
        const view = {
          "1": "script",
          "2": "continuity",
          "3": "sheet",
          "4": "bench",
          "5": "delivery",
        }[e.key];
        if (view) void navigate(`/film/${id}/${view}`);
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [history, id, navigate]);
  if (film.isError)
    return (
      <main className="grid h-full place-items-center">
        <div className="max-w-md text-center">
          <p className="mb-3 font-serif text-[18px]">{film.error.message}</p>
          <Link to="/" className="underline">
            To the shelf
          </Link>
        </div>
      </main>
    );
  if (!film.data)
    return <main className="grid h-full place-items-center text-ink-2">Laying the film out …</main>;
  return (
    <div className="flex h-full flex-col">
      <TopLine film={film.data} />
      <main className="min-h-0 grow">
        <Outlet context={film.data} />
      </main>
      <EdgeStrip film={film.data} />
    </div>
  );
}

export const ToSheet = () => <Navigate to="sheet" replace />;
