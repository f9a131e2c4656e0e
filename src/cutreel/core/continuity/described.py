"""How the text describes its people: age, build, hair, clothes, wherever a sentence says so of somebody who is named.

A description is a noun that can be seen on a person, with words before it that say how ("white hair in a braid", "a
patched blue coat"). It belongs to whom *her* or *his* means, or to who stands before *with*, *in*, *wore* or *had*.
What is denied, compared or taken off is not said of anybody. English only.
"""

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

from cutreel.core.colour import colour_in
from cutreel.core.manuscript import Figure, Manuscript, words_text
from cutreel.core.nouns import sort_of
from cutreel.core.reading import NOTHING, TOLD_NEXT, Story

from .features import PARTS, PARTS_HOW, features_in

# fmt: off
HEAD = ("head",)
HAIR = ("hair", "curls", "braid", "braids", "plait", "plaits", "ponytail", "pigtail", "pigtails", "topknot", "bun")
FACE = (
    "beard", "moustache", "eyes", "freckles", "skin", "spectacles", "glasses", "eyebrows", "scar", "patch",
    "eyepatch", "monocle", "earring", "earrings", "whiskers", "sideburns", "stubble", "goatee", "hairnet",
)
CLOTHES = (
    "apron", "shawl", "coat", "overcoat", "raincoat", "oilskin", "cloak", "cape", "dress", "gown",
    "robe", "suit", "jacket", "jumper", "sweater", "jersey", "shirt", "blouse", "tunic",
    "waistcoat", "cardigan", "uniform", "dungarees", "overalls", "smock", "skirt", "trousers",
    "breeches", "boots", "shoes", "clogs", "gloves", "mittens", "scarf", "neckerchief",
    "headscarf", "kerchief", "collar", "bonnet", "cap", "hat", "hood", "tie", "anorak", "parka",
    "hoodie", "jeans", "tracksuit", "sandals", "slippers", "vest", "pullover", "blazer", "kimono",
    "sari", "turban", "poncho", "armour", "mackintosh", "bandana", "goggles", "beret", "helmet",
    "crown", "veil", "pinafore", "nightgown",
)
_HOW = {
    "long", "short", "curly", "straight", "wavy", "thick", "thin", "tied", "loose", "cropped",
    "tangled", "unruly", "woollen", "wool", "leather", "straw", "fur", "felt", "silk", "velvet",
    "cotton", "linen", "knitted", "patched", "torn", "worn", "old", "new", "heavy", "light", "big",
    "little", "small", "large", "wide", "wide-brimmed", "broad-brimmed", "tall", "high", "pointed",
    "round", "flat", "striped", "checked", "spotted", "plain", "fine", "faded", "dark", "pale",
    "huge", "enormous", "great", "magnificent", "drooping", "waxed", "trimmed", "curled", "clipped", "oiled", "combed",
    "bright", "deep", "bushy", "full", "neat", "trim", "wild", "shaggy", "muddy", "dusty", "tattered",
    "embroidered", "buttoned", "double-breasted", "rubber", "wooden", "gold", "silver", "tight",
    "dressing", "evening", "bow", "top", "bowler",
    "ball", "wedding", "school", "working", "riding", "denim", "tweed", "lace", "ragged",
    "hooded", "sleeveless", "quilted", "steel", "brass", "horn-rimmed", "wire", "tin", "warm", "best", "sunday",
    "sharp", "kind", "tired", "bald", "shaved", "shaven", "usual", "same", *PARTS_HOW,
    "wet", "damp", "soaked", "dripping", "dirty", "clean", "filthy", "shabby", "smart", "stained", "crumpled",
    "creased", "ironed", "starched", "baggy", "oversized", "sheepskin", "corduroy", "military", "naval", "moth-eaten",
    "threadbare", "patchwork", "borrowed", "sequined", "glittering", "flying", "bomber", "lab", "winter",
    "summer", "sailor", "army",
    "navy", "tarry", "greasy", "back", "lower", "upper",
}
_BUILD = {
    "old", "young", "tall", "short", "broad", "thin", "stout", "small", "big", "plump", "slight",
    "bearded", "bald", "round", "lean", "heavy", "bent", "stooped", "grey-haired", "white-haired",
    "red-haired", "dark-haired", "fair-haired", "black-haired", "elderly", "middle-aged",
    "stooping", "lanky", "gangling", "stocky", "portly", "skinny", "chubby", "burly", "muscular", "gaunt", "bony",
    "petite", "hunched", "long", "strong",
    "broad-shouldered", "wide", "little", "large", "wiry", "frail",
}
_KINDS = {"woman": "she", "man": "he", "girl": "she", "boy": "he", "lady": "she", "lad": "he",
          "gentleman": "he", "child": None,
          "giant": None, "giantess": "she", "dwarf": None, "king": "he", "queen": "she", "prince": "he",
          "princess": "she", "witch": "she", "wizard": "he", "fairy": None, "knight": "he"}
