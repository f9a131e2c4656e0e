"""Keeping shots with their words: found, rebuilt around new marks, carried through edits and moves
of the text."""

import re
from collections.abc import Iterable, Mapping, Sequence
from itertools import pairwise

from cutreel.core.continuity import Person
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.manuscript import Manuscript, carry_ids, places_of, read, runs_of

from .document import FilmDocument, Shot, WordedShot, clean_text
from .edges import label_between


def worded(film: FilmDocument) -> list[WordedShot]:
    """The shots that have words, in order."""
    return [s for s in film.shots if s.first is not None]  # type: ignore[misc]


def shot_numbered(film: FilmDocument, number: int) -> tuple[int, Shot]:
    """A shot by its number, with its index, to be changed: shots are shared with the film as it was
    until one is asked for. Raises NotFound."""
    for i, shot in enumerate(film.shots):
        if shot.id == number:
            film.shots[i] = own_copy(shot)
            return i, film.shots[i]
    raise NotFound("That shot is not in the film any more.", "Load the page again.")


def rebuilt_shots(
    film: FilmDocument, firsts: list[int], used: list[str], by_hand: frozenset[int] = frozenset()
) -> None:
    """Let the film have shots that open at the word numbers `firsts`, in order. Shots that stay
    keep everything; new ones get an edge number after the shot before them, added to `used`. Shots
    without words stay behind theirs."""
    old = {shot.first: shot for shot in worded(film)}
    order = film.word_places
    holds = _holds(film)
    shots: list[Shot] = []
    for i, first in enumerate(firsts):
        shot: Shot | None = old.get(first)
        if shot is None:
            edge = label_between(shots[-1].edge if shots else None, used)
            used.append(edge)
            shot = Shot(id=film.next_shot, edge=edge, first=first, by_hand=first in by_hand)
            film.next_shot += 1
        shots.append(shot)
        until = order[firsts[i + 1]] if i + 1 < len(firsts) else len(order)
        shots += [hold for host, hold in holds if order[first] <= order.get(host, -1) < until]
    film.shots = own_pictures(shots)


def own_pictures(shots: list[Shot]) -> list[Shot]:
    """The shots, with pictures of their own where the shot that lent its picture is gone."""
    alive = {s.id for s in shots}
    return [
        s.model_copy(update={"same_as": None})
        if s.same_as is not None and s.same_as not in alive
        else s
        for s in shots
    ]


def own_copy(shot: Shot) -> Shot:
    """A copy of a shot that may be changed."""
    own, rejected = shot.own.model_copy(), dict(shot.rejected)
    return shot.model_copy(update={"own": own, "rejected": rejected})


def _holds(film: FilmDocument) -> list[tuple[int, Shot]]:
    """Shots without words, each with the word number at which the shot before them opens."""
    out: list[tuple[int, Shot]] = []
    host = -1
    for shot in film.shots:
        if shot.first is None:
            out.append((host, shot))
        else:
            host = shot.first
    return out


def retext(
    film: FilmDocument, text: str, used: list[str], known: Sequence[int | None] | None = None
) -> None:
    """Give the film a new text: words that stay keep their numbers, marks move with them.

    `known` says for each word of the new text which number it keeps (None: a new one); without it
    the words are compared. A mark whose word is gone stands before what came in its place, else
    before the next word that stayed; marks that meet become one.
    """
    text = clean_text(text)
    before, after = read(film.text), read(text)
    if not after.words:
        raise BadInput("The manuscript cannot be empty.", "Leave at least one word to tell.")
    old_ids = film.word_ids
    if known is not None and len(known) == len(after.words):
        free = film.next_word
        fresh: list[int] = []
        for number in known:
            fresh.append(free if number is None else number)
            free += number is None
        film.word_runs, film.next_word = runs_of(fresh), free
    else:
        film.word_runs, film.next_word = carry_ids(
            [w.text for w in before.words], old_ids, [w.text for w in after.words], film.next_word
        )
    ids = film.word_ids
    film.text = text
    _carry_anchors(film, old_ids, ids)
    order = film.word_places
    _settle_scenes(film, after, ids, order)
    scene_firsts = {ids[s.first] for s in after.scenes if 0 < s.first < len(ids)}
    have = {s.first for s in worded(film)}
    if scene_firsts - have:
        rebuilt_shots(film, sorted(have | scene_firsts, key=order.__getitem__), used)
    names = {p.name.lower() for p in film.cast} | {a.lower() for p in film.cast for a in p.aliases}
    for speaker in after.speakers:
        if speaker.lower() not in names and not re.match(r"unknown", speaker, re.I):
            film.cast.append(
                Person(id=1 + max((p.id for p in film.cast), default=0), name=speaker, why="speaks")
            )


