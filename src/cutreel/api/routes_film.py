"""Films: the shelf, one film, its changes."""

import re
from typing import Annotated

from fastapi import APIRouter, Header, Query, Request, Response
from sse_starlette import EventSourceResponse

from cutreel.core.breakdown import estimate_words
from cutreel.core.errors import BadInput
from cutreel.core.film import Change, Command, apply_command
from cutreel.core.film.commands import CutAgain, SetShots
from cutreel.core.manuscript import read
from cutreel.making import PicturesWanted, Story, Workshop, begin_film, price_of, wanted_pictures

from .door import Films, Shop, Since, told
from .events import stream
from .schemas import (
    Card,
    ChangeView,
    CutPreview,
    FilmDelta,
    Impact,
    ManuscriptWindow,
    NewFilm,
    NewFilmId,
    OpenedFilm,
    ShotWindow,
)

router = APIRouter(prefix="/api")
_EVENT = re.compile(r"[0-9]{1,18}")
MOST_SHOTS = 200
"""Shots in one window."""


@router.get("/films")
def shelf(films: Films) -> list[Card]:
    """Every film, last changed first."""
    return films.cards()


@router.post("/films", status_code=201)
def add_film(new: NewFilm, shop: Shop) -> NewFilmId:
    """A new film from a story. Without a title it is called by its first line, where that is plainly a title, else by
    whom it is about. A first line that is the film's title is not spoken."""
    story = Story(
        text=new.text,
        title=new.title,
        settings=new.settings,
        style=new.style,
        by=new.by,
        count=new.count,
        shots=new.shots,
        sources=new.sources,
    )
    film, titled = begin_film(shop, story)
    return NewFilmId(id=film, titled=titled)


@router.get("/films/{film}", response_model=OpenedFilm)
def open_film(film: str, films: Films) -> Response:
    """A film's head, and every shot in short; what its `state` holds is had in windows."""
    state = films.now(film)
    return told(OpenedFilm(state=state.token, head=state.head, shots=state.rows()))


@router.get("/films/{film}/manuscript", response_model=ManuscriptWindow)
def manuscript(film: str, state: str, films: Films) -> Response:
    """The manuscript of a state of the film; 409 when that state is not known any more."""
    found = films.state(film, state)
    return told(
        ManuscriptWindow.model_construct(
            text=found.row.document.text,
            words=list(found.words),
            lines=list(found.lines),
            captions=list(found.captions),
            cues=list(found.cues),
        )
    )


@router.get("/films/{film}/shots", response_model=ShotWindow)
def shots(
    film: str,
    state: str,
    films: Films,
    first: Annotated[int, Query(ge=0)] = 0,
    count: Annotated[int, Query(ge=1, le=MOST_SHOTS)] = MOST_SHOTS,
) -> Response:
    """Some shots of a state of the film, by their places; 409 when that state is not known any
    more."""
    found = films.state(film, state)
    numbers = found.order[first : first + count]
    return told(ShotWindow.model_construct(shots=[found.shots[n] for n in numbers]))


@router.get("/films/{film}/since", response_model=FilmDelta)
def changed_since(film: str, state: str, films: Films) -> Response:
    """What became of the film since a state."""
    return told(films.since(film, state))


@router.delete("/films/{film}", status_code=204)
def remove_film(film: str, shop: Shop) -> None:
    """Take a film off the shelf; `POST …/restore` brings it back."""
    shop.films.remove(film)


@router.post("/films/{film}/restore", status_code=204)
def restore_film(film: str, shop: Shop) -> None:
    shop.films.remove(film, removed=False)


@router.post("/films/{film}/changes", response_model=FilmDelta)
def change_film(film: str, change: Change, shop: Shop, films: Films, since: Since = "") -> Response:
    """Make one change; 409 when the film is not at the revision that its sender saw. The answer is
    what became of the state that the sender knows."""
    if isinstance(change.command, SetShots):
        _known_masks(shop, change.command.values.get("regions"))
    shop.films.change(film, change)
    return told(films.since(film, since))


