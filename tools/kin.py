"""Builds `src/standins/illustrator/kin.txt.gz`: for nouns that have no drawing of their own, the nearest that has one, by
WordNet 3.0 (Debian's package wordnet-base): a skiff is drawn as a boat, a terrier as a dog.

    .venv/bin/python tools/kin.py [FOLDER OF WORDNET]

Nearest is by steps up to what a thing is, and from there down again to what else is one; not by way of what is too
general to look like anything. Those who are people are listed as such.
"""

import gzip
import re
import sys
from collections import defaultdict
from pathlib import Path

from cutreel.core.nouns import sort_of
from standins.illustrator.vocabulary import ANIMALS, PROPS

SEEN = {"05", "06", "13", "17", "20"}
"""WordNet's files of nouns that can be seen: animals, artifacts, food, natural objects, plants."""
GENERAL = {
    "instrument", "circle", "bar", "sign", "signal", "paper", "metre", "ruler", "earth", "picture", "money", "coin",
    "horn", "scale", "fan", "match", "bow", "bank", "fruit", "vegetables", "treasure", "skull", "bones", "tower",
    "window", "map", "chart", "letter", "trunk", "key", "shield", "needle", "shelf", "cage", "wellhead", "jewel", "soup",
}  # fmt: skip
"""Drawings that stand only for their own word, or for too much."""
KNOWN = {
    "stairs": "step doorstep", "staff": "stick crutch broomstick whip wand pole rod spear",
    "bottle": "rum wine beer ale gin whisky brandy medicine cider milk flask vial", "lantern": "torch flashlight",
    "hay": "straw haystack", "shoe": "boot sock slipper sandal clog stocking", "sign": "slate blackboard label plaque poster placard billboard",
    "bowl": "dinner supper meal lunch breakfast salad stew broth dish basin",
    "apple": "potato nut onion turnip tomato plum peach orange lemon cherry", "needle": "pin hook",
    "coin": "cash dollar shilling medal button penny",
    "bag": "bundle luggage purse wallet pouch pocket backpack", "cart": "barrow wheelbarrow handcart plough trolley",
    "broom": "brush mop duster", "quill": "pencil pen crayon", "dragon": "monster", "clock": "dial alarm timer",
    "fence": "post railing hurdle barrier", "crate": "block brick",
    "bush": "plant shrub vegetable fern nettle thistle bramble weed heather gorse",
    "cup": "mug tankard goblet glass beaker teacup chalice", "bread": "sandwich bun roll toast",
    "rope": "cord string chain thread net", "book": "diary album ledger scrapbook bible",
    "letter": "envelope parcel telegram scroll note card ticket postcard",
    "crystal": "bead gem jewel necklace pendant bracelet lens", "chest": "crate coffin case casket", "barrel": "cask keg drum",
    "tree": "oak elm", "flower": "tulip blossom", "rock": "pebble coal", "sack": "blanket quilt hammock", "bird": "parrot",
    "lamp": "chandelier spotlight", "radio": "gramophone wireless", "computer": "typewriter", "bench": "pew pulpit",
    "axe": "sickle", "rod": "pistol musket rifle cannon plank log twig", "cradle": "cot crib", "jug": "",
    "plate": "tray saucer", "boat": "canoe barge dinghy punt gondola yacht", "wheel": "cog gear", "table": "counter altar bar",
}  # fmt: skip
"""What a reader of stories would take for nearest, where the way by kinds leads elsewhere."""
NOT_MEANT = {
    "tom",
    "jenny",
    "jack",
    "bill",
    "billy",
    "nanny",
    "kitty",
    "head",
    "heads",
    "hand",
    "foot",
    "wing",
    "tail",
    "face",
    "eye",
    "tear",
    "back",
    "shoulder",
    "ear",
    "nose",
    "mouth",
    "heart",
    "smoker",
    "sleeper",
    "diner",
    "runner",
    "cab",
    "hopper",
    "cup",
    "guest",
    "line",
    "water",
    "stand",
    "steer",
    "post",
    "patch",
    "spring",
    "side",
    "shore",
    "board",
    *"heap berlin electric launch monitor lower upper pirate derelict hulk feeder merchantman privateer".split(),
}
"""Words that mean something else in stories."""
UP, DOWN, MOST, LEAST_DEPTH = 1.0, 2.2, 3.4, 8


