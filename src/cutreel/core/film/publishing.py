"""A film's texts drafted from what is known of it."""

import re
from collections import Counter
from collections.abc import Iterator, Mapping

from cutreel.core.publishing import Chapter, Texts, chapters_told, hashtag_of, plan_chapters

from .assembled import Assembled
from .thumbnails import words_for

MOST_HOOK = 150
"""Characters that are read before a description is unfolded (common practice)."""
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


def _sentences(film: Assembled, as_written: bool = False) -> list[str]:
    shots = film.read.shots
    text = " ".join(s.text if as_written else film.shot_text(i) for i, s in enumerate(shots))
    return [s.strip() for s in re.findall(r"[^.!?…]+[.!?…]+[”\"’')]*", text) if s.strip()]


def opening_of(film: Assembled, as_written: bool = False) -> str:
    """How the story opens, as many whole sentences as are seen of a description at first; in the language it is said
    in, or in that of the manuscript."""
    out = ""
    for sentence in _sentences(film, as_written):
        if out and len(out) + 1 + len(sentence) > MOST_HOOK:
            break
        out = f"{out} {sentence}".strip()
    if len(out) > MOST_HOOK:
        out = out[: MOST_HOOK - 2].rsplit(" ", 1)[0].rstrip(",;:") + " …"
    return out


def _description(film: Assembled, hashtags: list[str]) -> str:
    shown = film.document.shown
    parts = [opening_of(film)]
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
    """What was told of the rights in each picture, clip, line, sound and piece of music that the film uses, and in the
    pictures of its kept thumbnails."""
    kept = {t.picture for t in film.document.thumbnails}
    data = [
        *(t.about for t in film.used if t is not None),
        *(r.data for r in film.spoken.values()),
        *(r.data for r in film.sounds.values()),
        *({"rights": p.rights} for p in film.document.thumbnail_pictures if p.media in kept),
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
