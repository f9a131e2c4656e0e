"""What happens before our eyes, clause by clause, put as a picture says it: in the present tense, with names for
pronouns, without what is thought, said, denied or compared."""

from collections.abc import Mapping, Sequence
from types import MappingProxyType
from typing import NamedTuple

from cutreel.core.nouns import TOUCHED, Sort, sort_of

from .clauses import (
    MENTAL,
    SPEECH,
    SUBJECT,
    VERBAL,
    Called,
    clause_of,
    compared,
    denied_with,
    joined,
    pointed_out,
    subjects,
    told_behind,
    unreal,
)
from .memories import memories
from .parsed import Parsed, Token
from .there import by_nobody


class Deed(NamedTuple):
    """At character `start` of a paragraph: who (of the cast) does what, as a clause with `{1}` for the person of number
    1; the verb's lemma; things that are there. `weight` is how much there is to see (0 … 3)."""

    start: int
    who: tuple[int, ...]
    verb: str
    text: str
    things: tuple[str, ...]
    weight: int
    subject: str = ""


# fmt: off
_KEPT = frozenset({"det", "amod", "compound", "nummod", "poss", "case", "quantmod", "nmod", "predet"})
_UNSEEN_PREP = frozenset(
    "about of for since during until till despite because without except as than like unlike concerning after "
    "before".split()
)
_DIRECTIONS = frozenset(
    "up down away back out in off over across forward home inside outside ashore aboard together apart around "
    "alone overhead upstairs downstairs everywhere".split()
)
_SOMEWHERE = frozenset({"outside", "inside", "upstairs", "downstairs", "overhead", "everywhere"})
"""Before its verb it says where, and no way that is gone: "outside, two men took down the posters"."""
_EMPTY_VERBS = frozenset(
    "have do happen seem appear become mean matter keep let make get begin start stop go on turn use need "
    "cost belong last exist depend".split()
)
_TURNS = frozenset("fall grow go turn stay remain".split())
"""With what something becomes: "fell silent" shows nothing."""
_DRAWN_MENTAL = {"wonder": "ponders", "think": "ponders", "fear": "is afraid", "remember": "ponders", "dream": "dreams"}
_MANY_IN_ONE = frozenset("people police cattle folk children".split())
_SEVERAL = frozenset("pair couple row bunch handful heap pile set dozen crowd herd flock line stack".split())
_OF_SHIPS = frozenset("sink sail strike anchor founder capsize drift list steam".split())
_NAMED_PLACES = frozenset({"GPE", "LOC", "FAC"})
_BE = frozenset({"be", "'s", "’s"})
_OWNED = frozenset("hers his mine yours ours theirs".split())
"""By itself what is somebody's, and not who it is."""
# fmt: on


def deeds_in(
    parsed: Parsed,
    spoken: frozenset[int],
    called: Called,
    others: Mapping[int, str] = MappingProxyType({}),
) -> tuple[Deed, ...]:
    """The deeds of a paragraph, in order; tokens `spoken` are words of a quotation; `others` are pronouns that mean
    things, or people who are not in the cast, with the words for those."""
    out = []
    for i, token in enumerate(parsed.tokens):
        if (
            i in spoken
            or token.pos not in VERBAL
            or token.dep in {"aux", "auxpass", "amod", "csubj"}
            or (token.dep == "relcl" and not pointed_out(parsed, i))
        ):
            continue
        if token.dep == "acl" or unreal(parsed, i):
            continue
        clause = _Clause(parsed, i, spoken, called, others)
        deed = clause.stands_there() if told_behind(parsed, i) else clause.deed()
        if deed is not None:
            out.append(deed)
    return tuple(out)


class Sight(NamedTuple):
    """At character `start` of a paragraph something is named that can be seen: as a phrase, and of what sort."""

    start: int
    phrase: str
    sort: Sort


_SIGHTS: frozenset[Sort] = frozenset(
    {"thing", "plant", "animal", "food", "garment", "place", "people"}
)


