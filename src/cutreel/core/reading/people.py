"""Who is meant by every name, pronoun and "the old woman", and whether they are there to be seen.

Read paragraph by paragraph; what one paragraph hands on to the next is small (who was spoken of last), so that an edit
is read again only as far as it changes that. Each link says why, and how sure it is (0 … 1). Whom one word means is
told by `singular`, `plural` and `kin`.
"""

import re

from cutreel.core.manuscript import pronoun_of
from cutreel.core.nouns import sort_of

from .clauses import ANYBODY, SUBJECT, compared, listed, unreal
from .focus import Carried, Mention
from .kin import kin_meant, learn_kin
from .known import Cast
from .page import SINGULAR, SOMEBODY, Page, Paragraph
from .plural import group_meant, hear_of_others, they, we
from .singular import it, noun_meant, she_or_he

_THEM = frozenset({"they", "them", "their", "theirs", "themselves", "both"})
_US = frozenset({"we", "us", "our", "ours", "ourselves"})
_ME = frozenset({"i", "me", "my", "mine", "myself"})
_YOU = frozenset({"you", "your", "yours", "yourself"})
_HEARD_FROM = frozenset("phone telephone line radio intercom loudspeaker wireless".split())


def people_in(
    paragraph: Paragraph, cast: Cast, before: Carried
) -> tuple[tuple[Mention, ...], dict[int, str], Carried]:
    """The mentions of a paragraph, in order; the plural words (by token) that mean others, with the words for those;
    and what it hands on."""
    reader = _Reader(Page(paragraph, cast, before))
    reader.read()
    now = reader.page.now
    after = Carried(tuple(now.focus), now.group, tuple(now.spoke[:2]), now.kin, now.others)
    return tuple(sorted(now.out)), reader.page.others, after


TOGETHER = 3
"""So many of whom a sentence says what they do or are go on together."""
TOLD_NEXT = "who that is, is told next"
"""Why a newcomer is somebody: what is said of how they look is not how they looked before."""
_NTH = re.compile(r"(?:first|second|third|[a-z]+th|last|next|other)")


