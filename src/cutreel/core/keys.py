"""Keys of derived results: what was it made from?

Two results with the same key are the same result, so it is never made twice; *stale* is a
comparison of keys.
"""

import hashlib
import json
from typing import Any


def key(kind: str, version: int, **inputs: Any) -> str:
    """The key of a result of `kind`, made by `version` of the code from `inputs` (JSON values).

    Returns 40 hexadecimal digits of the SHA-256 of the canonical JSON of all of it.
    """
    canonical = json.dumps(
        [kind, version, inputs], sort_keys=True, ensure_ascii=True, separators=(",", ":")
    )
    return hashlib.sha256(canonical.encode()).hexdigest()[:40]


def seed_from(*parts: object) -> int:
    """A seed in 0 … 999,999 that depends on `parts` alone."""
    digest = hashlib.sha256("\x1f".join(map(str, parts)).encode()).digest()
    return int.from_bytes(digest[:6], "big") % 1_000_000
