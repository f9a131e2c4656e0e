"""Those whom a text calls by what they are: "the boy", "a woman in a green hat", "my mother", a lamp that speaks."""

import re
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache
from typing import Literal

from cutreel.core.nouns import sort_of

from .callings import (
    ANIMALS,
    COMPARED,
    KIN,
    NOT_NAMES,
    ROLES,
    Figure,
    Pronoun,
    kin_calls,
    pronoun_of,
)
from .sentences import SPEECH_VERBS

_SAID_BY = "|".join(
    verb
    for verb in SPEECH_VERBS.split("|")
    if verb
    not in (
        "told",
        "asked",
        "called",
        "answered",
        "ordered",
        "warned",
        "urged",
        "promised",
        "interrupted",
        "offered",
    )
)
"""Verbs behind which stands who speaks: "told the father" is not said by him."""
_ABOUT = re.compile(
    r"\b(?:story|tale|joke|one|song|poem|book|film|legend) about (?:(?:an?|the) (?:\w+ ){1,2}and )?$"
)
_BEHIND_IT = re.compile(r" ([a-z]+)(?: ([a-z]+))?")
_NTH = (
    r"\b[Tt]he (?:first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|eleventh|twelfth|last|"
    r"next|other|stranger|newcomer|visitor) (?:was|is) "
)
""" "The twelfth was a thin man": somebody new."""
_IS_ANOTHER, _IS_ANOTHER_ONE = re.compile(_NTH + "$"), re.compile(_NTH)
_WAS_SOMEBODY = re.compile(r" (?:was|is) an? (?:[a-z-]+,? ){0,2}(?:man|woman|boy|girl)\b")
_COULD = re.compile(r" (?:could|would|might|should|must|can|may)\b")
_SPEAKS_BEHIND_IT = re.compile(rf"(?:\b(?:{_SAID_BY}) $|”,? (?:ask|answer|call)(?:ed|s) $)")
_BEHIND_ANOTHER = re.compile(r"[a-z] (?:on|at|in|with|from|of|behind|beside|under|near|by) $")
"""Whoever stands before it says what is said: "the woman on the phone says"."""
_SPEAKS = re.compile(rf"^ ?(?:\w+ly )?(?:{SPEECH_VERBS})\b")
_ROLE = re.compile(
    r"\b(?P<of>[Tt]he|[Aa]n?|[Mm]y|[Hh]er|[Hh]is|[Oo]ur|[Tt]heir|[A-Z][a-z]+[’']s) "
    r"(?:(?:old|young|little|tall|small|big|poor|other|great|thin|grey|black|white|red|brown|blue|green|tired|elder|older|younger|most|beautiful|poor|good|wise|"
    rf"[a-z]+est|{COMPARED}) ){{0,2}}"
    r"(?P<noun>[A-Za-z][a-z]+(?:-[a-z]+)?)\b"
    r"(?=(?P<behind>.{0,24}))"
)
_SHE_BEHIND = re.compile(r"\b(?:[Ss]he|[Hh]er)\b")
_HE_BEHIND = re.compile(r"\b(?:[Hh]e|[Hh]is|[Hh]im)\b")
_THEN = re.compile(r"^[^.!?]*[.!?]”?\s+(?:She|He|His|Her)\b")
"""The next sentence goes on with them."""
FOLLOWED = 220
"""Characters within which "she" behind "a woman" makes her somebody who stays."""
NO_ROLE = {
    "one", "other", "others", "second", "first", "third", "last", "next", "whole", "rest", "most", "best", "worst",
    "dark", "people", "party", "double", "major", "minor", "native", "pair", "company", "mass", "master",
    "fellow", "person", "thing", "dead", "living", "bear", "drop", "mark", "draft", "sort", "kid", "slip", "model",
    "match", "contact", "character", "case", "body", "type", "mine", "self", "human", "ruler", "counter", "cooker",
    "heater", "poker", "swift", "lark", "perch", "sole", "skate", "chicken", "eggs", "shell", "oyster", "kind", "pet",
    "voice", "somebody", "someone", "knocker", "atlas", "speaker", "toaster", "hanger", "opener", "shaker", "carrier",
    "scanner",
    "transmitter", "calculator", "planter", "dummy", "mummy", *COMPARED.split("|"),
}  # fmt: skip


