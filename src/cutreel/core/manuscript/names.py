"""Who and what recurs in a text: names, roles ("the boy"), animals. Every finding says why; it is a
guess.

A run of capitalised words is a name when it also stands inside sentences. It is taken for a place
when it ends in a word such as “Street”, or mostly follows a word of place; for a person when it
speaks, acts, or is called she or he.
"""

import re
from collections import Counter, defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache
from typing import Literal

from cutreel.core.nouns import sort_of

from .callings import KIN, NOT_NAMES, SPECIES, Figure, Pronoun, pronoun_of
from .given import are_several, pronoun_of_given
from .roles import as_one, kind_of_role, roles_in
from .sentences import SPEECH_VERBS, sentence_ends

# fmt: off
TITLES = {
    "mr", "mrs", "ms", "miss", "dr", "captain", "aunt", "uncle", "lady", "lord", "king", "queen",
    "sir", "old", "father", "mother", "sister", "brother", "professor", "monsieur", "madame",
    "saint", "prince", "princess",
}
# fmt: on
_HE_TITLES = {"mr", "uncle", "lord", "king", "sir", "father", "brother", "monsieur", "prince"}
_SHE_TITLES = {
    "mrs",
    "ms",
    "miss",
    "aunt",
    "lady",
    "queen",
    "mother",
    "sister",
    "madame",
    "princess",
}
# fmt: off
_BODIES = frozenset(
    "society company institute academy university college club union committee council association parliament congress "
    "ministry bank museum gazette herald times railway airways bureau agency department foundation".split()
)
"""The last word of what several people make up: the Royal Society is nobody."""
_OFFICES = {
    "dr", "doctor", "captain", "professor", "inspector", "sergeant", "colonel", "major", "judge",
    "constable", "reverend", "master", "mistress", "general",
    "detective", "commissioner", "lieutenant", "commander", "nurse",
    "mayor", "sheriff", "deputy", "marshal", "officer", "admiral", "corporal", "pastor", "vicar", "bishop", "rabbi",
    "senator", "president", "ranger", "warden", "coach", "chef",
}
"""Titles of either: like the others they make a name of the word behind them."""
TITLES |= _OFFICES
_NO_TITLE = {"old", "saint"}
_PLACE_BEFORE = {
    "in", "at", "from", "to", "near", "towards", "toward", "into", "of", "outside", "beyond",
    "through", "across", "around", "between", "reached", "left", "ship", "whaler", "schooner", "steamer", "brig",
    "frigate", "barque", "trawler", "submarine", "lifeboat", "liner", "yacht", "tug", "aboard",
}
_TO_SOMEBODY = re.compile(
    r"\b(?:(?:look|star|glanc|smil|laugh|shout|grin|nod|wav|point|glar|frown|swear)(?:s|e|es|ed|ing)? (?:\w+ )?at|"
    r"(?:said|spoke|talk(?:ed|ing)?|listen(?:ed|ing)?|gave|hand(?:ed|ing)|next|straight|belong(?:s|ed)|married|whisper(?:ed|ing)?|"
    r"nodded|happened|explained|close|beside|it|him|her|them) to) $"
)
"""What stands before somebody's name, though "at" and "to" stand before places too."""
_PLACE_BEFORE_THE = {"in", "into", "across", "through", "inside", "outside"}
_PLACE_NOUNS = {
    "street", "road", "avenue", "alley", "square", "harbour", "harbor", "bay", "island", "isle",
    "islands", "river", "ocean", "sea", "beach", "coast", "valley", "mountain", "mountains",
    "forest", "station", "school", "museum", "library", "hotel", "inn", "cathedral", "abbey",
    "market", "quay", "pier", "lighthouse", "village", "city", "desert", "canyon", "strait",
    "channel", "gulf", "cape", "pass", "creek", "falls", "plain", "county", "peninsula", "sound",
}
"""What a name ends in that is the name of a place whoever walks there."""
_PLACE_OR_SURNAME = {
    "lane", "hill", "park", "wood", "woods", "bridge", "church", "castle", "court", "house",
    "hall", "lake", "mill", "farm", "field", "fields", "gate", "tower", "garden", "gardens", "row",
    "cliff", "point", "rock", "town", "marsh", "green", "brook", "moor", "heath", "ridge", "peak",
}
"""What a name ends in that may be somebody's: a place unless it is called she or he."""
# fmt: on
_NAME = r"(?:(?:Mr|Mrs|Ms|Dr|St)\.? )?[A-Z][\w'’-]*(?: (?:de|van|von|la|le) [A-Z][\w'’-]*| [A-Z][\w'’-]*)*"
NEAR = 40
"""Characters before a name in which a word of place, or of saying, stands."""
_ACTS = re.compile(
    r"(?:^|[.!?”\"]\s+)([A-Z][\w’'-]*(?: [A-Z][\w’'-]*)*) (?:\w+ly )?[a-z]+(?:ed|t|d|w|k|s)\b"
)
_RUN = re.compile(_NAME)
_OF_KIN = re.compile(
    r"(?:^|[’'\s])(?:[Hh]er|[Hh]is|[Mm]y|[Oo]ur|[Tt]heir|\w+['’]s) (?:\w+ )?("
    + "|".join(KIN)
    + r") $"
)
_OF_PLACES = ("Port ", "Cape ", "Mount ", "Lake ", "Fort ", "Loch ", "Glen ")
"""What a name of a place begins with."""
_SPEAKS = re.compile(rf"(?:\b(?:{SPEECH_VERBS}) $|^[,]? ?(?:\w+ly )?(?:{SPEECH_VERBS})\b)")


