"""Changes of the cut: marks set, lifted and pushed; shots without words; pictures that go on over a
cut."""

from typing import Literal

from pydantic import Field

from cutreel.core.breakdown import By, Wish, break_down, cut_ramp
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.manuscript import read

from ..document import FilmDocument, Shot
from ..edges import label_between
from ..pacing import wish_of
from ..shots import own_pictures, rebuilt_shots, shot_numbered, worded
from .base import OF_SHOTS, FilmCommand


class SetMark(FilmCommand):
    """Put a cut mark before a word. `same_picture`: the new shot goes on with the picture of the
    shot it is cut from, so that one picture may be seen in two ways."""

    touches = OF_SHOTS
    type: Literal["set mark"] = "set mark"
    word: int
    same_picture: bool = False

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.word not in film.word_places:
            raise NotFound("That word is not in the manuscript any more.", "Load the page again.")
        firsts = {s.first for s in worded(film)}
        if self.word in firsts:
            raise BadInput("There is a cut mark before that word already.")
        at = film.word_places
        rebuilt_shots(
            film, sorted(firsts | {self.word}, key=at.__getitem__), used, frozenset({self.word})
        )
        number = next(s.id for s in film.shots if s.first == self.word)
        index, shot = shot_numbered(film, number)
        if self.same_picture:
            host = film.shots[index - 1]
            shot.same_as = host.same_as or host.id
            shot.own.framing = host.own.framing
        return f"set cut mark {shot.edge}"


class LiftMark(FilmCommand):
    """Take away the cut mark that opens a shot; its words join the shot before. A hold is taken
    out."""

    touches = OF_SHOTS
    type: Literal["lift mark"] = "lift mark"
    shot: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        index, shot = shot_numbered(film, self.shot)
        if index == 0:
            raise BadInput("The first shot opens the film; its mark stays.")
        film.shots.pop(index)
        film.shots = own_pictures(film.shots)
        return (
            f"lift cut mark {shot.edge}" if shot.first is not None else f"take out hold {shot.edge}"
        )


class PushMark(FilmCommand):
    """Push the cut mark that opens a shot along by `words` (negative: back)."""

    touches = OF_SHOTS
    type: Literal["push mark"] = "push mark"
    shot: int
    words: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        index, shot = shot_numbered(film, self.shot)
        if index == 0 or shot.first is None:
            raise BadInput(
                "The first shot opens the film; its mark stays."
                if index == 0
                else "A hold has no words."
            )
        ids = film.word_ids
        at = film.word_places
        bounds = [at[s.first] for s in worded(film)]
        here = bounds.index(at[shot.first])
        low = bounds[here - 1] + 1
        high = bounds[here + 1] - 1 if here + 1 < len(bounds) else len(ids) - 1
        wanted = at[shot.first] + self.words
        if not low <= wanted <= high:
            raise BadInput("The mark cannot be pushed further: each shot keeps at least one word.")
        shot.first, shot.by_hand = ids[wanted], True
        return f"push cut mark {shot.edge}"


class CutAgain(FilmCommand):
    """Cut the whole film again by a wish; marks set by hand stay."""

    touches = (*OF_SHOTS, "settings")
    type: Literal["cut again"] = "cut again"
    by: By = "pace"
    seconds: float = Field(6.0, ge=1, le=600)
    count: int = Field(0, ge=0, le=20_000)
    keep_hand: bool = True

    def wish(self, film: FilmDocument) -> Wish:
        """The wish with what the film states of its pace: kind, opening, scenes, reference."""
        return wish_of(film, self.by, self.seconds, self.count)

    def firsts(self, film: FilmDocument) -> list[int]:
        """The numbers of the words that would open shots."""
        ids = film.word_ids
        at = film.word_places
        kept = (
            frozenset(at[s.first] for s in worded(film) if s.by_hand)
            if self.keep_hand
            else frozenset()
        )
        return [ids[i] for i in break_down(read(film.text), self.wish(film), kept)]

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        rebuilt_shots(film, self.firsts(film), used)
        if self.by in ("pace", "every"):
            film.settings.pace, film.settings.cut_by = self.seconds, self.by
        return f"cut again {'to ' + str(len(film.shots)) + ' shots' if self.by == 'exactly' else 'by ' + self.by}"


