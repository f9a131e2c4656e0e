"""What is served of a film after many changes is what a server that knows nothing of it serves."""

from dataclasses import fields

import pytest

from cutreel.api.desk import FilmDesk
from cutreel.making import PreviewDesk
from tests.api.test_retouch import start
from tests.api.test_rules import change

SKIPPED = {"token", "row", "film", "seen", "pictures", "remarked", "cues_told"}
"""How a state was made, and not what it says."""


def told(state) -> dict:
    """What a state says, as plain data. How a film looks is named anew by each server."""
    said = {f.name: getattr(state, f.name) for f in fields(state) if f.name not in SKIPPED}
    plain = {
        name: [v.model_dump() if hasattr(v, "model_dump") else v for v in value]
        for name, value in said.items()
        if isinstance(value, tuple)
    }
    head = state.head.model_dump(exclude={"preview"})
    shots = {number: view.model_dump() for number, view in state.shots.items()}
    return {**plain, "head": head, "shots": shots, "ease": state.ease}


@pytest.fixture
def made(client, film, finished) -> str:
    run = start(client, film, kind="everything")
    assert finished(film["id"], run["id"])["state"] == "done"
    return film["id"]


def test_after_every_change_it_is_what_a_new_server_serves(client, stack, made) -> None:
    desk: FilmDesk = client.app.state.desk
    state = desk.now(made)
    words, shots = state.film.read.ids, list(state.order)
    text = state.row.document.text
    middle = next(n for n in words if n not in {s.first for s in state.row.document.shots})
    for command in (
        {"type": "set shots", "shots": shots[:1], "values": {"framing": "wide"}},
        {"type": "set mark", "word": middle},
        {
            "type": "set shots",
            "shots": shots[1:],
            "values": {"join": {"kind": "dip", "seconds": 1}},
        },
        {"type": "lift mark", "shot": "the new one"},
        {"type": "set shots", "shots": shots[:1], "values": {"grade": {"warmth": 0.5}}},
        {"type": "set hold", "shot": shots[0], "seconds": 2},
        {
            "type": "edit text",
            "start": len(text) - 1,
            "end": len(text),
            "insert": " and hid a crash.\n",
        },
        {"type": "edit text", "start": 0, "end": 3, "insert": "A"},
        {"type": "set shots", "shots": shots[:1], "values": {"framing": None, "place": "the loft"}},
    ):
        if command.get("shot") == "the new one":
            command |= {"shot": next(n for n in desk.now(made).order if n not in shots)}
        change(client, made, **command)
        now = desk.now(made)
        anew = FilmDesk(stack.shop, PreviewDesk(stack.shop)).now(made)
        assert told(now) == told(anew), command
        assert now.film.joins == anew.film.joins and now.film.finishes == anew.film.finishes
    client.post(f"/api/films/{made}/undo")
    assert told(desk.now(made)) == told(FilmDesk(stack.shop, PreviewDesk(stack.shop)).now(made))


def test_how_a_film_looks_has_another_name_only_when_it_looks_otherwise(client, made) -> None:
    desk: FilmDesk = client.app.state.desk
    first, shot = desk.now(made).head.preview, desk.now(made).order[0]
    change(client, made, type="rename film", title="Another")
    assert desk.now(made).head.preview == first
    change(client, made, type="set shots", shots=[shot], values={"grade": {"warmth": 0.5}})
    assert desk.now(made).head.preview != first
