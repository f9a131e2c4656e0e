"""A film kept in another language, over the running stack: translated by a service and by a table, spoken by voices of
that language, with the pictures it had."""

import csv
import io

import pytest

from tests.api.test_retouch import start
from tests.api.test_rules import change


@pytest.fixture
def spanish(client, film) -> dict:
    answer = client.post(
        f"/api/films/{film['id']}/languages", json={"language": "es", "name": "Spanish"}
    )
    assert answer.status_code == 201, answer.text
    return answer.json()


def table_of(client, film: str) -> list[dict[str, str]]:
    text = client._client.get(f"/api/films/{film}/translation.csv").text
    return list(csv.DictReader(io.StringIO(text.removeprefix("\ufeff"))))


def bring(client, film: str, rows: list[dict[str, str]]):
    out = io.StringIO()
    writer = csv.DictWriter(out, rows[0].keys())
    writer.writeheader()
    writer.writerows(rows)
    files = {"file": ("translation.csv", out.getvalue().encode(), "text/csv")}
    return client.post(f"/api/films/{film}/translation", files=files)


@pytest.mark.long
def test_a_service_translates_voices_speak_and_no_picture_is_made_again(
    client, film, finished, stack
) -> None:
    made = start(client, film, kind="everything")
    finished(film["id"], made["id"])
    answer = client.post(
        f"/api/films/{film['id']}/languages", json={"language": "es", "name": "Spanish"}
    )
    cut = answer.json()["film"]
    pictures = [
        s["takes"][0]["media"] for s in client.get(f"/api/films/{film['id']}").json()["shots"]
    ]
    now = client.get(f"/api/films/{cut}").json()
    assert (now["language"], now["narrator"][:2]) == ("es", "es")
    run = start(client, now, kind="translation")
    assert not finished(cut, run["id"])["failures"]
    view = client.get(f"/api/films/{cut}/translation").json()
    assert all(r["by"] == "service" and r["text"] for r in view["rows"])
    assert any("lámpara" in r["text"] for r in view["rows"])
    assert view["original"] == film["id"] and view["behind"] == []
    run = start(client, client.get(f"/api/films/{cut}").json(), kind="everything")
    ended = finished(cut, run["id"])
    assert not ended["failures"]
    now = client.get(f"/api/films/{cut}").json()
    assert [s["takes"][0]["media"] for s in now["shots"]] == pictures
    spent = client.get(f"/api/films/{cut}/runs").json()[0]["cost"]
    assert spent < 0.01, "voices and nothing else were paid for"
    view = client.get(f"/api/films/{cut}/translation").json()
    assert all(r["spoken"] for r in view["rows"])
    captions = " ".join(line for c in now["captions"] for line in c["lines"])
    assert "lámpara" in captions and "lamp was" not in captions
    said = client.get(f"/api/films/{cut}/lines/0").json()
    assert said["translated"] and said["voice"].startswith("es") and said["takes"][0]["media"]
    (known,) = [
        v
        for v in client.get(f"/api/films/{film['id']}/languages").json()["languages"]
        if not v["original"]
    ]
    assert known["translated"] == known["passages"] and not known["stale"]
    stands_beneath(client, film["id"], stack.shop)
    # And it is delivered with captions in both.
    here = change(
        client,
        film["id"],
        type="set settings",
        values={"captions": "track", "captions_also": ["es", "pl"], "titles": "high"},
    )
    run = start(client, here, kind="delivery", size="360p")
    outcome = finished(film["id"], run["id"])["outcome"]
    assert [told["language"] for told in outcome["also"]] == ["es"], "of those that it is kept in"
    assert all(c["good"] for c in outcome["checks"])
    assert ("tracks of captions in the file", 2) in [
        (c["what"], c["found"]) for c in outcome["checks"]
    ]
    assert any("contrast" in f["what"] for f in outcome["figures"]), "titles are measured"
    answer = client._client.get(f"/api/runs/{run['id']}/files/film.es.srt")
    assert "lámpara" in answer.text and 'filename="' in answer.headers["content-disposition"]
    assert client._client.get(f"/api/runs/{run['id']}/files/film.pl.srt").status_code == 404


def stands_beneath(client, film: str, shop) -> None:
    """In the picture of a film in its own language the other may stand beneath, as its cut has it now."""
    plain = shop.assembled(film)
    assert not any(c.beneath for c in plain.timeline.captions)
    change(client, film, type="set settings", values={"captions_beneath": "pl"})
    assert shop.assembled(film).timeline.captions == plain.timeline.captions, "no cut is Polish"
    change(client, film, type="set settings", values={"captions_beneath": "es"})
    both = shop.assembled(film)
    beneath = " ".join(line for c in both.timeline.captions for line in c.beneath)
    assert "lámpara" in beneath and both.appearance != plain.appearance
    drawn = [client._client.get(f"/api/films/{film}/frame", params={"at": 14}).content]
    change(client, film, type="set settings", values={"captions_beneath": ""})
    drawn.append(client._client.get(f"/api/films/{film}/frame", params={"at": 14}).content)
    assert drawn[0] != drawn[1]