class CutRamp(FilmCommand):
    """Cut a stretch of the film again, from the first to the last of some shots: about so many seconds a shot where it
    begins (`first`) and where it ends (`last`). Marks set by hand stay."""

    touches = OF_SHOTS
    type: Literal["cut ramp"] = "cut ramp"
    shots: list[int] = Field(min_length=1, max_length=20_000)
    first: float = Field(ge=0.5, le=600)
    last: float = Field(ge=0.5, le=600)
    keep_hand: bool = True

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        wanted = set(self.shots)
        all_worded = worded(film)
        there = [n for n, s in enumerate(all_worded) if s.id in wanted]
        if not there:
            if wanted.isdisjoint(s.id for s in film.shots):
                raise NotFound("Those shots are not in the film any more.")
            raise BadInput("Those shots have no words to be cut.")
        ids, at = film.word_ids, film.word_places
        bounds = [at[s.first] for s in all_worded] + [len(ids)]
        first, end = bounds[there[0]], bounds[there[-1] + 1]
        inside = all_worded[there[0] : there[-1] + 1]
        kept = (
            frozenset(at[s.first] for s in inside if s.by_hand) if self.keep_hand else frozenset()
        )
        cut = cut_ramp(read(film.text), first, end, (self.first, self.last), kept)
        if cut == bounds[there[0] : there[-1] + 1]:
            raise BadInput(
                "Nothing would change: there are too few words for other lengths.",
                "Choose more shots, or lengths that are further apart.",
            )
        before, behind = bounds[: there[0]], bounds[there[-1] + 1 : -1]
        rebuilt_shots(film, [ids[i] for i in (*before, *cut, *behind)], used)
        return f"cut {len(inside)} shots again from {self.first:g} s to {self.last:g} s a shot"


class AddHold(FilmCommand):
    """Put a shot without words behind a shot: a picture that is looked at for `seconds`."""

    touches = OF_SHOTS
    type: Literal["add hold"] = "add hold"
    after: int
    seconds: float = Field(2.0, ge=0.2, le=600)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        index, shot = shot_numbered(film, self.after)
        edge = label_between(shot.edge, used)
        used.append(edge)
        hold = Shot(id=film.next_shot, edge=edge, first=None, by_hand=True, hold=self.seconds)
        film.next_shot += 1
        film.shots.insert(index + 1, hold)
        return f"add hold {edge}"


class SetHold(FilmCommand):
    """Let a picture stay `seconds` beyond its words; for a shot without words, its whole time."""

    touches = OF_SHOTS
    type: Literal["set hold"] = "set hold"
    shot: int
    seconds: float = Field(ge=0, le=600)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        _, shot = shot_numbered(film, self.shot)
        if shot.first is None and self.seconds < 0.2:
            raise BadInput(
                "A shot without words needs some time.", "Give it 0.2 s or more, or take it out."
            )
        shot.hold = self.seconds
        return f"hold shot {shot.edge}"


class SamePicture(FilmCommand):
    """Let a shot show the picture of another (None: one of its own again)."""

    touches = OF_SHOTS
    type: Literal["same picture"] = "same picture"
    shot: int
    of: int | None

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        _, shot = shot_numbered(film, self.shot)
        if self.of is None:
            shot.same_as = None
            return f"give shot {shot.edge} its own picture"
        _, other = shot_numbered(film, self.of)
        of = other.same_as or other.id
        if of == shot.id:
            raise BadInput("A shot cannot borrow its picture from itself.")
        shot.same_as = of
        film.shots = [
            s.model_copy(update={"same_as": of}) if s.same_as == shot.id else s for s in film.shots
        ]
        return f"show shot {other.edge}’s picture in {shot.edge}"
