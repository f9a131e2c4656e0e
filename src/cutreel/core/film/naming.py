"""A name for a story that brings none: by whom it is mostly about, and where."""

from cutreel.core.continuity import Place, appearances
from cutreel.core.manuscript import first_words, read
from cutreel.core.reading import TELLER

from .document import FilmDocument

BESIDE = 3
"""Somebody told of a third as often as whom a story is about is in its name too."""
_ON = frozenset(
    "beach shore jetty pier deck roof rooftop bridge island hill hills road street square mountain ship".split()
)
_AT = frozenset("sea harbour harbor market station lighthouse lake river inn".split())


def name_for(film: FilmDocument) -> str:
    """ "The crow and the fox", "Pavel in the workshop"; its first words where it is about nobody."""
    told = {
        a.person: sum(c.count for c in a.calls) for a in appearances(read(film.text), film.cast)
    }
    people = [p for p in film.cast if TELLER not in p.aliases and told[p.id] > 1]
    people.sort(key=lambda p: -told[p.id])
    if not people:
        return first_words(film.text)
    main = people[0]
    if len(people) > 1 and told[people[1].id] * BESIDE >= told[main.id]:
        name = f"{main.name} and {people[1].name}"
    elif film.places and "home" not in film.places[0].words:
        name = f"{main.name} {_where(film.places[0])}"
    else:
        return first_words(film.text) if main.name.startswith("the ") else main.name
    return name[0].upper() + name[1:]


def _where(place: Place) -> str:
    noun = place.words[0] if place.words else ""
    name = (
        place.name
        if place.name.startswith("the ") or place.name[:1].isupper()
        else f"the {place.name}"
    )
    return f"{'on' if noun in _ON else 'at' if noun in _AT else 'in'} {name}"
