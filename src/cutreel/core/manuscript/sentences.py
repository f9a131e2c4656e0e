"""Where sentences end.

Checked against the published golden rules for English sentence boundaries; fiction's own cases (a
question inside quotation marks followed by "said") are added. Rules, in order: abbreviations,
initials, numbers, ellipses, quotation.
"""

import re
from functools import lru_cache

# fmt: off
_NEVER = {
    "mr", "mrs", "ms", "dr", "prof", "rev", "hon", "gen", "col", "capt", "lt", "sgt", "cmdr",
    "adm", "maj", "gov", "sen", "rep", "messrs", "mt", "st", "fr", "mme", "mlle", "vs", "v", "viz",
    "al", "cf", "fig", "figs", "eq", "ed", "eds", "vol", "vols", "pp", "ch", "sec", "art", "no",
    "nos", "op", "approx", "dept", "est", "jan", "feb", "mar", "apr", "jun", "jul", "aug", "sep",
    "sept", "oct", "nov", "dec", "ca", "e.g", "i.e", "p",
}
_MAYBE = {
    "etc", "inc", "ltd", "co", "corp", "jr", "sr", "a.m", "p.m", "u.s", "u.s.a", "u.k", "e.u",
    "ph.d", "m.d", "b.c", "a.d", "esq", "bros", "ave", "blvd", "rd",
}
_NUMBERED = {
    "no", "nos", "p", "pp", "fig", "figs", "vol", "ch", "sec", "art", "eq", "op", "jan", "feb",
    "mar", "apr", "jun", "jul", "aug", "sep", "sept", "oct", "nov", "dec", "ca", "approx", "v",
    "est",
}
_STARTERS = {
    "a", "an", "the", "he", "she", "it", "they", "we", "i", "you", "this", "that", "these",
    "those", "there", "then", "when", "what", "who", "why", "how", "where", "but", "and", "so",
    "if", "in", "on", "at", "as", "after", "before", "his", "her", "their", "its", "my", "our",
    "your", "one", "not", "no", "yes", "for", "with", "from", "by", "to",
}
# fmt: on
SPEECH_VERBS = (
    "said|says|asked|asks|replied|answered|called|cried|shouted|whispered|murmured|muttered|told|added|went on|"
    "continued|agreed|repeated|began|laughed|sighed|snapped|growled|announced|explained|warned|insisted|admitted|"
    "offered|breathed|yelled|demanded|wondered|remarked|observed|declared|exclaimed|hissed|groaned|suggested|promised|"
    "grumbled|screamed|inquired|enquired|returned|responded|stammered|chuckled|roared|gasped|pleaded|protested|"
    "interrupted|squeaked|barked|sobbed|thought|ordered|croaked|mumbled|conceded|confessed|urged|cautioned"
)
_TAG = re.compile(
    rf"^(?:[A-Z][\w'’-]*|[Hh]e|[Ss]he|[Tt]hey|I|[Tt]he \w+)(?: [A-Z][\w'’-]*)?(?: \w+ly)? (?:{SPEECH_VERBS})\b"
)
_END = re.compile(
    r"(?P<mark>\.{2,}|(?:\. ){2,}\.|…|[.!?]+|[。！？])(?P<close>[”’\"'»)\]]*)(?P<gap>\s+|$)"
)
_ITEM = re.compile(r"([•⁃*-]?\s?)(\d{1,2}|[a-z])(\.\)|\)|\.)\s")
_LIST = re.compile(r"(?:^|\s)\(?(?:\d{1,2}|[a-z]|[ivx]{1,4})[.)]$")


@lru_cache(maxsize=16_384)
def sentence_ends(paragraph: str) -> list[int]:
    """Offsets just behind each sentence of `paragraph`; the last is its length. Ends are in rising
    order."""
    items = _list_items(paragraph)
    if items:
        return [*items, len(paragraph)]
    ends: list[int] = []
    start = 0
    for match in _END.finditer(paragraph):
        if match.end() >= len(paragraph):
            break
        if _ends_here(paragraph, start, match):
            ends.append(match.end())
            start = match.end()
    ends.append(len(paragraph))
    return ends


