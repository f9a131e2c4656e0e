"""Voices that are made by description, and lines heard in voices before one is chosen."""

from typing import Literal

from pydantic import Field

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import LineWork, line_key
from cutreel.core.keys import key
from cutreel.protocol import VoiceInput, VoicesMade
from cutreel.store import Assembled, ItemSpec

from .kinds.speech import SpeechSpec
from .once import Answer, ask_once
from .registry import RunKind, Stage, Wanted, item
from .workshop import Workshop

VOICING_VERSION = 1
CANDIDATES = 3
MOST_HEARD = 8
"""Voices that are heard on a line at once: more are told apart by nobody."""


def described_voices(
    shop: Workshop, film: str, description: str, seed: int, language: str = "en"
) -> tuple[VoicesMade, Answer]:
    """Voices of a language that the first service that makes any makes by description; another `seed` makes others.
    Raises CutReelError when none does, or when it refuses."""
    wish = VoiceInput(description=description, count=CANDIDATES, seed=seed, language=language)
    name = key("voices", VOICING_VERSION, wish=wish.model_dump(mode="json", exclude_defaults=True))
    return ask_once(shop, "voice", wish, name, film, VoicesMade.model_validate)


def line_at(film: Assembled, line: int) -> LineWork:
    """A line by its place. Raises NotFound."""
    if not 0 <= line < len(film.read.speech):
        raise NotFound("That line is not in the film any more.", "Load the page again.")
    return film.read.speech[line]


def heard_as(line: LineWork, voice: str) -> str:
    """The key of a line as another voice says it."""
    return line_key(line.sent, voice, line.direction, line.seed, line.pace)


def takes_of_line(line: LineWork, count: int) -> list[str]:
    """The keys of the first `count` takings of a line."""
    return [
        line_key(line.sent, line.voice, line.direction, seed, line.pace) for seed in range(count)
    ]


class AuditionWanted(Wanted):
    """A line of the film (its place) said by some voices, to choose one by ear."""

    kind: Literal["audition"] = "audition"
    line: int = Field(ge=0)
    voices: list[str] = Field(min_length=1, max_length=MOST_HEARD)


def auditions(film: Assembled, wanted: AuditionWanted, shop: Workshop) -> list[ItemSpec]:
    """One item for each voice that did not say the line yet."""
    line = line_at(film, wanted.line)
    words = tuple(film.line_words(wanted.line))
    out = []
    for voice in dict.fromkeys(wanted.voices):
        name = heard_as(line, voice)
        if shop.results.get(name) is None:
            spec = SpeechSpec(
                line=name,
                text=line.text,
                ssml=line.ssml,
                voice=voice,
                words=words,
                direction=line.direction,
                seed=line.seed,
                pace=line.pace,
            )
            out.append(item(spec, f"“{line.text[:30]}” by {voice}", weight=0.5))
    if not out:
        raise BadInput("All of them said this line already.", "Hear them.")
    return out


AUDITION_RUN = RunKind(AuditionWanted, lambda wanted: [Stage("speech", auditions)])
