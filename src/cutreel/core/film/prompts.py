"""The other three prompts of a shot beside its picture's: how it moves, how its words are said,
what is heard.

Each is composed by a recipe of parts in an order of importance, like the picture's
(`continuity/prompt.py`): what the maker wrote by hand stands as it is. Motion: camera, who moves
and how, what the weather moves, pace. Direction: who speaks, how the text says it, mood, pace.
Sound: the place, the weather, things that sound in the words.
"""

import re
from dataclasses import dataclass

from cutreel.core.continuity import Origin, Part, Prompt, fit
from cutreel.core.manuscript import Manuscript
from cutreel.core.motion import Move
from cutreel.core.reading import Story
from cutreel.core.sound import ambience_of, sounds_between

from .reading import ReadFilm, ReadShot

CAPS = {"motion": 300, "direction": 200, "sound": 200}
"""Characters: common caps of such services (product.md); the sound maker's own is stated in its
offer."""

_CAMERA: dict[Move, str] = {
    "push": "slow push in",
    "pull": "slow pull back",
    "pan left": "slow pan to the left",
    "pan right": "slow pan to the right",
    "tilt up": "slow tilt up",
    "tilt down": "slow tilt down",
    "still": "the camera stands still",
}
_WEATHER = {
    "wind": ("clothes, grass and water stir in the wind", "the wind stirs everything"),
    "rain": ("rain falls, drops run down", "rain falls"),
    "snow": ("snow drifts down slowly", "snow falls"),
    "lying snow": ("breath hangs in the cold air", "small movements only"),
    "fog": ("fog drifts past", "fog drifts"),
    "clear": ("small movements only: breath, cloth, leaves", "small movements only"),
}
_PACE = {
    "calm": "even and unhurried",
    "uneasy": "with small stops",
    "warm": "gentle",
    "playful": "light and quick",
    "grand": "broad and steady",
    "sad": "slow and heavy",
    "tense": "quick and sudden",
    "eerie": "hardly moving, then all at once",
    "hopeful": "lifting, unhurried",
    "wondering": "slow, with pauses to look",
}
_SAID = {
    "whispered": "whispers", "murmured": "murmurs", "muttered": "mutters", "shouted": "shouts",
    "cried": "cries out",
    "called": "calls", "yelled": "yells", "laughed": "laughing", "sighed": "with a sigh",
    "snapped": "sharply",
    "growled": "growls", "hissed": "hisses", "groaned": "groans", "breathed": "under the breath",
    "asked": "asks",
    "wondered": "asks, half to nobody", "demanded": "demands", "screamed": "screams",
    "pleaded": "pleads",
}  # fmt: skip
_MANNER = re.compile(
    r"\b(quietly|softly|slowly|quickly|gently|firmly|sadly|gravely|loudly|coldly|warmly|dryly|eagerly)\b"
)


@dataclass(frozen=True)
class ShotPrompts:
    """The four prompts of a shot, designed as one thing."""

    picture: Prompt
    motion: Prompt
    direction: Prompt
    sound: Prompt


def prompts_of(shot: ReadShot, read: ReadFilm) -> ShotPrompts:
    """Compose the prompts of a shot; what was set by hand is used as it stands."""
    own = shot.shot.own
    return ShotPrompts(
        shot.prompt,
        _by_hand(own.motion, "motion") or fit(_motion(shot), CAPS["motion"]),
        _by_hand(own.direction, "direction")
        or fit(_direction(shot, read.script), CAPS["direction"]),
        _by_hand(own.sound, "sound") or fit(_sound(shot, read.script, read.story), CAPS["sound"]),
    )


def _by_hand(text: str | None, kind: str) -> Prompt | None:
    return Prompt(text, (("hand", text),), (), len(text) <= CAPS[kind]) if text else None


def _motion(shot: ReadShot) -> list[Part]:
    facts = shot.facts
    parts = [Part("move", (_CAMERA[shot.move],), 90)]
    for person in shot.people:
        acts = "speaks, mouth and hands move" if person.id == facts.speaks else "moves a little"
        parts.append(
            Part(
                "cast",
                (
                    f"{person.name} {acts}",
                    f"{person.name.split(' ')[0]} {acts.split(',', maxsplit=1)[0]}",
                ),
                70,
            )
        )
    if shot.people and facts.action:
        parts.append(Part("action", (facts.action.rstrip(".!?…")[:120],), 40))
    parts.append(Part("scene", _WEATHER[facts.weather], 50))
    parts.append(Part("mood", (_PACE[facts.mood],), 30))
    return parts


def _direction(shot: ReadShot, script: Manuscript) -> list[Part]:
    words = script.words[shot.first : shot.end]
    speakers = list(dict.fromkeys(script.lines[w.line].speaker for w in words))
    told = " ".join(w.text for w in words if script.lines[w.line].speaker is None).lower()
    parts: list[Part] = []
    for speaker in speakers:
        how = ""
        if speaker:
            verb = next((_SAID[v] for v in _SAID if re.search(rf"\b{v}\b", told)), "")
            manner = _MANNER.search(told)
            how = " ".join(filter(None, [verb, manner.group() if manner else ""]))
        name = speaker or "Narrator"
        parts.append(Part("voice", (f"{name}: {how}" if how else name, name), 90))
    facts = shot.facts
    parts.append(Part("mood", (f"{facts.mood}, {_PACE[facts.mood]}", facts.mood), 60))
    if facts.framing in ("close", "extreme close"):
        parts.append(Part("framing", ("near, as if beside the listener",), 20))
    elif facts.framing == "extreme wide":
        parts.append(Part("framing", ("with room around the words",), 20))
    return parts


def _sound(shot: ReadShot, script: Manuscript, story: Story) -> list[Part]:
    prompt, why = ambience_of(shot.facts)
    origin: Origin = "place" if "place" in why else "scene"
    parts = [Part(origin, (prompt,), 70)] if prompt else []
    told = sounds_between(script, story, shot.first, shot.end)
    return parts + [Part("action", (sound,), 60) for sound in told]
