"""Which clause a word stands in, and whether it is said to be so: what is denied, compared, wished, remembered or only
spoken of is not there to be seen."""

from collections.abc import Callable, Iterator

from cutreel.core.nouns import sort_of

from .memories import memories
from .parsed import Parsed, Token

ANYBODY = frozenset({"man", "woman", "boy", "girl", "child", "lady", "gentleman", "fellow", "baby"})
"""Words that say of nobody more than that they are somebody."""
SUBJECT = frozenset({"nsubj", "nsubjpass"})
OBJECT = frozenset({"dobj", "dative", "pobj", "oprd"})
# fmt: off
SPEECH = frozenset(
    "say ask answer reply tell whisper murmur mutter shout cry call yell sigh snap growl hiss groan breathe "
    "wonder demand scream plead add agree repeat announce explain insist promise warn exclaim remark declare "
    "chirp croak".split()
)
MENTAL = frozenset(
    "think know remember recall wish hope dream imagine believe forget wonder suppose guess mean expect fear "
    "want miss love hate need doubt understand learn consider decide plan intend long prefer trust regret "
    "realise realize".split()
)
_SPOKEN_OF = frozenset(
    "think know remember recall wish hope dream imagine believe forget suppose guess mean expect fear want "
    "miss love hate need doubt describe mention await expect resemble".split()
)
"""Verbs whose object is not there because of them."""
_COMPARES = frozenset({"like", "unlike", "than", "as"})
_ABOUT = frozenset({"about", "without", "except", "concerning", "despite"})
_THOUGHT_OF = _SPOKEN_OF | frozenset(
    "hear tell speak talk afraid wait ask search look proud tired send call".split()
)
_FAR = frozenset({"write", "telephone", "telegraph", "mail", "post", "belong", "send"})
"""Who is written to is elsewhere."""
_HAS_OTHERS_DO = frozenset(
    "teach help let make ask tell order watch see hear allow force invite beg urge persuade send get".split()
)
_WOULD = frozenset({"would", "could", "might", "should", "may", "'d", "’d", "must"})
_UNREAL_MARKS = frozenset({"if", "unless", "lest", "though", "whether"})
VERBAL = frozenset({"VERB", "AUX"})
# fmt: on
Called = Callable[[int], "tuple[int, ...]"]
"""Whom of the cast the token at an index means."""


def nobody(_: int) -> tuple[int, ...]:
    """Nobody of the cast is meant by any word."""
    return ()


def clause_of(parsed: Parsed, index: int) -> int:
    """The verb that a token hangs on, itself where it is one; the head of its sentence where there is no verb."""
    tokens, at = parsed.tokens, index
    for _ in range(len(tokens)):
        token = tokens[at]
        if (
            token.pos in VERBAL and token.dep not in {"aux", "auxpass", "amod"}
        ) or token.head == at:
            return at
        at = token.head
    return at


def listed(parsed: Parsed, i: int) -> bool:
    """Whether what is taken to stand beside a noun is one more of a list: "a nurse, a boy with a case, and a man"."""
    tokens = parsed.tokens

    def new(k: int) -> bool:
        return any(tokens[c].text.lower() in {"a", "an"} for c in parsed.children[k])

    more = [c for c in parsed.children[i] if tokens[c].dep == "conj" and new(c)]
    return tokens[i].dep == "appos" and bool(more) and new(i) and new(tokens[i].head)


def unreal(parsed: Parsed, verb: int) -> str:
    """Why a clause does not happen before our eyes: `denied`, `wished`, `compared`, `remembered`; else empty."""
    known = parsed.unreal
    if verb not in known:
        known[verb] = _unreal(parsed, verb)
    return known[verb]


_PICTURES = frozenset(
    "drawing picture photograph photo painting portrait sketch poster postcard map".split()
)


def _is_depicted(parsed: Parsed, verb: int) -> bool:
    """ "On the drawing the tower was cut into slices": that is on paper."""
    opens = (
        c
        for c in parsed.children[verb]
        if c < verb and parsed.tokens[c].text.lower() in {"on", "in"}
    )
    if not any(parsed.tokens[k].lemma in _PICTURES for c in opens for k in parsed.children[c]):
        return False
    # "On the map he drew a line" is done to it.
    done_to_it = any(parsed.tokens[k].dep == "dobj" for k in parsed.children[verb])
    return not done_to_it and parsed.tokens[verb].lemma not in {"lie", "find", "look"}


