"""A wish for a whole film as changes of it. A dozen words are known; what else is wished is said not to be understood."""

import re
from collections.abc import Callable, Mapping, Sequence

from cutreel.protocol import FilmTold, ShotTold, WishedChange, WishUnderstood

NEARER: Mapping[str, str] = {"extreme wide": "wide", "wide": "medium", "medium": "close"}
FURTHER: Mapping[str, str] = {"extreme close": "close", "close": "medium", "medium": "wide"}
_ENDS = {"opening": (0.0, 0.25), "beginning": (0.0, 0.25), "start": (0.0, 0.25), "middle": (0.25, 0.75),
         "end": (0.75, 1.0), "ending": (0.75, 1.0), "finale": (0.75, 1.0)}  # fmt: skip
Reader = Callable[[Sequence[ShotTold], FilmTold], list[WishedChange]]


def wished(words: str, film: FilmTold) -> WishUnderstood:
    """What a wish comes to in a film, part by part."""
    changes: list[WishedChange] = []
    unclear: list[str] = []
    for part in re.split(r"[,;.!?]|\band\b|\bbut\b", words.lower()):
        told = " ".join(part.split())
        if not told:
            continue
        reader = next((r for said, r in READERS if re.search(rf"\b(?:{said})\b", told)), None)
        found = reader(_there(told, film), film) if reader else []
        changes += [c.model_copy(update={"why": f"“{told}”"}) for c in found]
        if not found:
            unclear.append(told)
    return WishUnderstood(changes=changes, unclear=unclear)


def _there(words: str, film: FilmTold) -> list[ShotTold]:
    """The shots that a part of a wish is for."""
    for said, (first, last) in _ENDS.items():
        if re.search(rf"\b{said}\b", words):
            count = len(film.shots)
            begin = min(count - 1, round(first * count))
            return film.shots[begin : max(begin + 1, round(last * count))]
    named = [s for s in film.shots if any(p.lower() in words for p in s.people)]
    return named or list(film.shots)


def _framed(steps: Mapping[str, str], says: str) -> Reader:
    def read(shots: Sequence[ShotTold], film: FilmTold) -> list[WishedChange]:
        by: dict[str, list[int]] = {}
        for shot in shots:
            if shot.framing in steps and shot.people:
                by.setdefault(steps[shot.framing], []).append(shot.number)
        return [
            _set_shots(numbers, {"framing": framing}, f"{says}: {framing} in {_count(numbers)}")
            for framing, numbers in by.items()
        ]

    return read


def _moved(move: str, says: str) -> Reader:
    def read(shots: Sequence[ShotTold], film: FilmTold) -> list[WishedChange]:
        numbers = [s.number for s in shots if s.move != move]
        told = f"{says} in {_count(numbers)}"
        return [_set_shots(numbers, {"move": move, "path": None}, told)] if numbers else []

    return read


def _graded(values: Mapping[str, float], says: str) -> Reader:
    def read(shots: Sequence[ShotTold], film: FilmTold) -> list[WishedChange]:
        if len(shots) < len(film.shots):
            return [_set_shots([s.number for s in shots], {"grade": dict(values)}, says)]
        grade = {**film.settings.get("grade", {}), **values}
        command = {"type": "set settings", "values": {"grade": grade}}
        return [WishedChange(command=command, says=f"{says}, the whole film")]

    return read


def _paced(by: float, says: str) -> Reader:
    def read(shots: Sequence[ShotTold], film: FilmTold) -> list[WishedChange]:
        mean = sum(s.seconds for s in shots) / max(1, len(shots))
        length = round(min(600.0, max(1.0, mean * by)), 1)
        numbers = [s.number for s in shots]
        command = {"type": "cut ramp", "shots": numbers, "first": length, "last": length}
        return [WishedChange(command=command, says=f"{says}: shots of about {length:g} s")]

    return read


READERS: Sequence[tuple[str, Reader]] = (
    ("nearer|closer|intimate|faces", _framed(NEARER, "nearer")),
    ("further|farther|lonely|lonelier|distant", _framed(FURTHER, "from further away")),
    ("still|stiller|calm camera|no movement", _moved("still", "the camera stands still")),
    ("colder|cold|wintry|icy", _graded({"warmth": -0.4, "saturation": 0.8}, "colder light")),
    ("warmer|warm|golden|sunny", _graded({"warmth": 0.4}, "warmer light")),
    ("darker|gloomy|gloomier", _graded({"exposure": -0.4, "contrast": 0.2}, "darker")),
    ("quicker|faster|hectic|breathless", _paced(0.7, "quicker")),
    ("slower|calmer|gentler", _paced(1.4, "slower")),
)  # fmt: skip
"""What is known, by its words; the first that is found."""


def _set_shots(numbers: Sequence[int], values: Mapping[str, object], says: str) -> WishedChange:
    command = {"type": "set shots", "shots": list(numbers), "values": dict(values)}
    return WishedChange(command=command, says=says)


def _count(numbers: Sequence[int]) -> str:
    return "1 shot" if len(numbers) == 1 else f"{len(numbers)} shots"
