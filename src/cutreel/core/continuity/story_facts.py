"""What each shot of a film shows, proposed from its words by rule.

Time, weather, season and place carry over from the shot before until the text or a heading says otherwise. What was
read of a stretch is kept, and read again only where it changes.
"""

from collections.abc import Callable, Hashable, Iterator, Mapping, Sequence
from functools import partial
from itertools import pairwise

from cutreel.core.manuscript import Manuscript
from cutreel.core.reading import NOTHING, Story

from .facts import ShotFacts, overridden
from .model import Overrides, Person, Place
from .stretch import Carried, Shots, StretchReader


class SceneMemory:
    """The stretches that were read last, by what they were read from: one that did not change is not read again.
    What is read is the same with it as without."""

    def __init__(self) -> None:
        self._last: dict[Hashable, tuple[list[ShotFacts], Carried]] = {}
        self._now: dict[Hashable, tuple[list[ShotFacts], Carried]] = {}
        self._laid: dict[int, tuple[ShotFacts, Overrides, Overrides | None, ShotFacts]] = {}
        self._readers: tuple[tuple[object, ...], StretchReader | None] = ((), None)

    def reader(
        self,
        script: Manuscript,
        cast: Sequence[Person],
        places: Sequence[Place],
        story: Story,
        verbatim: bool,
    ) -> StretchReader:
        """A reader of the film's stretches: the one before while it is the same film."""
        of, found = self._readers
        now = (script, story, cast, places, verbatim)
        if found is None or of[0] is not script or of[1] is not story or of[2:] != now[2:]:
            found = StretchReader(script, cast, places, story, verbatim)
            self._readers = (now, found)
        return found

    def overridden(
        self, number: int, facts: ShotFacts, own: Overrides, scene: Overrides | None
    ) -> ShotFacts:
        """The facts of the shot with a number, with what the maker set laid over them."""
        known = self._laid.get(number)
        if known is None or known[0] is not facts or known[1] is not own or known[2] is not scene:
            known = (facts, own, scene, overridden(facts, own, scene))
            self._laid[number] = known
        return known[3]

    def turn(self) -> None:
        """Begin another reading: what it does not come upon again is forgotten with the next."""
        self._last, self._now = self._now, {}

    def facts(
        self, key: Hashable, read: Callable[[], tuple[list[ShotFacts], Carried]]
    ) -> tuple[list[ShotFacts], Carried]:
        found = self._now.get(key) or self._last.get(key) or read()
        self._now[key] = found
        return found


def facts_of_shots(
    script: Manuscript,
    opens: Sequence[int],
    cast: Sequence[Person],
    places: Sequence[Place],
    overrides: Sequence[Overrides],
    for_scenes: Mapping[int, Overrides] | None = None,
    numbers: Sequence[int] | None = None,
    memory: SceneMemory | None = None,
    story: Story = NOTHING,
    verbatim: bool = False,
) -> list[ShotFacts]:
    """Facts for the shots that open at word indices `opens`, with what the maker set by hand laid
    over them: for a scene (`for_scenes`, by index), and over that for the shot itself.

    Where a rule takes turns it goes by the shots' own `numbers` (else their indices), so that a new
    shot changes no other. A shot without words (it opens where the next one does) shows what the
    shot before it shows, seen wider. Of a paragraph that `story` has read, it says who is there, what
    happens, and where; of the others simpler rules of words do. `verbatim`: it happens in the words themselves.
    """
    memory = memory or SceneMemory()
    memory.turn()
    reader = memory.reader(script, cast, places, story, verbatim)
    turns = numbers or range(len(opens))
    bounds = list(pairwise([*opens, len(script.words)]))
    out: list[ShotFacts] = []
    carried = Carried()
    scene = -1
    for first, stop in _stretches(script, bounds):
        shots = Shots(bounds[first:stop], overrides[first:stop], turns[first:stop])
        if reader.scene_of(shots) != scene:
            scene, carried = reader.scene_of(shots), carried.new_scene()
        hand = (for_scenes or {}).get(scene)
        key = reader.key(shots, carried, first == 0)
        facts, carried = memory.facts(key, partial(reader.read, shots, carried, first == 0))
        for fact, number, own, (begin, end) in zip(
            facts, shots.numbers, shots.own, shots.bounds, strict=True
        ):
            out.append(memory.overridden(number, fact, own, hand if end > begin else None))
    return out


STRETCH = 8
"""Paragraphs that are read as one: a change makes so much be read again, and no more."""


def _stretches(script: Manuscript, bounds: Sequence[tuple[int, int]]) -> Iterator[tuple[int, int]]:
    """Runs of shots, as indices: of one scene, and parted where another eight paragraphs begin, so that they do not
    depend on where the cut marks are. A shot without words is of the run before it."""
    begin, where = 0, (-1, -1)
    for i, (first, end) in enumerate(bounds):
        if end == first:
            continue
        word = script.words[first]
        here = (word.scene, word.paragraph // STRETCH)
        if here != where:
            if i > begin:
                yield begin, i
            begin, where = i, here
    if bounds:
        yield begin, len(bounds)
