"""Titles, storylines and manuscripts, composed from a plot and its furniture to the length, level
and shape asked for."""

import random
import re
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field

from cutreel.protocol import ScriptInput, WrittenScene

from .asides import PAST, SCENERY, TALK, TENSE, THOUGHTS, WAYS
from .comic import comic_scenes
from .documentary import documentary_scenes
from .furnish import Furnished, filled, furnish
from .plots import PLOTS, plots_for
from .sleep import sleep_scenes
from .stock import TIMES, WEATHERS
from .timing import PARAGRAPH, SCENE, spoken_seconds
from .variation import varied
from .wording import TONE_TAILS, TONES, at_level, swapped


@dataclass
class Draft:
    """A scene in the making. `paragraphs` hold sentences; airs are added to them until the length
    is right."""

    heading: str
    description: str
    action: str
    mood: str
    paragraphs: list[list[str]]
    airs: list[tuple[str, ...]] = field(default_factory=list)


def titles(work: ScriptInput) -> list[str]:
    """Ten titles for an idea."""
    chance = random.Random(f"titles/{work.idea}/{work.seed}")
    home = furnish(work.idea, work.seed, work.story)
    out: list[str] = []
    shapes = [*home.plot.titles, "{hero} and the {thing}", "The {trade} of {town}", "What the {animal} Knew",
              "A {thing} for {hero}", "The {trait} {trade}", "Under {spot_name}", "Nobody Asked {hero}",
              "The Other Side of {town}", "{hero} Goes Back", "The Last {thing} but One", "Until the {thing} Sang",
              "How {hero} Lost an Argument", "{town}, Before Dawn"]  # fmt: skip
    chance.shuffle(shapes)
    for shape in [home.plot.titles[0], *shapes]:
        title = _titled(filled(shape, home.slots))
        if title not in out:
            out.append(title)
    return out[:10]


def storylines(work: ScriptInput) -> list[dict[str, str]]:
    """Five storylines of a paragraph each, on different plots; another seed gives others."""
    home = furnish(work.idea, work.seed, work.story)
    chance = random.Random(f"lines/{work.idea}/{work.seed}")
    fitting = [p for p in plots_for(work.story) if p.name != home.plot.name]
    others = [p for p in PLOTS if p not in fitting and p.name != home.plot.name]
    chosen = [home.plot, *chance.sample(fitting, min(4, len(fitting)))]
    out = []
    for i, plot in enumerate([*chosen, *chance.sample(others, 5 - len(chosen))]):
        own = furnish(work.idea, work.seed + i)
        slots = own.slots
        text = " ".join(
            filled(part, slots)
            for part in (
                "{hero} {family}, {trade_a}, lives in {town}, {kind_of_town}.",
                plot.line,
                chance.choice(plot.trouble),
                "In the end: " + chance.choice(plot.discovery),
            )
        )
        out.append({"title": _titled(filled(plot.titles[i % 3], slots)), "text": _articles(text, slots), "plot": plot.name})
    return out


def manuscript(work: ScriptInput) -> tuple[str, list[WrittenScene], list[str]]:
    """A title, scenes, and the words of the idea that could not be used."""
    home = furnish(work.idea, work.seed, work.story)
    plot = next((p for p in PLOTS if p.name == work.plot), home.plot)
    home = Furnished(plot, home.slots, home.used, home.animal, home.place)
    chance = random.Random(f"script/{work.idea}/{work.seed}/{work.structure}/{plot.name}")
    seconds = work.minutes * 60
    builders: dict[str, Callable[..., list[Draft]]] = {
        "hook": _hook_first, "chapters": documentary_scenes, "comic": comic_scenes, "sleep": sleep_scenes,
    }  # fmt: skip
    drafts = builders[work.structure](home, work, round(seconds * 2.5), chance, Draft)

    def leave(sentence: str) -> str:
        told = swapped(_articles(filled(sentence, home.slots), home.slots), TONES.get(work.tone, {}))
        return at_level(_voiced(told, work, home), work.level)

    _fit(drafts, seconds * 0.98, leave, chance, work)
    scenes = [
        WrittenScene(
            heading=d.heading,
            description=leave(d.description),
            action=leave(d.action),
            mood=d.mood,
            paragraphs=[" ".join(p) for p in d.paragraphs if p],
        )
        for d in drafts
    ]
    asked = {w for w in re.findall(r"[a-z]+", work.idea.lower()) if len(w) > 3}
    told = " ".join(" ".join(s.paragraphs) for s in scenes).lower()
    unused = sorted(w for w in asked if w[:5] not in told)
    title = work.title or _titled(filled(plot.titles[0], home.slots))
    return title, scenes, unused


