"""Names that grammar alone tells: somebody who does something, and is named once, at the head of a sentence."""

import re
from collections import Counter
from collections.abc import Collection, Sequence
from dataclasses import replace

from cutreel.core.manuscript import (
    KIN,
    Figure,
    Manuscript,
    Pronoun,
    are_several,
    kin_calls,
    pronoun_of,
    pronoun_of_given,
)
from cutreel.core.nouns import sort_of

from .clauses import SUBJECT, clause_of, is_able, is_number, listed, noun_behind, subjects, unreal
from .focus import SURE
from .known import Known
from .narrated import narrated
from .parsed import Parsed, Parses, Token
from .singular import CHILD, GROWN
from .story import read_story

MOST_WORDS = 4
_SMALL = frozenset("von van der den de da di du la le bin ibn al".split())


def names_acting(script: Manuscript, parses: Parses, known: Collection[str]) -> list[Figure]:
    """People who act in the narration and are in no list yet, by what the parser takes for a person's name."""
    found: Counter[str] = Counter()
    nouns: dict[str, str] = {}
    every: dict[str, str] = {}
    """The nouns of all who are called so, those among them who are known already."""
    told = _Newcomers()
    for _, parsed, spoken in narrated(script, parses):
        for name, noun in (
            *_said_to_be_called(parsed, spoken),
            *((n, noun) for _, n, noun in told.named_in(parsed, spoken)),
        ):
            every.setdefault(name, noun)
            if not set(name.split(" ")) & set(known):
                nouns.setdefault(name, noun)
                found[name] += 1
        for i, token in enumerate(parsed.tokens):
            if token.pos != "PROPN" or not _is_persons(token) or not _acts(parsed, i):
                continue
            if i in spoken:
                continue
            if any(parsed.tokens[c].text.lower() == "the" for c in parsed.children[i]):
                continue  # "the Constance sank" is a ship
            if token.tag == "NNPS" or _opens_with_things(parsed, i) or are_several(token.text):
                continue  # "Trams stopped", "Gentlemen came"
            name = _name(parsed, i)
            if name and not set(name.split(" ")) & set(known) and name not in known:
                found[name] += 1
    longest = sorted(found, key=lambda n: -n.count(" "))
    parts = {n: next((w for w in longest if w != n and n in w.split(" ")), None) for n in found}
    return [
        _called(
            name,
            nouns[name],
            count,
            alone=list(every.values()).count(nouns[name]) == 1,
            surname=_surname(name, script.text),
        )
        if name in nouns
        else Figure(
            name,
            (*(n for n, whole in parts.items() if whole == name), *kin_calls(name)),
            "person",
            pronoun_of(name.lower()) if kin_calls(name) else None,
            count,
            f"a name, acts {count} times",
            sure=bool(kin_calls(name)),
        )
        for name, count in found.items()
        if parts[name] is None
    ]


def _is_persons(token: Token) -> bool:
    """Whether a name is a person's, by what the parser takes it for or by what people are called; no town's."""
    known = token.name not in {"GPE", "LOC", "FAC"} and pronoun_of_given(token.text.lower())
    return token.name == "PERSON" or bool(known)


def _said_to_be_called(parsed: Parsed, spoken: Collection[int]) -> list[tuple[str, str]]:
    """Names that are told with what bears them, and the noun for that: "a small girl named Pim", "Tom the carter"."""
    out = []
    for i, token in enumerate(parsed.tokens):
        verb = parsed.tokens[token.head]
        if token.dep != "oprd" or verb.lemma not in {"call", "name"}:
            continue
        passive = [
            c
            for c in parsed.children[token.head]
            if parsed.tokens[c].dep == "nsubjpass" and parsed.tokens[c].tag == "NN"
        ]
        if verb.dep != "acl" and not passive:
            continue
        # "The guard was called Winston"
        bearer = parsed.tokens[verb.head if verb.dep == "acl" else passive[0]]
        if bearer.pos == "NUM" and parsed.tokens[bearer.head].text.lower() == "of":
            bearer = parsed.tokens[
                parsed.tokens[bearer.head].head
            ]  # "a boy of nineteen called Sam"
        above = parsed.tokens[bearer.head]
        nouns = [bearer.lemma]
        if bearer.dep == "appos" and sort_of(above.lemma) in _BEARERS and above.pos == "NOUN":
            # "The sergeant, a tired man named Doyle"; a boy is called so besides.
            nouns = [above.lemma, *(n for n in nouns if n in CHILD | GROWN)]
        name = _name(parsed, i) if i not in spoken else ""
        out += [(name, noun) for noun in nouns if name and sort_of(noun) in _BEARERS]
    for i, token in enumerate(parsed.tokens):
        for k in _beasts_name(parsed, i) if i not in spoken else ():
            if name := _SAID_OF.sub("", _name(parsed, k)):
                out.append((name, token.lemma))
    for i in range(len(parsed.tokens)):
        whose = (_whose(parsed, i) or _kin_beside(parsed, i)) if i not in spoken else None
        if whose and (name := _name(parsed, i)):
            out.append((name, whose))
    for i, token in enumerate(parsed.tokens):
        noun_at = noun_behind(parsed, i, i) if token.pos == "PROPN" and i not in spoken else None
        if noun_at is not None and (name := _name(parsed, i)):
            out.append((name, parsed.tokens[noun_at].lemma))
    return out