_GONE_TO = frozenset(
    "doctor dentist vet hairdresser barber baker butcher grocer chemist optician".split()
)
"""Who stands for where they work."""


@dataclass
class _RoleTally:
    """How often a role is told of: as somebody known, as somebody new, as kin, speaking, as if it were a name ("the
    Mole"); where it was new; and what calls it besides."""

    known: int = 0
    new: int = 0
    kin: int = 0
    spoken: int = 0
    named: int = 0
    at: list[int] = field(default_factory=list)
    also: tuple[str, ...] = ()

    def count(self, of: str, kind: str, end: int) -> None:
        """Count one place, by the word before it ("the", "a", "her"), what it is, and where it ends."""
        if of == "the":
            self.known += 1
        elif of in ("a", "an"):
            self.new += 1
            self.at.append(end)
        elif kind in ("kin", "animal"):
            self.kin += 1
        elif kind == "person" and of in _POSSESSIVE:
            self.new += 1  # "his clerk ... the clerk"


def roles_in(body: str, named: Sequence[Figure] = ()) -> list[tuple[Figure, bool]]:
    """Those whom a text calls by what they are, and whether each stays: is told of again, or speaks."""
    found: dict[str, _RoleTally] = defaultdict(_RoleTally)
    kinds: dict[str, str] = {}
    for match in _ROLE.finditer(body):
        word, of = match.group("noun"), match.group("of").lower()
        noun = word.lower()
        kind = kind_of_role(noun)
        if kind == "thing" and whose_trade(noun, match.group("behind")):
            continue
        if kind is None or (word != noun and not _is_called(word, match.group("behind"))):
            continue
        tally = found[noun]
        before = body[max(0, match.start() - 14) : match.start()]
        there_was = re.search(r"\b[Tt]here (?:was|is|were|stood) $", before) or _IS_ANOTHER.search(
            body[max(0, match.start() - 30) : match.start()]
        )
        if (_IS_ONE.search(before) and not there_was) or (
            of in ("a", "an") and before.endswith("of ")
        ):
            continue  # "he was a broad man": nobody new
        behind = match.group("behind")
        any_one = of in ("a", "an") and _COULD.match(behind)
        if any_one or _is_told_about(body, match.start()):
            # "A woman could divorce her husband": any. "The one about the bishop and the goose": neither is there.
            continue
        # "The compass began to spin": it says nothing.
        moves = re.match(
            r" (?:began|continued)(?: to (?!(?:speak|talk|sing|say|tell|explain|shout)\b)| [^t,:“\"])",
            behind,
        )
        says = _SPEAKS.search(behind) and not moves and not _BEHIND_ANOTHER.search(before)
        spoken = bool(_SPEAKS_BEHIND_IT.search(before) or says)
        # "The driver was a bald man": so he comes in.
        tally.new += of == "the" and _WAS_SOMEBODY.match(behind) is not None
        if re.match(r",? [A-Z]", match.group("behind")) and noun in KIN:
            continue  # "my uncle Otto" is Otto
        if noun in _GONE_TO and re.search(
            r"\b(?:go|goes|going|went|gone|been|sent|back) to $", before
        ):
            continue  # "every Friday he went to the doctor": nobody is met there
        kinds[noun] = kind
        tally.spoken += spoken
        tally.named += word != noun
        if kind == "animal" and not spoken and _is_spoken(body, match.start()):
            continue  # “All the fish that you can count”: of none of them it is told
        tally.count(of, kind if noun not in KIN else "kin", match.end())
        if noun in KIN and of in _POSSESSIVE and _acts_by_kin(body, match.start(), noun):
            tally.at.append(match.end())
    for kin, anybody in _OLD_KIN:
        # "His grandfather ... the old man": one, told of twice.
        known = found.get(kin, _NEVER).kin and not found.get(anybody, _NEVER).new
        called = re.findall(rf"\b[Tt]he (\w+ )?{anybody}\b", body) if known else []
        if called and all(word == "old " for word in called):
            other = found.pop(anybody)
            found[kin].known += other.known
            found[kin].spoken += other.spoken
            found[kin].also = (f"the {anybody}", anybody)
    return [
        (_role(noun, kinds[noun], tally), _stays(noun, kinds[noun], tally, body, named))
        for noun, tally in found.items()
        if noun in kinds
    ]


