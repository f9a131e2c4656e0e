"""What the figures of a shot's picture do while its words are told: read from the words, or as the maker set it.

Who does what is told by the deeds that were read; when, by the word that says it. Who speaks on screen moves their lips
with the voice; the teller, who is not seen, does not. All others stand and breathe.
"""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from cutreel.core.continuity import Person
from cutreel.core.ideas import told_in
from cutreel.core.motion import ACTIONS, FEELING, STILL, Act, Action, Phone, action_for, mouths_of
from cutreel.core.timeline import Timing
from cutreel.protocol import Mouth

from .answering import AFTER, AIMED, ANSWERS, done_to
from .made import Result, TakeRow
from .reading import ReadFilm, ReadShot

MOST_ACTS = 3
"""Actions of one figure in one shot: more are a twitch, not a movement."""
APART = 0.9
"""Seconds between the beginnings of two actions of one figure."""
SPEAKS = "speak"
WHOLE_BODY = frozenset(
    ("walk", "walk in", "walk out", "run", "fall", "dance", "climb", "turn", "cheer", "sit", "rise")
)
"""Actions that need a figure whose feet are free: nobody walks in a boat or behind a table."""
NEAR_TRAVEL = 0.3
"""How far of its way somebody goes whose feet are not in the picture: a step is felt, not seen."""
STAYS = frozenset(("walk", "run", "trot", "fly"))
"""Actions that last as long as there is time for, up to their own length."""


@dataclass(frozen=True)
class FigureTold:
    """A figure in pieces that a take has: by which strip of it (its index), how it was called, and whether it is an
    animal and has legs that are seen."""

    strip: int
    name: str
    animal: bool
    legs: bool


@dataclass(frozen=True)
class PlannedAct:
    """Something that a figure does: from which word on (its index in the manuscript; None: from the beginning), and
    why. It is done `to` another figure, or to nobody; `after` so many seconds, as an answer is."""

    figure: str
    action: str
    word: int | None
    why: str
    to: str | None = None
    after: float = 0.0


def figures_in(take: TakeRow) -> list[FigureTold]:
    """The figures of a take that there are pieces of."""
    return [
        FigureTold(i, str(s.get("name", "")), s.get("kind") == "animal", bool(s.get("legs", False)))
        for i, s in enumerate(take.about.get("strips", []))
        if s.get("figure")
    ]


def named(people: Sequence[Person], figures: Sequence[FigureTold]) -> dict[str, Person]:
    """Who of the cast each figure is, by the figure's name; one alone is the other alone."""
    out: dict[str, Person] = {}
    free = list(people)
    for figure in figures:
        for person in free:
            calls = {c.lower() for c in (person.name, *person.aliases, person.name.split(" ")[0])}
            if figure.name.lower() in calls:
                out[figure.name] = person
                free.remove(person)
                break
    rest = [f for f in figures if f.name not in out]
    if len(rest) == 1 and len(free) == 1 and rest[0].animal == free[0].is_animal:
        out[rest[0].name] = free[0]
    return out


def acts_planned(read: ReadFilm, shot: ReadShot, figures: Sequence[FigureTold]) -> list[PlannedAct]:
    """What the figures of a shot do: as the maker set it, else as the words say."""
    own = shot.shot.own.acts
    if own is not None:
        places = read.document.word_places
        return [
            PlannedAct(
                a.figure,
                a.action,
                places.get(a.word) if a.word else None,
                "set by hand",
                _the_other(a.figure, figures) if a.action in AIMED else None,
            )
            for a in own
        ]
    who = named(shot.people, figures)
    return [*_deeds(read, shot, figures, who), *_said(read, shot, who)]


def acts_told(read: ReadFilm, shot: ReadShot, take: TakeRow | None) -> list[str]:
    """The same in short, by the names of the cast: "Maren: lift"."""
    figures = figures_in(take) if take else []
    if not figures or read.document.settings.movement != "all":
        return []
    who = named(shot.people, figures)
    return [
        f"{who[p.figure].name if p.figure in who else p.figure}: {p.action}"
        for p in acts_planned(read, shot, figures)
    ]