class _Reader:
    """Goes through a paragraph word by word."""

    def __init__(self, page: Page) -> None:
        self.page, self.tokens = page, page.tokens

    def read(self) -> None:
        page, sentence = self.page, 0
        for s in page.spoken:
            if s.speaker is not None and s.start == 0:
                self._hear(s.speaker)
        page.now.next_sentence()
        for i, token in enumerate(self.tokens):
            if token.sentence != sentence:
                sentence = token.sentence
                self._group_of_sentence()
                page.now.next_sentence()
            said = page.says[i]
            if said is not None and said.speaker is not None:
                self._hear(said.speaker)
            if page.answers and self._answered(i):
                continue
            if not self._call(i):
                self._pronoun(i)

    def _group_of_sentence(self) -> None:
        """ "Biscuit was the brains, Mags was the muscle, and Dumpling was always hungry": they are told of together."""
        now = self.page.now
        here = [f.id for f in now.focus if f.age == 0 and f.subject and f.id > 0]
        if len(here) >= TOGETHER and not set(here) <= set(now.group):
            now.group = tuple(reversed(here))

    def _answered(self, i: int) -> bool:
        """Whether the maker said whom the word means: then it does, and what follows goes on from it."""
        page, token = self.page, self.tokens[i]
        if token.pos in {"PUNCT", "DET", "ADJ"} and i not in page.calls:
            return False
        at = next(
            (
                a
                for a in page.answers
                if token.start <= a + 1 and a < token.end and a >= token.start - 1
            ),
            None,
        )
        if at is None:
            return False
        people = [p for p in page.answers[at] if p in page.cast.people]
        start = min(token.start, page.calls[i][0]) if i in page.calls else token.start
        page.note(i, people, "as you said", 1.0, (start, token.end))
        return True

    def _hear(self, speaker: int) -> None:
        now = self.page.now
        if now.spoke[:1] != [speaker]:
            now.spoke = [speaker, *(s for s in now.spoke if s != speaker)][:3]

    def _call(self, i: int) -> bool:
        """A name or a role of the cast, or a noun that can only mean some of them."""
        if i in self.page.calls:
            # "A man called Pell": he, though another is "the man".
            if self.page.calls[i][3] and self._named_behind(i):
                return True
            return self._by_call(i, *self.page.calls[i])
        token = self.tokens[i]
        if token.pos == "PROPN":
            return self._named_behind(i)  # "a young Spaniard named Pablo"
        if token.pos != "NOUN" or token.dep in {"compound", "npadvmod"}:
            return False
        return self._plural_noun(i) if token.tag == "NNS" else self._noun(i)

    def _by_call(self, i: int, start: int, end: int, person: int, role: bool) -> bool:
        page, token = self.page, self.tokens[i]
        if role and token.dep == "poss" and not page.definite(i):
            return False  # "a shepherd's hut" is nobody's in particular
        animal = page.cast.people[person].kind == "animal"
        if (
            role
            and not animal
            and not page.definite(i)
            and any(f.id == person for f in page.now.focus)
        ):
            return False  # "a woman", when the woman is known already, is another; bees look alike
        if role and token.dep in {"attr", "compound"} and not page.there_was(i):
            return self._comes_as(i) and self._note_role(i, start, end, person)
        if role and self._is_an_older_one(i, person):
            return self._noun(i)
        head = token.head
        before = page.taken.get(head, ())
        beside = token.dep == "appos" and not listed(page.parsed, i)
        if beside and token.lemma in ANYBODY and len(before) == 1:
            # "The driver, an old man": that is the driver, whoever else is called a man.
            page.note(i, before, "by what stands beside", 0.9, (start, end))
            return True
        if beside and sort_of(self.tokens[head].lemma) in {"person", "animal"}:
            # "My uncle Otto": he stands where the noun before him does.
            learn_kin(page, head, person)
            page.note(head, [person], "by name", 1.0, (min(start, page.span(head)[0]), end))
            return True
        for k in page.parsed.children[i]:
            learn_kin(page, k, person)
        why, sure = ("by role", 0.95) if role else ("by name", 1.0)
        came = None if role else self._who_came(i)
        if came is not None:
            page.note(came, [person], TOLD_NEXT, 0.9, page.span(came))
        page.note(i, [person], why, sure, (start, end))
        return True

    def _who_came(self, i: int) -> int | None:
        """ "Beside her stood a tall man. It was Emil": the newcomer, of whom it is told next who that is."""
        verb = self.tokens[i].head
        told = self.tokens[i].dep == "attr" and self.tokens[verb].lemma == "be"
        who = [self.tokens[c] for c in self.page.parsed.children[verb] if c < i]
        if not told or [t.text.lower() for t in who if t.dep in SUBJECT] != ["it"]:
            return None
        if unreal(self.page.parsed, verb):
            return None
        for k in range(verb - 1, -1, -1):
            token = self.tokens[k]
            if self.tokens[verb].sentence - token.sentence > 1:
                return None
            if token.pos == "NOUN" and token.tag == "NN" and sort_of(token.lemma) == "person":
                below = {self.tokens[c].text.lower() for c in self.page.parsed.children[k]}
                new = bool(below & {"a", "an"}) and k not in self.page.taken
                return k if new else None
        return None

    def _comes_as(self, i: int) -> bool:
        """ "His first customer was a cattle farmer": there he is, and nobody else of the cast is said to be one."""
        page, token = self.page, self.tokens[i]
        verb = self.tokens[token.head]
        of = [c for c in page.parsed.children[token.head] if self.tokens[c].dep in SUBJECT]
        return (
            token.dep == "attr"
            and verb.lemma == "be"
            and bool(of)
            and all(
                (
                    (self.tokens[s].pos == "NOUN" and sort_of(self.tokens[s].lemma) == "person")
                    or _NTH.fullmatch(self.tokens[s].text.lower())
                )
                and s not in page.taken
                and s not in page.calls
                for s in of
            )
            and not unreal(page.parsed, token.head)
        )

    def _note_role(self, i: int, start: int, end: int, person: int) -> bool:
        self.page.note(i, [person], "by role", 0.95, (start, end))
        return True

    def _is_an_older_one(self, i: int, person: int) -> bool:
        """ "With the old man behind her": the old farmer, where "the man" is not told to be old."""
        page = self.page
        below = {self.tokens[c].lemma for c in page.parsed.children[i]}
        if not below & {"old", "elderly"} or page.cast.people[person].age:
            return False
        near = (page.cast.people.get(f.id) for f in page.now.focus)
        sex = page.cast.people[person].pronoun
        return any(p is not None and p.age == "old" and p.pronoun == sex for p in near)

    def _plural_noun(self, i: int) -> bool:
        found = group_meant(self.page, i)
        if found is None:
            hear_of_others(self.page, i)
            return False
        self.page.note_meaning(i, found, self.page.span(i))
        return True

    def _noun(self, i: int) -> bool:
        page, token = self.page, self.tokens[i]
        sort = sort_of(token.lemma)
        if sort == "people":
            hear_of_others(page, i)
        if sort == "person" and token.dep == "attr" and self._is_who_it_is(i):
            # "It is your mother. She asks ...": somebody who is not in the cast.
            self.page.now.touch(SOMEBODY[pronoun_of(token.lemma)], True)
        if sort not in {"person", "animal"} or token.dep in {"attr", "appos"}:
            return self._named_behind(i)
        if self._named_behind(i):
            return True
        kin = kin_meant(page, i)
        if kin is not None:
            page.note(i, [kin], f"“{page.phrase(i)}”: told before", 0.9, page.span(i))
            return True
        if self._is_named(i):
            return False
        if self._is_only_heard(i):
            return False
        found = noun_meant(page, i) if page.definite(i) else None
        if found is None:
            if page.says[i] is None and not compared(page.parsed, i) and not self._is_baby(i):
                # Behind "her mother" she is sooner the one whose mother that is; "her late husband" is nobody more.
                acts = token.dep in SUBJECT and page.owner(i) is None
                below = {self.tokens[c].text.lower() for c in page.parsed.children[i]}
                if not below & {"late", "dead"}:
                    page.now.touch(SOMEBODY[pronoun_of(token.lemma)], acts)
            return False
        why = f"“{page.phrase(i)}”: the last who can be meant"
        page.note(i, [found], why, 0.7, page.span(i))
        return True

    def _is_who_it_is(self, i: int) -> bool:
        tokens, verb = self.tokens, self.tokens[i].head
        below = [c for c in self.page.parsed.children[verb] if tokens[c].dep in SUBJECT]
        it = any(tokens[c].text.lower() in {"it", "this", "that"} for c in below)
        named = i in self.page.calls or kin_meant(self.page, i) is not None
        return it and not named and self.page.says[i] is None

    def _is_only_heard(self, i: int) -> bool:
        """ "The woman on the phone": she is nobody who is here."""
        on = [
            c for c in self.page.parsed.children[i] if self.tokens[c].text.lower() in {"on", "over"}
        ]
        told = {self.tokens[k].lemma for c in on for k in self.page.parsed.children[c]}
        return not told.isdisjoint(_HEARD_FROM)

    def _is_named(self, i: int) -> bool:
        """ "The last man was Gunnar Kaasen": he, and not who was told of before."""
        verb = self.tokens[i].head
        return self.tokens[i].dep in SUBJECT and any(
            self.tokens[c].dep == "attr" and c in self.page.calls
            for c in self.page.parsed.children[verb]
        )

    def _is_baby(self, i: int) -> bool:
        """Whether "he" hardly means them next."""
        page = self.page
        return self.tokens[i].lemma == "baby" or any(
            self.tokens[c].lemma == "baby" for c in page.parsed.children[i]
        )

    def _named_behind(self, i: int) -> bool:
        """ "A girl called Wenna": she stands where the noun does."""
        page = self.page
        for c in page.parsed.children[i]:
            if self.tokens[c].dep != "acl" or self.tokens[c].lemma not in {"call", "name"}:
                continue
            for k in page.parsed.children[c]:
                if k in page.calls and k not in page.taken:
                    _, end, person, _ = page.calls.pop(k)
                    page.note(i, [person], "by name", 1.0, (page.span(i)[0], end))
                    return True
        return False

    def _pronoun(self, i: int) -> None:
        page, token = self.page, self.tokens[i]
        word, said, span = token.text.lower(), page.says[i], (token.start, token.end)
        found = None
        if word == "hers" and (own := page.own_subject(i)) is not None:
            page.note(i, [own], "“hers”: who does it", 0.9, span)
        elif word in SINGULAR and token.tag in {"PRP", "PRP$"}:
            found = she_or_he(page, i, SINGULAR[word], said)
        elif word in _ME and said is not None:
            if said.speaker is not None:
                page.note(i, [said.speaker], "who speaks", 0.95, span)
        elif said is not None:
            return
        elif word in _ME:
            if page.cast.teller is not None:
                page.note(i, [page.cast.teller], "who tells it", 1.0, span)
        elif word in _YOU:
            if page.cast.listener is not None:
                page.note(i, [page.cast.listener], "to whom it is told", 1.0, span)
        elif word in _US:
            found = we(page, i)
        elif word in _THEM:
            found = they(page, i)
        elif word == "it" and token.tag == "PRP":
            found = it(page, i)
        elif word in {"its", "itself"}:
            own = page.own_subject(i)
            if own is not None and not page.is_person(own):
                page.note(i, [own], "“it”: who does it", 0.9, span)
        if found is not None:
            page.note_meaning(i, found, span)