def _unreal(parsed: Parsed, verb: int) -> str:
    tokens = parsed.tokens
    token = tokens[verb]
    below = [tokens[c] for c in parsed.children[verb]]
    marks = {t.text.lower() for t in below if t.dep in {"mark", "advmod"}}
    auxes = {t.text.lower() for t in below if t.dep in {"aux", "auxpass"}}
    if _is_depicted(parsed, verb):
        return "compared"
    if any(t.dep == "neg" for t in below):
        return "denied"
    if _was_not_yet(parsed, verb):
        return "denied"
    if (
        marks & _UNREAL_MARKS
        and token.dep in {"advcl", "ccomp", "ROOT", "conj"}
        and "though" not in marks
    ):
        return "compared" if "as" in marks else "wished"
    if "though" in marks and "as" in marks:
        return "compared"
    if token.lemma == "die" and marks & {"until", "till"}:
        return "wished"  # "every summer until he died": not this summer
    above = tokens[token.head]
    if "as" in marks and _is_as(parsed, token.head):
        return "compared"  # "waves as high as a house rolled over it"
    if token.dep == "ccomp" and above.lemma == "do" and _asks_what(parsed, verb):
        return "compared"  # "they do what he did"
    if "since" in marks and token.dep == "advcl" and _is_perfect(parsed, token.head):
        return "remembered"  # "he had not smiled since his wife left"
    if auxes & _WOULD == {"could"} and _by_then(parsed, verb):
        return ""  # "by December she could take a watch apart"
    if auxes & _WOULD and token.lemma not in {"see", "hear", "feel", "smell"}:
        return "wished"
    if token.tag == "VBN" and auxes & {"had", "'d", "’d", "has", "have"}:
        # "By noon he had reached the first hill": by then that is now.
        now = (
            token.sentence in memories(parsed)
            or _by_then(parsed, verb)
            or _for_so_long(parsed, verb)
        )
        return "" if now else "remembered"
    if auxes & {"will", "'ll", "’ll"}:
        return "wished"
    if token.head != verb:
        if token.dep in {"xcomp", "ccomp"} and above.lemma in MENTAL | SPEECH:
            return "" if _is_reported(parsed, token.head) else "wished"
        if token.dep == "xcomp" and token.tag == "VBG" and above.lemma in {"stop", "cease", "quit"}:
            return "denied"  # "the plane stopped falling"
        if token.dep == "xcomp" and above.lemma in {
            "try",
            "refuse",
            "fail",
            "promise",
            "ask",
            "beg",
            "tell",
        }:
            return "wished" if above.lemma != "try" else ""
        if token.dep == "advcl" and any(t.tag == "TO" for t in below if t.dep == "aux"):
            turned = above.lemma in _TURNS_TO and token.lemma in _LOOKS
            return unreal(parsed, token.head) if turned else "wished"
        if token.dep == "acl" and any(t.tag == "TO" for t in below if t.dep == "aux"):
            return "wished"
        if token.dep in {"conj", "xcomp", "ccomp", "advcl"} and above.pos in VERBAL:
            outer = unreal(parsed, token.head)
            own_subject = any(t.dep in SUBJECT for t in below)
            if token.dep == "conj" and own_subject:
                return "" if outer == "denied" else outer
            if (
                token.dep == "advcl"
                and outer == "remembered"
                and token.tag in {"VBD", "VBZ", "VBP"}
            ):
                return ""  # "when she came home, her hair had gone white"
            return outer if outer and (token.dep != "advcl" or outer != "denied") else ""
    return ""


def _was_not_yet(parsed: Parsed, verb: int) -> bool:
    """ "Long before there were clocks": there were none."""
    tokens = parsed.tokens
    above = tokens[tokens[verb].head]
    below = [tokens[c] for c in parsed.children[verb]]
    if not any(t.dep == "expl" for t in below):
        return False
    before = any(t.dep == "mark" and t.text.lower() == "before" for t in below)
    return before or (tokens[verb].dep == "pcomp" and above.text.lower() == "before")


_TURNS_TO = frozenset({"turn", "stop", "lean", "bend", "rise"})
_LOOKS = frozenset({"look", "watch", "listen", "stare", "face"})
""" "The crowd turned to look at him": they do."""
_ONES = frozenset("one two three four five six seven eight nine ten eleven twelve thirteen".split())


def is_number(word: str) -> bool:
    """Whether a word numbers something: "Deck Nine", "Room 12"."""
    return word.isdigit() or word.lower() in _ONES