def _deeds(
    read: ReadFilm, shot: ReadShot, figures: Sequence[FigureTold], who: Mapping[str, Person]
) -> list[PlannedAct]:
    words = read.script.words[shot.first : shot.end]
    told = told_in(read.story, words) if words else None
    if told is None:
        return []
    by_number = {p.id: name for name, p in who.items()}
    kinds = {f.name: f for f in figures}
    near = shot.facts.framing in ("close", "extreme close")
    out: list[PlannedAct] = []
    for at, deed in zip(told.deed_starts, told.deeds, strict=True):
        index = next((i for i, w in enumerate(words) if w.start <= at < w.end), None)
        # The deed begins where its clause does; its word is the one that says what is done.
        said = index if index is not None else 0
        doing = [by_number[p] for p in deed.who if p in by_number]
        if not deed.who:
            # Whoever is in no cast, as a heron that comes once, is known by what the words call them.
            called = set(re.findall(r"[a-z]+", deed.subject.lower()))
            doing = [f.name for f in figures if f.name not in who and f.name.lower() in called]
        for name in doing:
            action = action_for(deed.verb, "animal" if kinds[name].animal else "person")
            if action is None or action is STILL or not _can(action, kinds[name], near):
                continue
            done = [by_number[n] for n in done_to(deed.text, deed.who) if n in by_number]
            words_in = set(re.findall(r"[a-z]+", deed.text.lower()))
            done += [f.name for f in figures if f.name not in who and f.name.lower() in words_in]
            to = next((n for n in done if n != name), None)
            word = shot.first + said
            out.append(PlannedAct(name, action.name, word, f"“{words[said].bare}”", to))
            if to and (answer := _answer(action, kinds[to], near)):
                why = f"{who[name].name} does: {action.name}" if name in who else "an answer"
                out.append(PlannedAct(to, answer, word, why, name, AFTER))
    return out


def _answer(action: Action, figure: FigureTold, near: bool) -> str | None:
    """What somebody answers an action with who can."""
    if action.name not in ANSWERS:
        return None
    answer = ACTIONS[ANSWERS[action.name][figure.animal]]
    return answer.name if _can(answer, figure, near) else None


def _the_other(name: str, figures: Sequence[FigureTold]) -> str | None:
    """Who else is in a picture of two."""
    others = [f.name for f in figures if f.name != name]
    return others[0] if len(others) == 1 else None


def _can(action: Action, figure: FigureTold, near: bool) -> bool:
    if near and not figure.animal and (action not in FEELING or action.pose not in ("", "think")):
        return False  # what hands and feet do is not seen, and a hand that comes in is a riddle
    return action.of == "both" or figure.animal or figure.legs or action.name not in WHOLE_BODY


def _said(read: ReadFilm, shot: ReadShot, who: Mapping[str, Person]) -> list[PlannedAct]:
    calls = {c.lower(): name for name, p in who.items() for c in (p.name, *p.aliases)}
    out = []
    for line in read.speech:
        if line.end <= shot.first or line.first >= shot.end or not line.speaker:
            continue
        name = calls.get(line.speaker.lower())
        if name:
            first = max(line.first, shot.first)
            out.append(PlannedAct(name, SPEAKS, first, f"{line.speaker} speaks"))
    return out


Places = Mapping[str, tuple[float, float]]
"""Where somebody in a picture is reached for, in its pixels, by how the picture calls them."""


def acts_in_time(
    planned: Sequence[PlannedAct],
    timing: Timing,
    begin: float,
    seconds: float,
    wide: bool,
    places: Places | None = None,
) -> list[Act]:
    """Actions in seconds of the shot, each in phase with its word."""
    out: list[Act] = []
    for act in sorted(planned, key=lambda p: -1 if p.word is None else p.word):
        action = ACTIONS[act.action]
        at = 0.0 if act.word is None else float(timing.words[act.word, 0]) - begin
        lasts = (
            min(action.seconds, seconds)
            if act.action in STAYS
            else min(action.seconds, max(0.5, seconds))
        )
        start = at - action.leads * lasts + act.after
        if act.action in STAYS:
            start = min(max(0.0, start), max(0.0, seconds - lasts))
        if out and start < out[-1].start + APART:
            continue
        travel = (1.0 if wide else NEAR_TRAVEL) * lasts / action.seconds
        out.append(
            Act(
                action=act.action,
                start=round(max(-0.3, start), 3),
                seconds=round(lasts, 3),
                travel=round(travel, 3),
                to=(places or {}).get(act.to) if act.to and act.action in AIMED else None,
            )
        )
    return out[:MOST_ACTS]


def mouth_of(
    read: ReadFilm,
    shot: ReadShot,
    person: Person | None,
    timing: Timing,
    begin: float,
    seconds: float,
    spoken: Mapping[int, Result],
) -> list[tuple[float, Mouth]]:
    """The shapes of somebody's mouth while the lines of the shot that are theirs are heard."""
    if person is None:
        return []
    calls = {c.lower() for c in (person.name, *person.aliases)}
    out: list[tuple[float, Mouth]] = []
    for i, line in enumerate(read.speech):
        result = spoken.get(i)
        if (
            result is None
            or not line.speaker
            or line.speaker.lower() not in calls
            or line.end <= shot.first
            or line.first >= shot.end
        ):
            continue
        offset = timing.lines[i] - begin - result.data["trim"][0] / VOICE_RATE
        phones: list[Phone] = [
            (p["text"], p["start"] + offset, p["end"] + offset)
            for p in result.data.get("phones", [])
        ]
        out += [(at, shape) for at, shape in mouths_of(phones) if at < seconds]
    return out


VOICE_RATE = 48_000
"""Samples a second of a kept line, in which its trim is told."""
