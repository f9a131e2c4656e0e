"""Changes of what is chosen: for shots, for scenes, for the whole film."""

from collections.abc import Mapping
from typing import Any, Literal, TypeVar

from pydantic import BaseModel, Field, ValidationError

from cutreel.core.breakdown import KINDS
from cutreel.core.continuity import LOOKS, Look, look_named
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.timeline import Room
from cutreel.core.titles import AS_USUAL, CardHow, CardSort

from ..document import (
    MOST_FACES,
    MOST_POINTS,
    MOST_TABLES,
    FilmDocument,
    OwnCard,
    OwnFace,
    OwnTable,
    SceneChoice,
    Settings,
    Source,
)
from ..shots import shot_numbered
from .base import OF_SHOTS, FilmCommand

Chosen = TypeVar("Chosen", bound=BaseModel)
Settable = Literal[
    "idea", "framing", "angle", "place", "time", "weather", "season", "remembered", "mood", "people", "action",
    "prompt", "seed",
    "move", "path", "fit", "slide", "heard", "motion", "acts", "air", "regions", "horizon",
    "sound", "music", "join", "grade", "effects", "plate", "insets", "marks", "direction",
    "made_by",
]  # fmt: skip


def with_values(own: Chosen, values: Mapping[Any, Any]) -> Chosen:
    """What was chosen, with some of it chosen otherwise. Raises BadInput for what may not be."""
    try:
        return type(own).model_validate({**own.model_dump(), **values})
    except ValidationError as error:
        first = error.errors()[0]
        where = " ".join(str(p) for p in first["loc"])
        raise BadInput(
            f"{where}: {first['msg']}.", "Choose one of those that are listed."
        ) from error


class SetShots(FilmCommand):
    """Set what the maker wants for some shots; None lifts it, so that the proposal from the text
    holds again."""

    touches = OF_SHOTS
    type: Literal["set shots"] = "set shots"
    shots: list[int] = Field(min_length=1, max_length=20_000)
    values: dict[Settable, Any]

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        edges = []
        for number in self.shots:
            _, shot = shot_numbered(film, number)
            shot.own = with_values(shot.own, self.values)
            edges.append(shot.edge)
        what = " and ".join(self.values)
        return (
            f"set {what} of shot {edges[0]}"
            if len(edges) == 1
            else f"set {what} of {len(edges)} shots"
        )


class CircleTake(FilmCommand):
    """Circle the take of a shot that the film uses; None leaves it open, which uses the first take
    made."""

    touches = OF_SHOTS
    type: Literal["circle take"] = "circle take"
    shot: int
    take: str | None

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        _, shot = shot_numbered(film, self.shot)
        shot.circled = self.take
        return f"circle a take of shot {shot.edge}"


class CircleTakes(FilmCommand):
    """Circle a take of each of several shots, by the shots' numbers."""

    touches = OF_SHOTS
    type: Literal["circle takes"] = "circle takes"
    takes: dict[int, str] = Field(min_length=1, max_length=20_000)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        for number, take in self.takes.items():
            _, shot = shot_numbered(film, number)
            shot.circled, shot.same_as = take, None
        return f"place {len(self.takes)} {'picture' if len(self.takes) == 1 else 'pictures'}"


class RejectTake(FilmCommand):
    """Reject a take of a shot with a reason, so that it is not used nor shown first; None takes
    that back."""

    touches = OF_SHOTS
    type: Literal["reject take"] = "reject take"
    shot: int
    take: str = Field(max_length=12)
    reason: str | None = Field("", max_length=200)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        _, shot = shot_numbered(film, self.shot)
        if self.reason is None:
            shot.rejected = {take: why for take, why in shot.rejected.items() if take != self.take}
            return f"take a picture of shot {shot.edge} back"
        shot.rejected = {**shot.rejected, self.take: " ".join(self.reason.split())}
        if shot.circled == self.take:
            shot.circled = None
        return f"reject a take of shot {shot.edge}"