_ARTICLE = re.compile(r"\b(?:[Tt]he|[Aa]n?) (?:(?!named|called|of|and)[a-z-]+ ){0,2}$")
_SAID_OF = {"Old", "Young", "Little", "Poor", "Dear", "Good"}
"""What stands before a name and is none, at the head of a sentence."""
_ANIMAL = re.compile(
    r"\b("
    + "|".join(sorted(SPECIES, key=len, reverse=True))
    + r"),? (?:(?:was )?(?:called|named) )?$"
)
_CALLED_SO = re.compile(r"\b([a-z]+),? (?:was )?(?:called|named) $")
SURE = 3
"""A word of kin tells more of somebody's sex than a pronoun near the name."""


@dataclass
class _Tally:
    """What was counted of each name: how often it stands, inside a sentence, after a word of place, speaking, after a
    word of kin ("her brother Marek"), having something ("Lena’s"), behind an article ("the White Rabbit"); and the
    pronouns that go on from it."""

    runs: Counter[str] = field(default_factory=Counter)
    inside: Counter[str] = field(default_factory=Counter)
    placed: Counter[str] = field(default_factory=Counter)
    speaks: Counter[str] = field(default_factory=Counter)
    kin: Counter[str] = field(default_factory=Counter)
    species: dict[str, str] = field(default_factory=dict)
    owning: Counter[str] = field(default_factory=Counter)
    articled: Counter[str] = field(default_factory=Counter)
    pronouns: dict[str, Counter[str]] = field(default_factory=lambda: defaultdict(Counter))

    def add(self, other: "_Tally") -> None:
        self.runs.update(other.runs)
        self.inside.update(other.inside)
        self.placed.update(other.placed)
        self.speaks.update(other.speaks)
        self.kin.update(other.kin)
        self.species.update(other.species)
        self.owning.update(other.owning)
        self.articled.update(other.articled)
        for name, found in other.pronouns.items():
            self.pronouns[name].update(found)


@lru_cache(maxsize=16_384)
def _paragraph(paragraph: str) -> _Tally:
    """What one paragraph says of names. Kept, since of a long text only a paragraph changes at a time."""
    tally = _Tally()
    start = 0
    for end in sentence_ends(paragraph):
        _sentence(paragraph[start:end], paragraph[end : end + 60], tally)
        start = end
    return tally


