"""What is read out of a film's document: shots with their words and facts, prompts, lines to speak,
and their keys.

All of it is a pure function of the document and of what services offer; nothing made is looked at
here.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property, partial
from typing import NamedTuple

from cutreel.core.continuity import (
    Look,
    MadeBy,
    Person,
    Place,
    Prompt,
    SceneMemory,
    ShotFacts,
    compose_negative,
    compose_picture,
    dressed,
    facts_of_shots,
    known_people,
    look_named,
    made_by,
    place_words,
)
from cutreel.core.joins.planned import Around
from cutreel.core.keys import key, seed_from
from cutreel.core.manuscript import Manuscript, read, words_text
from cutreel.core.motion import Move
from cutreel.core.reading import (
    NOTHING,
    Parses,
    SpeakerMemory,
    Story,
    StoryMemory,
    read_story,
    with_speakers,
)

from .camera import CameraMemory, move_for, move_told, with_camera
from .document import FilmDocument, Shot
from .offered import Offered
from .speaking import LineWork, SpokenMemory, lines_spoken

PICTURE_VERSION = 1
Stood = tuple[int, tuple[int, ...]]
"""What of where a shot stands makes its picture: its scene's first word, and the words in front of its end from which
somebody looks otherwise."""
NOWHERE: Stood = (0, ())


@dataclass(frozen=True)
class PictureReference:
    """A picture that goes with a prompt: its media file, how closely it is to be followed (0 …
    100), and of whom it is (empty: of the look, or of the place)."""

    media: str
    strength: int
    name: str = ""


@dataclass(frozen=True)
class ReadShot:
    """A shot with what it shows. Words `first` up to `end` are indices into the manuscript, the
    same for a shot without words; `picture_of` is the number of the shot whose picture it shows,
    mostly its own. `negative` is what its picture must not show, `sent_negative` the same where the
    offer understands it. `made_by` says whose offer makes each kind for it. `unpinned_key` is its `picture_key` as it
    would be without a seed set for the shot."""

    shot: Shot
    first: int
    end: int
    scene: int
    text: str
    facts: ShotFacts
    people: tuple[Person, ...]
    prompt: Prompt
    negative: str
    seed: int
    move: Move
    picture_key: str
    picture_of: int
    references: tuple[PictureReference, ...] = ()
    lighter: tuple[str, ...] = ()
    sent_negative: str = ""
    unpinned_key: str = ""
    size: tuple[int, int] = (1280, 720)
    why_move: str = ""
    made_by: MadeBy = field(default_factory=dict)
    token: object = field(default_factory=object, compare=False, repr=False)
    """The same object for as long as a reading goes on from the one before and nothing of the shot but its place
    changed; so whoever remembers it knows at once."""

    @property
    def offer(self) -> str:
        """The offer that draws its picture."""
        return self.made_by["picture"]

    def standing(self, first: int, end: int, scene: int) -> "ReadShot":
        """The shot at other words of another scene, and else the same. An early edit moves every shot of a film behind
        it, so this copies what `replace` would build anew."""
        moved = object.__new__(ReadShot)
        moved.__dict__.update(self.__dict__)
        moved.__dict__.update(first=first, end=end, scene=scene)
        moved.__dict__.pop("around", None)
        return moved

    @cached_property
    def around(self) -> Around:
        """What is known of it at a join."""
        facts = self.facts
        return Around(
            self.scene,
            facts.place,
            f"{facts.time} {facts.season} {facts.year}",
            facts.remembered,
            facts.mood,
            self.picture_of,
        )


@dataclass(frozen=True)
class ReadFilm:
    """A film as read: the manuscript, the numbers of its words, its shots, and what has to be
    spoken."""

    document: FilmDocument
    offered: Offered
    script: Manuscript
    ids: tuple[int, ...]
    shots: tuple[ReadShot, ...]
    speech: tuple[LineWork, ...]
    parses: Parses = field(default_factory=dict, compare=False, repr=False)
    """What was parsed of it, so that it can be read again with other choices."""
    story: Story = field(default=NOTHING, compare=False, repr=False)

    @cached_property
    def place_words(self) -> dict[str, str]:
        """Every word of the film that names a place, with the place."""
        return place_words(self.document.places)

    @property
    def opens(self) -> list[int]:
        return [s.first for s in self.shots]

    @property
    def pauses(self) -> dict[int, float]:
        """Seconds of silence that holds put before a word, by its index (that behind the last: at
        the end)."""
        out: dict[int, float] = {}
        for shot in self.shots:
            if shot.shot.hold:
                out[shot.end] = out.get(shot.end, 0.0) + shot.shot.hold
        return out


class ReadingMemory:
    """What was read of a film last, so that the next reading reads what changed. What is read is the same with it as
    without; it serves one reading after another, of one film."""

    def __init__(self) -> None:
        self.scenes = SceneMemory()
        self.story = StoryMemory()
        self.speakers = SpeakerMemory()
        self.told = StoryMemory()
        self.of_film: tuple[object, ...] = ()
        self.shots: dict[int, tuple[ReadShot, Stood]] = {}
        self.borrowed: dict[int, tuple[object, object, ReadShot]] = {}
        self.spoken = SpokenMemory()
        self.camera = CameraMemory()


def read_film(
    film: FilmDocument,
    offered: Offered,
    memory: ReadingMemory | None = None,
    parses: Parses | None = None,
) -> ReadFilm:
    """Read `film` for services that take and understand what is `offered`; `parses` is what was parsed of it so far."""
    memory = memory or ReadingMemory()
    script = read(film.text)
    ids = film.word_ids
    at = film.word_places
    opens = _opens(film, at, len(script.words))
    answers = {script.words[at[m.word]].start: tuple(m.people) for m in film.meant if m.word in at}
    known = known_people(film.cast)
    story = read_story(script, parses or {}, known, memory.story, answers)
    told = with_speakers(script, story, known, memory.speakers)
    if told is not script:
        script = told
        story = read_story(script, parses or {}, known, memory.told, answers)
    facts = facts_of_shots(
        script,
        opens,
        film.cast,
        film.places,
        [s.own for s in film.shots],
        {script.words[at[s.first]].scene: s.own for s in film.scenes if s.first in at},
        [s.id for s in film.shots],
        memory.scenes,
        story,
        film.settings.prompts == "words",
    )
    reader = _ShotReader(film, offered, memory)
    shots: list[ReadShot] = []
    scene = 0
    for i, (shot, fact) in enumerate(zip(film.shots, facts, strict=True)):
        end = opens[i + 1] if i + 1 < len(opens) else len(script.words)
        scene = script.words[opens[i]].scene if end > opens[i] else scene
        begins = script.scenes[scene].first
        word = ids[begins] if begins < len(ids) else 0
        shots.append(reader.read(shot, fact, _Standing(opens[i], end, scene, word, script, at)))
    by_number = {s.shot.id: s for s in shots}
    memory.shots = reader.now
    shots = [
        _borrowed(s, by_number[s.shot.same_as], memory) if s.shot.same_as in by_number else s
        for s in shots
    ]
    shots = with_camera(shots, memory.camera)
    read_so_far = ReadFilm(film, offered, script, ids, tuple(shots), (), parses or {}, story)
    pauses = frozenset(read_so_far.pauses)
    speech = lines_spoken(film, script, offered, pauses, memory.spoken)
    return replace(read_so_far, speech=speech)


class _Standing(NamedTuple):
    """Where a shot stands: its words `first` up to `end`, its scene, and the number of that scene's first word; the
    indices of all words by their numbers."""

    first: int
    end: int
    scene: int
    scene_word: int
    script: Manuscript
    places: Mapping[int, int]

    @property
    def text(self) -> str:
        return words_text(self.script.words[self.first : self.end])


class _ShotReader:
    """Reads one shot after another; one that was read before from the same is only put in its place."""

    def __init__(self, film: FilmDocument, offered: Offered, memory: ReadingMemory) -> None:
        self.film, self.offered = film, offered
        settings = film.settings
        self.look = look_named(settings.look, film.looks)
        self.cast = {p.id: p for p in film.cast}
        self.negative = compose_negative(self.look, settings.negative)
        self.since = [o.since for p in film.cast for o in p.outfits if o.since is not None]
        self.placed = {p.description or p.name: p for p in reversed(film.places)}
        self.for_scene = {s.first: s.own.prompt for s in film.scenes}
        self.made_for_scene = {s.first: s.own.made_by for s in film.scenes if s.own.made_by}
        self.made_for_film: MadeBy = {**settings.made_by, "picture": settings.offer}
        drawn_by = (settings.seed, settings.seeds, settings.aspect)
        of_film = (
            film.cast,
            film.places,
            self.look,
            drawn_by,
            self.negative,
            self.for_scene,
            self.made_for_scene,
            self.made_for_film,
            offered,
        )
        self.before = memory.shots if memory.of_film == of_film else {}
        memory.of_film = of_film
        self.now: dict[int, tuple[ReadShot, Stood]] = {}

    def read(self, shot: Shot, fact: ShotFacts, here: _Standing) -> ReadShot:
        """The shot that stands `here` and shows what `fact` says."""
        known, stood = self.before.get(shot.id, (None, NOWHERE))
        now = (here.scene_word, self._worn(here))
        if (
            known is not None
            and stood == now
            and (known.shot is shot or known.shot == shot)
            and (known.facts is fact or known.facts == fact)
            and (known.facts is fact or known.text == here.text)
        ):
            found = known
            if known.first != here.first or known.end != here.end or known.scene != here.scene:
                found = known.standing(here.first, here.end, here.scene)
        else:
            found = self._anew(shot, fact, here)
        self.now[shot.id] = (found, now)
        return found

    def _worn(self, here: _Standing) -> tuple[int, ...]:
        """The words in front of a shot's end from which somebody looks otherwise."""
        if not self.since:
            return ()
        return tuple(n for n in self.since if n in here.places and here.places[n] < here.end)

    def _anew(self, shot: Shot, fact: ShotFacts, here: _Standing) -> ReadShot:
        people = tuple(
            dressed(self.cast[p], here.scene_word, shot.id, here.end, here.places)
            for p in fact.people
            if p in self.cast
        )
        move = shot.own.move or move_told(shot.own.motion) or move_for(fact, shot.id)
        place = self.placed.get(fact.place)
        by = made_by(
            [
                shot.own.made_by,
                *(p.made_by for p in people),
                self.made_for_scene.get(here.scene_word),
                self.made_for_film,
            ]
        )
        offered = self.offered.drawn_by(by["picture"])
        prompt = compose_picture(
            fact,
            people,
            self.look,
            offered.prompt_cap,
            shot.own.prompt,
            place=place,
            scene_hand=self.for_scene.get(here.scene_word),
            moves=move != "still",
        )
        film, understands = self.film, offered.understands
        size = offered.picture_size(film.settings.aspect)
        sent = self.negative if "negative" in understands else ""
        seed = seed_of(film, shot, people)
        references = _references(self.look, people, place) if "references" in understands else ()
        lighter = _lighter(people, prompt) if "weights" in understands else ()
        key_at = partial(
            _picture_key, prompt.text, sent, list(size), by["picture"], references, lighter
        )
        unpinned = seed if shot.own.seed is None else seed_of(film, shot, people, pinned=False)
        return ReadShot(
            shot=shot,
            first=here.first,
            end=here.end,
            scene=here.scene,
            text=here.text,
            facts=fact,
            people=people,
            prompt=prompt,
            negative=self.negative,
            sent_negative=sent,
            seed=seed,
            move=move,
            picture_key=key_at(seed),
            unpinned_key=key_at(unpinned),
            picture_of=shot.id,
            references=references,
            lighter=lighter,
            size=size,
            made_by=by,
        )