def is_able(parsed: Parsed, verb: int) -> bool:
    """ "Tobias could talk a fish out of a pond": said of somebody, though they do not do it now."""
    below = [(c, parsed.tokens[c]) for c in parsed.children[verb]]
    auxes = {t.text.lower() for _, t in below if t.dep in {"aux", "auxpass"}}
    under_if = any(
        t.dep == "advcl" and any(parsed.tokens[k].text.lower() == "if" for k in parsed.children[c])
        for c, t in below
    )
    return auxes == {"could"} and parsed.tokens[verb].dep == "ROOT" and not under_if


_REPORT = frozenset(
    "witness historian report record newspaper legend villager neighbour neighbor police paper chronicle "
    "survivor scientist".split()
)
"""Those who say afterwards what happened: it is seen."""


def _is_reported(parsed: Parsed, verb: int) -> bool:
    """ "Witnesses said that he fell down beside the dog"."""
    of = subjects(parsed, verb)
    told = parsed.tokens[verb].tag in {"VBD", "VBP", "VBZ"} and parsed.tokens[verb].lemma in SPEECH
    return told and bool(of) and all(parsed.tokens[s].lemma.lower() in _REPORT for s in of)


def _is_as(parsed: Parsed, i: int) -> bool:
    """Whether a word is "as", or is told how much by one: "as high as"."""
    words = [i, *(c for c in parsed.children[i] if parsed.tokens[c].dep == "advmod")]
    return any(parsed.tokens[w].text.lower() == "as" for w in words)


def _asks_what(parsed: Parsed, verb: int) -> bool:
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    return any(t.text.lower() == "what" and t.dep in {"dobj", "attr"} for t in below)


def _is_perfect(parsed: Parsed, verb: int) -> bool:
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    return any(t.dep == "aux" and t.lemma in {"have", "'d", "’d"} for t in below)


def _by_then(parsed: Parsed, verb: int) -> bool:
    for c in parsed.children[verb]:
        if parsed.tokens[c].text.lower() != "by" or c > verb:
            continue
        if c + 1 < len(parsed.tokens) and parsed.tokens[c + 1].text.lower() == "then":
            return True
        if any(
            parsed.tokens[k].name in {"DATE", "TIME"} or sort_of(parsed.tokens[k].lemma) == "time"
            for k in parsed.children[c]
        ):
            return True
    return False


def compared(parsed: Parsed, index: int) -> bool:
    """Whether a token is what something is compared with, or only spoken of ("like a captain", "about the sea")."""
    tokens, at = parsed.tokens, index
    for _ in range(len(tokens)):
        token = tokens[at]
        if token.head == at or (token.pos in VERBAL and token.dep not in {"aux", "auxpass"}):
            return False
        above = tokens[token.head]
        if token.dep in {"pobj", "pcomp"}:
            word = above.text.lower()
            over = tokens[above.head]
            if word in _COMPARES | _ABOUT:
                return True
            if word in {"of", "for"} and over.lemma in _THOUGHT_OF:
                return True
            if word == "to" and over.lemma in _FAR:
                # "I was sent to the garden": whoever is sent comes there.
                return not any(
                    tokens[c].dep == "nsubjpass" and tokens[c].pos == "PRON"
                    for c in parsed.children[above.head]
                )
        if token.dep == "dobj" and above.lemma in _SPOKEN_OF:
            return token.sentence not in memories(parsed)
        at = token.head
    return False


def ancestors(parsed: Parsed, index: int) -> Iterator[Token]:
    """The tokens above a token, the nearest first."""
    at = index
    while parsed.tokens[at].head != at:
        at = parsed.tokens[at].head
        yield parsed.tokens[at]


def subjects(parsed: Parsed, verb: int) -> list[int]:
    """The tokens that head a clause's subject; a clause joined to another takes over its subject."""
    at = verb
    for _ in range(6):
        below = parsed.children[at]
        own = [c for c in below if parsed.tokens[c].dep in SUBJECT]
        # "And it was gone": the parser may hang the subject on "was".
        own = own or [
            k
            for c in below
            if parsed.tokens[c].dep in {"auxpass", "aux"}
            for k in parsed.children[c]
            if parsed.tokens[k].dep in SUBJECT
        ]
        if own:
            who = parsed.tokens[own[0]].tag == "WP"
            return (who and (pointed_out(parsed, at) or meanwhile(parsed, at))) or own
        token = parsed.tokens[at]
        if at != verb and (behind := told_behind(parsed, at)):
            return behind  # "on the seat sits a boy, holding a fish"
        if token.head == at or token.dep not in {"conj", "xcomp", "advcl"}:
            return []
        if token.dep == "xcomp" and parsed.tokens[token.head].lemma in _HAS_OTHERS_DO:
            told = [c for c in parsed.children[token.head] if parsed.tokens[c].dep == "dobj"]
            if told:
                return told  # "taught the boy to swim": he does
        at = token.head
    return []