class Tree:
    """WordNet's nouns: the senses of each word, and of each sense its file and what it is a kind of."""

    def __init__(self, folder: Path) -> None:
        self.senses: dict[str, list[str]] = {}
        self.file_of: dict[str, str] = {}
        self.above: dict[str, list[str]] = {}
        self._depth: dict[str, int] = {}
        for line in (folder / "index.noun").read_text().splitlines():
            if not line.startswith(" "):
                parts = line.split()
                self.senses[parts[0]] = parts[-int(parts[2]) :]
        for line in (folder / "data.noun").read_text().splitlines():
            if not line.startswith(" "):
                self.file_of[line[:8]] = line.split()[1]
                self.above[line[:8]] = re.findall(r" @i? (\d{8}) n ", line)

    def seen(self, word: str) -> str | None:
        """The commonest of a word's senses that can be seen."""
        return next((s for s in self.senses.get(word, [])[:3] if self.file_of[s] in SEEN), None)

    def depth(self, node: str) -> int:
        if node not in self._depth:
            ups = self.above.get(node, [])
            self._depth[node] = 1 + min(map(self.depth, ups), default=0)
        return self._depth[node]

    def nearest(self, word: str, near: dict[str, tuple[float, str]]) -> str:
        """The drawing that is nearest to a word, or nothing."""
        node = self.seen(word)
        best, climbed = (MOST, ""), 0.0
        level = [node] if node else []
        while level and climbed < MOST:
            for at in level:
                cost, drawing = near.get(at, (MOST, ""))
                specific = cost == 0 or self.depth(at) >= LEAST_DEPTH
                if drawing and specific and climbed + cost < best[0]:
                    best = (climbed + cost, drawing)
            level = [up for at in level for up in self.above.get(at, [])]
            climbed += UP
        return best[1]


def main(folder: Path) -> None:
    tree = Tree(folder)
    drawn: dict[str, str] = {}
    for word in [*ANIMALS, *PROPS]:
        node = tree.seen(word)
        if node and word not in GENERAL:
            drawn.setdefault(node, word)
    near = {node: (0.0, word) for node, word in drawn.items()}
    for node, word in drawn.items():
        for up in tree.above.get(node, []):
            near.setdefault(up, (DOWN, word))
    by_hand = {w: drawing for drawing, those in KNOWN.items() for w in those.split()}
    found: dict[str, list[str]] = defaultdict(list)
    for word in sorted({*tree.senses, *by_hand}):
        if word in NOT_MEANT or word in PROPS or word in ANIMALS:
            continue
        drawing = by_hand.get(word) or tree.nearest(word, near)
        if (drawing in PROPS or drawing in ANIMALS) and re.fullmatch(r"[a-z][a-z-]+", word):
            found[drawing].append(word)
    taken = {w for those in found.values() for w in those}
    found["person"] = [
        word
        for word in tree.senses
        if re.fullmatch(r"[a-z]{4,}", word)
        and sort_of(word) == "person"
        and word not in NOT_MEANT | taken
        and word not in PROPS
        and word not in ANIMALS
    ]
    text = "".join(f"{drawing} {' '.join(sorted(w))}\n" for drawing, w in sorted(found.items()))
    target = Path(__file__).parents[1] / "src/standins/illustrator/kin.txt.gz"
    target.write_bytes(gzip.compress(text.encode(), 9, mtime=0))
    print(sum(map(len, found.values())), "nouns,", target.stat().st_size, "bytes")


if __name__ == "__main__":
    main(Path(sys.argv[1] if len(sys.argv) > 1 else "/usr/share/wordnet"))
