"""Whom "they", "we", "the brothers" and "the two of them" mean: some of the cast, or people who are not in it."""

from collections.abc import Sequence

from cutreel.core.manuscript import KIN, pronoun_of
from cutreel.core.nouns import sort_of

from .clauses import OBJECT, SUBJECT, clause_of, subjects, unreal
from .focus import MOST_AGE, Others
from .known import Known
from .page import Meaning, Page
from .singular import CHILD, GONE, GROWN

MOST_TOGETHER = 4
_TOGETHER = frozenset({"friend", "traveller", "companion", "twin", "animal", "bird", "creature"})
_ELDERS = frozenset(
    "mother father aunt uncle grandmother grandfather mum dad mama papa mr mrs dr captain professor sergeant".split()
)
_OF_THINGS = frozenset(
    "click clink rattle ring chime jingle clatter crack creak shine glitter glow gleam burn smoke melt freeze rust "
    "float sink hang roll spin fit weigh cost taste smell last break drip".split()
)
"""What several things do that somebody has in hand."""
_BY_HAND = frozenset(
    "wrap lift tie untie build cook pack load unload unpack dig sew write pour open lock fold hang paint carry wash "
    "talk speak say sing read".split()
)
"""What people do and animals do not."""
_SIBLINGS = frozenset({"sister", "brother", "sibling", "daughter", "son"})


def group_meant(page: Page, i: int) -> Meaning | None:
    """The brothers, the two of them, the children: the group that was spoken of, where its people can be meant."""
    sort = sort_of(page.tokens[i].lemma)
    if sort not in {"person", "animal"} or not page.is_the(i):
        return None
    noun = page.tokens[i].lemma
    if noun in _SIBLINGS and (siblings := _siblings(page, i)):
        return Meaning(siblings, f"“{page.phrase(i)}”: those who can be so called", 0.65)
    sex = pronoun_of(noun)
    counted = page.number(i)
    group = tuple(f.id for f in page.now.focus if f.age < MOST_AGE and page.is_kind(f.id, sort))[
        :counted
    ]
    group = (
        group
        if counted and len(group) == counted
        else page.now.group
        or tuple(f.id for f in page.now.focus if f.age <= 2 and page.is_kind(f.id, sort))
    )
    people = [page.cast.people[p] for p in group if p in page.cast.people]
    fits = [
        p.id
        for p in people
        if p.kind == sort
        and p.id != page.owner(i)
        and not (sex and p.pronoun and p.pronoun != sex)
        and not (noun in CHILD and _is_grown(p))
        and not (noun in GROWN and p.age == "child")
    ]
    young = [p for p in fits if page.cast.people[p].age == "child"]
    if noun in CHILD and young:
        fits = young  # whose age is not told is none beside those who are children
    known = noun in CHILD | GROWN or noun in KIN or noun in _TOGETHER
    if not known or len(fits) < 2 or (noun not in CHILD and len(fits) < len(people)):
        return None
    return Meaning(tuple(fits), f"“{page.phrase(i)}”: the group spoken of last", 0.6)


def _is_grown(person: Known) -> bool:
    """Whether somebody is no child, by age, by how they are called, or by whose elders they are: "aunt Rosa". Nor is
    whoever is known by a role alone, "the stranger", unless that is a child's."""
    words = {word for call in person.calls for word in call.lower().rstrip(".").split()}
    role = not person.has_name and person.age != "child" and not words & (CHILD | KIN.keys())
    return person.age == "old" or role or bool(words & (GROWN | _ELDERS))


def _siblings(page: Page, i: int) -> tuple[int, ...]:
    """ "The sisters", "her brothers": all of that sex who were spoken of, without her whose they are."""
    sex, owner = pronoun_of(page.tokens[i].lemma), page.owner(i)
    counted = page.number(i)
    fits = [
        f.id
        for f in page.now.focus
        if f.id != owner
        and page.is_person(f.id)
        and page.cast.people[f.id].age != "old"
        and sex is not None
        and page.cast.people[f.id].pronoun == sex
    ]
    right = len(fits) == counted if counted else 2 <= len(fits) <= MOST_TOGETHER
    return tuple(sorted(fits)) if right else ()


def hear_of_others(page: Page, i: int) -> None:
    """Note people who are not in the cast and act, "the police", "two soldiers": "they" means them next."""
    token = page.tokens[i]
    acts = token.dep in SUBJECT or (token.dep == "attr" and page.there_was(i))
    if page.says[i] is not None or not acts:
        return
    if page.tokens[clause_of(page.parsed, i)].dep == "relcl":
        return  # "to the island where the seals were"
    if unreal(page.parsed, clause_of(page.parsed, i)) not in ("", "denied"):
        return  # who "never woke" is there all the same
    if _beside_them(page, i):
        return
    plural = token.tag == "NNS" and sort_of(token.lemma) in {"person", "animal"}
    if plural or sort_of(token.lemma) == "people":
        page.now.others = Others(_in_a_line(page, i), 0)


