"""Where sentences end.

Checked against the published golden rules for English sentence boundaries; fiction's own cases (a
question inside quotation marks followed by "said") are added. Rules, in order: abbreviations,
initials, numbers, ellipses, quotation.
"""

import re
from dataclasses import dataclass
from functools import cached_property, lru_cache

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
_WORDS_TOO = {
    "no", "art", "sec", "ed", "mar", "jun", "dec", "p", "v", "ch", "est", "st", "nos", "al", "fig",
    "mt",
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


@dataclass(frozen=True)
class _Candidate:
    """A mark that may end a sentence, with what stands around it."""

    mark: str
    close: str
    before: str
    rest: str

    @cached_property
    def word(self) -> str:
        """The word before the mark, in small letters."""
        return re.split(r"[\s(\[“\"‘—–]", self.before)[-1].lower()

    @cached_property
    def ahead(self) -> str:
        """The word behind it."""
        following = re.match(r"[\"'“‘«(\[]*(\w[\w'’.-]*)", self.rest)
        return following.group(1) if following else ""

    @property
    def is_plain_stop(self) -> bool:
        return self.mark == "." and not self.close

    @property
    def opens_plainly(self) -> bool:
        """Whether what follows is a word that sentences open with, in a capital."""
        return self.ahead.lower() in _STARTERS and self.ahead[:1].isupper()


def _small_letter_follows(here: _Candidate) -> bool | None:
    """“e.g. this”, “Really? he said.”: a sentence does not open with a small letter; behind ? or !
    it may, and fiction hardly ever does."""
    return False if here.ahead[:1].islower() else None


def _tag_follows(here: _Candidate) -> bool | None:
    """“Row!” Ada said.: who says it belongs to what is said; behind a full stop it is what they do."""
    if not (here.close and here.mark[-1] in "!?.…" and _TAG.match(here.rest)):
        return None
    deed = not here.rest[:40].split(" ", 2)[-1].startswith(("said", "asked"))
    return here.mark[-1] == "." and here.close[0] in '"”' and deed


def _source_follows(here: _Candidate) -> bool | None:
    """“… as it was.” (Melville 22): a source in brackets belongs to what it follows."""
    return False if here.close and re.match(r"\([A-Z][\w ]+ \d+\)", here.rest) else None


def _ellipsis(here: _Candidate) -> bool | None:
    """“He waited … Nobody came.”: three dots end a sentence where another opens behind them."""
    if not (here.mark.startswith(("..", ". ")) or here.mark == "…"):
        return None
    return (
        bool(here.close) or here.ahead[:1].isupper() or here.ahead[:1].isdigit() or not here.ahead
    )


def _list_item(here: _Candidate) -> bool | None:
    """“1. The first thing”: what counts an item ends nothing."""
    if not here.is_plain_stop or here.before.strip("(0123456789abcdeivx. ").strip():
        return None
    return False if _LIST.search(f"{here.before}.") else None


def _first_person(here: _Candidate) -> bool | None:
    """“Albert I. Jones”: an I behind a first name is an initial, elsewhere it is somebody."""
    if not here.is_plain_stop or here.word != "i":
        return None
    named = here.ahead[:1].isupper() and not here.opens_plainly
    return False if named and _is_name_before(here.before) else None


def _initial(here: _Candidate) -> bool | None:
    """“J. Smith”: not an end, unless it closes a spelled-out row before a plain opening."""
    if not here.is_plain_stop or here.word == "i" or not re.fullmatch(r"[A-Za-z]", here.word):
        return None
    return here.opens_plainly and len(here.before.split()) > 1 and not _is_initial(here.before)


def _number_follows(here: _Candidate) -> bool | None:
    """“No. 7”, “Fig. 3”, “Jan. 5”, “N°. 1026”."""
    if not here.is_plain_stop:
        return None
    if here.word == "n°":
        return False
    return False if here.word in _NUMBERED and here.ahead[:1].isdigit() else None


def _never_ends(here: _Candidate) -> bool | None:
    """“Mr. Smith”, “Dr. Jones”: abbreviations that always go on; those that are words too may not."""
    if not here.is_plain_stop:
        return None
    if here.word in _NEVER and here.word not in _WORDS_TOO:
        return False
    if here.word in {"st", "mt", "al", "fig"}:
        return here.word == "al" and here.ahead.lower() in _STARTERS
    return None


def _may_end(here: _Candidate) -> bool | None:
    """“at 5 p.m. He left.”, “Yahoo! Inc. is”: abbreviations that end a sentence where another opens."""
    known = here.word in _MAYBE or re.fullmatch(r"(?:[a-z]\.)+[a-z]", here.word)
    if not here.is_plain_stop or not known:
        return None
    titled = here.before.endswith("P.M") and here.ahead.rstrip(".").lower() in _NEVER
    return (here.ahead.lower() in _STARTERS or titled) and here.ahead[:1].isupper()


QUESTIONS = (
    _small_letter_follows,
    _tag_follows,
    _source_follows,
    _ellipsis,
    _list_item,
    _first_person,
    _initial,
    _number_follows,
    _never_ends,
    _may_end,
)
"""Asked in turn: each says yes, no, or nothing. Where none says anything, the sentence ends."""


def _ends_here(text: str, start: int, match: re.Match[str]) -> bool:
    """Whether the sentence that began at `start` ends at a mark."""
    here = _Candidate(
        match["mark"],
        match["close"],
        text[start : match.start()],
        text[match.end() : match.end() + 120],
    )
    return next((answer for ask in QUESTIONS if (answer := ask(here)) is not None), True)


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
