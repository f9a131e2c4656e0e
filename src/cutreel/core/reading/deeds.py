"""What happens before our eyes, clause by clause, put as a picture says it: in the present tense, with names for
pronouns, without what is thought, said, denied or compared."""

from collections.abc import Mapping
from types import MappingProxyType

from cutreel.core.nouns import sort_of

from .clause import Clause, Deed
from .clauses import VERBAL, Called, meanwhile, pointed_out, told_behind, unreal
from .parsed import Parsed
from .there import has_made


def _is_told(parsed: Parsed, verb: int) -> bool:
    """Whether a relative clause tells what happens: who is pointed out, what somebody does meanwhile; or "For a year
    Mary dug", which the parser takes for the year that she dug."""
    head = parsed.tokens[parsed.tokens[verb].head]
    so_long = sort_of(head.lemma) == "time" and parsed.tokens[head.head].dep == "ROOT"
    opens = so_long and parsed.tokens[head.head].pos in {"ADP", "SCONJ"}
    return bool(opens or pointed_out(parsed, verb) or meanwhile(parsed, verb))


def deeds_in(
    parsed: Parsed,
    spoken: frozenset[int],
    called: Called,
    others: Mapping[int, str] = MappingProxyType({}),
) -> tuple[Deed, ...]:
    """The deeds of a paragraph, in order; tokens `spoken` are words of a quotation; `others` are pronouns that mean
    things, or people who are not in the cast, with the words for those."""
    out = []
    for i, token in enumerate(parsed.tokens):
        if (
            i in spoken
            or token.pos not in VERBAL
            or token.dep in {"aux", "auxpass", "amod", "csubj"}
            or (token.dep == "relcl" and not _is_told(parsed, i))
        ):
            continue
        why = unreal(parsed, i)
        if token.dep == "acl" or (why and not (why == "remembered" and has_made(parsed, i))):
            continue
        clause = Clause(parsed, i, spoken, called, others)
        deed = clause.stands_there() if told_behind(parsed, i) else clause.deed()
        if deed is not None:
            out.append(deed)
    return tuple(out)
