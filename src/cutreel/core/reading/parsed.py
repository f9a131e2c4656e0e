"""A paragraph as parsed: its tokens with their grammar, plain and small, so that it can be kept.

Names of tags and relations are those of the open schemes that English parsers share: Penn Treebank tags, and the
relations of ClearNLP (nsubj, dobj, prep, pobj, ...).
"""

import json
import zlib
from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property
from typing import NamedTuple

from cutreel.core.keys import key

PARSE_VERSION = 2


class Token(NamedTuple):
    """A token: characters `start` up to `end` of the paragraph; its lemma, coarse and fine tag, its relation to the
    token `head` (an index; its own where it heads a sentence), the kind of name it is in, its sentence's number."""

    start: int
    end: int
    text: str
    lemma: str
    pos: str
    tag: str
    dep: str
    head: int
    name: str
    sentence: int


@dataclass(frozen=True, eq=False)
class Parsed:
    """The tokens of one paragraph."""

    tokens: tuple[Token, ...]
    unreal: dict[int, str] = field(default_factory=dict, repr=False)
    """What was found so far of the clauses, by their verbs (`clauses.unreal`)."""
    found: dict[str, frozenset[int]] = field(default_factory=dict, repr=False)
    """What was found so far of the whole paragraph (`memories.memories`)."""

    @cached_property
    def children(self) -> tuple[tuple[int, ...], ...]:
        """For each token those that hang on it, in order."""
        out: list[list[int]] = [[] for _ in self.tokens]
        for i, token in enumerate(self.tokens):
            if token.head != i:
                out[token.head].append(i)
        return tuple(map(tuple, out))

    def subtree(self, index: int) -> list[int]:
        """A token and all that hangs on it, in order."""
        out, left = [], [index]
        while left:
            at = left.pop()
            out.append(at)
            left += self.children[at]
        return sorted(out)


Parses = Mapping[str, Parsed]
"""What was parsed so far, by the paragraph's text."""


def parse_key(text: str) -> str:
    """The key under which a paragraph's parse is kept."""
    return key("parse", PARSE_VERSION, text=text)


def packed(parsed: Parsed) -> bytes:
    """A parse as bytes: its columns as JSON, compressed."""
    columns = list(zip(*parsed.tokens, strict=True)) if parsed.tokens else [()] * len(Token._fields)
    return zlib.compress(json.dumps(columns, ensure_ascii=False, separators=(",", ":")).encode(), 6)


def unpacked(data: bytes) -> Parsed:
    """A parse from its bytes."""
    columns = json.loads(zlib.decompress(data))
    return Parsed(tuple(Token(*row) for row in zip(*columns, strict=True)))
