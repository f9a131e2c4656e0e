"""Builds `src/cutreel/core/nouns.txt.gz` from WordNet 3.0 (Debian's package wordnet-base): what a noun names.

    python3 tools/nouns.py [FOLDER OF WORDNET]

Each sort is told by a root that its commonest sense stands under; the first root met on the way up decides.
"""

import gzip
import re
import sys
from collections import defaultdict
from pathlib import Path

# The sorts by the lemma and the number of sense of their roots, the nearer ones first where they nest.
ROOTS = {
    "animal": ["animal 1", "animal_group 1", "monster 1", "mythical_monster 1", "mythical_creature 1"],
    "person": ["person 1", "spiritual_being 1", "imaginary_being 1"],
    "people": ["people 1", "crowd 1", "family 1", "army 1", "social_group 1"],
    "plant": ["plant 2", "plant_part 1"],
    "garment": ["clothing 1", "footwear 1", "footwear 2", "headdress 1", "garment 1", "eyeglasses 1"],
    "body": ["body_part 1", "external_body_part 1", "hair 1"],
    "food": ["food 1", "food 2", "beverage 1"],
    "place": [
        "building 1", "room 1", "dwelling 1", "area 5", "way 6", "body_of_water 1", "geological_formation 1",
        "land 4", "tract 1", "region 3", "region 1", "establishment 4", "housing 1", "tower 1", "bridge 1",
        "land 1", "area 1", "building_complex 1", "enclosure 1", "shelter 1", "point 2", "excavation 3", "place_of_business 1", "platform 1", "landing 4",
    ],
    "weather": ["weather 1", "atmospheric_phenomenon 1"],
    "time": ["time_period 1", "time_unit 1", "time_of_day 1"],
    "thing": ["artifact 1", "natural_object 1", "substance 1", "substance 7", "object 1", "matter 3"],
}  # fmt: skip


KNOWN = {
    "giant": "person", "dragon": "animal", "unicorn": "animal", "monster": "animal", "wood": "place", "attic": "place",
    "cellar": "place", "jetty": "place", "path": "place", "square": "place", "stage": "place", "table": "thing",
    "bank": "place", "deck": "place", "stairs": "thing", "world": "", "measure": "", "degree": "", "angle": "", "triangle": "", "earth": "", "speck": "", "size": "", "equator": "", "latitude": "", "day": "time", "man": "person", "mistress": "person",
    "post": "thing", "figure": "", "hand": "body", "side": "", "end": "", "way": "", "thing": "", "part": "", "place": "",
    "line": "thing", "mark": "", "sound": "", "sea": "place", "cave": "place", "hall": "place", "dusk": "time",
    "dawn": "time", "rock": "thing", "stone": "thing", "fire": "thing", "smoke": "thing", "shadow": "thing", "sky": "thing",
    "number": "", "word": "", "name": "", "home": "place", "corner": "place", "top": "", "bottom": "", "edge": "", "front": "",
    "back": "body", "middle": "", "centre": "", "center": "", "direction": "", "somebody": "person", "one": "", "self": "",
    "look": "", "turn": "", "kind": "", "case": "thing", "light": "thing", "air": "", "weather": "weather", "ground": "thing",
    "floor": "thing", "wall": "thing", "step": "thing", "course": "", "matter": "", "friend": "person",
    "crew": "people", "crane": "thing", "market": "place", "crown": "thing", "otter": "animal", "heron": "animal", "oak": "plant", "elm": "plant", "pine": "plant", "ash": "thing", "love": "", "dear": "", "ship": "place", "roof": "place", "park": "place", "marsh": "place", "hotel": "place", "hangar": "place", "airfield": "place", "pass": "place", "henhouse": "place", "stable": "place", "fields": "place", "ladder": "thing", "cage": "thing", "gate": "place", "cottage": "place", "hut": "place",
    "shore": "place", "yard": "place", "quay": "place", "lane": "place", "wharf": "place", "clearing": "place", "meadow": "place",
    "study": "place", "library": "place", "workshop": "place", "observatory": "place", "farm": "place", "inn": "place", "palace": "place",
    "office": "place", "theatre": "place", "court": "place", "camp": "place", "station": "place", "time": "time", "story": "", "tale": "", "song": "", "language": "", "head": "body", "heart": "", "wave": "thing", "flood": "thing", "spirit": "person", "cloud": "thing",
}  # fmt: skip
KNOWN |= dict.fromkeys(
    (
        "adder alligator alpaca badger beaver bullfinch bunny canary carp catfish chameleon chicken cock cod crayfish cub "
        "cuckoo dodo doe drake duckling eel ewe fledgling gibbon gull goldfinch grouse hippo hog herring jackass jay "
        "leopard lobster loon mackerel mole muskrat octopus ostrich partridge piranha prawn quail raccoon ram scorpion "
        "seal shrew shrimp skunk slug squid swordfish thrush tiger tortoise trout turtle vixen wasp weasel whale wolverine "
        "wren caterpillar mongrel pike rook watchdog warhorse yearling martin puss bluebottle moorhen"
    ).split(),
    "animal",
)
KNOWN |= dict.fromkeys(
    (
        "runway tarmac museum depot compartment airport cell ward quarry loft stadium cinema dungeon porch veranda balcony gym swamp "
        "jungle rainforest volcano fort fortress archive warehouse barracks crossroads plantation maze zoo circus windmill "
        "watermill dyke dike allotment weir basement bunker café"
    ).split(),
    "place",
)
KNOWN |= dict.fromkeys(
    "cloak jumper tunic skirt glove hood helmet hoodie dungarees".split(), "garment"
)
KNOWN |= dict.fromkeys("slice loaf roll crumb crust dough cake tart cream".split(), "food")
KNOWN |= dict.fromkeys("money coin cash dollar penny shilling banknote".split(), "thing")
KNOWN |= dict.fromkeys(
    (
        "sign signboard list deed bill receipt contract ticket passport badge stamp poster register recipe permit "
        "invoice certificate warrant menu siren flame spark flyer leaflet lightning"
    ).split(),
    "thing",
)
KNOWN |= dict.fromkeys(
    (
        "nail screw bolt washer mug lid barrel fireplace calendar ruler chess tyre pipe hose toilet socket battery bulb "
        "zip needle medal scale rake gutter chimney deckchair"
    ).split(),
    "thing",
)
KNOWN |= dict.fromkeys(
    "trucker biker builder climber commuter entrant manufacturer publisher scavenger shooter fiancé fiancée".split(),
    "person",
)
KNOWN |= {
    "cleaner": "person",
    "thunder": "",
    "flight": "",
    "route": "",
    "printer": "thing",
    "drawer": "thing",
    "dome": "place",
    "vertical": "",
    "trunk": "thing",
    "cupboard": "thing",
    "wardrobe": "thing",
    "trail": "place",
    "tent": "place",
    "marquee": "place",
    "lawn": "place",
    "jersey": "garment",
    "seat": "thing",
    "works": "",
    "villa": "place",
    "spirit": "",
}
KNOWN |= dict.fromkeys(
    "queen king emperor ogre troll witch fairy goblin mermaid soldier".split(), "person"
)
"""Words whose commonest sense in stories is another than in WordNet's order; empty: nothing that is seen."""