def told_behind(parsed: Parsed, verb: int) -> list[int]:
    """ "In her hand lay the blue stone": what lies there stands behind its verb; nobody else lies, or lays anything."""
    tokens = parsed.tokens
    if tokens[verb].lemma not in {"lie", "lay", "sit", "stand", "hang"}:
        return []
    what = [c for c in parsed.children[verb] if tokens[c].dep == "dobj"]
    before = any(tokens[c].dep == "prep" and c < verb for c in parsed.children[verb])
    # "She turned the key, and behind the door lay two hundred bottles": told of where, before its verb.
    last = next((k for k in range(verb - 1, -1, -1) if tokens[k].dep == "cc"), None)
    joined_to = (
        tokens[verb].dep == "conj"
        and last is not None
        and tokens[last].sentence == tokens[verb].sentence
        and tokens[last + 1].pos == "ADP"
    )
    return what[:1] if before or joined_to else []


def denied_with(parsed: Parsed, verb: int) -> bool:
    """ "It is not a thing you put in your pocket": nor is there a pocket."""
    token = parsed.tokens[verb]
    denied = unreal(parsed, clause_of(parsed, token.head)) == "denied"
    return token.dep == "relcl" and parsed.tokens[token.head].dep == "attr" and denied


def pointed_out(parsed: Parsed, verb: int) -> list[int]:
    """ "It was Ottoline who sat in the back room": whoever does what is told behind "who"; empty where "who" only says
    who somebody is."""
    token = parsed.tokens[verb]
    above = token.head if token.dep == "ccomp" else parsed.tokens[token.head].head
    below = [c for c in parsed.children[above] if parsed.tokens[above].lemma == "be"]
    it = any(
        parsed.tokens[c].dep in SUBJECT and parsed.tokens[c].text.lower() == "it" for c in below
    )
    return [c for c in below if parsed.tokens[c].dep == "attr" and c < verb] if it else []


_OVER = frozenset("go leave die disappear vanish lose fly sail depart forget".split())


def _for_so_long(parsed: Parsed, verb: int) -> bool:
    """ "For eleven winters they had played chess": they still do."""
    if parsed.tokens[verb].lemma in _OVER:
        return False
    long = (c for c in parsed.children[verb] if parsed.tokens[c].text.lower() == "for")
    return any(
        parsed.tokens[k].tag == "NNS" and sort_of(parsed.tokens[k].lemma) == "time"
        for c in long
        for k in parsed.children[c]
    )


def meanwhile(parsed: Parsed, verb: int) -> list[int]:
    """ "“No,” said Leo, who was eating a banana": who does it at that moment; empty for any other clause."""
    token = parsed.tokens[verb]
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    goes_on = token.tag == "VBG" and any(t.dep == "aux" and t.lemma == "be" for t in below)
    if token.dep != "relcl" or not goes_on or any(t.dep == "neg" for t in below):
        return []
    return [token.head] if parsed.tokens[token.head].dep in SUBJECT else []


def joined(parsed: Parsed, index: int) -> list[int]:
    """A token and those that are joined to it by "and"."""
    out = [index]
    for child in parsed.children[index]:
        if parsed.tokens[child].dep == "conj" or _is_next_of_a_list(parsed, child):
            out += joined(parsed, child)
    return out


def _is_next_of_a_list(parsed: Parsed, i: int) -> bool:
    """ "He questioned the priest, the brewer and the widow": no priest is a brewer."""
    below = {parsed.tokens[c].dep for c in parsed.children[i]}
    return parsed.tokens[i].dep == "appos" and {"cc", "conj"} <= below


_BESIDE = frozenset(("npadvmod", "compound", "nmod"))
"""How a name hangs on a noun that says what somebody is."""


def noun_behind(parsed: Parsed, head: int, last: int) -> int | None:
    """ "Wren the lamplighter": the noun that stands in the sentence for the name before it, which `head` heads and
    whose last word is `last`."""
    tokens = parsed.tokens
    if tokens[head].dep not in _BESIDE or last + 2 >= len(tokens):
        return None
    if tokens[last + 1].text.lower() != "the":
        return None
    noun = tokens[last + 1].head
    fits = last < noun <= last + 4 and tokens[noun].dep in SUBJECT
    return noun if fits and sort_of(tokens[noun].lemma) in {"person", "animal"} else None
