"""Tells addresses outside that something is ready, signed so that they know who says it.

How that is written and signed follows the open specification Standard Webhooks 1.0.0: an id that stays the same over
tries, the moment, and HMAC-SHA256 over both and the body.
"""

import base64
import hashlib
import hmac
import json
import logging
import secrets
import time
from datetime import UTC, datetime

import httpx
from pydantic import HttpUrl, TypeAdapter, ValidationError

from cutreel import __version__
from cutreel.core.errors import BadInput, CutReelError
from cutreel.store import DueTelling

from .workshop import Workshop

log = logging.getLogger("cutreel.worker")
PATIENCE = 15.0
"""Seconds for an answer."""
MOST_AT_ONCE = 20
"""Tellings of one look, so that a worker's sweep goes on."""
MOST_SAID = 200
_ADDRESS = TypeAdapter(HttpUrl)


def add_told(shop: Workshop, address: str) -> tuple[str, str]:
    """Let an address be told from now on. Returns its id, and the secret by which it knows us, which is shown this
    once. Raises BadInput."""
    url = _checked(address)
    secret = f"whsec_{base64.b64encode(secrets.token_bytes(32)).decode()}"
    return shop.told.add(url, shop.secrets.seal(secret)), secret


def try_told(shop: Workshop, id: str) -> None:
    """Send an address a word as soon as a worker looks, to see what it answers. Raises NotFound."""
    at = datetime.now(UTC).isoformat()
    shop.told.put(id, {"type": "trial", "timestamp": at, "data": {}})


def tell_due(shop: Workshop) -> int:
    """Tell all that is due; returns how much that was."""
    for n in range(MOST_AT_ONCE):
        with shop.told.due() as telling:
            if telling is None:
                return n
            _send(shop, telling)
    return MOST_AT_ONCE


def _send(shop: Workshop, telling: DueTelling) -> None:
    """Send one telling and write down how that went."""
    body = json.dumps(telling.body, ensure_ascii=False).encode()
    try:
        head = signed(shop.secrets.open(telling.sealed), telling.id, int(time.time()), body)
        with httpx.stream(
            "POST", telling.address, content=body, headers=head, timeout=PATIENCE
        ) as answer:
            telling.arrived = answer.is_success
            telling.says = f"answered {answer.status_code}"
    except CutReelError as error:
        telling.says = str(error)[:MOST_SAID]
    except (httpx.HTTPError, httpx.InvalidURL) as error:
        telling.says = f"does not answer: {type(error).__name__}"
    log.info("told %s: %s", httpx.URL(telling.address).host, telling.says)


def signed(secret: str, id: str, at: int, body: bytes) -> dict[str, str]:
    """The headers of a telling; `secret` as it was shown, `at` in seconds of the epoch."""
    key = base64.b64decode(secret.removeprefix("whsec_"))
    sign = hmac.new(key, f"{id}.{at}.".encode() + body, hashlib.sha256).digest()
    return {
        "Content-Type": "application/json",
        "User-Agent": f"CutReel/{__version__}",
        "webhook-id": id,
        "webhook-timestamp": str(at),
        "webhook-signature": f"v1,{base64.b64encode(sign).decode()}",
    }


def _checked(address: str) -> str:
    try:
        url = _ADDRESS.validate_python(address.strip())
    except ValidationError as error:
        raise BadInput("That is no address of the web.", "Write it from https:// on.") from error
    if url.username or url.password:
        raise BadInput("A name and a password in an address are seen by others.", "Leave them out.")
    return str(url)
