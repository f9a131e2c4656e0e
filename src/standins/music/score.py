"""What a piece follows besides its mood."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Score:
    """`course`: how tense it is (0 … 1) at so many seconds, in a line from each to the next; none is even. `hits`:
    seconds at which a bar is to begin. `rests`: stretches in seconds in which nothing is struck. `theme`: a number that
    has a tune of its own, in every mood (0: none). `family`: the instruments that lead ("": the mood's own)."""

    course: tuple[tuple[float, float], ...] = ()
    hits: tuple[float, ...] = ()
    rests: tuple[tuple[float, float], ...] = ()
    theme: int = 0
    family: str = ""

    def tension(self, at: float) -> float:
        """How tense it is at a second."""
        if not self.course:
            return EVEN
        before = self.course[0]
        for point in self.course:
            if point[0] >= at:
                span = point[0] - before[0]
                share = (at - before[0]) / span if span > 0 else 1.0
                return before[1] + (point[1] - before[1]) * min(1.0, max(0.0, share))
            before = point
        return before[1]


EVEN = 0.4
"""How tense a piece without a course is."""
