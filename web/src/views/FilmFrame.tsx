/** The frame around every view of a film: top line, view, edge strip; keys that hold everywhere; live events. */
import { useEffect } from "react";
import { Link, Navigate, Outlet, useNavigate, useOutletContext, useParams } from "react-router";

import type { Film } from "../api/client";
import { useEvents, useFilm, useHistory } from "../api/film";
import { useKeys } from "../keys/useKeys";
import { EdgeStrip } from "../parts/EdgeStrip";
import { TopLine } from "../parts/TopLine";
import { seek, selected } from "../state/playhead";

/** The views in the order of the work, as their keys are numbered. */
const VIEWS = ["script", "continuity", "sheet", "bench", "mix", "screening", "delivery"];

export const useFilmHere = () => useOutletContext<Film>();

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
  useKeys("film", {
    view: (e) => void navigate(`/film/${id}/${VIEWS[Number(e.key) - 1]}`),
    undo: () => history.mutate("undo"),
    redo: () => history.mutate("redo"),
  });
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