@lru_cache(maxsize=64)
def people_named(text: str) -> tuple[Figure, ...]:
    """The figures of `text`, most mentioned first. `kind` is person, animal or place."""
    tally = _Tally()
    body = "\n".join(
        line for line in text.split("\n") if not line.lstrip().startswith(("#", "[", "INT", "EXT"))
    )
    for paragraph in re.split(r"\n\s*\n", body):
        tally.add(_paragraph(paragraph))
    runs, inside, placed, speaks = tally.runs, tally.inside, tally.placed, tally.speaks
    pronouns = tally.pronouns
    acting = _acting(body)
    lower = set(re.findall(r"\b[a-z]+\b", body))
    names = [
        n
        for n in runs
        if (inside[n] and (runs[n] > 1 or speaks[n] or tally.kin[n] or n.count(" ")))
        or n in tally.species
        # Only ever at the head of a sentence: a name when it comes again and is no word of the text
        # otherwise.
        or (runs[n] > 1 and n.lower() not in lower and acting[n] + tally.owning[n] > 1)
        # A title makes a name of the one word behind it, wherever it stands and however often.
        or (n.count(" ") and pronoun_of_given(_bare(n.split(" ")[0])))
        or (n.count(" ") and is_title(first := _bare(n.split(" ")[0])) and first not in _NO_TITLE)
    ]
    names = [n for n in names if runs[n] > 1 or n.lower() not in _IN_THE_SKY]
    names = [
        n
        for n in names
        if not _is_a_house(n) and not _is_a_cry(n, body) and not (" " not in n and are_several(n))
    ]
    known = set(names)
    # A full name and a part of it stand for one another, each if only once and at the head of a sentence.
    names += [n for n in runs if " " in n and n not in known and _has_part(n, runs, lower)]
    parts = {part for n in names if " " in n for part in n.split(" ")[-2:]}
    names += [n for n in runs if n in parts and n not in known and n.lower() not in lower]
    what = {n: _what(n, tally) for n in dict.fromkeys(names)}
    names = [n for n in names if what[n] is None or n.count(" ")]
    merged = _merge(names, runs, placed, speaks, pronouns, tally.kin)
    figures = [_by_species(f, tally.species, merged) for f in merged]
    figures = [_by_what_it_is(f, what.get(f.name)) for f in figures]
    figures = [
        f
        for f in figures
        if f.kind != "nobody" and (f.kind != "thing" or speaks[f.name] or pronouns[f.name])
    ]
    return tuple(
        sorted(as_one(body, figures, roles_in(body, figures)), key=lambda f: (-f.count, f.name))
    )


_IN_THE_SKY = frozenset(
    "snow rain hail sleet thunder lightning wind fog mist storm dawn dusk night morning evening winter spring summer "
    "autumn darkness silence smoke dust".split()
)
"""What begins, falls or comes, and is nobody where it is told once: "Snow began to fall"."""


def _is_a_cry(name: str, body: str) -> bool:
    """ "“Humph!” said the camel": a word that is only ever all that is said, and ends with a cry."""
    if name not in body:
        return False
    # Words on a board, or a title, are only ever quoted: “Fresh Fish Daily”.
    ends = "[.!?…—]*" if name.count(" ") > 1 else "[!?…—]+"
    said = re.findall(rf"[“\"]{re.escape(name)}{ends}[”\"]", body)
    return len(said) == len(
        re.findall(rf"\b{re.escape(name)}\b", body)
    ) > 0 and not pronoun_of_given(name)


_OF_HOUSES = frozenset({"general", "king", "queen", "prince", "princess", "royal", "major"})


def _is_a_house(name: str) -> bool:
    """Whether a title only says what a house or a street is called: the General Hospital, Queen Street."""
    first, _, last = name.rpartition(" ")
    last = _bare(last)
    is_place = last in _PLACE_NOUNS or (sort_of(last) == "place" and not pronoun_of_given(last))
    return _bare(first) in _OF_HOUSES and is_place and last not in _PLACE_OR_SURNAME


_NOBODY = {"time", "weather", "food", "garment", "body"}
_What = Literal["person", "animal", "thing", "nobody"]


_OF_A_COUNTRY = frozenset(
    "national royal coast home imperial continental foreign red british french".split()
)
_FORCES = frozenset("guard army navy force service legion marines cross".split())


def is_title(word: str) -> bool:
    """Whether a word before a name is a title ("sergeant-major")."""
    return word in TITLES or any(part in _OFFICES for part in word.split("-"))