_ONES = (
    "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven",
    "twelve", "thirteen", "fourteen", "fifteen", "sixteen", "seventeen", "eighteen", "nineteen",
)
_TENS = ("twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety")
_NUMBERS = {w: n for n, w in enumerate(_ONES, 1)} | {w: 10 * n for n, w in enumerate(_TENS, 2)}
# fmt: on
_NOUN = "|".join(sorted((*HEAD, *HAIR, *FACE, *PARTS, *CLOTHES), key=len, reverse=True))
_BODY = frozenset((*HEAD, *HAIR, *FACE, *PARTS, "feature"))
_STYLED = r"(?: (?:tied |worn |pinned )?(?:back |up )?in (?:a|two) (?:[a-z]+ )?(?:braids?|plaits?|bun|knot|ponytail))?"
_LIKE_FRUIT = r"(?: (?:was |were )?(?:of )?the colou?r of [a-z]+)?"
_MADE_OF = r"(?: of (?:[a-z]+ ){0,2}(?:feathers|fur|skins?|hide|leaves|wool|silk|velvet|lace|rags|patches|straw|mail))?"
_OVER_EYE = r"(?: over (?:his|her|one|the) (?:left |right )?eye)?"
_THING = re.compile(
    rf"\b(?P<noun>{_NOUN})\b(?P<styled>{_LIKE_FRUIT}{_STYLED}{_MADE_OF}{_OVER_EYE})"
)
_FRUIT = re.compile(r"colou?r of ([a-z]+)")
_LIKE_A_CROW = re.compile(r" of (?:crow|raven|jackdaw|rook|mole)\b")
_WAS = re.compile(r" (?:was|were|is|are) (?:very |quite )?([a-z-]+)")
_BEFORE = re.compile(r"[A-Za-z][a-z]*(?:-[a-z]+)*(?=,?\s*$)")
_HAVING = re.compile(r"\b(?:with|in|under|wore|wears|worn|wearing|had|has|dressed in)\s+")
_STANDS = re.compile(
    r"\b(?:at|by|on|near|behind|before|beside|under|against) (?:the|a|an) [\w-]+ $"
)
"""Behind a place "in a long coat" is said of who stands there."""
_NOT_HERS = re.compile(
    r"\b(?:no|not|never|without|like|as|n’t|n't|off|los[te]s?|drop(?:ped|s)|gave|gives?|bought|buys?|s[eo]lls?|sold|len[td]s?|mend(?:ed|s)?|"
    r"wash(?:ed|es)?|sew(?:ed|s)?|fold(?:ed|s)?|hung|hangs?|"
    r"another’s|somebody’s|stranger’s)\b[^,;]*$"
)
_NOT_ON_HER = re.compile(
    r"\b(?:no|not|never|without|like|as|n’t|n't|off|los[te]s?|another’s|somebody’s|stranger’s)\b[^,;]*$"
)
"""The same of what is part of somebody: icicles may hang from a beard, and who washes her hair has it still."""
_BEHIND_COLOUR = "and|every|all|since|from|for|ever|now|that|as|like|at|on|with|to|by|but"
_IN_COLOUR = re.compile(
    r"\b(?:(?:wore|wears|wearing)(?: all| always| only| nothing but)?|"
    r"(?:dressed|clad|all|always)(?: all| always| only)? in)"
    rf" (?P<colour>[a-z]+)(?=[,.;:!?]|$| (?:{_BEHIND_COLOUR})\b)"
)
"""Who "wore black every day", was "dressed all in white"."""
_ONLY_SAID = re.compile(
    r"^\s*(?:of|from|belonging|"
    r"for(?! (?:ever|every|(?:\w+ ){0,2}(?:years?|months?|weeks?|days|winters?|summers?)\b)))\b"
)
_AGE = re.compile(
    r"^(?: [A-Z][\w’'-]+)?(?:, and (?:she|he)|, who)? (?:was|is) (?:only |just |already |nearly |almost |about |now )*"
    r"(?P<number>\d{1,3}|[a-z]+(?:-[a-z]+)?)(?: years old)?(?=[,.;]| and | when | but |$)"
)
_IS_A = re.compile(
    r"^(?: [A-Z][\w’'-]+)?(?:,|(?:, who)? (?:was|is)) (?:a|an|the) (?P<how>(?:[a-z-]+,? (?:and )?){0,3})(?P<kind>"
    + "|".join(_KINDS)
    + r")\b"
)
_OF_AGE = re.compile(r" of (?:about |around |nearly |almost |some )?([a-z]+(?:-[a-z]+)?|\d{1,3})\b")
""""A woman of sixty"."""
_BY_NOW = re.compile(r" (?:now|by now|by then)\b")
_IS_SO = re.compile(
    r"^(?: [A-Z][\w’'-]+)?(?:, who|, (?:the|an?|her|his|my) [a-z ]+,)? (?:was|is) (?:very |quite |rather )?"
    r"(?:as |so )?"
    r"(?P<how>[a-z-]+(?:(?:, | and |, and )(?:very |quite |rather )?[a-z-]+){0,2})(?=[,.;]|$| and | but | with | as )"
)
_IS_MORE = re.compile(
    r"^(?: [A-Z][\w’'-]+)?(?:, who)? (?:was|is) (?:much |far )?(?P<how>[a-z]+er) than\b"
)
""""Taller than the door"."""
_MORE = {
    "taller": "tall", "bigger": "big", "larger": "large", "thinner": "thin", "smaller": "small", "broader": "broad",
    "stouter": "stout", "shorter": "short", "rounder": "round", "leaner": "lean",
}  # fmt: skip
_IS_ONE = re.compile(
    r"^(?: [A-Z][\w’'-]+)?(?:,|(?:, who)? (?:was|is)) an? (?P<how>(?:[a-z-]+,? (?:and )?){1,3})(?P<kind>[A-Za-z]+)\b"
)
""""Was a lean Scotsman": what they are besides may be anything that people are."""
_LASTING = _BUILD - {"old", "big", "large", "little", "small", "heavy", "round"}
"""What is said of a body also beside a trade: a big talker, an old hand need be neither."""
_CALLED = re.compile(
    r"\b[Aa]n? (?P<how>(?:[a-z-]+,? (?:and )?){0,3})(?P<kind>[a-z]+) (?:called|named|by the name of) $"
)
_COMES_IN = re.compile(
    r"\b[Aa]n? (?P<how>(?:[a-z-]+,? (?:and )?){0,3})(?P<kind>" + "|".join(_KINDS) + r")$"
)
""""A thin girl", whose name is told later."""
_CAME = re.compile(
    r", (?:sat|sits|stood|stands|lay|lies|came|comes|walk(?:ed|s)|rode|rides|step(?:ped|s)|was|is|limp(?:ed|s)) "
)
_OTHER_TIME = re.compile(r"\b(?:since|until|till|before|than|[a-z,]+ when) $")
_SHE_HE = re.compile(r"^(She|He)\b")
MOST_CLOTHES = 3
OLD, GROWN, YOUNG = 60, 20, 13
"""Years from which somebody is called old, and below which young and a child."""