def _hook_first(home: Furnished, work: ScriptInput, target: int, chance: random.Random, draft: type[Draft]) -> list[Draft]:
    """Hook, set-up, turn, rising trouble, discovery, end."""
    plot, slots = home.plot, home.slots
    times = [chance.choice(TIMES[-2:]), "morning", chance.choice(TIMES[2:]), "dusk", "night", "dawn"]
    weather = [chance.choice(WEATHERS)[0] for _ in range(6)]
    troubles = list(plot.trouble)
    chance.shuffle(troubles)
    points = [p.strip().rstrip(".") + "." for p in work.points if p.strip()]

    def head(i: int, place: str) -> str:
        return f"{place} — {times[i]}, {weather[i]}"

    spot, workplace = slots["spot"].capitalize(), f"The {slots['work']}"
    drafts = [
        draft(head(0, workplace), plot.line, plot.hook[0], "uneasy", [[chance.choice(plot.hook)], ["{town} was {kind_of_town}, and on most evenings nothing happened in it at all."]], [SCENERY]),
        draft(head(1, f"The streets of {slots['town']}"), "Who lives here, and how.", "{hero} at work.", "warm",
              [[PAST[0], PAST[1]], [PAST[2]], [*points[:1]]], [PAST, SCENERY, THOUGHTS]),
        draft(head(2, spot), "The turn.", plot.turn[0], "uneasy", [[plot.turn[0]], [plot.turn[1]]], [TALK, THOUGHTS]),
    ]
    parts = 1 + (target > 300) + (target > 900) + (target > 2200)
    for n in range(parts):
        own = troubles[n::parts]
        drafts.append(draft(head(3, ("The way out", "The high road", "Beyond the last house", "Further on")[n]), "Rising trouble.",
                            own[0], "uneasy", [[t] for t in own] + [[p] for p in points[1 + n :: parts]], [WAYS, TALK, TENSE, SCENERY, THOUGHTS]))
    drafts += [
        draft(head(4, f"At the {slots['thing']}"), "The discovery.", plot.discovery[0], "grand", [[chance.choice(plot.discovery)]], [THOUGHTS, TENSE]),
        draft(head(5, workplace), "The end.", plot.end[0], "warm", [[plot.end[0]], [plot.end[1]]], [THOUGHTS, SCENERY]),
    ]
    return drafts


def _fit(drafts: list[Draft], wanted: float, final: Callable[[str], str], chance: random.Random, work: ScriptInput) -> None:
    """Bring drafts to `wanted` seconds of speech within a few in a hundred: finish their sentences,
    then add airs, or take sentences out. A sentence that was said comes again only with other words
    in it."""
    seen: set[str] = set()
    for draft in drafts:
        draft.paragraphs = [[final(s) for s in p] for p in draft.paragraphs if p]
        seen |= {s for p in draft.paragraphs for s in p}

    def length() -> float:
        paragraphs = sum(len(d.paragraphs) for d in drafts)
        spoken = sum(spoken_seconds(s) for d in drafts for p in d.paragraphs for s in p)
        return spoken + PARAGRAPH * paragraphs + (SCENE - PARAGRAPH) * len(drafts)

    sources = {id(d): _airs(d.airs, chance, work) for d in drafts}
    order = [d for d in drafts if d.airs]
    turn, idle = 0, 0
    now = length()
    while order and now < wanted * 0.985 and idle < 900:
        draft = order[turn % len(order)]
        turn += 1
        sentence = next(sources[id(draft)])
        sentence = final(varied(sentence, chance) if idle or final(sentence) in seen else sentence)
        more = spoken_seconds(sentence) + (PARAGRAPH if "“" in sentence else 0)
        if (sentence in seen and idle < 300) or now + more > wanted * 1.03:
            idle += 1
            continue
        seen.add(sentence)
        idle = 0
        now += more
        _place(draft, sentence, chance)
    while length() > wanted * 1.05:
        free = [p for d in drafts for p in d.paragraphs if len(p) > 1]
        if free:
            max(free, key=lambda p: len(" ".join(p))).pop()
            continue
        several = [d for d in drafts if len(d.paragraphs) > 1]
        if not several:
            break
        max(several, key=lambda d: len(d.paragraphs)).paragraphs.pop()


