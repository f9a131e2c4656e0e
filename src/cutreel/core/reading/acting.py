"""Those whom a text calls by what they are, as grammar tells: who does something, who is only a word beside another.

Patterns find "the ferryman" by its repetition and its words of speech; the sentence tells that "the official" of "the
official book" is nobody, that the postman who comes up the path once is somebody, and that a story whose "he" is never
named is about a man.
"""

from collections import Counter, defaultdict
from collections.abc import Collection, Iterator, Sequence
from itertools import pairwise

from cutreel.core.manuscript import KIN, NO_ROLE, Figure, Manuscript, Pronoun, pronoun_of
from cutreel.core.nouns import sort_of

from .clauses import ANYBODY, SPEECH, SUBJECT, clause_of, subjects, unreal
from .kin import BACK
from .known import Known
from .narrated import Narrated, narrated, spoken_stretches
from .parsed import Parsed, Parses
from .singular import GROWN
from .story import read_story

_NOT_ONE = frozenset({"no", "every", "any", "each", "some", "another"})
_BESIDE = frozenset({"compound", "amod", "attr", "npadvmod", "nmod"})
_HIS_OR_HERS = {"her": "she", "his": "he"}
_SHE_OR_HE: dict[str, Pronoun] = {"she": "she", "he": "he"}
CALLED_SHE = frozenset(
    "painting portrait statue sculpture doll violin bell ship boat yacht schooner steamer trawler submarine tug engine "
    "locomotive car plane aeroplane airship rocket".split()
)
"""Things that are called "she"."""
NAMELESS = 3
"""So many times "he" is said of nobody who is known make him somebody of the story."""


def only_beside(script: Manuscript, parses: Parses, figures: Sequence[Figure]) -> set[str]:
    """Names of roles that never stand for anybody in the text: "the official book", "he was a student"."""
    roles = {
        f.name.removeprefix("the ").lower(): f.name for f in figures if f.name.startswith("the ")
    }
    stands: set[str] = set()
    seen: set[str] = set()
    spoken = spoken_stretches(script)
    stands.update(s.removeprefix("the ").lower() for s in script.speakers)
    for number, start, text in script.paragraphs:
        parsed = parses.get(text)
        if parsed is None:
            return set()  # it may stand for somebody there
        for i, token in enumerate(parsed.tokens):
            noun = token.text.lower()
            if noun not in roles and (noun := token.lemma) not in roles:
                continue
            seen.add(noun)
            if any(a <= start + token.start < b for a, b in spoken.get(number, ())):
                continue  # who is only spoken of
            if token.dep == "poss" and any(
                parsed.tokens[c].text.lower() in {"a", "an"} for c in parsed.children[i]
            ):
                continue  # "above a chandler's shop"
            if token.dep == "poss" and noun in KIN:
                continue  # "since his brother's funeral"
            if token.dep == "pobj" and _measured_by(parsed, token.head):
                continue  # "too fine for a railwayman"
            by_as = token.dep == "pobj" and parsed.tokens[token.head].text.lower() == "as"
            beside = token.dep in _BESIDE and not _behind_its_verb(parsed, i)
            if (not beside and not by_as) or (token.dep == "attr" and _there_was(parsed, i)):
                stands.add(noun)
    return {roles[noun] for noun in seen - stands}


def _measured_by(parsed: Parsed, prep: int) -> bool:
    """Whether a preposition says beside whom something is too much: "too fine for"."""
    above = parsed.tokens[prep].head
    near = (above, *parsed.children[above])
    return parsed.tokens[prep].text.lower() == "for" and any(
        parsed.tokens[c].text.lower() in {"too", "enough"}
        for k in near
        for c in (k, *parsed.children[k])
    )


def _there_was(parsed: Parsed, i: int) -> bool:
    verb = clause_of(parsed, i)
    return any(parsed.tokens[c].dep == "expl" for c in parsed.children[verb]) or not any(
        parsed.tokens[c].dep in SUBJECT
        and parsed.tokens[c].pos == "PRON"
        and parsed.tokens[c].text.lower() != "it"
        for c in parsed.children[verb]
    )


