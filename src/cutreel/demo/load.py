"""Loads *The Lamp at Saltmere* once, and has it made in view."""

from importlib.resources import files
from typing import Any

from cutreel.core.breakdown import Wish
from cutreel.core.continuity import Person, Place, Trait
from cutreel.core.film import Change, Command, Settings, new_film
from cutreel.core.film.commands import RemovePerson, SetPerson, SetPlace, SetShots
from cutreel.core.manuscript import read
from cutreel.jobs import Workshop, start_run

FILM = "saltmere"


def load_demo(shop: Workshop) -> None:
    """Add the sample film and start making it; nothing happens when it was loaded before, even if it was removed."""
    if shop.films.exists(FILM):
        return
    text = (files("cutreel.demo") / "lamp-at-saltmere.txt").read_text()
    settings = Settings(takes=2, pace=5.5, music="auto")
    document, edges = new_film("The Lamp at Saltmere", text, settings, Wish(seconds=settings.pace))
    shop.films.add(document, edges, FILM)
    for command in _by_hand({p.name: p for p in document.cast}, {p.name: p for p in document.places}):
        shop.films.change(FILM, Change(revision=shop.films.get(FILM).revision, command=command))
    document = shop.films.get(FILM).document
    for shot, values in _shots(document.text, document.word_ids, [(s.id, s.first) for s in document.shots if s.first]):
        shop.films.change(
            FILM, Change(revision=shop.films.get(FILM).revision, command=SetShots(shots=[shot], values=values))
        )
    start_run(shop, FILM, "everything", {})


def _by_hand(cast: dict[str, Person], places: dict[str, Place]) -> list[Command]:
    """What the maker of this film states."""
    maren, pip = cast["Maren Oake"], cast["Pip"]
    commands: list[Command] = [
        SetPerson(
            person=maren.model_copy(
                update={
                    "aliases": ["Maren", "the ferrywoman"],
                    "pronoun": "she",
                    "voice": "edda",
                    "traits": [
                        Trait(about="who", text="old woman, sixty-one", short="old woman"),
                        Trait(about="hair", text="long grey braid", short="grey braid"),
                        Trait(about="skin", text="tanned skin"),
                        Trait(about="clothes", text="yellow oilskin coat", short="yellow oilskin"),
                    ],
                }
            )
        ),
        SetPerson(
            person=pip.model_copy(
                update={
                    "aliases": ["the boy"],
                    "pronoun": "he",
                    "voice": "fenn",
                    "traits": [
                        Trait(about="who", text="boy of ten", short="boy"),
                        Trait(about="hair", text="cropped brown hair"),
                        Trait(about="skin", text="fair skin"),
                        Trait(about="scarf", text="red scarf"),
                        Trait(about="clothes", text="teal coat"),
                    ],
                }
            )
        ),
    ]
    if "the boy" in cast:
        commands.append(RemovePerson(id=cast["the boy"].id))
    heron = cast.get("the heron", Person(id=0, name="the heron"))
    commands.append(
        SetPerson(
            person=heron.model_copy(
                update={"kind": "animal", "aliases": ["heron"], "traits": [Trait(about="kind", text="grey heron")]}
            )
        )
    )
    for name, description in (
        ("The jetty", "a plank jetty over salt marsh water"),
        ("The far shore", "a lamp post on the far shore"),
    ):
        if name in places:
            commands.append(SetPlace(place=places[name].model_copy(update={"description": description})))
    return commands


def _shots(text: str, ids: list[int], shots: list[tuple[int, int]]) -> list[tuple[int, dict[Any, Any]]]:
    """Moves and framings set by hand, for the shots in which certain words stand."""
    words = read(text).words
    at = {n: i for i, n in enumerate(ids)}
    wanted = {
        "Somebody": {"move": "pan left"},
        "Halfway": {"framing": "extreme wide", "move": "pull"},
        "flared,": {"move": "tilt up"},
        "turned": {"framing": "extreme wide", "move": "still"},
    }
    out: list[tuple[int, dict[Any, Any]]] = []
    for i, (shot, first) in enumerate(shots):
        end = at[shots[i + 1][1]] if i + 1 < len(shots) else len(words)
        for word, values in wanted.items():
            if any(w.text.strip("“”") == word for w in words[at[first] : end]):
                out.append((shot, dict(values)))
                break
    return out
