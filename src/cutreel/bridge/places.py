"""Places in braces, in commands and in what is sent: `{prompt}`, `{seed}`, `{width}x{height}`."""

import base64
import re
from collections.abc import Callable, Mapping
from typing import Any

from cutreel.core.errors import BadInput
from cutreel.protocol import JobInput

_PLACE = re.compile(r"\{([a-z_0-9]+)\}")
USUAL = ("prompt", "negative", "seed", "width", "height", "seconds", "strength", "text", "voice")
NAMES = frozenset((*USUAL, "rate", "direction", "mood", "once"))
"""Places that hold words and numbers of a job (`once` is the same for a job that is sent again); those that hold its
pictures begin with `reference`."""
_FILES = re.compile(r"^(output|folder|references|reference[1-4](_base64)?)$")
Value = str | int | float


def values_of(work: JobInput) -> dict[str, Value]:
    """What of a job can stand in a place. A place that its kind has nothing for is empty."""
    told = work.model_dump()
    found: dict[str, Value] = dict.fromkeys(NAMES, "")
    for name in NAMES:
        value = told.get(name)
        if isinstance(value, str | int | float) and not isinstance(value, bool):
            found[name] = value
    if not found["prompt"]:
        found["prompt"] = told.get("text") or told.get("mood") or ""
    if not found["text"]:
        found["text"] = told.get("prompt") or ""
    return found


def pictures_of(work: JobInput) -> list[str]:
    """The hashes of the pictures that a job brings, in order: what to follow, or what is to move."""
    if work.kind == "picture":
        return [r.sha256 for r in work.references]
    return [work.picture] if work.kind == "clip" else []


def as_base64(files: Mapping[str, bytes], pictures: list[str]) -> dict[str, Value]:
    """The places `reference1_base64` … `reference4_base64`, empty where a job brings fewer."""
    return {
        f"reference{i + 1}_base64": base64.b64encode(files[pictures[i]]).decode()
        if i < len(pictures)
        else ""
        for i in range(4)
    }


def check_places(text: str, more: frozenset[str] = frozenset()) -> None:
    """Raises BadInput for a place that nothing can fill."""
    for name in _PLACE.findall(text):
        if name not in NAMES and name not in more and not _FILES.match(name):
            raise BadInput(
                f"There is nothing for the place “{{{name}}}”.",
                "Places are " + ", ".join(f"{{{n}}}" for n in sorted(NAMES | more)) + ".",
            )


def filled(text: str, values: Mapping[str, Value], quote: Callable[[str], str] = str) -> str:
    """A text with its places filled; `quote` makes a value fit for where it goes."""
    return _PLACE.sub(lambda m: quote(_plain(values[m[1]])) if m[1] in values else m[0], text)


def filled_within(tree: Any, values: Mapping[str, Value]) -> Any:
    """Values of JSON with their places filled. A text that is one place alone becomes what stands there, a number a
    number; a field whose only place is empty is left out, so that nothing is sent which is not known."""
    if isinstance(tree, Mapping):
        out = {}
        for name, value in tree.items():
            made = filled_within(value, values)
            if not (made == "" and isinstance(value, str) and _PLACE.fullmatch(value)):
                out[name] = made
        return out
    if isinstance(tree, list):
        return [
            made
            for value in tree
            if (made := filled_within(value, values)) != "" or not _alone(value)
        ]
    if isinstance(tree, str):
        only = _PLACE.fullmatch(tree)
        return values[only[1]] if only and only[1] in values else filled(tree, values)
    return tree


def _alone(value: Any) -> bool:
    return isinstance(value, str) and bool(_PLACE.fullmatch(value))


def _plain(value: Value) -> str:
    return f"{value:g}" if isinstance(value, float) else str(value)