@dataclass(frozen=True)
class _Phrase:
    """A thing on a person: where it stands in its sentence, the word before it that says whose, how it looks."""

    start: int
    end: int
    own: str
    how: tuple[str, ...]
    noun: str
    styled: str
    told: str = ""
    """What is said of a scar or the like, whole."""

    @property
    def text(self) -> str:
        if self.told:
            return self.told
        how = tuple(h for h in self.how if h not in ("usual", "same"))
        if fruit := _FRUIT.search(self.styled):
            # "Hair the colour of plums" is plum hair.
            like = next((w for w in (fruit[1], fruit[1].removesuffix("s")) if colour_in(w)), "")
            return " ".join([*how, like or f"{fruit[1]}-coloured", self.noun])
        if not any(map(colour_in, how)) and _LIKE_A_CROW.search(self.styled):
            how = ("black", *how)  # a coat of crow feathers
        return " ".join([*how, self.noun]) + self.styled


def _is_not_hers(text: str, phrase: _Phrase) -> bool:
    """Whether a thing is told of that somebody has not on: what is cut off was hers."""
    before = text[: phrase.start]
    if phrase.noun in HAIR and re.search(r"\bcuts? off\b[^,;]*$", before):
        return False
    return (_NOT_ON_HER if phrase.noun in _BODY else _NOT_HERS).search(before) is not None


