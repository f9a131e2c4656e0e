"""From a prompt's words to what is to be drawn. Words that mean nothing to the illustrator are
given back."""

import re
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, field
from typing import NamedTuple

from . import vocabulary as v
from .colour import NAMED, RGB
from .figures import NUMBERS, written_in
from .kin import PERSON, bases, is_person, kin_of, known

_COLOUR_NAMES = sorted(NAMED, key=len, reverse=True)


@dataclass
class Figure:
    """A person as far as the prompt describes one; what is None is left to the seed, or of one of a group to which of
    them it is (`of`): "the children" are the same in every picture."""

    name: str = ""
    of: str = ""
    pronoun: str = ""
    age: str | None = None
    build: str | None = None
    skin: RGB | None = None
    hair: RGB | None = None
    hair_style: str | None = None
    beard: bool = False
    drives: bool = False
    whiskers: RGB | None = None
    """The colour of beard and moustache, where it is not that of the hair."""
    moustache: bool = False
    hat: tuple[str, RGB | None] | None = None
    garments: list[tuple[str, RGB | None]] = field(default_factory=list)
    extras: list[tuple[str, RGB | None]] = field(default_factory=list)
    size: float = 1.0
    """How tall beside others of their age."""
    pose: str = "stand"
    expression: str | None = None
    holds: str | None = None


class Animal(NamedTuple):
    """An animal: how it is drawn, of which colour (None: its own), and by which name the prompt calls it."""

    kind: str
    colour: RGB | None = None
    name: str = ""
    asleep: bool = False


@dataclass
class Reading:
    """What a prompt asks for."""

    look: str = "cut-paper"
    framing: str = "medium"
    place: str | None = None
    place_words: str = ""
    """The words that say which place it is: the same words, the same place."""
    walls: RGB | None = None
    cloth: RGB | None = None
    time: str | None = None
    weather: str | None = None
    season: str = ""
    memory: bool = False
    """Whether it is a remembered scene."""
    mood: str = "calm"
    figures: list[Figure] = field(default_factory=list)
    crowd: list[Figure] = field(default_factory=list)
    """People of whom there are several, none of them by name, behind those who are."""
    animals: list[Animal] = field(default_factory=list)
    props: list[str] = field(default_factory=list)
    facing: bool = False
    looks: str = ""
    """To which side whoever is alone in the picture looks."""
    vehicle: str = ""
    """What is driven, where it is a tall one: a truck, a plough, a tractor."""
    ashore: bool = False
    """Whether whoever is there has left the boat."""
    back_seat: bool = False
    on_table: bool = False
    """Whether the animal of the picture is up on a table."""
    dark_lamp: bool = False
    sheet: bool = False
    half: bool = False
    near: bool = False
    """Whether a thing is to fill the frame."""
    speaking: set[str] = field(default_factory=set)
    """Props that speak: they have a face."""
    written: str = ""
    """Figures that stand on a page."""
    hung: set[str] = field(default_factory=set)
    """Props that hang on a wall."""
    many: set[str] = field(default_factory=set)
    """Props of which there are several."""
    dyes: dict[str, RGB] = field(default_factory=dict)
    """The colours that are said of props."""
    palette: list[RGB] = field(default_factory=list)
    unused: list[str] = field(default_factory=list)


_CARRIES = (
    r"\b{}\b[^.,]*? (?:with|waves|waving|lifts|holding|holds|swings|carries|carrying|brings|bringing|has|"
    r"picks(?: up)?|takes(?: out| up)?|shakes) (?:an?|the|his|her|their) "
    r"(?:[a-z-]+ ){{0,2}}?([a-z-]+)(?=[.,]| and | above| over| up| in (?:his|her)|$)"
)
"""Somebody, by the first of their names, and what they have with them."""
_UNDER = r"\b{}\b[^.,]*? (?:under|beneath) (?:an?|the|his|her|their) (?:[a-z-]+ ){{0,2}}?(umbrella)\b"
"""The same of what is held above somebody who is under it."""
_FRAMINGS = (("extreme wide", "extreme wide"), ("extreme close", "extreme close"), ("close-up", "close"),
             ("close up", "close"), ("close shot", "close"), ("wide shot", "wide"), ("medium shot", "medium"))
RED_HAIR = (178, 84, 44)
"""Nobody's red hair is as red as a red coat."""
_OF_HAIR = {"hair", "haired", "red-haired", "braid", "braids", "plait", "plaits", "curls", "ponytail", "pigtails"}
_HOLDABLE = ("lantern", "book", "letter", "bucket", "key", "cup", "bottle", "basket", "candle", "telescope", "umbrella",
             "flag", "rod", "rope", "bread", "oar", "apple", "pear", "cake", "pie", "cheese", "egg", "carrot", "mushroom", "bowl", "jug", "kettle", "hammer",
             "saw", "axe", "spade", "rake", "broom", "scissors", "hourglass", "compass", "ball", "kite", "balloon", "doll", "fiddle", "flute", "trumpet",
             "crown", "bag", "flower", "nest", "birdcage", "sword", "shield", "bow", "staff", "potion", "crystal", "coin", "skull", "radio", "camera", "phone",
             "newspaper", "spoon", "fishbag", "fishbowl")


_ALSO_VERBS = {"fish", "duck", "bear", "swallow", "hound", "badger", "parrot", "ram", "hawk", "crane", "lark", "seal", "rook", "worm", "ape", "cod", "grub", "cricket", "pike", "ant"}
"""Animals whose names are deeds too: "herons fish"."""
_COMPARED = re.compile(
    r"\b(?:like|as though|as if|as \w+ as) (?:an?|the|some|it were an?|he were an?|she were an?|they were) "
    r"(?:[a-z'-]+ ){0,2}?[a-z'-]+(?= of | in | at | on | with | and | who | that |[.,;:!?)]|$)"
)
"""What somebody is compared with is not there: "stood in the bow like a small captain"."""
_SILENT = re.compile(r"\b(?:falls?|fell) (?:silent|quiet|still|dark|ill|sick|due|behind)\b")
"""Nobody falls there."""
_MADE_OF = re.compile(r"\b(coat|cloak|cape|dress|gown|robe|hat|cap|crown) of (?:[a-z-]+ ){0,2}(?:feathers|fur|skins?|leaves|flowers|rags|patches|straw)\b")
"""What is worn is made of it, and it is nothing by itself."""
_IN_WATER = r"\b(?:goldfish|fish{})(?: swims?)?(?: [a-z]+){{0,5}}? in (?:an?|the) (?:[a-z]+ )?(bag|bowl|jar|pot|glass|tank|bucket|jug|vase)\b"
_SNAPS = re.compile(r"\btakes? (?:an?|the|his|her|their) (?:[a-z]+ )?(?:picture|photo|photograph|selfie|snapshot)s?\b")
_TO_THE_VIEWER = re.compile(r"(?:face |faces |looks? )?toward the camera|facing us")
"""Where a face is turned; no camera is in the picture."""


