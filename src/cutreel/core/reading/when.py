"""When it happens: another day, the year, and which words of hour, weather and season hold here and now.

"Like a night at sea" does not make it night, "until spring" not spring.
"""

import re

from cutreel.core.manuscript import TIMES, WEATHERS
from cutreel.core.nouns import sort_of

from .clauses import clause_of, compared, unreal
from .memories import memories
from .parsed import Parsed, Token

# fmt: off
SEASONS: dict[str, str] = {
    "spring": "spring", "springtime": "spring", "summer": "summer", "summertime": "summer", "midsummer": "summer",
    "autumn": "autumn", "winter": "winter", "wintertime": "winter", "midwinter": "winter", "christmas": "winter",
    "january": "winter", "february": "winter", "march": "spring", "april": "spring", "may": "spring", "june": "summer",
    "july": "summer", "august": "summer", "september": "autumn", "october": "autumn", "november": "autumn",
    "december": "winter",
}
"""Words that say the season; months as in the north."""
FREEZES = frozenset("lake river sea pond canal fjord bay harbour harbor stream waterfall ground".split())
"""Where these are frozen it is winter."""
_MONTHS_OR_WORDS = frozenset({"march", "may", "august"})
_SEASON_TOLD = frozenset({"in", "during", "all", "by", "of", "through", "throughout", "at", "on"})
_OTHER_DAYS = frozenset(["last", "yesterday", "tomorrow", "previous", "other", "another", "next"])
_SHORTLY = frozenset({"little", "bit", "just", "shortly", "long", "hour", "minute", "moment"})
_YEAR = re.compile(r"1[0-9]{3}|20[0-9]{2}")
# fmt: on


def years_told(parsed: Parsed, spoken: frozenset[int]) -> tuple[tuple[int, str], ...]:
    """Where (characters) a year is said in which it happens: "in the winter of 1962"; tokens `spoken` are words of a
    quotation. A year that only measures ("since 1900", "until 1914") is none."""
    out = []
    for i, token in enumerate(parsed.tokens):
        if i in spoken or not _YEAR.fullmatch(token.text) or token.name not in {"DATE", ""}:
            continue
        if token.sentence in memories(parsed) or unreal(parsed, clause_of(parsed, i)) not in {
            "",
            "remembered",
        }:
            continue
        at, before = i, ""
        while parsed.tokens[at].head != at and parsed.tokens[at].dep in {
            "pobj",
            "prep",
            "nummod",
            "npadvmod",
            "appos",
        }:
            at = parsed.tokens[at].head
            if parsed.tokens[at].dep == "prep":
                before = parsed.tokens[at].text.lower()
        if _is_of_somebody(parsed, i):
            continue  # "a French doctor in 1834 wrote": that is told of, and not when it is now
        if before in {"in", "of", "on", "during", "by", ""} and (before or token.name == "DATE"):
            out.append((token.start, token.text))
    return tuple(out)


def _is_of_somebody(parsed: Parsed, i: int) -> bool:
    """Whether a year hangs on somebody: "a French doctor in 1834"."""
    prep = parsed.tokens[i].head
    who = parsed.tokens[prep].head
    hangs = parsed.tokens[i].dep == "pobj" and parsed.tokens[prep].text == "in" and who < prep
    return (
        hangs and parsed.tokens[who].pos == "NOUN" and sort_of(parsed.tokens[who].lemma) == "person"
    )


def other_days(parsed: Parsed, spoken: frozenset[int]) -> tuple[int, ...]:
    """Where (characters) it is said that it is another day now: "in October", "on the fifteenth day". What was said of
    the hour before does not hold there."""
    out = []
    for i, token in enumerate(parsed.tokens):
        if i in spoken or token.name != "DATE" or unreal(parsed, clause_of(parsed, i)):
            continue
        if i and parsed.tokens[i - 1].name == "DATE":
            continue
        at = i
        while parsed.tokens[at].name == "DATE" and parsed.tokens[at].head != at:
            at = parsed.tokens[at].head
        if not _names_a_day(parsed, i):
            continue  # "the nun in the third row" is taken for a date
        before = parsed.tokens[at].text.lower()
        if "time" in {parsed.tokens[n].lemma for n in (parsed.tokens[at].head, max(0, at - 1))}:
            continue  # "for the first time in nine years"
        if _next_day(parsed, i):
            out.append(token.start)
            continue
        opens = i == 0 or parsed.tokens[i - 1].sentence != token.sentence
        if opens or before in {"in", "on", "by", "after", "during"}:
            out.append(token.start)
    out += [
        t.start for i, t in enumerate(parsed.tokens) if i not in spoken and _years_go_by(parsed, i)
    ]
    return tuple(sorted(out))


def _years_go_by(parsed: Parsed, i: int) -> bool:
    """ "She became a doctor": that takes years."""
    if parsed.tokens[i].lemma != "become" or unreal(parsed, i):
        return False
    what = [parsed.tokens[c] for c in parsed.children[i]]
    return any(t.dep == "attr" and sort_of(t.lemma) == "person" for t in what)