MOST_REFERENCES = 4


def _picture_key(
    prompt: str,
    negative: str,
    size: Sequence[int],
    offer: str,
    references: Sequence[PictureReference],
    lighter: Sequence[str],
    seed: int,
) -> str:
    """The key of what a shot asks for: a picture made from another one is stale."""
    return key(
        "picture",
        PICTURE_VERSION,
        prompt=prompt,
        negative=negative,
        seed=seed,
        size=size,
        offer=offer,
        **({"references": [[r.media, r.strength] for r in references]} if references else {}),
        **({"lighter": lighter} if lighter else {}),
    )


def _references(
    look: Look, people: Sequence[Person], place: Place | None
) -> tuple[PictureReference, ...]:
    """The pictures that go with a prompt: of who is in it, in this look; of the look itself; of the
    place."""
    of_people = [
        PictureReference(r.media, r.strength, p.name)
        for p in people
        for r in p.references[:1]
        if r.strength and r.look in ("", look.name)
    ]
    of_look = [
        PictureReference(r.media, min(r.strength, look.strength))
        for r in look.references
        if look.strength
    ]
    of_place = [
        PictureReference(r.media, r.strength)
        for r in (place.references if place else [])[:1]
        if r.strength
    ]
    return tuple([*of_people, *of_look[:1], *of_place][:MOST_REFERENCES])


