"""One clause as a deed: who does what, as a picture says it."""

from collections.abc import Sequence
from typing import NamedTuple

from cutreel.core.nouns import sort_of

from .clauses import MENTAL, SPEECH, SUBJECT, compared, joined, subjects, told_behind, unreal
from .memories import memories
from .unseen import BE, is_metaphor, is_unseen, none_of, proper
from .verbs import base_of, present
from .wording import Wording, listed_in_words, says_where


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
_SEVERAL = frozenset(
    "pair couple row bunch handful heap pile set dozen crowd herd flock line stack trail string stream cloud".split()
)
_OF_SHIPS = frozenset("sink sail strike anchor founder capsize drift list steam".split())
# fmt: on
_OF_SOMETHING = frozenset(
    "take make give put keep hold bring carry lose set pay catch draw cast find collect offer receive wear".split()
)
"""What is not seen where what it is done with cannot be."""


_FINDS = frozenset({"find", "see", "leave", "watch"})
_RIDDEN = frozenset(
    "bicycle bike horse pony donkey mule camel elephant motorbike scooter sledge ladder crutch".split()
)
_AS_ONE_IS = frozenset("wrap dress cover soak arm huddle curl bandage bundle".split())


class Clause(Wording):
    """A clause whose verb may be a deed."""

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
        lemma = base_of(self.token.lemma, self.token.text)
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
        if lemma in BE:
            if not rest or any(is_metaphor(self.parsed, c) for c in self.below):
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
        elif (
            lemma in MENTAL
            or (lemma in _EMPTY_VERBS and not rest)
            or (lemma == "feel" and not self._has("dobj"))
        ):
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
            return listed_in_words([f"{{{p}}}" for p in who])
        parts = []
        for s in subject:
            token = self.tokens[s]
            if s in self.others:
                parts.append(self.other(s))
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
        return listed_in_words(parts)

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
        return f"the ship {proper(self.parsed, s)}"

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
            phrase = listed_in_words([self.phrase(k, deep=True) for k in several]) if named else ""
        if not phrase:
            return None
        return Deed(self.token.start, (), "be", " ".join([phrase, *rest]), tuple(self.things), 1)

    def stands_there(self) -> Deed | None:
        """ "In long dark rows lay two hundred bottles": what is told behind its verb."""
        i = told_behind(self.parsed, self.verb)[0]
        if i in self.spoken:
            return None
        who = tuple(self.called(i))
        named = sort_of(self.tokens[i].lemma) is not None and not none_of(self.parsed, i)
        phrase = (
            listed_in_words([f"{{{p}}}" for p in who]) if who else self.phrase(i) if named else ""
        )
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
                return ["to", listed_in_words([f"{{{p}}}" for p in self.called(c)])]
            if token.dep in {"prep", "dative"} and token.text.lower() == "to":
                for k in self.parsed.children[c]:
                    if self.called(k):
                        return ["to", listed_in_words([f"{{{p}}}" for p in self.called(k)])]
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
                phrase = self.object_phrase(c)
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
                out[:0] = filter(None, [self.object_phrase(c)])
            elif token.dep == "prep" and not self.parsed.children[c]:
                out += [word] if c > self.verb else []  # "put on her coat"
            elif token.dep in {"prep", "dative", "agent"} and not compared(self.parsed, c):
                phrase = self.place_phrase(c)
                if (
                    phrase
                    and behind
                    and behind[-1].startswith(f"{word} ")
                    and not says_where(phrase)
                ):
                    behind[-1] += (
                        f" and{phrase.removeprefix(word)}"  # "to a widow, to two brothers"
                    )
                elif phrase:
                    behind.append(phrase)
                    weight += 1
            elif (
                token.dep in {"ccomp", "xcomp"}
                and token.pos == "ADJ"
                and self.token.lemma in _FINDS
            ):
                # "They found the brother asleep".
                what = [k for k in self.parsed.children[c] if self.tokens[k].dep in SUBJECT]
                found = self.object_phrase(what[0]) if what else ""
                out += [found, token.text.lower()] if found else []
                weight += bool(found)
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
        inner = Clause(self.parsed, c, self.spoken, self.called, self.others)
        rest, _ = inner._rest()
        self.things += inner.things
        return " ".join([self.tokens[c].text.lower(), *rest])