def _airs(kinds: Sequence[tuple[str, ...]], chance: random.Random, work: ScriptInput) -> Iterator[str]:
    """Sentences from several kinds in turn, each kind shuffled anew when it is used up."""
    if work.tone == "tense" or work.tone in TONE_TAILS:
        kinds = [*kinds, TENSE if work.tone == "tense" else TONE_TAILS[work.tone]]
    decks: list[list[str]] = [[] for _ in kinds]
    while True:
        for kind, deck in zip(kinds, decks, strict=True):
            if not deck:
                deck.extend(chance.sample(kind, len(kind)))
            yield deck.pop()


def _place(draft: Draft, sentence: str, chance: random.Random) -> None:
    """Put a sentence where it reads well: talk in a paragraph of its own, the rest into one that is
    not long yet."""
    rooms = [p for p in draft.paragraphs if p and sum(len(s.split()) for s in p) < 55 and "“" not in p[-1]]
    if "“" in sentence or not rooms:
        at = chance.randint(min(1, len(draft.paragraphs)), max(1, len(draft.paragraphs)))
        draft.paragraphs.insert(at, [sentence])
    else:
        chance.choice(rooms).append(sentence)


def _titled(text: str) -> str:
    small = {"the", "of", "a", "an", "and", "to", "but", "one", "who", "that", "for", "in", "at"}
    words = text.split()
    return " ".join(w if i and w in small else w[:1].upper() + w[1:] for i, w in enumerate(words))


def _articles(text: str, slots: dict[str, str]) -> str:
    trade = slots["trade"]
    text = text.replace("{trade_a}", ("an " if trade[0] in "aeiou" else "a ") + trade)
    return text.replace("{himself}", {"he": "himself", "she": "herself"}[slots["he"]])


def _voiced(text: str, work: ScriptInput, home: Furnished) -> str:
    """The text as the point of view asked for tells it: in the first person the hero is “I” outside
    what is said."""
    if work.view != "first":
        return text
    name, he, his, him = home.slots["hero"], home.slots["he"], home.slots["his"], home.slots["him"]
    parts = re.split(r"(“[^”]*”)", text)
    for i in range(0, len(parts), 2):
        part = re.sub(rf"\b{name}'s\b", "my", parts[i])
        part = re.sub(rf"\b{name}(?: {home.slots['family']})?\b|\b{he}\b|\b{he.title()}\b", "I", part)
        if his != him:
            part = re.sub(rf"\b{his}\b", "my", re.sub(rf"\b{his.title()}\b", "My", re.sub(rf"\b{him}\b", "me", part)))
        else:
            part = re.sub(r"\bher(?= [a-z]+)(?! (?:to|and|that|for|with|in|on|at|once|the|a|of|up|what|whether|from)\b)", "my", part)
            part = re.sub(r"\bHer\b", "My", re.sub(r"\bher\b", "me", part))
        part = re.sub(r"\bI (was|had|did|went|could)\b", r"I \1", part)
        parts[i] = re.sub(r"\b(himself|herself)\b", "myself", re.sub(r"\bI (is|has|does|says|opens|sells|takes)\b", lambda m: "I " + {
            "is": "am", "has": "have", "does": "do", "says": "say", "opens": "open", "sells": "sell", "takes": "take"}[m[1]], part))
    return "".join(parts)
