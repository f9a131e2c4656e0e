"""Translation: passages of a story, and words on its screen, in the language of a cut."""

import json
from collections.abc import Iterator, Sequence
from decimal import Decimal
from typing import ClassVar, Literal

from pydantic import Field

from cutreel.core.errors import BadInput
from cutreel.core.film import (
    FilmDocument,
    PassageRow,
    ScreenRow,
    language_spoken,
    passage_rows,
    screen_rows,
)
from cutreel.core.film.commands import Translate
from cutreel.core.reading import language_of
from cutreel.core.translation import Shown, Translated
from cutreel.protocol import Offer, TranslationInput, TranslationMade
from cutreel.store import Assembled, ItemSpec, Result

from ..changing import change_now
from ..registry import Kind, Made, RunKind, Spec, Stage, Wanted, item, offer_for
from ..work import Work
from ..workshop import Workshop

USUAL_PORTION, MOST_TOGETHER = 4_000, 200
"""Characters that are asked for at once where a service names no cap, and passages."""


class TranslationSpec(Spec):
    """Some passages, by the numbers of their first words (None: words on the screen), with what they say."""

    kind: ClassVar[str] = "translation"
    made_of: ClassVar[frozenset[str] | None] = frozenset({"source", "target", "texts", "offer"})
    source: str
    target: str
    texts: tuple[str, ...]
    words: tuple[int | None, ...]
    names: tuple[str, ...] = ()
    offer: str


class TranslationKind(Kind[TranslationSpec]):
    spec = TranslationSpec

    def make(self, spec: TranslationSpec, work: Work) -> Made | None:
        job = TranslationInput(
            source=spec.source,
            target=spec.target,
            passages=list(spec.texts),
            names=list(spec.names),
        )
        done = work.ask(spec.offer, job, spec)
        if done is None:
            return None
        try:
            made = TranslationMade.model_validate(json.loads(done.files[0][1]))
        except (ValueError, IndexError) as error:
            raise BadInput("The translator returned something unreadable.", "Ask again.") from error
        if len(made.passages) != len(spec.texts):
            raise BadInput(
                f"{len(spec.texts)} passages were sent to the translator, and {len(made.passages)} came back.",
                "Ask again, or take the table out and have it filled in.",
            )
        return Made(None, {"passages": made.passages}, done.cost)

    def place(self, spec: TranslationSpec, made: Result, cost: Decimal, work: Work) -> None:
        """What came back, where the maker wrote nothing meanwhile."""
        change_now(
            work.shop, work.film, lambda film: _still_open(film, spec, made.data["passages"])
        )

    def price(self, spec: TranslationSpec, offers: Sequence[Offer]) -> Decimal:
        offer = offer_for("translation", offers, spec.offer)
        if offer is None:
            return Decimal(0)
        count = sum(map(len, spec.texts)) if offer.price.per == "character" else 1
        return offer.price.amount * count


def _still_open(film: FilmDocument, spec: TranslationSpec, made: Sequence[str]) -> Translate | None:
    """What of a translation has no words yet in the film, as a change."""
    known = film.translation
    if known is None:
        return None
    said = {t.word: t for t in known.passages}
    shown = {s.source for s in known.shown}
    passages, screen = [], []
    for number, source, text in zip(spec.words, spec.texts, made, strict=True):
        if number is None and source not in shown:
            screen.append(Shown(source=source, text=text, by="service"))
        elif number is not None and (number not in said or said[number].source != source):
            passages.append(Translated(word=number, source=source, text=text, by="service"))
    return Translate(passages=passages, shown=screen) if passages or screen else None


class TranslationWanted(Wanted):
    """All that is not translated, or was translated from other words; or only the passages whose first words have the
    numbers `words`."""

    kind: Literal["translation"] = "translation"
    words: list[int] = Field([], max_length=20_000)


def passages_wanted(film: Assembled, wanted: TranslationWanted, shop: Workshop) -> list[ItemSpec]:
    """What is to be translated, some passages at a time. Raises BadInput where nothing is, or nobody translates."""
    if film.document.translation is None:
        raise BadInput(
            "This cut is in the language of its manuscript.", "Keep it in another language first."
        )
    offer = shop.offer_of("translation")
    target, source = language_spoken(film.document), language_of(film.document.text)
    if offer.languages and target.split("-")[0] not in offer.languages:
        raise BadInput(
            f"{offer.title} does not write this language.",
            "Take the table out, have it filled in, and bring it back.",
        )
    only = set(wanted.words)
    rows = [
        r
        for r in passage_rows(film.read)
        if (r.passage.word in only if only else r.made is None or r.stale)
    ]
    screen = [] if only else [r for r in screen_rows(film, film.document.translation) if not r.made]
    names = tuple(dict.fromkeys(p.name for p in film.document.cast))[:80]
    out = []
    for texts, words in _portions(rows, screen, offer.caps.text_characters or USUAL_PORTION):
        spec = TranslationSpec(
            source=source, target=target, texts=texts, words=words, names=names, offer=offer.name
        )
        out.append(item(spec, f"translate “{texts[0][:40]}”", weight=max(0.5, offer.seconds_each)))
    return out


def _portions(
    rows: Sequence[PassageRow], screen: Sequence[ScreenRow], cap: int
) -> Iterator[tuple[tuple[str, ...], tuple[int | None, ...]]]:
    texts: list[str] = []
    words: list[int | None] = []
    told = [(r.passage.text, r.passage.word) for r in rows] + [(s.words, None) for s in screen]
    for text, word in told:
        if texts and (
            sum(map(len, texts)) + len(texts) + len(text) > cap or len(texts) >= MOST_TOGETHER
        ):
            yield tuple(texts), tuple(words)
            texts, words = [], []
        texts.append(text)
        words.append(word)
    if texts:
        yield tuple(texts), tuple(words)


TRANSLATION_RUN = RunKind(TranslationWanted, lambda wanted: [Stage("translate", passages_wanted)])
