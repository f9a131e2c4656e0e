"""Wishes understood by a writer that answers what no film takes."""

from decimal import Decimal
from types import SimpleNamespace
from typing import Any

from cutreel.core.film import Offered, Settings, assemble, new_film, read_film
from cutreel.making import understood_by_writer


def film_of() -> Any:
    document, _ = new_film("Ada", "Ada rowed to the light. Then it was dark.", Settings())
    return assemble("f", read_film(document, Offered()), {}, lambda keys: {})


def shop_that_answers(data: dict[str, Any]) -> Any:
    """A workshop in which the answer to every wish is kept already."""
    kept = SimpleNamespace(data={"data": data, "unused": []}, cost=Decimal("0.01"))
    return SimpleNamespace(results=SimpleNamespace(get=lambda name: kept))


def setting(**values: Any) -> dict[str, Any]:
    return {"type": "set settings", "values": values}


def test_what_no_film_takes_is_left_out_and_told() -> None:
    answer = {
        "changes": [
            {"command": setting(music="none"), "says": "no music", "why": "asked for"},
            {"command": setting(music="polka"), "says": "polka"},
            {"command": setting(nothing=1), "says": "nothing"},
            {
                "command": {"type": "set shots", "shots": [999], "values": {"move": "still"}},
                "says": "stiller",
            },
            {"command": {"type": "remove person", "id": 1}, "says": "without Ada"},
        ],
        "unclear": ["sparkle"],
    }
    film = film_of()
    before = film.document.model_dump()
    found = understood_by_writer(shop_that_answers(answer), film, "x")
    assert [(p.says, p.why) for p in found.proposals] == [("no music", "asked for")]
    assert found.unclear[0] == "sparkle" and len(found.unclear) == 5
    assert all("cannot be done" in told for told in found.unclear[1:])
    assert film.document.model_dump() == before, "looked at, not done"
