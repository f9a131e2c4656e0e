"""Loads the sample films once, and has them made in view, one after another."""

import time
from collections.abc import Callable
from dataclasses import dataclass
from importlib.resources import files
from typing import Any

from cutreel.core.continuity import Person, Place, Trait
from cutreel.core.film import Change, Command, FilmDocument, GivenSource, Settings, new_film
from cutreel.core.film.commands import RemovePerson, SetPerson, SetPlace, SetScene, SetShots
from cutreel.core.manuscript import read
from cutreel.core.plates import Plate, PlateRow
from cutreel.making import Workshop, parses_of, start_run


@dataclass(frozen=True)
class Sample:
    """A sample film: its story's file, its settings, and what its maker states by hand."""

    film: str
    title: str
    story: str
    settings: Settings
    by_hand: Callable[[FilmDocument], list[Command]]
    sources: tuple[tuple[str, str], ...] = ()


def load_demo(shop: Workshop) -> None:
    """Add each sample film and start making it when the one before is made. A film that was loaded
    before, even if it was removed since, is left alone."""
    for sample in SAMPLES:
        if shop.films.exists(sample.film):
            continue
        while shop.runs.going():
            time.sleep(1)
        _load(shop, sample)


def _load(shop: Workshop, sample: Sample) -> None:
    text = (files("cutreel.demo") / sample.story).read_text()
    sources = [
        GivenSource(offset=text.index(words), text=source) for words, source in sample.sources
    ]
    parses, _ = parses_of(text, shop.parses)
    document, edges = new_film(sample.title, text, sample.settings, sources=sources, parses=parses)
    shop.films.add(document, edges, sample.film)
    for command in sample.by_hand(document):
        shop.films.change(
            sample.film, Change(revision=shop.films.get(sample.film).revision, command=command)
        )
    start_run(shop, sample.film, "everything", {})


def _saltmere(film: FilmDocument) -> list[Command]:
    commands = _by_hand({p.name: p for p in film.cast}, {p.name: p for p in film.places})
    return commands + _shots(
        film,
        {
            "Somebody": {"move": "pan left"},
            "Halfway": {"framing": "extreme wide", "move": "pull"},
            "flared,": {"move": "tilt up"},
            "turned": {"framing": "extreme wide", "move": "still"},
        },
    )


def _metre(film: FilmDocument) -> list[Command]:
    """The two surveyors, as their sheet has them."""
    traits = {
        "Jean Delambre": (
            ["Delambre", "Jean"],
            ("man of forty-three", "short brown hair", "fair skin", "navy coat", "white scarf"),
        ),
        "Pierre Méchain": (
            ["Méchain", "Pierre"],
            ("man of forty-eight", "grey hair", "fair skin", "rust coat", "black hat"),
        ),
    }
    commands: list[Command] = [RemovePerson(id=p.id) for p in film.cast if p.name == "Earth"]
    commands += _places(
        film, {"Paris": "a city street with tall houses", "The mountains": "bare mountains"}
    )
    for name, (aliases, told) in traits.items():
        known = next(
            (p for p in film.cast if p.name == name or p.name in aliases), Person(id=0, name=name)
        )
        about = ("who", "hair", "skin", "clothes", "more")
        commands.append(
            SetPerson(
                person=known.model_copy(
                    update={
                        "name": name,
                        "aliases": aliases,
                        "pronoun": "he",
                        "traits": [
                            Trait(about=a, text=t) for a, t in zip(about, told, strict=True)
                        ],
                    }
                )
            )
        )
    return commands + _shots(
        film, {word: {"plate": plate} for word, plate in _METRE_PLATES.items()}
    )


_METRE_PLATES = {
    "names": Plate(
        sort="number", rows=(PlateRow(label="names for measures", more="in France", value=700),)
    ),
    "Forty": Plate(
        sort="number",
        title="Once round the world",
        rows=(PlateRow(value=40_000_000),),
        unit="metres",
    ),
    "Dunkirk.": Plate(
        sort="map",
        title="The meridian of Paris",
        rows=(PlateRow(label="Paris"), PlateRow(label="Dunkirk"), PlateRow(label="Barcelona")),
        route=False,
    ),
}


def _places(film: FilmDocument, places: dict[str, str]) -> list[Command]:
    """Where scenes with certain headings take place."""
    return [
        SetScene(word=film.word_ids[scene.first], values={"place": places[scene.title]})
        for scene in read(film.text).scenes
        if scene.title in places
    ]


def _ladder(film: FilmDocument) -> list[Command]:
    told = {
        "Dot": ("she", "briony", ("woman", "long red hair", "green dress")),
        "Hobb": ("he", "hask", ("old man", "bald", "blue jumper")),
    }
    return _places(film, {"The front door": "a house with a green door"}) + [
        SetPerson(
            person=p.model_copy(
                update={
                    "pronoun": told[p.name][0],
                    "voice": told[p.name][1],
                    "traits": [
                        Trait(about=f"trait {i}", text=t) for i, t in enumerate(told[p.name][2], 1)
                    ],
                }
            )
        )
        for p in film.cast
        if p.name in told
    ]


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
                update={
                    "kind": "animal",
                    "aliases": ["heron"],
                    "traits": [Trait(about="kind", text="grey heron")],
                }
            )
        )
    )
    for name, description in (
        ("The jetty", "a plank jetty over salt marsh water"),
        ("The far shore", "a lamp post on the far shore"),
    ):
        if name in places:
            commands.append(
                SetPlace(place=places[name].model_copy(update={"description": description}))
            )
    return commands


def _shots(film: FilmDocument, wanted: dict[str, dict[Any, Any]]) -> list[Command]:
    """What is set by hand for the shots in which certain words stand."""
    words = read(film.text).words
    at = {n: i for i, n in enumerate(film.word_ids)}
    shots = [(s.id, s.first) for s in film.shots if s.first]
    out: list[Command] = []
    for i, (shot, first) in enumerate(shots):
        end = at[shots[i + 1][1]] if i + 1 < len(shots) else len(words)
        there = {w.text.strip("“”") for w in words[at[first] : end]}
        word = next((w for w in wanted if w in there), None)
        if word is not None:
            out.append(SetShots(shots=[shot], values=dict(wanted[word])))
    return out


SAMPLES = (
    Sample(
        "saltmere",
        "The Lamp at Saltmere",
        "lamp-at-saltmere.txt",
        Settings(takes=2, pace=5.5),
        _saltmere,
    ),
    Sample(
        "metre",
        "Forty Paces to the Metre",
        "forty-paces-to-the-metre.txt",
        Settings(kind="documentary", pace=8, look="ink-wash", narrator="corin", music="calm"),
        _metre,
        (
            (
                "In the spring of 1792",
                "J. B. J. Delambre, Base du système métrique décimal, Paris 1806 to 1810",
            ),
            ("In 1799 a bar", "Archives nationales, Paris: the metre of the Archives, 1799"),
        ),
    ),
    Sample(
        "ladder",
        "How Not to Return a Ladder",
        "how-not-to-return-a-ladder.txt",
        Settings(
            kind="comic",
            pace=3,
            look="stick-figures",
            aspect="9:16",
            narrator="alder",
            music="playful",
        ),
        _ladder,
    ),
)
