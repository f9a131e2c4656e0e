"""Prompts for references: a model sheet of somebody, and a plain view of a place."""

from .looks import Look
from .model import Person, Place, TimeOfDay
from .prompt import ALWAYS, Part, Prompt, describe, fit

VIEWS = "front view, three-quarter view, side view, four faces: calm, smiling, worried, laughing"


def compose_model_sheet(person: Person, look: Look, cap: int) -> Prompt:
    """Somebody from all sides with expressions, on a plain ground in even light, in at most `cap`
    characters."""
    views = (
        (VIEWS, "front, three-quarter and side view")
        if not person.is_animal
        else ("front view, side view",)
    )
    return fit(
        [
            Part("framing", ("Model sheet",), ALWAYS),
            Part("cast", describe(person), ALWAYS),
            Part("framing", views, 70),
            Part("scene", ("plain ground, even light", "plain ground"), 60),
            Part("look", (look.medium,), 90),
            Part("look", (look.detail, look.detail.split(",")[0]), 30),
        ],
        cap,
    )


def compose_place_sheet(place: Place, look: Look, cap: int, time: TimeOfDay = "day") -> Prompt:
    """A place without anybody in it, at a time of day."""
    hour = ", ".join(
        filter(
            None,
            (time, "clear sky" if not place.weather else place.weather, place.light.get(time, "")),
        )
    )
    return fit(
        [
            Part("framing", ("Extreme wide shot",), 80),
            Part("place", (place.description or place.name,), ALWAYS),
            Part("scene", (hour, time), 75),
            Part("look", (look.medium,), 90),
            Part("look", (look.detail, look.detail.split(",")[0]), 30),
        ],
        cap,
    )