_SAID_OF = re.compile(r"^(?:Old|Young|Little|Poor|Dear|Good) (?=[A-Z])")
"""What stands before a name and is no part of it."""


def _beasts_name(parsed: Parsed, i: int) -> list[int]:
    """The tokens of names of which it is said that they are an animal's: "Old Marl was a tortoise"; none for any other
    word, nor for who was "a lion in battle" or "a bear of a man"."""
    token = parsed.tokens[i]
    verb = parsed.tokens[token.head]
    if token.dep == "appos" and token.tag == "NN" and sort_of(token.lemma) == "animal":
        # "Comma, the library cat, was black."
        above = verb.pos == "PROPN" and verb.dep in SUBJECT and not listed(parsed, i)
        the = any(parsed.tokens[c].text.lower() in {"the", "a", "an"} for c in parsed.children[i])
        return [token.head] if above and the else []
    if (
        token.dep != "attr"
        or token.tag != "NN"
        or verb.lemma != "be"
        or sort_of(token.lemma) != "animal"
    ):
        return []
    below = [parsed.tokens[c] for c in (*parsed.children[i], *parsed.children[token.head])]
    is_one = any(t.text.lower() in {"a", "an"} for t in below)
    is_like = any(t.dep in {"prep", "neg"} and t.text.lower() != "with" for t in below)
    if not is_one or is_like or unreal(parsed, token.head):
        return []
    return [s for s in subjects(parsed, token.head) if parsed.tokens[s].pos == "PROPN"]


class _Newcomers:
    """Who came in without a name, and is told it later: "A thin girl stood on the step. … Her name was Odette." """

    def __init__(self) -> None:
        self._last: dict[str, str] = {}
        """The noun of who came in last, by "she" and "he"."""
        self._beast = ""
        """The animal that came in last."""

    def named_in(self, parsed: Parsed, spoken: Collection[int]) -> list[tuple[int, str, str]]:
        """Names that a paragraph, the next of the story, tells so: the token, the name, the noun for who bears it."""
        out = []
        tokens = parsed.tokens
        for i, token in enumerate(tokens):
            if i in spoken:
                continue
            if token.pos == "NOUN" and sort_of(token.lemma) == "person":
                below = {tokens[c].text.lower() for c in parsed.children[i]}
                among = token.dep == "attr" and any(
                    tokens[s].lemma in {"one", "other", "there"} or tokens[s].dep == "expl"
                    for s in parsed.children[token.head]
                )  # "one of them was a woman"
                if below & {"a", "an"} and (among or token.dep in {*SUBJECT, "dobj", "pobj"}):
                    sex = pronoun_of(token.lemma)
                    for one in (sex,) if sex else ("she", "he"):
                        self._last[one] = token.lemma
            if token.pos == "NOUN" and sort_of(token.lemma) == "animal" and token.tag == "NN":
                new = any(tokens[c].text.lower() in {"a", "an"} for c in parsed.children[i])
                if new and token.dep in {*SUBJECT, "dobj", "pobj"}:
                    self._beast = token.lemma
            if self._beast and _is_named_so(parsed, i) and (name := _name(parsed, i)):
                out.append((i, name, self._beast))
                self._beast = ""
            whose = _whose_name(parsed, i) or _who_is(parsed, i)
            name = _name(parsed, i) if whose else ""
            if name and whose and whose in self._last:
                out.append((i, name, self._last.pop(whose)))
        return out


def _is_named_so(parsed: Parsed, i: int) -> bool:
    """ "They called her Laika"."""
    token = parsed.tokens[i]
    verb = parsed.tokens[token.head]
    # "Her" may be taken for whose it is: "her Laika".
    whom = [
        parsed.tokens[c].text.lower() for c in (*parsed.children[token.head], *parsed.children[i])
    ]
    named = (
        token.pos == "PROPN"
        and token.dep in {"oprd", "dobj"}
        and verb.lemma in {"call", "name", "christen"}
    )
    return named and not {"her", "him", "it"}.isdisjoint(whom) and not unreal(parsed, token.head)


