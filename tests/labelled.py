"""Stories labelled by hand, sentence by sentence, with who is there to be seen, where and when: what a reader would say.

A line is a sentence, then ` | who: names`, and where it is said, `place`, `time`, `weather`. A dash is nobody; `place: not
market` says where it is not. In some stories every word of the narration that means somebody says whom: `[She=Ada]`. In
some, `see` says what a picture of the sentence must show, and `unseen` what it must not: beginnings of words, those between
strokes being as good as each other. The first lines tell where a story is from (written for this project unless it says
otherwise), by which calls the cast is known, and, where every look that is told is labelled, how they look.
"""

import os
import re
from collections import defaultdict
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from pathlib import Path

from cutreel.core.film import Offered, ReadFilm, Settings, new_film, read_film
from cutreel.core.manuscript import read
from cutreel.core.reading import Parses, packed, parse, parse_key, unpacked

STORIES = Path(__file__).parent / "data" / "read"


@dataclass(frozen=True)
class Labelled:
    """A sentence with what holds of it."""

    text: str
    who: frozenset[str]
    says: dict[str, str]
    meant: Mapping[int, frozenset[str]] = field(default_factory=dict)
    """Where in the sentence a mention ends, and whom it means."""


@dataclass(frozen=True)
class LabelledStory:
    name: str
    text: str
    cast: dict[str, tuple[str, ...]]
    sentences: tuple[Labelled, ...]
    looks: Mapping[str, tuple[str, ...]] = field(default_factory=dict)
    """By who it is, the words of each look that the text tells."""


SORTS = ("cast", "who", "looks", "place", "time", "weather", "meant", "seen")
"""The sorts of facts, in the order in which they are printed."""


@dataclass
class Score:
    """Facts that are right, too many, and missing."""

    right: int = 0
    wrong: int = 0
    missing: int = 0

    @property
    def precision(self) -> float:
        return self.right / max(1, self.right + self.wrong)

    @property
    def recall(self) -> float:
        return self.right / max(1, self.right + self.missing)

    @property
    def f1(self) -> float:
        return 2 * self.right / max(1, 2 * self.right + self.wrong + self.missing)


_MEANT = re.compile(r"\[([^]=]+)=([^]]+)\]")


def _plain(marked: str) -> tuple[str, dict[int, frozenset[str]]]:
    """A sentence without its marks, and where each mention in it ends."""
    text, meant, at = "", {}, 0
    for match in _MEANT.finditer(marked):
        text += marked[at : match.start()] + match.group(1)
        meant[len(text)] = frozenset(match.group(2).split(","))
        at = match.end()
    return text + marked[at:], meant


def labelled(path: Path) -> LabelledStory:
    cast: dict[str, tuple[str, ...]] = {}
    looks: dict[str, tuple[str, ...]] = {}
    sentences: list[Labelled] = []
    parts: list[str] = []
    for line in path.read_text().splitlines():
        if line.startswith("# from:"):
            continue
        if line.startswith("# cast:"):
            for one in line.removeprefix("# cast:").split(";"):
                key, _, calls = one.strip().partition("=")
                cast[key.strip()] = tuple(calls.split("|")) if calls else (key.strip(),)
        elif line.startswith("# looks:"):
            for one in line.removeprefix("# looks:").split(";"):
                key, _, told = one.strip().partition("=")
                looks[key.strip()] = _listed(told)
        elif not line.strip():
            parts.append("\n\n")
        else:
            sentence, *facts = (part.strip() for part in line.split(" | "))
            says = dict(fact.partition(": ")[::2] for fact in facts if fact.strip(" |"))
            named = [w.strip() for w in says.pop("who", "-").split(",")]
            sentence, meant = _plain(sentence)
            sentences.append(
                Labelled(sentence, frozenset(w for w in named if w != "-"), says, meant)
            )
            parts.append((" " if parts and parts[-1] != "\n\n" else "") + sentence)
    return LabelledStory(path.stem, "".join(parts), cast, tuple(sentences), looks)


