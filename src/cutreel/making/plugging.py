"""What is plugged in, as makers: built of its settings, built anew when they change."""

import json
import os
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import UTC, datetime

from pydantic import ValidationError

from cutreel.bridge import (
    Described,
    DescribedMaker,
    Exchange,
    HandMaker,
    In,
    Maker,
    Plugged,
    Program,
    ProgramMaker,
    Secrets,
    Spoken,
    client_for,
)
from cutreel.core.errors import CutReelError
from cutreel.protocol import JobInput, Quota
from cutreel.services import Services
from cutreel.store import (
    DAY,
    CallbackStore,
    HandStore,
    MediaStore,
    ServiceStore,
    SpendStore,
    begin_of,
)

USUAL_PORT = "8420"
"""Where this studio listens, unless CUTREEL_PORT says otherwise."""
CALLBACKS = "/api/callbacks/"


@dataclass(frozen=True)
class _Hand:
    """The list of what is made by hand, with the files that were brought."""

    hand: HandStore
    media: MediaStore

    def brought(self, key: str) -> bytes | None:
        name = self.hand.brought(key)
        return None if name is None else self.media.get(name)

    def put(self, key: str, service: str, work: JobInput) -> bool:
        return self.hand.put(
            key, service, work.model_dump(mode="json", exclude_defaults=True) | {"kind": work.kind}
        )


@dataclass(frozen=True)
class _Calls:
    """Where services call back. `address` is where this studio listens."""

    store: CallbackStore
    media: MediaStore
    address: str

    def open(self, key: str, reach: str) -> tuple[str, bool]:
        call = self.store.open(key)
        return f"{(reach or self.address).rstrip('/')}{CALLBACKS}{call.token}", bool(call.sent)

    def note_sent(self, key: str) -> None:
        self.store.note_sent(key)

    def came(self, key: str) -> bytes | None:
        media = self.store.look(key).media
        return None if media is None else self.media.get(media)

    def close(self, key: str) -> None:
        self.store.close(key)


@dataclass(frozen=True)
class _Limits:
    """What a service told of how many pieces are left."""

    services: ServiceStore
    service: str

    def note(self, left: int, renews: datetime) -> None:
        self.services.note_left(self.service, left, renews)

    def told(self) -> Quota | None:
        told = self.services.left(self.service)
        return None if told is None else Quota(limit=told[1], left=told[0], renews_at=told[2])


@dataclass(eq=False)
class Sockets:
    """Everything that is plugged in."""

    services: ServiceStore
    spending: SpendStore
    hand: HandStore
    media: MediaStore
    secrets: Secrets
    calls: CallbackStore

    def __post_init__(self) -> None:
        self._built: dict[str, tuple[str, In]] = {}

    def all(self) -> list[In]:
        """Every maker that is plugged in and can be used; one whose settings make no sense any more, or whose key
        cannot be opened, is left out, and the page says so."""
        found: list[In] = []
        for kept in self.services.all():
            stamp = json.dumps(kept.settings, sort_keys=True) + repr(kept.sealed)
            name = str(kept.settings.get("id"))
            known = self._built.get(name)
            if known is None or known[0] != stamp:
                try:
                    plugged = Plugged.model_validate(kept.settings)
                    built = In(plugged, self.maker(plugged, self.secrets.open(kept.sealed)))
                except (CutReelError, ValidationError):
                    continue
                known = self._built[name] = (stamp, built)
            found.append(known[1])
        return found

    def maker(
        self,
        plugged: Plugged,
        secret: str,
        heard: Callable[[Exchange], None] = lambda exchange: None,
    ) -> Maker:
        """The maker of some settings."""
        reached = plugged.reached
        if isinstance(reached, Spoken):
            return spoken(plugged, reached, secret)
        if isinstance(reached, Program):
            return ProgramMaker(plugged, self.used_of(plugged.id))
        if isinstance(reached, Described):
            port = os.environ.get("CUTREEL_PORT", USUAL_PORT)
            calls = _Calls(self.calls, self.media, f"http://127.0.0.1:{port}")
            limits = _Limits(self.services, plugged.id)
            used = self.used_of(plugged.id)
            return DescribedMaker(plugged, secret, used, heard, calls, limits)
        return HandMaker(plugged, _Hand(self.hand, self.media), self.used_of(plugged.id))

    def used_of(self, offer: str) -> Callable[[], int]:
        """How many pieces of today's an offer used up."""

        def used() -> int:
            day = begin_of(DAY, datetime.now(UTC))
            assert day is not None
            return self.spending.pieces(offer, day)

        return used

    def daily(self, offer: str) -> int | None:
        """How many pieces a day an offer has that are counted here; None where it counts itself, where there is no
        limit, or where somebody's hand makes them: that has a list for today, and what is over waits on it."""
        found = next((i for i in self.all() if i.plugged.id == offer), None)
        if found is None:
            return None
        if isinstance(found.maker, DescribedMaker):
            return found.maker.interface.offer.daily
        reached = found.plugged.reached
        return reached.offer.daily if isinstance(reached, Program) else None


def headers_for(secret: str) -> Mapping[str, str]:
    """How a key is sent to a service on our protocol (RFC 6750)."""
    return {"Authorization": f"Bearer {secret}"} if secret else {}


def spoken(plugged: Plugged, reached: Spoken, secret: str) -> Services:
    """The client of a service on our protocol."""
    client = client_for(
        plugged.own_network, base_url=reached.address, headers=dict(headers_for(secret))
    )
    return Services(reached.address, client=client)