def _beside_them(page: Page, i: int) -> bool:
    """ "They hung lead on it, and tourists complained": it goes on about them."""
    verb = page.tokens[clause_of(page.parsed, i)]
    they = (page.tokens[s].text.lower() for s in subjects(page.parsed, verb.head))
    return verb.dep == "conj" and page.now.others is not None and "they" in they


def _in_a_line(page: Page, i: int) -> str:
    """A phrase as it is written where no sentence begins."""
    phrase, first = page.phrase(i), page.span(i)[0]
    opens = next(t for t in page.tokens if t.start == first)
    return phrase if opens.pos == "PROPN" else phrase[:1].lower() + phrase[1:]


def we(page: Page, i: int) -> Meaning | None:
    """The teller and who was there."""
    teller = page.cast.teller
    if teller is None:
        return None
    barred = page.barred(i)
    if (count := page.counted(i)) > 2:
        # "The three of us": as many as that.
        latest = [f.id for f in page.now.focus if f.id != teller and page.is_person(f.id)]
        if len(latest) >= count - 1:
            people = (teller, *latest[: count - 1])
            return Meaning(people, f"“{count} of us”: who was there last", 0.75)
    with_me = [p for p in page.now.group if p != teller and p not in barred]
    if not with_me:
        near = [
            f
            for f in page.now.focus
            if f.age <= GONE and f.id != teller and f.id not in barred and page.is_person(f.id)
        ]
        with_me = [f.id for f in near[:1]] + [f.id for f in near[1:2] if f.age <= 1]
    if any(_is_kin(page, p) for p in with_me):
        # Of a family's story: not the mayor with whom somebody danced.
        with_me = [p for p in with_me if _is_kin(page, p) or page.cast.people[p].has_name]
    people = tuple(dict.fromkeys([teller, *with_me]))
    return Meaning(people, "the teller and who was there", 0.6)


def _is_kin(page: Page, person: int) -> bool:
    known = page.cast.people.get(person)
    return known is not None and any(call in KIN for call in known.calls)


def they(page: Page, i: int) -> Meaning | None:
    """ "They": what is plural and was named last, or the people spoken of."""
    word = page.tokens[i].text.lower()
    if word == "both" and page.tokens[i].dep in {"preconj", "det"}:
        return None
    if _are_others(page, i) or (word == "they" and _long_ago(page, i)):
        return None
    before = [
        k for k in range(i) if page.tokens[k].tag in {"NNS", "NNPS"}
        and page.tokens[i].sentence - page.tokens[k].sentence <= 1 and page.says[k] is None
    ]  # fmt: skip
    own = clause_of(page.parsed, i)
    acting = [
        k
        for k in before
        if (page.tokens[k].dep in SUBJECT or (page.tokens[k].dep == "attr" and page.there_was(k)))
        and k not in page.taken
        # "The fishermen saw them": not themselves.
        and not (page.tokens[i].dep in OBJECT and clause_of(page.parsed, k) == own)
    ]
    others = [
        k for k in before if k not in page.taken and sort_of(page.tokens[k].lemma) == "person"
    ]
    if acting or (others and len(page.now.group) < 2):
        return None  # "with four friends ... each of them"
    if page.tokens[i].dep in SUBJECT and _things_of_late(page, i, before):
        return None  # "he sewed the buttons on, and when the wind blew they clicked"
    if page.tokens[i].dep in OBJECT and any(
        k not in page.taken and sort_of(page.tokens[k].lemma) not in {"person", "people", None}
        and (len(page.now.group) < 2 or page.tokens[k].sentence == page.tokens[i].sentence or _lies_on(page, i))
        for k in before
    ):  # fmt: skip
        return None  # "a line of lights, and he steered between them"
    if word == "they" and (owner := _with_hers(page, i)) is not None:
        return Meaning((owner,), f"“{page.tokens[i].text}”: she and hers", 0.6)
    return _together(page, i)


def _lies_on(page: Page, i: int) -> bool:
    """ "She laid her hand upon them": things sooner than people."""
    return page.tokens[i].dep == "pobj" and page.tokens[page.tokens[i].head].lemma in {
        "on", "upon", "onto", "into", "in", "over", "through", "off",
    }  # fmt: skip