_STREETS = re.compile(r" (?:street|road|lane|avenue|square|row|alley)\b")
"""Behind a word that a street is called by: on Cable Street there are no cables."""
_SOLD = re.compile(r" (?:markets?|shops?|stalls?|sellers?|dealers?|mongers?|traders?|fairs?|auctions?)\b")
"""Behind an animal that is bought there: the fish market is no fish."""
_IN_A_TOWER = re.compile(r"(?:^|\. )(?:an?|the) (?:[a-z]+ )?tower(?=[,.]|$)")
"""A tower that is all that a sentence says: a place. One that stands somewhere is a thing."""
_CLOCK_TOWER = re.compile(r"\b(?:clock tower|tower clock|church tower|town clock)\b")


_OF_A_VEHICLE = re.compile(r"\b(car|truck|lorry|van|bus|train|taxi)'s (?:front |back )?(?:doors?|windows?|headlights?|lights?|engine|wheels?|seats?|horn|roof)\b")
"""A part of what is driven is seen on all of it."""
_LOOK_WORDS = re.compile("|".join(rf"\b{words}\b" for words in sorted(v.LOOK_WORDS, key=len, reverse=True)))
_PICTURED = re.compile(r"\b(picture|photograph|photo|painting|portrait|drawing|image) of (?:an?|the|his|her|their) (?:[a-z-]+ ){0,2}?[a-z-]+(?=[,.]| on | in | at | standing | with |$)")
"""What is on a picture is not there itself."""
_PIECE_OF = re.compile(r"\b(?:piece|bolt|length|scrap|roll|strip) of (?:silk|velvet|linen|cotton|wool|cloth|fabric)\b|(?<=the )(?:silk|velvet|linen|wool)(?=, (?:near|alone)\b)")
_A_TIN = re.compile(r"\b((?:an?|the|his|her|their|my|second|old|little|dented|blue|red|green|biscuit|cake|tea|tobacco) )tin(?= of |[,.]| and | on | with | near|$)")
_CHOCOLATE = re.compile(r"\b(?:chocolate bars?|bars? of chocolate)\b")
_LEAVES_BOAT = re.compile(r"\b(?:steps?|gets?|climbs?|comes?|jumps?|walks?) (?:off|out of|down from|ashore from) (?:[a-z]+ ){0,3}(?:boat|ferry|ship|rowboat|dinghy|raft)\b")
_SLEEPS = re.compile(r"\b([a-z]+)(?: [a-z]+ly)? (?:sleeps?|is asleep|are asleep|lies asleep|snores?|dozes?)\b")
_OWN_LAMP = re.compile(r"\b(his|her|their|my|your|own|with (?:an?|the)(?: [a-z]+)?) lamps?\b")
"""A lamp that is somebody's goes along in a hand, and is no street lamp."""


def read_prompt(prompt: str) -> Reading:
    """Read `prompt`. Groups such as `Maren (woman, grey braid, yellow coat)` describe one figure
    each."""
    low = _CLOCK_TOWER.sub("clocktower", prompt.lower().replace("’", "'"))
    low = low.replace("carpet bag", "bag")
    low = _OF_A_VEHICLE.sub(r"\1", _CHOCOLATE.sub("chocolate", low))
    low = _PIECE_OF.sub("cloth", _A_TIN.sub(r"\1tinbox", _PICTURED.sub(r"\1", low)))
    low = _A_WELL.sub(r"\1wellhead", low)
    low = _OWN_LAMP.sub(r"\1 lantern", low)
    used: set[str] = set()
    out = Reading()
    for phrase, look in v.LOOKS.items():
        if phrase in low:
            out.look = look
            used |= set(phrase.split())
            break
    for phrase, framing in _FRAMINGS:
        if phrase in low:
            out.framing = framing
            used |= set(re.findall(r"[a-z]+", phrase)) | {"shot", "up"}
            break
    used |= {w for m in _LOOK_WORDS.finditer(low) for w in re.findall(r"[a-z]+", m.group())}
    rest = _LOOK_WORDS.sub(" ", low)
    for match in re.finditer(r"((?:[\w'-]+\s+|(?:mr|mrs|dr)\.\s+)+)\(([^)]*)\)", low):
        name = match.group(1).strip(" .")
        # A rabbit in a waistcoat is a rabbit, and a scarecrow in a coat is one.
        beast, thing = _named_animal(name, match.group(2)), _is_thing(match.group(2))
        figure, words = (None, set()) if beast or thing else _figure(match.group(2))
        used |= words | set(re.findall(r"[a-z']+", name))
        if figure:
            figure.name = name
            out.figures.append(figure)
            first = name.split(" ")[0]
            rest = rest.replace(match.group(), f" {first} ", 1)
            if first != "the" and " " in name:
                # Somebody called Quill has no quill.
                rest = re.sub(rf"\b{re.escape(name)}\b", first, rest)
        elif kind := _named_thing(name, match.group(2)):
            # A ship called Lantern is no lantern.
            used |= {kind, *re.findall(r"[a-z']+", name)}
            rest = re.sub(rf"\b{re.escape(name)}\b", f"the {kind}", rest.replace(match.group(), " ", 1))
        elif thing:
            used |= set(re.findall(r"[a-z]+", match.group(2)))
            rest = rest.replace(match.group(), f"{name} ", 1)
        elif beast:
            out.animals.append(beast)
            used |= set(re.findall(r"[a-z]+", match.group(2)))
            rest = rest.replace(match.group(), " ", 1)
    if "model sheet" in low:
        out.sheet = True
        used |= {"model", "sheet", "front", "view", "three-quarter", "side", "faces", "four", "calm", "smiling", "worried", "laughing", "plain", "even", "light"}
    if re.search(r"\bhalf the (?:frame|height)", low):
        out.half = True
        used |= {"figure", "half", "frame's", "frame", "height"}
    named = re.search(r"palette of ([a-z ,]+)", low)
    if named:
        out.palette = [NAMED[c] for c in re.split(r",\s*", named.group(1).strip()) if c in NAMED]
        used |= {"palette", *re.findall(r"[a-z]+", named.group(1))}
        rest = rest.replace(named.group(), " ")
    rest = _in_water(_SNAPS.sub("holds a camera", _SEEN_THROUGH.sub("", rest)), out)
    rest = _MADE_OF.sub(r"\1", _SILENT.sub(" ", _COMPARED.sub(" ", rest)))
    _free_figures(rest, out, used)
    _beside_them(rest, out, used)
    _done_to(rest, out, used)
    _groups(rest, out, used)
    _scene(rest, out, used)
    rest = _TO_THE_VIEWER.sub(" ", rest)
    if re.search(r"\w, (?:near|alone)\b", rest) and not out.figures:
        out.near = True
        used |= {"near", "alone"}
        in_sky = re.search(r"\b(sun|moon|cloud|star|wave)s?, (?:near|alone)\b", rest)
        if in_sky:
            out.props.append(in_sky.group(1))
            used.add(in_sky.group(1))
            if out.place in v.INDOORS:
                out.place, out.place_words = "meadow", ""
    out.written = written_in(rest)
    if out.written:
        out.near = out.near or not out.figures
        out.props.append("letter")
        used |= {"year", "number", "date", *NUMBERS}
    if out.near and not out.figures:
        _garments(rest, out, used)
    _deeds(rest, out, used)
    for match in re.finditer(r"\b([a-z]+)(?: \([^)]*\))? (?:speaks?|whispers|laughs|sings|sighs|shouts|smiles|weeps|grins)\b", rest):
        if known(match.group(1), v.PROPS):
            out.speaking.add(v.PROPS[known(match.group(1), v.PROPS) or ""])
    rest = rest.replace("harbour with boats", "harbour")
    if tall := re.search(r"\b(?:(snowplough|plough)|(tractor)|truck|lorry|van|bus|coach)s?\b", rest):
        out.vehicle = "plough" if tall.group(1) else "tractor" if tall.group(2) else "truck"
        if any(f.drives for f in out.figures):
            used |= set(tall.group().split())
            out.props = [p for p in out.props if p not in ("car", "cart", "plough")]
    _kin(rest, out, used)
    if "cabin of an aeroplane" in rest:
        out.props = [p for p in out.props if p != "aeroplane"]  # they are within it
    if "car" in out.props:
        out.props = [p for p in out.props if p not in ("bench", "chair", "wheel")]  # its seats and its wheel
    _sleepers(rest, out)
    out.ashore = _LEAVES_BOAT.search(rest) is not None
    if out.place == "lift":
        out.props = [p for p in out.props if p != "door"]  # it has its own
    if out.place == "space":
        out.props = [p for p in out.props if p not in ("rocket", "ship", "boat")]  # it is within that
    all_words = re.findall(r"[a-z][a-z'-]+", low)
    out.unused = [w for w in dict.fromkeys(all_words) if w not in used and w not in v.EMPTY_WORDS and w != "close-up"]
    return out


