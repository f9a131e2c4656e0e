"""What is due when, over the running stack."""

from datetime import UTC, datetime, timedelta


def test_a_film_that_is_due_is_reckoned_with(client, film, plugged) -> None:
    at = f"/api/films/{film['id']}/due"
    tomorrow = (datetime.now(UTC) + timedelta(days=1)).date().isoformat()
    rows = client.put(at, json={"due": tomorrow}).json()
    (row,) = [r for r in rows if r["film"] == film["id"]]
    assert row["due"] == tomorrow and row["left"] == row["shots"] > 0
    assert row["items"] > row["shots"] and row["cost"] > 0 and row["held_by"] == ""
    (card,) = [c for c in client.get("/api/films").json() if c["id"] == film["id"]]
    assert card["due"] == tomorrow
    spent = client.get("/api/money").json()
    client.put("/api/limits/day", json={"amount": row["cost"] / 4})
    try:
        (held,) = [r for r in client.get("/api/calendar").json() if r["film"] == film["id"]]
        assert held["held_by"] == "money" and held["late"] > 0, spent
    finally:
        client.put("/api/limits/day", json={"amount": None})
    assert all(r["film"] != film["id"] for r in client.put(at, json={"due": None}).json())


def test_a_day_that_is_none_is_refused_in_words(client, film) -> None:
    at = f"/api/films/{film['id']}/due"
    for due in ("soon", "2026-02-31", "1600-01-01"):
        answer = client.put(at, json={"due": due})
        assert answer.status_code == 422, answer.text
