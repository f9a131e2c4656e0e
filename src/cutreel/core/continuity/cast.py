"""Cast and places proposed from the manuscript. Everything here is a guess, is marked as one, and
says why."""

import re
from collections.abc import Sequence
from dataclasses import replace
from typing import Literal

from cutreel.core.manuscript import (
    KIN,
    UNKNOWN,
    Figure,
    Manuscript,
    Pronoun,
    is_another,
    people_named,
    pronoun_of,
    pronoun_of_given,
    short_for,
)
from cutreel.core.nouns import sort_of
from cutreel.core.reading import (
    ANYBODY,
    GROWN,
    LISTENER,
    TELLER,
    Known,
    Parses,
    called_so,
    named_later,
    nameless,
    names_acting,
    only_beside,
    only_places,
    only_plural,
    pronouns_told,
    read_story,
    roles_acting,
    same_told,
    sexes_with_names,
    with_speakers,
)

from .ageing import aged
from .changed import with_changes
from .company import age_of
from .described import Described, described_in, number_in
from .guessed import guessed
from .model import Person
from .named_in_talk import named_in_talk
from .of_birth import of_birth
from .own_words import said_of_themselves, with_names_told
from .tellers import with_listener, with_teller

_THINGS_OR_PLACES = frozenset({"thing", "plant", "place", "food", "garment"})
_YOUNG_KIN = frozenset({"daughter", "son", "granddaughter", "grandson", "niece", "nephew"})
_OF_CHILDREN = r"crayons?|dolls?|toys?|schoolbag|homework|bedtime|cot|cradle|kindergarten|teddy"
"""What somebody's daughter has to do with who is a child."""
_GRANDCHILDREN = frozenset({"grandson", "granddaughter", "grandchild"})


_CHANGES = re.compile(
    r"\b(?:puts?|took|takes?|pull(?:ed|s)?|slip(?:ped|s)?|gave|gives?|len[td]s?|hand(?:ed|s)|chang(?:ed|es)|cuts?|"
    r"shaved?s?|lost|loses?)\b"
)


def propose_cast(
    script: Manuscript, parses: Parses | None = None, ids: Sequence[int] | None = None
) -> list[Person]:
    """People, animals and things that speak, most mentioned first, and whoever tells it; at most 25. `ids` are the
    numbers of the words, else from 1 on: what changes about somebody holds from one of them on."""
    figures = [f for f in people_named(script.text) if f.kind != "place"]
    known = {f.name for f in figures} | {a for f in figures for a in f.aliases}
    nobody: set[str] = set()
    if parses:
        places = {f.name for f in people_named(script.text) if f.kind == "place"}
        parts = {part for name in (*known, *places) for part in name.split(" ")}
        new = names_acting(script, parses, parts)
        figures, new = _for_short(figures, new)
        called = {a for f in new for a in f.aliases}
        # Who was "the girl" so far is she who is called so.
        figures = [*(f for f in figures if f.name not in called), *new]
        figures = [_by_name(f) for f in called_so(script, parses, figures)]
        known |= {f.name for f in figures}
        nobody = (
            only_beside(script, parses, figures)
            | only_plural(script, parses, figures)
            | only_places(script, parses, figures)
        )
        figures = [f for f in figures if f.name not in nobody]
        calls = {c.lower() for f in figures for c in (f.name, *f.aliases)}
        figures += roles_acting(script, parses, calls)
        known = {f.name for f in figures} | {a for f in figures for a in f.aliases}
    figures += [_speaker(s) for s in script.speakers if s not in known | nobody | {UNKNOWN}]
    figures = of_birth(script.text, with_names_told(script, figures))
    if parses:
        known_so_far = _known_figures(figures[:24])
        story = read_story(script, parses, known_so_far)
        script = with_speakers(script, story, known_so_far)
    figures = _with_pronouns(script, parses or {}, figures[:24])
    if parses:
        # Who he is that says "I am Winter" is clear once it is known who may be he.
        known_so_far = _known_figures(figures)
        story = read_story(script, parses, known_so_far)
        script = with_speakers(script, story, known_so_far)
        figures += nameless(script, parses, known_so_far)
    figures = _told_the_same(script, parses or {}, figures)
    figures = _of_one_kind(script, parses or {}, figures)
    ages = _ages_told(figures, script.text)
    known_so_far = [
        k._replace(age="old" if age == "old" else "")
        for k, age in zip(_known_figures(figures), ages, strict=True)
    ]
    story = read_story(script, parses or {}, known_so_far)
    told = described_in(script, figures, story)
    for figure in figures:
        if figure.kind == "person" and _is_small_kin(figure, script.text):
            own = told.setdefault(figure.name, Described())
            own.kind = own.kind or {"he": "boy", "she": "girl"}.get(figure.pronoun or "", "child")
    taken: set[str] = set()
    cast = [
        guessed(number, figure, age, script.text, told.get(figure.name, Described()), taken)
        for number, (figure, age) in enumerate(zip(figures[:24], ages, strict=False), 1)
    ]
    cast = with_teller(script, cast, taken)
    cast = with_listener(script, parses or {}, cast, taken)
    tells = any({TELLER, LISTENER} & set(p.aliases) for p in cast)
    changes = any(p.changes for p in story.paragraphs.values()) or any(aged(cast, script, story))
    if not parses or not (changes or (tells and _CHANGES.search(script.text))):
        return cast
    # Read once more: now whoever tells it is known, and how old people are.
    story = read_story(script, parses, known_people(cast))
    return with_changes(cast, script, story, ids or range(1, len(script.words) + 1))