def sights_in(parsed: Parsed, spoken: frozenset[int], called: Called) -> tuple[Sight, ...]:
    """What a paragraph names that is there to be seen, in order; what is denied or only spoken of is not."""
    out = []
    for i, token in enumerate(parsed.tokens):
        if token.pos == "PROPN" and token.name in _NAMED_PLACES and i not in spoken:
            if token.dep != "compound" and not called(i):
                out.append(Sight(token.start, _proper(parsed, i), "place"))
            continue
        sort = sort_of(token.lemma) if token.pos == "NOUN" else None
        if (
            sort is None
            or sort not in _SIGHTS
            or i in spoken
            or token.dep in {"compound", "npadvmod"}
        ):
            continue
        if called(i) or compared(parsed, i) or _none_of(parsed, i) or _is_likened(parsed, i):
            continue
        if _is_what_it_is_made_of(parsed, i):
            continue
        verb = clause_of(parsed, i)
        if is_unseen(parsed, i) or not _is_there(parsed, i, verb) or _says_when(parsed, i):
            continue
        if by_nobody(parsed, verb) and token.dep not in SUBJECT:
            continue  # "nobody paid a penny"
        if token.lemma in _FAR:
            continue
        if sort == "animal" and _is_made(parsed, i):
            sort = "thing"
        out.append(Sight(token.start, _Clause(parsed, verb, spoken, called).phrase(i), sort))
    return tuple(out)


def _made_of_it(parsed: Parsed, i: int) -> str:
    """ "A brass screw", where the parser takes "screw" for what is done: the word, behind a space; else empty."""
    behind = parsed.tokens[i + 1] if i + 1 < len(parsed.tokens) else None
    stuff = parsed.tokens[i].lemma in _STUFFS and parsed.tokens[i].tag == "NN"
    if not stuff or behind is None or behind.tag not in {"VBN", "VB", "VBP"}:
        return ""
    return f" {behind.text}" if sort_of(behind.text) == "thing" else ""


_COMES = frozenset("be come arrive appear exist return".split())


def _is_there(parsed: Parsed, i: int, verb: int) -> bool:
    """Whether what is named can be seen: "the cloth did not fade" tells of a cloth, "the bus did not come" of none."""
    why = unreal(parsed, verb)
    if denied_with(parsed, verb):
        return False
    if why == "denied" and parsed.tokens[i].dep == "nsubj":
        below = {parsed.tokens[c].text.lower() for c in parsed.children[i]}
        return "the" in below and parsed.tokens[verb].lemma not in _COMES
    return why in {"", "remembered"}


def is_unseen(parsed: Parsed, i: int) -> bool:
    """ "No sign of life", "a list of reasons not to": a word for a thing that is none here."""
    token = parsed.tokens[i]
    if token.lemma == "case" and parsed.tokens[token.head].lemma in _OF_A_CASE:
        return token.dep == "nsubjpass" or parsed.tokens[token.head].lemma != "close"
    of = (c for c in parsed.children[i] if parsed.tokens[c].text.lower() in {"of", "from", "that"})
    return token.lemma == "sign" and (next(of, None) is not None or token.dep == "attr")


_OF_A_CASE = frozenset("close solve reopen investigate drop win lose crack".split())
"""Done to one it is a matter, and no box."""
_FAR = frozenset({"sun", "moon", "star"})
"""Seen, but not from near."""
_STUFFS = frozenset(
    "wax paper stone wood wooden glass toy china porcelain chocolate bronze brass iron tin clay snow plush plastic "
    "rubber cardboard metal gold golden silver marble stuffed".split()
)


def _is_made(parsed: Parsed, i: int) -> bool:
    """ "A red wax seal", "a wooden horse": no animal."""
    return any(
        parsed.tokens[c].dep in {"compound", "amod"} and parsed.tokens[c].lemma in _STUFFS
        for c in parsed.children[i]
    )


def _is_what_it_is_made_of(parsed: Parsed, i: int) -> bool:
    """ "A coat of crow feathers": they are seen on whoever wears it."""
    of = parsed.tokens[parsed.tokens[i].head]
    made = parsed.tokens[i].dep == "pobj" and of.text.lower() == "of"
    return made and sort_of(parsed.tokens[of.head].lemma) == "garment"


