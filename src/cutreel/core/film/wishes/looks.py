"""What of a wish is about how a film looks: grade, effects, captions."""

import re
from typing import Any

from cutreel.core.captions import CaptionStyle
from cutreel.core.effects import EFFECT_KINDS, GRADES, Effect, Grade

from .wish import Part, Proposal

_COLOURS = {
    "yellow": "#ffd23f", "white": "#fcf9f0", "red": "#e5533d", "blue": "#7fb2e5", "green": "#8ecf7a",
    "orange": "#f2a541", "pink": "#f2a0b5", "grey": "#c9c4bb", "gray": "#c9c4bb",
}  # fmt: skip
_PLACES = {"top": "high", "above": "high", "middle": "middle", "bottom": "low", "below": "low"}
TONES: dict[str, tuple[str, float, str]] = {
    "warmer|warm": ("warmth", 0.25, "warmer"),
    "colder|cooler|cold": ("warmth", -0.25, "colder"),
    "darker|dark": ("exposure", -0.35, "darker"),
    "brighter|bright|lighter": ("exposure", 0.35, "brighter"),
    "more contrast|punchier": ("contrast", 0.25, "with more contrast"),
    "less contrast|flatter": ("contrast", -0.25, "with less contrast"),
    "more colou?r|colou?rful|vivid": ("saturation", 0.25, "more colourful"),
    "less colou?r|paler|muted|washed out": ("saturation", -0.3, "paler"),
    "monochrome": ("saturation", -2.0, "without colour"),
}
"""Words for how pictures are graded: which part of a grade they change, and by how much."""
_LIMITS = {"exposure": (-3.0, 3.0), "saturation": (0.0, 2.0)}


def grade(part: Part) -> list[Proposal]:
    """A ready grade by its name, or some tone more or less."""
    before = part.settings.grade
    name = next((n for n in GRADES if part.says(re.escape(n))), None)
    after, said = (GRADES[name], [name]) if name else (before, [])
    for words, (field, by, tone) in {} if name else TONES.items():
        if part.says(words):
            after = _toned(after, field, by)
            said.append(tone)
    if after == before:
        return []
    value, says = after.model_dump(mode="json"), " ".join(said)
    if part.shots is None:
        return part.settled({"grade": value}, f"all pictures {says}")
    return part.shot_by_shot({"grade": value}, says)


def _toned(before: Grade, field: str, by: float) -> Grade:
    least, most = _LIMITS.get(field, (-1.0, 1.0))
    return before.model_copy(
        update={field: round(min(most, max(least, getattr(before, field) + by)), 2)}
    )


def effect(part: Part) -> list[Proposal]:
    """One kind of effect by its name, everywhere or in some shots; or no effects in some shots."""
    kind = next((k for k in EFFECT_KINDS if part.says(re.escape(k))), None)
    if part.shots is not None:
        if kind is None:
            return part.shot_by_shot({"effects": []}, "no effects") if part.sign < 0 else []
        shown = [] if part.sign < 0 else [Effect(kind=kind).model_dump()]
        return part.shot_by_shot({"effects": shown}, f"no {kind}" if part.sign < 0 else kind)
    if kind is None:
        return []
    others = [e.model_dump() for e in part.settings.film_effects if e.kind != kind]
    if part.sign < 0:
        never = sorted({*part.settings.no_effects, kind})
        return part.settled({"no_effects": never, "film_effects": others}, f"no {kind} anywhere")
    added = [*others, Effect(kind=kind).model_dump()]
    return part.settled({"film_effects": added}, f"{kind} in every picture")


def captions(part: Part) -> list[Proposal]:
    """Captions: their size, colour, place, and whether the word that is said is marked; or none."""
    if part.shots is not None:
        return []
    before = part.settings.caption_style
    if part.sign == -2:
        return part.settled({"captions": "off"}, "no captions")
    values: dict[str, Any] = {}
    said: list[str] = []

    def put(field: str, value: Any, says: str) -> None:
        values[field] = value
        said.append(says)

    if part.sign and part.is_degree:
        size = round(min(2.0, max(0.5, before.size + 0.2 * part.sign)), 2)
        put("size", size, "larger" if part.sign > 0 else "smaller")
    for colour, value in _COLOURS.items():
        if part.says(colour):
            put("colour", value, colour)
    for word, place in _PLACES.items():
        if part.says(word):
            put("place", place, f"at the {word}" if word in ("top", "bottom") else word)
    if part.says("word by word|highlighted|marked"):
        put("said", "colour", "with the word that is said marked")
    if part.says("capitals|upper case"):
        put("capitals", True, "in capitals")
    if not values:
        return []
    after = CaptionStyle.model_validate({**before.model_dump(), **values})
    return part.settled(
        {"caption_style": after.model_dump(mode="json")}, f"captions {', '.join(said)}"
    )