def _for_short(
    figures: Sequence[Figure], new: Sequence[Figure]
) -> tuple[list[Figure], list[Figure]]:
    """Figures, where "Willie" is a call of Wilson Bentley, and those that are `new` without them."""
    names = [f.name for f in figures]
    short = {f.name: short_for(f.name, names) for f in new}
    known = [
        replace(f, aliases=(*f.aliases, *(n for n, long in short.items() if long == f.name)))
        for f in figures
    ]
    return known, [f for f in new if not short[f.name]]


def _by_name(figure: Figure) -> Figure:
    """Somebody with a name is "the man" only while they were spoken of last: it is no call of theirs."""
    if figure.name.startswith("the "):
        return figure
    calls = tuple(a for a in figure.aliases if a.removeprefix("the ") not in GROWN)
    return replace(figure, aliases=calls)


def _speaker(name: str) -> Figure:
    """Somebody who is in no list but speaks: by name, or by what they are ("their grandfather")."""
    role = name.startswith("the ")
    noun = name.removeprefix("the ").lower()
    kin = noun in KIN  # "Father said": he is "our father" too
    pronoun = pronoun_of(noun) if role or kin else None
    calls = (noun,) if role else (f"the {noun}", noun) if kin else ()
    # A ship that speaks is a thing all the same.
    last = noun.rsplit(" ", maxsplit=1)[-1]
    # Of a voice behind a door there is nothing to be seen.
    is_thing = role and not kin and (noun == "voice" or sort_of(noun) in _THINGS_OR_PLACES)
    if role and sort_of(last) == "animal":
        return Figure(name, calls, "animal", None, 1, "speaks", species=last)
    kind = "thing" if is_thing else "person"
    return Figure(name, calls, kind, pronoun, 1, "speaks", sure=pronoun is not None)


def _with_pronouns(script: Manuscript, parses: Parses, figures: Sequence[Figure]) -> list[Figure]:
    """Figures with the pronouns that the reading of the text finds for those whose own is open."""
    if not parses:
        return list(figures)
    # What stands near a name is a weak sign of its sex; a title or a word of kin is a sure one.
    found = [f if f.sure or f.kind != "person" else replace(f, pronoun=None) for f in figures]
    named = sexes_with_names(script, parses)
    found = [replace(f, pronoun=named[f.name], sure=True) if f.name in named else f for f in found]
    # Who is known the first time round makes clear who another is.
    for own in (True, False, False):
        told = pronouns_told(script, parses, _known_figures(found), own)
        found = [replace(f, pronoun=told[i]) if i in told else f for i, f in enumerate(found, 1)]
        if own:  # a given name tells less than what somebody is seen to do with their own hands
            found = [replace(f, pronoun=f.pronoun or _by_given_name(f)) for f in found]
    return [
        f if f.pronoun else replace(f, pronoun=before.pronoun)
        for f, before in zip(found, figures, strict=True)
    ]


