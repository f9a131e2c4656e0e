"""Whole numbers in words, with British “and”: how many, which in an order, which year. (The names of the short
scale.)"""

_SMALL = (
    "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen "
    "eighteen nineteen".split()
)
_TENS = "_ _ twenty thirty forty fifty sixty seventy eighty ninety".split()
_LARGE = ((10**12, "trillion"), (10**9, "billion"), (10**6, "million"), (1000, "thousand"))
_ORDINALS = {
    "one": "first", "two": "second", "three": "third", "five": "fifth", "eight": "eighth", "nine": "ninth",
    "twelve": "twelfth",
}  # fmt: skip
BIGGEST = 10**15
"""What is larger is read digit by digit."""


def number(value: int) -> str:
    """A whole number: "one hundred and five"."""
    if value >= BIGGEST:
        return " ".join(_SMALL[int(digit)] for digit in str(value))
    if value < 20:
        return _SMALL[value]
    if value < 100:
        tens, one = divmod(value, 10)
        return _TENS[tens] + (f"-{_SMALL[one]}" if one else "")
    if value < 1000:
        hundreds, rest = divmod(value, 100)
        return f"{_SMALL[hundreds]} hundred" + (f" and {number(rest)}" if rest else "")
    size, name = next((s, n) for s, n in _LARGE if value >= s)
    many, rest = divmod(value, size)
    joint = " and " if 0 < rest < 100 else " "
    return f"{number(many)} {name}" + (f"{joint}{number(rest)}" if rest else "")


def ordinal(value: int) -> str:
    """The place of something in an order: "twenty-first"."""
    spoken = number(value)
    cut = max(spoken.rfind(" "), spoken.rfind("-")) + 1
    head, last = spoken[:cut], spoken[cut:]
    if last in _ORDINALS:
        return head + _ORDINALS[last]
    return head + (f"{last[:-1]}ieth" if last.endswith("y") else f"{last}th")


def year(value: int) -> str:
    """A year from 1000 to 2099: "eighteen thirty-four", "nineteen oh five", "two thousand and five"."""
    century, rest = divmod(value, 100)
    if century % 10 == 0 and rest < 10:
        return number(value)
    if rest == 0:
        return f"{number(century)} hundred"
    return f"{number(century)} {'oh ' if rest < 10 else ''}{number(rest)}"
