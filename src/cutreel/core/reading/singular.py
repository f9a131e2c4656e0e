"""Whom "she", "it" and "the old woman" mean.

The order of preference for a pronoun is that of centring theory (Grosz, Joshi and Weinstein 1995): who was last spoken
of, the subject before others, with agreement of sex and number; an object is never its own clause's subject (binding).
"""

from cutreel.core.manuscript import SPECIES, Pronoun, pronoun_of
from cutreel.core.nouns import sort_of

from .clauses import OBJECT, SUBJECT, clause_of, subjects
from .focus import MOST_AGE, SURE, Focus
from .memories import memories
from .page import SOMEBODY, Meaning, Page, Spoken

GONE = 4
"""Sentences after which a pronoun does not mean somebody any more without a name between."""
APART = 1
"""Sentences by which somebody was spoken of later than another, so that only they are near."""
OPEN_SEX = 1.2
"""What it weighs against somebody that it is not known whether they are called so."""
TOLD_OF = 0.5
"""The same of who has just been named: "Dr Klee came in. He bowed." """
CHILD = frozenset({"boy", "girl", "child", "kid", "lad", "lass", "baby", "maiden", "youngster"})
GROWN = frozenset({"man", "woman", "lady", "gentleman", "widow"})
_ANY_ONE = frozenset({"animal", "bird", "creature", "beast", "stranger", "figure", "fellow"})


def she_or_he(page: Page, i: int, sex: Pronoun, said: Spoken | None) -> Meaning | None:
    """Whom "she" or "he" means; None where it is nobody of the cast, or nobody can tell."""
    named = _named_so(page, i)
    if named is not None:
        return Meaning((named,), "called so here", 0.95)
    if said is None and _is_a_newcomers(page, i, sex):
        return None
    barred = page.barred(i)
    if said is not None and said.speaker is not None:
        barred = barred | {said.speaker}
    scored = _scored(page, i, sex, barred)
    if not scored:
        return _only_one(page, sex, barred)
    scored.sort(reverse=True)
    best, person = scored[0]
    if person < 0:
        return _who_is_called_so_later(page, sex, barred)
    margin = best - _rival(page, scored[1]) if len(scored) > 1 else 2.0
    sure = min(0.95, 0.55 + 0.2 * max(0.0, min(2.0, margin)))
    last = next(f for f in page.now.focus if f.id == person)
    if last.age > GONE:
        sure = min(sure, 0.5)
    word = page.tokens[i].text
    if last.sure < SURE <= sure:
        return Meaning((person,), f"“{word}”: goes on from a guess", last.sure)
    why = "the only one it can be" if len(scored) == 1 else "who was spoken of last"
    return Meaning((person,), f"“{word}”: {why}", sure)


def _is_a_newcomers(page: Page, i: int, sex: Pronoun) -> bool:
    """ "Every doctor had to wash his hands", "a man took off his hat": theirs, and nobody's of the cast."""
    token = page.tokens[i]
    if token.dep != "poss" or not page.is_on_body(i):
        return False
    own = subjects(page.parsed, clause_of(page.parsed, i))
    return bool(own) and all(
        s < i
        and s not in page.taken
        and page.tokens[s].tag == "NN"
        and sort_of(page.tokens[s].lemma) == "person"
        and pronoun_of(page.tokens[s].lemma) in (None, sex)
        and not page.definite(s)
        for s in own
    )


def _named_so(page: Page, i: int) -> int | None:
    """ "Everybody called her Little": she is who is named so."""
    token = page.tokens[i]
    if token.dep != "dobj" or page.tokens[token.head].lemma not in {"call", "name", "christen"}:
        return None
    behind = [c for c in page.parsed.children[token.head] if c > i and c in page.calls]
    return page.calls[behind[0]][2] if behind else None