def _sleepers(text: str, out: Reading) -> None:
    """Shut the eyes of animals that sleep."""
    asleep = {m.group(1) for m in _SLEEPS.finditer(text)}
    kinds = {v.ANIMALS.get(word) for word in asleep}
    out.animals = [
        a._replace(asleep=a.name.rsplit(" ", 1)[-1] in asleep if a.name else a.kind in kinds) for a in out.animals
    ]


def _named_thing(name: str, text: str) -> str:
    """What a thing is that has a name: "Lantern (ship)"; empty for anything else."""
    kind = text.split(",", maxsplit=1)[0].strip().rsplit(" ", maxsplit=1)[-1]
    of_things = kind in v.PROPS and kind not in v.ANIMALS
    return kind if of_things and not name.startswith("the ") and kind not in name else ""


def _is_thing(text: str) -> bool:
    """Whether it is a thing that is described: "scarecrow, long black coat"."""
    kind = text.split(",", maxsplit=1)[0].strip().rsplit(" ", maxsplit=1)[-1]
    somebody = any(w in v.PEOPLE for w in re.findall(r"[a-z-]+", text))
    return kind in v.PROPS and kind not in v.ANIMALS and not somebody


def _named_animal(name: str, text: str) -> Animal | None:
    """An animal that is described by name: "the mole (mole, dark grey fur)"."""
    described = text.split(",", maxsplit=1)[0].strip()
    if not described or any(w in v.PEOPLE for w in re.findall(r"[a-z-]+", text)):
        return None
    kind = described.rsplit(" ", maxsplit=1)[-1]
    drawn = v.ANIMALS.get(kind) or v.ANIMALS.get(known(kind, v.ANIMALS) or kin_of(kind) or "")
    if drawn is None:
        return None
    said = next((NAMED[c] for c in _COLOUR_NAMES if re.search(rf"\b{c} ", described)), None)
    return Animal(drawn, _coat(text)[0] or said, name.removeprefix("the ").strip())


def _figure(text: str) -> tuple[Figure | None, set[str]]:
    """One figure's description: traits parted by commas."""
    figure, used = Figure(), set()
    known = False
    worn = False
    colour: RGB | None = None
    for trait, joined in _traits(re.sub(r"\bcurls\b", "curly hair", text)):
        words = re.findall(r"[a-z'-]+", trait)
        # "Navy shawl and dress": a colour holds for all that is worn with it, unless another is said.
        held = colour if joined and worn else None
        made_of = next((v.OF_STUFF[w] for w in words if w in v.OF_STUFF), held)
        colour = next((NAMED[c] for c in _COLOUR_NAMES if re.search(rf"\b{c}\b", trait)), made_of)
        if colour == NAMED["red"] and any(w in _OF_HAIR or w in v.BEARDS for w in words):
            colour = RED_HAIR
        used |= {w for c in _COLOUR_NAMES if re.search(rf"\b{c}\b", trait) for w in c.split()}
        worn = any(w in v.GARMENTS or w in v.EXTRAS or w in v.HATS for w in words)
        for word in words:
            if word in v.PEOPLE:
                pronoun, age = v.PEOPLE[word]
                figure.pronoun, figure.age = pronoun or figure.pronoun, figure.age or age
                figure.size = v.SIZES.get(word, figure.size)
                if word in v.WEARS and figure.hat is None:
                    figure.hat = (v.WEARS[word], None)
                known = True
            elif word in v.OLD_WORDS:
                figure.age = "old"
            elif word in v.CHILD_WORDS:
                figure.age = "child"
            elif word in v.STOUT_WORDS:
                figure.build = "stout"
            elif word in v.SLIM_WORDS:
                figure.build = "slim"
            elif word == "skin":
                figure.skin = next((v.SKINS[w] for w in words if w in v.SKINS), figure.skin)
                used |= set(words) & set(v.SKINS)
            elif word in v.BEARDS:
                figure.beard, figure.moustache = figure.beard or word != "moustache", figure.moustache or word == "moustache"
                figure.whiskers = colour or figure.whiskers
                figure.hair = figure.hair or colour
            elif word in v.HATS:
                figure.hat = figure.hat if figure.hat and word == "hat" else (word, colour)
            elif word in v.EXTRAS:
                figure.extras.append((v.EXTRAS[word], colour))
            elif word in v.GARMENTS:
                figure.garments.append((v.GARMENTS[word], colour))
            elif (word in v.HAIR_STYLES and not worn) or word in {"hair", "haired"}:
                figure.hair = colour or figure.hair
                if word in v.HAIR_STYLES:
                    figure.hair_style = word if figure.hair_style in (None, "long", "short") else figure.hair_style
            elif word == "fair" and "hair" in trait:
                figure.hair = NAMED["ochre"]
            else:
                continue
            used.add(word)
    return (figure if known or figure.garments or figure.hair_style else None), used