def _known_masks(shop: Workshop, regions: object) -> None:
    """Raises BadInput for regions whose masks were never kept: the film could not be made."""
    for region in regions if isinstance(regions, list) else ():
        mask = region.get("mask") if isinstance(region, dict) else None
        if isinstance(mask, str) and not shop.media.has(mask):
            raise BadInput("What was marked is not kept.", "Mark it again, then add it.")


@router.post("/films/{film}/undo", response_model=FilmDelta)
def undo(film: str, shop: Shop, films: Films, since: Since = "") -> Response:
    """Take the last change back. Raises Clash where the page that asks, by the state it knows, has not seen it."""
    shop.films.undo(film, films.revision_at(film, since))
    return told(films.since(film, since))


@router.post("/films/{film}/redo", response_model=FilmDelta)
def redo(film: str, shop: Shop, films: Films, since: Since = "") -> Response:
    shop.films.redo(film, films.revision_at(film, since))
    return told(films.since(film, since))


@router.get("/films/{film}/history")
def history(film: str, shop: Shop) -> list[ChangeView]:
    """Changes, newest first."""
    return [
        ChangeView(number=c.number, title=c.title, undone=c.undone, at=c.at)
        for c in shop.films.history(film)
    ]


@router.post("/films/{film}/cut")
def preview_cut(film: str, wish: CutAgain, shop: Shop) -> CutPreview:
    """The cut that a wish would give, without taking it."""
    document = shop.films.get(film).document
    firsts = wish.firsts(document)
    script = read(document.text)
    at = document.word_places
    opens = [at[f] for f in firsts]
    times = estimate_words(script)
    bounds = [*opens, len(script.words)]
    lengths = [float(times[b - 1, 1] - times[a, 0]) for a, b in zip(opens, bounds[1:], strict=True)]
    aim, total = wish.wish(document), float(times[-1, 1])
    wanted = [
        aim.wanted(float(times[a, 0]), script.words[a].scene, float(times[a, 0]) / total)
        for a in opens
    ]
    return CutPreview(count=len(opens), lengths=lengths, wanted=wanted, opens=opens)


@router.post("/films/{film}/impact")
def impact_of_change(film: str, command: Command, shop: Shop, films: Films) -> Impact:
    """What a change would do: prompts that change, pictures that become stale, cost to make them
    again."""
    state = films.now(film)
    row, before = state.row, state.film
    document, _, _ = apply_command(row.document, command, [s.edge for s in row.document.shots])
    after = shop.laid_out(film, document)
    keys = {s.shot.id: s.picture_key for s in before.read.shots}
    words = {s.shot.id: (s.prompt.text, s.sent_negative) for s in before.read.shots}
    changed = {s.shot.id for s in after.read.shots if s.picture_key != keys.get(s.shot.id)}
    stale = sum(
        1
        for s, used in zip(before.read.shots, before.used, strict=True)
        if used and not used.brought and s.shot.id in changed
    )
    asked = PicturesWanted(shots=frozenset(changed), takes=1)
    items = wanted_pictures(after, asked, shop.offers()) if changed else []
    return Impact(
        prompts=sum(
            (s.prompt.text, s.sent_negative) != words.get(s.shot.id) for s in after.read.shots
        ),
        shots=[s.shot.id for s in after.read.shots if s.shot.id in changed],
        stale=stale,
        cost=float(price_of(shop, items)),
        seconds=sum(i.weight for i in items) / 2,
    )


@router.get("/films/{film}/events")
async def events(
    film: str, request: Request, last_event_id: Annotated[str | None, Header()] = None
) -> EventSourceResponse:
    """What happens to a film, as server-sent events."""
    after = int(last_event_id) if last_event_id and _EVENT.fullmatch(last_event_id) else None
    return EventSourceResponse(
        stream(request.app.state.shop, request.app.state.listener, film, after), ping=20
    )