def _scored(page: Page, i: int, sex: Pronoun, barred: set[int]) -> list[tuple[float, int]]:
    """Those who were spoken of and can be called so, with how near each comes."""
    own = page.own_subject(i)
    # "The captain lifted his hand" tells more than a "her" before it that was somebody else's.
    is_own = page.tokens[i].dep == "poss" and page.is_on_body(i)
    scored: list[tuple[float, int]] = []
    for rank, f in enumerate(page.now.focus):
        if f.id in barred or f.age >= MOST_AGE or f.id in (page.cast.teller, page.cast.listener):
            continue
        score = -1.0 * f.age + (0.9 if f.subject else 0) - 0.05 * rank
        p = page.cast.people.get(f.id)
        if p is None:
            if f.id in (SOMEBODY[sex], SOMEBODY[None]) and f.age <= 2:
                scored.append((score - (1.2 if f.id == SOMEBODY[None] else 0.3), f.id))
            continue
        if p.pronoun not in (None, sex) or (p.kind == "thing" and p.pronoun is None):
            continue
        if p.pronoun is None and f.called not in (None, sex) and not (f.id == own and is_own):
            continue
        if p.pronoun is None and f.called is None:
            # An animal with a name is called so sooner than one without.
            known = page.cast.is_somebody(p)
            named = p.kind == "animal" and p.has_name
            # "The Swallow" is somebody; a dog called Biscuit is a dog.
            plain = named and any(c.startswith("the ") for c in p.calls[1:])
            if plain and _is_said_of_people(page, sex):
                score -= NAMED_BEAST
            told_of = p.has_name and f.age == 1 and f.subject and _opens(page, i)
            open_sex = TOLD_OF if told_of else OPEN_SEX
            score -= 0.6 if named else open_sex if p.kind == "person" or known else 2.6
            if p.kind == "animal" and f.age > (GONE if known else 1):
                continue
        if f.id == own and page.tokens[i].dep == "poss":
            score += 1.5
        scored.append((score, f.id))
    return scored


def _opens(page: Page, i: int) -> bool:
    """Whether a sentence opens with the word."""
    return i > 0 and page.tokens[i - 1].sentence != page.tokens[i].sentence


def _who_is_called_so_later(page: Page, sex: Pronoun, barred: set[int]) -> Meaning | None:
    """ "Somebody was standing there. He was tall … the man was gone": the only one whom the text calls "the man", and
    by no name, where he was not spoken of yet."""
    spoken_of = {f.id for f in page.now.focus}
    may = [
        p.id
        for p in page.cast.people.values()
        if p.pronoun == sex and p.kind == "person" and not p.has_name and GROWN & set(p.calls)
    ]
    if len(may) != 1 or may[0] in barred | spoken_of:
        return None
    return Meaning((may[0],), "whom it calls so further on", SURE)


NAMED_BEAST = 0.8
"""What an animal that has a name, and no sex yet, loses where a person may be meant."""


def _is_said_of_people(page: Page, sex: Pronoun) -> bool:
    """Whether "she" is sooner a girl than her dog, of which no sex is told: she was told of just before."""
    near = (page.cast.people.get(f.id) for f in page.now.focus if f.age <= GONE)
    return any(p is not None and p.kind == "person" and p.pronoun == sex for p in near)


def _only_one(page: Page, sex: Pronoun, barred: set[int]) -> Meaning | None:
    """The only one of the cast who is called so, where nobody was spoken of."""
    same = [
        p.id
        for p in page.cast.people.values()
        if p.pronoun == sex
        and p.id not in barred
        and p.kind in ("person", "thing")
        and p.id != page.cast.listener  # who is always "you"
    ]
    # Whom a text never names is called by a word for anybody.
    anybody = [p for p in same if (CHILD | GROWN) & set(page.cast.people[p].calls)]
    never = [p for p in anybody if not page.cast.people[p].has_name]
    same = never or anybody or same
    if len(same) != 1:
        return None
    # Somebody else may have been told of; else it is who is named later, or never.
    alone = not any(f.id < 0 for f in page.now.focus)
    return Meaning((same[0],), f"the only “{sex}” there is", SURE if alone else 0.5)


def _rival(page: Page, scored: tuple[float, int]) -> float:
    """How near the next one comes: whether somebody is called so may only be unknown as yet."""
    score, person = scored
    p = page.cast.people.get(person)
    return score + (OPEN_SEX if p is not None and p.kind == "person" and not p.pronoun else 0)


def _is_written(page: Page, i: int) -> bool:
    """ "On the card it said": nobody speaks."""
    verb = page.tokens[i].head
    on = (
        c
        for c in page.parsed.children[verb]
        if c < i and page.tokens[c].text.lower() in {"on", "in"}
    )
    what = [page.tokens[k] for c in on for k in page.parsed.children[c]]
    return page.tokens[verb].lemma in {"say", "read"} and any(t.dep == "pobj" for t in what)


def _is_a_thing(page: Page, i: int) -> bool:
    """ "It was a blue envelope": no animal is that."""
    verb = page.tokens[i].head
    what = [page.tokens[c] for c in page.parsed.children[verb] if page.tokens[c].dep == "attr"]
    return page.tokens[verb].lemma == "be" and any(
        sort_of(t.lemma) in {"thing", "food", "garment", "plant", "place"} for t in what
    )


_THINGS = frozenset({"thing", "food", "garment", "plant", "place"})
_OF_THE_MIND = frozenset(
    "think know forget hear talk speak wonder believe understand regret".split()
)
_AS_THINGS_DO = frozenset(
    "be make look seem take work cost weigh hold fit break lie hang stand float".split()
)