def _is_told_about(body: str, at: int) -> bool:
    """Whether a story or a joke is about whoever is named at a character."""
    before = body[max(0, at - 40) : at]
    return "about " in before and _ABOUT.search(before) is not None


def whose_trade(noun: str, behind: str) -> str:
    """Who somebody is of whom a noun only tells of what, by the words behind it: "the night porter" is the porter, "the
    harbour master" the harbour master, since a master may be any; empty for a noun that stands for itself."""
    found = _BEHIND_IT.match(behind)
    if found is None or sort_of(noun) in ("person", "animal") or noun in ROLES or noun in KIN:
        return ""
    first, second = found.groups()
    one_word = sort_of(first) == "person"
    if not one_word and (second is None or sort_of(first) is None or sort_of(second) != "person"):
        return ""
    own = first if one_word else second
    return f"{noun} {own}" if own in NO_ROLE and one_word else own


def is_another(noun: str, text: str) -> bool:
    """Whether a text tells of one more who is that: "The twelfth was a thin man"."""
    return any(
        re.match(rf"an? (?:[a-z]+ ){{0,2}}{noun}\b", text[m.end() :])
        for m in _IS_ANOTHER_ONE.finditer(text)
    )


def _acts_by_kin(body: str, at: int, noun: str) -> bool:
    """ "Her father had drawn maps for forty years, and he …": a sentence of the narration is about him; not where he is
    called Father besides."""
    before = body[max(0, at - 8) : at].rstrip()
    opens = not before or before[-1] in ".!?,;”\n" or before.endswith((" and", " but"))
    if not opens or _is_spoken(body, at):
        return False
    return re.search(rf"(?:^|[.!?”] |[a-z,] ){noun.capitalize()}\b", body, re.MULTILINE) is None


def _is_spoken(body: str, at: int) -> bool:
    """Whether a character stands in a quotation."""
    before = body[body.rfind("\n\n", 0, at) + 1 : at]
    return before.rfind("“") > before.rfind("”") or before.count('"') % 2 == 1


_POSSESSIVE = frozenset({"my", "her", "his", "our", "their"})
_NEVER = _RoleTally()
_OLD_KIN = (("grandfather", "man"), ("grandmother", "woman"))


def _is_called(word: str, behind: str) -> bool:
    """Whether a word with a capital letter behind "the" is what somebody is called: "the Mole", but neither "the Prince
    Albert" nor "the Roman road"."""
    if re.match(r" [A-Z]", behind) or word in {"Roman", "German", "Norman", "Ottoman"}:
        return False
    return word.endswith(("man", "woman")) or not word.endswith(_OF_A_PEOPLE)


_OF_A_PEOPLE = ("an", "ese", "ish", "ch")
_IS_ONE = re.compile(r"\b(?:was|is|were|be|been|become|became|like|as) $")
_IS_TOLD_OF = {
    "father": re.compile(r"\b[Hh]is (?:\w+ )?(?:daughter|son)s?\b"),
    "mother": re.compile(r"\b[Hh]er (?:\w+ )?(?:daughter|son)s?\b"),
    "wife": re.compile(r"\b[Hh]er husband\b"),
    "husband": re.compile(r"\b[Hh]is wife\b"),
}


