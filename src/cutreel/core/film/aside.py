"""Scenes that are set aside: out of the film with their words, shots and choices, at hand, and able to come back as
they were."""

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.manuscript import ids_of, read, runs_of

from .document import AsideScene, FilmDocument, OutfitHeld, Shot, clean_text
from .shots import open_at, own_pictures, scene_parts

MOST_ASIDE = 60


def set_aside(film: FilmDocument, scene: int, used: list[str]) -> str:
    """Take a scene, by its index, out of the film; returns its title. What holds to its words and shots (cues, marks,
    words on the screen, takes) stays kept under their numbers. Raises BadInput."""
    script = read(film.text)
    scenes = script.scenes
    if not scene < len(scenes):
        raise BadInput("There is no such scene.", "Load the page again.")
    told = [i for i, s in enumerate(scenes) if s.end > s.first]
    if told in ([], [scene]):
        raise BadInput("The film would be empty.", "Leave at least one scene in it.")
    if len(film.aside) >= MOST_ASIDE:
        raise BadInput(f"{MOST_ASIDE} scenes are set aside already.", "Throw one away first.")
    _, words, _ = scene_parts(film, script)
    behind = next((run[0] for run in words[scene + 1 :] if run), None)
    # A shot that goes on over the scene's ends is two.
    open_at(film, (*words[scene][:1], behind), used)
    texts, words, shots = scene_parts(film, script)
    own = set(words[scene])
    title = scenes[scene].title or f"Scene {scene + 1}"
    film.aside = [
        *film.aside,
        AsideScene(
            id=1 + max((a.id for a in film.aside), default=0),
            title=title,
            text=texts[scene],
            word_runs=list(runs_of(words[scene])),
            shots=shots[scene],
            scenes=[s for s in film.scenes if s.first in own],
            outfits=_held(film, own),
            before=behind,
        ),
    ]
    film.scenes = [s for s in film.scenes if s.first not in own]
    for person in film.cast:
        for outfit in person.outfits:
            outfit.scenes = [n for n in outfit.scenes if n not in own]
    _put(film, texts, words, shots, without=scene)
    return title


def bring_back(film: FilmDocument, aside: int, used: list[str]) -> str:
    """Put a scene that was set aside back to where it stood: before what stood behind it, else at the end. Returns its
    title. Raises NotFound."""
    kept = aside_numbered(film, aside)
    film.aside = [a for a in film.aside if a is not kept]
    script = read(film.text)
    open_at(film, (kept.before,), used)
    texts, words, shots = scene_parts(film, script)
    at = next((i for i, run in enumerate(words) if kept.before in run), len(texts))
    if at == 0 and not script.scenes[0].end_offset:
        # What opens without a heading would become a part of what comes before it.
        at = 1
    texts.insert(at, kept.text)
    words.insert(at, list(ids_of(tuple(kept.word_runs))))
    shots.insert(at, list(kept.shots))
    film.scenes = [*film.scenes, *kept.scenes]
    people = {p.id: p for p in film.cast}
    for held in kept.outfits:
        person = people.get(held.person)
        for outfit in person.outfits if person else ():
            if outfit.name == held.outfit and held.scene not in outfit.scenes:
                outfit.scenes = [*outfit.scenes, held.scene]
    _put(film, texts, words, shots)
    return kept.title


def aside_numbered(film: FilmDocument, number: int) -> AsideScene:
    """A scene that is set aside, by its number. Raises NotFound."""
    found = next((a for a in film.aside if a.id == number), None)
    if found is None:
        raise NotFound("That scene is not set aside any more.", "Load the page again.")
    return found


def _put(
    film: FilmDocument,
    texts: list[str],
    words: list[list[int]],
    shots: list[list[Shot]],
    without: int | None = None,
) -> None:
    """Let the film be of these scenes, but one."""
    left = [i for i in range(len(texts)) if i != without]
    film.text = clean_text("\n\n".join(texts[i].strip("\n") for i in left))
    film.word_runs = runs_of([n for i in left for n in words[i]])
    film.shots = own_pictures([s for i in left for s in shots[i]])
    firsts = film.word_places
    film.scenes = sorted(film.scenes, key=lambda s: firsts.get(s.first, 0))


def _held(film: FilmDocument, own: set[int]) -> list[OutfitHeld]:
    """What was worn in a scene, by its first word."""
    return [
        OutfitHeld(person=p.id, outfit=o.name, scene=n)
        for p in film.cast
        for o in p.outfits
        for n in o.scenes
        if n in own
    ]