def _is_what_was_told(page: Page, i: int) -> bool:
    """Whether "it" is a thing spoken of, and no animal: "she unbuckled the shell and crept out of it. Without it she
    was small"; or the matter itself: "she thought about it"."""
    token = page.tokens[i]
    verb = page.tokens[clause_of(page.parsed, i)].lemma
    acts = token.dep in SUBJECT
    if not acts and verb in _OF_THE_MIND and token.dep == "pobj":
        return True
    for k in range(i - 1, -1, -1):
        other = page.tokens[k]
        if token.sentence - other.sentence > 1:
            return False
        before = other.sentence < token.sentence
        if (
            k in page.taken
            and not page.is_person(page.taken[k][0])
            and not (before and other.dep in SUBJECT)
        ):
            return False  # an animal was spoken of since
        if other.text.lower() == "it" and k not in page.taken and page.says[k] is None:
            return not acts or verb in _AS_THINGS_DO
        handled = other.dep in OBJECT and sort_of(other.lemma) in _THINGS and k not in page.taken
        if handled and not before and not acts and page.says[k] is None:
            return True
    return False


def it(page: Page, i: int) -> Meaning | None:
    """ "It": an animal or a thing of the cast that was the last to do something."""
    if _is_written(page, i) or _is_what_was_told(page, i):
        return None
    for f in page.now.focus:
        p = page.cast.people.get(f.id)
        if p is not None and p.kind != "person" and p.pronoun is None and f.age <= 1:
            if p.kind == "animal" and _is_a_thing(page, i):
                continue
            if f.id in page.barred(i):
                continue  # nothing does it to itself by "it"
            if page.tokens[i].dep in SUBJECT or page.tokens[i].dep in OBJECT:
                other = [
                    k for k in range(i)
                    if page.tokens[k].dep in SUBJECT and page.tokens[k].pos == "NOUN"
                    and k not in page.taken and page.tokens[i].sentence - page.tokens[k].sentence <= 1
                ]  # fmt: skip
                if not other:
                    return Meaning((f.id,), "“it”: who acted last", 0.6)
            return None
    return None


def noun_meant(page: Page, i: int) -> int | None:
    """Somebody whom "the woman", "the animal" can mean."""
    token = page.tokens[i]
    below = [page.tokens[c] for c in page.parsed.children[i]]
    if not any(
        t.dep in {"det", "poss"} and t.text.lower() in {"the", "this", "that"} for t in below
    ):
        return None
    noun = token.lemma
    animal = sort_of(noun) == "animal"
    if animal and (same := _same_animal(page, noun)) is not None:
        return same
    if noun not in CHILD | GROWN | _ANY_ONE:
        return None
    aged = {t.lemma for t in below} & {"old", "elderly", "young"}
    near = sorted(page.now.focus, key=lambda f: (f.age, not f.subject))
    may = [f.id for f in near if _can_be(page, i, noun, animal, f)]
    if not aged:
        return may[0] if may else None
    age = "young" if "young" in aged else "old"
    told = [n for n in may if (page.cast.people[n].age == "old") == (age == "old")]
    # Of whom no age was told, the only one near who is grown is "the old man".
    untold = [n for n in may if page.cast.people[n].age not in ("old", "child", "young")]
    if told or age != "old" or not untold:
        return told[0] if told else None
    far = {f.id: f.age for f in near}
    alone = len(untold) == 1 or far[untold[1]] - far[untold[0]] >= APART
    return untold[0] if alone else None


def _can_be(page: Page, i: int, noun: str, animal: bool, f: Focus) -> bool:
    """Whether somebody who was spoken of can be "the woman", whatever their age."""
    sex = pronoun_of(noun)
    p = page.cast.people.get(f.id)
    if p is None or f.age >= MOST_AGE or f.id == page.cast.teller:
        return False  # whoever tells it is "I"
    if (animal or noun in {"creature", "beast"}) != (p.kind == "animal"):
        return False
    if sex and p.pronoun and p.pronoun != sex:
        return False
    if noun in CHILD and p.age != "child" and not _was_young(page, i, f.id):
        return False
    return not (noun in GROWN and p.age == "child")


def _was_young(page: Page, i: int, person: int) -> bool:
    """Whether somebody grown can be "the boy" of a remembered scene."""
    token = page.tokens[i]
    return token.sentence in memories(page.parsed) and page.own_subject(i) != person


def _same_animal(page: Page, noun: str) -> int | None:
    """ "The fox" is the vixen, "the dog" is the terrier."""
    kind = SPECIES.get(noun, noun)
    for f in page.now.focus:
        p = page.cast.people.get(f.id)
        words = {w.lower().removeprefix("the ") for w in p.calls} if p else set()
        if p and p.kind == "animal" and kind in {SPECIES.get(w, w) for w in words}:
            return p.id
    return None
