"""Builds `src/standins/illustrator/kin.txt.gz`: for nouns that have no drawing of their own, the nearest that has one, by
WordNet 3.0 (Debian's package wordnet-base): a skiff is drawn as a boat, a terrier as a dog.

    .venv/bin/python tools/kin.py [FOLDER OF WORDNET]

Nearest is by steps up to what a thing is, and from there down again to what else is one; not by way of what is too
general to look like anything.
"""

import gzip
import re
import sys
from collections import defaultdict
from pathlib import Path

from standins.illustrator.vocabulary import ANIMALS, PROPS

SEEN = {"05", "06", "13", "17", "20"}
"""WordNet's files of nouns that can be seen: animals, artifacts, food, natural objects, plants."""
GENERAL = {
    "instrument", "circle", "bar", "sign", "signal", "paper", "metre", "ruler", "earth", "picture", "money", "coin",
    "horn", "scale", "fan", "match", "bow", "bank", "fruit", "vegetables", "treasure", "skull", "bones", "money", "tower",
    "window", "map", "chart", "letter", "trunk", "key", "shield", "needle", "shelf", "cage", "wellhead", "jewel", "soup",
}  # fmt: skip
"""Drawings that stand only for their own word, or for too much."""
KNOWN = {
    "cup": "mug tankard goblet glass beaker teacup chalice", "bowl": "stew broth dish basin", "bread": "sandwich bun roll toast",
    "rope": "cord string chain thread net", "book": "diary album ledger scrapbook bible", 
    "letter": "envelope parcel telegram scroll note card ticket postcard", "bag": "purse wallet pouch pocket backpack",
    "crystal": "bead gem jewel necklace pendant bracelet lens", "coin": "medal button penny", "staff": "whip wand pole rod spear",
    "chest": "crate coffin case casket", "barrel": "cask keg drum", "bottle": "flask vial wine beer", "tree": "oak elm",
    "flower": "tulip fern blossom", "rock": "brick pebble coal", "sack": "blanket quilt hammock", "bird": "parrot",
    "lamp": "chandelier spotlight", "apple": "onion tomato plum peach orange lemon cherry", "radio": "gramophone wireless",
    "computer": "typewriter", "bench": "pew pulpit", "axe": "sickle", "rod": "pistol musket rifle cannon plank log twig",
    "cradle": "cot crib", "jug": "milk water", "plate": "tray saucer", "boat": "canoe barge dinghy punt gondola yacht",
    "fence": "railing barrier", "wheel": "cog gear", "cart": "plough wheelbarrow trolley", "table": "counter altar bar",
}  # fmt: skip
"""What a reader of stories would take for nearest, where the way by kinds leads elsewhere."""
NOT_MEANT = {"smoker", "sleeper", "diner", "runner", "cab", "hopper", "cup", "guest", "line"}
"""Words that mean something else in stories."""
UP, DOWN, MOST, LEAST_DEPTH = 1.0, 2.2, 3.4, 8


def main(folder: Path) -> None:
    senses, words, file_of, above = read_wordnet(folder)
    below: dict[str, list[str]] = defaultdict(list)
    for node, ups in above.items():
        for up in ups:
            below[up].append(node)

    def seen(word: str) -> str | None:
        return next((s for s in senses.get(word, [])[:3] if file_of[s] in SEEN), None)

    drawn: dict[str, str] = {}
    for word in [*ANIMALS, *PROPS]:
        node = seen(word)
        if node and word not in GENERAL:
            drawn.setdefault(node, word)
    depth: dict[str, int] = {}

    def deep(node: str) -> int:
        if node not in depth:
            depth[node] = 1 + min((deep(up) for up in above.get(node, [])), default=0)
        return depth[node]

    near: dict[str, tuple[float, str]] = {node: (0.0, word) for node, word in drawn.items()}
    for steps in (1,):
        for node, (cost, word) in list(near.items()):
            if cost == DOWN * (steps - 1):
                for up in above.get(node, []):
                    if up not in near or near[up][0] > cost + DOWN:
                        near[up] = (cost + DOWN, word)
    found: dict[str, list[str]] = defaultdict(list)
    by_hand = {word: drawing for drawing, those in KNOWN.items() for word in those.split()}
    for word, drawing in by_hand.items():
        if drawing in PROPS and word not in PROPS:
            found[drawing].append(word)
    for word in senses:
        if word in by_hand or word in NOT_MEANT or not re.fullmatch(r"[a-z][a-z-]+", word) or word in PROPS or word in ANIMALS:
            continue
        node = seen(word)
        best = (MOST, "")
        level, climbed = ([node] if node else []), 0.0
        while level and climbed < MOST:
            for at in level:
                if at in near and (near[at][0] == 0 or deep(at) >= LEAST_DEPTH) and climbed + near[at][0] < best[0]:
                    best = (climbed + near[at][0], near[at][1])
            level = [up for at in level for up in above.get(at, [])]
            climbed += UP
        if best[1]:
            found[best[1]].append(word)
    text = "".join(f"{drawing} {' '.join(sorted(w))}\n" for drawing, w in sorted(found.items()))
    target = Path(__file__).parents[1] / "src/standins/illustrator/kin.txt.gz"
    target.write_bytes(gzip.compress(text.encode(), 9, mtime=0))
    print(sum(map(len, found.values())), "nouns,", target.stat().st_size, "bytes")


def read_wordnet(
    folder: Path,
) -> tuple[dict[str, list[str]], dict[str, list[str]], dict[str, str], dict[str, list[str]]]:
    """The senses of each noun, and of each sense its words, its file and what it is a kind of."""
    senses, words, file_of, above = {}, {}, {}, {}
    for line in (folder / "index.noun").read_text().splitlines():
        if not line.startswith(" "):
            parts = line.split()
            senses[parts[0]] = parts[-int(parts[2]) :]
    for line in (folder / "data.noun").read_text().splitlines():
        if not line.startswith(" "):
            parts = line.split()
            count = int(parts[3], 16)
            words[parts[0]] = parts[4 : 4 + 2 * count : 2]
            file_of[parts[0]] = parts[1]
            above[parts[0]] = re.findall(r" @i? (\d{8}) n ", line)
    return senses, words, file_of, above


if __name__ == "__main__":
    main(Path(sys.argv[1] if len(sys.argv) > 1 else "/usr/share/wordnet"))