_LIKE_SOMEBODY = frozenset("robot doll puppet scarecrow snowman android automaton".split())
"""Things that act in stories whether they speak or not."""


@lru_cache(maxsize=8192)
def kind_of_role(noun: str) -> Literal["person", "animal", "thing"] | None:
    """What somebody is who is called so; None for what is nobody, nor a thing that may speak."""
    if noun in ROLES or noun in KIN:
        return "person"
    if noun in ANIMALS:
        return "animal"
    if noun in NOT_NAMES or noun in NO_ROLE:
        return None
    sort = sort_of(noun)
    if sort in ("person", "animal"):
        return sort
    return "thing" if sort in ("thing", "plant") else None


_CHILDREN = frozenset({"daughter", "son", "child", "baby"})


def _stays(noun: str, kind: str, tally: _RoleTally, body: str, named: Sequence[Figure]) -> bool:
    """Whether a role is somebody of the story: told of again, or speaking."""
    if kind == "thing" and not (noun in _LIKE_SOMEBODY and tally.known + tally.new > 1):
        return tally.spoken > 0 and tally.known > 0
    if _IS_TOLD_OF.get(noun) and _IS_TOLD_OF[noun].search(body):
        return False  # the father of "his daughter" is he
    told_of = ROLES.keys() | ANIMALS | _LIKE_SOMEBODY
    if tally.spoken or (tally.known > 1 and (noun in told_of or tally.known > 2)):
        return True
    # "She had a daughter … her daughter" is told of twice too.
    known = tally.known or (tally.kin if noun in _CHILDREN else 0)
    if (known and tally.new) or (tally.known and tally.kin) or tally.kin > 1:
        return True
    if tally.named and tally.known + tally.new > 1:
        return True
    pronoun = pronoun_of(noun)
    if pronoun is None:
        # Of an animal only where nobody is near who could be meant.
        return any(
            _THEN.search(body[at : at + FOLLOWED])
            and (
                kind == "person"
                or tally.named
                or not (
                    _somebody_near(body[max(0, at - FOLLOWED) : at], named)
                    or any(f.pronoun and f.kind == "person" and f.name in body[:at] for f in named)
                )
            )
            for at in tally.at
        )
    behind = _SHE_BEHIND if pronoun == "she" else _HE_BEHIND
    others = [re.escape(f.name.split(" ")[0]) for f in named if f.pronoun == pronoun]
    for at in tally.at:
        near = body[max(0, at - FOLLOWED) : at + FOLLOWED]
        if behind.search(body[at : at + FOLLOWED]) and not (
            others and re.search(rf"\b(?:{'|'.join(others)})\b", near)
        ):
            return True
    return False


def _role(noun: str, kind: str, tally: _RoleTally) -> Figure:
    count = tally.known + tally.new + tally.kin
    return Figure(
        f"the {noun.capitalize()}" if tally.named * 2 > count else f"the {noun}",
        (noun, *((noun.capitalize(),) if tally.named else ()), *tally.also),
        kind,
        pronoun_of(noun),
        count,
        f"“the {noun}” {count} times" + (f", speaks {tally.spoken} times" if tally.spoken else ""),
        noun if kind != "person" and noun not in ANIMALS else "",
        pronoun_of(noun) is not None,
    )


def _somebody_near(before: str, named: Sequence[Figure]) -> bool:
    paragraph = before.rsplit("\n\n", 1)[-1]
    return bool(_PRONOUN.search(paragraph)) or any(f.name in paragraph for f in named)


_PRONOUN = re.compile(r"\b(?:[Ss]?he|[Hh]is|[Hh]er|[Hh]im|I)\b")
_GENERIC = {"woman", "man", "lady", "gentleman"}
NEAR_NAME = 1_500
"""Characters before "the woman" in which a woman with a name must stand to be her."""


