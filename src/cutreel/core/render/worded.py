"""Words that keep to a shot's picture: they move with it as the camera does, before it or behind its figures."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from cutreel.core.motion import Window, layer_zoom
from cutreel.core.titles import TitleLook

from .carded import card_at
from .planes import Planes
from .words import PictureWords

BEHIND_AT, BEFORE_AT = 0.3, 0.55
"""The depths at which words stand behind figures, and among them."""
Seen = Callable[[int], Window]
"""What the camera sees in a frame of a shot's life."""


@dataclass(frozen=True)
class Worded:
    """The words in a shot's picture."""

    cards: Sequence[PictureWords]
    look: TitleLook
    fps: float
    width: int
    height: int

    def laid(self, behind: bool, at: int, seen: Seen) -> list[tuple[Planes, Window]]:
        """Words in frame `at` of the shot's life, each as a part of a picture as large as the frame, and the window on
        that: in the middle of their time they are where they would be in the frame."""
        out = []
        for card in self.cards:
            if card.behind != behind or not card.begin <= at < card.end:
                continue
            words = card_at(card, self.look, at, self.fps, self.width, self.height)
            if words is None:
                continue
            planes = replace(
                words.planes, origin=(words.left, words.top), whole=(self.width, self.height)
            )
            depth = BEHIND_AT if behind else BEFORE_AT
            then, now = (layer_zoom(seen(n), depth) for n in ((card.begin + card.end) // 2, at))
            out.append((planes, _between(then, now)))
        return out


def _between(then: Window, now: Window) -> Window:
    """The window of now on what was seen then."""
    return Window(
        0.5 + (now.x - then.x) * then.zoom, 0.5 + (now.y - then.y) * then.zoom, now.zoom / then.zoom
    )
