"""The words on a film's screen: planned, and as the maker wants them."""

from collections.abc import Sequence

from cutreel.core.continuity import look_named
from cutreel.core.timeline import FrameRate, Span
from cutreel.core.titles import TITLE_LOOKS, Card, TitleLook, look_for, off_faces, plan_cards
from cutreel.core.titles.cards import ShotTold

from .document import FilmDocument, OwnCard
from .joins import FilmJoin
from .made import TakeRow, faces_in
from .reading import ReadFilm

_HOURS = {"dawn": "Dawn", "day": "Day", "dusk": "Evening", "night": "Night"}


def cards_of(
    read: ReadFilm,
    spans: Sequence[Span],
    joins: Sequence[FilmJoin],
    rate: FrameRate,
    used: Sequence[TakeRow | None],
) -> list[Card]:
    """What stands on the screen, in the order of time. What the maker wrote stands instead of what was planned there;
    lines that are empty are none."""
    film = read.document
    scenes = read.script.scenes
    names = {p.description or p.name: p.name for p in film.places}
    told = [
        ShotTold(
            rate.seconds(span.start),
            rate.seconds(span.end),
            "" if i == 0 else joins[i - 1].turn,
            scenes[shot.scene].title if 0 <= shot.scene < len(scenes) else "",
            names.get(shot.facts.place, shot.facts.place),
            ", ".join(p for p in (shot.facts.year, _HOURS.get(shot.facts.time, "")) if p),
        )
        for i, (shot, span) in enumerate(zip(read.shots, spans, strict=True))
    ]
    planned = [
        off_faces(card, faces_in(take)) if (take := used[card.shot]) is not None else card
        for card in plan_cards(told, film.title, film.settings.titles, _credits(film))
    ]
    own = {(c.sort, c.shot): c for c in film.cards}
    out: list[Card] = []
    for card in planned:
        choice = own.get((card.sort, read.shots[card.shot].shot.id))
        if choice is None:
            out.append(card)
        elif lines := _lines(choice):
            out.append(card._replace(lines=lines, why="written by hand"))
    return out


def title_look_of(film: FilmDocument) -> TitleLook:
    """How a film's words look: as was chosen, else as belongs to its look."""
    medium = look_named(film.settings.look, film.looks).medium
    return TITLE_LOOKS.get(film.settings.title_look) or TITLE_LOOKS[look_for(medium)]


def _lines(card: OwnCard) -> tuple[str, ...]:
    return tuple(line.strip() for line in card.text.splitlines() if line.strip())


def _credits(film: FilmDocument) -> list[str]:
    """Whom the sounds are by that are used."""
    used = {c.own for c in film.cue_choices if c.own} | {p.own for p in film.placed if p.own}
    told = [s for s in film.own_sounds if s.id in used and s.credit]
    return list(dict.fromkeys(f"{s.name}: {s.credit}" for s in told))[:4]