@dataclass
class Described:
    """What the text says of somebody's looks; what it leaves open is empty. `said` are the words that say it."""

    build: list[str] = field(default_factory=list)
    kind: str = ""
    years: int | None = None
    hair: str = ""
    coat: str = ""
    """The colour of an animal: "she was brown and very small"."""
    face: list[str] = field(default_factory=list)
    clothes: list[str] = field(default_factory=list)
    features: list[str] = field(default_factory=list)
    """By what else they are known: "scar on the cheek", "pointed nose"."""
    in_colour: str = ""
    """The colour of all they wear, where no garment is named: "wore black"."""
    said: list[str] = field(default_factory=list)
    where: dict[str, str] = field(default_factory=dict)
    """The words around what was said, by a wording: of a garment, hair, a face; of age and build by "who"."""

    def built(self, words: Sequence[str]) -> None:
        """Take what is said of a build; "red-haired" says what hair there is."""
        for word in words:
            if word not in _BUILD or word in self.build:
                continue
            colour, _, haired = word.partition("-")
            if haired != "haired":
                self.build.append(word)
            elif not self.hair:
                self.hair = f"{colour} hair"

    def words_for(self, *wordings: str) -> str:
        """The words of the text that a trait of these wordings was read from."""
        found = (self.where[w] for w in wordings if w in self.where)
        return "; ".join(dict.fromkeys(found))[:200]

    @property
    def pronoun(self) -> str | None:
        return _KINDS.get(self.kind)

    @property
    def age(self) -> str | None:
        """old, young, or child; None where nothing says it."""
        if self.years is not None:
            return (
                "old"
                if self.years >= OLD
                else "child"
                if self.years < YOUNG
                else ("young" if self.years < GROWN else None)
            )
        if self.kind in ("girl", "boy", "child"):
            return "child"
        return next((a for a in ("old", "young") if a in self.build), None)


def described_in(
    script: Manuscript, figures: Sequence[Figure], story: Story = NOTHING
) -> dict[str, Described]:
    """What the narration says of the looks of each of `figures`, by name. Where `story` has read a paragraph, with
    `figures` numbered from 1, it says whom every pronoun means."""
    reader = _Reader(figures)
    for sentence in script.sentences:
        words = script.words[sentence.first : sentence.end]
        told = [w for w in words if script.lines[w.line].speaker is None]
        if not told:
            continue
        number, start = words[0].paragraph, words[0].start
        read = story.paragraphs.get(number)
        if read is None:
            if len(told) == len(words):
                reader.read(words_text(words), number)
            continue
        text = script.text[start : words[-1].end].replace("\n", " ")
        for word in words:
            if script.lines[word.line].speaker is not None:
                # What is spoken describes nobody; where it stood stays, so that all else keeps its place.
                at, to = word.start - start, word.end - start
                text = text[:at] + " " * (to - at) + text[to:]
        at = story.starts[number] - start
        meant = [
            (m.start + at, m.end + at, figures[m.people[0] - 1])
            for m in read.mentions
            if len(m.people) == 1
            and m.why != TOLD_NEXT
            and 0 <= m.start + at < len(text)
            and m.people[0] <= len(figures)
        ]
        reader.read(text, number, meant)
    return reader.found


_PUTS_ON = re.compile(r"\b(?:put|puts|putting|pulled|pulls|threw|slipped) on $")


