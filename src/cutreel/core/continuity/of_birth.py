"""Who is told of by birth alone, "the youngest", is one of the sisters, sons or daughters that a story is about."""

import re
from collections.abc import Sequence
from dataclasses import replace

from cutreel.core.manuscript import Figure, pronoun_of

_BORN = "eldest|oldest|youngest|middle|second|third"
_SINGULAR = {
    "sisters": "sister", "brothers": "brother", "daughters": "daughter", "sons": "son",
    "princesses": "princess", "princes": "prince", "girls": "girl", "boys": "boy",
}  # fmt: skip
_ALIKE = re.compile(
    rf"\b(?:the|two|three|four|five|six|seven) ({'|'.join(_SINGULAR)})\b", re.IGNORECASE
)


def of_birth(text: str, figures: Sequence[Figure]) -> list[Figure]:
    """Figures, where "the youngest" is "the youngest sister", a woman, if the text tells of sisters and of no other
    such group; and "the sister" is "the eldest sister" where no other is ever spoken of alone."""
    groups = {m[1].lower() for m in _ALIKE.finditer(text)}
    if len(groups) != 1:
        return list(figures)
    noun = _SINGULAR[groups.pop()]
    out = []
    for figure in figures:
        word = figure.name.removeprefix("the ")
        if re.fullmatch(_BORN, word):
            out.append(_one_of(figure, f"{word} {noun}", (word, f"the {word}")))
        elif word == noun and (born := _only_born(text, noun)):
            out.append(
                _one_of(figure, f"{born} {noun}", (noun, f"the {noun}", born, f"the {born}"))
            )
        else:
            out.append(figure)
    return _each_once(out)


def _one_of(figure: Figure, called: str, aliases: tuple[str, ...]) -> Figure:
    calls = tuple(dict.fromkeys((called, *aliases, *figure.aliases)))
    pronoun = pronoun_of(called.rsplit(" ", maxsplit=1)[-1])
    return replace(
        figure, name=f"the {called}", aliases=calls, kind="person", pronoun=pronoun, sure=True
    )


def _only_born(text: str, noun: str) -> str:
    """By which birth alone one of them is told of: "the eldest sister"; nothing where there is another."""
    told = re.findall(rf"\b(\w+) {noun}\b", text.lower())
    born = {word for word in told if re.fullmatch(_BORN, word)}
    return born.pop() if len(born) == 1 and {*told} <= {*born} else ""


def _each_once(figures: Sequence[Figure]) -> list[Figure]:
    """ "The youngest" and "the youngest sister" are one."""
    out: dict[str, Figure] = {}
    for figure in figures:
        before = out.get(figure.name)
        out[figure.name] = replace(before, count=before.count + figure.count) if before else figure
    return list(out.values())