def _listed(told: str) -> tuple[str, ...]:
    return tuple(one.strip() for one in told.split(",") if one.strip())


def all_stories(unseen: bool = False) -> list[LabelledStory]:
    """Those that were looked at while reading was improved, or those that only count."""
    folder = STORIES / "unseen" if unseen else STORIES
    return [labelled(path) for path in sorted(folder.glob("*.txt"))]


def parses_of(text: str) -> Parses:
    """What is parsed of a story. Kept between runs by the text and the parser's version, since loading the parser takes
    longer than most of what is tested."""
    texts = [t for _, _, t in read(text).paragraphs]
    kept = {t: _KEPT / parse_key(t) for t in texts}
    missing = [t for t, at in kept.items() if not at.exists()]
    _KEPT.mkdir(parents=True, exist_ok=True)
    for t, parsed in zip(missing, parse(missing), strict=True):
        # Written whole or not at all: tests run side by side.
        beside = kept[t].with_suffix(f".{os.getpid()}")
        beside.write_bytes(packed(parsed))
        beside.replace(kept[t])
    return {t: unpacked(at.read_bytes()) for t, at in kept.items()}


_KEPT = Path(__file__).parents[1] / ".pytest_cache" / "parses"


def read_by_sentence(story: LabelledStory, parses: Parses | None) -> ReadFilm:
    """The story as a film with nothing set by hand, one shot a sentence."""
    document, _ = new_film(story.name, story.text, Settings(), parses=parses)
    script = read(story.text)
    at = 0
    opens = []
    for sentence in story.sentences:
        at = story.text.index(sentence.text, at)
        opens.append(next(i for i, w in enumerate(script.words) if w.start >= at))
        at += len(sentence.text)
    shots = [
        document.shots[0].model_copy(update={"id": i, "edge": str(i), "first": first + 1})
        for i, first in enumerate(opens, 1)
    ]
    document = document.model_copy(update={"shots": shots})
    return read_film(document, Offered(400), parses=parses)


def scores(story: LabelledStory, film: ReadFilm) -> dict[str, Score]:
    """How much of what is labelled was read, by the sort of fact."""
    names = names_of(story, film)
    out = {sort: Score() for sort in SORTS}
    found_keys = set(names.values())
    out["cast"].right, out["cast"].missing = len(found_keys), len(story.cast) - len(found_keys)
    out["cast"].wrong = len(film.document.cast) - len(found_keys)
    for told, shot in zip(story.sentences, film.shots, strict=True):
        who = {names.get(p, f"#{p}") for p in shot.facts.there}
        score = out["who"]
        score.right += len(who & told.who)
        score.wrong += len(who - told.who)
        score.missing += len(told.who - who)
        for sort in ("place", "time", "weather"):
            for right in wanted(told, sort, shot.facts):
                out[sort].right += right
                out[sort].missing += not right
        score_seen(told, shot.prompt.text, out["seen"])
    _score_looks(story, film, names, out["looks"])
    told_, read_ = mentions(story, film)
    for at in told_.keys() | read_.keys():
        right = told_.get(at) == read_.get(at)
        out["meant"].right += right
        out["meant"].wrong += not right and at in read_
        out["meant"].missing += not right and at in told_
    return out


def score_seen(told: Labelled, prompt: str, score: Score) -> None:
    """Whether a prompt says what must be seen, and nothing that must not."""
    for one in _listed(told.says.get("see", "")):
        found = _says(prompt, one)
        score.right += found
        score.missing += not found
    for one in _listed(told.says.get("unseen", "")):
        score.wrong += _says(prompt, one)


def _says(text: str, any_of: str) -> bool:
    return any(re.search(rf"\b{word}", text, re.IGNORECASE) for word in any_of.split("/"))


