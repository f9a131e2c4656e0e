"""Links for others: made, shown again to who made them, and what they show."""

import secrets
from bisect import bisect_right
from datetime import UTC, date, datetime, timedelta

from argon2 import PasswordHasher
from argon2.exceptions import Argon2Error

from cutreel.core.errors import BadInput, Clash
from cutreel.core.film import FilmDocument
from cutreel.core.film.commands import AddNote
from cutreel.core.screening import ScreenNote
from cutreel.store import Link

from .changing import change_now
from .workshop import Workshop

MOST_LINKS, MOST_DAYS = 40, 180
_HASHER = PasswordHasher()
"""With the library's own costs (RFC 9106, low memory)."""


def make_link(
    shop: Workshop, film: str, label: str, days: int, may_note: bool, password: str
) -> str:
    """Make a link to a film for so many days; returns its id. Raises BadInput, NotFound."""
    shop.films.get(film)
    if len(shop.links.of_film(film)) >= MOST_LINKS:
        raise BadInput(f"The film has {MOST_LINKS} links.", "Withdraw one first.")
    if password and len(password) < 6:
        raise BadInput("That password is too short.", "Take at least six characters.")
    token = secrets.token_urlsafe(24)
    return shop.links.add(
        token,
        shop.secrets.seal(token),
        {
            "film": film,
            "label": " ".join(label.split()),
            "may_note": may_note,
            "password": _HASHER.hash(password) if password else None,
            "until": datetime.now(UTC) + timedelta(days=days),
        },
    )


def is_password(link: Link, password: str) -> bool:
    """Whether a link is opened by a password."""
    if link.password is None:
        return True
    try:
        return _HASHER.verify(link.password, password)
    except Argon2Error:
        return False


def film_to_show(shop: Workshop, film: str) -> str | None:
    """The media name of the film as it was made last, of a kind that any browser plays; None while there is none."""
    for run in shop.runs.of_film(film, ["delivery"]):
        made = str(run.outcome.get("film", ""))
        if run.state == "done" and made.endswith((".mp4", ".webm")):
            return made
    return None


def note_at(shop: Workshop, film: str, seconds: float, text: str, by: str) -> None:
    """Note something at a moment of a film, for somebody who has a link. Raises BadInput."""

    def noted(document: FilmDocument) -> AddNote:
        stands = shop.laid_out(film, document)
        if not stands.frames:
            raise BadInput("The film has no shots yet.", "Come again later.")
        frame = min(stands.frames - 1, stands.rate.frames(seconds))
        shot = max(0, bisect_right([s.start for s in stands.spans], frame) - 1)
        starts = [stands.rate.frames(float(s)) for s in stands.timing.words[:, 0]]
        word = bisect_right(starts, frame) - 1
        note = ScreenNote(
            shot=stands.read.shots[shot].shot.id,
            word=stands.read.ids[word] if word >= 0 else None,
            later=frame - (starts[word] if word >= 0 else stands.spans[shot].start),
            text=text,
            by=by,
            on=date.today().isoformat(),
        )
        return AddNote(note=note)

    if not change_now(shop, film, noted):
        raise Clash("The film is being changed.", "Send it again.")
