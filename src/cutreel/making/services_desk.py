"""Plugging in, checking and trying what is plugged in."""

import logging
import threading
import time
from collections.abc import Sequence
from dataclasses import asdict, dataclass
from datetime import UTC, datetime, timedelta
from decimal import Decimal
from typing import Any

import httpx

from cutreel.bridge import (
    ByHand,
    Described,
    Exchange,
    Plugged,
    Program,
    Spoken,
    check_address,
    check_program,
    check_service,
    client_for,
    media_type,
    read_interface,
)
from cutreel.core.errors import BadInput, Clash, CutReelError, NotFound
from cutreel.protocol import JobInput, MusicInput, Offer, PictureInput, SoundInput, SpeechInput

from .plugging import headers_for
from .received import received
from .workshop import Workshop

log = logging.getLogger(__name__)
LOST = timedelta(minutes=10)
"""After which a check that says nothing any more was cut off."""
STANDINS = "standins"
"""An id that is taken: the stand-ins that came with Cut Reel."""
ENDINGS = {
    "image/png": "png",
    "image/jpeg": "jpg",
    "image/webp": "webp",
    "video/mp4": "mp4",
    "video/webm": "webm",
    "audio/flac": "flac",
    "audio/wav": "wav",
    "audio/mpeg": "mp3",
}


def plug_in(shop: Workshop, plugged: Plugged, secret: str | None, anew: bool) -> None:
    """Plug a service in (`anew`), or change it. Without a `secret` it keeps the key that it has; an empty one takes it
    away. Raises BadInput for settings that cannot work, Clash for a name that is taken."""
    known = [str(k.settings["id"]) for k in shop.plugged.all()]
    if anew and (plugged.id in known or plugged.id == STANDINS or _offered(shop, plugged.id)):
        raise Clash(f"There is a service of the name “{plugged.id}” already.", "Choose another.")
    if not anew and plugged.id not in known:
        raise NotFound("That service is not plugged in any more.", "Load the page again.")
    check_settings(plugged)
    if secret is not None and any(ord(c) < 33 or ord(c) > 126 for c in secret):
        raise BadInput(
            "A key has letters, digits and marks alone, no spaces.", "Copy it once more."
        )
    sealed = shop.secrets.seal(secret) if secret else None
    shop.plugged.put(plugged.id, plugged.model_dump(mode="json"), sealed, keep_key=secret is None)
    shop.ask_again()


def check_settings(plugged: Plugged) -> None:
    """Raises BadInput for settings that cannot work."""
    reached = plugged.reached
    if isinstance(reached, Spoken):
        check_address(reached.address, plugged.own_network)
    elif isinstance(reached, Program):
        check_program(reached)
    elif isinstance(reached, Described):
        check_address(read_interface(reached.toml).send.address, plugged.own_network)
    said = reached.offer if isinstance(reached, ByHand | Program) else None
    if said is not None and said.kind == "speech" and not said.voices:
        raise BadInput("Who speaks has voices.", "Name at least one, as it is called there.")


def take_out(shop: Workshop, service: str) -> None:
    """Take a service out, with its key. What it made stays."""
    shop.plugged.drop(service)
    shop.ask_again()


def kept_settings(shop: Workshop, service: str) -> tuple[Plugged, str]:
    """The settings and the key of a service. Raises NotFound."""
    for kept in shop.plugged.all():
        if kept.settings.get("id") == service:
            return Plugged.model_validate(kept.settings), shop.secrets.open(kept.sealed)
    raise NotFound("That service is not plugged in any more.", "Load the page again.")