def test_the_writers_texts_come_in_the_language_of_a_cut(client, film, spanish) -> None:
    """The writer writes English; the translator, Spanish."""
    at = f"/api/films/{spanish['film']}/publishing"
    written = f"/api/films/{film['id']}/publishing/written"
    english = client.post(written, json={"field": "title"}).json()
    titles = client.post(f"{at}/written", json={"field": "title"}).json()
    assert len(titles["texts"]) == len(english["texts"])
    assert all(a != b for a, b in zip(titles["texts"], english["texts"], strict=True))
    assert any(
        set(t.lower().split()) & {"el", "la", "los", "las", "un", "una"} for t in titles["texts"]
    )
    assert titles["cost"] > english["cost"], "both are paid"
    drafted = client.get(at).json()["drafted"]["description"]
    asked = client.post(f"{at}/written", json={"field": "description", "how": "tighten"}).json()
    opening, _, rest = asked["texts"][0].partition("\n\n")
    assert rest == drafted.partition("\n\n")[2], "chapters and credits stay as they are"
    assert (
        opening
        and opening
        not in client.post(written, json={"field": "description", "how": "tighten"}).json()[
            "texts"
        ][0]
    )


def test_a_table_goes_out_and_comes_back_as_one_change(client, film, spanish) -> None:
    cut = spanish["film"]
    rows = table_of(client, cut)
    said = [r for r in rows if not r["number"].startswith("screen")]
    assert said[0]["words"] == "The lamp was dark." and float(said[0]["seconds"]) > 0.5
    assert said[1]["who"] == "Ada"
    said[0]["translation"], said[1]["translation"] = (
        "La lámpara estaba apagada.",
        "«Hay que remar»,",
    )
    stranger = {**said[0], "number": "999", "words": "Nobody wrote this.", "translation": "Nadie."}
    taken = bring(client, cut, [*rows, stranger]).json()
    assert (taken["taken"], taken["same"], taken["left"]) == (2, 0, ["Nobody wrote this."])
    assert taken["empty"] == len(rows) - 2
    now = client.get(f"/api/films/{cut}").json()
    assert now["undo"] == "translate 2 passages"
    assert bring(client, cut, rows).json()["same"] == 2, "brought again, it changes nothing"
    assert client.get(f"/api/films/{cut}").json()["revision"] == now["revision"]
    client.post(f"/api/films/{cut}/undo")
    assert not any(r["text"] for r in client.get(f"/api/films/{cut}/translation").json()["rows"])
    empty = bring(client, cut, [{**r, "translation": ""} for r in rows])
    assert empty.status_code == 422 and "Nothing in that table" in empty.text


@pytest.mark.long
def test_what_becomes_of_the_original_is_taken_over_on_demand(
    client, film, spanish, finished
) -> None:
    cut, original = spanish["film"], film["id"]
    rows = table_of(client, cut)
    for row in rows:
        row["translation"] = f"¡{row['words']}!"
    bring(client, cut, rows)
    made = start(client, film, kind="everything")
    finished(original, made["id"])
    now = client.get(f"/api/films/{original}").json()
    first, last = now["words"][2], now["words"][3]
    change(client, original, type="edit text", start=first[0], end=last[1], insert="was cold.")
    shot = now["shots"][0]
    change(client, original, type="circle take", shot=shot["id"], take=shot["takes"][0]["id"])
    behind = client.get(f"/api/films/{cut}/translation").json()["behind"]
    assert {"words", "picture"} <= {d["sort"] for d in behind}
    assert client.post(f"/api/films/{cut}/follow").status_code == 204
    view = client.get(f"/api/films/{cut}/translation").json()
    assert view["behind"] == []
    assert [r["source"] for r in view["rows"] if r["stale"]] == ["The lamp was cold."]
    here = client.get(f"/api/films/{cut}").json()
    assert here["shots"][0]["own_circled"] in [t["id"] for t in here["shots"][0]["takes"]]
    assert here["shots"][0]["takes"][0]["media"] == shot["takes"][0]["media"]
    assert here["undo"].startswith("take over")
    client.post(f"/api/films/{cut}/undo")
    assert client.get(f"/api/films/{cut}/translation").json()["behind"]


@pytest.mark.parametrize(("language", "says"), [("en", "in this language already"), ("tlh", "")])
def test_a_language_is_one_that_the_film_is_not_in(client, film, language: str, says: str) -> None:
    answer = client.post(
        f"/api/films/{film['id']}/languages", json={"language": language, "name": "x"}
    )
    assert (answer.status_code, says in answer.text) == (422 if says else 201, True)
    if not says:
        cut = answer.json()["film"]
        run = client.post(f"/api/films/{cut}/runs", json={"kind": "translation"})
        assert run.status_code == 422 and "does not write this language" in run.text
        again = client.post(f"/api/films/{cut}/languages", json={"language": "de", "name": "y"})
        assert again.status_code == 422 and "a translation itself" in again.text


def test_a_cut_as_it_is_written_has_no_table(client, film) -> None:
    for path in ("translation", "translation.csv", "translation.xlf"):
        answer = client._client.get(f"/api/films/{film['id']}/{path}")
        assert answer.status_code == 422 and "language of its manuscript" in answer.text