class _Reader:
    """Reads one sentence after another, and knows who was named last."""

    def __init__(self, figures: Sequence[Figure]) -> None:
        calls = {c: f for f in reversed(figures) for c in (f.name, *f.aliases) if c}
        self.by_call = {c.lower(): f for c, f in calls.items()}
        ordered = sorted(self.by_call, key=len, reverse=True)
        self.names = (
            re.compile(r"\b(" + "|".join(map(re.escape, ordered)) + r")\b", re.I)
            if ordered
            else None
        )
        self.last: Figure | None = None
        self.last_by: dict[str, Figure] = {}
        self.paragraph = -1
        self.here: set[str] = set()
        """Who was named or meant in this paragraph."""
        self.found: dict[str, Described] = {}

    def read(
        self, text: str, paragraph: int, meant: Sequence[tuple[int, int, Figure]] | None = None
    ) -> None:
        """Note what a sentence says of whom; `meant` are its names and pronouns, where it was read whom they mean."""
        if meant is not None:
            for start, end, figure in meant:
                if text[start:end].lower() not in ("his", "her"):
                    self._who(text, start, end, figure)
            for phrase in _phrases(text):
                own = next(
                    (
                        f
                        for a, b, f in meant
                        if phrase.own in ("her", "his") and a <= phrase.start < b
                    ),
                    None,
                )
                if own is not None:
                    aside = _is_not_hers(text, phrase) or _ONLY_SAID.match(text[phrase.end :])
                    owner = None if aside else own
                elif phrase.own in ("her", "his"):
                    owner = None
                else:
                    owner = self._owner(text, phrase, meant)
                if owner is not None:
                    self._note(owner, phrase, text)
            self._in_colour(text, meant)
            return
        if paragraph != self.paragraph:
            self.paragraph, self.here = paragraph, set()
        named = [(m.start(), m.end(), self.by_call[m.group(1).lower()]) for m in self._named(text)]
        she_he = _SHE_HE.match(text)
        subject = self._meant(she_he.group(1).lower()) if she_he else None
        before = [(0, 0, subject)] if subject else []
        self.here |= {f.name for _, _, f in named} | ({subject.name} if subject else set())
        for start, end, figure in named:
            self._who(text, start, end, figure)
        if subject is not None:
            self._who(text, 0, len(she_he.group()) if she_he else 0, subject)
        for phrase in _phrases(text):
            owner = self._owner(text, phrase, [*before, *named])
            if owner is not None:
                self._note(owner, phrase, text)
        self._in_colour(text, [*before, *named])
        for _, _, figure in named:
            self.last = figure
            pronoun = figure.pronoun or self._of(figure).pronoun
            if pronoun:
                self.last_by[pronoun] = figure

    def _named(self, text: str) -> Iterator[re.Match[str]]:
        return self.names.finditer(text) if self.names else iter(())

    def _of(self, figure: Figure) -> Described:
        return self.found.setdefault(figure.name, Described())

    def _meant(self, pronoun: str) -> Figure | None:
        """Whom a pronoun means: who was named last, where that may be, else the last of whom it is known."""
        last = self.last
        if last is not None and (last.pronoun or self._of(last).pronoun or pronoun) == pronoun:
            return last
        return self.last_by.get(pronoun)

    def _in_colour(self, text: str, named: Sequence[tuple[int, int, Figure]]) -> None:
        """Note who is told to wear a colour, and no garment."""
        for told in _IN_COLOUR.finditer(text):
            near = [f for _, end, f in named if end <= told.start()]
            if (
                not near
                or colour_in(told["colour"]) is None
                or _NOT_HERS.search(text[: told.start()])
            ):
                continue
            own = self._of(near[-1])
            own.in_colour = own.in_colour or told["colour"]
            own.said.append(told.group())
            own.where.setdefault(own.in_colour, _around(text, told.start(), told.end()))

    def _who(self, text: str, start: int, end: int, figure: Figure) -> None:
        """Age, build and kind, where they stand right before or behind the name."""
        if _OTHER_TIME.search(text[:start]):
            return  # "until she was eighty", "since she was a child"
        behind, own = text[end:], self._of(figure)
        if (age := _AGE.match(behind)) and (years := number_in(age.group("number"))):
            own.years = years
            own.said.append(figure.name + age.group())
            own.where.setdefault("who", _around(text, start, end + age.end()))
            behind = behind[age.end() :]
        if (is_so := _IS_SO.match(behind)) and any(w in _BUILD for w in _words(is_so["how"])):
            own.built(_words(is_so["how"]))
            own.said.append(figure.name + is_so.group())
            own.where.setdefault("who", _around(text, start, end + is_so.end()))
        if (more := _IS_MORE.match(behind)) and more["how"] in _MORE:
            own.built([_MORE[more["how"]]])
            own.where.setdefault("who", _around(text, start, end + more.end()))
        one = _IS_ONE.match(behind)
        if one and one["kind"] not in _KINDS and sort_of(one["kind"].lower()) == "person":
            told_of = [w for w in _words(one["how"]) if w in _LASTING]
            own.built(told_of)
            if told_of:
                own.where.setdefault("who", _around(text, start, end + one.end()))
        if figure.kind == "animal" and (is_so := _IS_SO.match(behind)):
            own.coat = own.coat or next((w for w in _words(is_so["how"]) if colour_in(w)), "")
        # "A small girl named Pim" may be one mention: what is before the name counts, not before all of it.
        at = text.find(figure.name, start, end)
        told_so = (
            _IS_A.match(behind),
            _CALLED.search(text[: max(start, at)]),
            _COMES_IN.search(text[:end]),
        )
        for told in told_so:
            if told and told is told_so[0] and _of_a_list(text, start, behind):
                continue
            if told and told is told_so[0] and _BY_NOW.match(behind[told.end() :]):
                # "Who was an old man now": old not from the first on, see `changed`.
                own.kind = own.kind or told.group("kind")
                continue
            if told:
                own.kind = own.kind or (told["kind"] if told["kind"] in _KINDS else "")
                aged = _OF_AGE.match(behind[told.end() :] if told is told_so[0] else behind)
                own.years = own.years or (number_in(aged[1]) if aged else None)
                how = _words(told.group("how"))
                own.built(how)
                own.said.append(told.group().strip(" ,"))
                own.where.setdefault("who", _around(text, start, end))

    def _owner(
        self, text: str, phrase: _Phrase, named: Sequence[tuple[int, int, Figure]]
    ) -> Figure | None:
        own, at = phrase.own, phrase.start
        if _is_not_hers(text, phrase) or _ONLY_SAID.match(text[phrase.end :]):
            return None
        before = [n for n in named if n[1] <= at]
        if own in ("her", "his"):
            pronoun = "she" if own == "her" else "he"
            may = [
                f for _, _, f in before if (f.pronoun or self._of(f).pronoun or pronoun) == pronoun
            ]
            meant = may[-1] if may else self._meant(pronoun)
            # "His" of somebody without a name is not that of the last man of the page before.
            return meant if meant and meant.name in self.here else None
        told = _without(text[:at])
        having = next(
            (h for h in reversed(list(_HAVING.finditer(told))) if _is_list(told[h.end() :])), None
        )
        if having is None:
            return None
        near = [n for n in before if n[1] <= having.start()]
        behind = next((n for n in named if n[0] >= phrase.end), None)
        if behind and _CAME.fullmatch(text[phrase.end : behind[0]]):
            return behind[2]  # "with a patch over his eye, sat Jack Tolliver"
        if not near:
            return None
        between = told[near[-1][1] : having.start()]
        other = re.search(r"\b(?:a|an|the|her|his)\s+(?:[\w-]+\s+){1,3}$", between)
        if between.endswith(" and ") and having.group().strip() in ("had", "has", "wore", "wears"):
            other = None  # "wore a fur hat and had a gold tooth": she goes on having things
        beside = re.match(
            r"(?: [A-Z][\w’'-]+)?(?:, | (?:was|is) (?:[\w-]+, )?)(?:a|an|the)\b", between
        )
        stands = having.group().startswith("in") and _STANDS.search(between)
        return None if other and not beside and not stands else near[-1][2]

    def _note(self, figure: Figure, phrase: _Phrase, text: str) -> None:
        noun, how, own = phrase.noun, phrase.how, self._of(figure)
        if figure.kind == "animal" and noun == "coat":
            # What an animal has on its back: "his coat was spotted brown and white".
            behind = _words(text[phrase.end : phrase.end + COAT_TOLD])
            own.coat = own.coat or next((w for w in (*how, *behind) if colour_in(w)), "")
            return
        own.where.setdefault(phrase.text, _around(text, phrase.start, phrase.end))
        if noun == "feature":
            if phrase.text in own.features:
                return
            own.features.append(phrase.text)
        elif noun in PARTS:
            if not PARTS_HOW & set(how) or any(m.endswith(noun) for m in own.features):
                return
            own.features.append(phrase.text)
        elif noun == "head":
            if own.hair or not {"bald", "shaved", "shaven"} & set(how):
                return
            own.hair = "bald head"
        elif noun in HAIR:
            if own.hair or (noun == "hair" and not how and not phrase.styled):
                return
            own.hair = phrase.text
        elif noun in ("patch", "eyepatch"):
            if (noun == "patch" and not phrase.styled) or "eye patch" in own.face:
                return
            own.face.append("eye patch")
        elif noun in FACE:
            if any(noun in f for f in own.face) or (
                not how and noun in ("eyes", "skin", "eyebrows")
            ):
                return
            own.face.append(phrase.text)
        elif not how and _PUTS_ON.search(text[: phrase.start]):
            return  # they have it on from there: see `changed`
        elif len(own.clothes) < MOST_CLOTHES and all(noun not in c for c in own.clothes):
            own.clothes.append(phrase.text)
        own.said.append(phrase.text)


