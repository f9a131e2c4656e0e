"""Short comic: two people, one object, attempts that go worse and worse, and a turn at the end."""

import random
from typing import Any

from .furnish import Furnished

_STARTS = (
    "{hero} only wanted to return the {thing}.",
    "The {thing} was borrowed on a Tuesday, and it should have gone back on the Wednesday.",
    "It was a good {thing}. That was the problem.",
)
_TRIES = (
    "“I've brought your {thing} back,” said {hero}. “That is not my {thing},” said {Neighbour}.",
    "“Mine had a dent,” said {Neighbour}. {hero} gave it a dent. “On the other side,” said {Neighbour}.",
    "“Where is the rest of it?” said {Neighbour}. “There was a rest of it?” said {hero}.",
    "{hero} left it on the step. In the morning there were two.",
    "“Keep it,” said {Neighbour}. “I can't,” said {hero}. “It has started to hum.”",
    "“Did you wash it?” said {Neighbour}. “Should I have?” said {hero}. “Never,” said {Neighbour}.",
    "The {animal} got into it. The {animal} would not get out of it.",
    "“Is that smoke?” said {Neighbour}. “It's mostly smoke,” said {hero}.",
    "“Push,” said {hero}. “I am pushing,” said {Neighbour}. “The other way,” said {hero}.",
    "“Whose idea was this?” said {Neighbour}. They both looked at the {animal}.",
    "“It was straight when I lent it,” said {Neighbour}. “It was yours when I lent it,” said {hero}.",
    "It fitted through the door on the way out. On the way in, it had opinions.",
    "“Let go,” said {Neighbour}. “I let go a while ago,” said {hero}. The {thing} stayed where it was.",
    "“I have a receipt,” said {hero}. “So do I,” said {Neighbour}. Neither was for a {thing}.",
    "“At least nobody saw,” said {hero}. Across the street, the whole street was watching.",
)
_ENDS = (
    "“Well,” said {Neighbour}, “now it is broken it is definitely mine.”",
    "The next day {Neighbour} came round. “Could I borrow your {thing}?” said {Neighbour}.",
)


def comic_scenes(home: Furnished, work: Any, target: int, chance: random.Random, draft: type) -> list[Any]:
    """A start, tries, and an end."""
    home.slots["Neighbour"] = chance.choice(("Mrs. Pell", "Mr. Loxley", "Mr. Birch", "Mrs. Thorne"))
    tries = list(_TRIES)
    chance.shuffle(tries)
    many = max(2, min(len(tries), target // 22))
    points = [[p.strip().rstrip(".") + "."] for p in work.points if p.strip()]
    return [
        draft("The garden fence — day, clear", "The {thing}, and who has it.", _STARTS[0], "playful", [[chance.choice(_STARTS)], *points], []),
        draft("The front door — day", "It does not go well.", tries[0], "playful", [[t] for t in tries[: many // 2 + 1]], [_TRIES]),
        draft("The garden — dusk", "It goes worse.", tries[1], "playful", [[t] for t in tries[many // 2 + 1 : many]] + [[chance.choice(_ENDS)]], []),
    ]