def _by_given_name(figure: Figure) -> Pronoun | None:
    return pronoun_of_given(figure.name.split(" ")[0]) if figure.kind == "person" else None


def _told_the_same(script: Manuscript, parses: Parses, figures: Sequence[Figure]) -> list[Figure]:
    """Figures, where a role that grammar gives to somebody with a name is one of their calls."""
    if not parses:
        return list(figures)
    same = same_told(script, parses, _known_figures(figures))
    titled = {f.name.split(" ")[0].lower(): i for i, f in enumerate(figures, 1) if " " in f.name}
    titled |= _titles_told(script.text, figures)
    later = named_later(script, parses, _known_figures(figures))
    old = _the_old(script.text, figures)
    own = said_of_themselves(script, figures)
    talk = named_in_talk(script, read_story(script, parses, _known_figures(figures)), figures)
    own = talk | own
    same = {k: i for k, i in titled.items() if k != "the"} | old | same | later | own
    calls: dict[int, list[str]] = {}
    for noun, i in later.items():
        if not any(f.name in (noun, f"the {noun}") for f in figures):
            calls.setdefault(i, []).extend((f"the {noun}", noun))
    gone: set[str] = set()
    sexes: dict[int, Pronoun | None] = {}
    kinds: dict[int, Figure] = {}
    for role in figures:
        noun = role.name.removeprefix("the ")
        owner = figures[same[noun] - 1] if noun in same else None
        if owner is None or owner is role or role.name == noun:
            continue
        if is_another(noun, script.text):
            continue  # "a young man called Teo" is not the twelfth who came, who "was a thin man"
        # "The driver, an old man, …": the man is the driver; of two such roles neither is the other.
        if owner.name.startswith("the ") and not (
            noun in ANYBODY and role.count == 1 and owner.aliases[0] not in ANYBODY
        ):
            continue
        if noun in own and role.kind != "person" and owner.kind == "person":
            # "I am Pip," said the machine.
            calls.setdefault(same[noun], []).extend((role.name, noun))
            gone.add(role.name)
            kinds[same[noun]] = role
        if role.kind == owner.kind and not (
            role.pronoun and owner.pronoun not in (None, role.pronoun)
        ):
            if noun not in GROWN or noun in (*old, *own, *later) or owner.name.startswith("the "):
                # With a name he is "the man" only while he was spoken of last.
                calls.setdefault(same[noun], []).extend((role.name, noun))
            gone.add(role.name)
            sexes[same[noun]] = role.pronoun
    for noun, i in same.items():
        if _is_said_of(noun, figures[i - 1], figures, script.text):
            calls.setdefault(i, []).extend((f"the {noun}", noun))
    return [
        replace(
            f,
            aliases=tuple(dict.fromkeys((*f.aliases, *calls.get(i, ())))),
            pronoun=f.pronoun or sexes.get(i) if i not in kinds else None,
            kind=kinds[i].kind if i in kinds else f.kind,
            species=kinds[i].species if i in kinds else f.species,
        )
        for i, f in enumerate(figures, 1)
        if f.name not in gone
    ]


_KINS_NAME = re.compile(rf" (?:\w+ )?(?:{'|'.join(KIN)}),? ([A-Z][\w’'-]+)")


