"""Who speaks each stretch of quoted dialogue, where the text says so.

Order of evidence: a tag beside the quotation ("said Pip"); who acts in the sentence before it, or
right behind it; going on in the same paragraph; taking turns with the paragraphs before. What
cannot be told stays with "Unknown speaker".
"""

import re
from collections import deque
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import islice
from typing import NamedTuple

from cutreel.core.nouns import sort_of

from .callings import COMPARED, KIN, NOT_NAMES, ROLES, Figure
from .given import are_several
from .roles import whose_trade
from .sentences import SPEECH_VERBS

UNKNOWN = "Unknown speaker"
PAIR = 2
TOLD = 3
"""Paragraphs in which people are told of who may still take turns."""
TELLER = "I"
"""How whoever tells the story stands among those who have spoken."""
NEAR = 4
"""Stretches of narration behind a quotation in which whoever “she” means may act: further on somebody
else has long been the one."""

_QUOTE = re.compile(r"“[^”]*(?:”|$)|\"[^\"]*(?:\"|$)|«[^»]*(?:»|$)")
_NAME = r"(?:(?:Mr|Mrs|Dr)\.? )?[A-Z][\w’'-]*(?: [A-Z][\w’'-]*){0,2}"
_KIN = rf"(?:[Hh]er|[Hh]is|[Mm]y|[Oo]ur|[Tt]heir) (?:{'|'.join(KIN)})"
_HOW = f"(?:(?:old|young|little|big|other|poor|[a-z]+est|{COMPARED}) )?"
_KIN_OF = rf"(?:[Tt]he [a-z]+|[A-Z][a-z]+)[’']s (?:{'|'.join(KIN)})"
"""The mayor's wife, Anna's brother."""
_SOMEBODY = rf"{_KIN_OF}|[Tt]he {_HOW}(?:[A-Z][\w’'-]*(?: [A-Z][\w’'-]*)?|[a-z]+(?:-[a-z]+)?)|{_KIN}|{_NAME}"
_WHO = rf"(?P<who>[Hh]e|[Ss]he|[Ii]t|I|{_SOMEBODY})"
_WHAT_LIKE = "(?:old|young|little|poor|dear|good|big|tall|small|wise|proud|blind|fat|mad|brave)"
_SAYS = (
    rf"(?:(?:had |has |have )?(?:{SPEECH_VERBS})|"
    "(?:would|will|could|used to) (?:say|ask|answer|tell|reply|shout|whisper))"
)
_AFTER_VERB = re.compile(rf"^,?\s*(?:{SPEECH_VERBS})\s+(?:{_WHAT_LIKE} )?{_WHO}\b")
_AFTER_NAME = re.compile(rf"^,?\s*{_WHO}(?:\s+\w+ly)?\s+{_SAYS}\b")
_A_VOICE = re.compile(
    rf"^,?\s*(?:{SPEECH_VERBS}) (?:a|the) (?:\w+ )?voice\b[^.!?“”\"]*[.!?]\s+[Ii]t was (?P<who>{_SOMEBODY})\b"
)
"""Behind it: "said a voice over the hedge. It was Mrs. Haverstock"."""
_BEFORE = re.compile(rf"{_WHO}(?:\s+\w+ly)?\s+(?:{SPEECH_VERBS})(?:\s+[\w’' ]{{0,30}})?[,:]\s*$")
_LEADS_IN = re.compile(rf"\b(?:{SPEECH_VERBS})\b[^“”\".!?]{{0,90}}[,:]\s*$")
_NO_VERB = r"(?!(?:and|or|of|in|on|at|who|with|to|the|a|an|is|are|from|by|for|as|that|which|’s)\b)"
_OF_KIN = re.compile(r"(?:her|his|my|our|their) ")
_KINS_NAME = re.compile(r" ([A-Z][\w’'-]+)(?=[,.;:!?]|\s|$)")
_LEADS_ON = re.compile(rf"\b{_WHO} (?:{SPEECH_VERBS})(?: \w+ly| again| aloud| back)?[.:!]?\s*$")
_ENDS = re.compile(r"(?<=[.!?])(?<!\bMr\.)(?<!\bMrs\.)(?<!\bMs\.)(?<!\bDr\.)(?<!\bSt\.)\s+")
_SUBJECT = re.compile(
    rf"^(?:(?:Then|And|But|So|At last|Old|Poor) )?(?P<who>{_SOMEBODY})\s+"
    rf"(?:\w+ly )?(?:also |still |only |just )?{_NO_VERB}[a-z]+"
)
_CALLED = re.compile(
    r"(?:^[“\"'](?:\w+, )?((?:[A-Z][\w’'-]*|[a-z]+)(?: [A-Z][\w’'-]*)?)[,!] )|"
    r", (?:my |dear |old )*(\w+(?: [A-Z][\w’'-]*)?)[.,!?]"
)
_ANSWERED = re.compile(r"^\s*(?:was|came) the (?:answer|reply|rejoinder|response)\b")
# fmt: off
_NOBODY = {
    "it", "they", "we", "i", "you", "there", "then", "but", "and", "this", "that", "what",
    "nobody", "somebody", "all", "the same", "the other", "the first", "the last", "the word",
    "the words", "the time", "the answer", "the reply", "the rejoinder", "the response",
    "the thing", "the one", "the somebody", "the someone", "here", "now", "so", "nothing", "everybody", "neither",
}
# fmt: on
_THINGS = frozenset({"thing", "plant", "food", "garment", "place", "time", "weather", "body"})