def _traits(text: str) -> Iterator[tuple[str, bool]]:
    """The traits of a description, each with whether an "and" joins it to the one before."""
    for part in re.split(r",\s*", text):
        for i, trait in enumerate(re.split(r"\s+and\s+", part)):
            yield trait, i > 0


def _free_figures(text: str, out: Reading, used: set[str]) -> None:
    """People that the running text names without a description in brackets."""
    if out.figures:
        return
    for match in re.finditer(r"\b([a-z'-]+)\b", text):
        word = match.group(1)
        whose = text[match.end() :].startswith(("'", "’"))
        if word not in v.PEOPLE and word not in v.PLURALS and word not in NAMED and is_person(word) and not word.endswith("s") and not whose and re.search(r"\b(?:the|an?) (?:old |young )?$", text[: match.start()]):
            # Whoever else acts: "the carpenter puts his ear against the hull".
            if len(out.figures) < 3 and not _denied(text, match):
                out.figures.append(Figure(age="old" if text[: match.start()].endswith("old ") else None))
                used.add(word)
            continue
        if word in v.PEOPLE and len(out.figures) < 3:
            begin = max(text.rfind(". ", 0, match.start()) + 2 if ". " in text[:match.start()] else 0, match.start() - 40)
            figure, words = _figure(text[begin:match.end() + 70].split(". ", maxsplit=1)[0])
            if figure:
                figure.pronoun, age = v.PEOPLE[word][0] or figure.pronoun, v.PEOPLE[word][1]
                figure.age = figure.age or age
                out.figures.append(figure)
                used |= words | {word}


_WHOSE = re.compile(rf"(?:\b(?:his|her|their|my)|[’']s) (?P<how>old |young |little |big |elder |younger )?(?P<kin>{'|'.join(v.KIN)})\b(?![’'])")


def _beside_them(text: str, out: Reading, used: set[str]) -> None:
    """Whoever is told of beside those who are described: "sits on the step with his brother"."""
    if out.framing in ("close", "extreme close"):
        return
    for told in _WHOSE.finditer(text):
        if out.figures and len(out.figures) < 3 and not _denied(text, told):
            pronoun, age = v.KIN[told["kin"]]
            out.figures.append(Figure(of=told["kin"], pronoun=pronoun, age="old" if told["how"] == "old " else age))
            used.add(told["kin"])


_TO_WHOM = re.compile(
    r"\b(?!is\b|as\b|was\b|has\b|his\b|its\b|becomes\b|remains\b|turns\b|plays\b|works\b)[a-z]{2,}s(?: (?:to|at|with|for|beside|past|behind|after))? "
    r"(?P<who>(?:an?|the) (?:[a-z]+ ){0,2}?[a-z]+(?:(?:,|,? and) (?:an?|the) (?:[a-z]+ ){0,2}?[a-z]+)*)(?=[.,]| and | in | at | on | with |$)"
)
"""A deed and to whom it is done."""


def _somebody_of(words: Sequence[str]) -> str | None:
    """Who is meant by words behind an article: the last of them, or the one before a name ("widow hollub")."""
    for word in reversed(words[-2:]):
        if word in v.PEOPLE or (is_person(word) and word not in NAMED and not word.endswith("s")):
            return word
        if word in v.PROPS or word in v.ANIMALS or word in v.GARMENTS or kin_of(word):
            return None  # "a white coat"
    return None


def _done_to(text: str, out: Reading, used: set[str]) -> None:
    """Whoever something is done to that is described nowhere: "questions the priest, the brewer and the widow"."""
    if out.framing in ("close", "extreme close") or not out.figures:
        return
    called = {part for f in out.figures for part in f.name.split(" ")}
    for told in _TO_WHOM.finditer(text):
        for phrase in re.split(r",? and |, ", told["who"]):
            words = phrase.split(" ")[1:]
            who = _somebody_of(words)
            if who is None or called & set(words) or len(out.figures) >= 3 or _denied(text, told):
                continue
            pronoun, age = v.PEOPLE.get(who, ("", "adult"))
            figure = Figure(of=who, pronoun=pronoun, age="old" if "old" in words else age)
            _in_uniform(who, [figure])
            out.figures.append(figure)
            used |= set(words)


OF_A_GROUP, MOST_OF_A_GROUP = 3, 4
"""So many of a group are drawn where it is not said how many they are, more than two being several to the eye; and at
most."""
_MANY = frozenset("five six seven eight nine ten twelve twenty thirty forty fifty sixty seventy eighty ninety hundred hundreds thousand thousands".split())
_A_WELL = re.compile(r"\b((?:an?|the|their|his|her|our) (?:[a-z-]+ )?)well(?= ?[.,;]|$| (?:in|at|by|with|and|behind|near|under)\b)")
"""Where water is drawn, and not how something is done."""
_LANDMARK = re.compile(r"(?:an?|the) (?:[a-z-]+ ){0,2}(?:wellhead|windmill|statue|scarecrow)")
"""A place that is called by the one thing in it."""
_ANYBODY = frozenset("people crowd passengers guests men women strangers others audience mob visitors tourists onlookers folk".split())
"""Of whom there may be others each time."""
_BROKEN = re.compile(r"\b(?:breaks?|opens?|cuts?|wax|lead|royal) (?:the |a |its )?$")
_DRIVES_BEASTS = re.compile(r" (?:an?|the|his|her|their|its)?\s*(?:[a-z-]+ )?(?:team|dogs?|sledge?|sleigh|horses?|herd|cattle|sheep|geese|oxen|mules?)\b")
_ON_TABLE = re.compile(r"\b(?:stands?|sits?|jumps?|leaps?|climbs?|walks?|lies|lie) (?:up )?on(?:to)? (?:an?|the|his|her|their|my|our) (?:[a-z]+ )?table\b")
_HANGS = re.compile(r"\b([a-z]+) (?:still )?(?:hangs?|is hung|are hung)\b")
_SEEN_THROUGH = re.compile(r" (?:through|from|out of) (?:an?|the|his|her|their) (?:[a-z]+ )?windows?\b")
"""Whoever looks so has the window before them, and carries none."""
_FROZEN = re.compile(r"\bfrozen (?:lake|river|pond|canal|sea|bay|harbour|harbor)\b")
_OTHER_TEAM = re.compile(r"\b(?:horse|ox|oxen|mule|reindeer|pony|ponie|cow|cattle|sheep|donkey)s?\b")
_MOTORS = re.compile(r"\b(?:car|truck|lorry|jeep|tractor|motor|engine|bus|van|snowmobile)s?\b")
_RUNS_BY_ITSELF = re.compile(r"\b(?:rain|water|tears?|sweat|blood|river|road|path|paint|ink|colours?) $")
_ON_RAILS = re.compile(r"\b(?:dining|sleeping|restaurant|buffet|railway|freight|goods|tram|cable|street) $")


