"""Thumbnails proposed from a film's pictures, those that were made for them too, and few words to stand over them."""

import re
from collections import Counter
from collections.abc import Collection, Sequence
from typing import NamedTuple

from cutreel.core.errors import NotFound
from cutreel.core.publishing import Thumbnail

from .assembled import Assembled
from .heads import Head, heads_in
from .reading import ReadShot, read_film
from .shape import Aspect

MOST_WORDS = 4
"""On a thumbnail (common practice)."""
NEAR = 2
"""Shots on either side that words over a picture may be from, where the same people are seen."""
STRONG = ("uneasy", "eerie", "tense", "sad", "hopeful", "playful", "wondering")
POINTING = frozenset(
    "he him his she her it its they them their this that these those there then so".split()
)
"""Words that point at what somebody who has not seen the film does not know."""
COLOURS = ("#fff3c4", "#ffd23f", "#ffffff")
"""Of the words, in turn."""


class _Said(NamedTuple):
    """Few words that are said in a shot (its index), and how strong they are."""

    worth: float
    words: str
    shot: int


def _short_said(film: Assembled) -> list[_Said]:
    """Short things that are said, the strongest first: where a mood is rare, and what is asked or called out."""
    moods = Counter(s.facts.mood for s in film.read.shots)
    found: list[_Said] = []
    for i, shot in enumerate(film.read.shots):
        strength = 1 / moods[shot.facts.mood] + (shot.facts.mood in STRONG)
        for sentence in re.findall(r"[^.!?…“”\"]+[.!?…]", film.shot_text(i)):
            words = sentence.strip().rstrip(".,")
            few = 2 <= len(words.split()) <= MOST_WORDS and len(words) <= 24
            # What begins small goes on with what somebody said: “said Pip”.
            if few and not words[0].islower():
                worth = strength + words.endswith(("?", "!")) - _points(words)
                found.append(_Said(worth, words, i))
    return sorted(found, key=lambda f: -f.worth)


def _points(words: str) -> bool:
    return not POINTING.isdisjoint(re.findall(r"[^\W\d_]+", words.lower()))


def _name_short(film: Assembled) -> str:
    name = re.sub(r"^(The|A|An) ", "", film.document.shown(film.document.title))
    return " ".join(name.split()[:MOST_WORDS])


def words_for(film: Assembled) -> list[str]:
    """Few words for a thumbnail: short things that are said, the strongest first, and the film's name."""
    return list(dict.fromkeys([*(s.words for s in _short_said(film)), _name_short(film)]))


def _words_over(film: Assembled, at: int, used: Collection[str]) -> str:
    """Words for the picture of a shot: what is said in it or around it, else what is asked or called out anywhere, else
    the film's name, once, and then what names nobody."""
    short = [s for s in _short_said(film) if s.words not in used]
    said = [s for s in short if not _points(s.words)]
    people = film.read.shots[at].facts.people
    near = [s for s in said if s.shot == at] + [
        s
        for s in said
        if abs(s.shot - at) <= NEAR and film.read.shots[s.shot].facts.people == people
    ]
    called = [s for s in said if s.words.endswith(("?", "!"))]
    name = _name_short(film)
    named = {w.lower() for p in film.document.cast for c in (p.name, *p.aliases) for w in c.split()}
    # Words that name somebody belong to a picture of them.
    loose = [s for s in (*said, *short) if not named & set(s.words.lower().split())]
    found = next((s.words for s in (*near, *called)), None)
    if found is None:
        found = name if name not in used else next((s.words for s in loose), name)
    return found


