"""Films: the shelf, one film, its changes."""

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter, Header, Request
from sse_starlette import EventSourceResponse

from cutreel.core.breakdown import estimate_words, wish_for
from cutreel.core.continuity import look_named
from cutreel.core.film import Change, Command, apply_command, new_film
from cutreel.core.film.commands import CutAgain
from cutreel.core.manuscript import read
from cutreel.making import PicturesWanted, price_of, wanted_pictures
from cutreel.store import assembled_film

from .door import Preview, Shop
from .events import stream
from .schemas import Card, ChangeView, CutPreview, FilmView, Impact, NewFilm
from .views import card, film_view

router = APIRouter(prefix="/api")


@router.get("/films")
def shelf(shop: Shop) -> list[Card]:
    """Every film, last changed first."""
    return [card(row, shop.assembled(row.id)) for row in shop.films.all()]


@router.post("/films", status_code=201)
def add_film(new: NewFilm, shop: Shop, preview: Preview) -> FilmView:
    """A new film from a story; its title is its first words when none is given."""
    new.settings.look = look_named(new.settings.look).name
    title = new.title.strip() or _first_words(new.text)
    usual = wish_for(new.settings.kind, new.settings.pace)
    wish = replace(usual, by=new.by, count=new.count)
    document, edges = new_film(title, new.text, new.settings, wish, new.shots, new.sources)
    film = shop.films.add(document, edges)
    return get_film(film, shop, preview)


@router.get("/films/{film}")
def get_film(film: str, shop: Shop, preview: Preview) -> FilmView:
    """A film as it stands."""
    return film_view(shop.films.get(film), shop.assembled(film), preview)


@router.delete("/films/{film}", status_code=204)
def remove_film(film: str, shop: Shop) -> None:
    """Take a film off the shelf; `POST …/restore` brings it back."""
    shop.films.remove(film)


@router.post("/films/{film}/restore", status_code=204)
def restore_film(film: str, shop: Shop) -> None:
    shop.films.remove(film, removed=False)


@router.post("/films/{film}/changes")
def change_film(film: str, change: Change, shop: Shop, preview: Preview) -> FilmView:
    """Make one change; 409 when the film is not at the revision that its sender saw."""
    shop.films.change(film, change)
    return get_film(film, shop, preview)


@router.post("/films/{film}/undo")
def undo(film: str, shop: Shop, preview: Preview) -> FilmView:
    shop.films.undo(film)
    return get_film(film, shop, preview)


@router.post("/films/{film}/redo")
def redo(film: str, shop: Shop, preview: Preview) -> FilmView:
    shop.films.redo(film)
    return get_film(film, shop, preview)


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
    at = {n: i for i, n in enumerate(document.word_ids)}
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
def impact_of_change(film: str, command: Command, shop: Shop) -> Impact:
    """What a change would do: prompts that change, pictures that become stale, cost to make them
    again."""
    row = shop.films.get(film)
    before = shop.assembled(film)
    document, _, _ = apply_command(row.document, command, [s.edge for s in row.document.shots])
    after = assembled_film(film, document, shop.offers(), shop.results, shop.takes)
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
    after = int(last_event_id) if last_event_id and last_event_id.isdigit() else None
    return EventSourceResponse(
        stream(request.app.state.shop, request.app.state.listener, film, after), ping=20
    )


def _first_words(text: str) -> str:
    for line in text.split("\n"):
        plain = line.strip().strip("#").strip()
        if plain:
            return plain[:60].rsplit(" ", 1)[0] if len(plain) > 60 else plain
    return "Untitled"