def _names_a_day(parsed: Parsed, i: int) -> bool:
    """Whether a span that is taken for a date has a number, a name, or a word of time in it."""
    span = [i]
    while span[-1] + 1 < len(parsed.tokens) and parsed.tokens[span[-1] + 1].name == "DATE":
        span.append(span[-1] + 1)
    told = (parsed.tokens[k] for k in span)
    return any(
        t.pos in {"NUM", "PROPN", "ADV"}
        or sort_of(t.lemma.lower()) == "time"
        or t.text[:1].isdigit()
        for t in told
    )


def _next_day(parsed: Parsed, i: int) -> bool:
    """ "When we came home the next day", wherever it stands."""
    head = i if parsed.tokens[i].lemma == "day" else parsed.tokens[i].head
    day = parsed.tokens[head]
    below = {parsed.tokens[c].text.lower() for c in parsed.children[head]}
    return day.lemma == "day" and bool(below & {"next", "following"}) and day.dep == "npadvmod"


def tells_when(token: Token) -> bool:
    """Whether a word is one of hour, weather or season."""
    word = token.text.lower()
    return word in TIMES or word in WEATHERS or word in SEASONS or word == "rains"


def not_now(parsed: Parsed, i: int) -> bool:
    """Whether a word of time or weather is of another time, or of nothing that is there."""
    tokens = parsed.tokens
    token = tokens[i]
    above = tokens[token.head]
    word = token.text.lower()
    if word in SEASONS:
        return not _tells_season(parsed, i)
    if (
        token.dep in {"compound", "poss", "amod"}
        and token.head != i
        and above.pos in {"NOUN", "PROPN"}
    ):
        return (
            sort_of(above.lemma) in {"person", "people", "animal", "thing", "garment"}
            or above.lemma == "watch"
        )
    below = {tokens[c].text.lower() for c in parsed.children[i]}
    if word in TIMES and "good" in below:
        return True  # "it said good night to the plants"
    if word in TIMES and token.dep == "pobj" and above.text.lower() == "of":
        hour = tokens[above.head]
        if hour.dep == "pobj" and tokens[hour.head].text.lower() in {"in", "at", "by"}:
            return False  # "in the cold hour of dawn"
    if word in TIMES and below & _OTHER_DAYS and not below & {"next"}:
        return True
    if below & {"no", "every", "any", "each"}:
        return "no" in below or word in WEATHERS
    if word in WEATHERS and above.text.lower() == "of" and tokens[above.head].text.lower() == "out":
        return False  # "an old man came in out of the rain": it rains out there
    if above.text.lower() == "before" and _shortly(parsed, token.head):
        return False  # "a little before midnight", "long before dawn"
    if token.dep == "pobj" and above.text.lower() in {
        "until",
        "till",
        "since",
        "after",
        "before",
        "about",
        "of",
        "like",
        "for",
        "from",
        "than",
    }:
        return above.text.lower() != "for" or word in WEATHERS
    if compared(parsed, i):
        return True
    if token.dep == "dobj" and word in TIMES:
        # "He had not seen a sunrise for years": no hour of this night.
        aside = {tokens[c].text.lower() for c in parsed.children[token.head]}
        if aside & {"had", "not", "n’t", "n't", "never"}:
            return True
    verb = clause_of(parsed, i)
    why = unreal(parsed, verb)
    if (
        why == "remembered"
        and word in WEATHERS
        and tokens[verb].lemma in {"begin", "start", "come"}
    ):
        return False  # "outside the snow had begun to fall"
    weather = word in WEATHERS or word == "rains"
    return (bool(why) and why != "denied") or (why == "denied" and weather)


def _shortly(parsed: Parsed, before: int) -> bool:
    # "A little" hangs on the verb as often as on "before".
    near = [*parsed.children[before], *([before - 1] if before else [])]
    return any(parsed.tokens[c].lemma in _SHORTLY for c in near)


def _tells_season(parsed: Parsed, i: int) -> bool:
    """Whether a season is the one it is now: "one autumn", "all winter", "in March", "winter came"."""
    token, above = parsed.tokens[i], parsed.tokens[parsed.tokens[i].head]
    if token.text.lower() in _MONTHS_OR_WORDS and token.pos not in {"PROPN", "NOUN"}:
        return False
    verb = clause_of(parsed, i)
    if compared(parsed, i) or unreal(parsed, verb) not in {"", "denied"}:
        return False
    if parsed.tokens[verb].dep == "acl" and parsed.tokens[verb].tag == "VBN":
        return False  # "honey collected in summer"
    below = {parsed.tokens[c].text.lower() for c in parsed.children[verb]}
    if below & {"can", "could"} and unreal(parsed, verb):
        return False  # "the bears could not sleep in winter": in any
    if any(parsed.tokens[c].dep == "relcl" for c in parsed.children[i]):
        return True  # "the winter I turned sixteen"
    if token.dep == "pobj":
        return above.text.lower() in _SEASON_TOLD
    if token.dep == "nsubj":
        return above.lemma in {"come", "arrive", "be", "pass", "return", "begin", "turn"}
    if token.dep == "compound" and above.pos == "PROPN":
        # "One autumn Ada came": the parser takes it for a part of her name.
        return i > 0 and parsed.tokens[i - 1].text.lower() in _SEASON_TOLD | {"one", "that", "this"}
    if token.dep in {"compound", "nmod"}:
        return sort_of(above.lemma) == "time" or above.name == "DATE"
    return token.dep in {"npadvmod", "ROOT", "attr", "appos", "conj", "dobj"}