def _phrases(text: str) -> Iterator[_Phrase]:
    """Things on people that a sentence names, each with the words right before it that say how it looks."""
    features = list(features_in(text))
    for found in features:
        yield _Phrase(found.start, found.end, "a", (), "feature", "", found.text)
    for thing in _THING.finditer(text):
        if any(m.start <= thing.start() < m.end for m in features):
            continue
        how: list[str] = []
        start, own = thing.start(), ""
        while word := _BEFORE.search(text[:start]):
            if word.group().lower() in ("her", "his", "a", "an", "the", "two"):
                own, start = word.group().lower(), word.start()
                break
            if word.group() == "own":
                start = word.start()
                continue  # "her own white hair"
            skipped = word.group() == "and" and bool(how)
            if not skipped and word.group() not in _HOW and colour_in(word.group()) is None:
                break
            if skipped and not _how_before(text[: word.start()]):
                break
            start = word.start()
            how += [] if skipped else [word.group()]
        is_so = _WAS.match(text[thing.end() :]) if thing["noun"] in _BODY else None
        lined = is_so and text[thing.end() + is_so.end() :].startswith(" with")
        if is_so and not lined and (is_so[1] in _HOW or colour_in(is_so[1]) is not None):
            how.append(is_so[1])
        yield _Phrase(start, thing.end(), own, tuple(how[::-1]), thing["noun"], thing["styled"])


