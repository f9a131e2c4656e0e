"""By what somebody is known besides hair and clothes: a scar, a tattoo, a gap in the teeth, a pointed nose."""

import re
from collections.abc import Iterator
from typing import NamedTuple

from cutreel.core.colour import colour_in

# fmt: off
PARTS = (
    "face", "nose", "chin", "cheeks", "jaw", "ears", "teeth", "tooth", "forehead", "lips", "hands", "fingers", "legs",
    "arms", "shoulders", "neck",
)
"""Parts of a body that tell of somebody only with a word that says how they are."""
PARTS_HOW = frozenset(
    "round long thin pointed crooked broad broken hooked big large small freckled square double wide narrow flat "
    "wrinkled ruddy rosy scarred gold golden missing weathered lined sharp snub upturned hollow plump bony hairy thick "
    "full high short enormous huge buck webbed tattooed front".split()
)
"""How a part of a body is for good: a face that is pale, a cheek that is wet will be so no more."""
# fmt: on
_BODY = (
    r"(?:left |right |upper |lower |front )?"
    r"(?:face|cheek|chin|nose|neck|hand|arm|wrist|knee|forehead|brow|lip|eye|eyebrow|teeth|shoulder|back|leg|finger|jaw|"
    r"temple|throat|chest|knuckles|ear|thumb|head|forearm|ankle|foot)"
)
_ON = r"(?P<on>in|on|across|over|under|above|below|beneath|between|down|round|around|through|from|along)"
_WHOSE = r"(?:his|her|their|its|my|your|one|the|both)"
_SCAR = re.compile(
    r"\b(?:an?|the|two|three) (?P<what>(?:[a-z-]+,? ){0,2}(?:scar|gap|plaster|mole|tattoo|bandage|wart|birthmark|"
    r"dimple|burn|sabre cut|ring|stud|cast|sling|splint)(?: of an? [a-z]+)?) "
    rf"{_ON} {_WHOSE} (?P<part>{_BODY})\b"
)
_TATTOOED = re.compile(
    rf"\b(?:an?|the|two|three) (?P<what>(?:[a-z-]+ ){{1,3}}tattooed) {_ON} {_WHOSE} (?P<part>{_BODY})\b"
)
_THE_ONE = re.compile(
    r"(?:(?<=with )|(?<=had )|(?<=has )|(?<=only ))(?P<what>one (?:eye|arm|leg|ear|hand))\b"
)
_TWO_EYES = re.compile(r"\bone (?P<what>[a-z]+ eye and one [a-z]+)\b(?: eye)?")
_LIMB = re.compile(r"\ban? (?P<what>(?:wooden|false|glass|iron) (?:leg|arm|hand|foot|eye))\b")
_FINGERS = re.compile(
    rf"\b(?P<what>(?:two|three|four|six|seven) (?:fingers|toes|teeth)) {_ON} {_WHOSE} (?P<part>{_BODY})\b"
)
_STAINED = re.compile(
    r"(?:(?<=with )|(?<=had )|(?<=has )|(?<=and ))"
    rf"(?P<what>paint|flour|ink|soot|mud|grease|sawdust|chalk|clay|oil) {_ON} {_WHOSE} "
    rf"(?P<part>{_BODY}|hair|eyebrows|hands|fingers|nails|fingernails|beard)\b"
)
_ONE_EYE = re.compile(
    r"\ban? (?P<what>(?:pale |dark |bright |large |big )?(?P<colour>[a-z]+) eye)\b"
)
_OF_BEASTS = re.compile(
    r"\b(?:one|an?|two|three|four) (?P<what>(?:white|black|torn|bent|brown|grey|crooked|ragged|missing|floppy) "
    r"(?:foot|paw|ear|leg|tail|wing|patch|feet|paws|ears|socks))\b"
)
_ANY = (_THE_ONE, _SCAR, _TATTOOED, _TWO_EYES, _LIMB, _FINGERS, _STAINED, _ONE_EYE, _OF_BEASTS)


class Feature(NamedTuple):
    """Characters `start` up to `end` of a sentence, and how what is told there is said of somebody."""

    start: int
    end: int
    text: str


def features_in(sentence: str) -> Iterator[Feature]:
    """The scars, tattoos and the like that a sentence names, whosever they are: "scar on the cheek"."""
    for pattern in _ANY:
        for found in pattern.finditer(sentence):
            parts = found.groupdict()
            if pattern is _ONE_EYE and colour_in(parts["colour"]) is None:
                continue  # "the eye of a vulture"
            where = f" {parts['on']} the {parts['part']}" if parts.get("part") else ""
            told = "one " if pattern is _TWO_EYES else ""
            yield Feature(found.start(), found.end(), f"{told}{parts['what']}{where}")