@dataclass(frozen=True, slots=True)
class Piece:
    """Offsets `start` up to `end` of a paragraph, spoken by `speaker` (None: the narrator)."""

    start: int
    end: int
    speaker: str | None
    why: str


@lru_cache(maxsize=16_384)
def quotes(body: str) -> list[tuple[int, int]]:
    """Spans of quoted speech, marks included. A quotation that does not open speech (a title, a
    word) stays out."""
    spans = []
    for match in _QUOTE.finditer(body):
        inner = match.group().strip('“”"«» ')
        opens = body[: match.start()].rstrip()
        spoken = (
            inner[-1:] in ",.!?…—-" or match.end() >= len(body.rstrip()) or opens[-1:] in ",:;"
        ) and inner
        starts = not opens or opens[-1] in ",:;.!?…—”\"'" or inner[:1].isupper()
        if spoken and starts:
            spans.append(match.span())
    return spans


class _Tag(NamedTuple):
    """Words that say who speaks, whom they name, and where the name stands."""

    words: str
    who: str
    at: int


@lru_cache(maxsize=16_384)
def _tags(before: str, after: str) -> tuple[tuple[_Tag, ...], tuple[_Tag, ...], bool]:
    """What narration behind and before a quotation may say of its speaker, and whether the latter leads in to it. Kept,
    since of a long text only one paragraph changes at a time."""
    behind = _AFTER_VERB.match(after), _AFTER_NAME.match(after), _A_VOICE.match(after)
    return _told_by(behind), _told_by((_BEFORE.search(before),)), bool(_LEADS_IN.search(before))


def _told_by(matches: Iterable[re.Match[str] | None]) -> tuple[_Tag, ...]:
    return tuple(
        _Tag(m.group().strip(" ,:"), _named_behind(m) or _of_trade(m), m.start("who"))
        for m in matches
        if m
    )


def _named_behind(match: re.Match[str]) -> str:
    """ "Asked his sister Pim": the name; empty where none stands behind a word of kin."""
    if not _OF_KIN.match(match.group("who").lower()):
        return ""
    name = _KINS_NAME.match(match.string, match.end("who"))
    return name.group(1) if name else ""


def _of_trade(match: re.Match[str]) -> str:
    """ "Said the night porter": the porter, and no night."""
    who = match.group("who")
    noun = who.rpartition(" ")[2]
    if not who.lower().startswith("the ") or not noun.islower():
        return who
    trade = whose_trade(noun, match.string[match.end("who") :])
    return f"the {trade}" if trade else who