class SetSettings(FilmCommand):
    """Change choices of the whole film."""

    touches = ("settings",)
    type: Literal["set settings"] = "set settings"
    values: dict[str, Any]

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        unknown = set(self.values) - set(Settings.model_fields)
        if unknown:
            raise BadInput(f"A film has no setting “{min(unknown)}”.")
        if "look" in self.values:
            self.values["look"] = look_named(self.values["look"], film.looks).name
        if "kind" in self.values and "pace" not in self.values and self.values["kind"] in KINDS:
            self.values["pace"] = KINDS[self.values["kind"]].seconds
        film.settings = with_values(film.settings, self.values)
        return "set " + " and ".join(sorted(self.values))


class SetLook(FilmCommand):
    """Keep a look of the film's own, new or changed; `use` makes it the film's look."""

    touches = ("looks", "settings")
    type: Literal["set look"] = "set look"
    look: Look
    use: bool = False

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.look.name in {known.name for known in LOOKS}:
            raise BadInput(
                f"“{self.look.title}” is one of ours.", "Give your own look another name."
            )
        own = self.look.model_copy(update={"own": True})
        at = next((i for i, known in enumerate(film.looks) if known.name == own.name), None)
        if at is None:
            film.looks.append(own)
        else:
            film.looks[at] = own
        if self.use:
            film.settings.look = own.name
        return f"{'add' if at is None else 'change'} the look {own.title}"


class RemoveLook(FilmCommand):
    """Drop a look of the film's own that it does not use."""

    touches = ("looks", "settings")
    type: Literal["remove look"] = "remove look"
    name: str

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        look = next((known for known in film.looks if known.name == self.name), None)
        if look is None:
            raise NotFound("That look is not in the film any more.")
        if film.settings.look == look.name:
            raise BadInput("The film is in this look.", "Give the film another look first.")
        film.looks.remove(look)
        return f"remove the look {look.title}"


class SetCard(FilmCommand):
    """Say what stands on the screen in a shot in place of what is planned; with no text at all (None) that stands
    again, with an empty one nothing does. Of the sort “words” it is words besides: with the number 0 more of them, with
    no text none. `how` they are is as it was where it is not said."""

    touches = ("cards",)
    type: Literal["set card"] = "set card"
    sort: CardSort
    shot: int
    text: str | None = Field(None, max_length=400)
    number: int = 0
    how: CardHow | None = None
    word: int | None = None
    seconds: float | None = Field(None, ge=0.3, le=60)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        shot_numbered(film, self.shot)
        known = (self.sort, self.shot, self.number)
        there = next((c for c in film.cards if (c.sort, c.shot, c.number) == known), None)
        if self.number and there is None:
            raise NotFound("Those words are not in the film any more.")
        if self.word is not None and self.word not in film.word_places:
            raise NotFound("That word is not in the film any more.")
        how = self.how or (there.how if there else AS_USUAL)
        others = [c for c in film.cards if c is not there]
        if self.sort == "words" and not (self.text or "").strip():
            film.cards = others
            return "take words off the screen"
        if self.text is None and how == AS_USUAL:
            film.cards = others
            return f"let the {self.sort} be as planned"
        if there is None and len(others) >= MOST_POINTS:
            raise BadInput(f"A film keeps {MOST_POINTS:,} words on the screen at most.")
        number = self.number
        if self.sort == "words" and not number:
            number = max((c.number for c in film.cards), default=0) + 1
        own = OwnCard(
            sort=self.sort,
            shot=self.shot,
            text=self.text,
            number=number,
            how=how,
            word=self.word,
            seconds=self.seconds,
        )
        film.cards = [*others, own]
        if self.text is None:
            return f"place the {self.sort}"
        return f"write the {self.sort}" if self.text.strip() else f"take the {self.sort} away"