def _says_when(parsed: Parsed, i: int) -> bool:
    """ "Before breakfast", "after the war"; nor is the dark anything to be looked at."""
    token = parsed.tokens[i]
    before = parsed.tokens[token.head].text.lower() if token.dep == "pobj" else ""
    return before in {"before", "after", "until", "till", "since", "during"} or token.lemma in {
        "dark",
        "darkness",
    }


def _proper(parsed: Parsed, i: int) -> str:
    """A name of several words, whole."""
    first = [c for c in parsed.children[i] if c < i and parsed.tokens[c].dep == "compound"]
    return " ".join(parsed.tokens[k].text for k in [*first, i])


def _is_likened(parsed: Parsed, i: int) -> bool:
    """ "The sea is a machine", "it is a machine": no machine is there."""
    verb = parsed.tokens[i].head
    if parsed.tokens[i].dep != "attr" or parsed.tokens[verb].lemma not in _BE:
        return False
    of = subjects(parsed, verb)
    if any(t.lemma == parsed.tokens[i].lemma and t.pos == "NOUN" for t in parsed.tokens[:verb]):
        return False  # "bought a clock; it was the largest clock": that one
    return bool(of) and all(
        parsed.tokens[s].text.lower() in {"it", "this", "that"}
        or (sort_of(parsed.tokens[s].lemma) in {"place", None} and parsed.tokens[s].pos == "NOUN")
        for s in of
    )


def _is_metaphor(parsed: Parsed, i: int) -> bool:
    """Whether a place is called a thing: neither is what the other is."""
    thing = sort_of(parsed.tokens[i].lemma) in {"thing", "food", "garment", "plant"}
    of = subjects(parsed, parsed.tokens[i].head)
    a_place = bool(of) and all(sort_of(parsed.tokens[s].lemma) == "place" for s in of)
    return thing and a_place and _is_likened(parsed, i)


def _none_of(parsed: Parsed, i: int) -> bool:
    return any(parsed.tokens[c].text.lower() in {"no", "neither"} for c in parsed.children[i])


_OF_SOMETHING = frozenset(
    "take make give put keep hold bring carry lose set pay catch draw cast find collect offer receive wear".split()
)
"""What is not seen where what it is done with cannot be."""


_RIDDEN = frozenset(
    "bicycle bike horse pony donkey mule camel elephant motorbike scooter sledge ladder crutch".split()
)
_AS_ONE_IS = frozenset("wrap dress cover soak arm huddle curl bandage bundle".split())