def _who_is(parsed: Parsed, i: int) -> Pronoun | None:
    """ "She was Margot Delacroix, the singer": "she", for the name; None for any other word."""
    token, verb = parsed.tokens[i], parsed.tokens[i].head
    named = token.pos == "PROPN" and token.name == "PERSON" and token.dep == "attr"
    if not named or parsed.tokens[verb].lemma != "be" or unreal(parsed, verb):
        return None
    who = {parsed.tokens[s].text.lower() for s in subjects(parsed, verb)}
    return "she" if who == {"she"} else "he" if who == {"he"} else None


def sexes_with_names(script: Manuscript, parses: Parses) -> dict[str, Pronoun]:
    """What those are called whose names are told with it, by name: "her name was Abbot", "a man called Pell"."""
    out: dict[str, Pronoun] = {}
    for _, parsed, spoken in narrated(script, parses):
        for i in range(len(parsed.tokens)):
            name = _name(parsed, i) if i not in spoken else ""
            if name and (sex := _whose_name(parsed, i)):
                out.setdefault(name, sex)
        for name, noun in _said_to_be_called(parsed, spoken):
            if sex := pronoun_of(noun):
                out.setdefault(name, sex)
    return out


def only_plural(script: Manuscript, parses: Parses, figures: Sequence[Figure]) -> set[str]:
    """Names that are no names, but a noun for several at the head of a sentence: "Visitors asked about it"."""
    alone = {
        f.name
        for f in figures
        if f.kind == "person"
        and f.name[:1].isupper()
        and " " not in f.name
        and not pronoun_of_given(f.name)  # Dolores is nobody's plural
    }
    plural: set[str] = set()
    named: set[str] = set()
    for _, _, text in script.paragraphs:
        parsed = parses.get(text)
        if parsed is None:
            return set()  # it may be a name there
        for token in parsed.tokens:
            if token.text in alone:
                many = (token.tag == "NNS" and token.pos == "NOUN") or (
                    token.tag == "NNPS" and token.name == "NORP"
                )  # "the Egyptians thought so"
                # "Witnesses said" may be taken for a name.
                trade = token.text.endswith("s") and _is_of_people(token.text.lower())
                (plural if many or trade else named).add(token.text)
    return plural - named


def _is_of_people(plural: str) -> bool:
    """Whether it is several of what somebody is: "witnesses"."""
    return "person" in (sort_of(plural[:-1]), sort_of(plural.removesuffix("es")))


def only_places(script: Manuscript, parses: Parses, figures: Sequence[Figure]) -> set[str]:
    """Names that are a town's or a country's wherever they stand ("the children of Nome, Alaska, began to die"), or
    have a number: "on Deck Nine"."""
    alone = {f.name for f in figures if f.kind == "person" and sort_of(f.name.lower()) == "place"}
    others: set[str] = set()
    for _, _, text in script.paragraphs if alone else ():
        parsed = parses.get(text)
        if parsed is None:
            return set()
        others |= {
            t.text
            for t, behind in zip(parsed.tokens, (*parsed.tokens[1:], None), strict=True)
            if t.text in alone
            and t.name != "GPE"
            and not (behind is not None and is_number(behind.text))
        }
    return alone - others


def _names_told(parsed: Parsed, i: int) -> list[int]:
    """The tokens "name" of which a name is said: "her name was Odette"; none for any other word."""
    tokens = parsed.tokens
    # "Dolores" may be taken for several of something; within a sentence a capital tells.
    name = tokens[i].pos == "PROPN" or (tokens[i].pos == "NOUN" and tokens[i].text[:1].isupper())
    if not name or tokens[i].dep != "attr" or tokens[tokens[i].head].lemma != "be":
        return []
    return [k for k in subjects(parsed, tokens[i].head) if tokens[k].lemma == "name"]


def _whose_name(parsed: Parsed, i: int) -> Pronoun | None:
    """ "Her name was Odette": "she", for the name; None for any other word."""
    for k in _names_told(parsed, i):
        below = {parsed.tokens[c].text.lower() for c in parsed.children[k]}
        return "she" if "her" in below else "he" if "his" in below else None
    return None


