"""Everything a maker can change: named commands, each with what it is called in the history.

A command is applied to a copy of the document; the store keeps the difference both ways, so that undo is exact.
"""

import re
from collections.abc import Sequence
from typing import Annotated, Any, Literal

from pydantic import BaseModel, Field

from cutreel.core.breakdown import Wish, break_down
from cutreel.core.continuity import Person, Place, look_named
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.manuscript import carry_ids, read

from .document import FilmDocument, Settings, Shot, clean_text, rebuilt_shots


class EditText(BaseModel):
    """Replace characters `start` up to `end` of the manuscript by `insert`."""

    type: Literal["edit text"] = "edit text"
    start: int = Field(ge=0)
    end: int = Field(ge=0)
    insert: str

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.end < self.start or self.end > len(film.text):
            raise BadInput("That stretch of text is not there any more.", "Load the page again.")
        _retext(film, film.text[: self.start] + self.insert + film.text[self.end :], used)
        return "edit words"


class SetMark(BaseModel):
    """Put a cut mark before a word."""

    type: Literal["set mark"] = "set mark"
    word: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        ids = film.word_ids
        if self.word not in ids:
            raise NotFound("That word is not in the manuscript any more.", "Load the page again.")
        firsts = {s.first for s in film.shots}
        if self.word in firsts:
            raise BadInput("There is a cut mark before that word already.")
        at = {number: i for i, number in enumerate(ids)}
        rebuilt_shots(film, sorted(firsts | {self.word}, key=at.__getitem__), used, frozenset({self.word}))
        return f"set cut mark {next(s.edge for s in film.shots if s.first == self.word)}"


class LiftMark(BaseModel):
    """Take away the cut mark that opens a shot; its words join the shot before."""

    type: Literal["lift mark"] = "lift mark"
    shot: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        index, shot = _shot(film, self.shot)
        if index == 0:
            raise BadInput("The first shot opens the film; its mark stays.")
        film.shots.pop(index)
        return f"lift cut mark {shot.edge}"


class PushMark(BaseModel):
    """Push the cut mark that opens a shot along by `words` (negative: back)."""

    type: Literal["push mark"] = "push mark"
    shot: int
    words: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        index, shot = _shot(film, self.shot)
        if index == 0:
            raise BadInput("The first shot opens the film; its mark stays.")
        ids = film.word_ids
        at = {number: i for i, number in enumerate(ids)}
        low = at[film.shots[index - 1].first] + 1
        high = at[film.shots[index + 1].first] - 1 if index + 1 < len(film.shots) else len(ids) - 1
        wanted = at[shot.first] + self.words
        if not low <= wanted <= high:
            raise BadInput("The mark cannot be pushed further: each shot keeps at least one word.")
        shot.first, shot.by_hand = ids[wanted], True
        return f"push cut mark {shot.edge}"


class CutAgain(BaseModel):
    """Cut the whole film again by a wish; marks set by hand stay."""

    type: Literal["cut again"] = "cut again"
    by: Literal["pace", "sentence", "exactly"] = "pace"
    seconds: float = Field(6.0, ge=1, le=300)
    count: int = Field(0, ge=0, le=20_000)
    keep_hand: bool = True

    def firsts(self, film: FilmDocument) -> list[int]:
        """The numbers of the words that would open shots."""
        ids = film.word_ids
        at = {number: i for i, number in enumerate(ids)}
        kept = frozenset(at[s.first] for s in film.shots if s.by_hand) if self.keep_hand else frozenset()
        return [ids[i] for i in break_down(read(film.text), Wish(self.by, self.seconds, self.count), kept)]

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        rebuilt_shots(film, self.firsts(film), used)
        if self.by == "pace":
            film.settings.pace = self.seconds
        return f"cut again {'to ' + str(len(film.shots)) + ' shots' if self.by == 'exactly' else 'by ' + self.by}"


class SetShots(BaseModel):
    """Set what the maker wants for some shots; None lifts it, so that the proposal from the text holds again."""

    type: Literal["set shots"] = "set shots"
    shots: list[int] = Field(min_length=1, max_length=20_000)
    values: dict[Literal["framing", "place", "time", "weather", "mood", "people", "prompt", "move"], Any]

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        edges = []
        for number in self.shots:
            _, shot = _shot(film, number)
            shot.own = type(shot.own).model_validate({**shot.own.model_dump(), **self.values})
            edges.append(shot.edge)
        what = " and ".join(self.values)
        return f"set {what} of shot {edges[0]}" if len(edges) == 1 else f"set {what} of {len(edges)} shots"


class CircleTake(BaseModel):
    """Circle the take of a shot that the film uses; None leaves it open, which uses the first take made."""

    type: Literal["circle take"] = "circle take"
    shot: int
    take: str | None

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        _, shot = _shot(film, self.shot)
        shot.circled = self.take
        return f"circle a take of shot {shot.edge}"


class SetPerson(BaseModel):
    """Add a person (id 0) or change one."""

    type: Literal["set person"] = "set person"
    person: Person

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        person = self.person.model_copy(update={"guess": False})
        if person.id == 0:
            person.id = 1 + max((p.id for p in film.cast), default=0)
            film.cast.append(person)
            return f"add {person.name}"
        for i, known in enumerate(film.cast):
            if known.id == person.id:
                film.cast[i] = person
                return f"change {person.name}"
        raise NotFound("That person is not in the cast any more.")