def _groups(text: str, out: Reading, used: set[str]) -> None:
    """Several people who are not named: "the children play", "two men carry a machine"."""
    for match in re.finditer(r"[a-z][a-z-]*", text):
        word = match.group()
        many = word.endswith("s") and is_person(word) and _is_noun(text, match) and not _is_deed(text, match, set())
        if (word not in v.PLURALS and not many) or _denied(text, match):
            continue
        if word == "team" and re.search(r"\b(?:driv|harness|whip)[a-z]* (?:his|her|the|a) $", text[: match.start()]):
            continue  # of dogs or horses
        if re.match(r" (?:station|car|van|box)s?\b", text[match.end() :]):
            continue  # a police station is a house
        before = re.findall(r"[a-z-]+", text[max(0, match.start() - 24) : match.start()])[-2:]
        count = next((v.NUMBERS[w] for w in before if w in v.NUMBERS), OF_A_GROUP)
        count = MOST_OF_A_GROUP if set(before) & _MANY else count
        pronoun, age = v.PEOPLE[v.PLURALS.get(word, PERSON)]
        of = "" if word in _ANYBODY else word
        group = [Figure(of=of and f"{of} {n}", pronoun=pronoun, age=age) for n in range(min(count, MOST_OF_A_GROUP))]
        _in_uniform(next((w for w in (*bases(word), v.PLURALS.get(word, "")) if w in v.UNIFORMS), ""), group)
        used |= {word, *(w for w in before if w in v.NUMBERS)}
        if out.figures:
            out.crowd = (out.crowd + group)[:MOST_OF_A_GROUP]
        else:
            out.crowd = group
    if out.crowd and not out.figures:
        out.figures, out.crowd = out.crowd, []


def _in_water(text: str, out: Reading) -> str:
    """ "A goldfish in a plastic bag": one thing, and the fish is seen through it."""
    names = [a.name for a in out.animals if a.kind == "fish" and a.name]
    found = re.search(_IN_WATER.format("".join(f"|{re.escape(n)}" for n in names)), text)
    if found is None:
        return text
    out.animals = [a for a in out.animals if a.kind != "fish"]
    vessel = "fishbag" if found.group(1) == "bag" else "fishbowl"
    return text.replace(found.group(), f"a {vessel}", 1)


def _in_uniform(trade: str, group: list[Figure]) -> None:
    """Dress people by what they are; nobody where that says nothing."""
    if trade not in v.UNIFORMS:
        return
    (garment, of), (hat, its) = v.UNIFORMS[trade]
    for figure in group:
        figure.garments = figure.garments or [(garment, NAMED[of])]
        figure.hat = figure.hat or (hat, NAMED[its])


def _scene(text: str, out: Reading, used: set[str]) -> None:
    # A sentence that only says where it is tells more than a place that is named in what happens.
    stated = ". ".join(s for s in text.split(". ") if re.match(r" ?(?:an?|the) ", s) and _is_place(s, out))
    if _IN_A_TOWER.search(text):
        out.place, out.place_words = "tower", "a tower"
    for where in (stated, text):
        for kind, phrases in v.PLACES:
            for phrase in phrases:
                if re.search(rf"\b{re.escape(phrase)}\b", where):
                    used |= set(re.findall(r"[a-z']+", phrase))
                    if out.place is None:
                        out.place = kind
                        out.place_words = _sentence_of(where, phrase)
    if out.place in ("marsh", "river", "sea", "shore") and _FROZEN.search(text):
        out.place = "frozen"
    if out.place is None and (mark := next((s for s in map(str.strip, text.split(". ")) if _LANDMARK.fullmatch(s)), "")):
        out.place, out.place_words = "meadow", mark
    if out.place is None:
        out.place_words = _unknown_place(text, out)
        if re.search(r"(?:room|house|shop|store|office|lab|ward|cell|cabin|barn|stable|chapel|club|bar|café|restaurant|school|clinic)\b", out.place_words):
            out.place = "room"
    for word in re.findall(r"[a-z'-]+", text):
        if word in v.TIMES:
            out.time = v.TIMES[word]
            used.add(word)
        if word == "snow" and "snow melts" in text:
            used |= {"snow", "melts"}
            continue
        if word in v.WEATHERS:
            told = "lying snow" if word == "snow" and "snow on the ground" in text else v.WEATHERS[word]
            out.weather = out.weather if out.weather not in (None, "clear") else told
            used.add(word)
    if season := re.search(r"(?:^|[.,] )(spring|summer|autumn|winter)(?=[.,]|$)", text):
        out.season = season.group(1)
        used.add(out.season)
    if re.search(r"\ba memory\b", text):
        out.memory = True
        used |= {"memory", "earlier", "years"}
    out.walls, out.cloth = _colour_of("walls", text), _colour_of("curtains", text)
    if out.walls or out.cloth:
        used |= {"walls", "curtains"} | {w for c in _COLOUR_NAMES if re.search(rf"\b{c} (?:walls|curtains)\b", text) for w in c.split()}
        text = re.sub(r"\b[a-z]+ curtains\b", " ", text)
    looking = re.search(r"\blooking (left|right)\b", text)
    if looking:
        out.looks = looking.group(1)
        used |= {"looking", out.looks}
    mood = re.search(r"\b(\w+) mood", text)
    if mood:
        out.mood = mood.group(1)
        used.add(mood.group(1))
    if _TO_THE_VIEWER.search(text):
        out.facing = True
        used |= {"face", "toward", "camera", "facing"}
    if re.search(r"lamp[^.]{0,40}\b(?:dark|out|gone)\b|dark lamp|unlit", text):
        out.dark_lamp = True
        used |= {"dark", "out", "gone", "unlit"}
    used |= {"layered", "drawing", "soft", "shadows", "fibre", "deep", "palette", "loose", "line", "pale", "washes",
             "felt", "pen", "white", "flat", "inks", "grain", "misregistration", "dry", "chalk", "strokes", "smudges", "dark", "slate", "rounded", "forms", "thumb", "marks", "studio", "hatched", "shading", "highlights", "buff", "toned", "pencil", "figures", "clay", "print", "four", "warm", "spot", "colours", "black", "glowing", "lamplit", "screen"} & set(re.findall(r"[a-z]+", text))