def _carry_anchors(film: FilmDocument, old_ids: Sequence[int], ids: Sequence[int]) -> None:
    """Move shots, scene choices and sources off words that are gone."""
    order = stayed = film.word_places
    place = places_of(tuple(runs_of(old_ids)))
    firsts = [place[s.first] for s in worded(film)] + [len(old_ids)]
    taken: set[int] = set()
    kept: list[tuple[int, Shot]] = []
    at = -1
    for shot in film.shots:
        if shot.first is None:
            kept.append((kept[-1][0] if kept else 0, shot))
            continue
        at += 1
        first = _opens_now(old_ids, firsts[at], firsts[at + 1], ids, order)
        if first is not None and first not in taken:
            taken.add(first)
            stays = first == shot.first
            kept.append((order[first], shot if stays else shot.model_copy(update={"first": first})))
    kept.sort(key=lambda pair: pair[0])
    shots = [shot for _, shot in kept]
    while shots and shots[0].first is None:
        shots.append(shots.pop(0))
    if all(s.first is None for s in shots):
        shots = [film.shots[0]]
    if shots[0].first != ids[0]:
        shots[0] = shots[0].model_copy(update={"first": ids[0]})
    film.shots = own_pictures(shots)
    for scene in film.scenes:
        scene.first = next((n for n in old_ids[place.get(scene.first, 0) :] if n in stayed), 0)
    for outfit in (o for p in film.cast for o in p.outfits):
        outfit.scenes = [
            next((n for n in old_ids[place.get(s, 0) :] if n in stayed), 0) for s in outfit.scenes
        ]
        if outfit.since is not None:
            # Its word was taken out: it holds from the next on.
            behind = old_ids[place.get(outfit.since, len(old_ids)) :]
            outfit.since = next((n for n in behind if n in stayed), None)
    for source in list(film.sources):
        left = [
            n
            for n in old_ids[place.get(source.first, 0) : place.get(source.last, -1) + 1]
            if n in stayed
        ]
        if left:
            source.first, source.last = left[0], left[-1]


def _settle_scenes(
    film: FilmDocument, script: Manuscript, ids: Sequence[int], order: Mapping[int, int]
) -> None:
    """Let what holds for scenes hold to the first words that they have now; of two that met, the
    later one goes."""

    def first(number: int) -> int:
        return ids[script.scenes[script.words[order[number]].scene].first] if number in order else 0

    for scene in film.scenes:
        scene.first = first(scene.first)
    film.scenes = list({s.first: s for s in reversed(film.scenes) if s.first}.values())[::-1]
    for outfit in (o for p in film.cast for o in p.outfits):
        outfit.scenes = list(dict.fromkeys(n for n in map(first, outfit.scenes) if n))


def _opens_now(
    old_ids: Sequence[int], start: int, end: int, ids: Sequence[int], order: Mapping[int, int]
) -> int | None:
    """The number of the word that now opens the shot of the old words `start` up to `end`; None
    when it is gone."""
    if old_ids[start] in order:
        return old_ids[start]
    before = next((order[n] for n in reversed(old_ids[:start]) if n in order), -1)
    own = set(old_ids[start:end])
    here = ids[before + 1] if before + 1 < len(ids) else None
    came_in = here is not None and (here in own or here not in set(old_ids))
    return here if came_in else next((n for n in old_ids[start:end] if n in order), None)


def scene_parts(
    film: FilmDocument, script: Manuscript
) -> tuple[list[str], list[list[int]], list[list[Shot]]]:
    """The text of each scene with its heading, the numbers of its words, and its shots."""
    scenes = script.scenes
    starts = [s.start_offset if s.end_offset else 0 for s in scenes] + [len(film.text)]
    starts[0] = 0
    texts = [film.text[a:b] for a, b in pairwise(starts)]
    ids, order = film.word_ids, film.word_places
    words = [list(ids[s.first : s.end]) for s in scenes]
    shots: list[list[Shot]] = [[] for _ in scenes]
    here = 0
    for shot in film.shots:
        if shot.first is not None:
            here = script.words[order[shot.first]].scene
        shots[here].append(shot)
    return texts, words, shots


def open_at(film: FilmDocument, words: Iterable[int | None], used: list[str]) -> None:
    """Let shots open at words, by their numbers, as far as they are in the film."""
    order = film.word_places
    opens = {s.first for s in worded(film)}
    wanted = {n for n in words if n is not None and n in order}
    if wanted - opens:
        rebuilt_shots(film, sorted(opens | wanted, key=order.__getitem__), used)


def move_words(
    film: FilmDocument, script: Manuscript, scene: int, to: int, used: list[str]
) -> None:
    """Move a scene's text with its words, shots and holds to where another scene stands now."""
    _, words, _ = scene_parts(film, script)
    others = [run for n, run in enumerate(words) if n != scene]
    begins = (words[scene:], others[scene:], others[to:])
    # A shot that goes on over an end of the scene, or over where it goes, is two.
    open_at(film, [next((run[0] for run in runs if run), None) for runs in begins], used)
    texts, words, shots = scene_parts(film, script)
    texts.insert(to, texts.pop(scene))
    words.insert(to, words.pop(scene))
    shots.insert(to, shots.pop(scene))
    film.text = clean_text("\n\n".join(t.strip("\n") for t in texts))
    film.word_runs = runs_of([n for run in words for n in run])
    film.shots = [s for row in shots for s in row]
