"""Reads a wish: "quicker in the beginning, captions larger and yellow, no effects in the night scenes".

What a part is about is read by a table that everybody can read; what is not understood is said, never guessed.
"""

import re
from collections.abc import Mapping, Sequence
from typing import NamedTuple

from cutreel.core.effects import EFFECT_KINDS, GRADES
from cutreel.core.errors import BadInput

from ..assembled import Assembled
from ..commands import SetSettings
from ..commands.choices import with_values
from .looks import TONES, captions, effect, grade
from .measures import Reader, amount, level, pace, tension
from .where import where_of
from .wish import Part, Proposal

_EFFECTS = "|".join(re.escape(kind) for kind in EFFECT_KINDS)
_GRADES = "|".join([*TONES, *(re.escape(name) for name in GRADES)])
_ABOUT: Mapping[str, tuple[str, tuple[Reader, ...]]] = {
    "captions": ("captions?|subtitles?", (captions,)),
    "words": ("titles?|chapters|words on (?:the )?screen|cards", (amount("titles", "words on the screen"),)),
    "music": ("music", (level("music_level", "music"),)),
    "ambience": ("ambience|background sounds?|atmosphere", (level("ambience_level", "ambience"),)),
    "sounds": ("sounds?|sound effects|spot effects", (amount("sounds", "sounds"),)),
    "voice": ("voice|narrator|narration", (level("voice_level", "the voice"),)),
    "effects": (f"effects?|{_EFFECTS}", (effect, amount("effects", "effects"))),
    "joins": ("joins?|transitions?|dissolves?", (amount("joins", "joins"),)),
    "air": ("rain|snow|fog|mist|dust in the air|weather", (amount("air", "what is in the air"),)),
    "tension": ("dramatic|tense|tension|exciting|thrilling|calmer", (tension,)),
    "grade": (f"grade|graded|pictures?|contrast|colou?rs?|{_GRADES}", (grade,)),
    "pace": ("quick(?:er)?|fast(?:er)?|slow(?:er)?|snappier|tighter|pace|longer|shorter|gentler|cuts?", (pace,)),
}  # fmt: skip
"""What a part of a wish is about, by its words, and who reads it; the first that is found."""


class Understood(NamedTuple):
    """The changes of a wish, and the parts of it that were not understood."""

    proposals: list[Proposal]
    unclear: list[str]


def understood(words: str, film: Assembled) -> Understood:
    """What a wish comes to in a film. Raises BadInput where nothing was said."""
    if not words.strip():
        raise BadInput("Nothing was wished.", "Say what is to be otherwise: “less music”.")
    proposals: list[Proposal] = []
    unclear: list[str] = []
    settings, about = film.document.settings, ""
    for words_of_part in _parts(words):
        shots, where, rest = where_of(words_of_part, film)
        # "captions larger and yellow": what a part does not name is what the one before it was about.
        named = next((n for n, (said, _) in _ABOUT.items() if _says(said, rest)), "")
        about = named or about
        part = Part(rest, shots, where, film, settings, bool(named))
        readers = _ABOUT[about][1] if about else ()
        found = next((proposed for reader in readers if (proposed := reader(part))), [])
        if not found:
            unclear.append(words_of_part)
        for proposal in found:
            if isinstance(proposal.command, SetSettings):
                settings = with_values(settings, proposal.command.values)
            proposals.append(proposal)
    return Understood(_joined(proposals), unclear)


def _says(pattern: str, words: str) -> bool:
    return re.search(rf"\b(?:{pattern})\b", words) is not None


def _parts(words: str) -> list[str]:
    told = re.sub(r"\bblack and white\b", "monochrome", words.lower())
    # "Quicker and quicker" is one wish.
    told = re.sub(r"\b(\w+) and \1\b", r"increasingly \1", told)
    parts = re.split(r"[,;.!]|\band\b|\bbut\b|\bplus\b|\n", told)
    return [p for part in parts if (p := " ".join(part.split()))]


def _joined(proposals: Sequence[Proposal]) -> list[Proposal]:
    """Changes of the same settings as one: the later has what the earlier changed."""
    out: list[Proposal] = []
    for p in proposals:
        at = next((n for n, q in enumerate(out) if _same_settings(p, q)), None)
        if at is None:
            out.append(p)
        else:
            out[at] = Proposal(p.command, f"{out[at].says}, {p.says}", f"{out[at].why}, {p.why}")
    return out


def _same_settings(p: Proposal, q: Proposal) -> bool:
    a, b = p.command, q.command
    return (
        isinstance(a, SetSettings) and isinstance(b, SetSettings) and set(a.values) == set(b.values)
    )