def _what(name: str, tally: _Tally) -> _What | None:
    """What somebody is whose name is mostly behind an article and ends in what they are: the White Rabbit, the Mole."""
    if " " in name and _bare(name.rsplit(" ", maxsplit=1)[-1]) in _BODIES:
        return "nobody"
    if tally.articled[name] * OF_NAMES < tally.runs[name]:
        return None
    first, last = _bare(name.split(" ", maxsplit=1)[0]), _bare(name.rsplit(" ", maxsplit=1)[-1])
    if last in _PLACE_NOUNS | _PLACE_OR_SURNAME or is_title(first):
        return None
    if first in _OF_A_COUNTRY and last in _FORCES:
        return "nobody"  # "the mayor wanted the National Guard"
    if kind := kind_of_role(last):
        return kind
    # "The Constance struck a reef": who is always called with an article, and by no word for somebody, is a ship.
    is_ship = sort_of(last) in (None, "place") and not tally.speaks[name] and not last.endswith("s")
    return "nobody" if sort_of(last) in _NOBODY or is_ship else None


def _by_species(figure: Figure, species: Mapping[str, str], others: Sequence[Figure]) -> Figure:
    """Tray is a dog; and "her dog Tray" tells nothing of his sex where she is somebody else."""
    found = next((species[n] for n in (figure.name, *figure.aliases) if n in species), "")
    if not found:
        return figure
    same = any(
        f is not figure and f.kind == "person" and f.pronoun == figure.pronoun for f in others
    )
    pronoun = None if same and not figure.sure else figure.pronoun
    return replace(figure, kind="animal", species=found, pronoun=pronoun)


def _by_what_it_is(figure: Figure, what: _What | None) -> Figure:
    """The White Rabbit is an animal, is called so with its article, and is the Rabbit too."""
    if what is None or figure.kind == "place":
        return figure
    last = figure.name.split(" ")[-1]
    told = pronoun_of(last.lower())
    return replace(
        figure,
        name=f"the {figure.name}",
        aliases=tuple(dict.fromkeys((figure.name, last, *figure.aliases))),
        kind=what,
        species="" if what == "person" else last.lower(),
        pronoun=told or figure.pronoun,
        sure=figure.sure or told is not None,
    )


OF_NAMES = 3
"""A third of the places of a name behind an article make it a word for what somebody is."""


def _has_part(name: str, runs: Counter[str], lower: set[str]) -> bool:
    """Whether somebody of a full name is also called by a part of it."""
    parts = name.split(" ")
    return any(p in runs for p in parts) and all(p.lower() not in lower for p in parts)


def _acting(body: str) -> Counter[str]:
    """How often a sentence opens with a name and says what it does."""
    return Counter(m.group(1) for m in _ACTS.finditer(body))


def _sentence(sentence: str, after: str, tally: _Tally) -> None:
    found: list[str] = []
    opens = len(sentence) - len(sentence.lstrip("\"'“‘ (—"))
    for match in _RUN.finditer(sentence):
        words = match.group().split(" ")
        at = match.start()
        while words and _bare(words[0]) in NOT_NAMES:
            at += len(words.pop(0)) + 1
        if len(words) > 1 and words[0] in _SAID_OF and at <= opens:
            at += len(words.pop(0)) + 1
        while words and _bare(words[-1]) in NOT_NAMES:
            words.pop()
        if not words or (len(words) == 1 and _bare(words[0]) in TITLES):
            continue
        while of_place := _place_before(words):
            # "In London Luke Howard", "by Lake Geneva Mary Shelley": the place is no part of the name.
            at += len(" ".join(words[:of_place])) + 1
            words = words[of_place:]
        name = re.sub(r"['’]s$", "", " ".join(words)).rstrip("'’-")
        if len(name) < 2 or (name.isupper() and len(name) > 4):
            continue
        found.append(name)
        _count(tally, name, sentence, at, at + len(" ".join(words)), at > opens)
    if len(set(found)) == 1:
        tail = sentence[sentence.find(found[0]) :] + " " + " ".join(after.split()[:2])
        for word in re.findall(r"[a-z]+", tail.lower()):
            if word in {"she", "her", "hers", "herself"}:
                tally.pronouns[found[0]]["she"] += 1
            elif word in {"he", "his", "him", "himself"}:
                tally.pronouns[found[0]]["he"] += 1


def _place_before(words: Sequence[str]) -> int:
    """How many words before a given name are no name of a person."""
    if is_title(_bare(words[0])) or pronoun_of_given(_bare(words[0])):
        return 0
    return next(
        (
            i
            for i, w in enumerate(words)
            if i and pronoun_of_given(_bare(w)) and _is_place(words[:i])
        ),
        0,
    )


