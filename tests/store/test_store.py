"""What is kept: media by content, results and spending once, takes and which of them is used."""

import threading
import time
import zlib
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta
from decimal import Decimal
from types import SimpleNamespace

import pytest
from sqlalchemy import event, text

from cutreel.core.errors import NotFound
from cutreel.core.film import Change, Settings, focus_of, new_film, used_take
from cutreel.core.film.commands import SetShots
from cutreel.store import FilmStore, MediaStore, events_after, last_of, prune_events
from cutreel.store.events import announce


def test_media_are_kept_once_by_their_content(tmp_path) -> None:
    media = MediaStore(str(tmp_path / "media"))
    name = media.put(b"picture", "png")
    with ThreadPoolExecutor(8) as pool:
        assert set(pool.map(lambda _: media.put(b"picture", "png"), range(40))) == {name}
    assert media.get(name) == b"picture" and media.has(name)
    files = [p for p in (tmp_path / "media").rglob("*") if p.is_file()]
    assert [p.name for p in files] == [name], "nothing half-written is left beside it"
    with pytest.raises(NotFound):
        media.get("0" * 64 + ".png")


def test_any_place_that_fsspec_knows_can_hold_media() -> None:
    media = MediaStore("memory://films")
    assert media.get(media.put(b"x", "flac")) == b"x"


def test_results_and_spending_count_once(stack) -> None:
    shop = stack.shop
    with ThreadPoolExecutor(6) as pool:
        list(
            pool.map(
                lambda i: shop.results.put("k" * 40, "sound", f"{i}.flac", {"i": i}), range(12)
            )
        )
        list(
            pool.map(
                lambda i: shop.spending.spend("job-1", "film-a", "voice", Decimal("0.01")),
                range(12),
            )
        )
    kept = shop.results.get("k" * 40)
    assert kept is not None and kept.media == f"{kept.data['i']}.flac"
    assert shop.spending.total("film-a") == Decimal("0.01")
    shop.spending.spend("job-2", "film-a", "voice", Decimal("0.02"))
    assert shop.spending.total("film-a") == Decimal("0.03") and shop.spending.by_offer()[
        "voice"
    ] >= Decimal("0.03")
    assert shop.results.get("none") is None and shop.results.many([]) == {}


def test_takes_are_numbered_in_order_and_a_repeated_job_adds_none(stack) -> None:
    shop = stack.shop
    document, edges = new_film("t", "The lamp was dark. She rowed.", Settings())
    film = shop.films.add(document, edges)

    def add(seed: int) -> str:
        return shop.takes.add(
            film,
            1,
            made_from="m",
            seed=seed,
            prompt="p",
            negative="",
            offer="o",
            media=f"{seed}.png",
            thumb="t.jpg",
            layers=[(f"{seed}.png", 0.0)],
            about={},
        )

    with ThreadPoolExecutor(6) as pool:
        list(pool.map(add, [1, 2, 3, 1, 2, 3, 1]))
    takes = shop.takes.of_film(film)[1]
    assert [t.number for t in takes] == [1, 2, 3] and {t.seed for t in takes} == {1, 2, 3}
    assert takes[0].layers[0][1] == 0.0


def take(name: str, made_from: str, brought: bool = False):
    return SimpleNamespace(id=name, made_from=made_from, brought=brought, seed=1, about={})


def shot(circled: str | None):
    return SimpleNamespace(
        shot=SimpleNamespace(circled=circled), picture_key="now", unpinned_key="now", seed=1
    )


@pytest.mark.parametrize(
    ("circled", "takes", "used"),
    [
        (None, [], None),
        (None, [take("a", "now"), take("b", "now")], "a"),
        (None, [take("a", "old"), take("b", "old")], "b"),
        (None, [take("a", "old"), take("b", "now")], "b"),
        ("b", [take("a", "now"), take("b", "now")], "b"),
        ("a", [take("a", "old")], "a"),
        ("a", [take("a", "old"), take("b", "now"), take("c", "now")], "c"),
        ("a", [take("a", "brought", True), take("b", "now")], "a"),
        ("gone", [take("a", "now")], "a"),
    ],
)
def test_which_take_is_used(circled: str | None, takes: list, used: str | None) -> None:
    found = used_take(shot(circled), takes, circled)
    assert (found.id if found else None) == used


def test_the_camera_aims_at_who_is_there() -> None:
    def at(*boxes):
        return focus_of(
            SimpleNamespace(about={"regions": [{"name": "x", "box": b} for b in boxes]})
        )

    assert focus_of(SimpleNamespace(about={})) == (0.5, 0.5)
    assert at([0.6, 0.2, 0.8, 1.0])[0] > 0.6 and at([0.6, 0.2, 0.8, 1.0])[1] < 0.5
    assert at([0.1, 0.3, 0.3, 0.9], [0.7, 0.3, 0.9, 0.9])[0] == pytest.approx(0.5)


