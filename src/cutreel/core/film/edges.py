"""Edge numbers: a shot's stable label. A shot put in after 12 is 12A, then 12B; none is ever given
twice in a film."""

import re
from collections.abc import Collection


def label_between(before: str | None, used: Collection[str]) -> str:
    """A label for a new shot after the shot labelled `before` (None: at the film's start) that is
    not in `used`."""
    if before is None:
        number = 0
    else:
        match = re.match(r"\d+", before)
        number = int(match.group()) if match else 0
    if str(number) not in used and number > 0:
        return str(number)
    i = 0
    while f"{number}{letters(i)}" in used:
        i += 1
    return f"{number}{letters(i)}"


def letters(index: int) -> str:
    """A, B … Z, AA, AB …"""
    out = ""
    index += 1
    while index:
        index, rest = divmod(index - 1, 26)
        out = chr(65 + rest) + out
    return out
