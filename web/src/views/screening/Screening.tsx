/** Screening: a dark room. Watch the film, leaf through its pictures, pin them all up, and note what is to be done. */
import * as Tabs from "@radix-ui/react-tabs";
import { useEffect, useState } from "react";

import { useChange } from "../../api/film";
import { useScreening } from "../../api/screening";
import { TabHeads } from "../../parts/TabHeads";
import { useMoments } from "../../parts/following";
import { timecode } from "../../parts/time";
import { playhead, playing, seek } from "../../state/playhead";
import { today } from "../../state/viewer";
import { useFilmHere } from "../FilmFrame";
import { Beside } from "./Beside";
import { Leaf } from "./Leaf";
import { LinksDesk } from "./LinksDesk";
import { Notes } from "./Notes";
import { Wall } from "./Wall";
import { type Stretch, Watch } from "./Watch";
import { type Point, placeOf } from "./place";

/** The lamp is off here, whatever it is elsewhere. */
function useDarkRoom() {
  useEffect(() => {
    document.documentElement.dataset.room = "dark";
    return () => {
      delete document.documentElement.dataset.room;
    };
  }, []);
}

export function Screening() {
  useDarkRoom();
  const film = useFilmHere();
  const change = useChange(film.id);
  const { notes, scenes } = useScreening(film);
  const moments = useMoments(film, true);
  const [tab, setTab] = useState("watch");
  const [chosen, setChosen] = useState<number | null>(null);
  const [stretch, setStretch] = useState<Stretch | null>(null);
  /** The frame that a new note is about, and what is drawn for it. */
  const [draft, setDraft] = useState<{ at: number; points: Point[] } | null>(null);
  const begin = () => {
    document.querySelector("video")?.pause();
    playing.set(false);
    setDraft({ at: stretch?.from ?? playhead.get(), points: [] });
    if (stretch) seek(stretch.from);
  };
  const keep = (text: string, by: string) => {
    if (!draft) return;
    const frames = stretch ? stretch.to - stretch.from : 0;
    const note = { text, by, on: today(), frames, outline: draft.points };
    change.mutate({
      type: "add note",
      note: { ...placeOf(film, moments, draft.at), ...note, id: 0, answers: [], done: false },
    });
    setDraft(null);
    setStretch(null);
  };
  const points = draft?.points ?? null;
  return (
    <div className="grid h-full grid-cols-[1fr_350px]">
      <Tabs.Root
        value={tab}
        onValueChange={setTab}
        className="flex min-h-0 min-w-0 flex-col"
        // After a click the arrow keys are for the pictures; whoever came by keys goes on among the heads.
        onPointerUp={(e) => {
          if ((e.target as HTMLElement).closest("[role=tab]"))
            (document.activeElement as HTMLElement | null)?.blur();
        }}
      >
        <TabHeads
          label="Ways to look at the film"
          tabs={[
            ["watch", "Watch"],
            ["leaf", "Leaf"],
            ["wall", "Wall"],
            ["beside", "Beside another cut"],
            ["links", "Links for others"],
          ]}
        />
        <Tabs.Content value="watch" className="min-h-0 grow" tabIndex={-1}>
          <Watch
            film={film}
            notes={notes}
            scenes={scenes}
            drawing={points}
            stretch={stretch}
            onStretch={setStretch}
            onDraw={(drawn) => setDraft((d) => (d ? { ...d, points: drawn } : d))}
            onNote={begin}
            onChoose={setChosen}
          />
        </Tabs.Content>
        <Tabs.Content value="leaf" className="min-h-0 grow" tabIndex={-1}>
          <Leaf film={film} onNote={begin} />
        </Tabs.Content>
        <Tabs.Content value="wall" className="min-h-0 grow" tabIndex={-1}>
          <Wall film={film} notes={notes} onWatch={() => setTab("watch")} />
        </Tabs.Content>
        <Tabs.Content value="beside" className="min-h-0 grow" tabIndex={-1}>
          <Beside film={film} stretch={stretch} />
        </Tabs.Content>
        <Tabs.Content value="links" className="min-h-0 grow" tabIndex={-1}>
          <LinksDesk film={film} />
        </Tabs.Content>
      </Tabs.Root>
      <Notes
        film={film}
        notes={notes}
        chosen={chosen}
        onChoose={(note) => {
          setChosen(note);
          if (note !== null && tab === "wall") setTab("watch");
        }}
        draft={!!draft}
        drawn={
          !points?.length ? "" : points.length > 2 ? "Drawn on the picture." : "A spot is marked."
        }
        about={
          stretch
            ? `From ${timecode(stretch.from, film.fps)} to ${timecode(stretch.to, film.fps)}`
            : `At ${timecode(draft?.at ?? 0, film.fps)}`
        }
        onKeep={keep}
        onLeave={() => setDraft(null)}
        onNew={begin}
      />
    </div>
  );
}
