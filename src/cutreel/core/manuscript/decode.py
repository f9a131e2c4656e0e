"""From the bytes of a story file to its text."""

from cutreel.core.errors import BadInput


def text_of(data: bytes) -> str:
    """The text of a file in UTF-8 (or UTF-16 with its mark). Raises BadInput for anything that is not text."""
    for encoding in ("utf-16" if data[:2] in (b"\xff\xfe", b"\xfe\xff") else "utf-8-sig", "cp1252"):
        try:
            text = data.decode(encoding)
        except UnicodeDecodeError:
            continue
        if "\x00" in text or sum(c < " " and c not in "\n\r\t\f" for c in text) > len(text) / 50:
            break
        return text
    raise BadInput("That file is not text.", "Give a plain text file (.txt) in UTF-8.")
