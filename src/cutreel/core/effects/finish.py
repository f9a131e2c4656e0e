"""What is done to a shot's picture when it is drawn: its grade and its effects, as one."""

from pydantic import BaseModel, ConfigDict

from .grade import SAME, Grade, Tables, is_plain, one_after_another, tables_of
from .kinds import GRADES, Effect, EffectKind


class Finish(BaseModel):
    """A grade, that of a `mood` behind it, and effects."""

    model_config = ConfigDict(frozen=True)
    grade: Grade = Grade()
    mood: Grade = Grade()
    effects: tuple[Effect, ...] = ()

    @property
    def plain(self) -> bool:
        return is_plain(self.grade) and is_plain(self.mood) and not self.effects

    def amount(self, kind: EffectKind) -> float:
        """How much there is of an effect; what is made of others counts with them."""
        parts = {e.kind: e.amount for e in self.effects}
        own = parts.get(kind, 0.0)
        return max(
            [own, *(parts[of] * share for of, share in MADE_OF.get(kind, ()) if of in parts)]
        )

    def begin(self, kind: EffectKind) -> float:
        """How many seconds after the first word an effect sets in."""
        return next((e.begin for e in self.effects if e.kind == kind), 0.0)

    def tables(self) -> Tables:
        """The tables of the grade, with those that effects bring behind it."""
        out = SAME if is_plain(self.grade) else tables_of(self.grade)
        if not is_plain(self.mood):
            out = one_after_another(out, tables_of(self.mood))
        for effect in self.effects:
            look = GRADE_OF.get(effect.kind)
            if look is not None:
                out = one_after_another(out, tables_of(less(GRADES[look], effect.amount)))
        return out


MADE_OF: dict[EffectKind, tuple[tuple[EffectKind, float], ...]] = {
    "grain": (("old film", 0.7),),
    "dust": (("old film", 0.8),),
    "flicker": (("old film", 0.8),),
    "vignette": (("old film", 0.7), ("night", 0.5)),
    "glow": (("dream", 0.7),),
    "soft edges": (("dream", 0.9),),
}
"""Effects that are part of others, and how strong they are in them."""
GRADE_OF: dict[EffectKind, str] = {"old film": "brown print", "night": "moonlight"}
"""The ready grade that an effect brings."""


def less(grade: Grade, share: float) -> Grade:
    """A share of a grade."""
    return grade.model_copy(
        update={
            "exposure": grade.exposure * share,
            "contrast": grade.contrast * share,
            "warmth": grade.warmth * share,
            "fade": grade.fade * share,
            "saturation": 1 + (grade.saturation - 1) * share,
            "shadows": _paler(grade.shadows, share),
            "lights": _paler(grade.lights, share),
        }
    )


def _paler(colour: str | None, share: float) -> str | None:
    """A colour nearer to the grey of its brightness."""
    if colour is None:
        return None
    rgb = [int(colour[i : i + 2], 16) for i in (1, 3, 5)]
    grey = 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2]
    return "#" + "".join(f"{round(grey + (c - grey) * share):02x}" for c in rgb)