def told_by(senses: list[str], above: dict[str, list[str]], roots: dict[str, str]) -> str | None:
    """By the commonest sense; where that is nothing seen, by the next two. A house that a group is called by is a place."""
    sorts = [sort_of(sense, above, roots) for sense in senses]
    if sorts[0] == "people":
        return "place" if "place" in sorts else "people"
    return next((sort for sort in sorts if sort), None)


def main(folder: Path) -> None:
    index: dict[str, list[str]] = {}
    for line in (folder / "index.noun").read_text().splitlines():
        if line.startswith(" "):
            continue
        parts = line.split()
        senses = int(parts[2])
        index[parts[0]] = parts[-senses:]
    above: dict[str, list[str]] = {}
    common: set[str] = set()
    for line in (folder / "data.noun").read_text().splitlines():
        if not line.startswith(" "):
            above[line[:8]] = re.findall(r" @i? (\d{8}) n ", line)
            parts = line.split()
            words = parts[4 : 4 + 2 * int(parts[3], 16) : 2]
            common.update(word for word in words if word.islower())
    roots: dict[str, str] = {}
    for sort, names in ROOTS.items():
        for name in names:
            lemma, sense = name.rsplit(" ", 1)
            if lemma in index and int(sense) <= len(index[lemma]):
                roots.setdefault(index[lemma][int(sense) - 1], sort)
    sorts: dict[str, list[str]] = defaultdict(list)
    for lemma, senses in sorted(index.items()):
        if re.fullmatch(r"[a-z][a-z-]*[a-z]", lemma) and (
            sort := KNOWN[lemma] if lemma in KNOWN else told_by(senses[:3], above, roots)
        ):
            if lemma not in common and sort in ("person", "animal", "thing", "plant"):
                continue  # a name: Juno, a Roman
            sorts[sort].append(lemma)
    for lemma in sorted(KNOWN.keys() - index.keys()):
        if KNOWN[lemma]:
            sorts[KNOWN[lemma]].append(lemma)
    text = "".join(f"{sort} {' '.join(words)}\n" for sort, words in sorts.items())
    target = Path(__file__).parents[1] / "src/cutreel/core/nouns.txt.gz"
    target.write_bytes(gzip.compress(text.encode(), 9, mtime=0))
    print({sort: len(words) for sort, words in sorts.items()}, target.stat().st_size, "bytes")


def sort_of(sense: str, above: dict[str, list[str]], roots: dict[str, str]) -> str | None:
    level = [sense]
    while level:
        for node in level:
            if node in roots:
                return roots[node]
        level = [up for node in level for up in above.get(node, [])]
    return None


if __name__ == "__main__":
    main(Path(sys.argv[1] if len(sys.argv) > 1 else "/usr/share/wordnet"))
