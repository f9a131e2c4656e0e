"""The words on a film's screen: planned, and as the maker wants them."""

from collections.abc import Sequence

from cutreel.core.continuity import look_named
from cutreel.core.timeline import FrameRate, Span
from cutreel.core.titles import TITLE_LOOKS, Card, TitleLook, look_for, off_faces, plan_cards
from cutreel.core.titles.cards import ShotTold

from .cropping import heads_of
from .document import FilmDocument, OwnCard
from .heads import heads_seen
from .joins import FilmJoin
from .made import TakeRow
from .moving import camera_of
from .reading import ReadFilm, ReadShot

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
        _off_heads(card, read.shots[card.shot], used[card.shot], told[card.shot])
        for card in plan_cards(told, film.title, film.settings.titles, _credits(film))
    ]
    own = {(c.sort, c.shot): c for c in film.cards}
    plated = {i for i, s in enumerate(read.shots) if s.shot.own.plate is not None}
    out: list[Card] = []
    for card in planned:
        choice = own.get((card.sort, read.shots[card.shot].shot.id))
        if choice is None:
            # A plate has words of its own.
            if card.shot not in plated:
                out.append(card)
        elif lines := _lines(choice):
            out.append(card._replace(lines=lines, why="written by hand"))
    return out


def in_its_language(cards: Sequence[Card], film: FilmDocument) -> list[Card]:
    """Words on the screen in the language of a film."""
    if film.translation is None:
        return list(cards)
    return [c._replace(lines=tuple(film.shown(line) for line in c.lines)) for c in cards]


def title_look_of(film: FilmDocument) -> TitleLook:
    """How a film's words look: as was chosen, else as belongs to its look."""
    medium = look_named(film.settings.look, film.looks).medium
    return TITLE_LOOKS.get(film.settings.title_look) or TITLE_LOOKS[look_for(medium)]


def _off_heads(card: Card, shot: ReadShot, take: TakeRow | None, told: ShotTold) -> Card:
    """Words where no head is while they stand."""
    if take is None:
        return card
    seconds = told.end - told.start
    begin, end = ((at - told.start) / seconds for at in (card.start, card.end))
    heads = heads_seen(heads_of(shot, take), camera_of(shot, take, seconds), begin, end)
    return off_faces(card, heads)


def _lines(card: OwnCard) -> tuple[str, ...]:
    return tuple(line.strip() for line in card.text.splitlines() if line.strip())


def _credits(film: FilmDocument) -> list[str]:
    """Whom the sounds are by that are used."""
    used = {c.own for c in film.cue_choices if c.own} | {p.own for p in film.placed if p.own}
    told = [s for s in film.own_sounds if s.id in used and s.credit]
    return list(dict.fromkeys(f"{s.name}: {s.credit}" for s in told))[:4]