_COLOURS = re.compile(r" (?!(?:and|or|on|in|is|are|lies|lie|stands|hangs|from|of|with|under|beside|near|at|to|for)\b)[a-z]")
"""Behind the name of a colour: what has it."""


_A_THING = re.compile(r"(?:^|[.,;] |\band )(?:an?|the|its|his|her|their) (?:[a-z-]+ ){0,3}([a-z-]+) $")


def _is_done_by_a_thing(before: str, called: Collection[str]) -> bool:
    """ "A small grey car rolls up": nobody pushes."""
    found = _A_THING.search(before)
    return found is not None and found.group(1) in v.PROPS and not set(called) & set(re.findall(r"[a-z']+", found.group()))


def _lies_by_itself(before: str, called: set[str]) -> bool:
    """ "The cow lies in the snow", "the whole valley lies below": nobody lies down. What is joined goes on with who acts."""
    clause = re.split(r"[.,;(]| and ", before)[-1]
    words = set(re.findall(r"[a-z'-]+", clause))
    return bool(words) and not words & (called | set(v.PEOPLE) | set(v.PLURALS) | {"he", "she", "they", "who", "we", "everybody"})


def _unknown_place(text: str, out: Reading) -> str:
    """What of a prompt may be a place that is none of ours: a few words behind an article, without anybody or
    anything."""
    named = {part for f in out.figures for part in f.name.split(" ")}
    for sentence in map(str.strip, text.split(". ")):
        words = re.findall(r"[a-z'-]+", sentence)
        told = words[:1] in (["a"], ["an"], ["the"]) or len(words) < 4
        if not words or not told or len(words) > 6 or named & set(words) or "," in sentence:
            continue
        if {"mood", "shot", "close-up"} & set(words) or any(w in v.TIMES or w in v.WEATHERS for w in words):
            continue
        if not any(known(w, v.PROPS) or known(w, v.ANIMALS) or w in v.POSES or w in v.PEOPLE for w in words):
            return sentence
    return ""


def _sentence_of(text: str, phrase: str) -> str:
    return next((s.strip() for s in text.split(". ") if re.search(rf"\b{re.escape(phrase)}\b", s)), phrase)


def _colour_of(noun: str, text: str) -> RGB | None:
    """The colour that is said of a thing of the place: "ochre walls"."""
    match = re.search(rf"\b({'|'.join(_COLOUR_NAMES)}) {noun}\b", text)
    return NAMED[match.group(1)] if match else None


def _coat(after: str) -> tuple[RGB | None, set[str]]:
    """The colour that the description behind an animal gives its coat: "(fox, red fur)"."""
    match = re.search(r"^[^.();]*?\b([a-z]+(?: [a-z]+)?) (fur|feathers|hide|wool|mane|plumage|scales)\b", after)
    if not match:
        return None, set()
    colour = next((NAMED[c] for c in _COLOUR_NAMES if re.search(rf"\b{c}\b", match.group(1))), None)
    return colour, set(re.findall(r"[a-z]+", match.group(1))) | {match.group(2)}


def _deeds(text: str, out: Reading, used: set[str]) -> None:
    """Animals, props, poses and expressions; a deed belongs to the figure named last before it."""
    called = {part for f in out.figures for part in f.name.split(" ")
              if not f.name.startswith("the ") or (part not in v.ANIMALS and part not in v.PROPS)}
    """Somebody called Fell does not fall, and a girl called Wren brings no bird."""
    called -= {"the", "old", "young", "of"}
    beasts = {part for a in out.animals for part in a.name.split(" ")}
    """An animal with a name is there already."""
    called |= beasts
    names = [(m.start(), i) for i, f in enumerate(out.figures) if f.name for call in _calls(f)[1:]
             for m in re.finditer(rf"\b{re.escape(call)}\b", text)]
    _done_together(text, out, used)
    _with_another(text, out, used)
    for match in re.finditer(r"[a-z][a-z'-]*", text):
        word = match.group()
        if word in called:
            continue
        before = [pair for pair in names if pair[0] <= match.start()]
        owner = out.figures[max(before)[1] if before else 0] if out.figures else None
        if _denied(text, match) and (word in v.ANIMALS or word in v.PROPS):
            used.add(word)
            continue
        if word in v.PROPS and text[: match.start()].endswith(" its "):
            # "The train, its windows warm": a part of what is there already.
            used.add(word)
            continue
        if word in ("car", "cars") and _ON_RAILS.search(text[: match.start()]):
            used.add(word)  # a part of a train
            continue
        if word in v.ANIMALS and _SOLD.match(text, match.end()):
            used.add(word)
            continue
        if word in NAMED and _COLOURS.match(text, match.end()):
            used.add(word)  # "an orange jacket" is no orange
            continue
        if word == "seal" and _BROKEN.search(text[: match.start()]):
            used.add(word)  # no beast
            continue
        if word in v.ANIMALS and (word not in _ALSO_VERBS or _is_noun(text, match)):
            kind = v.ANIMALS[word]
            colour = next((NAMED[c] for c in _COLOUR_NAMES
                           if re.search(rf"\b{c} $", text[max(0, match.start() - 12):match.start()])), None)
            if colour is None:
                colour, words = _coat(text[match.end():match.end() + 60])
                used |= words
            _add_animal(text, match, Animal(kind, colour), out)
            used.add(word)
        if word in v.PROPS and not _STREETS.match(text, match.end()) and not _is_deed(text, match, called) and not (word in {"paper", "circle", "match", "bar"} and word != v.PROPS[word] and _is_look(text, match)):
            prop = v.PROPS[word]
            if prop not in out.props and len(out.props) < 4:
                out.props.append(prop)
                _count(text, match, prop, out)
            used.add(word)
        by_sledge = out.place in ("ice", "frozen") and not _MOTORS.search(text)
        if word in ("drives", "drive", "drove", "driving") and owner and (by_sledge or _DRIVES_BEASTS.match(text, match.end())):
            owner.pose = "walk"
            if out.weather in ("snow", "lying snow") or out.place == "ice" or out.season == "winter":
                out.props.append("sledge")
                if not _OTHER_TEAM.search(text):
                    _add_animal(text, match, Animal("dog", None), out)
            used |= {word, "team"}
            continue
        if word in ("drives", "drive", "drove", "driving") and owner:
            # Of several who drive, whoever is grown up is at the wheel.
            grown = (f for f in out.figures if f.age != "child")
            driver = next(grown, owner) if word == "drive" else owner
            driver.drives = True
        if word in ("run", "runs") and _RUNS_BY_ITSELF.search(text[: match.start()]):
            used.add(word)
            continue
        if word in ("row", "rows") and re.search(r"\bin (?:[a-z]+ ){0,2}$", text[: match.start()]):
            used.add(word)  # "in long dark rows"
            continue
        if word in ("lie", "lies") and _lies_by_itself(text[: match.start()], called - beasts):
            used.add(word)
            continue
        if word in v.POSES and _is_done_by_a_thing(text[: match.start()], called):
            used.add(word)
            continue
        if word in v.POSES and owner:
            # What a group does all of it do.
            alike = not any(f.name for f in out.figures) and len({(f.pronoun, f.age) for f in out.figures}) == 1
            for figure in out.figures if alike else [owner]:
                if figure.pose == "stand":
                    figure.pose = v.POSES[word]
            used.add(word)
        if word in v.EXPRESSIONS:
            for figure in [owner] if owner and word not in {"playful", "warm", "uneasy", "sad"} else out.figures:
                if figure and figure.expression is None:
                    figure.expression = v.EXPRESSIONS[word]
            used.add(word)
    if out.place is None and not out.figures and set(re.findall(r"[a-z]+", text)) & v.ROOM_WORDS:
        out.place = "room"
    if out.place in ("carriage", "bus") and any(f.drives for f in out.figures):
        out.place = "cab"
    out.back_seat = "back seat" in text
    out.hung = {v.PROPS[w] for w in _HANGS.findall(text) if w in v.PROPS}
    out.on_table = len(out.animals) == 1 and _ON_TABLE.search(text) is not None
    if out.place == "cab":
        out.props = [p for p in out.props if p != "car"]
    if out.place == "tower":
        out.props = [p for p in out.props if p not in ("turret", "clocktower")]
    if out.place == "lighthouse" and re.search(r"\b(?:beach|shore|coast|island|dunes?)\b", text):
        out.place = "shore"  # where it stands
    if out.place == "lighthouse":
        out.props = [p for p in out.props if p != "tower"]
    if out.place == "bridge":
        out.props = [p for p in out.props if p != "bridge"]
    if out.place == "mill":
        out.props = [p for p in out.props if p != "windmill"]
    if out.place in v.INDOORS:
        out.props = [p for p in out.props if p not in ("window", "wall")]
    hands = [p for p in out.props if p in _HOLDABLE and p != "oar"]
    in_hand = re.search(r"\b(?:with|has|holds?|carr(?:y|ies)) (?:an?|the|his|her) (?:[a-z-]+ ){0,2}?([a-z-]+) (?:in|under|on|over) (?:his|her) (?:hands?|arms?|shoulders?|lap|back)\b", text)
    if in_hand and out.figures and v.PROPS.get(known(in_hand.group(1), v.PROPS) or "") in hands:
        before = [pair for pair in names if pair[0] <= in_hand.start()]
        first = out.figures[max(before)[1] if before else 0]
        first.pose = first.pose if first.pose in ("raise", "point", "sit", "walk") else "hold"
        first.holds = v.PROPS[known(in_hand.group(1), v.PROPS) or ""]
        hands.remove(first.holds)
        out.props.remove(first.holds)
    for figure in out.figures:
        called_by = figure.name.split(" ")[-1 if figure.name.startswith("the ") else 0]
        whose = re.escape(called_by or "?")
        carried = re.search(_UNDER.format(whose), text) or re.search(_CARRIES.format(whose), text)
        held = v.PROPS.get(known(carried.group(1), v.PROPS) or "", "") if carried else ""
        if held in hands and figure.holds is None:
            figure.holds = held
            hands.remove(held)
            out.props.remove(held)
    for figure in out.figures:
        if figure.pose in ("raise", "hold", "point", "reach") and hands and figure.holds is None:
            figure.holds = hands.pop(0)
            out.props.remove(figure.holds)