def roles_acting(script: Manuscript, parses: Parses, known: Collection[str]) -> list[Figure]:
    """Roles that are in no list yet, and do something twice, or once and are gone on about as "he" or "she"."""
    acts: Counter[str] = Counter()
    followed: Counter[str] = Counter()
    told = list(narrated(script, parses))
    kin = {found for _, parsed, spoken in told for found in _named_kin(parsed)}
    for noun in (*_kin_brought_in(told), *_asked(told)):
        if noun not in known and f"the {noun}" not in known:
            acts[noun] += 1
            followed[noun] += 1
    for _, parsed, spoken in told:
        for i, token in enumerate(parsed.tokens):
            if i in spoken or not _acts(parsed, i):
                continue
            noun = token.lemma
            if noun in known or f"the {noun}" in known:
                continue
            whose = _whose_kin(parsed, i)
            if whose and any(found in kin for found in ((noun, whose), *_back(noun))):
                continue  # "her brother Tomas ... her brother ... his sister": they are somebody already
            goes_on = _goes_on(parsed, i, spoken)
            acts[noun] += noun not in ANYBODY or goes_on
            followed[noun] += goes_on
    return [
        Figure(
            f"the {noun}",
            (noun,),
            "animal" if sort_of(noun) == "animal" else "person",
            pronoun_of(noun),
            count,
            f"“the {noun}” acts {count} times" if count > 1 else f"“the {noun}” acts",
            noun if sort_of(noun) == "animal" else "",
            pronoun_of(noun) is not None,
        )
        for noun, count in acts.items()
        if followed[noun] or (count > 1 and noun not in ANYBODY)
    ]


def _kin_brought_in(told: Sequence[Narrated]) -> Iterator[str]:
    """ "I take my grandson down to the canal. … Last week he caught something": kin that something is done with in the
    last but one paragraph, and the next begins with "he", who can be nobody else that it names."""
    for (_, before, spoken), (_, here, said) in pairwise(told):
        first = next(
            (t for k, t in enumerate(here.tokens) if k not in said and t.dep in SUBJECT), None
        )
        if first is None or first.text.lower() not in {"he", "she"} or first.sentence > 0:
            continue
        brought = [
            t.lemma
            for k, t in enumerate(before.tokens)
            if k not in spoken
            and t.dep in {"dobj", "pobj"}
            and t.lemma in KIN
            and pronoun_of(t.lemma) == first.text.lower()
            and any(before.tokens[c].dep == "poss" for c in before.children[k])
            and not unreal(before, clause_of(before, k))
        ]
        others = [
            t
            for k, t in enumerate(before.tokens)
            if k not in spoken and (t.name == "PERSON" or t.text.lower() == first.text.lower())
        ]
        if len(brought) == 1 and not others:
            yield brought[0]


def _asked(told: Sequence[Narrated]) -> Iterator[str]:
    """ "You ask the caretaker, a fat man. … “Nobody lives there,” he says": whoever is asked, and answers."""
    for (_, before, spoken), (_, here, said) in pairwise(told):
        first = next(
            (t for k, t in enumerate(here.tokens) if k not in said and t.dep in SUBJECT), None
        )
        answers = first is not None and said and first.text.lower() in {"he", "she"}
        if first is None or not answers or here.tokens[first.head].lemma not in SPEECH:
            continue
        for k, t in enumerate(before.tokens):
            asked = t.dep == "dobj" and before.tokens[t.head].lemma in SPEECH and k not in spoken
            the = any(before.tokens[c].dep in {"det", "poss"} for c in before.children[k])
            if asked and the and t.tag == "NN" and sort_of(t.lemma) == "person":
                yield t.lemma


def _named_kin(parsed: Parsed) -> list[tuple[str, str]]:
    """ "Her brother Tomas": a word of kin beside a name, and "she" whose kin he is."""
    out = []
    for i, token in enumerate(parsed.tokens):
        below = [parsed.tokens[c] for c in parsed.children[i]]
        above = parsed.tokens[token.head]
        beside = any(t.dep == "appos" and t.pos == "PROPN" for t in below)
        named = beside or (token.dep in {"compound", "nmod"} and above.pos == "PROPN")
        whose = _whose_kin(parsed, i) or (_whose_kin(parsed, token.head) if named else "")
        if token.lemma in BACK and named and whose:
            out.append((token.lemma, whose))
    return out


