"""What changed between two texts: stretches that stayed and stretches that were replaced, word by
word."""

import re
from dataclasses import dataclass
from difflib import SequenceMatcher

_PARAGRAPH = re.compile(r"[^\n](?:.|\n(?!\n))*\n*|\n+")
_TOKEN = re.compile(r"\S+|\s+")


@dataclass(frozen=True, slots=True)
class Difference:
    """Characters `start` up to `end` of the text before, that read `before` and now read
    `after`."""

    start: int
    end: int
    before: str
    after: str

    @property
    def changed(self) -> bool:
        return self.before != self.after


def differences(before: str, after: str) -> list[Difference]:
    """All of both texts, in order, as stretches that are the same and stretches that are not.

    Paragraphs are compared first and words only inside those that changed, so that long texts are
    compared at once.
    """
    out: list[Difference] = []
    at = 0
    a, b = _PARAGRAPH.findall(before), _PARAGRAPH.findall(after)
    for tag, a0, a1, b0, b1 in SequenceMatcher(None, a, b, autojunk=False).get_opcodes():
        old, new = "".join(a[a0:a1]), "".join(b[b0:b1])
        if tag == "equal":
            out.append(Difference(at, at + len(old), old, new))
        else:
            out += _by_words(old, new, at)
        at += len(old)
    return _joined(out)


def _by_words(old: str, new: str, at: int) -> list[Difference]:
    a, b = _TOKEN.findall(old), _TOKEN.findall(new)
    out: list[Difference] = []
    for tag, a0, a1, b0, b1 in SequenceMatcher(None, a, b, autojunk=False).get_opcodes():
        one, other = "".join(a[a0:a1]), "".join(b[b0:b1])
        out.append(Difference(at, at + len(one), one, one if tag == "equal" else other))
        at += len(one)
    return out


def _joined(pieces: list[Difference]) -> list[Difference]:
    """Neighbours of a kind made one."""
    out: list[Difference] = []
    for piece in pieces:
        if out and out[-1].changed == piece.changed:
            last = out.pop()
            out.append(
                Difference(
                    last.start, piece.end, last.before + piece.before, last.after + piece.after
                )
            )
        else:
            out.append(piece)
    return out