class _Clause:
    def __init__(
        self,
        parsed: Parsed,
        verb: int,
        spoken: frozenset[int],
        called: Called,
        others: Mapping[int, str] = MappingProxyType({}),
    ) -> None:
        self.parsed, self.verb, self.spoken, self.called = parsed, verb, spoken, called
        self.others = others
        self.tokens = parsed.tokens
        self.token = parsed.tokens[verb]
        self.below = [c for c in parsed.children[verb] if c not in spoken]
        self.things: list[str] = []
        self.whose: tuple[int, ...] = ()
        """Who acts: what is theirs is "their" in a line that names them."""

    def deed(self) -> Deed | None:
        subject = [s for s in subjects(self.parsed, self.verb) if s not in self.spoken]
        expletive = any(self.tokens[c].dep == "expl" for c in self.below)
        if (
            self._asks()
            or self._was_done()
            or self._only_opens()
            or (not subject and not expletive)
        ):
            return None
        if any(compared(self.parsed, s) for s in subject):
            return None
        who: tuple[int, ...] = ()
        for s in subject:
            for k in (*joined(self.parsed, s), *self._of_them(s)):
                who = tuple(dict.fromkeys((*who, *self.called(k))))
        self.whose = who
        named = self._subject(subject, who)
        if expletive:
            return self._there_is()
        if not named:
            return None
        lemma = self.token.lemma
        plural = len(who) > 1 or (
            not who
            and any(
                self.tokens[s].tag in {"NNS", "NNPS"}
                or self.tokens[s].text.lower() == "oxen"
                or self.tokens[s].lemma in _MANY_IN_ONE
                or len(joined(self.parsed, s)) > 1
                or (self.tokens[s].text.lower() in {"they", "we", "them"} and not self._is_one(s))
                for s in subject
            )
        )
        passive = any(self.tokens[c].dep == "auxpass" for c in self.below)
        rest, weight = self._rest()
        if lemma in _BE:
            if not rest or any(_is_metaphor(self.parsed, c) for c in self.below):
                return None
            if who and self._is_somebody():
                return None
            # What somebody is, or how old, is told by how they are drawn.
            seen = any(self.tokens[c].dep in {"prep", "advmod"} for c in self.below)
            verb, weight = ("are" if plural else "is"), int(seen or not who)
        elif passive:
            verb = f"{'are' if plural else 'is'} {self.token.text.lower()}"
            weight = max(1, weight)
        elif lemma in SPEECH and not self._is_of_a_thing(subject, who) and not self._weeps():
            verb, rest, weight = ("speak" if plural else "speaks"), self._to_whom(), 1
        elif lemma == "spend":
            verb, weight = ("are" if plural else "is"), 1  # the rest of a life, in a garden
            if not rest:
                return None
        elif lemma in _DRAWN_MENTAL and self.token.sentence in memories(self.parsed):
            return None  # what they remember is seen, not they
        elif lemma in _DRAWN_MENTAL:
            verb = _DRAWN_MENTAL[lemma]
            if plural:
                verb = verb.replace("is ", "are ") if " " in verb else verb.removesuffix("s")
            rest, weight = [], 1
        elif lemma in MENTAL or (lemma in _EMPTY_VERBS and not rest):
            return None
        elif (lemma in _OF_SOMETHING and self._has("dobj") and not rest) or self._loses_heart():
            return None  # "took turns" is no taking
        else:
            verb = lemma if plural else present(lemma)
            named = f"{named}{self._riding(subject, who)}"
            turns = not who and lemma in _TURNS and self._has("acomp")
            weight = weight + (0 if lemma in _EMPTY_VERBS or turns else 1)
        text = " ".join([named, verb, *rest])
        return Deed(self.token.start, who, lemma, text, tuple(self.things), min(3, weight), named)

    def _is_somebody(self) -> bool:
        """ "He was a thin man with a moustache": what he looks like, and no deed."""
        what = [c for c in self.below if self.tokens[c].dep == "attr"]
        where = any(self.tokens[c].dep == "prep" for c in self.below)
        return bool(what) and not where and sort_of(self.tokens[what[0]].lemma) == "person"

    def _loses_heart(self) -> bool:
        """ "He lost his heart to a girl", "she lost her temper": nothing falls down."""
        if self.token.lemma != "lose":
            return False
        lost = {self.tokens[c].lemma for c in self.below if self.tokens[c].dep == "dobj"}
        return bool(
            lost
            & {"heart", "temper", "patience", "hope", "mind", "faith", "interest", "time", "sight"}
        )

    def _only_opens(self) -> bool:
        """ "Tried to clean the flask" is told by what was tried; "left me nothing", "were said to" show nothing."""
        if self.token.lemma in {"try", "attempt", "dare", "manage"} and self._has("xcomp"):
            return True
        nothing = any(
            self.tokens[c].dep == "dobj" and self.tokens[c].text.lower() in {"nothing", "nobody"}
            for c in self.below
        )
        return nothing or (self.token.lemma in SPEECH and self._has("auxpass"))

    def _of_them(self, s: int) -> list[int]:
        """ "The three of them"."""
        if self.tokens[s].tag != "CD" and self.tokens[s].text.lower() not in {"all", "both"}:
            return []
        of = [c for c in self.parsed.children[s] if self.tokens[c].text.lower() == "of"]
        return [k for c in of for k in self.parsed.children[c] if self.tokens[k].dep == "pobj"]

    def _weeps(self) -> bool:
        """Who cries and says nothing weeps."""
        beside = range(self.verb - 6, self.verb + 7)
        says = any(k in self.spoken for k in beside) or self._has("ccomp") or self._has("dobj")
        return self.token.lemma == "cry" and not says

    def _has(self, dep: str) -> bool:
        return any(self.tokens[c].dep == dep for c in self.below)

    def _is_of_a_thing(self, subject: Sequence[int], who: Sequence[int]) -> bool:
        """ "The wheels groaned": nobody speaks."""
        things = {"thing", "plant", "food", "garment", "place"}
        return not who and all(sort_of(self.tokens[s].lemma) in things for s in subject)

    def _other(self, i: int) -> str:
        """The words for a pronoun that means nobody of the cast; a thing is there to be drawn."""
        words = self.others[i]
        if self.tokens[i].text.lower() == "it":
            self.things.append(words)
        return words

    def _is_one(self, s: int) -> bool:
        """ "A swarm came out. They hung from the flagpole": it hangs there."""
        return self.others.get(s, "").startswith(("a ", "an "))

    def _asks(self) -> bool:
        return any(
            t.text == "?"
            for t in self.tokens
            if t.sentence == self.token.sentence and t.dep == "punct"
        )

    def _subject(self, subject: list[int], who: tuple[int, ...]) -> str:
        if who:
            return _and([f"{{{p}}}" for p in who])
        parts = []
        for s in subject:
            token = self.tokens[s]
            if s in self.others:
                parts.append(self._other(s))
                continue
            if token.pos == "PRON" or token.tag in {"WDT", "WP", "EX", "DT"}:
                return ""
            if is_unseen(self.parsed, s):
                return ""
            seen = sort_of(token.lemma) is not None or token.pos == "PROPN"
            if not seen and not self._named_thing(s) and not self._is_of_things(s):
                return ""
            if self.parsed.tokens[s].tag == "CD":
                return ""
            parts.append(self._ship(s) or self.phrase(s, deep=token.lemma in _SEVERAL))
        return _and(parts)

    def _riding(self, subject: Sequence[int], who: Sequence[int]) -> str:
        """ "A boy on a bicycle came": what he is on belongs into the picture."""
        on = (c for s in subject for c in self.parsed.children[s] if self.tokens[c].text == "on")
        ridden = [k for c in on for k in self.parsed.children[c] if self.tokens[k].lemma in _RIDDEN]
        return f" on {self.phrase(ridden[0])}" if who and ridden else ""

    def _is_of_things(self, s: int) -> bool:
        """ "A pair of oars"."""
        if self.tokens[s].lemma not in _SEVERAL:
            return False
        of = [c for c in self.parsed.children[s] if self.tokens[c].text.lower() == "of"]
        inner = [self.tokens[k] for c in of for k in self.parsed.children[c]]
        return any(t.dep == "pobj" and sort_of(t.lemma) is not None for t in inner)

    def _ship(self, s: int) -> str:
        """ "The Constance sank": the ship of that name."""
        token = self.tokens[s]
        the = any(self.tokens[c].text.lower() == "the" for c in self.parsed.children[s])
        if token.pos != "PROPN" or not the or self.token.lemma not in _OF_SHIPS:
            return ""
        return f"the ship {_proper(self.parsed, s)}"

    def _named_thing(self, s: int) -> bool:
        """ "The ship Endurance"."""
        return any(
            self.tokens[c].dep == "compound" and sort_of(self.tokens[c].lemma) is not None
            for c in self.parsed.children[s]
        )

    def _was_done(self) -> bool:
        """ "His tail was lying there, washed and brushed": nobody washes."""
        above = self.tokens[self.token.head]
        aided = any(self.tokens[c].dep in {"aux", "auxpass", "dobj"} for c in self.below)
        behind = self.verb > 0 and self.tokens[self.verb - 1].text == ","
        if behind and not aided and self.token.lemma in _AS_ONE_IS and self.token.dep != "ROOT":
            return True  # "found me on the kerb, wrapped in a blanket"
        beside = self.token.dep in {"conj", "advcl", "acl"} and above.tag == "VBG" and behind
        return self.token.tag in {"VBN", "VBD"} and beside and not aided

    def _there_is(self) -> Deed | None:
        attr = [c for c in self.below if self.tokens[c].dep in {"attr", "dobj", "nsubj"}]
        if not attr or any(
            self.tokens[k].text.lower() in {"no", "nothing", "nobody"}
            for k in self.parsed.subtree(attr[0])
        ):
            return None
        several = [k for k in joined(self.parsed, attr[0]) if sort_of(self.tokens[k].lemma)]
        rest, _ = self._rest(skip=frozenset(attr))
        if self.tokens[attr[0]].tag == "CD":
            phrase = self._so_many(attr[0])
        else:
            named = sort_of(self.tokens[attr[0]].lemma) is not None
            phrase = _and([self.phrase(k, deep=True) for k in several]) if named else ""
        if not phrase:
            return None
        return Deed(self.token.start, (), "be", " ".join([phrase, *rest]), tuple(self.things), 1)

    def stands_there(self) -> Deed | None:
        """ "In long dark rows lay two hundred bottles": what is told behind its verb."""
        i = told_behind(self.parsed, self.verb)[0]
        if i in self.spoken:
            return None
        who = tuple(self.called(i))
        named = sort_of(self.tokens[i].lemma) is not None and not _none_of(self.parsed, i)
        phrase = _and([f"{{{p}}}" for p in who]) if who else self.phrase(i) if named else ""
        if not phrase:
            return None
        self.whose = who
        rest, _ = self._rest(skip=frozenset({i}))
        lemma = "lie" if self.token.lemma == "lay" else self.token.lemma
        many = len(who) > 1 or self.tokens[i].tag in {"NNS", "NNPS"}
        text = " ".join([phrase, lemma if many else present(lemma), *rest])
        return Deed(self.token.start, who, lemma, text, tuple(self.things), 1 + bool(many), phrase)

    def _so_many(self, i: int) -> str:
        """ "There were four of them": so many of those who were told of last; empty where that was nobody."""
        people = [
            t
            for t in self.tokens[: self.verb]
            if t.tag == "NNS" and t.dep in SUBJECT and sort_of(t.lemma) in {"person", "animal"}
        ]
        return f"{self.tokens[i].text.lower()} {people[-1].text.lower()}" if people else ""

    def _to_whom(self) -> list[str]:
        for c in self.below:
            token = self.tokens[c]
            if token.dep in {"dobj", "dative"} and self.called(c):
                return ["to", _and([f"{{{p}}}" for p in self.called(c)])]
            if token.dep in {"prep", "dative"} and token.text.lower() == "to":
                for k in self.parsed.children[c]:
                    if self.called(k):
                        return ["to", _and([f"{{{p}}}" for p in self.called(k)])]
        return []

    def _rest(self, skip: frozenset[int] = frozenset()) -> tuple[list[str], int]:
        """What stands behind the verb, things before places, and how much of it can be seen."""
        out: list[str] = []
        behind: list[str] = []
        weight = 0
        for c in self.below:
            token = self.tokens[c]
            word = token.text.lower()
            if c in skip or (c < self.verb and token.dep not in {"prep", "npadvmod", "advmod"}):
                continue
            if token.dep in {"dobj", "attr", "oprd"}:
                phrase = self._object(c)
                if (
                    phrase
                    and out
                    and self.tokens[c - 1].dep == "det"
                    and self.tokens[c - 2].text == ","
                ):
                    out[-1] += f", {phrase}"  # "the priest, the brewer and the widow"
                elif phrase:
                    out.append(phrase)
                weight += bool(phrase)
            elif token.dep == "acomp":
                if any(self.tokens[k].lemma == "year" for k in self.parsed.children[c]):
                    continue  # "he was eleven years old"
                out.append(token.text.lower())
            elif token.dep == "prt" or (token.dep == "advmod" and word in _DIRECTIONS):
                if c > self.verb or word not in _SOMEWHERE:
                    out.append(word)
            elif token.dep == "dative" and token.pos != "ADP":
                out[:0] = filter(None, [self._object(c)])
            elif token.dep == "prep" and not self.parsed.children[c]:
                out += [word] if c > self.verb else []  # "put on her coat"
            elif token.dep in {"prep", "dative", "agent"} and not compared(self.parsed, c):
                phrase = self._place(c)
                if phrase and behind and behind[-1].startswith(f"{word} "):
                    behind[-1] += (
                        f" and{phrase.removeprefix(word)}"  # "to a widow, to two brothers"
                    )
                elif phrase:
                    behind.append(phrase)
                    weight += 1
            elif (
                token.dep == "xcomp"
                and token.pos == "VERB"
                and token.tag == "VBG"
                and not unreal(self.parsed, c)
            ):
                behind.append(self._doing(c))
        if any(phrase.startswith("{") for phrase in out):
            # "Pulled them off, the mayor last of all".
            out = [phrase for phrase in out if phrase not in {"it", "them"}]
        return [*out, *behind], weight

    def _doing(self, c: int) -> str:
        inner = _Clause(self.parsed, c, self.spoken, self.called, self.others)
        rest, _ = inner._rest()
        self.things += inner.things
        return " ".join([self.tokens[c].text.lower(), *rest])

    def _object(self, c: int) -> str:
        token = self.tokens[c]
        if token.text.lower().endswith("self"):
            return token.text.lower()  # "lays himself in bed"
        if self.called(c):
            if token.dep == "attr" or token.text.lower() in _OWNED:
                return ""
            return _and([f"{{{p}}}" for p in self.called(c)])
        if any(self.tokens[k].text.lower() == "no" for k in self.parsed.children[c]):
            return ""
        if c in self.others:
            return self._other(c)
        if token.tag == "CD":
            return ""  # "he stopped eleven of them": of what is not told
        if token.pos == "PRON":
            return token.text.lower() if token.text.lower() in {"it", "them"} else ""
        if (sort_of(token.lemma) is None and token.pos != "PROPN") or is_unseen(self.parsed, c):
            return ""
        return _and([self.phrase(k, deep=True) for k in joined(self.parsed, c)])

    def _place(self, c: int) -> str:
        """A preposition with what can be seen behind it."""
        prep = self.tokens[c].text.lower()
        if prep in _UNSEEN_PREP:
            return ""
        parts = []
        for k in self.parsed.children[c]:
            token = self.tokens[k]
            if token.dep == "prep":
                inner = self._place(k)
                if inner:
                    return f"{prep} {inner}"
            if token.dep != "pobj":
                continue
            if self.called(k):
                parts.append(_and([f"{{{p}}}" for p in self.called(k)]))
                continue
            if k in self.others:
                parts.append(self._other(k))
                continue
            sort = sort_of(token.lemma)
            if sort in {None, "time"} and token.name not in _NAMED_PLACES:
                return ""
            if token.pos not in {"NOUN", "PROPN"} or token.name in {"DATE", "TIME"}:
                return ""
            if prep == "from" and sort == "place":
                return ""  # where somebody comes from is not in the picture
            nouns = [j for j in joined(self.parsed, k) if self.tokens[j].pos not in VERBAL]
            parts.append(_and([self.phrase(j, deep=True) for j in nouns]))
        return f"{prep} {_and(parts)}" if parts else ""

    def phrase(self, i: int, deep: bool = False) -> str:
        """A noun with what describes it, without relative clauses; `deep`: with one more "of ..." or "in ..."."""
        token = self.tokens[i]
        if token.pos == "NOUN" and sort_of(token.lemma) in TOUCHED and token.lemma not in _FAR:
            kept = [
                self.tokens[c].text
                for c in self.parsed.children[i]
                if c < i and self.tokens[c].dep in {"amod", "compound"}
            ]
            self.things.append(" ".join(["the", *kept, token.text]) + _made_of_it(self.parsed, i))
        words: list[str] = []
        for c in self.parsed.children[i]:
            if c < i and self.tokens[c].dep in _KEPT and c not in self.spoken:
                words += self._before(c)
        words.append(
            token.text
            if token.pos == "PROPN"
            else _in_a_line(token, self.tokens[i - 1] if i else None) + _made_of_it(self.parsed, i)
        )
        if deep:
            for c in self.parsed.children[i]:
                child = self.tokens[c]
                if (
                    c > i
                    and child.dep == "prep"
                    and child.text.lower() in {"of", "with", "in", "on", "under"}
                ):
                    inner = [
                        k for k in self.parsed.children[c]
                        if self.tokens[k].dep == "pobj" and sort_of(self.tokens[k].lemma) not in {None, "time"}
                    ]  # fmt: skip
                    if inner:
                        words += [child.text.lower(), self.phrase(inner[0])]
                    break
        return " ".join(words).replace(" - ", "-")

    def _before(self, c: int) -> list[str]:
        token = self.tokens[c]
        if token.dep == "poss":
            people = self.called(c)
            if token.pos == "PRON" or token.tag == "PRP$":
                if people and token.text.lower() in {"my", "our", "your"}:
                    own = people[0] in self.whose
                    return ["their" if own else f"{{{people[0]}}}’s"]
                return [token.text.lower()]
            if people:
                return [f"{{{people[0]}}}’s"]
            thing = token.pos == "NOUN" and sort_of(token.lemma) in {"thing", "animal", "plant"}
            return [f"the {token.text.lower()}’s"] if thing else ["the"]
        words = []
        for k in self.parsed.children[c]:
            if (
                k < c
                and self.tokens[k].dep
                in {"advmod", "compound", "amod", "nummod", "punct", "quantmod"}
                and self.tokens[k].text != ","
            ):
                number = self.tokens[k].dep in {"nummod", "quantmod"} or token.dep == "nummod"
                words.append(self.tokens[k].text.lower() if number else self.tokens[k].text)
        text = token.text.lower() if token.dep == "det" else token.text
        return [*words, text]


