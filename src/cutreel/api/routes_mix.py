"""The film's sound as it was measured: how loud it is, and which lines are hard to follow beside the rest."""

from bisect import bisect_right

from fastapi import APIRouter
from pydantic import BaseModel

from cutreel.core.manuscript import words_text
from cutreel.core.sound import EASY
from cutreel.making import mix_spec
from cutreel.store import Assembled

from .door import Films, Shop

router = APIRouter(prefix="/api")
MOST_HARD = 40


class HardLine(BaseModel):
    """A line, by its place, that is hard to follow: how well it is understood (0 … 1), which lane is most in its way,
    and by how many decibels softer that would do; what is said, and in which shot."""

    line: int
    shot: int
    text: str
    index: float
    culprit: str
    less: float


class MixView(BaseModel):
    """The sound as it is mixed now; nothing of it is measured while that is not made. Lines that are not understood
    with ease (`easy`, by ANSI S3.5) are `hard`, worst first; `least` is the lowest index of all."""

    measured: bool
    loudness: float | None = None
    true_peak: float | None = None
    easy: float = EASY
    least: float | None = None
    hard: list[HardLine] = []


@router.get("/films/{film}/mix")
def mix(film: str, films: Films, shop: Shop) -> MixView:
    """What was measured of the film's sound."""
    assembled = films.now(film).film
    found = shop.results.get(mix_spec(assembled).key)
    if found is None or "understood" not in found.data:
        return MixView(measured=False)
    heard = dict(zip(_pieces(assembled), found.data["understood"], strict=True))
    worst: dict[int, tuple[float, str, float]] = {}
    for (line, _), (index, culprit, less) in heard.items():
        if line not in worst or index < worst[line][0]:
            worst[line] = index, culprit, less
    hard = sorted((u[0], line) for line, u in worst.items() if u[0] < EASY)
    return MixView(
        measured=True,
        loudness=found.data["integrated_lufs"],
        true_peak=found.data["true_peak_dbtp"],
        least=min((u[0] for u in worst.values()), default=None),
        hard=[_hard(assembled, line, *worst[line]) for _, line in hard[:MOST_HARD]],
    )


def _pieces(film: Assembled) -> list[tuple[int, int]]:
    """The sounds of the voice, in the order in which they are mixed: of which line, which piece of it."""
    return [
        (line, piece)
        for line, result in sorted(film.spoken.items())
        for piece in range(len(result.data.get("pieces", [0])))
    ]


def _hard(film: Assembled, line: int, index: float, culprit: str, less: float) -> HardLine:
    work, read = film.read.speech[line], film.read
    at = bisect_right([s.first for s in read.shots], work.first) - 1
    return HardLine(
        line=line,
        shot=read.shots[max(0, at)].shot.id,
        text=words_text(read.script.words[work.first : work.end])[:120],
        index=index,
        culprit=culprit,
        less=less,
    )
