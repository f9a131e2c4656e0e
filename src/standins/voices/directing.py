"""Directions: how a line is to be said, in words, and what these do to a voice."""

import re
from dataclasses import dataclass, replace

from .timbre import Timbre


@dataclass(frozen=True)
class Manner:
    """How a line is said beside how its voice speaks: pitch and span times as much, pace and loudness times as much;
    what is added to breath, roughness and brightness; how much is whispered, and how much it shakes (0 … 1)."""

    pitch: float = 1.0
    span: float = 1.0
    pace: float = 1.0
    loud: float = 1.0
    breath: float = 0.0
    rough: float = 0.0
    bright: float = 0.0
    whisper: float = 0.0
    shake: float = 0.0

    def on(self, timbre: Timbre) -> Timbre:
        """A voice in this manner."""
        return replace(
            timbre,
            pitch=timbre.hertz * self.pitch if timbre.base != "rms" else 0.0,
            # Where the engine does not change the pitch, a throat a little shorter or longer does.
            tract=timbre.tract / (self.pitch if timbre.base == "rms" else 1.0),
            span=timbre.span * self.span,
            pace=timbre.pace * self.pace,
            breath=timbre.breath + self.breath,
            rough=timbre.rough + self.rough,
            bright=timbre.bright + self.bright,
        ).within()


_WORDS: tuple[tuple[str, Manner], ...] = (
    (
        "whisper whispering whispered hushed secret secretly",
        Manner(span=0.6, loud=0.55, pace=0.94, whisper=1.0),
    ),
    (
        "murmur murmured murmuring mutter muttered muttering mumbled",
        Manner(pitch=0.95, span=0.5, loud=0.6, breath=0.25, bright=-0.3),
    ),
    (
        "small thin soft softly quiet quietly gentle gently tender tenderly kind kindly intimate",
        Manner(span=0.85, loud=0.65, pace=0.94, breath=0.25, bright=-0.2),
    ),
    (
        "shout shouted shouting yell yelled bellow bellowed roar roared loud loudly",
        Manner(pitch=1.22, span=1.5, loud=1.7, bright=0.5),
    ),
    ("cry cried call called calling", Manner(pitch=1.16, span=1.4, loud=1.4, bright=0.3)),
    (
        "scream screamed shriek shrieked",
        Manner(pitch=1.45, span=1.6, loud=1.7, rough=0.2, bright=0.6),
    ),
    (
        "slow slowly unhurried drawn weary tired heavy heavily sleepy drowsy",
        Manner(pitch=0.97, span=0.85, pace=0.82),
    ),
    (
        "quick quickly fast hurried hurriedly urgent urgently breathless eager eagerly",
        Manner(pitch=1.04, span=1.2, pace=1.18),
    ),
    (
        "sad sadly sorrow sorrowful mournful grieving sob sobbed broken",
        Manner(pitch=0.94, span=0.65, pace=0.86, breath=0.15, bright=-0.2),
    ),
    (
        "happy happily cheerful cheerfully merry joyful delighted glad laughing laughed bright brightly",
        Manner(pitch=1.1, span=1.6, pace=1.05, bright=0.25),
    ),
    (
        "angry angrily furious furiously snapped snap sharp sharply harsh hard fierce fiercely growled growl",
        Manner(pitch=1.03, span=1.35, pace=1.06, loud=1.3, rough=0.35, bright=0.35),
    ),
    (
        "afraid frightened fearful scared trembling shaking shaky nervous nervously stammered",
        Manner(pitch=1.1, span=1.2, breath=0.2, shake=0.8),
    ),
    ("low deep", Manner(pitch=0.88, bright=-0.2)),
    ("high", Manner(pitch=1.14)),
    ("flat dry dryly cold coldly even level", Manner(span=0.35)),
    (
        "grave gravely solemn solemnly serious stern sternly",
        Manner(pitch=0.94, span=0.75, pace=0.92),
    ),
    ("warm warmly", Manner(pitch=0.97, breath=0.1, bright=-0.25)),
    ("tense", Manner(pitch=1.04, span=0.8, pace=1.06, bright=0.15)),
    ("calm calmly peaceful", Manner(span=0.75, pace=0.92)),
    ("excited excitedly lively", Manner(pitch=1.1, span=1.6, pace=1.1, bright=0.2)),
    ("hoarse hoarsely rough roughly croaked rasped", Manner(rough=0.6)),
    ("breathed breathy sighed sigh", Manner(loud=0.75, breath=0.5)),
)
MANNERS = {word: manner for words, manner in _WORDS for word in words.split()}
_MORE, _LESS = (
    frozenset(("very", "so", "too", "extremely", "utterly")),
    frozenset(("almost", "slightly", "little", "bit", "somewhat", "rather", "half")),
)
_IDLE = frozenset(
    "a an the and or but with in of to as if is it he she they voice said says saying speaks tone narrator like "
    "more less then still very so too almost slightly little bit somewhat rather half".split()
)


def directed(words: str) -> tuple[Manner, list[str]]:
    """The manner that some words ask for, and those of them that could not be used. "Almost" halves what comes next,
    "very" makes half as much more of it."""
    manner, unused = Manner(), []
    tokens = re.findall(r"[a-z]+", words.lower())
    much = 1.0
    for token in tokens:
        if token in _MORE or token in _LESS:
            much = 1.5 if token in _MORE else 0.5
        elif token in MANNERS:
            manner, much = _joined(manner, MANNERS[token], much), 1.0
        elif token not in _IDLE:
            unused.append(token)
    return manner, unused


def _joined(one: Manner, other: Manner, much: float) -> Manner:
    return Manner(
        **{
            n: getattr(one, n) * getattr(other, n) ** much
            for n in ("pitch", "span", "pace", "loud")
        },
        **{
            n: min(1.0, getattr(one, n) + getattr(other, n) * much)
            for n in ("breath", "rough", "bright", "whisper", "shake")
        },
    )
