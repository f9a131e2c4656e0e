"""A labelled story as it would be told in the present tense: the same people, places and hours are to be read of it."""

from bisect import bisect_left, bisect_right
from collections.abc import Iterator

from cutreel.core.manuscript import read
from cutreel.core.reading import Parsed, Token
from cutreel.core.reading.clauses import subjects
from cutreel.core.reading.verbs import present
from tests.labelled import Labelled, LabelledStory, parses_of

_FORMS = {
    ("be", "I"): "am", ("be", "one"): "is", ("be", "many"): "are",
    ("have", "I"): "have", ("have", "one"): "has", ("have", "many"): "have",
}  # fmt: skip


def told_now(story: LabelledStory) -> LabelledStory:
    """The story with the verbs of its narration put into the present; what is said stays as it is."""
    edits = list(_edits(story.text))
    starts = [start for start, _, _ in edits]
    out, at = [], 0
    for start, end, new in edits:
        out += [story.text[at:start], new]
        at = end
    text = "".join([*out, story.text[at:]])

    def moved(place: int) -> int:
        before = edits[: bisect_right([end for _, end, _ in edits], place)]
        return place + sum(len(new) - (end - start) for start, end, new in before)

    sentences, at = [], 0
    for told in story.sentences:
        at = story.text.index(told.text, at)
        begin, end = moved(at), moved(at + len(told.text))
        meant = {moved(at + place) - begin: who for place, who in told.meant.items()}
        sentences.append(Labelled(text[begin:end], told.who, told.says, meant))
        at += len(told.text)
    assert starts == sorted(starts)
    return LabelledStory(story.name, text, story.cast, tuple(sentences), story.looks)


def _edits(text: str) -> Iterator[tuple[int, int, str]]:
    script = read(text)
    spoken = [
        (script.words[line.first].start, script.words[line.end - 1].end)
        for line in script.lines
        if line.why != "narration"
    ]
    parses = parses_of(text)
    for _, start, paragraph in script.paragraphs:
        parsed = parses[paragraph]
        for i, token in enumerate(parsed.tokens):
            at = start + token.start
            k = bisect_left(spoken, (at + 1, 0)) - 1
            said = k >= 0 and spoken[k][0] <= at < spoken[k][1]
            if (token.tag == "VBD" or token.text == "could") and not said:
                new = _now(parsed, i)
                yield at, at + len(token.text), new.capitalize() if token.text.istitle() else new


def _now(parsed: Parsed, i: int) -> str:
    token = parsed.tokens[i]
    if token.tag == "MD":
        return "can"
    of = subjects(parsed, i) or subjects(parsed, token.head)
    first = parsed.tokens[of[0]] if of else None
    sort = "one"
    if first is not None:
        word = first.text.lower()
        several = any(parsed.tokens[c].dep == "conj" for c in parsed.children[of[0]])
        if word == "i":
            sort = "I"
        elif several or _is_plural(parsed, first, of[0]):
            sort = "many"
    lemma = "be" if token.text.lower() in {"was", "were"} else token.lemma
    if (lemma, sort) in _FORMS:
        return _FORMS[lemma, sort]
    return present(lemma) if sort == "one" else lemma


def _is_plural(parsed: Parsed, token: Token, i: int) -> bool:
    if token.text.lower() in {"they", "we", "you", "these", "those", "both"}:
        return True
    if token.text.lower() in {"who", "which", "that"}:
        verb = parsed.tokens[token.head]
        return verb.dep == "relcl" and parsed.tokens[verb.head].tag in {"NNS", "NNPS"}
    return token.tag in {"NNS", "NNPS"} and token.name != "PERSON"
