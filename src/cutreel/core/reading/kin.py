"""Whom words of kin mean: "her father" is whose daughter she was said to be."""

from cutreel.core.manuscript import KIN, SAME_KIN, Pronoun, pronoun_of

from .focus import Kin
from .page import Page

_CHILDREN = frozenset({"daughter", "son", "child"})
BACK: dict[str, tuple[frozenset[str], Pronoun | None]] = {
    "father": (_CHILDREN, "he"), "mother": (_CHILDREN, "she"),
    "brother": (frozenset({"brother", "sister", "twin"}), "he"),
    "sister": (frozenset({"brother", "sister", "twin"}), "she"), "husband": (frozenset({"wife"}), "he"),
    "wife": (frozenset({"husband"}), "she"), "uncle": (frozenset({"niece", "nephew"}), "he"),
    "aunt": (frozenset({"niece", "nephew"}), "she"), "niece": (frozenset({"uncle", "aunt"}), "she"),
    "nephew": (frozenset({"uncle", "aunt"}), "he"), "grandmother": (frozenset({"granddaughter", "grandson"}), "she"),
    "grandfather": (frozenset({"granddaughter", "grandson"}), "he"), "friend": (frozenset({"friend"}), None),
}  # fmt: skip
"""What somebody is to whom one is a daughter, a niece, ..., and how they are called."""
MOST_KIN = 12
NOBODY = 0
"""Whose kin somebody is where that is not one of the cast."""


def _kin_word(page: Page, i: int) -> str:
    word = page.tokens[i].lemma
    return SAME_KIN.get(word, word)


def learn_kin(page: Page, noun: int, person: int) -> None:
    """ "His daughter Signe": from now on "her father" is he."""
    word = _kin_word(page, noun)
    if word not in KIN:
        return
    # Of several ("their aunt Rosa") it is nobody's in particular.
    owner = page.owner(noun) or page.owner(page.tokens[noun].head) or NOBODY
    if owner != person:
        known = dict.fromkeys((*page.now.kin, Kin(owner, word, person)))
        page.now.kin = tuple(known)[-MOST_KIN:]


def kin_meant(page: Page, i: int) -> int | None:
    """Whom "her father" means, from what was said of their kin, or of the only girl or boy there is."""
    if _kin_word(page, i) not in KIN:
        return None
    return _told(page, i) or _young(page, i)


def _told(page: Page, i: int) -> int | None:
    word, owner = _kin_word(page, i), page.owner(i)
    if owner is None:
        return None
    for k in page.now.kin:
        if (k.owner, k.noun) == (owner, word):
            return k.person
    only = {k.person for k in page.now.kin if k.noun == word and k.owner == NOBODY} - {owner}
    if len(only) == 1:
        return only.pop()
    if word not in BACK:
        return None
    nouns, sex = BACK[word]
    back = (k.owner for k in page.now.kin if k.person == owner and k.owner and k.noun in nouns)
    return next((o for o in back if page.cast.people[o].pronoun in (sex, None)), None)


def _young(page: Page, i: int) -> int | None:
    """ "His daughter came ... the girl said": the one girl of the cast, who was not spoken of yet."""
    noun = page.tokens[i].lemma
    if noun not in _CHILDREN or page.owner(i) is None:
        return None
    sex = pronoun_of(noun)
    fits = [
        p
        for p in page.cast.people.values()
        if {"girl", "boy", "child"} & set(p.calls) and p.pronoun in (None, sex)
    ]
    known = {f.id for f in page.now.focus}
    return fits[0].id if len(fits) == 1 and fits[0].id not in known else None
