"""A film's texts drafted from what is known of it, and thumbnails proposed."""

import re
from collections import Counter
from collections.abc import Collection, Iterator, Mapping
from typing import NamedTuple

from cutreel.core.publishing import (
    Chapter,
    Texts,
    Thumbnail,
    chapters_told,
    hashtag_of,
    plan_chapters,
)

from .assembled import Assembled
from .heads import heads_in
from .reading import ReadShot

MOST_HOOK = 150
"""Characters that are read before a description is unfolded (common practice)."""
MOST_WORDS = 4
"""On a thumbnail (common practice)."""
NEAR = 2
"""Shots on either side that words over a picture may be from, where the same people are seen."""
STRONG = ("uneasy", "eerie", "tense", "sad", "hopeful", "playful", "wondering")
PART, SOURCES, CREDITS = "Part", "Sources", "Credits"
DISCLOSED = "Pictures, voices and music of this film were made by machine, from this story."


FIXED = (PART, SOURCES, CREDITS, DISCLOSED)
"""Words that are put around what a film says of itself."""


def chapters_of(film: Assembled) -> list[Chapter]:
    """A film's chapters, from its scenes."""
    scenes = film.read.script.scenes
    starts: dict[int, float] = {}
    for shot, span in zip(film.read.shots, film.spans, strict=True):
        starts.setdefault(shot.scene, film.rate.seconds(span.start))
    told = [
        Chapter(
            at,
            _heading(film.document.shown(scenes[number].title))
            or f"{film.document.shown(PART)} {n}",
        )
        for n, (number, at) in enumerate(sorted(starts.items(), key=lambda s: s[1]), 1)
    ]
    return plan_chapters(told, film.seconds)


def _heading(title: str) -> str:
    """A scene's heading as a viewer reads it: without the hour and weather behind its dash."""
    return re.split(r"\s+[—–-]\s+", title.strip())[0].strip(" .,:")


def drafted_texts(film: Assembled) -> Texts:
    """Title, description, tags and hashtags from the film itself."""
    tags = _tags(film)
    hashtags = [h for h in (hashtag_of(t) for t in tags[:3]) if h]
    return Texts(
        title=titles_for(film)[0],
        description=_description(film, hashtags),
        tags=tags,
        hashtags=hashtags,
    )


def titles_for(film: Assembled) -> list[str]:
    """Titles that the film gives a reason for: its name alone, with whom it is about, with a question."""
    name = film.document.shown(film.document.title).strip()
    people = [p.name for p in film.document.cast if p.kind == "person"][:2]
    out = [name]
    about = " and ".join(p for p in people if p.lower() not in name.lower())
    if about:
        out.append(f"{name}: a story of {about}")
    asked = next((s for s in _sentences(film) if s.endswith("?") and len(s) <= 60), None)
    if asked:
        out.append(f"{asked} {name}")
    short = next((w for w in words_for(film) if w.lower() not in name.lower()), None)
    if short:
        out.append(f"{short} | {name}")
    return [t for t in dict.fromkeys(out) if t]


def _sentences(film: Assembled) -> list[str]:
    text = " ".join(film.shot_text(i) for i in range(len(film.read.shots)))
    return [s.strip() for s in re.findall(r"[^.!?…]+[.!?…]+[”\"’')]*", text) if s.strip()]


def _hook(film: Assembled) -> str:
    """The opening, as many whole sentences as are seen at first."""
    out = ""
    for sentence in _sentences(film):
        if out and len(out) + 1 + len(sentence) > MOST_HOOK:
            break
        out = f"{out} {sentence}".strip()
    if len(out) > MOST_HOOK:
        out = out[: MOST_HOOK - 2].rsplit(" ", 1)[0].rstrip(",;:") + " …"
    return out


