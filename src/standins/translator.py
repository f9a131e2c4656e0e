"""Translation by dictionaries and rules of grammar: Debian's apertium, from English into Spanish.

What it writes is understood and seldom good: it stands for a service whose work is looked over by somebody who speaks
the language.
"""

import re
import subprocess
from collections.abc import Sequence

LANGUAGES = {"es": "eng-spa"}
"""Languages by their tags (BCP 47), with the engine's own names for the way there."""
_ENDS = re.compile(r"[.!?…]+[”’\"')]*$")


def translated(passages: Sequence[str], language: str) -> list[str]:
    """Each passage in a language, in their order. What the engine does not know stays as it is."""
    lines = [" ".join(p.split()) for p in passages]
    # What does not end would be read on into the next line.
    ended = [line if _ENDS.search(line) else f"{line}." for line in lines]
    answer = subprocess.run(
        ["apertium", "-u", "-f", "line", LANGUAGES[language]],
        input="\n".join(ended) + "\n",
        capture_output=True,
        text=True,
        timeout=300,
        check=True,
    ).stdout.split("\n")
    answer += [""] * (len(lines) - len(answer))
    return [_finished(made, line) for made, line in zip(answer, lines, strict=False)]


def _finished(made: str, line: str) -> str:
    """What was made of a line, ending as it did: the engine leaves the last mark out, and puts spaces beside quotation
    marks."""
    made = re.sub(r"\s+", " ", made).strip()
    made = re.sub(r"([“‘«(]) ", r"\1", re.sub(r" ([”’»)])", r"\1", made))
    if not made:
        return line
    ends = _ENDS.search(line)
    if ends is None:
        return made.rstrip(".")
    return made if _ENDS.search(made) else made + ends.group(0)[0]
