"""Everything that a job works with, in one place."""

import time
from dataclasses import dataclass, field

from cutreel.core.errors import CutReelError
from cutreel.core.film import FilmDocument
from cutreel.core.sound import Kept
from cutreel.protocol import Offer
from cutreel.services import Services, services_from_environment
from cutreel.store import (
    Assembled,
    CompanyStore,
    Database,
    FilmStore,
    MediaStore,
    OfferStore,
    ParseStore,
    ResultStore,
    RunStore,
    SlotStore,
    SpendStore,
    StyleStore,
    TakeStore,
    WholeStore,
    assembled_film,
    database_from_environment,
    kept_from_environment,
    media_from_environment,
)

from .parsing import parses_of
from .queue import Queue
from .registry import Registry, offer_for

OFFERS_FOR = 3.0
"""Seconds for which offers are taken as known."""


def _known() -> Registry:
    from .known import REGISTRY  # here, since every kind knows the workshop

    return REGISTRY


def _in_memory() -> Kept:
    kept: dict[str, bytes] = {}
    return kept


@dataclass(eq=False)
class Workshop:
    """Stores and services; `kept` is what was measured of sound."""

    database: Database
    media: MediaStore
    services: Services
    registry: Registry = field(default_factory=_known, repr=False)
    kept: Kept = field(default_factory=_in_memory, repr=False)
    _offers: tuple[float, list[Offer]] = field(default=(-1e9, []), repr=False)

    def __post_init__(self) -> None:
        self.films = FilmStore(self.database)
        self.results = ResultStore(self.database)
        self.takes = TakeStore(self.database)
        self.runs = RunStore(self.database)
        self.spending = SpendStore(self.database)
        self.company = CompanyStore(self.database)
        self.styles = StyleStore(self.database)
        self.whole = WholeStore(self.database, self.films)
        self.parses = ParseStore(self.database)
        self.kept_offers = OfferStore(self.database)
        self.slots = SlotStore(self.database)
        self.queue = Queue(self.database.address)

    def offers(self) -> list[Offer]:
        """Offers now, or as last seen when the services do not answer."""
        at, offers = self._offers
        if time.monotonic() - at > OFFERS_FOR:
            try:
                offers = self.services.offers()
                self.kept_offers.put(offers)
            except CutReelError:
                offers = offers or self.kept_offers.get()
            self._offers = (time.monotonic(), offers)
        return offers

    def offer_of(self, kind: str) -> Offer:
        """The first offer of a kind of work. Raises CutReelError when there is none."""
        found = offer_for(kind, self.offers())
        if found is None:
            raise CutReelError(f"No service offers {kind}.", "See that the services run.")
        return found

    def parallel(self, offer: str) -> int:
        """How many jobs at once an offer takes."""
        return next((o.parallel for o in self.offers() if o.name == offer), 1)

    def assembled(self, film: str) -> Assembled:
        """The film as it stands."""
        document = self.films.get(film).document
        return self.laid_out(film, document)

    def laid_out(self, film: str, document: FilmDocument) -> Assembled:
        """A film as `document` has it, read whole."""
        parses, _ = parses_of(document, self.parses)
        return assembled_film(film, document, self.offers(), self.results, self.takes, parses)


def workshop_from_environment() -> Workshop:
    """The workshop that the environment names."""
    return Workshop(
        database_from_environment(),
        media_from_environment(),
        services_from_environment(),
        kept=kept_from_environment(),
    )