def _description(film: Assembled, hashtags: list[str]) -> str:
    shown = film.document.shown
    parts = [_hook(film)]
    chapters = chapters_of(film)
    if chapters:
        parts.append(chapters_told(chapters))
    if film.document.sources:
        parts.append(
            f"{shown(SOURCES)}:\n" + "\n".join(f"- {s.text}" for s in film.document.sources)
        )
    if credits := credits_of(film):
        parts.append(f"{shown(CREDITS)}:\n" + "\n".join(f"- {c}" for c in credits))
    parts.append(shown(DISCLOSED))
    if hashtags:
        parts.append(" ".join(hashtags))
    return "\n\n".join(p for p in parts if p)


def credits_of(film: Assembled) -> list[str]:
    """Whom sounds and music of others are owed to, and under which licence, those that are heard; then whom services
    ask to be named for what the film uses of them, and what that may be used for."""
    heard = {c.own for c in film.cues if c.own}
    own = [
        f"{s.name}: {s.credit or 'no name given'}" + (f" ({s.licence})" if s.licence else "")
        for s in film.document.own_sounds
        if s.media in heard
    ]
    return [*own, *dict.fromkeys(_owed(r) for r in _rights_in(film))]


def _rights_in(film: Assembled) -> Iterator[Mapping[str, str]]:
    """What was told of the rights in each picture, clip, line, sound and piece of music that the film uses."""
    data = [
        *(t.about for t in film.used if t is not None),
        *(r.data for r in film.spoken.values()),
        *(r.data for r in film.sounds.values()),
    ]
    for about in data:
        rights = about.get("rights")
        if isinstance(rights, dict) and rights.get("by"):
            yield rights


def _owed(rights: Mapping[str, str]) -> str:
    terms = rights.get("terms", "")
    return f"{rights['by']}: {rights.get('credit') or 'no name asked for'}" + (
        f" ({terms})" if terms else ""
    )


def lacking_licences(film: Assembled) -> list[str]:
    """Sounds of others that are heard and say neither by whom they are nor under which licence."""
    heard = {c.own for c in film.cues if c.own}
    return [
        s.name for s in film.document.own_sounds if s.media in heard and not (s.licence or s.credit)
    ]


def _tags(film: Assembled) -> list[str]:
    """Words by which the film is looked for: its name, whom and where it is about, what is spoken of most."""
    nouns: Counter[str] = Counter()
    for parsed in film.read.parses.values() if not film.said.pieces else ():
        for token in parsed.tokens:
            if token.pos == "NOUN" and len(token.lemma) > 3 and token.lemma.isalpha():
                nouns[token.lemma.lower()] += 1
    names = [p.name for p in film.document.cast]
    places = [p.name for p in film.document.places]
    kind = "documentary" if film.document.settings.kind == "documentary" else "animated story"
    common = [w for w, n in nouns.most_common(8) if n > 1]
    wanted = [film.document.shown(film.document.title), *names[:4], *places[:3], *common, kind]
    out: dict[str, str] = {}
    for told in wanted:
        tag = re.sub(r"[,<>#]+", " ", told).strip()
        if tag and tag.lower() not in out and len(", ".join([*out.values(), tag])) <= 500:
            out[tag.lower()] = tag
    return list(out.values())


class _Said(NamedTuple):
    """Few words that are said in a shot (its index), and how strong they are."""

    worth: float
    words: str
    shot: int


def _short_said(film: Assembled) -> list[_Said]:
    """Short things that are said, the strongest first: where a mood is rare, and what is asked or called out."""
    moods = Counter(s.facts.mood for s in film.read.shots)
    found: list[_Said] = []
    for i, shot in enumerate(film.read.shots):
        strength = 1 / moods[shot.facts.mood] + (shot.facts.mood in STRONG)
        for sentence in re.findall(r"[^.!?…“”\"]+[.!?…]", film.shot_text(i)):
            words = sentence.strip().rstrip(".,")
            if 2 <= len(words.split()) <= MOST_WORDS and len(words) <= 24:
                found.append(_Said(strength + words.endswith(("?", "!")), words, i))
    return sorted(found, key=lambda f: -f.worth)


def _name_short(film: Assembled) -> str:
    name = re.sub(r"^(The|A|An) ", "", film.document.shown(film.document.title))
    return " ".join(name.split()[:MOST_WORDS])