def _of_one_kind(script: Manuscript, parses: Parses, figures: Sequence[Figure]) -> list[Figure]:
    """Figures, where the sister of a mouse is a mouse: "his sister Pim"."""
    out = _as_first_told(script.text, figures)
    story = read_story(script, parses, _known_figures(figures))
    by_name = {call: n for n, f in enumerate(figures) for call in (f.name, *f.aliases)}
    for number, read in story.paragraphs.items():
        start = story.starts[number]
        for m in read.mentions:
            kin = _KINS_NAME.match(script.text, start + m.end)
            whose = figures[m.people[0] - 1] if len(m.people) == 1 else None
            n = by_name.get(kin[1]) if kin else None
            if n is not None and whose is not None and whose.kind == "animal":
                species = whose.species or whose.name.removeprefix("the ")
                if figures[n].kind == "person" and figures[n] is not whose:
                    out[n] = replace(figures[n], kind="animal", species=species)
    return out


_HOW_MANY = {"two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7}
_SO_MANY = re.compile(rf"\b({'|'.join(_HOW_MANY)}) ([a-z]+)(?: ([a-z]+))?\b", re.IGNORECASE)
AT_ONCE = 320
"""Characters behind "three raccoons" within which all of them are named."""


def _as_first_told(text: str, figures: Sequence[Figure]) -> list[Figure]:
    """Figures, where "three raccoons lived behind the bakery" says what the three are whose names follow."""
    out = list(figures)
    for told in _SO_MANY.finditer(text[:AT_ONCE]):
        species = next(filter(None, map(_beast_of, filter(None, told.groups()[1:]))), "")
        first = {
            i: text.find(f.name)
            for i, f in enumerate(out)
            if f.kind == "person" and f.name[:1].isupper()
        }
        near = [i for i, at in first.items() if told.end() < at < told.end() + AT_ONCE]
        if species and len(near) == _HOW_MANY[told[1].lower()]:
            for i in near:
                out[i] = replace(out[i], kind="animal", species=species)
    return out


def _beast_of(plural: str) -> str:
    """The animal of which a word says several; empty for any other word."""
    low = plural.lower()
    kinds = (low.removesuffix("s"), low.removesuffix("es"), low[:-3] + "y", _PLURALS.get(low, ""))
    return next((k for k in kinds if k and k != low and sort_of(k) == "animal"), "")


_PLURALS = {"mice": "mouse", "geese": "goose", "wolves": "wolf", "oxen": "ox"}


def _titles_told(text: str, figures: Sequence[Figure]) -> dict[str, int]:
    """Roles that stand before a name as its title, by the noun: "Trooper Angela Wirth … the trooper"."""
    roles = [f.name.removeprefix("the ") for f in figures if f.name.startswith("the ")]
    return {
        noun: i
        for noun in roles
        for i, f in enumerate(figures, 1)
        if f.kind == "person"
        and any(f"{title} {f.name}" in text for title in (noun.capitalize(), f"the {noun}"))
    }


def _is_said_of(noun: str, owner: Figure, figures: Sequence[Figure], text: str) -> bool:
    """Whether a text calls somebody by a role that is nobody else's: "A priest, Henry Whitehead ... the priest"."""
    known = {call for f in figures for call in (f.name, *f.aliases)}
    if noun in ANYBODY or noun in KIN or owner.name.startswith("the ") or " " in noun:
        return False
    return not {noun, f"the {noun}"} & known and f" the {noun}" in text.lower()


def _the_old(text: str, figures: Sequence[Figure]) -> dict[str, int]:
    """Who "the old man" or "the old woman" is (by the noun, the place in the list from 1 on): the one of that sex who
    is told to be old, where nobody else is."""
    out: dict[str, int] = {}
    for noun, pronoun in (("man", "he"), ("woman", "she")):
        if not re.search(rf"\b[Tt]he old {noun}\b", text):
            continue
        old = [
            i
            for i, f in enumerate(figures, 1)
            if f.kind == "person"
            and f.pronoun in (None, pronoun)
            and _age_told(f, text) == "old"
            and not f.name.startswith("the ")
        ]
        if len(old) == 1:
            out[noun] = old[0]
    return out


def _age_told(figure: Figure, text: str) -> str | None:
    """How old somebody is told to be beside the name: "old Enna", "an old bargeman, Cornelis", "Enna, an old woman"; or
    beside what they are: "an old farmer ... His name was Walter Pike"."""
    roles = (
        a
        for a in figure.aliases
        if a.islower() and a.removeprefix("the ") not in ANYBODY and a not in KIN
    )
    told = (_age_beside(call, text) for call in (figure.name, *roles))
    return next(filter(None, told), None)


def _ages_told(figures: Sequence[Figure], text: str) -> list[str | None]:
    """How old each is told to be. Beside "an old farmer" "the old man" may be the farmer: whoever else is "the man" is
    old where it is said of a man that came in."""
    ages = [_age_told(f, text) for f in figures]
    old = {
        f.pronoun
        for f, age in zip(figures, ages, strict=True)
        if age == "old" and not _is_anybody(f)
    }
    return [
        None
        if age == "old"
        and _is_anybody(f)
        and f.pronoun in old
        and not re.search(
            rf"\b[Aa]n (?:[a-z]+ )?(?:old|elderly) {f.name.removeprefix('the ')}\b", text
        )
        else age
        for f, age in zip(figures, ages, strict=True)
    ]


def _is_anybody(figure: Figure) -> bool:
    return figure.name.removeprefix("the ") in ANYBODY


def _age_beside(name: str, text: str) -> str | None:
    called = re.escape(name.removeprefix("the "))
    beside = (
        rf"(?<![-\w])({_AGED}) {called}\b",
        rf"\b[Aa]n? ({_AGED}) (?:[a-z]+ ){{0,2}}[a-z]+,? (?:called |named )?{called}\b",
        rf"\b{called}, an? ({_AGED}) ",
        rf"\b{called} was (?:an? |very )?(old|elderly|retired|young)\b",
    )
    years = re.search(
        rf"\b([a-z]+(?:-[a-z]+)?|\d+)-year-old (?:[a-z]+ )?(?:[a-z]+ (?:called|named) )?{called}\b",
        text,
    )
    if years and (told := Described(years=number_in(years[1])).age):
        return told
    found = (re.search(p, text, re.IGNORECASE if n == 0 else 0) for n, p in enumerate(beside))
    age = next((m[1].lower() for m in found if m), None)
    return "old" if age in ("elderly", "retired") else age


_AGED = "old|elderly|retired|young|little"


def _is_small_kin(figure: Figure, text: str) -> bool:
    """ "A small cousin called Emil" is a child; a little brother may be forty. So is a daughter with a crayon, and a
    grandson, as long as nobody says that he is grown."""
    if _GRANDCHILDREN & {figure.name.removeprefix("the "), *figure.aliases}:
        return re.search(r"\bgrown(?:-up)? grand", text) is None
    kin = [a for a in figure.aliases if a in KIN]
    if any(re.search(rf"\bsmall {re.escape(a)}\b", text) for a in kin):
        return True
    young = [rf"(?:{re.escape(a)}|{re.escape(figure.name)})" for a in kin if a in _YOUNG_KIN]
    return any(re.search(rf"\b{call}\b[^\n]*\b(?:{_OF_CHILDREN})\b", text) for call in young)


def _known_figures(figures: Sequence[Figure]) -> list[Known]:
    return [
        Known(i, (f.name, *f.aliases), f.pronoun, _kind_of(f)) for i, f in enumerate(figures, 1)
    ]


def _kind_of(figure: Figure) -> Literal["person", "animal", "thing"]:
    return "animal" if figure.kind == "animal" else "thing" if figure.kind == "thing" else "person"


def known_people(cast: Sequence[Person]) -> list[Known]:
    """The cast as the reading of a story knows them."""
    return [
        Known(
            p.id,
            tuple(dict.fromkeys((p.name, *p.aliases))),
            p.pronoun,
            "animal" if p.is_animal else "thing" if p.kind == "thing" else "person",
            _age(p),
        )
        for p in cast
    ]


def _age(person: Person) -> Literal["child", "old", ""]:
    age = age_of(person)
    return "child" if age == "child" else "old" if age == "old" else ""