def as_one(
    body: str, named: Sequence[Figure], roles: Sequence[tuple[Figure, bool]]
) -> list[Figure]:
    """Names and roles, where a role that is a call of somebody with a name is one of their calls: "Pip, the boy",
    "“Bo,” said the boy", "Inspector Crane ... the inspector", "the old woman" behind Mrs Pell."""
    calls: dict[str, list[str]] = defaultdict(list)
    left: list[Figure] = []
    for role, stays in roles:
        noun = role.name.removeprefix("the ").lower()
        # "The Man" is who is called so, and nobody with another name.
        by_itself = noun in _GENERIC and role.name.removeprefix("the ")[:1].isupper()
        alone = by_itself or role.kind == "thing"
        owner = None if alone else _owner(body, named, role, noun)
        if owner is None:
            left += [role] if stays else []
        else:
            calls[owner.name] += [role.name, noun]
    left = _only_man(body, named, left)
    of_mine: list[str] = []
    for figure in named:
        kin = re.search(
            rf"\b[Mm]y ({'|'.join(KIN)}) {re.escape(figure.name.split(' ')[0])}\b", body
        )
        if kin:
            calls[figure.name].append(kin.group(1))
            of_mine.append(kin.group(1))
    # "My aunt Meera ... my aunt": she.
    one = {k for k in of_mine if of_mine.count(k) == 1 and not re.search(rf"\bother {k}", body)}
    out = []
    for figure in named:
        # "Father never asked": he is the father of whoever tells it.
        calls[figure.name] += kin_calls(figure.name)
        own = calls.get(figure.name, [])
        told = next((p for p in map(pronoun_of, own) if p), None)
        # A word that says what somebody is tells more than a pronoun near their name.
        out.append(
            replace(
                figure,
                aliases=tuple(dict.fromkeys((*figure.aliases, *own))),
                pronoun=told or figure.pronoun,
                sure=figure.sure or told is not None,
            )
        )
    out = [_married(body, _with_title(body, f, out), out) for f in out]
    calls_of_named = {call for figure in out for call in figure.aliases}
    return out + [
        role
        for role in left
        if role.name not in calls_of_named and role.name.removeprefix("the ") not in one
    ]


def _only_man(body: str, named: Sequence[Figure], roles: Sequence[Figure]) -> list[Figure]:
    """Roles, where "the man" is the fisherman: no man came in, and nobody else of that sex is told of."""
    out = list(roles)
    for noun in ("man", "woman"):
        anybody = next((r for r in out if r.name == f"the {noun}"), None)
        others = [
            r
            for r in out
            if r.kind == "person" and r.pronoun == pronoun_of(noun) and r is not anybody
        ]
        if (
            anybody is None
            or len(others) != 1
            or any(f.pronoun in (None, pronoun_of(noun)) for f in named)
        ):
            continue
        if re.search(rf"\b(?:[Aa]n?|[Oo]ld|[Yy]oung|[Oo]ther) (?:[a-z]+ )?{noun}\b", body):
            continue
        one = out.index(others[0])
        out[one] = replace(out[one], aliases=(*out[one].aliases, f"the {noun}", noun))
        out.remove(anybody)
    return out


_TITLED = re.compile(
    r"(?:Madame|Monsieur|Captain|Professor|Inspector|Sergeant(?:-Major)?|Colonel|Major|Judge|"
    r"Constable|"
    r"Lieutenant|Commander|Doctor|General|Father|Mother|Lady|Lord|King|Queen|Prince|Princess) "
)
"""Titles that call somebody also when they stand alone."""


def _with_title(body: str, figure: Figure, others: Sequence[Figure]) -> Figure:
    """Madame Sofronie is Madame too, where there is one."""
    title = _TITLED.match(figure.name)
    if title is None or sum(f.name.startswith(title.group()) for f in others) > 1:
        return figure
    alone = title.group().strip()
    if not re.search(rf"\b{alone}\b(?! [A-Z])", body):
        return figure
    return replace(figure, aliases=tuple(dict.fromkeys((*figure.aliases, alone))))