_PAST = {
    "drank": "drink", "sang": "sing", "swam": "swim", "rang": "ring", "sank": "sink", "began": "begin",
    "shrank": "shrink", "sprang": "spring", "came": "come", "ate": "eat", "sat": "sit", "ran": "run",
    "stole": "steal", "woke": "wake", "rode": "ride", "wrote": "write", "drove": "drive", "broke": "break",
    "tore": "tear", "wore": "wear", "swore": "swear", "flew": "fly", "threw": "throw", "drew": "draw",
    "grew": "grow", "blew": "blow", "knew": "know", "dug": "dig", "hung": "hang", "stuck": "stick",
    "struck": "strike", "swung": "swing", "crept": "creep", "slept": "sleep", "wept": "weep",
    "swept": "sweep", "leapt": "leap", "knelt": "kneel", "bent": "bend", "lent": "lend", "sent": "send",
    "caught": "catch", "taught": "teach", "bought": "buy", "fought": "fight", "brought": "bring",
    "sought": "seek", "shin": "shine", "wove": "weave", "froze": "freeze", "chose": "choose", "spoke": "speak",
    "shook": "shake", "forgot": "forget", "hid": "hide", "slid": "slide", "spun": "spin", "strode": "stride",
    "fled": "flee", "bled": "bleed", "sped": "speed", "heard": "hear", "held": "hold", "sold": "sell", "told": "tell",
    "made": "make", "spat": "spit", "won": "win", "built": "build", "kept": "keep", "met": "meet", "stood": "stand",
}  # fmt: skip
"""Pasts and stems that the parser sometimes takes for the verb itself."""


def present(lemma: str) -> str:
    """A verb's form for she, he and it."""
    lemma = _PAST.get(lemma, lemma)
    irregular = {"be": "is", "have": "has", "do": "does", "go": "goes"}
    if lemma in irregular:
        return irregular[lemma]
    if lemma.endswith(("s", "x", "z", "ch", "sh")):
        return lemma + "es"
    if lemma.endswith("y") and lemma[-2:-1] not in "aeiou":
        return lemma[:-1] + "ies"
    return lemma + "s"


def _and(parts: list[str]) -> str:
    parts = [p for p in parts if p]
    return " and ".join([", ".join(parts[:-1]), parts[-1]] if len(parts) > 1 else parts)


def _in_a_line(token: Token, before: Token | None) -> str:
    """A word as it is written where no sentence begins: "Children lay" is "children lie"."""
    opens = before is None or before.sentence != token.sentence
    return token.text[:1].lower() + token.text[1:] if opens and token.pos == "NOUN" else token.text
