"""Given names that tell whether somebody is she or he. The list is built by `tools/given.py`."""

import gzip
from functools import cache
from importlib.resources import files

from .callings import Pronoun

_SHES = "tilly lottie minnie leocadia priya kasia ottoline signe tove ngozi abena yuki dot"
_HES = "barnaby cuthbert ezra ebenezer kwame emeka chidi anselm bento"
"""Names of stories that are rare in registers."""


@cache
def _names() -> dict[str, Pronoun]:
    packed = files(__package__).joinpath("given.txt.gz").read_bytes()
    women, men = gzip.decompress(packed).decode().splitlines()
    shes: dict[str, Pronoun] = dict.fromkeys(women.split()[1:], "she")
    hes: dict[str, Pronoun] = dict.fromkeys(men.split()[1:], "he")
    return shes | hes | dict.fromkeys(_SHES.split(), "she") | dict.fromkeys(_HES.split(), "he")


def pronoun_of_given(name: str) -> Pronoun | None:
    """How somebody is called whose given name this is; None where it is none, or anybody's."""
    return _names().get(name.lower())


def are_several(word: str) -> bool:
    """Whether a word is for several people, "Gentlemen", and no name: Carmen is somebody."""
    low = word.lower()
    return low.endswith(("men", "women", "people", "children")) and pronoun_of_given(low) is None