def _married(body: str, figure: Figure, others: Sequence[Figure]) -> Figure:
    """Mr White is the husband, where there is a Mrs White."""
    first, _, last = figure.name.partition(" ")
    noun, other = _SPOUSE.get(first.rstrip("."), ("", ""))
    if not noun or not re.search(rf"\b{noun}\b", body):
        return figure
    if not any(
        f.name.partition(" ")[0].rstrip(".") == other and f.name.endswith(f" {last}")
        for f in others
    ):
        return figure
    return replace(figure, aliases=tuple(dict.fromkeys((*figure.aliases, f"the {noun}", noun))))


_SPOUSE = {"Mr": ("husband", "Mrs"), "Mrs": ("wife", "Mr")}


AROUND = 60
"""Characters around a role in which a name is put beside it."""


def _around(body: str, noun: str) -> list[str]:
    """What stands around a noun, each time: a long text is not looked through for every name with every noun."""
    return [
        body[max(0, m.start() - AROUND) : m.end() + AROUND]
        for m in re.finditer(rf"\b{re.escape(noun)}\b", body)
    ]


def _is_told_by_name(figure: Figure, role: Figure, noun: str) -> bool:
    """Whether somebody's name says that they are so."""
    title = figure.name.split(" ")[0].lower().rstrip(".")
    if " " in figure.name and (title == noun or (title == "dr" and noun == "doctor")):
        return True
    if role.kind == "animal" and figure.species == noun:
        return True  # "their dog Biscuit ... the dog"
    if "-" in title and noun in (title.split("-")[0], title.split("-")[-1], title):
        return True  # "the sergeant" is the Sergeant-Major
    # The Happy Prince is the Prince.
    return title == "the" and figure.name.lower().endswith(f" {noun}")


def _owner(body: str, named: Sequence[Figure], role: Figure, noun: str) -> Figure | None:
    """Whose call a role is, where the text says it."""
    people = [
        f for f in named if f.kind != "place" and (f.kind == "animal") == (role.kind == "animal")
    ]
    near = _around(body, noun)
    for figure in people:
        calls = (figure.name, *figure.aliases)
        here = "\n\n".join(text for text in near if any(call in text for call in calls))
        calls_here = [call for call in calls if call in here]
        if calls_here and put_beside(here, calls_here, re.escape(noun)):
            return figure
    for figure in people:
        if _is_told_by_name(figure, role, noun):
            return figure
    if noun in _YOUNG:
        young = [
            f for f in people if _is_child_of_two(f, named) and f.pronoun in (None, _YOUNG[noun])
        ]
        if len(young) == 1:
            return young[0]
    if noun in _CHILD and (child := _only_child(body, people, noun)):
        return child
    if noun not in _GENERIC or re.search(
        rf"\b[Aa]n? (?:[a-z]+ )?{noun}\b(?! (?:called|named))", body
    ):
        return None
    first = re.search(rf"\b[Tt]he (?:[a-z]+ )?{noun}\b", body)
    if first is None:
        return None
    before = body[max(0, first.start() - NEAR_NAME) : first.start()]
    fits = [f for f in people if f.pronoun == role.pronoun and role.pronoun]
    if re.match(r"[Tt]he (?:old|elderly) ", first.group()):
        # "The old woman" behind a young name is another: a title, or "Old", tells that somebody may be.
        fits = [f for f in fits if _ELDER.search(body) and _is_elder(body, f)]
    last = [(before.rfind(c), f.name) for f in fits for c in (f.name, *f.aliases)]
    best = max(last, default=(-1, ""))
    return next((f for f in fits if best[0] >= 0 and f.name == best[1]), None)


_CHILD: dict[str, Pronoun] = {"girl": "she", "boy": "he"}
_YOUNG_KIN = {
    "girl": "(?:grand)?daughters?|sisters?|nieces?",
    "boy": "(?:grand)?sons?|brothers?|nephews?",
}
"""Who may be "the girl" too."""
_GROWN_UP = r"(?:wom[ae]n|m[ae]n|lady|gentleman|widow|mother|father|husband|wife)"