def _without(text: str) -> str:
    """A text in which nothing stands where it names scars and the like: then "with a gap in his teeth and a scar" is a
    list."""
    for found in features_in(text):
        text = text[: found.start] + " " * (found.end - found.start) + text[found.end :]
    return text


def _of_a_list(text: str, start: int, behind: str) -> bool:
    """ "A nurse going off shift, a boy with a case, and a man": three, not one who is a boy."""
    unknown = text[:start].lower().endswith((" a ", " an ")) or text[start:].lower().startswith(
        ("a ", "an ")
    )
    return unknown and re.match(r",[^.;]*, and (?:a|an|the|her|his) ", behind) is not None


def _how_before(text: str) -> bool:
    word = _BEFORE.search(text)
    return word is not None and (word.group() in _HOW or colour_in(word.group()) is not None)


def _is_list(text: str) -> bool:
    """Whether words only add things to what somebody has: "a grey shawl and "."""
    rest = re.sub(rf"\b(?:{_NOUN})\b{_LIKE_FRUIT}{_STYLED}{_MADE_OF}{_OVER_EYE}", " ", text)
    words = re.findall(r"[a-z]+(?:-[a-z]+)*|[^\w\s,]", rest, re.I)
    lists = {"a", "an", "the", "and", "two", "his", "her", "more", "many"}
    return all(w in lists or w in _HOW or colour_in(w) is not None for w in words)


def _words(text: str) -> list[str]:
    return re.findall(r"[a-z]+(?:-[a-z]+)*", text)


def number_in(word: str) -> int | None:
    """The number that a word or figures say, up to a hundred and twenty."""
    if word.isdigit():
        return int(word) if int(word) < 120 else None
    tens, _, ones = word.partition("-")
    if tens not in _NUMBERS or (ones and ones not in _NUMBERS):
        return None
    return _NUMBERS[tens] + (_NUMBERS[ones] if ones else 0)


COAT_TOLD = 30
"""Characters behind "his coat" within which its colour is told."""
AROUND = 60
"""Characters before and behind what was said that are shown with it."""


def _around(text: str, start: int, end: int) -> str:
    """The words of a sentence around characters `start` up to `end`, cut between words."""
    first, last = max(0, start - AROUND), min(len(text), end + AROUND)
    if first:
        first = text.find(" ", first, start) + 1 or start
    if last < len(text):
        last = text.rfind(" ", end, last) if " " in text[end:last] else end
    return f"{'… ' if first else ''}{text[first:last].strip()}{' …' if last < len(text) else ''}"
