"""Whether somebody who is meant is there to be seen: not where they are thought of, written to, or gone."""

from cutreel.core.nouns import sort_of

from .clauses import SUBJECT, clause_of, compared, is_able, subjects, unreal
from .memories import memories
from .parsed import Parsed

_AWAY = frozenset({"gone", "away", "missing", "absent", "nowhere", "dead"})
_WHERE_ONE_IS = frozenset(
    {"front", "side", "middle", "sight", "presence", "company", "care", "one", "two", "group"}
)
"""Of whom something like that is said is there: "by the side of"."""
_STAYS = frozenset({"sit", "stand", "lie", "wait", "live", "hang"})
_NEAR_THEM = frozenset({"side", "behalf"})
""""On his side" of the wall he need not be."""
_CAME = frozenset({"follow", "come", "arrive", "return", "gather", "join"})
"""Who had come is here now."""


def there(parsed: Parsed, i: int) -> tuple[bool, bool]:
    """Whether somebody meant by a token is seen, or would be if they were just before."""
    token = parsed.tokens[i]
    if token.dep == "pobj" and parsed.tokens[token.head].text.lower() == "of":
        number = parsed.tokens[token.head].head
        if parsed.tokens[number].tag == "CD":
            return there(parsed, number)  # "the three of us watched"
    owner = token.dep == "poss"
    if owner:
        # Her hands are hers to be seen; her house is not.
        thing = parsed.tokens[token.head]
        if thing.lemma in _NEAR_THEM:
            return False, False
        does = clause_of(parsed, token.head)
        if unreal(parsed, does) == "denied" and _is_kept_from_sight(parsed, does):
            return False, False  # "he did not come out of his house"
        if sort_of(thing.lemma) not in {"body", "garment"}:
            return False, not compared(parsed, i) and not _whose_death_is_told(parsed, i)
    if compared(parsed, i) or _none_of(parsed, i):
        return False, False
    if token.dep == "pobj" and (_is_of_a_thing(parsed, i) or _is_of_a_room(parsed, i)):
        return False, True
    verb = clause_of(parsed, token.head if owner else i)
    if token.dep == "dobj" and parsed.tokens[verb].lemma == "have" and _is_at_home(parsed, verb):
        return False, False  # "she had a daughter at home"
    why = unreal(parsed, verb)
    if (
        why == "remembered"
        and token.dep in SUBJECT
        and token.pos != "PRON"
        and has_made(parsed, verb)
    ):
        return True, True
    recalls = token.dep in SUBJECT and parsed.tokens[verb].lemma in {"remember", "recall"}
    if recalls and token.sentence in memories(parsed):
        return False, False  # what they remember is seen
    if token.dep in SUBJECT and _is_told_dead(parsed, verb):
        return False, False
    if token.dep == "poss" and _whose_death_is_told(parsed, i):
        return False, False
    if why == "denied" and token.dep == "nsubjpass":
        return False, False  # "he was never found"
    if (why == "denied" or by_nobody(parsed, verb)) and _is_excepted(parsed, i):
        return True, True
    if why == "denied" or by_nobody(parsed, verb):
        if token.dep in SUBJECT and _is_kept_from_sight(parsed, verb):
            return False, False
        here = token.dep in SUBJECT and (parsed.tokens[verb].lemma != "be" or _is_so(parsed, verb))
        return here, token.dep in SUBJECT
    if (
        token.dep in SUBJECT
        and parsed.tokens[verb].lemma in {"be", "go"}
        and _is_away(parsed, verb)
    ):
        return False, False
    if (
        why == "remembered"
        and token.dep in SUBJECT
        and (parsed.tokens[verb].lemma in _CAME or _is_still_at_it(parsed, verb))
    ):
        return True, True
    if why:
        tells_of = token.dep in SUBJECT and is_able(parsed, verb)
        return tells_of, tells_of or why == "remembered"
    if _in_relative(parsed, i):
        return False, True
    if parsed.tokens[verb].lemma in {"call", "name"} and token.dep == "oprd":
        # "The youngest was called Wick": that is who is told of.
        below = [parsed.tokens[c].dep for c in parsed.children[verb]]
        return "nsubjpass" in below and parsed.tokens[verb].dep == "ROOT", True
    return True, True


_SEEN_NOT = frozenset({"there", "here", "present", "alive", "home", "visible", "back"})


def _is_kept_from_sight(parsed: Parsed, verb: int) -> bool:
    """Whether who is denied to do it is not to be seen: "she was not there", "he did not come out"."""
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    if parsed.tokens[verb].lemma == "be":
        return any(t.text.lower() in _SEEN_NOT for t in below)
    never = any(t.text.lower() == "never" for t in below)
    return parsed.tokens[verb].lemma in _CAME - {"follow", "join"} and not never


def _is_so(parsed: Parsed, verb: int) -> bool:
    """Who "was not pleased" is there; of who "was never late" nothing is told to be seen."""
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    return any(t.dep == "acomp" for t in below) and not any(
        t.text.lower() == "never" for t in below
    )


_MADE = frozenset(
    "draw paint build make write cook plant carve sew bake knit weave print photograph hang dig mend buy collect "
    "keep".split()
)