def _lighter(people: Sequence[Person], prompt: Prompt) -> tuple[str, ...]:
    """The traits in a prompt that may go where room is short: they weigh less than the others in
    the picture too."""
    said = [t.text for p in people for t in p.traits if t.weight == "if room" and t.text]
    return tuple(dict.fromkeys(text for text in said if text in prompt.text))


def seed_of(film: FilmDocument, shot: Shot, people: Sequence[Person], pinned: bool = True) -> int:
    """The seed of a shot's picture: the one set for the shot, else that of the one person in it who
    has one of their own, else the film's, which every shot varies unless all are to have the same.
    `pinned` False leaves the first out."""
    if pinned and shot.own.seed is not None:
        return shot.own.seed
    alone = people[0].seed if len(people) == 1 else None
    if alone is not None:
        return alone
    return (
        film.settings.seed
        if film.settings.seeds == "one"
        else seed_from(film.settings.seed, shot.id)
    )


def _opens(film: FilmDocument, at: Mapping[int, int], words: int) -> list[int]:
    """The index of the word at which each shot opens; a shot without words opens where the next one
    does."""
    opens: list[int] = []
    following = words
    for shot in reversed(film.shots):
        following = following if shot.first is None else at[shot.first]
        opens.append(following)
    return opens[::-1]


def _borrowed(shot: ReadShot, lender: ReadShot, memory: ReadingMemory) -> ReadShot:
    """A shot that shows another's picture: it asks for what that one asks for."""
    own, lent, known = memory.borrowed.get(shot.shot.id, (None, None, None))
    if known is not None and own is shot.token and lent is lender.token:
        return replace(known, first=shot.first, end=shot.end, scene=shot.scene)
    found = replace(
        shot,
        prompt=lender.prompt,
        negative=lender.negative,
        sent_negative=lender.sent_negative,
        seed=lender.seed,
        picture_key=lender.picture_key,
        unpinned_key=lender.unpinned_key,
        picture_of=lender.shot.id,
        made_by={**shot.made_by, "picture": lender.offer},
        move=shot.shot.own.move or ("pull" if lender.move == "push" else "push"),
        token=object(),
    )
    memory.borrowed[shot.shot.id] = (shot.token, lender.token, found)
    return found