def _score_looks(
    story: LabelledStory, film: ReadFilm, names: Mapping[int, str], score: Score
) -> None:
    """Looks that were read from the text's words, against those that it tells; of people who were not found all are
    missing, and what is proposed where the text is silent does not count. A trait may hold several."""
    if not story.looks:
        return
    for key, looks in story.looks.items():
        person = next((p for p in film.document.cast if names.get(p.id) == key), None)
        outfits = [t for o in person.outfits for t in o.traits] if person else []
        traits = [t.text for t in [*person.traits, *outfits]] if person else []
        for look in looks:
            found = any(all(_says(t, word) for word in look.split()) for t in traits)
            score.right += found
            score.missing += not found
    for person in film.document.cast:
        labels = story.looks.get(names.get(person.id, ""), ())
        for trait in person.traits:
            told = any(_says(trait.text, w) for look in labels for w in look.split())
            score.wrong += bool(trait.said) and trait.about not in ("who", "kind") and not told


def names_of(story: LabelledStory, film: ReadFilm) -> dict[int, str]:
    """What the labels call those of the film's cast whom they know."""
    names: dict[int, str] = {}
    for key, calls in story.cast.items():
        for person in film.document.cast:
            known = {person.name, *person.aliases}
            if known & set(calls) or (key == "teller" and "I" in known):
                names.setdefault(person.id, key)
    return names


Mentions = dict[int, frozenset[str]]
"""Where a mention ends in the text, and whom it means."""


def mentions(story: LabelledStory, film: ReadFilm) -> tuple[Mentions, Mentions]:
    """What the narration's mentions mean, as labelled and as read; nothing of a story whose mentions are not labelled."""
    told: Mentions = {}
    at = 0
    for sentence in story.sentences:
        at = story.text.index(sentence.text, at)
        told.update({at + end: people for end, people in sentence.meant.items()})
        at += len(sentence.text)
    if not told:
        return {}, {}
    names = names_of(story, film)
    script = film.script
    spoken = [
        (script.words[line.first].start, script.words[line.end - 1].end)
        for line in script.lines
        if line.why != "narration"
    ]
    read_: Mentions = {}
    for number, paragraph in film.story.paragraphs.items():
        start = film.story.starts[number]
        for m in paragraph.mentions:
            if not any(a <= start + m.start < b for a, b in spoken):
                read_[start + m.end] = frozenset(names.get(p, f"#{p}") for p in m.people)
    return told, read_


def clusters(found: Mentions) -> list[set[int]]:
    """The mentions of each person, as the measures of coreference take them; groups of people stand by themselves."""
    of: dict[frozenset[str], set[int]] = defaultdict(set)
    for at, people in found.items():
        of[people].add(at)
    return list(of.values())


def wanted(told: Labelled, sort: str, facts: object) -> Iterator[bool]:
    if sort in told.says:
        value, is_now = told.says[sort].strip(" |"), str(getattr(facts, sort))
        if value.startswith("not "):
            yield value.removeprefix("not ") not in is_now
        else:
            yield value in is_now if sort == "place" else value == is_now


def by_sentence(text: str, cap: int = 900) -> ReadFilm:
    """A story as a film with nothing set by hand, one shot a sentence, its prompts of at most `cap` characters."""
    parses = parses_of(text)
    document, _ = new_film("x", text, Settings(), parses=parses)
    first = document.shots[0]
    shots = [
        first.model_copy(update={"id": i, "edge": str(i), "first": s.first + 1})
        for i, s in enumerate(read(text).sentences, 1)
    ]
    document = document.model_copy(update={"shots": shots})
    return read_film(document, Offered(cap), parses=parses)


def film_of(text: str, pace: float = 5):
    """A story as it is read with nothing set by hand."""
    parses = parses_of(text)
    document, _ = new_film("t", text, Settings(pace=pace), parses=parses)
    return read_film(document, Offered(2000), parses=parses)


def shot_with(film, words: str):
    """The one shot in which some words are told."""
    (shot,) = [s for s in film.shots if words in s.text]
    return shot
