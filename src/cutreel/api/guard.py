"""Who may speak to the server: pages that it served itself, under a name of this machine."""

from urllib.parse import urlsplit

from fastapi import Request

LOCAL = {"127.0.0.1", "localhost", "[::1]", "::1"}


def allowed(request: Request) -> str | None:
    """None when the request may pass, else why not. Guards against other sites in the same browser
    (DNS rebinding, cross-site requests)."""
    host = request.headers.get("host", "")
    if _name(host) not in LOCAL:
        return f"Host “{host[:80]}” is not this machine."
    origin = request.headers.get("origin")
    if origin and urlsplit(origin).netloc != host:
        return f"Requests from {origin[:80]} are not taken."
    if request.method not in ("GET", "HEAD", "OPTIONS") and request.headers.get(
        "sec-fetch-site", "same-origin"
    ) not in ("same-origin", "none"):
        return "Requests from other sites are not taken."
    return None


def _name(host: str) -> str:
    return (
        host.rsplit(":", 1)[0]
        if (not host.endswith("]") and host.count(":") in (1,)) or "]:" in host
        else host
    )
