"""Chaptered documentary: a question, chapters from the key points, and sources. It invents no
facts: it says what it was given, and asks; its sources are placeholders that say so."""

import random
from typing import Any

from .furnish import Furnished

_OPEN = (
    "This is the story of {topic}.",
    "Almost everybody has heard of {topic}. Almost nobody has asked the next question.",
    "It begins, as such stories do, with something that did not fit.",
)
_BRIDGE = (
    "To see why that matters, it helps to stand where people stood then.",
    "Nobody planned it. That is the first thing to know.",
    "On paper it was simple. On paper most things are.",
    "What happened next depends on whom you ask, and when you asked them.",
    "The records are thin here, and thin records make good stories.",
    "For a long time this was all that anybody knew.",
    "It is worth slowing down at this point, because they did not.",
    "There is a version of this in which everything goes well. This is not it.",
    "Seen from here it looks like a straight line. It was not.",
    "Small causes were at work, as they usually are.",
    "Those who were there remembered the weather first, and the rest afterwards.",
    "One careful person with a notebook can change what a century believes.",
    "They measured, they doubted the measure, and they measured again.",
    "It took longer than a life, and so it took more than one.",
    "Most of the work was waiting, and most of the waiting was walking.",
    "Somebody had to pay for it, and the letters about that have survived.",
    "There were mistakes. The honest ones were written down.",
    "The tools were simple. The patience was not.",
    "A stranger would have seen nothing at all: a few people, a field, a table.",
    "We know this because one of them kept everything.",
    "It would be easy to laugh at them now, and it would be wrong.",
    "The answer was on the table for years before anybody read it.",
    "Behind each number stands a morning, and somebody who got up early.",
    "At this point most accounts hurry on. Let us stay a moment.",
    "It worked, and then it was asked to work everywhere.",
    "Nothing about it was certain, except that it could not be left alone.",
    "If there was a single moment, it has been lost, and that may be fitting.",
    "The question did not go away. It changed its clothes.",
    "A map of what was known then would have had a hole just here.",
    "Others had tried. Their notes are in the same archive, under a different letter.",
)
_END = (
    "So what is left of {topic}? A way of asking, mostly.",
    "The next time somebody says that it was obvious, remember how long it was not.",
)
_CHAPTERS = ("The question", "What they knew", "The work begins", "Where it went wrong", "What the numbers said", "What is left")


def documentary_scenes(home: Furnished, work: Any, target: int, chance: random.Random, draft: type) -> list[Any]:
    """Chapters: an opening question, one for each key point (or the usual ones), what is left, and
    sources as notes."""
    topic = home.slots["idea"][:1].lower() + home.slots["idea"][1:] if home.slots["idea"] else "a small thing"
    points = [p.strip().rstrip(".") for p in work.points if p.strip()]
    count = max(2, min(12, round(target / 260)))
    heads = [p[:60] for p in points] or list(_CHAPTERS[1:-1])[:count]
    drafts = [draft(f"Chapter 1: {_CHAPTERS[0]}", "The opening question.", "An empty desk and a lamp.", "uneasy",
                    [[s.replace("{topic}", topic) for s in chance.sample(_OPEN, 2)]], [_BRIDGE])]
    for i, head in enumerate(heads):
        said = [points[i] + "."] if points else []
        drafts.append(draft(f"Chapter {i + 2}: {head}", f"Chapter on {head.lower()}.", "People at work, seen from a distance.",
                            "calm" if i % 2 else "grand", [said or [f"The second thing to know about {topic} is how ordinary it looked."] if i == 0 else said or [chance.choice(_BRIDGE)]], [_BRIDGE]))
    drafts.append(draft(f"Chapter {len(heads) + 2}: {_CHAPTERS[-1]}", "What is left.", "The desk again, in daylight.", "warm",
                        [[s.replace("{topic}", topic) for s in _END]], [_BRIDGE]))
    return drafts


def sources_for(topic: str, chance: random.Random) -> list[str]:
    """Placeholders for sources. The writer is a simulation and has read nothing; each says that it
    must be replaced."""
    kinds = ("letters and notebooks", "a printed report of the time", "a later history")
    return [f"To be replaced by a real source on {topic}: {k} (the simulated writer knows none)" for k in chance.sample(kinds, 3)]