def _whose_kin(parsed: Parsed, i: int) -> str:
    """ "she" where a word says "her" of it, "he" where it says "his"; else empty."""
    poss = (
        parsed.tokens[c].text.lower() for c in parsed.children[i] if parsed.tokens[c].dep == "poss"
    )
    return next((_HIS_OR_HERS[p] for p in poss if p in _HIS_OR_HERS), "")


def _back(noun: str) -> list[tuple[str, str]]:
    """Whom somebody of such kin has as kin in turn, with the sex that the noun tells."""
    nouns, sex = BACK.get(noun, (frozenset[str](), None))
    return [(n, sex) for n in nouns if sex]


def _behind_its_verb(parsed: Parsed, i: int) -> bool:
    """ "In it was standing a little boy": behind its verb, whoever acts is taken for an object."""
    token = parsed.tokens[i]
    return token.dep in {"dobj", "npadvmod"} and not subjects(parsed, token.head)


def _acts(parsed: Parsed, i: int) -> bool:
    token = parsed.tokens[i]
    noun = token.lemma
    # What is written small is no name, whatever the parser takes it for.
    small = token.pos == "PROPN" and token.text.islower()
    if not (token.pos == "NOUN" or small) or token.tag in {"NNS", "NNPS"}:
        return False
    turned = _behind_its_verb(parsed, i)
    if token.dep not in SUBJECT and not turned:
        return False
    if sort_of(noun) not in {"person", "animal"} or noun in NO_ROLE:
        return False
    if _hyphened(parsed, i) or parsed.tokens[clause_of(parsed, i)].dep == "relcl":
        return False  # "the song that his grandmother hummed"
    below = [parsed.tokens[c] for c in parsed.children[i]]
    if any(t.dep == "appos" and t.pos == "PROPN" for t in below):
        return False  # "his wife Margarethe" has a name
    marks = {t.text.lower() for t in below if t.dep in {"det", "poss"}}
    verb = clause_of(parsed, i)
    if (
        not marks
        or (noun in ANYBODY and not marks & {"a", "an"})
        or marks & _NOT_ONE
        or unreal(parsed, verb)
    ):
        return False
    return parsed.tokens[verb].lemma != "be" or any(t.dep == "poss" for t in below)


def _hyphened(parsed: Parsed, i: int) -> bool:
    """Whether the word is half of one: the sergeant of "sergeant-major"."""
    return any(
        parsed.tokens[k].text == "-" and abs(k - i) == 1
        for k in (i - 1, i + 1)
        if 0 <= k < len(parsed.tokens)
    )


def _goes_on(parsed: Parsed, i: int, quoted: Collection[int]) -> bool:
    """Whether "he" or "she" behind it can mean nobody else: the next subject, in this sentence or the next."""
    new = any(parsed.tokens[c].text.lower() in {"a", "an"} for c in parsed.children[i])
    for k, token in enumerate(parsed.tokens[i + 1 :], i + 1):
        if k in quoted:
            continue
        if token.sentence - parsed.tokens[i].sentence > 1:
            return False
        if new and token.dep == "poss":
            # "A woman stood up so quickly that her chair fell over"; "… stood an old woman. Her face was wrinkled".
            own = _HIS_OR_HERS.get(token.text.lower())
            if own and own == pronoun_of(parsed.tokens[i].lemma):
                return True
        if token.dep in SUBJECT and token.pos in {"NOUN", "PROPN", "PRON"}:
            word = token.text.lower()
            if word in {"it", "which", "that", "there"}:
                continue
            if word in {"he", "she"}:
                told = pronoun_of(parsed.tokens[i].lemma)
                return told is None or told == word
            if sort_of(token.lemma) in {"person", "animal"} or token.pos != "NOUN":
                return False
    return False