_BASES = {base: pose for word, pose in v.POSES.items() if word.endswith("s")
          for base in ({word[:-1], word[:-2]} if word.endswith("es") else {word[:-1]})}
"""Poses by what several do: "Ada and Bram sit"."""


def _calls(figure: Figure) -> list[str]:
    """How somebody may be called who is described by a name: by all of it, by its first word, and by a second that is a
    name ("Inspector Hale")."""
    words = figure.name.split(" ")
    also = words[1:] if len(words) == 2 and words[0] not in {"the", "old", "little"} else []
    return [figure.name, words[0], *also]


def _done_together(text: str, out: Reading, used: set[str]) -> None:
    """What is told of several by name: "ingrid and victor lindqvist sit at a table and eat"."""
    calls = {call: f for f in out.figures if f.name for call in _calls(f)}
    names = "|".join(map(re.escape, sorted(calls, key=len, reverse=True)))
    if len(calls) < 2:
        return
    for told in re.finditer(rf"\b(?P<who>(?:{names})(?:, (?:{names}))*,? and (?:{names})) (?P<deeds>[^.,]+)", text):
        who = [calls[m.group()] for m in re.finditer(rf"\b(?:{names})\b", told["who"])]
        verbs = [m.group(1) for m in re.finditer(r"(?:^| and )([a-z]+)\b", told["deeds"])]
        done = [verb for verb in verbs if verb in _BASES]
        for figure in who if done else ():
            if figure.pose == "stand":
                figure.pose = _BASES[done[0]]
        used.update(done)


_WITH_ANOTHER = re.compile(r"\b(dance|waltz|walk|sit|run|row|skate|kneel|cheer|sing)(?:e?s) (?:with|beside|next to) ")


def _with_another(text: str, out: Reading, used: set[str]) -> None:
    """ "Meera dances with the mayor": both do."""
    calls = sorted(((c, f) for f in out.figures if f.name for c in _calls(f)), key=lambda c: -len(c[0]))
    for told in _WITH_ANOTHER.finditer(text):
        other = next((f for c, f in calls if text.startswith((c, f"the {c}"), told.end())), None)
        if other is not None and other.pose == "stand" and told.group(1) in _BASES:
            other.pose = _BASES[told.group(1)]
            used.add(told.group(1))


def _garments(text: str, out: Reading, used: set[str]) -> None:
    """What is worn, where it is what the picture is about: "the cloaks, near"."""
    for match in re.finditer(r"[a-z]+", text):
        word = known(match.group(), v.LAID_DOWN)
        if word is not None and v.LAID_DOWN[word] not in out.props:
            out.props.append(v.LAID_DOWN[word])
            _count(text, match, v.LAID_DOWN[word], out)
            used.add(match.group())


MOST_ANIMALS = 3


def _add_animal(text: str, match: re.Match[str], animal: Animal, out: Reading) -> None:
    """Put an animal into the picture, or several where its word says so and nobody else is in it."""
    if animal.kind not in [a.kind for a in out.animals]:
        several = (MOST_OF_A_GROUP, 2)[min(1, len(out.figures))] if len(out.figures) < 2 else 1
        herd = several if _is_herd(text, match) else 1
        out.animals += [animal] * min(herd, MOST_ANIMALS - len(out.animals))