class KeepFace(FilmCommand):
    """Keep a face that was brought, or give one that is kept another name; with no name it is not kept any more."""

    touches = ("faces", "settings")
    type: Literal["keep face"] = "keep face"
    media: str
    name: str = Field("", max_length=120)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = [f for f in film.faces if f.media != self.media]
        if not self.name:
            if len(known) == len(film.faces):
                raise NotFound("That face is not in the film any more.")
            film.faces = known
            settings = film.settings
            if settings.title_style is not None and settings.title_style.face == self.media:
                plain = settings.title_style.model_copy(update={"face": "plain"})
                settings.title_style = plain
            if settings.caption_style.face == self.media:
                settings.caption_style = settings.caption_style.model_copy(update={"face": "plain"})
            return "keep a face no longer"
        if len(known) >= MOST_FACES:
            raise BadInput(f"A film keeps {MOST_FACES} faces at most.")
        film.faces = [*known, OwnFace(name=self.name, media=self.media)]
        return f"keep the face {self.name}"


class KeepTable(FilmCommand):
    """Keep a look-up table that was brought, or give one that is kept another name."""

    touches = ("tables",)
    type: Literal["keep table"] = "keep table"
    table: OwnTable

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = [t for t in film.tables if t.media != self.table.media]
        if len(known) >= MOST_TABLES:
            raise BadInput(f"A film keeps {MOST_TABLES} look-up tables at most.")
        film.tables = [*known, self.table]
        return f"keep the look-up table {self.table.name}"


class Rename(FilmCommand):
    """Give the film another name."""

    touches = ("title",)
    type: Literal["rename film"] = "rename film"
    title: str = Field(min_length=1, max_length=200)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        film.title = self.title
        return "rename the film"


class SetScene(FilmCommand):
    """Set what holds for all shots of a scene unless a shot says otherwise; None lifts it. `word`
    is the number of the scene's first word; `pace` is in seconds a shot, `aim` the seconds it is to
    last (0 lifts either); `manner` how everybody speaks in it (empty lifts it), `room` where whoever is
    in it is heard."""

    touches = ("scenes",)
    type: Literal["set scene"] = "set scene"
    word: int
    values: dict[Settable, Any] = Field({})
    pace: float | None = Field(None, ge=0, le=600)
    aim: float | None = Field(None, ge=0, le=36_000)
    manner: str | None = Field(None, max_length=120)
    room: Room | Literal["as told"] | None = None

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.word not in film.word_places:
            raise NotFound("That scene is not in the manuscript any more.", "Load the page again.")
        known = next((s for s in film.scenes if s.first == self.word), SceneChoice(first=self.word))
        own = with_values(known.own, self.values)
        pace = known.pace if self.pace is None else self.pace or None
        aim = known.aim if self.aim is None else self.aim or None
        scene = SceneChoice(
            first=self.word,
            own=own,
            pace=pace and max(1.0, pace),
            aim=aim,
            manner=known.manner if self.manner is None else self.manner.strip(),
            room=known.room if self.room is None else None if self.room == "as told" else self.room,
        )
        film.scenes = [s for s in film.scenes if s.first != self.word]
        if scene != SceneChoice(first=self.word):
            film.scenes.append(scene)
        named = {"pace": self.pace, "length": self.aim, "direction": self.manner, "room": self.room}
        what = " and ".join(
            [*self.values, *(name for name, value in named.items() if value is not None)]
        )
        return f"set {what} of a scene"


class SetSource(FilmCommand):
    """Say where a passage comes from: the words numbered `first` to `last`. An id of 0 adds; an
    empty text removes."""

    touches = ("sources",)
    type: Literal["set source"] = "set source"
    id: int = 0
    first: int = 0
    last: int = 0
    text: str = Field("", max_length=1000)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = next((s for s in film.sources if s.id == self.id), None)
        if self.id and known is None:
            raise NotFound("That source is not in the film any more.")
        text = " ".join(self.text.split())
        if known and not text:
            film.sources.remove(known)
            return "remove a source"
        if known:
            known.text = text
            return "change a source"
        if not text:
            raise BadInput("A source needs a link or a few words.")
        ids = film.word_places
        if self.first not in ids or self.last not in ids:
            raise NotFound(
                "Those words are not in the manuscript any more.", "Load the page again."
            )
        number = 1 + max((s.id for s in film.sources), default=0)
        film.sources.append(Source(id=number, first=self.first, last=self.last, text=text))
        return "add a source"