def begin_check(shop: Workshop, service: str) -> None:
    """Look a service over, beside everything else; how far that is, and what was found, is kept with it. Raises
    BadInput for what does not speak the protocol."""
    plugged, secret = kept_settings(shop, service)
    reached = plugged.reached
    if not isinstance(reached, Spoken):
        raise BadInput("What does not speak the protocol is tried, not checked.", "Try it.")
    before = next(k.checked for k in shop.plugged.all() if k.settings["id"] == service)
    if before and is_going(before):
        return
    address = reached.address
    _note(shop, service, state="going", share=0.0)

    def look() -> None:
        last = time.monotonic()

        def progress(share: float) -> None:
            nonlocal last
            if time.monotonic() - last > 1.0:
                last = time.monotonic()
                _note(shop, service, state="going", share=share)

        try:
            with client_for(
                plugged.own_network, base_url=address, headers=dict(headers_for(secret))
            ) as client:
                report = check_service(client, progress=progress)
            for key, cost in report.orders.items():
                shop.spending.spend(key, "", service, cost * plugged.rate, "check")
            _note(
                shop,
                service,
                state="done",
                ok=report.ok,
                spent=str(report.spent * plugged.rate),
                findings=[asdict(f) for f in report.findings],
            )
        except (CutReelError, httpx.HTTPError) as error:
            found = [{"rule": "answers", "ok": False, "says": str(error)}]
            _note(shop, service, state="done", ok=False, spent="0", findings=found)
        except Exception:
            log.exception("the check of %s failed", service)
            _note(shop, service, state="lost")

    threading.Thread(target=look, daemon=True).start()


def is_going(checked: Any) -> bool:
    """Whether a check goes on."""
    if checked.get("state") != "going":
        return False
    return datetime.now(UTC) - datetime.fromisoformat(checked["at"]) < LOST


def _note(shop: Workshop, service: str, **told: Any) -> None:
    shop.plugged.note_check(service, {"at": datetime.now(UTC).isoformat(), **told})


@dataclass(frozen=True)
class Tried:
    """What came of trying: a media file, or why there is none; what was sent and what came; what it cost, and took."""

    media: str | None
    says: str
    exchanges: Sequence[Exchange]
    cost: Decimal
    seconds: float


def try_out(shop: Workshop, plugged: Plugged, secret: str | None, prompt: str, seed: int) -> Tried:
    """Have one thing made as the settings say, before or after they are kept. Raises BadInput for settings that cannot
    work."""
    check_settings(plugged)
    if isinstance(plugged.reached, ByHand):
        raise BadInput("What is made by hand is not tried.", "Use it in a film.")
    if secret is None:
        known = [k for k in shop.plugged.all() if k.settings.get("id") == plugged.id]
        secret = shop.secrets.open(known[0].sealed) if known else ""
    exchanges: list[Exchange] = []
    maker = shop.sockets.maker(plugged, secret, exchanges.append)
    began = time.monotonic()
    try:
        offer = maker.offers()[0]
        key = f"try-{time.time_ns()}"
        done = maker.do(offer.name, small_order(offer, prompt, seed), key)
        assert done is not None
        cost = done.cost * plugged.rate
        shop.spending.spend(key, "", plugged.id, cost, offer.kind)
        done = received(done, offer.kind, plugged.title)
    except CutReelError as error:
        return Tried(None, str(error), exchanges, Decimal(0), time.monotonic() - began)
    data = done.files[0][1]
    media = shop.media.put(data, ENDINGS.get(media_type(data), "png"))
    return Tried(media, "", exchanges, cost, time.monotonic() - began)


def small_order(offer: Offer, prompt: str, seed: int) -> JobInput:
    """One small thing of an offer. Raises BadInput for a kind that needs another thing first."""
    text = prompt[: offer.caps.text_characters or offer.caps.prompt_characters or None]
    if offer.kind == "picture":
        caps = offer.caps
        wide, high = min(1280, caps.width or 1280), min(720, caps.height or 720)
        return PictureInput(prompt=text, seed=seed, width=wide, height=high)
    if offer.kind == "sound":
        return SoundInput(prompt=text, seconds=min(3.0, offer.caps.seconds or 3.0), seed=seed)
    if offer.kind == "music":
        seconds = min(10.0, offer.caps.seconds or 10.0)
        return MusicInput(mood=offer.moods[0] if offer.moods else text, seconds=seconds, seed=seed)
    if offer.kind == "speech" and offer.voices:
        return SpeechInput(text=text, voice=offer.voices[0].name, seed=seed)
    raise BadInput(f"A {offer.kind} cannot be tried here.", "Use it in a film.")


def _offered(shop: Workshop, name: str) -> bool:
    """Whether an offer of the stand-ins has that name."""
    return any(not o.service and o.name == name for o in shop.offers())
