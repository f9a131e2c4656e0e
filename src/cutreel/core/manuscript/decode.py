"""From the bytes of a story file to its text."""

from charset_normalizer import from_bytes

from cutreel.core.errors import BadInput


def text_of(data: bytes) -> str:
    """The text of a file: UTF-8, UTF-16 with or without its mark, or whatever older encoding its
    bytes make likely.

    Raises BadInput for anything that is not text.
    """
    marked = data[:2] in (b"\xff\xfe", b"\xfe\xff")
    for encoding in ("utf-16",) if marked else _wide(data) or ("utf-8-sig",):
        try:
            return _checked(data.decode(encoding))
        except UnicodeDecodeError:
            continue
    # A few bytes tell too little to guess by.
    found = from_bytes(data[:200_000]).best() if len(data) > 60 else None
    return _checked(data.decode(found.encoding if found else "cp1252", errors="replace"))


def _wide(data: bytes) -> tuple[str, ...]:
    """UTF-16 without a mark shows by zeros at every other byte."""
    sample = data[:400]
    if len(sample) > 3 and sample[1::2].count(0) > len(sample) / 3:
        return ("utf-16-le",)
    return ("utf-16-be",) if len(sample) > 3 and sample[0::2].count(0) > len(sample) / 3 else ()


def _checked(text: str) -> str:
    if "\x00" in text or sum(c < " " and c not in "\n\r\t\f" for c in text) > len(text) / 50:
        raise BadInput("That file is not text.", "Give a plain text file (.txt) in UTF-8.")
    return text
