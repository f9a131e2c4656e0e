"""The voices that are given, by name."""

from dataclasses import dataclass, replace

from .espeak import LANGUAGES
from .timbre import Timbre


@dataclass(frozen=True)
class Speaker:
    """A voice: what it is called, whom it can be, and in words what it is like."""

    name: str
    title: str
    timbre: Timbre
    pronoun: str
    age: str
    length: float
    says: str


def _given(name: str, says: str, pronoun: str, age: str, timbre: Timbre) -> Speaker:
    title = f"{name.capitalize()}, {says.split(';', maxsplit=1)[0]}"
    return Speaker(name, title, timbre, pronoun, age, timbre.length, says)


def _old(
    name: str,
    title: str,
    base: str,
    pitch: float,
    pace: float,
    pronoun: str,
    age: str,
    length: float,
) -> Speaker:
    """One of the first eight: `pitch` is how much higher it is played back."""
    timbre = Timbre(base, tract=1 / pitch, pace=pace)
    return Speaker(name, title, timbre, pronoun, age, length, title.split(", ", 1)[1])


_ENGLISH = (
    _old("alder", "Alder, even and clear", "rms", 1.0, 1.0, "he", "adult", 1.0),
    _old("briony", "Briony, warm", "slt", 0.97, 0.98, "she", "adult", 0.90),
    _old("corin", "Corin, from the north", "awb", 1.0, 0.96, "he", "adult", 0.96),
    _old("delphine", "Delphine, bright", "slt", 1.07, 1.03, "she", "adult", 0.86),
    _old("edda", "Edda, old and unhurried", "slt", 0.88, 0.88, "she", "old", 1.01),
    _old("fenn", "Fenn, a boy", "rms", 1.42, 1.02, "he", "child", 0.98),
    _old("gilly", "Gilly, a girl", "slt", 1.2, 1.03, "she", "child", 0.86),
    _old("hask", "Hask, old and low", "rms", 0.9, 0.9, "he", "old", 1.11),
    _given("ines", "low and calm", "she", "adult", Timbre("slt", 146, 0.8, 1.05, 0.92, 0.1, 0.0, -0.35)),
    _given("joss", "quick and light", "he", "adult", Timbre("awb", 148, 1.3, 0.95, 1.12, 0.0, 0.0, 0.35)),
    _given("kestrel", "sharp and clear", "she", "adult", Timbre("slt", 208, 1.5, 0.97, 1.08, 0.0, 0.05, 0.6)),
    _given("lorne", "deep and slow", "he", "adult", Timbre("awb", 92, 0.8, 1.1, 0.88, 0.08, 0.1, -0.4)),
    _given("maud", "old and thin", "she", "old", Timbre("slt", 196, 1.1, 0.96, 0.86, 0.25, 0.35, 0.15)),
    _given("nils", "soft, near", "he", "adult", Timbre("slt", 118, 0.9, 1.17, 0.94, 0.3, 0.0, -0.2)),
    _given("orla", "breathy and gentle", "she", "adult", Timbre("slt", 178, 1.0, 1.0, 0.9, 0.55, 0.0, -0.1)),
    _given("perrin", "a young man, lively", "he", "adult", Timbre("slt", 134, 1.9, 1.13, 1.06, 0.0, 0.0, 0.2)),
    _given("quill", "dry and flat", "he", "adult", Timbre("awb", 112, 0.3, 1.0, 0.98, 0.0, 0.05, 0.0)),
    _given("rook", "hoarse and low", "he", "old", Timbre("awb", 98, 1.0, 1.06, 0.88, 0.15, 0.75, -0.2)),
    _given("sable", "dark and smooth", "she", "adult", Timbre("slt", 132, 1.1, 1.1, 0.9, 0.12, 0.0, -0.5)),
    _given("tamsin", "a girl, eager", "she", "child", Timbre("slt", 262, 1.7, 0.85, 1.08, 0.0, 0.0, 0.3)),
    _given("ulric", "huge and rough", "he", "adult", Timbre("awb", 78, 1.0, 1.22, 0.84, 0.05, 0.6, -0.45)),
    _given("vesper", "old, warm and low", "she", "old", Timbre("slt", 150, 1.0, 1.06, 0.82, 0.2, 0.25, -0.3)),
    _given("wick", "a small boy", "he", "child", Timbre("slt", 285, 1.4, 0.82, 1.0, 0.08, 0.0, 0.2)),
    _given("yarrow", "an old man, wavering", "he", "old", Timbre("slt", 142, 1.3, 1.14, 0.84, 0.3, 0.5, 0.0)),
    _given("zeno", "clear and grave", "he", "adult", Timbre("awb", 104, 0.7, 1.03, 0.9, 0.0, 0.0, 0.1)),
    _given("asa", "a boy, serious", "he", "child", Timbre("slt", 232, 0.9, 0.88, 0.94, 0.0, 0.0, 0.0)),
)  # fmt: skip
_KINDS: tuple[tuple[str, str, str, Timbre], ...] = (
    ("woman", "she", "adult", Timbre("", 184, 1.1, 0.87)),
    ("man", "he", "adult", Timbre("", 108, 1.0, 1.0)),
    ("old woman", "she", "old", Timbre("", 160, 1.0, 0.92, 0.86, 0.2, 0.25, -0.2)),
    ("old man", "he", "old", Timbre("", 92, 0.9, 1.08, 0.86, 0.15, 0.4, -0.2)),
    ("child", "she", "child", Timbre("", 208, 1.4, 0.8, 1.02)),
)
"""The same five in each of the other languages."""


def _elsewhere(tag: str, language: str, kind: tuple[str, str, str, Timbre]) -> Speaker:
    title, pronoun, age, timbre = kind
    own = replace(timbre, base=tag)
    name = f"{tag}-{title.replace(' ', '-')}"
    return Speaker(name, f"{language}, {title}", own, pronoun, age, own.length, title)


SPEAKERS = (
    *_ENGLISH,
    *(_elsewhere(t, language, k) for t, language in LANGUAGES.items() for k in _KINDS),
)
BY_NAME = {speaker.name: speaker for speaker in SPEAKERS}