def test_an_offer_is_asked_for_no_more_at_once_than_it_states_and_a_lost_worker_frees_its_slot(
    stack,
) -> None:
    """Source: PostgreSQL's documentation of session-level advisory locks: they end with their session."""
    slots, lock = stack.shop.slots, threading.Lock()
    now, most, done = 0, 0, 0

    def work(_: int) -> None:
        nonlocal now, most, done
        with slots.one_of("tested", 3) as free:
            assert free
            with lock:
                now += 1
                most = max(most, now)
            time.sleep(0.05)
            with lock:
                now -= 1
                done += 1

    with ThreadPoolExecutor(9) as pool:
        list(pool.map(work, range(18)))
    assert (most, done) == (3, 18)
    holding = slots.one_of("lonely", 1)
    assert holding.__enter__()
    with slots.one_of("lonely", 1, cancelled=lambda: True) as free:
        assert not free, "nobody waits who is not wanted any more"
    with stack.shop.database.transaction() as session:
        # What happens to a worker that is killed: its connection goes.
        session.execute(
            text(
                "SELECT pg_terminate_backend(pid) FROM pg_locks WHERE locktype = 'advisory' AND classid = :c"
            ),
            {"c": zlib.crc32(b"lonely") ^ 0x80000000},
        )
    with slots.one_of("lonely", 1) as free:
        assert free
    holding.__exit__(None, None, None)


def test_a_film_is_the_same_for_whoever_reads_it_though_its_document_is_written_now_and_then(
    stack,
) -> None:
    """A process that remembers nothing of it reads what the process that changed it has."""
    films = stack.shop.films
    document, edges = new_film("Kept", "The lamp was dark. " * 40, Settings(pace=4))
    film = films.add(document, edges)

    def change(command) -> None:
        films.change(film, Change(revision=films.revision(film), command=command))

    for n in range(50):
        shot = films.get(film).document.shots[n % 9].id
        change(SetShots(shots=[shot], values={"framing": "wide" if n % 2 else "close"}))
        if n % 11 == 5:
            films.undo(film)
        if n % 22 == 5:
            films.redo(film)
        if n == 33:
            films.go_back(film, 12)
        other = FilmStore(stack.shop.database)
        assert other.get(film) == films.get(film)
    assert other.version(film, 12) == films.version(film, 12)
    assert other.version(film, 0).shots == document.shots


def test_a_film_that_is_changed_while_it_is_read_is_read_as_it_was_at_one_moment(stack) -> None:
    """Source: PostgreSQL's documentation of repeatable read: a transaction sees one snapshot. Between the question for
    a film's revision and that for its document, as many changes come as write the document anew."""
    films = stack.shop.films
    document, edges = new_film("Busy", "The lamp was dark. " * 40, Settings(pace=4))
    film = films.add(document, edges)
    shots = [s.id for s in document.shots]

    def change(n: int) -> None:
        framing = "wide" if n // len(shots) % 2 else "close"
        command = SetShots(shots=[shots[n % len(shots)]], values={"framing": framing})
        films.change(film, Change(revision=films.revision(film), command=command))

    for n in range(3):
        change(n)
    before = films.get(film)
    asked = []

    def meanwhile(_c, _cursor, statement: str, *_: object) -> None:
        if "SELECT films.document" in statement and not asked:
            asked.append(statement)
            with ThreadPoolExecutor(1) as pool:
                pool.submit(lambda: [change(n) for n in range(3, 26)]).result()

    engine = stack.shop.database.engine
    event.listen(engine, "before_cursor_execute", meanwhile)
    try:
        read = FilmStore(stack.shop.database).get(film)
    finally:
        event.remove(engine, "before_cursor_execute", meanwhile)
    assert asked and films.revision(film) == before.revision + 23
    assert (read.revision, read.document) == (before.revision, before.document)


def test_old_events_are_forgotten_but_for_the_last_of_each_sort(stack) -> None:
    database = stack.shop.database
    with database.transaction() as session:
        for film, what in [("ev-1", "run")] * 3 + [("ev-1", "read"), ("ev-2", "run")]:
            announce(session, film, what)
    later = datetime.now(UTC) + timedelta(hours=1)
    with database.transaction() as session:
        first = last_of(session, "ev-1", "run", "read")
        assert prune_events(session, datetime.now(UTC) - timedelta(days=1)) == 0
        prune_events(session, later)
        assert [e.what for e in events_after(session, "ev-1", 0)] == ["run", "read"]
        assert last_of(session, "ev-1", "run", "read") == first
        assert len(events_after(session, "ev-2", 0)) == 1
