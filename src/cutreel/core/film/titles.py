"""The words on a film's screen: planned, and as the maker wants them."""

from collections.abc import Callable, Sequence

from cutreel.core.continuity import look_named
from cutreel.core.timeline import FrameRate, PictureMark, Span
from cutreel.core.titles import (
    AHEAD,
    BEGINS,
    LASTS,
    LEAST,
    TITLE_LOOKS,
    Card,
    CardHow,
    NamedSeen,
    SaidAt,
    ShotTold,
    TitleLook,
    free_of,
    look_for,
    off_faces,
    plan_cards,
    plan_emphasis,
    plan_names,
    said_times,
)

from .cropping import heads_of
from .document import FilmDocument
from .heads import heads_seen
from .joins import FilmJoin
from .made import TakeRow
from .moving import camera_of
from .reading import ReadFilm, ReadShot

WRITTEN = "written by hand"
CORNERS = {
    "top left": (0.09, 0.07),
    "top right": (0.91, 0.07),
    "low left": (0.09, 0.93),
    "low right": (0.91, 0.93),
}
"""Where a maker's mark has its middle, as far as it finds room there."""
_NOBODYS = frozenset(
    "girl boy man woman child lady gentleman stranger other one two others figure person fellow lad lass".split()
)
"""What says nothing of somebody that is not seen."""
Said = Callable[[int], Sequence[SaidAt]]
"""Tells the words that are said in a shot, by its index."""
Captioned = Callable[[float, float], Sequence[tuple[float, float]]]
"""Tells which rows of the frame (from and down to, in shares) captions take from a second up to another."""
_HOURS = {"dawn": "Dawn", "day": "Day", "dusk": "Evening", "night": "Night"}


def has_cards(film: FilmDocument) -> bool:
    """Whether anything may stand on the screen at all."""
    wished = film.settings
    planned = wished.titles != "off" or wished.title_names or wished.emphasis or wished.maker_mark
    return bool(planned or any(c.number for c in film.cards))


def cards_of(
    read: ReadFilm,
    spans: Sequence[Span],
    joins: Sequence[FilmJoin],
    rate: FrameRate,
    used: Sequence[TakeRow | None],
    said: Said,
    captioned: Captioned,
) -> list[Card]:
    """What stands on the screen, in the order of time. What the maker wrote stands instead of what was planned there;
    lines that are empty are none. `said` tells the words of a shot, `captioned` where captions are."""
    film = read.document
    settings = film.settings
    told = _told(read, spans, joins, rate)
    # A plate has words of its own.
    plated = {i for i, s in enumerate(read.shots) if s.shot.own.plate is not None}
    own = {(c.sort, c.shot): c for c in film.cards if not c.number}
    planned = plan_cards(told, film.title, settings.titles, _credits(film))
    if settings.title_names:
        planned += plan_names(told, _named(read), planned)
    if settings.emphasis:
        planned += free_of(plan_emphasis(told, list(map(said, range(len(told))))), planned)
    out: list[Card] = []
    for card in planned:
        choice = own.get((card.sort, read.shots[card.shot].shot.id))
        if choice is None:
            if card.shot not in plated:
                out.append(card)
            continue
        lines = card.lines if choice.text is None else _lines(choice.text)
        if lines:
            why = card.why if choice.text is None else WRITTEN
            out.append(card._replace(lines=lines, why=why, how=choice.how))
    out += _added(film, read, told, said)
    placed = [
        _placed(c, read.shots[c.shot], used[c.shot], told[c.shot], said(c.shot), captioned)
        for c in out
    ]
    if settings.maker_mark.strip() and not settings.maker_picture and told:
        how = CardHow(at=CORNERS[settings.maker_corner])
        lines = (settings.maker_mark.strip(),)
        placed.append(Card("mark", 0, lines, 0.0, told[-1].end, "the maker’s mark", how=how))
    return sorted(placed, key=lambda c: c.start)


def picture_mark(film: FilmDocument) -> PictureMark | None:
    """The picture that stands in a corner of the film."""
    media = film.settings.maker_picture
    return PictureMark(media, CORNERS[film.settings.maker_corner]) if media else None


