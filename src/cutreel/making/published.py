"""Texts for publishing, by the writer: titles for the story, the opening of the description said otherwise."""

from typing import Literal, NamedTuple

from cutreel.core.errors import BadInput
from cutreel.core.film import drafted_texts, language_spoken
from cutreel.protocol import ScriptInput
from cutreel.store import Assembled

from .workshop import Workshop
from .writing import write

WrittenField = Literal["title", "description"]
Way = Literal["tighten", "lengthen", "simpler", "vivid", "tense", "opening"]
MOST_READ = 3_900
"""Characters of the story that the writer reads for titles."""


class WrittenTexts(NamedTuple):
    """What the writer proposes for a text, the words of the wish that it could not use, and what it cost."""

    texts: list[str]
    unused: list[str]
    cost: float


def texts_by_writer(
    shop: Workshop, film: Assembled, field: WrittenField, how: Way, seed: int
) -> WrittenTexts:
    """Titles for the story; or the description with its opening said otherwise (`how`), and chapters, sources and
    credits behind it as they are. The same wish is paid once. Raises BadInput, CutReelError."""
    document = film.document
    language = language_spoken(document)
    if field == "title":
        story = document.text[:MOST_READ]
        wish = ScriptInput(task="titles", idea=story, language=language, seed=seed)
        found = write(shop, wish, film.film)
        texts = [str(t) for t in found.get("titles", []) if str(t).strip()]
        return WrittenTexts(texts[:12], list(found["unused"]), float(found["cost"]))
    whole = drafted_texts(film).with_own(document.texts).description
    opening, gap, rest = whole.partition("\n\n")
    if not opening.strip():
        raise BadInput("The description has no opening yet.", "Write one, or leave it as drafted.")
    wish = ScriptInput(task="rework", text=opening, how=how, language=language, seed=seed)
    found = write(shop, wish, film.film)
    return WrittenTexts(
        [f"{str(found.get('text', opening)).strip()}{gap}{rest}"],
        list(found["unused"]),
        float(found["cost"]),
    )