class Recent:
    """Who has spoken so far, each once, by when last: a story may go on for thousands of speeches,
    and only its few speakers are looked through."""

    def __init__(self) -> None:
        self._names: dict[str, None] = {}
        self._of: Sequence[Figure] = ()
        self._calls: re.Pattern[str] = re.compile(r"(?!)")
        self._people: dict[str, str] = {}
        self._told: deque[set[str]] = deque(maxlen=TOLD)
        self.talk: set[str] = set()
        """Who has spoken since nothing but narration stood between."""
        self.leads: str | None = None
        """Who was last told to speak where nothing spoken followed yet: "he shouted." """

    def tell(self, people: set[str], alone: bool) -> None:
        """Narration of a paragraph tells of people; `alone`: nothing is spoken in it."""
        if people:
            self._told.append(people)
        if alone:
            self.talk.clear()
        elif len(people) == PAIR:
            self.talk &= people  # others who spoke before have no part in it any more

    def other_than(self, name: str) -> str | None:
        """Who else is there, where of two people only was told lately."""
        here: set[str] = set()
        for told in reversed(self._told):
            here |= told
            if len(here) == 2 and name in here:
                return next(iter(here - {name}))
        return None

    def named_in(self, body: str, figures: Sequence[Figure]) -> set[str]:
        """Which people of `figures` a text names; one pattern for all of them, made once for the same figures."""
        if self._of is not figures:
            people = [f for f in figures if f.kind == "person"]
            self._people = {call: f.name for f in reversed(people) for call in (f.name, *f.aliases)}
            calls = "|".join(map(re.escape, sorted(self._people, key=len, reverse=True)))
            self._calls = re.compile(rf"\b(?:{calls})\b" if calls else r"(?!)")
            self._of = figures
        return {self._people[call] for call in self._calls.findall(body)}

    def hear(self, name: str) -> None:
        """Somebody speaks, or is named as who will."""
        self.leads = None
        self.talk.add(name)
        self._names.pop(name, None)
        self._names[name] = None

    def __iter__(self) -> Iterator[str]:
        """The latest first."""
        return reversed(self._names)

    def __contains__(self, name: object) -> bool:
        return name in self._names


Meant = Callable[[int], str | None]
"""Who a pronoun at a character of a paragraph is, as far as somebody else has read it."""


def attribute(
    body: str,
    spans: Sequence[tuple[int, int]],
    figures: Sequence[Figure],
    memory: Recent,
    meant: Meant = lambda _at: None,
) -> list[Piece]:
    """Cut a paragraph into pieces by speaker. What is heard is added to `memory`."""
    if not spans:
        _note_mentions(body, figures, memory)
        memory.tell(_told_of(body, spans, figures, memory, meant), alone=True)
        memory.leads = _Paragraph(body, spans, figures, memory, meant).leads_on()
        return [Piece(0, len(body), None, "narration")]
    reader = _Paragraph(body, spans, figures, memory, meant)
    memory.tell(_told_of(body, spans, figures, memory, meant), alone=False)
    pieces: list[Piece] = []
    at = 0
    for i, (start, end) in enumerate(spans):
        if body[at:start].strip(" \n"):
            pieces.append(Piece(at, start, None, "narration"))
        pieces.append(Piece(start, end, *reader.speaker(i)))
        at = end
    if body[at:].strip():
        pieces.append(Piece(at, len(body), None, "narration"))
    for piece in pieces:
        if piece.speaker and piece.speaker != UNKNOWN:
            memory.hear(piece.speaker)
    # Who tells the story speaks by the narrator's voice.
    return [replace(p, speaker=None) if p.speaker == TELLER else p for p in pieces]


_TELLS = re.compile(r"\b(?:I|[Mm]y|me)\b")
_PRONOUN = re.compile(r"\b(?:[Hh]e|[Ss]he|[Hh]im|[Hh]er)\b")


def _told_of(
    body: str,
    spans: Sequence[tuple[int, int]],
    figures: Sequence[Figure],
    memory: Recent,
    meant: Meant,
) -> set[str]:
    """Who is told of in the narration of a paragraph."""
    told, at = [], 0
    for start, end in (*spans, (len(body), len(body))):
        told.append((at, body[at:start]))
        at = end
    found = {n for _, text in told for n in memory.named_in(text, figures)}
    people = {f.name for f in figures if f.kind == "person"}
    pronouns = (meant(at + m.start()) for at, text in told for m in _PRONOUN.finditer(text))
    found |= {TELLER} if any(_TELLS.search(text) for _, text in told) else set()
    return found | {n for n in pronouns if n in people}