def _only_child(body: str, people: Sequence[Figure], noun: str) -> Figure | None:
    """Who "the girl" is where none came in as "a girl": the one of whom nothing says that she is grown."""
    kin = re.search(rf"\b(?:{_YOUNG_KIN[noun]}|child|children)\b", body)
    if re.search(
        rf"\b(?:[Aa]n?|[Oo]ne|[Tt]wo|[Oo]ther) (?:[a-z-]+ ){{0,2}}{noun}s?\b(?! (?:called|named))",
        body,
    ):
        return None
    first = re.search(rf"\b[Tt]he (?:[a-z]+ )?{noun}\b", body)
    before = body[max(0, first.start() - NEAR_NAME) : first.start()] if first else ""
    may = [
        f
        for f in people
        if f.kind == "person"
        and f.pronoun == _CHILD[noun]
        and any(re.search(rf"\b{re.escape(call)}\b", before) for call in (f.name, *f.aliases))
        and not f.name[:1].islower()
        # "His daughter": she is named behind it, or somebody else.
        and (kin is None or body.find(f.name) > kin.start())
        and not _is_elder(body, f)
        and not _TITLED.match(f.name)
        and not re.search(
            rf"\b{re.escape(f.name)},? (?:was |is )?(?:an? |the )[^.!?]*\b{_GROWN_UP}\b", body
        )
    ]
    return may[0] if len(may) == 1 else None


_YOUNG: dict[str, Pronoun] = {"son": "he", "daughter": "she"}


def _is_child_of_two(figure: Figure, named: Sequence[Figure]) -> bool:
    """Whether somebody has the name of a Mr and a Mrs."""
    first, _, last = figure.name.rpartition(" ")
    titled = {f.name.split(" ")[0].rstrip(".") for f in named if f.name.endswith(f" {last}")}
    return bool(first) and first.rstrip(".") not in _COUPLE and set(_COUPLE) <= titled


_COUPLE = ("Mr", "Mrs")
_ELDER = re.compile(r"\b(?:Old|Mrs?|Ms|Miss|Dr|Madam|Sir)\b")


def _is_elder(body: str, figure: Figure) -> bool:
    names = "|".join(map(re.escape, (figure.name, *figure.aliases)))
    return bool(re.search(rf"(?:Old|Mrs?|Ms|Miss|Dr|Madam|Sir)\.? (?:{names})\b", body)) or bool(
        _ELDER.match(figure.name)
    )


def put_beside(text: str, calls: Sequence[str], noun: str) -> str:
    """The words by which a text says that somebody called so is a `noun` (an escaped pattern); else empty."""
    for call in sorted(set(calls), key=len, reverse=True):
        name = re.escape(call)
        for pattern in (
            rf"\b{name}, (?:the|a|an) (?:\w+ )?{noun}\b(?!['’]s)",
            rf"\b(?:[Tt]he|[Aa]n?) (?:\w+ )?{noun},? (?:called|named) {name}\b",
            rf"\b[Tt]he (?:\w+ )?{noun}, {name},",
            rf"\b{name} (?:was|is) (?:the|a|an) (?:\w+ )?{noun}\b(?!['’]s)",
            rf"\b(?:[Tt]he|[Hh]er|[Hh]is|[Mm]y|[Oo]ur|[Tt]heir) (?:\w+['’]s )?{noun} (?:was|is) "
            rf"(?:an? (?:\w+ ){{1,2}}(?:called|named) )?{name}\b",
            rf"\b[Tt]he {noun}\. {name} (?:was|is) (?:a|an) (?:\w+ ){{0,2}}(?:man|woman)\b",
            rf"\b(?:the|a) (?:\w+ )?{noun}['’]s name (?:was|is) {name}\b",
            rf"[“\"]{name}[,.!][”\"] (?:said|says) the (?:\w+ )?{noun}\b",
        ):
            match = re.search(pattern, text)
            if match:
                return f"the text says “{match.group()}”"
    return ""