def _is_herd(text: str, match: re.Match[str]) -> bool:
    """Whether there are several of an animal: "nine dogs", "two swans"."""
    plural = len(list(bases(match.group()))) > 1 or match.group() == "oxen"
    return plural and bool(re.search(r"\b(?:two|three|four|five|six|seven|eight|nine|ten|twelve|many|some|the|all) (?:[a-z]+ )?$", text[: match.start()]))


def _kin(text: str, out: Reading, used: set[str]) -> None:
    """Nouns without a drawing of their own, drawn as what is nearest; only those of what happens, not of the look."""
    places = [s.span() for s in re.finditer(r"[^.]+", text) if _is_place(s.group(), out)]
    called = {part for f in out.figures for part in f.name.split(" ")}
    for match in re.finditer(r"[a-z][a-z'-]+", text):
        word = match.group()
        if word in used or word in v.EMPTY_WORDS | v.STUFFS or word in v.AMBIGUOUS or _denied(text, match):
            continue
        if word in v.PROPS or word in v.ANIMALS or _is_deed(text, match, called):
            continue  # it was looked at, and left out for a reason: "paper" of a look is no letter
        if text[: match.start()].endswith(" its "):
            continue  # a part of what is there already
        if not _is_noun(text, match) or any(a <= match.start() < b for a, b in places):
            continue
        prop = known(word, v.PROPS) or kin_of(word)
        if prop in v.PROPS:
            kind = v.PROPS[prop]
            if kind not in out.props and len(out.props) < 4:
                # What fills the frame is named first.
                out.props.append(kind)
                _count(text, match, kind, out)
            used.add(word)
        elif prop in v.ANIMALS or (prop := known(word, v.ANIMALS)):
            kind = v.ANIMALS[prop]
            _add_animal(text, match, Animal(kind), out)
            used.add(word)


_BEHIND_DEED = re.compile(
    r"^(?:\.|$| (?:an?|the|his|her|its|their|down|up|in|into|on|onto|out|off|over|through|to|at|with|away|back|across|along|past|for|from|"
    r"by|[a-z]+ly)\b)"
)


_CLAUSE_OPENS = re.compile(r"(?:^|[.,] )(?:an?|the) (?:[a-z-]+ ){1,2}$")


def _is_deed(text: str, match: re.Match[str], called: set[str]) -> bool:
    """Whether a word that could name a thing says what somebody does: "the mole steps down", "scrapes and rolls in the
    grass"."""
    word = match.group()
    before = re.search(r"([a-z'-]+)(,?) $", text[max(0, match.start() - 24) : match.start()])
    if before is not None and before.group(1) in called and not before.group(2) and word not in ("and", "with"):
        return True  # "Ada and Tom sail"
    if before is None or not word.endswith("s") or not _BEHIND_DEED.match(text[match.end() : match.end() + 12]):
        return False
    if _CLAUSE_OPENS.search(text[max(0, match.start() - 40) : match.start()]):
        return True  # "a wave rolls down the street"
    return before.group(1) in called or (before.group(1) in {"and", "then", "he", "she", "it"} and not before.group(2))


_BEFORE_NOUN = re.compile(
    r"(?:^|[.,;:] |\b(?:an?|the|his|her|their|its|my|our|some|many|several|of|with|and|or|in|on|under|over|at|from|by|no|two|three|four|five|six|seven|"
    r"eight|nine|ten|twelve|twenty|thirty|forty|fifty|hundred) )(?P<between>(?:[a-z'-]+ ){0,2})$"
)


def _is_noun(text: str, match: re.Match[str]) -> bool:
    """Whether a word can name a thing here: behind "a", "the", "of", with at most two words between that are none
    themselves. "Boats steer" has no cattle in it."""
    before = _BEFORE_NOUN.search(text[max(0, match.start() - 40) : match.start()])
    if before is None:
        return False
    between = before.group("between").split()
    return not any(known(w, v.PROPS) or known(w, v.ANIMALS) or w in v.POSES for w in between)


def _is_place(sentence: str, out: Reading) -> bool:
    """Whether a sentence only says where it is, as "a plank jetty over salt marsh water": nothing of it is a thing."""
    words = set(re.findall(r"[a-z'-]+", sentence))
    named = {part for f in out.figures for part in f.name.split(" ")}
    placed = any(re.search(rf"\b{re.escape(p)}\b", sentence) for _, phrases in v.PLACES for p in phrases)
    return placed and not words & set(v.POSES) and not words & named and ", near" not in sentence and " in the " not in sentence


def _count(text: str, match: re.Match[str], kind: str, out: Reading) -> None:
    """Note whether there are several of a thing: it is said so, or its word is a plural; and of which colour it is."""
    word = match.group()
    if said := _DYED.search(text[max(0, match.start() - 30) : match.start()]):
        out.dyes[kind] = NAMED[said.group(1)]
    if word.endswith("s") and not word.endswith("ss") and word not in ("scissors", "stairs", "spectacles", "glasses", "wires", "stocks"):
        out.many.add(kind)


_DYED = re.compile(rf"\b({'|'.join(_COLOUR_NAMES)}) (?:(?:little|small|big|old|new|wooden|metal|paper|steel) )?$")


def _denied(text: str, match: re.Match[str]) -> bool:
    """Whether the words before say that there is none ("not a dog", "no lamp")."""
    return bool(re.search(r"\b(not an?|no|never an?|without an?) $", text[max(0, match.start() - 14) : match.start()]))


def _is_look(text: str, match: re.Match[str]) -> bool:
    return bool(re.search(r"(cut|soft shadows,|cream|black|full|toned|buff|warm) $", text[max(0, match.start() - 14):match.start()]))


def without(reading: Reading, negative: str) -> None:
    """Take out what a negative prompt names: things, animals, garments, weather."""
    words = set(re.findall(r"[a-z][a-z'-]+", negative.lower()))
    words |= {w[:-1] for w in words if w.endswith("s")}
    reading.props = [p for p in reading.props if p not in {v.PROPS[w] for w in words if w in v.PROPS}]
    unwanted = {v.ANIMALS[w] for w in words if w in v.ANIMALS}
    reading.animals = [a for a in reading.animals if a.kind not in unwanted]
    if reading.weather in {v.WEATHERS[w] for w in words if w in v.WEATHERS}:
        reading.weather = "clear"
    for figure in reading.figures:
        figure.extras = [e for e in figure.extras if e[0] not in {v.EXTRAS[w] for w in words if w in v.EXTRAS}]
        figure.garments = [g for g in figure.garments if g[0] not in {v.GARMENTS[w] for w in words if w in v.GARMENTS}]
        if figure.hat and figure.hat[0] in words:
            figure.hat = None
