"""Slow sleep story: a walk through a quiet place, in long even sentences, where nothing happens and
nothing must."""

import random
from typing import Any

from .furnish import Furnished

_SLOW = (
    "You walk slowly, because there is nowhere that you have to be, and the path is glad of it.",
    "The light is low and golden, and it lies along the tops of things as if it, too, were tired.",
    "Somewhere there is water, and it says the same soft word again and again, and it never needs an answer.",
    "A leaf comes down, and takes its time about it, and settles beside the others.",
    "You breathe in, and the air is cool and smells of {smell}, and you breathe out.",
    "The {animal} lifts its head, looks at you kindly, and lays it down again.",
    "There is a bench here, worn smooth by everybody who has ever sat on it and thought of nothing.",
    "One by one the lamps are lit, and each of them makes a small round room in the dusk.",
    "Far away somebody closes a shutter, gently, as one closes a book that will be there tomorrow.",
    "The wall is still warm from the day, and you rest your hand on it for as long as you like.",
    "Nothing is late. Nothing is waiting. The evening has room for all of it.",
    "A little wind moves through the grass, and the grass leans, and stands, and leans.",
    "You can hear {sound}, but softly, as if it came from another year.",
    "Above the roofs the first star is out, and after a while you notice that there are others, and that they were there before.",
    "Your steps are quiet, and they grow quieter, and the ground seems to hold them.",
    "In the window of the {work} a candle is burning down, and nobody minds.",
    "There is bread somewhere, and blankets, and a kettle that has just stopped singing.",
    "The river carries a little of the sky past you, and then a little more.",
    "You pass a gate, and it is open, and beyond it is a garden where it has just rained.",
    "If a thought comes, you let it sit beside you for a while, and then it gets up and goes home.",
    "The {thing} is where it always was, and somebody has wiped the dust from it with a sleeve.",
    "The hills have pulled the mist up to their shoulders, and they are not cold.",
    "A boat lies at its rope, and rises, and falls, and rises.",
    "It is quiet now, and it will be quieter, and there is nothing left to do about it.",
)
_STATIONS = ("The path by the water", "The orchard wall", "The {work}, seen through its window", "The little bridge", "The lamps", "The last house", "The meadow", "The jetty")


def sleep_scenes(home: Furnished, work: Any, target: int, chance: random.Random, draft: type) -> list[Any]:
    """Stations of a walk, from dusk into night."""
    many = max(2, min(len(_STATIONS), round(target / 260)))
    out = []
    for i in range(many):
        time = "dusk" if i < many / 2 else "night"
        station = _STATIONS[i].replace("{work}", home.slots["work"])
        first = [f"Now you come to {station[:1].lower() + station[1:]}."] if i else ["This is a story in which nothing happens. You may fall asleep at any time; it will go on quietly without you."]
        points = [p.strip().rstrip(".") + "." for p in work.points[i::many] if p.strip()]
        out.append(draft(f"{station} — {time}, clear", "A quiet place.", "Nothing moves but the light.", "calm", [first + points], [_SLOW]))
    out[-1].paragraphs.append(["It is late, and everything is where it should be. Good night."])
    return out