def _whose(parsed: Parsed, i: int) -> str:
    """ "The girl's name was Posy": the noun, for the name; empty for any other word."""
    for k in _names_told(parsed, i):
        for of in (parsed.tokens[c] for c in parsed.children[k]):
            if of.dep == "poss" and of.text.lower() == "whose":
                # "The dog, whose name was Biscuit".
                bearer = parsed.tokens[parsed.tokens[parsed.tokens[k].head].head]
                if sort_of(bearer.lemma) in _BEARERS:
                    return bearer.lemma
            if of.dep == "poss" and of.pos == "NOUN" and sort_of(of.lemma) in _BEARERS:
                return of.lemma
            if of.dep == "poss" and of.text.lower() == "its":
                return _told_of_last(parsed, k)
    return ""


def _kin_beside(parsed: Parsed, i: int) -> str:
    """ "My sister June", "the baker's daughter, Nell, turned red": the word of kin for a name that the parser takes for
    no person's, of somebody who acts; empty for any other word."""
    token = parsed.tokens[i]
    above = parsed.tokens[token.head]
    beside = token.pos == "PROPN" and token.dep == "appos" and token.name != "PERSON"
    whose = any(parsed.tokens[c].dep == "poss" for c in parsed.children[token.head])
    if not beside or above.lemma not in KIN or above.tag == "NNS" or not whose:
        return ""
    return above.lemma if _acts(parsed, token.head) else ""


def _told_of_last(parsed: Parsed, i: int) -> str:
    """The noun of what was told of before: "said the ship. Its name was Lantern"."""
    before = (t for t in reversed(parsed.tokens[:i]) if t.dep in SUBJECT and t.pos == "NOUN")
    noun = next(before, None)
    return noun.lemma if noun is not None and sort_of(noun.lemma) in _NO_PERSONS else ""


_BEARERS = frozenset({"person", "animal"})
_NO_PERSONS = frozenset({"animal", "thing", "place"})


def called_so(script: Manuscript, parses: Parses, figures: Sequence[Figure]) -> list[Figure]:
    """Figures, where those of whom it is told what they are ("an otter named Brindle", "a taxi driver called Halina
    Wren", "the girl's name was Posy") are that, and called so, and nobody else is."""
    told: dict[str, str] = {}
    also: dict[str, str] = {}
    """What else they are, by name."""
    for _, parsed, spoken in narrated(script, parses):
        for name, noun in _said_to_be_called(parsed, spoken):
            if told.setdefault(name, noun) != noun and noun not in GROWN:
                also[name] = noun
    out = list(figures)
    for name, noun in told.items():
        at = next((i for i, f in enumerate(out) if name in (f.name, *f.aliases)), None)
        if at is None or list(told.values()).count(noun) > 1:
            continue
        own = out[at]
        new = _called(own.name, noun, own.count, alone=True)
        besides = also.get(name, "")
        if besides and [*told.values(), *also.values()].count(besides) == 1:
            new = replace(new, aliases=(*new.aliases, f"the {besides}", besides))
        calls = dict.fromkeys((*own.aliases, *new.aliases))
        pronoun = new.pronoun or (own.pronoun if new.kind == "person" else None)
        out[at] = replace(
            new, aliases=tuple(calls), pronoun=pronoun, sure=new.sure or own.sure, why=own.why
        )
        others = {noun, f"the {noun}", besides, f"the {besides}"}
        out = [f for i, f in enumerate(out) if i == at or f.name not in others]
    return out


def _surname(name: str, text: str) -> tuple[str, ...]:
    """The last word of a name of several, where it stands alone too: "Amos Tull … Tull counted the money"."""
    first, _, last = name.rpartition(" ")
    alone = rf"(?<!{re.escape(first)} )\b{re.escape(last)}\b"
    return (last,) if first and re.search(alone, text) else ()


def _called(name: str, noun: str, count: int, alone: bool, surname: tuple[str, ...] = ()) -> Figure:
    """Who is called so, and by the noun where nobody else is (`alone`)."""
    sort = sort_of(noun)
    kind = sort if sort == "animal" else "thing" if sort in _NO_PERSONS else "person"
    pronoun = pronoun_of(noun) if kind == "person" else None
    return Figure(
        name,
        # "The man" is whoever was spoken of last, also where one is called so by name.
        (*surname, *((f"the {noun}", noun) if alone and noun not in GROWN else ())),
        kind,
        pronoun,
        count,
        f"a {noun} called so",
        species="" if kind == "person" else noun,
        sure=pronoun is not None,
    )


