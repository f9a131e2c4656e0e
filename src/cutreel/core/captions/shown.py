"""Where one caption stands and in which colour, where that is otherwise than its style has it."""

from typing import NamedTuple

from .style import CaptionPlace, CaptionStyle


class CaptionShown(NamedTuple):
    """A place and a colour of a caption's own (None: as the style has it), and who says it."""

    place: CaptionPlace | None = None
    colour: str | None = None
    who: str = ""

    def styled(self, style: CaptionStyle) -> CaptionStyle:
        """The style of this caption."""
        told = {"place": self.place, "colour": self.colour}
        changed = {k: v for k, v in told.items() if v is not None and getattr(style, k) != v}
        return style.model_copy(update=changed) if changed else style


AS_OTHERS = CaptionShown()
SPEAKERS = ("#ffd23f", "#8fd0e8", "#f4a98a", "#a9dd8f", "#d9b3ec", "#f3e08c", "#9be0cf", "#f2a9c4")
"""Colours of whoever speaks, one after another: each is read on dark (WCAG 2.2: over 7 to 1 against black)."""