def words_for(film: Assembled) -> list[str]:
    """Few words for a thumbnail: short things that are said, the strongest first, and the film's name."""
    return list(dict.fromkeys([*(s.words for s in _short_said(film)), _name_short(film)]))


def _words_over(film: Assembled, at: int, used: Collection[str]) -> str:
    """Words for the picture of a shot: what is said in it or around it, else what is asked or called out anywhere, else
    the film's name, once, and then what names nobody."""
    said = [s for s in _short_said(film) if s.words not in used]
    people = film.read.shots[at].facts.people
    near = [s for s in said if s.shot == at] + [
        s
        for s in said
        if abs(s.shot - at) <= NEAR and film.read.shots[s.shot].facts.people == people
    ]
    called = [s for s in said if s.words.endswith(("?", "!"))]
    name = _name_short(film)
    named = {w.lower() for p in film.document.cast for c in (p.name, *p.aliases) for w in c.split()}
    # Words that name somebody belong to a picture of them.
    loose = [s for s in said if not named & set(s.words.lower().split())]
    found = next((s.words for s in (*near, *called)), None)
    if found is None:
        found = name if name not in used else next((s.words for s in loose), name)
    return found


def proposed_thumbnails(film: Assembled, count: int = 3) -> list[Thumbnail]:
    """Thumbnails by rule: one subject, near enough that the face is large, few words where nobody is; each of another
    shot, the first behind its figure where that is known apart."""
    ranked = sorted(
        (
            (_worth(film, i), -i)
            for i, take in enumerate(film.used)
            if take is not None and film.read.shots[i].shot.id not in film.plates
        ),
        reverse=True,
    )
    colours = ("#fff3c4", "#ffd23f", "#ffffff")
    out: list[Thumbnail] = []
    seen: list[tuple[object, ...]] = []
    for differ in (True, False):
        for _, negative in ranked:
            shot = film.read.shots[-negative]
            sort = (shot.facts.people, shot.scene)
            if (
                len(out) < count
                and shot.shot.id not in [t.shot for t in out]
                and (not differ or sort not in seen)
            ):
                seen.append(sort)
                said = _words_over(film, -negative, [t.words for t in out])
                out.append(_framed(film, shot, -negative, said, colours[len(out) % 3]))
    return out


def _worth(film: Assembled, i: int) -> float:
    """How good a thumbnail a shot's picture makes."""
    take, facts = film.used[i], film.read.shots[i].facts
    if take is None:
        return -1.0
    heads = heads_in(take)
    largest = max((h.low - h.top for h in heads), default=0.0)
    alone = {0: 0.25, 1: 1.0, 2: 0.6}.get(len(heads), 0.3)
    return (
        min(0.5, largest) * 2
        + alone
        + 0.4 * (facts.mood in STRONG)
        + 0.2 * (facts.framing == "close")
    )


def _framed(film: Assembled, shot: ReadShot, i: int, words: str, colour: str) -> Thumbnail:
    """A shot's picture so near that its largest face is large, with room for words beside it."""
    take = film.used[i]
    heads = heads_in(take) if take is not None else []
    if not heads:
        return Thumbnail(shot=shot.shot.id, words=words, side="bottom", colour=colour, size=0.2)
    head = max(heads, key=lambda h: h.low - h.top)
    tall = max(0.02, head.low - head.top)
    zoom = round(min(2.4, max(1.0, 0.42 / tall)), 2)
    left = head.x > 0.5
    # The face stands a third from its side, a little above the middle.
    x = head.x + (-0.2 if left else 0.2) / zoom
    y = (head.top + head.low) / 2 + 0.08 / zoom
    half = 0.5 / zoom
    return Thumbnail(
        shot=shot.shot.id,
        words=words,
        side="left" if left else "right",
        colour=colour,
        zoom=zoom,
        x=round(min(1 - half, max(half, x)), 3),
        y=round(min(1 - half, max(half, y)), 3),
    )