def has_made(parsed: Parsed, verb: int) -> bool:
    """Whether it was done before, and can be looked at as it is told: "her father had drawn maps for forty years"."""
    token = parsed.tokens[verb]
    what = [parsed.tokens[c] for c in parsed.children[verb] if parsed.tokens[c].dep == "dobj"]
    things = any(sort_of(t.lemma) in {"thing", "food", "plant", "garment", "place"} for t in what)
    return token.lemma in _MADE and token.dep in {"ROOT", "conj"} and things


_ROOMS = frozenset("room floor flat apartment kitchen cellar attic shop cabin deck".split())


def _is_of_a_room(parsed: Parsed, i: int) -> bool:
    """ "In the room below us": that is not where we are."""
    prep = parsed.tokens[parsed.tokens[i].head]
    beside = prep.text.lower() in {"below", "beneath", "above", "under", "behind"}
    return beside and parsed.tokens[prep.head].lemma in _ROOMS


def _is_at_home(parsed: Parsed, verb: int) -> bool:
    return any(
        parsed.tokens[c].text.lower() == "at"
        and any(parsed.tokens[k].lemma == "home" for k in parsed.children[c])
        for c in parsed.children[verb]
    )


def _is_told_dead(parsed: Parsed, verb: int) -> bool:
    """ "Dad died in March": told afterwards, not seen."""
    if parsed.tokens[verb].lemma != "die":
        return False
    below = [parsed.tokens[k] for k in parsed.subtree(verb) if k > verb]
    return any(t.name == "DATE" and t.sentence == parsed.tokens[verb].sentence for t in below)


def _whose_death_is_told(parsed: Parsed, i: int) -> bool:
    """ "When she died in 1931, her neighbours found the telescope": she is not there."""
    she = {"her": "she", "his": "he", "their": "they"}.get(parsed.tokens[i].text.lower())
    return any(
        t.lemma == "die"
        and t.sentence == parsed.tokens[i].sentence
        and she in {parsed.tokens[s].text.lower() for s in subjects(parsed, k)}
        and not unreal(parsed, k)
        for k, t in enumerate(parsed.tokens[:i])
        if t.pos == "VERB"
    )


def _none_of(parsed: Parsed, i: int) -> bool:
    return any(parsed.tokens[c].text.lower() == "no" for c in parsed.children[i])


def _is_away(parsed: Parsed, verb: int) -> bool:
    """ "In the morning he was gone"; the parser may take "was gone" for what is done to him."""
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    if parsed.tokens[verb].text.lower() == "gone":
        return any(t.lemma == "be" for t in below)
    return any(t.text.lower() in _AWAY for t in below)


def _is_still_at_it(parsed: Parsed, verb: int) -> bool:
    """ "He had been working all the morning"; "had stolen a cheese and sat with it": it goes on."""
    below = [(c, parsed.tokens[c]) for c in parsed.children[verb]]
    if parsed.tokens[verb].tag == "VBG":
        return True
    return any(
        t.dep == "conj"
        and t.pos == "VERB"
        and (t.tag in {"VBD", "VBZ"} or t.lemma in _STAYS)
        and unreal(parsed, c) in {"", "remembered"}
        and not any(parsed.tokens[k].dep in SUBJECT for k in parsed.children[c])
        for c, t in below
    )


def _is_of_a_thing(parsed: Parsed, i: int) -> bool:
    """ "The window of a girl": it is hers, and she need not be there."""
    prep = parsed.tokens[parsed.tokens[i].head]
    if prep.text.lower() not in {"of", "from"}:
        return False
    above = parsed.tokens[prep.head]
    if above.lemma in _WHERE_ONE_IS:
        return False
    return above.pos == "NOUN" and sort_of(above.lemma) not in {"body", "garment"}


def _is_excepted(parsed: Parsed, i: int) -> bool:
    """ "Nobody noticed, except for a boy": he did."""
    above = [
        parsed.tokens[k].text.lower()
        for k in (parsed.tokens[i].head, i - 1, i - 2, i - 3)
        if k >= 0
    ]
    return parsed.tokens[i].dep == "pobj" and bool({"except", "but", "save"} & set(above))


def by_nobody(parsed: Parsed, verb: int) -> bool:
    """Whether nobody does it, or it is never done."""
    return any(
        parsed.tokens[k].text.lower() in {"nobody", "none", "no-one", "nothing"}
        for k in subjects(parsed, verb)
    )


def _of_whom_there_was(parsed: Parsed, verb: int) -> bool:
    """ "There was once a fisherman who lived with his wife": that is what is told."""
    above = parsed.tokens[parsed.tokens[verb].head]
    expletive = any(parsed.tokens[c].dep == "expl" for c in parsed.children[above.head])
    return above.dep == "attr" and expletive and parsed.tokens[verb].lemma in _STAYS


def _in_relative(parsed: Parsed, i: int) -> bool:
    at = i
    while parsed.tokens[at].head != at:
        token = parsed.tokens[at]
        if token.dep == "relcl" and _of_whom_there_was(parsed, at):
            return False
        if token.dep == "relcl" and sort_of(parsed.tokens[token.head].lemma) != "time":
            return True  # "one evening a man knocked" is no clause about the evening
        at = parsed.tokens[at].head
    return False
