"""In which mood a shot is: what its words say plainly, else as it was before, for a while.

A word weighs 1, one that leaves no doubt 2. The mood that most is said for holds; of two alike the one that was
before, else the one that stands first in the table. What is denied ("not afraid") says nothing.
"""

from collections import defaultdict
from collections.abc import Sequence

from .model import Mood

LASTS = 5
"""Shots for which a mood goes on while nothing is said for any; then it is calm again."""
DENIED_WITHIN = 3
"""Words in front of one that may deny it."""
LEAST_ROOT = 3
"""Letters that must be left of a word when its ending is taken off: "did" is no form of "die"."""
_DENIES = frozenset("no not never nothing without neither nor hardly n't cannot".split())
# Each: words that say it; behind the bar those that leave no doubt. Given by their roots: what ends in -s, -ed, -ing,
# -ly is found by them.
_TABLE: dict[Mood, str] = {
    "tense": """
    run hurry rush chase flee fast quick breathless crash fight strike grip alarm sudden hammer pound snatch burst
    gallop race siren shout yell seize leap struggle flood sink blaze smoke knife gun shot grab hunt trap heart pulse
    | danger explode explosion attack scream escape gunshot pursue wreck panic battle emergency
    """,
    "eerie": """
    hollow whisper creak moan shadow cellar attic mist fog grave bone crow owl midnight skull mirror mask veil hush
    stare vanish vanished footstep flicker guttered curse strange empty
    | ghost haunt haunted phantom spirit coffin corpse eerie uncanny spectre tomb witch apparition
    """,
    "uneasy": """
    dark wrong fear storm lost cold worry broken trouble doubt suspicion suspect tremble shiver nervous wary dread
    threat warn warning silent uneasy prison arrest nobody missing locked hide hid secret stranger war thunder bang
    shutter anxious lie betray hesitate frown howl
    | afraid frightened terror terrified worried danger murder
    """,
    "sad": """
    cry cried tears tear alone goodbye farewell miss sorry regret empty sigh lonely forgotten widow ache sorrow
    lost weary faded
    | grave died die dead death grief wept weep funeral mourn buried bury sob heartbroken
    """,
    "playful": """
    joke grin funny silly wobble oops giggle tease trick chuckle hop tickle wink tumble mischief game play clown
    absurd ridiculous nonsense clumsy squeak splutter hiccup stumble
    | laugh hilarious prank
    """,
    "grand": """
    king queen mountain mountains sky world great earth nation meridian empire crown army palace vast
    mighty parade fleet cathedral glory ocean peak victory
    | majestic triumph coronation magnificent kingdom
    """,
    "hopeful": """
    dawn sunrise morning begin began spring bloom promise return rescue saved heal free
    horizon seed sprout tomorrow courage rebuild
    | hope hopeful freedom recover rescued reborn dream
    """,
    "wondering": """
    wonder star stars discover found measure curious question why explore map secret glitter glow shimmer invent puzzle
    unknown telescope moon experiment machine strange island magic appear riddle
    | marvel astonish amazed astonished miracle mystery mysterious enchanted
    """,
    "warm": """
    home warm smile friend light lit together supper glad hearth kitchen bread soup tea kiss mother grandmother gentle
    kind hug blanket share thank laughter bake baked baker feast welcome village neighbour dance sing sang song
    | love beloved wedding embrace birthday family
    """,
    "calm": """
    quiet still calm sleep slow peaceful breeze gentle drift rest flat smooth soft evening lull
    | asleep peace tranquil serene
    """,
}
# fmt: off
_IRREGULAR = {
    "ran": "run", "fled": "flee", "fought": "fight", "struck": "strike", "sank": "sink",
    "leapt": "leap", "crying": "cry", "dying": "die", "lying": "lie", "begun": "began", "slept": "sleep",
    "loving": "love", "caught": "trap", "danced": "dance", "dancing": "dance", "smiling": "smile", "laughing": "laugh",
}
# fmt: on
_ENDINGS = ("s", "es", "ed", "ing", "ly", "ied", "ies")


def _table() -> dict[str, tuple[tuple[Mood, int], ...]]:
    says: dict[str, list[tuple[Mood, int]]] = defaultdict(list)
    for mood, words in _TABLE.items():
        for weight, part in enumerate(words.split("|"), 1):
            for word in part.split():
                says[word].append((mood, weight))
    return {word: tuple(moods) for word, moods in says.items()}


_SAYS = _table()


def _said(word: str) -> tuple[tuple[Mood, int], ...]:
    """For which moods a word speaks, and how much."""
    word = _IRREGULAR.get(word, word)
    if word in _SAYS:
        return _SAYS[word]
    for ending in _ENDINGS:
        if word.endswith(ending):
            root = word[: -len(ending)]
            once = root[:-1] if root[-2:-1] == root[-1:] else root
            for whole in (root, root + "e", root + "y" * ending.startswith("i"), once):
                if len(root) >= LEAST_ROOT and whole in _SAYS:
                    return _SAYS[whole]
    return ()


def mood_of(bare: Sequence[str], before: Mood, ago: int = 0) -> tuple[Mood, str, int]:
    """The mood of a shot with the words `bare` (lower case), why, and for how many shots nothing was said for it;
    `before` it was that mood, for which nothing was said for `ago` shots."""
    most: dict[Mood, int] = defaultdict(int)
    word_for: dict[Mood, str] = {}
    for i, word in enumerate(bare):
        said = _said(word)
        if not said or _DENIES.intersection(bare[max(0, i - DENIED_WITHIN) : i]):
            continue
        for mood, weight in said:
            most[mood] += weight
            word_for.setdefault(mood, word)
    # One plain word does not turn a mood that was said just before.
    needed = 2 if before != "calm" and ago < 2 else 1
    best = max(most, key=lambda m: (most[m], m == before), default=None)
    if best is not None and (best == before or most[best] >= needed):
        return best, f"“{word_for[best]}”", 0
    if ago + 1 >= LASTS or before == "calm":
        return "calm", "nothing says otherwise", 0
    return before, "as before", ago + 1
