"""The recipe for prompts: structured parts in an order of importance, fitted to a service's cap.

A picture prompt says, in this order: framing; who is in it with their traits; what happens; place;
time, weather and the light there; medium of the look; its palette and detail; mood. When it is too
long, shorter wordings are tried first, from the least important part up; then parts are left out,
least important first. What happens is told in a few words only where leaving out all that matters
less is not enough. A trait of somebody in the picture is never left out, but those that the maker
said may go where room is short.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from cutreel.core.manuscript import TITLES

from .facts import ShotFacts
from .looks import EVERYWHERE_AVOID, Look
from .model import Angle, Framing, Person, Place

Origin = Literal[
    "framing", "cast", "action", "place", "scene", "look", "mood", "move", "voice", "hand"
]

_FRAMING: dict[Framing, str] = {
    "extreme wide": "Extreme wide shot",
    "wide": "Wide shot",
    "medium": "Medium shot",
    "close": "Close-up",
    "extreme close": "Extreme close-up",
}
_ANGLE: dict[Angle, str] = {
    "level": "",
    "low": "seen from below",
    "high": "seen from a height",
    "from above": "seen from above",
    "over the shoulder": "over the shoulder",
}
_WEATHER = {
    "clear": "clear sky",
    "rain": "rain",
    "snow": "snow falling",
    "lying snow": "snow on the ground",
    "fog": "fog",
    "wind": "wind",
}
ALWAYS = 100


@dataclass(frozen=True, slots=True)
class Part:
    """A piece of a prompt: where it came from, its wordings from long to short, how much it matters
    (0 … 100), and how many of its wordings are taken only once all that matters less is gone."""

    origin: Origin
    wordings: tuple[str, ...]
    importance: int
    last: int = 0


@dataclass(frozen=True, slots=True)
class Prompt:
    """A composed prompt: its text, the same as (origin, words) pieces, what was left out, and
    whether it fits."""

    text: str
    pieces: tuple[tuple[Origin, str], ...]
    left_out: tuple[str, ...]
    fits: bool


def compose_picture(
    facts: ShotFacts,
    people: Sequence[Person],
    look: Look,
    cap: int,
    hand: str | None = None,
    *,
    place: Place | None = None,
    scene_hand: str | None = None,
    moves: bool = False,
) -> Prompt:
    """The picture prompt of a shot in at most `cap` characters; `hand` is the maker's own text,
    used as it stands.

    `place` is the film's place that the shot is in; `scene_hand` the maker's words for where the
    scene is, in place of place, time and weather; `moves`: the shot is meant to move, so its figure
    should fill half of the frame's height.
    """
    if hand is not None:
        return Prompt(hand, (("hand", hand),), (), len(hand) <= cap)
    size = _FRAMING[facts.framing]
    parts = [
        Part(
            "framing",
            (f"{size}, {_ANGLE[facts.angle]}", size) if facts.angle != "level" else (size,),
            80,
        )
    ]
    parts += [Part("cast", *_cast(person)) for person in people]
    action = _deed(facts.action, people)
    if action:
        short = sum(len(a) < WHOLE_DEED for a in action[1:])
        parts.append(Part("action", action, 60, short))
    if scene_hand:
        parts.append(Part("hand", (scene_hand,), 78))
    else:
        if facts.place:
            parts.append(Part("place", _cut_words(facts.place, 60), 70))
        when = ", ".join(filter(None, (facts.season, facts.year)))
        hour = ", ".join(filter(None, (f"{facts.time}, {_WEATHER[facts.weather]}", when)))
        light = place.light.get(facts.time, "") if place else ""
        parts.append(
            Part(
                "scene",
                tuple(dict.fromkeys((", ".join(filter(None, (hour, light))), hour, facts.time))),
                75,
            )
        )
    if facts.remembered:
        parts.append(Part("scene", ("a memory of earlier years", "a memory"), 55))
    parts.append(Part("look", (look.medium,), 90))
    if look.palette_words:
        parts.append(
            Part(
                "look",
                (look.palette_words, look.palette_words.split(",")[0]),
                25 + look.strength // 2,
            )
        )
    if look.detail:
        parts.append(Part("look", (look.detail, look.detail.split(",")[0]), 30))
    parts.append(Part("mood", (f"{facts.mood} mood",), 20))
    if facts.looks and len(people) == 1:
        parts.append(Part("framing", (f"looking {facts.looks}",), 45))
    if facts.speaks in {p.id for p in people}:
        parts.append(Part("framing", ("face toward the camera", "facing us"), 50))
    if moves and people and facts.framing == "wide":
        parts.append(
            Part("framing", ("figure half the frame's height", "figure half the height"), 40)
        )
    prompt = fit(parts, cap)
    said = " ".join(words for origin, words in prompt.pieces if origin == "cast")
    spare = [t.text for p in people if not p.prompt for t in p.traits if t.weight == "if room"]
    gone = tuple(text for text in spare if text and text not in said)
    return replace(prompt, left_out=(*prompt.left_out, *gone))


def compose_negative(look: Look, film: str = "") -> str:
    """What a picture must not show: what the look avoids, what the film does, and what no picture
    may have."""
    return ", ".join(filter(None, (look.avoid, film.strip(" ,."), EVERYWHERE_AVOID)))


def fit(parts: Sequence[Part], cap: int) -> Prompt:
    """Join `parts` to at most `cap` characters, by the recipe above."""
    choice = [0] * len(parts)
    kept = [True] * len(parts)
    order = sorted(range(len(parts)), key=lambda i: (parts[i].importance, -i))

    def length() -> int:
        shown = [parts[i].wordings[choice[i]] for i in range(len(parts)) if kept[i]]
        return sum(map(len, shown)) + 2 * max(0, len(shown) - 1) + 1

    for i in order:
        while length() > cap and choice[i] < len(parts[i].wordings) - 1 - parts[i].last:
            choice[i] += 1
    for i in order:
        while length() > cap and choice[i] < len(parts[i].wordings) - 1:
            choice[i] += 1
        if length() > cap and parts[i].importance < ALWAYS:
            kept[i] = False
    # A part left out may have made room for a longer wording of a more important one.
    for i in reversed(order):
        while kept[i] and choice[i] > 0:
            choice[i] -= 1
            if length() > cap:
                choice[i] += 1
                break
    pieces = tuple(
        (parts[i].origin, parts[i].wordings[choice[i]]) for i in range(len(parts)) if kept[i]
    )
    text = ". ".join(words for _, words in pieces) + ("." if pieces else "")
    return Prompt(
        text,
        pieces,
        tuple(parts[i].wordings[0] for i in range(len(parts)) if not kept[i]),
        len(text) <= cap,
    )


def describe(person: Person) -> tuple[str, ...]:
    """A person in long, short and shortest wording; each still states every trait that must
    hold."""
    if person.prompt:
        return (person.prompt,)
    name = person.name
    traits = [t for t in person.traits if t.text.strip()]
    musts = [t for t in traits if t.weight == "must"]
    if not traits:
        return (name,)
    everything = ", ".join(t.text for t in traits)
    long = ", ".join(t.text for t in musts)
    short = ", ".join(t.short or t.text for t in musts)
    if not musts:
        return tuple(dict.fromkeys([f"{name} ({everything})", name]))
    return tuple(
        dict.fromkeys(
            [
                f"{name} ({everything})",
                f"{name} ({long})",
                f"{name} ({short})",
                f"{called_shortly(name)} ({short})",
                short,
            ]
        )
    )


def _cast(person: Person) -> tuple[tuple[str, ...], int, int]:
    """The wordings for a person, how much they matter, and how many come last: who is told of by name is described by
    it as long as anything else can go."""
    wordings = describe(person)
    named = len(wordings) > 1 and not person.prompt
    return wordings, ALWAYS, int(named and called_shortly(person.name) not in wordings[-1])


def called_shortly(name: str) -> str:
    """One word of a name that they are called by: Margot of "Margot Delacroix", Hale of "Inspector Hale"."""
    first, _, rest = name.partition(" ")
    titled = first.rstrip(".").lower() in TITLES and rest[:1].isupper()
    return rest.rpartition(" ")[2] if titled else first


WHOLE_DEED = 80
"""Characters in which most deeds are told whole."""


def _deed(text: str, people: Sequence[Person]) -> tuple[str, ...]:
    """What happens, in wordings from long to short; in all but the first whoever is described before has but one of
    their names."""
    text = text.rstrip(".!?…")
    called = text
    short = [called_shortly(p.name) for p in people]
    for person, one in zip(people, short, strict=True):
        if short.count(one) == 1 and one[:1].isupper():
            called = called.replace(person.name, one)
    shorter = (_cut(text, 150), *(_cut(called, cap) for cap in (150, 90, 55, 30)))
    return tuple(dict.fromkeys(filter(None, shorter)))


def _cut_words(text: str, cap: int) -> tuple[str, ...]:
    return tuple(dict.fromkeys((_cut(text, 120), _cut(text, cap // 2))))


def _cut(text: str, cap: int) -> str:
    """At most `cap` characters of `text`, ended between words and, where one is near, behind a
    clause."""
    if len(text) <= cap:
        return text
    head = text[:cap].rsplit(" ", 1)[0]
    clause = max(head.rfind(mark) for mark in (", ", ". ", "; "))
    if clause > cap * 0.5:
        head = head[:clause]
    while _HANGS.search(head):  # "and", "at the": nothing ends so
        head = _HANGS.sub("", head)
    return head.rstrip(" ,;:.—–-")


_HANGS = re.compile(
    r" (?:and|or|but|the|an?|of|in|on|at|to|into|with|from|for|by|his|her|their|its|over|under|up|down|"
    r"through|behind|beside|between|across)[ ,]*$"
)
