"""The words of a text in whatever language, as they are heard and read along one after another."""

import re

_UNSPACED = (
    "\u0e00-\u0eff\u1000-\u109f\u1780-\u17ff\u3040-\u30ff\u3400-\u4dbf\u4e00-\u9fff\uf900-\ufaff"
)
"""Scripts that are written without spaces: Thai, Lao, Burmese, Khmer, Kana and Han (blocks of the Unicode Standard)."""
_WORD = re.compile(rf"[{_UNSPACED}][^\w\s]*|[^\s{_UNSPACED}]+")
_TOUCHES = re.compile(rf"^[{_UNSPACED}].*")


def words_in(text: str) -> tuple[str, ...]:
    """The words of a text, each with the marks that cling to it. What is written without spaces is taken letter by
    letter: its captions may break anywhere."""
    found: list[str] = []
    for word in _WORD.findall(text):
        # A dash or a mark that stands alone clings to the word before it.
        if found and not re.search(r"\w", word):
            found[-1] = f"{found[-1]} {word}"
        else:
            found.append(word)
    return tuple(found)


def glued(word: str, following: str) -> bool:
    """Whether two words stand beside each other without a space."""
    return bool(_TOUCHES.match(following)) and bool(re.search(rf"[{_UNSPACED}]", word))
