"""Words in lines."""

from textwrap import wrap


def evenly(text: str, length: int) -> tuple[str, ...]:
    """Text in as few lines of at most `length` characters as may be, as even as may be; none for nothing."""
    lines = wrap(text, length)
    if len(lines) > 1:
        # The narrowest lines that are no more, and break no word.
        longest = min(length, max(map(len, text.split())))
        least = max(longest, len(text) // len(lines))
        narrow = next(n for n in range(least, length + 1) if len(wrap(text, n)) <= len(lines))
        lines = wrap(text, narrow)
    return tuple(lines)