def same_told(script: Manuscript, parses: Parses, cast: Sequence[Known]) -> dict[str, int]:
    """Roles that grammar says somebody of the cast is: "Emeric was his apprentice, a thin boy", by noun."""
    story = read_story(script, parses, cast)
    found: dict[str, int] = {}
    for number, _, text in script.paragraphs:
        read, parsed = story.paragraphs.get(number), parses.get(text)
        if read is None or parsed is None:
            continue
        named = [m for m in read.mentions if len(m.people) == 1 and m.sure >= SURE]
        whom = {m.start: m.people[0] for m in named}
        ends = {m.start: m.end for m in named}
        for i, token in enumerate(parsed.tokens):
            if token.pos != "NOUN" or sort_of(token.lemma) != "person":
                continue
            for k in parsed.children[i]:
                # "My supervisor, Mr. Okafor": whoever stands beside it by name.
                behind = parsed.tokens[k].dep == "appos" and parsed.tokens[k].pos == "PROPN"
                own = whom.get(_start(parsed, i)) if behind and token.lemma not in KIN else None
                if own is not None:
                    found.setdefault(token.lemma, own)
            before = next(
                (k for k in range(i - 2, max(-1, i - 5), -1) if noun_behind(parsed, k, k) == i),
                None,
            )
            if before is not None and (own := whom.get(_start(parsed, before))) is not None:
                found.setdefault(token.lemma, own)  # "Wren the lamplighter"
            for k in _of_whom(parsed, i):
                person = next(
                    (
                        p
                        for at, p in whom.items()
                        if at <= parsed.tokens[k].start < at + 40
                        and (
                            at in (_start(parsed, k), parsed.tokens[k].start)
                            or ends[at] == parsed.tokens[k].end  # "the baker's daughter, Nell"
                        )
                        and ends[at] > parsed.tokens[k].start  # "his first customer" is not he
                    ),
                    None,
                )
                if person is not None:
                    found.setdefault(token.lemma, person)
    return found


def named_later(script: Manuscript, parses: Parses, cast: Sequence[Known]) -> dict[str, int]:
    """Who came in as "a thin girl" and is told a name later, by that noun: ids of the cast."""
    calls = {call: known.id for known in cast for call in known.calls}
    told, found = _Newcomers(), dict[str, int]()
    for _, parsed, spoken in narrated(script, parses):
        for _, name, noun in told.named_in(parsed, spoken):
            person = calls.get(name) or calls.get(name.split(" ")[0])
            if person is not None:
                found.setdefault(noun, person)
    return found


def _start(parsed: Parsed, k: int) -> int:
    """Where the phrase that a token heads begins, as far as names go."""
    left = [
        c
        for c in parsed.children[k]
        if c < k and parsed.tokens[c].dep in {"compound", "det", "poss", "amod"}
    ]
    return parsed.tokens[min([k, *left])].start


def _opens_with_things(parsed: Parsed, i: int) -> bool:
    """Whether a sentence only begins with the word, which is that of several things."""
    token = parsed.tokens[i]
    first = i == 0 or parsed.tokens[i - 1].sentence != token.sentence
    several = token.text.lower().endswith("s") and not parsed.children[i]
    return (
        first
        and several
        and sort_of(token.text.lower()[:-1]) in {"thing", "food", "plant", "garment", "time"}
    )


def _of_whom(parsed: Parsed, i: int) -> list[int]:
    """The tokens that say whom a noun is said of, behind "was" or a comma."""
    token = parsed.tokens[i]
    if token.dep == "appos" and not listed(parsed, i):
        above = parsed.tokens[token.head]
        return [token.head] if above.dep != "attr" else _of_whom(parsed, token.head)
    if token.dep == "attr" and parsed.tokens[token.head].lemma == "be":
        denied = any(parsed.tokens[c].dep == "neg" for c in parsed.children[token.head])
        return [] if denied or unreal(parsed, token.head) else subjects(parsed, token.head)
    return []


def _acts(parsed: Parsed, i: int) -> bool:
    token = parsed.tokens[i]
    above = parsed.tokens[token.head]
    # "The eldest, Bram, was as broad as a barn door."
    if token.dep == "conj" or (token.dep == "appos" and above.tag == "JJS"):
        token = above
    verb = clause_of(parsed, i)
    return token.dep in SUBJECT and (is_able(parsed, verb) or not unreal(parsed, verb))


def _name(parsed: Parsed, i: int) -> str:
    first = [c for c in parsed.children[i] if c < i and parsed.tokens[c].dep == "compound"]
    words = [parsed.tokens[k].text for k in [*first, i]]
    # "Karl von Frisch": what stands within may be small.
    large = [w for n, w in enumerate(words) if n in (0, len(words) - 1) or w not in _SMALL]
    whole = all(w[:1].isupper() and w.replace("’", "").isalpha() for w in large)
    return " ".join(words) if whole and len(words) <= MOST_WORDS else ""
