"""What pages may choose from is what the server takes."""

import pytest

LISTS = {
    "framings": "framing", "angles": "angle", "times": "time", "weathers": "weather",
    "moods": "mood", "moves": "move",
}  # fmt: skip
SETTINGS = {
    "aspects": "aspect", "rates": "fps", "captions": "captions", "music": "music", "sounds": "sounds", "movements": "movement",
    "air_amounts": "air", "join_amounts": "joins", "titles": "titles",
}  # fmt: skip


@pytest.fixture
def rules(client) -> dict:
    return client.get("/api/rules").json()


def change(client, film: str, **command) -> dict:
    revision = client.get(f"/api/films/{film}").json()["revision"]
    body = {"revision": revision, "command": command}
    answer = client.post(f"/api/films/{film}/changes", json=body)
    assert answer.status_code == 200, answer.text
    return client.get(f"/api/films/{film}").json()


@pytest.mark.parametrize("name", LISTS)
def test_a_shot_may_be_set_to_everything_that_is_listed(client, film, rules, name: str) -> None:
    shot = film["shots"][0]["id"]
    assert len(rules[name]) > 1
    for value in rules[name]:
        seen = change(
            client, film["id"], type="set shots", shots=[shot], values={LISTS[name]: value}
        )
        assert seen["shots"][0]["own"][LISTS[name]] == value


@pytest.mark.parametrize("name", SETTINGS)
def test_a_film_may_be_set_to_everything_that_is_listed(client, film, rules, name: str) -> None:
    for value in rules[name]:
        seen = change(client, film["id"], type="set settings", values={SETTINGS[name]: value})
        assert seen["settings"][SETTINGS[name]] == value


def test_every_kind_of_film_opens_as_the_rules_say(client, rules) -> None:
    for kind, usual in rules["kinds"].items():
        settings = {"kind": kind, "pace": usual["pace"]}
        made = client.post(
            "/api/films", json={"title": kind, "text": "A boat. " * 90, "settings": settings}
        ).json()
        lengths = [s["stop"] - s["start"] for s in made["shots"]]
        if usual["opening"] and usual["pace"] < 20:
            assert lengths[0] < max(lengths), "the opening is quicker"


def test_the_lists_are_those_of_the_models(rules) -> None:
    """A film refuses what is not listed; so the lists cannot be too short either."""
    from typing import get_args

    from cutreel.core.film import Settings

    for name, field in SETTINGS.items():
        assert tuple(rules[name]) == get_args(Settings.model_fields[field].annotation)