class RemovePerson(BaseModel):
    """Take somebody out of the cast; the manuscript's words stay."""

    type: Literal["remove person"] = "remove person"
    id: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        person = next((p for p in film.cast if p.id == self.id), None)
        if person is None:
            raise NotFound("That person is not in the cast any more.")
        film.cast.remove(person)
        for shot in film.shots:
            if shot.own.people:
                shot.own.people = [p for p in shot.own.people if p != self.id]
        return f"remove {person.name} from the cast"


class SetPlace(BaseModel):
    """Add a place (id 0) or change one."""

    type: Literal["set place"] = "set place"
    place: Place

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        place = self.place.model_copy(update={"guess": False})
        if place.id == 0:
            place.id = 1 + max((p.id for p in film.places), default=0)
            film.places.append(place)
            return f"add {place.name}"
        for i, known in enumerate(film.places):
            if known.id == place.id:
                film.places[i] = place
                return f"change {place.name}"
        raise NotFound("That place is not in the film any more.")


class SetSettings(BaseModel):
    """Change choices of the whole film."""

    type: Literal["set settings"] = "set settings"
    values: dict[str, Any]

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        unknown = set(self.values) - set(Settings.model_fields)
        if unknown:
            raise BadInput(f"A film has no setting “{min(unknown)}”.")
        if "look" in self.values:
            self.values["look"] = look_named(self.values["look"]).name
        film.settings = Settings.model_validate({**film.settings.model_dump(), **self.values})
        return "set " + " and ".join(sorted(self.values))


class Rename(BaseModel):
    """Give the film another name."""

    type: Literal["rename film"] = "rename film"
    title: str = Field(min_length=1, max_length=200)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        film.title = self.title
        return "rename the film"


class LiftCue(BaseModel):
    """Take a proposed sound away, or bring it back."""

    type: Literal["lift cue"] = "lift cue"
    cue: str = Field(max_length=60)
    lifted: bool = True

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        film.lifted_cues = sorted(
            (set(film.lifted_cues) | {self.cue}) if self.lifted else (set(film.lifted_cues) - {self.cue})
        )
        return "lift a sound" if self.lifted else "bring back a sound"


Command = Annotated[
    EditText
    | SetMark
    | LiftMark
    | PushMark
    | CutAgain
    | SetShots
    | CircleTake
    | SetPerson
    | RemovePerson
    | SetPlace
    | SetSettings
    | Rename
    | LiftCue,
    Field(discriminator="type"),
]


class Change(BaseModel):
    """A command sent by somebody who saw the film at `revision`."""

    revision: int
    command: Command


def apply_command(film: FilmDocument, command: Command, used: Sequence[str]) -> tuple[FilmDocument, list[str], str]:
    """The changed film, all edge numbers used so far, and the change's name. `film` itself is not touched."""
    changed = film.model_copy(deep=True)
    edges = list(used)
    title = command.apply(changed, edges)
    return FilmDocument.model_validate(changed.model_dump()), edges, title


def _shot(film: FilmDocument, number: int) -> tuple[int, Shot]:
    for i, shot in enumerate(film.shots):
        if shot.id == number:
            return i, shot
    raise NotFound("That shot is not in the film any more.", "Load the page again.")


def _retext(film: FilmDocument, text: str, used: list[str]) -> None:
    """Give the film a new text: words that stay keep their numbers, marks move with them.

    A mark whose word is gone goes to the next word that stayed; marks that meet become one.
    """
    text = clean_text(text)
    before, after = read(film.text), read(text)
    if not after.words:
        raise BadInput("The manuscript cannot be empty.", "Leave at least one word to tell.")
    old_ids = film.word_ids
    runs, free = carry_ids([w.text for w in before.words], old_ids, [w.text for w in after.words], film.next_word)
    film.text, film.word_runs, film.next_word = text, runs, free
    ids = film.word_ids
    stayed = set(ids)
    place = {number: i for i, number in enumerate(old_ids)}
    taken: set[int] = set()
    shots: list[Shot] = []
    order = {number: i for i, number in enumerate(ids)}
    for i, shot in enumerate(film.shots):
        at = place[shot.first]
        stop = place[film.shots[i + 1].first] if i + 1 < len(film.shots) else len(old_ids)
        first = next((n for n in old_ids[at:stop] if n in stayed), None)
        if first is not None and first not in taken:
            taken.add(first)
            shots.append(shot.model_copy(update={"first": first}))
    shots.sort(key=lambda s: order[s.first])
    if not shots:
        shots = [film.shots[0]]
    shots[0] = shots[0].model_copy(update={"first": ids[0]})
    film.shots = shots
    scene_firsts = {ids[s.first] for s in after.scenes if 0 < s.first < len(ids)}
    have = {s.first for s in film.shots}
    if scene_firsts - have:
        rebuilt_shots(film, sorted(have | scene_firsts, key=order.__getitem__), used)
    known = {p.name.lower() for p in film.cast} | {a.lower() for p in film.cast for a in p.aliases}
    for speaker in after.speakers:
        if speaker.lower() not in known and not re.match(r"unknown", speaker, re.I):
            film.cast.append(Person(id=1 + max((p.id for p in film.cast), default=0), name=speaker, why="speaks"))
