"""Changes of what is heard: cues, sounds of the maker's own, the lanes of the mix, how tense the music is."""

from typing import Literal

from pydantic import Field

from cutreel.core.errors import BadInput, NotFound

from ..document import (
    MOST_PLACED,
    MOST_POINTS,
    CueChoice,
    FilmDocument,
    LaneChoice,
    OwnSound,
    PlacedCue,
    TensionPoint,
)
from .base import FilmCommand


class LiftCue(FilmCommand):
    """Take a sound away, or bring a proposed one back."""

    touches = ("lifted_cues", "placed", "cue_choices")
    type: Literal["lift cue"] = "lift cue"
    cue: str = Field(max_length=60)
    lifted: bool = True

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.lifted and (placed := next((p for p in film.placed if p.key == self.cue), None)):
            film.placed = [p for p in film.placed if p is not placed]
            film.cue_choices = [c for c in film.cue_choices if c.id != self.cue]
            return f"take {placed.prompt} away"
        film.lifted_cues = sorted(
            (set(film.lifted_cues) | {self.cue})
            if self.lifted
            else (set(film.lifted_cues) - {self.cue})
        )
        return "lift a sound" if self.lifted else "bring back a sound"


class SetCue(FilmCommand):
    """Say how a cue is wanted; as it was proposed, where nothing is said."""

    touches = ("cue_choices",)
    type: Literal["set cue"] = "set cue"
    cue: CueChoice

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        film.cue_choices = [c for c in film.cue_choices if c.id != self.cue.id]
        if self.cue != CueChoice(id=self.cue.id):
            film.cue_choices.append(self.cue)
        return "shape a sound"


class PlaceCues(FilmCommand):
    """Place sounds: new ones, each with how it is wanted (its `id` is not looked at), or one of a film's placed sounds
    elsewhere, by its number."""

    touches = ("placed", "cue_choices")
    type: Literal["place cues"] = "place cues"
    cues: list[PlacedCue] = Field(min_length=1, max_length=400)
    shaped: CueChoice | None = None

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = film.word_places
        lost = next((c for c in self.cues if c.word not in known), None)
        if lost is not None:
            raise NotFound("That word is not in the manuscript any more.", "Load the page again.")
        if len(film.placed) + len(self.cues) > MOST_PLACED:
            raise BadInput(
                f"{MOST_PLACED:,} sounds are placed by hand already.",
                "Take some of them away first.",
            )
        number = max((p.id for p in film.placed), default=0)
        for cue in self.cues:
            if cue.id:
                film.placed = [cue if p.id == cue.id else p for p in film.placed]
                continue
            number += 1
            film.placed = [*film.placed, cue.model_copy(update={"id": number})]
            if self.shaped is not None:
                shaped = self.shaped.model_copy(
                    update={"id": f"placed-{number}", "word": None, "later": 0}
                )
                film.cue_choices = [*film.cue_choices, shaped]
        first = self.cues[0].prompt
        return f"place {first}" if len(self.cues) == 1 else f"place {first} {len(self.cues)} times"


class SetTension(FilmCommand):
    """Draw how tense the music is, by all its points; with none it follows the story."""

    touches = ("tension",)
    type: Literal["set tension"] = "set tension"
    points: list[TensionPoint] = Field(max_length=MOST_POINTS)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        film.tension = self.points
        return "draw the tension" if self.points else "let the tension follow the story"


class LiftSounds(FilmCommand):
    """Throw out all sounds of one kind, known by their prompt, or take them back; they stay out however often the text
    is read again."""

    touches = ("lifted_sounds",)
    type: Literal["lift sounds"] = "lift sounds"
    prompt: str = Field(min_length=1, max_length=200)
    lifted: bool = True

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        out = {*film.lifted_sounds} - {self.prompt}
        film.lifted_sounds = sorted(out | {self.prompt} if self.lifted else out)
        return f"throw out {self.prompt}" if self.lifted else f"take back {self.prompt}"


class KeepSound(FilmCommand):
    """Keep a sound of the maker's own, or change what is told of one that is kept."""

    touches = ("own_sounds",)
    type: Literal["keep sound"] = "keep sound"
    sound: OwnSound

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = next(
            (
                s
                for s in film.own_sounds
                if self.sound.id in {s.id, 0} and s.media == self.sound.media
            ),
            None,
        )
        if known is not None:
            told = self.sound.model_copy(update={"id": known.id})
            film.own_sounds = [told if s is known else s for s in film.own_sounds]
            return f"tell of {self.sound.name}"
        number = max((s.id for s in film.own_sounds), default=0) + 1
        film.own_sounds = [*film.own_sounds, self.sound.model_copy(update={"id": number})]
        return f"bring {self.sound.name}"


class DropSound(FilmCommand):
    """Let a sound of the maker's own go; cues that it was used for are as they were proposed."""

    touches = ("own_sounds", "cue_choices")
    type: Literal["drop sound"] = "drop sound"
    sound: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = next((s for s in film.own_sounds if s.id == self.sound), None)
        if known is None:
            raise NotFound("That sound is not in the film any more.")
        film.own_sounds = [s for s in film.own_sounds if s is not known]
        film.cue_choices = [
            c.model_copy(update={"own": None}) if c.own == known.id else c for c in film.cue_choices
        ]
        return f"let {known.name} go"


class SetLane(FilmCommand):
    """Say how a lane of the mix is wanted, with its whole level line; as is usual, where nothing is said."""

    touches = ("lanes",)
    type: Literal["set lane"] = "set lane"
    lane: LaneChoice

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        before = next((c for c in film.lanes if c.lane == self.lane.lane), None)
        film.lanes = [c for c in film.lanes if c.lane != self.lane.lane]
        if self.lane != LaneChoice(lane=self.lane.lane):
            film.lanes.append(self.lane)
        drawn = self.lane.points != (before.points if before else [])
        return f"{'draw the level' if drawn else 'shape the tone'} of the {self.lane.lane}"