def _told(
    read: ReadFilm, spans: Sequence[Span], joins: Sequence[FilmJoin], rate: FrameRate
) -> list[ShotTold]:
    scenes = read.script.scenes
    names = {p.description or p.name: p.name for p in read.document.places}
    return [
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


def _named(read: ReadFilm) -> list[list[NamedSeen]]:
    """Who in each shot has a name that was told by then, with what they are called besides, if that says what they
    are."""
    told: dict[str, int] = {}
    for n, word in enumerate(read.script.words):
        told.setdefault(_bare(word.text), n)
    out: list[list[NamedSeen]] = []
    for shot in read.shots:
        seen = []
        for person in shot.people:
            first = told.get(_bare(person.name.split()[0]))
            proper = person.kind == "person" and person.name[:1].isupper()
            if proper and first is not None and first < shot.end:
                seen.append(NamedSeen(person.name, _role(person.aliases)))
        out.append(seen if shot.end > shot.first else [])
    return out


def _role(aliases: Sequence[str]) -> str:
    """What somebody is by what they are called: “the keeper”, though not “the girl”."""
    for alias in aliases:
        article, _, role = alias.partition(" ")
        if article.lower() == "the" and role and role.split()[-1].lower() not in _NOBODYS:
            return role
    return ""


def _bare(word: str) -> str:
    return word.strip(" ,.;:!?“”\"‘’'—–-…()").removesuffix("’s").removesuffix("'s")


def _added(film: FilmDocument, read: ReadFilm, told: Sequence[ShotTold], said: Said) -> list[Card]:
    """The words that the maker added to shots, from a word on or from where the shot begins."""
    index = {s.shot.id: i for i, s in enumerate(read.shots)}
    places = film.word_places
    out = []
    for own in film.cards:
        i = index.get(own.shot)
        lines = _lines(own.text or "")
        if not own.number or i is None or not lines:
            continue
        shot, words = told[i], said(i)
        at = places.get(own.word) if own.word is not None else None
        since = None if at is None else at - read.shots[i].first
        if since is not None and 0 <= since < len(words):
            start = max(shot.start, words[since].start - AHEAD)
        else:
            start = min(shot.start + BEGINS, shot.end - LEAST)
        lasts = own.seconds or min(LASTS["words"], shot.end - 0.2 - start)
        end = min(max(start + lasts, start + LEAST), told[-1].end)
        if own.how.keeps != "frame":
            end = min(end, shot.end)
        out.append(Card("words", i, lines, start, end, WRITTEN, how=own.how, number=own.number))
    return out


def in_its_language(cards: Sequence[Card], film: FilmDocument) -> list[Card]:
    """Words on the screen in the language of a film."""
    if film.translation is None:
        return list(cards)
    # Their words are others than those that are said one by one.
    return [c._replace(lines=tuple(map(film.shown, c.lines)), said=()) for c in cards]


def title_look_of(film: FilmDocument) -> TitleLook:
    """How a film's words look: as the maker has them, as was chosen by a name, else as belongs to its look."""
    if film.settings.title_style is not None:
        return film.settings.title_style
    medium = look_named(film.settings.look, film.looks).medium
    return TITLE_LOOKS.get(film.settings.title_look) or TITLE_LOOKS[look_for(medium)]


def _placed(
    card: Card,
    shot: ReadShot,
    take: TakeRow | None,
    told: ShotTold,
    said: Sequence[SaidAt],
    captioned: Captioned,
) -> Card:
    """Words where no head and no caption is while they stand, unless the maker placed them; each with the second it is
    said at."""
    times = card.said or said_times(card.lines, [w for w in said if w.end > card.start - 0.3])
    card = card._replace(said=times)
    if card.how.at is not None:
        return card
    rows = captioned(card.start, card.end)
    if take is None:
        return off_faces(card, (), rows)
    seconds = told.end - told.start
    begin, end = ((at - told.start) / seconds for at in (card.start, card.end))
    heads = heads_seen(heads_of(shot, take), camera_of(shot, take, seconds), begin, min(1.0, end))
    return off_faces(card, heads, rows)


def _lines(text: str) -> tuple[str, ...]:
    return tuple(line.strip() for line in text.splitlines() if line.strip())


def _credits(film: FilmDocument) -> list[str]:
    """Whom the sounds are by that are used."""
    used = {c.own for c in film.cue_choices if c.own} | {p.own for p in film.placed if p.own}
    told = [s for s in film.own_sounds if s.id in used and s.credit]
    return list(dict.fromkeys(f"{s.name}: {s.credit}" for s in told))[:4]