def _is_place(words: Sequence[str]) -> bool:
    return _bare(words[0]) in _PLACE_FIRST or sort_of(_bare(words[-1])) == "place"


_PLACE_FIRST = {"lake", "mount", "cape", "loch", "port", "fort", "glen", "isle"}


def _count(tally: _Tally, name: str, sentence: str, at: int, end: int, inside: bool) -> None:
    """Note one place of a name, characters `at` up to `end` of its sentence."""
    # Only what is near is looked at, however long the sentence is.
    before, behind = sentence[max(0, at - NEAR) : at], sentence[end : end + 30]
    if before.endswith((" as ", " himself ", " herself ")) and " " in name:
        return  # "signed on as Henry Vane": a name that somebody only goes by
    tally.runs[name] += 1
    if inside or _SPEAKS.search(behind):
        tally.inside[name] += 1
    last = before.lower().split()[-2:]
    placed = bool(last) and (
        last[-1] in _PLACE_BEFORE
        or (last[-1] == "the" and last[0] in _PLACE_BEFORE_THE)
        or before.endswith(_OF_PLACES)
    )
    if _TO_SOMEBODY.search(before):
        placed = False
    if placed:
        tally.placed[name] += 1
    # "People in Soho began to die": no town begins to speak.
    if _SPEAKS.search(before[-14:]) or (not placed and _SPEAKS.search(behind)):
        tally.speaks[name] += 1
    if sentence[at:end].endswith(("'s", "’s")):
        tally.owning[name] += 1
    # "The engineer Percy Spencer": the article is the engineer's.
    # "For a year Mary dug", "the house Ada built": neither is called so.
    if _ARTICLE.search(before) and sort_of(last[-1]) not in ("person", "time", "place"):
        tally.articled[name] += 1
    if animal := _ANIMAL.search(before):
        tally.species[name] = SPECIES[animal.group(1)]
    elif (called := _CALLED_SO.search(before)) and sort_of(called.group(1)) == "animal":
        tally.species[name] = called.group(1)
    if kin := _OF_KIN.search(before):
        tally.kin[name] += 1
        if pronoun := KIN[kin.group(1)]:
            tally.pronouns[name][pronoun] += SURE


def _merge(
    names: list[str],
    runs: Counter[str],
    placed: Counter[str],
    speaks: Counter[str],
    pronouns: dict[str, Counter[str]],
    kin: Counter[str],
) -> list[Figure]:
    full: dict[str, list[str]] = {}
    holding: dict[str, list[str]] = defaultdict(list)
    # A title and a surname come behind the names that they may be of.
    for name in sorted(
        names,
        key=lambda n: (
            -n.count(" "),
            _bare(n.split(" ")[0]) in _TITLES_OF_ANYBODY | {"mr"},
            -runs[n],
            n,
        ),
    ):
        parts = set(name.split(" "))
        # Those that hold one of its words are few, however many names there are.
        longer = holding[name.split(" ")[0]]
        owners = [f for f in longer if parts < set(f.split(" "))]
        # A surname alone is the master's of the house.
        masters = [f for f in owners if _bare(f.split(" ")[0]) in _HE_TITLES]
        owner = next(iter([*masters, *owners]), None) or _same_by_surname(name, full)
        owner = owner or short_for(name, full)
        if owner:
            full[owner].append(name)
        else:
            full[name] = []
            for part in parts:
                holding[part].append(name)
    figures = []
    for name, short in full.items():
        group = [name, *short]
        count, spoken = sum(runs[n] for n in group), sum(speaks[n] for n in group)
        tally: Counter[str] = sum((pronouns[n] for n in group), Counter())
        title = _bare(name.split(" ")[0])
        pronoun: Pronoun | None = None
        if title in _HE_TITLES or (title not in _SHE_TITLES and tally["he"] > tally["she"]):
            pronoun = "he"
        elif title in _SHE_TITLES or tally["she"] > tally["he"]:
            pronoun = "she"
        given = pronoun_of_given(title)
        if given and (not pronoun or abs(tally["he"] - tally["she"]) <= SURE):
            pronoun = given
        last = _bare(name.split(" ")[-1]) if " " in name and title not in TITLES else ""
        named_so = last in _PLACE_NOUNS or (
            not pronoun and (last in _PLACE_OR_SURNAME or sort_of(last) == "place")
        )
        # "Straight to Mr. Patel": whoever has a title, or is somebody's daughter, is no place.
        sure = title in _HE_TITLES | _SHE_TITLES or any(kin[n] for n in group)
        after = not sure and sum(placed[n] for n in group) * 2 >= count
        place = not spoken and (named_so or after)
        why = f"named {count} times" + (f", speaks {spoken} times" if spoken else "")
        if place:
            why += f", as “{last}” says" if named_so else ", after a word of place"
        figures.append(
            Figure(
                name,
                tuple(short),
                "place" if place else "person",
                None if place else pronoun,
                count,
                why,
                sure=sure,
            )
        )
    return figures