def _list_items(paragraph: str) -> list[int]:
    """Offsets where the items of a numbered or lettered list in one paragraph begin, but for the
    first."""
    head = _ITEM.match(paragraph)
    if not head:
        return []
    bullet, label, dot = head.groups()
    starts, at = [], head.end()
    while label:
        label = str(int(label) + 1) if label.isdigit() else chr(ord(label) + 1)
        following = re.compile(r"\s" + re.escape(bullet) + label + re.escape(dot) + r"\s").search(
            paragraph, at
        )
        if not following:
            break
        starts.append(following.start() + 1)
        at = following.end()
    return starts


def _ends_here(text: str, start: int, match: re.Match[str]) -> bool:
    mark, close, rest = match["mark"], match["close"], text[match.end() :]
    before = text[start : match.start()]
    word = re.split(r"[\s(\[“\"‘—–]", before)[-1].lower()
    following = re.match(r"[\"'“‘«(\[]*(\w[\w'’.-]*)", rest)
    ahead = following.group(1) if following else ""
    if ahead[:1].islower():
        # A new sentence may start with a small letter only behind ? or ! without quotation marks;
        # fiction rarely does.
        return False
    if close and mark[-1] in "!?.…" and _TAG.match(rest):
        return (
            mark[-1] == "."
            and close[0] in '"”'
            and not rest[:40].split(" ", 2)[-1].startswith(("said", "asked"))
        )
    if close and re.match(r"\([A-Z][\w ]+ \d+\)", rest):
        return False  # a source in brackets belongs to what it follows
    if mark.startswith("..") or mark == "…" or mark.startswith(". "):
        return bool(close) or bool(ahead[:1].isupper()) or ahead[:1].isdigit() or not ahead
    if mark == "." and not close:
        if (
            _LIST.search(text[start : match.end()].rstrip())
            and not before.strip("(0123456789abcdeivx. ").strip()
        ):
            return False
        if (
            word == "i"
            and ahead[:1].isupper()
            and ahead.lower() not in _STARTERS
            and _is_name_before(before)
        ):
            return False
        if word == "n°":
            return False
        if re.fullmatch(r"[A-Za-z]", word) and word != "i":
            # An initial ("J. Smith"), unless it closes a spelled-out row of them before a plain
            # sentence starter.
            return (
                ahead.lower() in _STARTERS
                and ahead[:1].isupper()
                and len(before.split()) > 1
                and not _is_initial(before)
            )
        if word in _NUMBERED and ahead[:1].isdigit():
            return False
        if word in _NEVER and word not in {
            "no",
            "art",
            "sec",
            "ed",
            "mar",
            "jun",
            "dec",
            "p",
            "v",
            "ch",
            "est",
            "st",
            "nos",
            "al",
            "fig",
            "mt",
        }:
            return False
        if word in {"st", "mt", "al", "fig"}:
            return word == "al" and ahead.lower() in _STARTERS
        if word in _MAYBE or re.fullmatch(r"(?:[a-z]\.)+[a-z]", word):
            new = ahead.lower() in _STARTERS or (
                before.endswith("P.M") and ahead.rstrip(".").lower() in _NEVER
            )
            return new and ahead[:1].isupper()
    return True


def _is_name_before(before: str) -> bool:
    """Whether the word before the last looks like a first name ("Albert I")."""
    words = before.split()
    return (
        len(words) > 1
        and words[-2][:1].isupper()
        and words[-2].lower() not in {"and", "but", "when"}
    )


def _is_initial(before: str) -> bool:
    words = before.split()
    return (
        len(words) >= 1 and words[-1][:1].isupper() and (len(words) == 1 or words[-2][:1].isupper())
    )
