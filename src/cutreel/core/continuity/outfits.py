"""What somebody wears when: outfits hold for scenes or shots and take the place of the traits they
speak of."""

from .model import Person


def dressed(person: Person, scene: int, shot: int = 0) -> Person:
    """A person as dressed in the scene whose first word has the number `scene`, in the shot
    numbered `shot`; an outfit of the shot goes before that of its scene.

    The traits of the outfit worn there stand in place of the person's traits about the same things;
    the others stay.
    """
    of_shot = (o for o in person.outfits if shot in o.shots)
    outfit = next(of_shot, None) or next((o for o in person.outfits if scene in o.scenes), None)
    if outfit is None:
        return person
    about = {t.about.strip().lower() for t in outfit.traits}
    kept = [t for t in person.traits if t.about.strip().lower() not in about]
    return person.model_copy(update={"traits": [*kept, *outfit.traits]})