_SHORT = {
    "will": "william wilson wilfred wilhelm", "bill": "william", "bob": "robert", "rob": "robert",
    "liz": "elizabeth", "lizzie": "elizabeth", "beth": "elizabeth", "betty": "elizabeth", "kate": "katherine catherine",
    "katie": "katherine catherine kate", "maggie": "margaret", "meg": "margaret", "peggy": "margaret", "jack": "john",
    "johnny": "john", "jim": "james", "tom": "thomas", "dick": "richard", "rick": "richard", "ned": "edward edmund",
    "ted": "edward theodore", "harry": "henry harold", "nell": "ellen helen eleanor", "nellie": "ellen helen eleanor",
    "joe": "joseph", "sam": "samuel samantha", "dan": "daniel", "ben": "benjamin", "mike": "michael", "tony": "anthony",
    "charlie": "charles charlotte", "fred": "frederick alfred", "frank": "francis franklin", "nick": "nicholas",
    "steve": "stephen steven", "andy": "andrew", "dave": "david", "pete": "peter", "molly": "mary", "polly": "mary",
    "sally": "sarah", "ellie": "eleanor ellen", "vicky": "victoria", "jenny": "jennifer", "sue": "susan",
    "abby": "abigail", "becky": "rebecca", "mandy": "amanda", "patty": "patricia", "alex": "alexander alexandra",
    "matt": "matthew", "greg": "gregory", "phil": "philip", "kit": "christopher", "tilly": "matilda",
    "lottie": "charlotte", "millie": "millicent mildred",
    "hattie": "harriet", "gus": "augustus", "archie": "archibald", "bertie": "albert",
}  # fmt: skip
"""Given names by what those who have them are called for short."""


def short_for(name: str, full: Iterable[str]) -> str | None:
    """Willie is Wilson Bentley, where nobody else may be."""
    if " " in name:
        return None
    low = _bare(name)
    # "Tommy", "Jimmie", "Billy"
    stems = (low, re.sub(r"(?:ie|y)$", "", low), re.sub(r"(.)\1(?:ie|y)$", r"\1", low))
    long = {given for stem in stems for given in _SHORT.get(stem, "").split()}
    bearers = [f for f in full if " " in f and _bare(f.split(" ")[0]) in long]
    return bearers[0] if len(bearers) == 1 else None


def _same_by_surname(name: str, full: Iterable[str]) -> str | None:
    """Doctor Vane is Hester Vane, where there is no other Vane; Mr Thorne is Marcus Thorne."""
    title, _, last = name.rpartition(" ")
    of_it = [f for f in full if f.endswith(f" {last}")]
    if _bare(title) == "mr":
        if any(_bare(f.split(" ")[0]) == "mrs" for f in of_it):
            return None  # beside a Mrs White, Herbert White is their son
        of_it = [f for f in of_it if pronoun_of_given(_bare(f.split(" ")[0])) == "he"]
    elif _bare(title) not in _TITLES_OF_ANYBODY:
        return None
    return of_it[0] if len(of_it) == 1 else None


_TITLES_OF_ANYBODY = {
    "doctor",
    "dr",
    "captain",
    "professor",
    "inspector",
    "sergeant",
    "judge",
    "colonel",
    "major",
}


def _bare(word: str) -> str:
    return re.sub(r"['’]s$", "", word).strip(".,'’-").lower()
