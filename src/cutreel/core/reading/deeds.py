"""What happens before our eyes, clause by clause, put as a picture says it: in the present tense, with names for
pronouns, without what is thought, said, denied or compared."""

from collections.abc import Mapping
from types import MappingProxyType

from .clause import Clause, Deed
from .clauses import VERBAL, Called, meanwhile, pointed_out, told_behind, unreal
from .parsed import Parsed
from .there import has_made


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
            or (token.dep == "relcl" and not (pointed_out(parsed, i) or meanwhile(parsed, i)))
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
