"""Reading: whom the words of a story mean, as a plain reader would say it: who was named last, by sex.

Made to be asked beside a better one: it knows no grammar, so that where the two differ is worth a look.
"""

import re
from collections.abc import Sequence

from cutreel.protocol import ReadingInput, ReadPerson, WordsMeant

_SHE_HE = {
    "she": "she", "her": "she", "hers": "she", "herself": "she", "he": "he", "him": "he", "his": "he", "himself": "he",
}  # fmt: skip
_STRIPPED = "“”\"'‘’«»(),.;:!?…—–-"
_OPENS, _CLOSES = re.compile(r"^[(‘']*[“\"«]"), re.compile(r"[”\"»][),.;:!?]*$")


def read(job: ReadingInput) -> list[WordsMeant]:
    """What is meant by names, roles, "she" and "he" outside of what is spoken, in the order of the words."""
    calls = [(_words(call), person) for person in job.cast for call in (person.name, *person.calls)]
    calls.sort(key=lambda c: -len(c[0]))
    out: list[WordsMeant] = []
    last: dict[str, ReadPerson] = {}
    for number, paragraph in enumerate(job.paragraphs):
        spoken, at = False, 0
        while at < len(paragraph):
            spoken = spoken or bool(_OPENS.search(paragraph[at]))
            found = None if spoken else _found(paragraph, at, calls, last)
            step = 1
            if found is not None:
                person, step, why = found
                end = at + step
                out.append(
                    WordsMeant(paragraph=number, first=at, end=end, people=[person.id], why=why)
                )
                for pronoun in [person.pronoun] if person.pronoun else ["she", "he"]:
                    last[pronoun] = person
            if _CLOSES.search(paragraph[at]):
                spoken = False
            at += step
    return out


def _found(
    paragraph: Sequence[str],
    at: int,
    calls: Sequence[tuple[list[str], ReadPerson]],
    last: dict[str, ReadPerson],
) -> tuple[ReadPerson, int, str] | None:
    bare = _bare(paragraph[at])
    if bare in _SHE_HE:
        person = last.get(_SHE_HE[bare])
        return (person, 1, f"the last who is called “{_SHE_HE[bare]}”") if person else None
    for words, person in calls:
        if words and [_bare(w) for w in paragraph[at : at + len(words)]] == words:
            return person, len(words), "called so"
    return None


def _words(call: str) -> list[str]:
    return [_bare(w) for w in call.split()]


def _bare(word: str) -> str:
    return re.sub(r"[’']s$", "", word.strip(_STRIPPED)).lower()