Evidence = tuple[str | None, str]
"""A speaker (None: whoever tells the story), and what in the text says so."""


class _Paragraph:
    """Tells who speaks the quotations of one paragraph, one after another."""

    def __init__(
        self,
        body: str,
        spans: Sequence[tuple[int, int]],
        figures: Sequence[Figure],
        memory: Recent,
        meant: Meant,
    ) -> None:
        self.body, self.spans, self.memory, self.meant = body, spans, memory, meant
        self.people = [f for f in figures if f.kind != "place"]
        self.pronouns = {f.name: f.pronoun for f in self.people}
        self.said: list[Evidence] = []
        self.voices: set[str] = set()
        """Who has spoken in the paragraph."""

    def speaker(self, i: int) -> Evidence:
        """Who speaks quotation `i`; those before it have been told."""
        found = self._tag(i) or (self._goes_on(i) if i else self._opens())
        self.said.append(found)
        if found[0] is not None:
            self.voices.add(found[0])
        return found

    def _opening(self, i: int) -> int:
        """Where the narration before a quotation begins."""
        return self.spans[i - 1][1] if i else 0

    def _before(self, i: int) -> str:
        return self.body[self._opening(i) : self.spans[i][0]]

    def _after(self, i: int) -> str:
        return self.body[
            self.spans[i][1] : self.spans[i + 1][0] if i + 1 < len(self.spans) else len(self.body)
        ]

    def _tag(self, i: int) -> Evidence | None:
        start, end = self.spans[i]
        before = self._before(i)
        # Behind a full stop, "She laughed" is something she does and not how the words were said.
        closed = self.body[start:end].rstrip('”"»')[-1:] == "."
        behind, ahead, leads_in = _tags(before, "" if closed else self._after(i))
        for tag, at in (*((t, end) for t in behind), *((t, self._opening(i)) for t in ahead)):
            if tag.who == "I":
                return TELLER, "who tells the story speaks"
            if name := self._named(tag.who, i, at + tag.at):
                return name, f"by “{tag.words}”"
            if tag.who.lower() == "it":
                # A letter, a sign, a radio: what it says is read, by whoever tells the story.
                return None, f"by “{tag.words}”: it is read"
        if leads_in:
            subject = self._subject(self._sentences(before, self._opening(i))[-1])
            if subject:
                return subject, f"{subject} leads in to it"
        return None

    def _opens(self) -> Evidence:
        """The first quotation, without a tag of its own."""
        acting = self._acting(self._before(0), 0)
        if acting:
            return acting, f"{acting} acts in the same paragraph"
        later = next(
            (tag for tag in (self._tag(i) for i in range(1, len(self.spans))) if tag), None
        )
        if later and self._after(0).strip():
            return later
        acting = (
            self._acting(self._after(0), self.spans[0][1], last=False)
            if not _ANSWERED.match(self._after(0))
            else None
        )
        if acting:
            return acting, f"{acting} acts in the same paragraph"
        return self._turn()

    def _goes_on(self, i: int) -> Evidence:
        """A quotation behind another in the same paragraph, without a tag of its own."""
        between = self._before(i)
        if not between.strip(" \n,;:—-"):
            others = {*self.memory, *self.voices} - {UNKNOWN, self.said[-1][0]}
            if len(others) == 1:
                return others.pop(), f"answers {self.said[-1][0]}"
            return UNKNOWN, "the text does not say who speaks"
        sentences = self._sentences(between, self._opening(i))
        # Words behind a tag's full stop may belong to whoever acts there.
        acting = (
            self._subject(sentences[-1])
            if len(sentences) > 1 and between.rstrip()[-1:] in ".!?"
            else None
        )
        if (
            acting
            and acting != self.said[-1][0]
            and not re.search(rf"\b(?:{SPEECH_VERBS})\b", sentences[-1][0])
        ):
            return acting, f"{acting} acts just before"
        return self.said[-1][0], self.said[-1][1]

    def leads_on(self) -> str | None:
        """Who is told to speak at the end of a paragraph in which nothing is spoken: "and every August he shouted." """
        leads = _LEADS_ON.search(self.body)
        if leads is None:
            return None
        who, at = leads.group("who"), leads.start("who")
        return (
            self.meant(at) if who.lower() in {"he", "she", "it", "i"} else self._named(who, 0, at)
        )

    def _turn(self) -> Evidence:
        if self.memory.leads:
            return self.memory.leads, f"{self.memory.leads} was told to speak just before"
        turn = list(islice(self.memory, 2))
        talk = len(turn) > 1 and turn[1] in self.memory.talk
        if turn and not talk and (other := self.memory.other_than(turn[0])):
            return other, f"answers {turn[0]}"
        spoken_to = self._spoken_to(0)
        if len(turn) > 1 and turn[1] in spoken_to:
            return turn[0], f"speaks to {turn[1]}"  # who is called by name does not speak
        if len(turn) > 1 and turn[1] in self._told_of(0):
            others = [n for n in self.memory if n != turn[0] and n not in self._told_of(0)]
            if others:
                return others[0], f"{turn[1]} is spoken of"
        if len(turn) > 1:
            return turn[1], f"takes turns with {turn[0]}"
        others = [f.name for f in self.people if f.name not in turn]
        if turn and len(others) == 1:
            return others[0], f"the only one besides {turn[0]}"
        return UNKNOWN, "the text does not say who speaks"

    def _spoken_to(self, i: int) -> set[str]:
        """Who is called in a quotation: "Thank you kindly, wolf"."""
        start, end = self.spans[i]
        called = _CALLED.findall(self.body[start:end])
        words = {w.lower() for pair in called for w in pair if w}
        return {
            f.name
            for f in self.people
            if words & {c.lower().removeprefix("the ") for c in (f.name, *f.aliases)}
        }

    def _told_of(self, i: int) -> set[str]:
        """Who is spoken of by name in a quotation: "It's Aunt Philippa". Whoever says their own name says "I am" before
        it."""
        start, end = self.spans[i]
        said = self.body[start:end]
        return {
            f.name
            for f in self.people
            for call in (f.name, *f.aliases)
            if call[:1].isupper()
            and re.search(rf"\b{re.escape(call)}\b", said)
            and not re.search(
                rf"(?:\bI am|\bI[’']m|\bname is|\bname[’']s) {re.escape(call)}\b", said
            )
        }

    def _acting(self, narration: str, at: int, last: bool = True) -> str | None:
        """Who acts in the narration that begins `at`: in its last sentence that has somebody, or its first."""
        subjects = [s for s in map(self._subject, self._sentences(narration, at)) if s]
        return subjects[-1 if last else 0] if subjects else None

    def _sentences(self, text: str, at: int) -> list[tuple[str, str | None]]:
        """Sentences of a stretch of narration that begins `at`, without marks at their heads, and who each is about
        where it opens with a pronoun that was read."""
        out: list[tuple[str, str | None]] = []
        start = 0
        for end in [*(m.start() for m in _ENDS.finditer(text)), len(text)]:
            sentence = text[start:end]
            bare = sentence.strip(_AROUND)
            if bare:
                opens = re.match(r"(?:(?:Then|And|But|So) )?([Hh]e|[Ss]he|[Ii]t) (?=[a-z])", bare)
                head = at + start + len(sentence) - len(sentence.lstrip(_AROUND))
                out.append((bare, self.meant(head + opens.start(1)) if opens else None))
            start = end
        return out or [("", None)]

    def _subject(self, told: tuple[str, str | None]) -> str | None:
        """Who a sentence is about: somebody known, or a role, that it opens with."""
        sentence, meant = told
        found = _SUBJECT.match(sentence)
        if not found or meant:
            return meant
        who = found.group("who")
        if who.endswith(("’s", "'s")):
            return None  # "Robin's bed was empty"
        if who.split(" ")[0].lower() in NOT_NAMES - {"the"} and not _OF_KIN.match(who.lower()):
            return None
        if _OF_KIN.match(who.lower()):
            return self._named(who, 0, -1)
        if who.lower().startswith("the "):
            noun = who.split(" ")[-1]
            known = (
                noun.lower() in ROLES
                or noun[:1].isupper()
                or any(noun.lower() in f.aliases for f in self.people)
            )
            return f"the {noun}" if known and who.lower() not in _NOBODY else None
        known = next((f.name for f in self.people if who == f.name or who in f.aliases), None)
        if known or not who[:1].isupper() or who.lower() in NOT_NAMES | _NOBODY:
            return known
        # "Spoons flew out": several things at the head of a sentence are nobody.
        low = who.lower()
        things = low.endswith("s") and sort_of(low.removesuffix("s")) in _THINGS
        things = things or are_several(low)
        return None if things else who

    def _named(self, who: str, i: int, at: int) -> str | None:
        if re.fullmatch(_KIN_OF, who):
            who, at = f"the {who.rpartition(' ')[2]}", -1
        low = who.lower()
        if low in {"he", "she", "it"} and (meant := self.meant(at)):
            return meant
        if low in {"he", "she"}:
            return self._pronoun(low, i)
        if low == "it":
            return self._beast(self._before(i))
        if low in _NOBODY:
            return None
        if low.startswith("the ") and (meant := self.meant(at)):
            return meant
        if _OF_KIN.match(low) or low.startswith("the "):
            role = re.sub(
                r"^(?:old|young|little|big|other|poor|[a-z]+est) ", "", who.split(" ", 1)[1]
            )
            if f"the {role}" in _NOBODY:
                return None
            owner = (f.name for f in self.people if role in f.aliases or f"the {role}" in f.aliases)
            return next(owner, f"the {role}")
        return next((f.name for f in self.people if who == f.name or who in f.aliases), who)

    def _beast(self, before: str) -> str | None:
        """Whom “it said” means: the animal or thing that was named last, here or as one who spoke."""
        kinds = [f for f in self.people if f.kind != "person"]
        near = [(before.rfind(c), f.name) for f in kinds for c in (f.name, *f.aliases)]
        at, name = max(near, default=(-1, ""))
        if at >= 0:
            return name
        names = {f.name for f in kinds}
        return next((n for n in self.memory if n in names), None)

    def _pronoun(self, pronoun: str, i: int) -> str | None:
        """Whom “he” or “she” means: who acts just before, who spoke just before, else the only one
        that it can be."""

        def may_be(name: str | None) -> bool:
            return name is not None and self._pronoun_of(name) in (pronoun, None)

        acting = self._acting(self._before(i), self._opening(i))
        if may_be(acting):
            return acting
        # Asked ahead, from the quotation that opens the paragraph, nobody has spoken yet.
        spoke = self.said[-1][0] if self.said else UNKNOWN
        if spoke != UNKNOWN and may_be(spoke) and self._before(i).strip():
            return spoke
        for name in self.memory:
            if self._pronoun_of(name) == pronoun:
                return name
        sure = [
            f.name for f in self.people if f.pronoun == pronoun and f.kind in ("person", "animal")
        ]
        if len(sure) == 1:
            return sure[0]
        behind = range(i, min(i + NEAR, len(self.spans)))
        rest = " ".join(map(self._after, behind))
        said = [(text, None) for text in _plain_sentences(rest)]
        near = next((s for s in map(self._subject, said[1:]) if may_be(s)), None)
        if near:
            return near
        if not sure:
            last = next(iter(self.memory), None)
            open_ = [
                f.name
                for f in self.people
                if f.pronoun is None and f.kind == "person" and f.count > 1 and f.name != last
            ]
            return open_[0] if len(open_) == 1 else None
        return None

    def _pronoun_of(self, name: str) -> str | None:
        return self.pronouns.get(name) or ROLES.get(name.removeprefix("the ").lower())


_AROUND = ' \n,;:—-”"'


def _plain_sentences(text: str) -> list[str]:
    """Sentences of a stretch of narration, without marks at their heads."""
    return [s.strip(_AROUND) for s in _ENDS.split(text) if s.strip(_AROUND)] or [""]


def _note_mentions(body: str, figures: Sequence[Figure], memory: Recent) -> None:
    """Let a figure that narration names, and nobody else, be the one a following "she said"
    means."""
    named = memory.named_in(body, figures)
    if len(named) == 1:
        (name,) = named
        if name in memory:
            memory.hear(name)