def _with_hers(page: Page, i: int) -> int | None:
    """ "Her husband blew the horn, and they drove away": whose husband it is, and he."""
    token = page.tokens[i]
    for k in range(i - 1, -1, -1):
        other = page.tokens[k]
        if other.sentence != token.sentence:
            return None
        if other.dep in SUBJECT:
            own = other.pos == "NOUN" and other.lemma in KIN and k not in page.taken
            return page.owner(k) if own else None
    return None


def _things_of_late(page: Page, i: int, plurals: Sequence[int]) -> bool:
    """Whether several things were handled in the sentence, in which no two people are told of, and it is done what
    things do."""
    here = [f for f in page.now.focus if f.age == 0 and page.is_person(f.id)]
    does = page.tokens[clause_of(page.parsed, i)].lemma
    return (
        does in _OF_THINGS
        and len(here) < 2
        and any(
            page.tokens[k].sentence == page.tokens[i].sentence
            and page.tokens[k].dep in OBJECT
            and sort_of(page.tokens[k].lemma) in {"thing", "food", "plant", "garment"}
            for k in plurals
        )
    )


def _are_others(page: Page, i: int) -> bool:
    """Whether it means people who are not in the cast: they acted last, and no group of the cast did since."""
    others = page.now.others
    if others is None or others.age > GONE:
        return False
    group = [f for f in page.now.focus if f.id in page.now.group]
    if len(group) > 1 and max(f.age for f in group) < others.age:
        return False
    if page.tokens[i].dep not in SUBJECT and others.age > 0:
        # "The fishermen saw them": not themselves; later "them" may be.
        return False
    if page.tokens[i].dep in OBJECT and _acts_here(page, i):
        return False
    phrase = others.phrase
    nearer = [
        k
        for k in range(i)
        if page.tokens[k].tag == "NNS"
        and page.tokens[k].sentence == page.tokens[i].sentence
        and k not in page.taken
        and page.says[k] is None
        and sort_of(page.tokens[k].lemma) == "person"
    ]
    if nearer and page.tokens[i].dep in SUBJECT:
        phrase = _in_a_line(page, nearer[-1])  # "he led the senators up, and they watched"
    page.others[i] = phrase
    if page.tokens[i].dep in SUBJECT:
        page.now.others = Others(phrase, 0)
    return True


def _long_ago(page: Page, i: int) -> bool:
    """ "They closed the factory years ago": nobody that was told of."""
    verb = clause_of(page.parsed, i)
    ago = any(page.tokens[c].text.lower() == "ago" for c in page.parsed.children[verb])
    return (
        ago
        and page.tokens[i].dep in SUBJECT
        and not any(k < i and len(p) > 1 for k, p in page.taken.items())
    )


def _acts_here(page: Page, i: int) -> bool:
    """Whether it is the clause of those others themselves, who do not do it to themselves."""
    verb = clause_of(page.parsed, i)
    return any(page.tokens[c].dep in SUBJECT for c in page.parsed.children[verb])


def _together(page: Page, i: int) -> Meaning | None:
    near = [f for f in page.now.focus if f.age <= 2 and f.id in page.cast.people
            and page.cast.people[f.id].kind != "thing"]  # fmt: skip
    if sum(page.is_person(f.id) for f in near) > 1:
        near = [f for f in near if page.is_person(f.id)]
    counted = page.counted(i)
    if counted:
        barred = page.barred(i)  # "she sang for the two of them"
        others = [f.id for f in page.now.focus if page.is_person(f.id) and f.id not in barred]
        people = others[:counted]
        if len(people) == counted:
            word = page.tokens[i].text
            return Meaning(tuple(people), f"“{word}”: the last {counted}", 0.6)
    ids = {f.id for f in near}
    by_hand = page.tokens[clause_of(page.parsed, i)].lemma in _BY_HAND
    group = [
        p for p in page.now.group if p in page.cast.people and (page.is_person(p) or not by_hand)
    ]
    if len(group) > 1 and ids & set(group):
        extra = [f.id for f in near if f.age == 0 and f.id not in group]
        barred = page.barred(i)  # "he sat down beside them"
        people = [p for p in (*group, *extra) if p not in barred][:MOST_TOGETHER]
        return Meaning(tuple(people), "“they”: those spoken of together", 0.75)
    alone = len(near) == 1 or (by_hand and sum(page.is_person(f.id) for f in near) < 2)
    if alone and page.tokens[i].dep in SUBJECT:
        # Two people of a scene, one of whom has not been named for a while; a dog beside them wraps nothing.
        pair = [f.id for f in page.now.focus if f.age < MOST_AGE and page.is_person(f.id)][:2]
        if len(pair) == 2:
            return Meaning(tuple(pair), "“they”: the two who are there", 0.5)
    elif len(near) > 1:
        return Meaning(tuple(f.id for f in near)[:3], "“they”: those spoken of last", 0.6)
    return None
