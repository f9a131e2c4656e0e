"""Texts for publishing, by the writer: titles for the story, the opening of the description said otherwise.

A cut in a language that no writer writes has them written in the language of its story, and then translated."""

from collections.abc import Sequence
from typing import Literal, NamedTuple

from cutreel.core.errors import BadInput
from cutreel.core.film import drafted_texts, language_spoken, opening_of
from cutreel.core.keys import key
from cutreel.core.reading import language_of
from cutreel.protocol import Offer, ScriptInput, TranslationInput, TranslationMade
from cutreel.store import Assembled

from .once import ask_once
from .workshop import Workshop
from .writing import write

WrittenField = Literal["title", "description"]
Way = Literal["tighten", "lengthen", "simpler", "vivid", "tense", "opening"]
MOST_READ = 3_900
"""Characters of the story that the writer reads for titles."""
TRANSLATED_VERSION = 1


class WrittenTexts(NamedTuple):
    """What the writer proposes for a text, the words of the wish that it could not use, and what it cost."""

    texts: list[str]
    unused: list[str]
    cost: float


class _Languages(NamedTuple):
    """The language that the writer is asked in, and the one that its words are wanted in."""

    written: str
    wanted: str


def texts_by_writer(
    shop: Workshop, film: Assembled, field: WrittenField, how: Way, seed: int
) -> WrittenTexts:
    """Titles for the story; or the description with its opening said otherwise (`how`), and chapters, sources and
    credits behind it as they are. The same wish is paid once. Raises BadInput, CutReelError."""
    document = film.document
    languages = _languages(shop, film)
    by_way = languages.written != languages.wanted
    if field == "title":
        story = document.text[:MOST_READ]
        wish = ScriptInput(task="titles", idea=story, language=languages.written, seed=seed)
        found = write(shop, wish, film.film)
        texts = [str(t).strip() for t in found.get("titles", []) if str(t).strip()][:12]
        return _translated(shop, film, languages, WrittenTexts(texts, *_told(found)))
    whole = drafted_texts(film).with_own(document.texts).description
    opening, gap, rest = whole.partition("\n\n")
    if by_way:
        opening = opening_of(film, as_written=True)
    if not opening.strip():
        raise BadInput("The description has no opening yet.", "Write one, or leave it as drafted.")
    wish = ScriptInput(task="rework", text=opening, how=how, language=languages.written, seed=seed)
    found = write(shop, wish, film.film)
    said = [str(found.get("text", opening)).strip()]
    made = _translated(shop, film, languages, WrittenTexts(said, *_told(found)))
    return made._replace(texts=[f"{text}{gap}{rest}" for text in made.texts])


def _told(found: dict[str, object]) -> tuple[list[str], float]:
    unused, cost = found["unused"], found["cost"]
    assert isinstance(unused, list) and isinstance(cost, float)
    return unused, cost


def _languages(shop: Workshop, film: Assembled) -> _Languages:
    """Raises BadInput where nobody writes the film's language, or translates into it."""
    wanted = language_spoken(film.document)
    writer = shop.offer_of("script")
    if film.document.translation is None or _speaks(writer, wanted):
        return _Languages(wanted, wanted)
    source = language_of(film.document.text)
    if not _speaks(writer, source) or not _speaks(shop.offer_of("translation"), wanted):
        raise BadInput(
            f"{writer.title} does not write this language, and nobody translates into it.",
            "Write the text yourself, or plug in a service that does.",
        )
    return _Languages(source, wanted)


def _speaks(offer: Offer, language: str) -> bool:
    return not offer.languages or bool(
        {language, language.split("-", maxsplit=1)[0]} & set(offer.languages)
    )


def _translated(
    shop: Workshop, film: Assembled, languages: _Languages, made: WrittenTexts
) -> WrittenTexts:
    if languages.written == languages.wanted or not made.texts:
        return made
    work = TranslationInput(
        source=languages.written,
        target=languages.wanted,
        passages=made.texts,
        names=list(dict.fromkeys(p.name for p in film.document.cast))[:80],
    )
    name = key("translated text", TRANSLATED_VERSION, wish=work.model_dump(mode="json"))
    found, answer = ask_once(
        shop, "translation", work, name, film.film, lambda data: _all_of(data, made.texts)
    )
    return WrittenTexts(found.passages, made.unused, made.cost + answer.cost)


def _all_of(data: object, texts: Sequence[str]) -> TranslationMade:
    """What a translator answered. Raises ValueError where it is not as much as was sent."""
    found = TranslationMade.model_validate(data)
    if len(found.passages) != len(texts):
        raise ValueError("not as many as were sent")
    return found
