"""Whom the words of a manuscript mean, as the page shows it."""

from bisect import bisect_left, bisect_right

from pydantic import BaseModel

from cutreel.core.film import ReadFilm
from cutreel.core.reading import SURE, is_english

MOST_ASKED = 40


class MentionView(BaseModel):
    """Words `first` up to `end` (indices) mean `people`. `word` is the number of the last of them, by
    which the maker may say another; `asked`: it is not sure enough to be left unsaid."""

    first: int
    end: int
    word: int
    people: list[int]
    seen: bool
    why: str
    sure: float
    asked: bool
    by_hand: bool


class MeantView(BaseModel):
    """`english`: only English is read so; `read`: all of it has been."""

    english: bool
    read: bool
    mentions: list[MentionView]


def meant_view(film: ReadFilm) -> MeantView:
    """All mentions of a film, in order."""
    words = film.script.words
    starts = [w.start for w in words]
    by_hand = {m.word for m in film.document.meant}
    out: list[MentionView] = []
    asked = 0
    for number in sorted(film.story.paragraphs):
        begin = film.story.starts[number]
        for m in film.story.paragraphs[number].mentions:
            first = bisect_right(starts, begin + m.start) - 1
            end = bisect_left(starts, begin + m.end)
            word = film.ids[end - 1]
            # What goes on from a guess is settled with it.
            ask = m.sure < SURE and m.seen and "from a guess" not in m.why and asked < MOST_ASKED
            asked += ask
            out.append(
                MentionView(
                    first=first,
                    end=end,
                    word=word,
                    people=list(m.people),
                    seen=m.seen,
                    why=m.why,
                    sure=m.sure,
                    asked=ask,
                    by_hand=word in by_hand,
                )
            )
    whole = len(film.story.paragraphs) == len(film.script.paragraphs)
    return MeantView(english=is_english(film.document.text), read=whole, mentions=out)