def proposed_thumbnails(film: Assembled, count: int = 3) -> list[Thumbnail]:
    """Thumbnails by rule: one subject, near enough that the face is large, few words where nobody is; each of another
    shot, the first behind its figure where that is known apart."""
    ranked = sorted(
        (
            (_worth(film, i), -i)
            for i, take in enumerate(film.used)
            if take is not None and film.read.shots[i].shot.id not in film.plates
        ),
        reverse=True,
    )
    out: list[Thumbnail] = []
    seen: list[tuple[object, ...]] = []
    for differ in (True, False):
        for _, negative in ranked:
            shot = film.read.shots[-negative]
            sort = (shot.facts.people, shot.scene)
            if (
                len(out) < count
                and shot.shot.id not in [t.shot for t in out]
                and (not differ or sort not in seen)
            ):
                seen.append(sort)
                said = _words_over(film, -negative, [t.words for t in out])
                out.append(_framed(film, shot, -negative, said, COLOURS[len(out) % len(COLOURS)]))
    return out


def pictured_thumbnails(film: Assembled) -> list[Thumbnail]:
    """A thumbnail of each picture that was made for thumbnails, framed as the others are; the newest first."""
    places = {s.shot.id: i for i, s in enumerate(film.read.shots)}
    out: list[Thumbnail] = []
    for picture in reversed(film.document.thumbnail_pictures):
        at = places.get(picture.shot)
        said = (
            _words_over(film, at, [t.words for t in out]) if at is not None else _name_short(film)
        )
        heads = [Head(*h) for h in picture.heads]
        made = _near(heads, picture.shot, said, COLOURS[len(out) % len(COLOURS)])
        out.append(made.model_copy(update={"picture": picture.media}))
    return out


def near_shot(film: Assembled, shot: int, shape: Aspect) -> ReadShot:
    """A shot as a picture for a thumbnail is asked for: seen near, in a shape. Raises NotFound."""
    document = film.document
    if all(s.id != shot for s in document.shots):
        raise NotFound("That shot is not in the film any more.", "Choose another.")
    settings = document.settings.model_copy(update={"aspect": shape})
    shots = [
        s.model_copy(update={"own": s.own.model_copy(update={"framing": "close", "move": "still"})})
        if s.id == shot
        else s
        for s in document.shots
    ]
    other = document.model_copy(update={"settings": settings, "shots": shots})
    read = read_film(other, film.read.offered, parses=film.read.parses)
    return next(s for s in read.shots if s.shot.id == shot)


def _worth(film: Assembled, i: int) -> float:
    """How good a thumbnail a shot's picture makes."""
    take, facts = film.used[i], film.read.shots[i].facts
    if take is None:
        return -1.0
    heads = heads_in(take)
    largest = max((h.low - h.top for h in heads), default=0.0)
    alone = {0: 0.25, 1: 1.0, 2: 0.6}.get(len(heads), 0.3)
    return (
        min(0.5, largest) * 2
        + alone
        + 0.4 * (facts.mood in STRONG)
        + 0.2 * (facts.framing == "close")
    )


def _framed(film: Assembled, shot: ReadShot, i: int, words: str, colour: str) -> Thumbnail:
    """A shot's picture so near that its largest face is large, with room for words beside it."""
    take = film.used[i]
    return _near(heads_in(take) if take is not None else [], shot.shot.id, words, colour)


def _near(heads: Sequence[Head], shot: int, words: str, colour: str) -> Thumbnail:
    if not heads:
        return Thumbnail(shot=shot, words=words, side="bottom", colour=colour, size=0.2)
    head = max(heads, key=lambda h: h.low - h.top)
    tall = max(0.02, head.low - head.top)
    zoom = round(min(2.4, max(1.0, 0.42 / tall)), 2)
    left = head.x > 0.5
    # The face stands a third from its side, a little above the middle.
    x = head.x + (-0.2 if left else 0.2) / zoom
    y = (head.top + head.low) / 2 + 0.08 / zoom
    half = 0.5 / zoom
    return Thumbnail(
        shot=shot,
        words=words,
        side="left" if left else "right",
        colour=colour,
        zoom=zoom,
        x=round(min(1 - half, max(half, x)), 3),
        y=round(min(1 - half, max(half, y)), 3),
    )
