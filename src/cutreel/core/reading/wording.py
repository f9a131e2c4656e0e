"""Nouns, objects and places put in the words of a picture: with names for those who are known, without what cannot be
seen."""

from collections.abc import Mapping
from types import MappingProxyType

from cutreel.core.nouns import TOUCHED, sort_of

from .clauses import VERBAL, Called, joined
from .parsed import Parsed, Token
from .unseen import FAR, is_unseen, made_of_it

# fmt: off
_KEPT = frozenset({"det", "amod", "compound", "nummod", "poss", "case", "quantmod", "nmod", "predet"})
_UNSEEN_PREP = frozenset(
    "about of for since during until till despite because without except as than like unlike concerning after "
    "before".split()
)
# fmt: on
NAMED_PLACES = frozenset({"GPE", "LOC", "FAC"})
_OWNED = frozenset("hers his mine yours ours theirs".split())
"""By itself what is somebody's, and not who it is."""


_HOW_MANY = frozenset("many few several such other same first last next".split())
"""Beside a thing, they say nothing of how it looks."""


_WHERE = frozenset(
    "front top foot middle edge side bottom head end back corner centre center rear mouth".split()
)
""""In front of the tent", "from the top of a ladder": where something is."""
_SO_MUCH = frozenset(
    "coil pile heap bundle row stack pool puddle ring circle cloud nest bunch sheet".split()
)
""""In a coil of rope"."""
_LIGHTS = frozenset(
    "candlelight lamplight firelight torchlight moonlight starlight lantern".split()
)
_WRITTEN = frozenset(
    "report news story poem list note message telegram will page sentence diary name verse".split()
)
"""What is read or written is on paper."""


class Wording:
    """What stands in one clause, by the index of its `verb`; tokens `spoken` are words of a quotation."""

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

    def phrase(self, i: int, deep: bool = False) -> str:
        """A noun with what describes it, without relative clauses; `deep`: with one more "of ..." or "in ..."."""
        token = self.tokens[i]
        if token.pos == "NOUN" and sort_of(token.lemma) in TOUCHED and token.lemma not in FAR:
            kept = [
                self.tokens[c].text
                for c in self.parsed.children[i]
                if c < i
                and self.tokens[c].dep in {"amod", "compound"}
                and self.tokens[c].lemma not in _HOW_MANY
            ]
            self.things.append(" ".join(["the", *kept, token.text]) + made_of_it(self.parsed, i))
        words: list[str] = []
        for c in self.parsed.children[i]:
            if c < i and self.tokens[c].dep in _KEPT and c not in self.spoken:
                words += self._before(c)
        words.append(
            token.text
            if token.pos == "PROPN"
            else _in_a_line(token, self.tokens[i - 1] if i else None) + made_of_it(self.parsed, i)
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

    def object_phrase(self, c: int) -> str:
        token = self.tokens[c]
        if token.text.lower().endswith("self"):
            return token.text.lower()  # "lays himself in bed"
        if self.called(c):
            if token.dep == "attr" or token.text.lower() in _OWNED:
                return ""
            return listed_in_words([f"{{{p}}}" for p in self.called(c)])
        if any(self.tokens[k].text.lower() == "no" for k in self.parsed.children[c]):
            return ""
        if c in self.others:
            return self.other(c)
        if token.tag == "CD":
            return ""  # "he stopped eleven of them": of what is not told
        if token.text.lower() == "something":
            return "something"
        if token.pos == "PRON":
            return token.text.lower() if token.text.lower() in {"it", "them"} else ""
        written = token.lemma in _WRITTEN and self.token.lemma in {"read", "write"}
        unknown = sort_of(token.lemma) is None and token.pos != "PROPN" and not written
        if unknown or is_unseen(self.parsed, c):
            return ""
        if written:
            return self.phrase(c)
        # "Wore a white coat and forgot": no coat forgot.
        nouns = [k for k in joined(self.parsed, c) if k == c or self.tokens[k].pos not in VERBAL]
        return listed_in_words([self.phrase(k, deep=True) for k in nouns])

    def place_phrase(self, c: int) -> str:
        """A preposition with what can be seen behind it."""
        prep = self.tokens[c].text.lower()
        if prep in _UNSEEN_PREP:
            return ""
        parts = []
        for k in self.parsed.children[c]:
            token = self.tokens[k]
            if token.dep == "prep":
                inner = self.place_phrase(k)
                if inner:
                    return f"{prep} {inner}"
            if token.dep != "pobj":
                continue
            if self.called(k):
                parts.append(listed_in_words([f"{{{p}}}" for p in self.called(k)]))
                continue
            if k in self.others:
                parts.append(self.other(k))
                continue
            where = token.lemma in _WHERE | _SO_MUCH and self._of_what(k)
            if prep == "by" and token.lemma in _LIGHTS:
                parts.append(token.lemma)
                continue
            sort = "thing" if where else sort_of(token.lemma)
            if sort in {None, "time"} and token.name not in NAMED_PLACES:
                return ""
            if token.pos not in {"NOUN", "PROPN"} or token.name in {"DATE", "TIME"}:
                return ""
            if prep == "from" and sort == "place":
                return ""  # where somebody comes from is not in the picture
            nouns = [j for j in joined(self.parsed, k) if self.tokens[j].pos not in VERBAL]
            parts.append(listed_in_words([self.phrase(j, deep=True) for j in nouns]))
        return f"{prep} {listed_in_words(parts)}" if parts else ""

    def _of_what(self, i: int) -> bool:
        """Whether it is the front, or the top, of something that can be seen."""
        of = (c for c in self.parsed.children[i] if self.tokens[c].text.lower() == "of")
        what = (k for c in of for k in self.parsed.children[c] if self.tokens[k].dep == "pobj")
        return any(
            sort_of(self.tokens[k].lemma) not in {None, "time"} or self.called(k) for k in what
        )

    def other(self, i: int) -> str:
        """The words for a pronoun that means nobody of the cast; a thing is there to be drawn."""
        words = self.others[i]
        if self.tokens[i].text.lower() == "it":
            self.things.append(words)
        return words


def listed_in_words(parts: list[str]) -> str:
    parts = [p for p in parts if p]
    return " and ".join([", ".join(parts[:-1]), parts[-1]] if len(parts) > 1 else parts)


def says_where(phrase: str) -> bool:
    """Whether it is one like "in front of his office"."""
    return any(word in _WHERE for word in phrase.split(" ")[1:3])


def _in_a_line(token: Token, before: Token | None) -> str:
    """A word as it is written where no sentence begins: "Children lay" is "children lie"."""
    opens = before is None or before.sentence != token.sentence
    return token.text[:1].lower() + token.text[1:] if opens and token.pos == "NOUN" else token.text