def nameless(script: Manuscript, parses: Parses, cast: Sequence[Known]) -> list[Figure]:
    """He or she whom a story is about and never names."""
    story = read_story(script, parses, cast)
    open_: Counter[Pronoun] = Counter()
    nouns: dict[Pronoun, Counter[str]] = defaultdict(Counter)
    # Who has a name may be "he" before it is told; "my father" is not.
    # So may whom the text calls "the man" and nothing else.
    named = {p.id for p in cast if p.has_name or GROWN & set(p.calls)}
    calls = {call.lower().removeprefix("the ") for p in cast for call in p.calls}
    spoken = spoken_stretches(script)
    called_she = ""
    """The last thing that may be called "she", before anybody is."""
    for number, start, text in script.paragraphs:
        read, parsed = story.paragraphs.get(number), parses.get(text)
        if read is None or parsed is None:
            continue
        told = set()
        for m in read.mentions:
            if len(m.people) != 1 or not m.why.startswith(("“", "the only")):
                named.update(m.people)
            if m.people[0] in named:
                told.add(m.start)  # "he" before anybody is named means somebody else
        said = spoken.get(number, ())
        for i, token in enumerate(parsed.tokens):
            word = token.text.lower()
            if any(a <= start + token.start < b for a, b in said) or token.start in told:
                continue
            if token.lemma in CALLED_SHE and not open_["she"]:
                called_she = token.lemma
            if word in _SHE_OR_HE and token.dep in SUBJECT:
                open_[_SHE_OR_HE[word]] += 1
                for noun in _is_a(parsed, i):
                    nouns[_SHE_OR_HE[word]][noun] += 3
            elif (
                token.pos in {"NOUN", "PROPN"}
                and token.tag not in {"NNS", "NNPS"}
                and (sex := pronoun_of(token.lemma.lower()))
            ):
                nouns[sex][token.lemma.lower()] += token.lemma.lower() not in calls
            elif _acts(parsed, i) and token.lemma not in calls and _is_the(parsed, i):
                # "The captain", of whom nothing was told before, is who has been told of all along.
                nouns["he"][token.lemma] += 2
                nouns["she"][token.lemma] += 2
    no_woman = not nouns["she"] and not any(p.pronoun == "she" for p in cast)
    if called_she and no_woman and open_["she"] >= NAMELESS:
        # The painting that was carried off: "she was there, in a trunk".
        count, why = open_.pop("she"), "called “she”, as no woman is"
        thing = Figure(f"the {called_she}", (called_she,), "thing", "she", count, why, sure=True)
        return [thing, *_nameless(open_, nouns)]
    return _nameless(open_, nouns)


def _nameless(open_: Counter[Pronoun], nouns: dict[Pronoun, Counter[str]]) -> list[Figure]:
    return [
        Figure(
            f"the {noun}",
            tuple(dict.fromkeys((noun, {"he": "man", "she": "woman"}[sex]))),
            "person",
            sex,
            count,
            f"“{sex}” {count} times, never by name",
            sure=True,
        )
        for sex, count in open_.items()
        if count >= NAMELESS
        for noun in [_best(nouns[sex], {"he": "man", "she": "woman"}[sex])]
    ]


def told_to_you(script: Manuscript, parses: Parses) -> int:
    """How often the narration says what "you" do, as if it happened: "You walk along the corridor"."""
    return sum(
        token.text.lower() == "you"
        and token.dep in SUBJECT
        and i not in spoken
        and not unreal(parsed, clause_of(parsed, i))
        for _, parsed, spoken in narrated(script, parses)
        for i, token in enumerate(parsed.tokens)
    )


def _is_the(parsed: Parsed, i: int) -> bool:
    return any(parsed.tokens[c].text.lower() == "the" for c in parsed.children[i])


def _best(nouns: Counter[str], otherwise: str) -> str:
    """The word that says most of what somebody is: "signal-man" sooner than "man"."""
    own = [n for n in nouns if n not in ANYBODY and sort_of(n) == "person"]
    return max(own or list(nouns) or [otherwise], key=lambda n: nouns[n])


def _is_a(parsed: Parsed, i: int) -> list[str]:
    """ "He was a dark sallow man"."""
    verb = parsed.tokens[i].head
    if parsed.tokens[verb].lemma != "be" or unreal(parsed, verb):
        return []
    return [
        parsed.tokens[c].lemma
        for c in parsed.children[verb]
        if parsed.tokens[c].dep == "attr" and sort_of(parsed.tokens[c].lemma) == "person"
    ]
