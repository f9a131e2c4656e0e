"""Scenes that are remembered: "Twenty years earlier he had taught him to swim". They are seen, but not here and now."""

from cutreel.core.nouns import sort_of

from .parsed import Parsed, Token

# fmt: off
_BACK = frozenset({"earlier", "before", "ago", "previously"})
_SHORT = frozenset({"moment", "second", "minute", "hour", "instant", "while"})
_RECALL = frozenset({"remember", "recall"})
_YOUNG = frozenset({"boy", "girl", "child", "young", "small", "little", "student", "baby"})
# fmt: on


def memories(parsed: Parsed) -> frozenset[int]:
    """The sentences of a paragraph that tell of a remembered scene.

    One begins with words that go back ("three winters earlier", "as a child") and a verb that had been, or with what
    somebody remembered; it goes on while the verbs do. A whole paragraph of what somebody had done is one, too.
    """
    if "memories" not in parsed.found:
        parsed.found["memories"] = _found(parsed)
    return parsed.found["memories"]


def memory_spans(parsed: Parsed) -> tuple[tuple[int, int], ...]:
    """The same as characters of the paragraph, from and up to."""
    out = []
    for sentence in sorted(memories(parsed)):
        tokens = [t for t in parsed.tokens if t.sentence == sentence]
        out.append((tokens[0].start, tokens[-1].end))
    return tuple(out)


def _found(parsed: Parsed) -> frozenset[int]:
    out: set[int] = set()
    roots = {t.sentence: i for i, t in enumerate(parsed.tokens) if t.dep == "ROOT"}
    if _tells_how_it_had_been(parsed, list(roots.values())):
        return frozenset(roots)
    for sentence, root in sorted(roots.items()):
        if _is_denied(parsed, root):
            continue
        had = _had_been(parsed, root)
        goes_on = sentence - 1 in out and had
        begins = had and (_goes_back(parsed, sentence) or _when_young(parsed, sentence))
        if goes_on or begins or _is_earlier(parsed, sentence, root) or _recalls(parsed, root):
            out.add(sentence)
    return frozenset(out)


def _below(parsed: Parsed, i: int) -> list[Token]:
    return [parsed.tokens[c] for c in parsed.children[i]]


def _is_denied(parsed: Parsed, root: int) -> bool:
    return any(t.dep == "neg" for t in _below(parsed, root))


def _had_been(parsed: Parsed, root: int) -> bool:
    auxes = {t.text.lower() for t in _below(parsed, root) if t.dep in {"aux", "auxpass"}}
    return bool(auxes & {"had", "'d", "’d"}) and parsed.tokens[root].tag in {"VBN", "VBG"}


_WHOLE = 3
"""So many sentences of what had been tell of it as it went."""
_DONE = frozenset(
    "drive carry walk run climb steal hide take dig row pull push swim break build throw fall cut load drag "
    "ride".split()
)
"""What can be looked at as it is done."""


def _tells_how_it_had_been(parsed: Parsed, roots: list[int]) -> bool:
    """ "He had driven the oxen over the lake. The ice had broken. He had lost the clock": how it went is told now."""
    had = [_had_been(parsed, root) and not _is_denied(parsed, root) for root in roots]
    return (
        len(roots) >= _WHOLE
        and all(had[:2])
        and not any(_is_denied(parsed, root) for root in roots)
        and any(parsed.tokens[root].lemma in _DONE for root in roots[:2])
    )


def _goes_back(parsed: Parsed, sentence: int) -> bool:
    """ "Twenty years before", "two winters earlier": not a moment ago."""
    return any(
        t.sentence == sentence
        and t.text.lower() in _BACK
        and any(
            sort_of(c.lemma) == "time" and c.lemma not in _SHORT
            for c in _below(parsed, i)
            if c.dep in {"npadvmod", "dobj", "nmod", "pobj"}
        )
        for i, t in enumerate(parsed.tokens)
    )


def _is_earlier(parsed: Parsed, sentence: int, root: int) -> bool:
    """ "Years earlier she taught him": "earlier" says it by itself, where something was told before."""
    earlier = any(
        t.sentence == sentence and t.text.lower() == "earlier" for t in parsed.tokens
    ) and _goes_back(parsed, sentence)
    return earlier and parsed.tokens[root].tag in {"VBD", "VBN"}


def _when_young(parsed: Parsed, sentence: int) -> bool:
    """ "As a boy he had ...", "when she was small she had ..."."""
    for i, t in enumerate(parsed.tokens):
        if t.sentence != sentence:
            continue
        below = _below(parsed, i)
        if t.text.lower() == "as" and any(c.lemma in _YOUNG for c in below):
            return True
        if t.dep == "advcl" and t.lemma == "be" and any(c.text.lower() == "when" for c in below):
            return any(c.lemma in _YOUNG for c in below if c.dep in {"attr", "acomp"})
    return False


def _recalls(parsed: Parsed, root: int) -> bool:
    """ "He remembered the cold green water"."""
    token = parsed.tokens[root]
    return (
        token.lemma in _RECALL
        and token.tag in {"VBD", "VBZ", "VBP"}
        and any(
            (c.dep == "dobj" and sort_of(c.lemma) is not None)
            # "She remembered sitting on his knee"
            or (c.dep in {"xcomp", "ccomp"} and c.tag == "VBG")
            for c in _below(parsed, root)
        )
    )
