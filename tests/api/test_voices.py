"""Voices and lines, over the running stack: described, heard on the line, kept; directed, said again, said
otherwise."""

from xml.etree import ElementTree

import pytest

from tests.api.test_retouch import start
from tests.api.test_rules import change

# What the offers state.
A_REQUEST, A_CHARACTER = 0.004, 0.00001


def line(client, film: dict, n: int) -> dict:
    answer = client.get(f"/api/films/{film['id']}/lines/{n}")
    assert answer.status_code == 200, answer.text
    return answer.json()


def all_lines(client, film: dict) -> list[dict]:
    out: list[dict] = []
    while client.get(f"/api/films/{film['id']}/lines/{len(out)}").status_code == 200:
        out.append(line(client, film, len(out)))
    return out


def spent(client, film: dict) -> float:
    return client.get(f"/api/films/{film['id']}/spending").json()["film"]


def test_a_line_is_told_with_its_words_at_their_moments(client, spoken) -> None:
    for said in all_lines(client, spoken):
        (take,) = said["takes"]
        assert take["media"] and take["peaks"] and not said["anew"]
        starts = [w["start"] for w in said["words"]]
        assert starts == sorted(starts) and starts[0] >= 0
        assert said["words"][-1]["end"] <= take["seconds"] + 0.01


def test_voices_by_description_say_the_line_and_one_is_kept(client, spoken, finished) -> None:
    film = spoken
    base = f"/api/films/{film['id']}"
    said = next(li for li in all_lines(client, film) if li["person"])
    before = spent(client, film)
    wish = {"description": "a young man, warm, lilac"}
    made = client.post(f"{base}/voices", json=wish).json()
    assert made["unused"] == ["lilac"] and len(made["voices"]) == 3
    assert made["cost"] == pytest.approx(A_REQUEST)
    assert client.post(f"{base}/voices", json=wish).json() == made, "asked once, paid once"
    assert spent(client, film) - before == pytest.approx(A_REQUEST)
    names = [v["name"] for v in made["voices"]]
    heard = client.get(f"{base}/lines/{said['line']}/heard", params={"voice": names}).json()
    assert [h["media"] for h in heard] == [None] * 3
    run = start(client, film, kind="audition", line=said["line"], voices=names)
    run = finished(film["id"], run["id"])
    assert run["state"] == "done" and not run["failures"], run
    heard = client.get(f"{base}/lines/{said['line']}/heard", params={"voice": names}).json()
    assert len({h["media"] for h in heard}) == 3 and all(h["media"] for h in heard)
    best = made["voices"][1]
    voice = {
        "name": "warm", "voice": best["name"], "description": wish["description"],
        "pronoun": best["pronoun"], "age": best["age"], "length": best["length"], "pitch": best["pitch"],
    }  # fmt: skip
    change(client, film["id"], type="keep voice", voice=voice, **{"for": said["person"]})
    now = line(client, film, said["line"])
    assert now["voice"] == best["name"]
    # It said this line already: that is not paid again.
    assert now["takes"][0]["media"] == heard[1]["media"]
    assert client.get(base).json()["voices"][0]["name"] == "warm"


def test_a_line_is_directed_for_its_price_and_its_words_of_no_use_are_told(
    client, spoken, finished
) -> None:
    film = spoken
    said = line(client, film, 0)
    own = {"word": said["word"], "direction": "slowly, mauve"}
    change(client, film["id"], type="set line", line=own)
    now = line(client, film, 0)
    assert now["direction"] == "slowly, mauve" and now["takes"][0]["media"] is None
    wish = {"kind": "speech", "lines": [0]}
    told = client.post(f"/api/films/{film['id']}/estimate", json=wish).json()["cost"]
    text = " ".join(w["text"] for w in said["words"])
    assert told == pytest.approx(len(text) * A_CHARACTER)
    run = finished(film["id"], start(client, film, **wish)["id"])
    assert run["state"] == "done", run
    take = line(client, film, 0)["takes"][0]
    assert take["seconds"] > said["takes"][0]["seconds"] * 1.08
    assert take["unused"] == ["mauve"]
    # As it was: what was said so is found again.
    change(client, film["id"], type="set line", line={"word": said["word"]})
    assert line(client, film, 0)["takes"][0]["media"] == said["takes"][0]["media"]


def test_a_line_has_takings_of_which_one_is_used(client, spoken, finished) -> None:
    film = spoken
    word = line(client, film, 0)["word"]
    change(client, film["id"], type="set line", line={"word": word, "seed": 1, "takes": 2})
    finished(film["id"], start(client, film, kind="speech", lines=[0])["id"])
    both = line(client, film, 0)
    assert both["seed"] == 1 and len({t["media"] for t in both["takes"]}) == 2
    assert all(t["media"] for t in both["takes"])
    change(client, film["id"], type="set line", line={"word": word, "seed": 0, "takes": 2})
    back = line(client, film, 0)
    assert back["takes"] == both["takes"] and back["seed"] == 0


def test_a_word_sounds_otherwise_in_its_lines_alone(client, spoken, finished) -> None:
    film = spoken
    before = all_lines(client, film)
    word = next(w for w in before[0]["words"] if len(w["text"]) > 3 and w["text"].isalpha())
    change(client, film["id"], type="say word", word=word["text"], sounds="oblong")
    after = all_lines(client, film)
    for old, new in zip(before, after, strict=True):
        has = word["text"].lower() in [w["text"].lower().strip('.,!?“”"') for w in old["words"]]
        assert new["anew"] == has
        assert new["takes"][0]["media"] == old["takes"][0]["media"], "heard as before until then"
        assert any(w["sounds"] == "oblong" for w in new["words"]) == has
    finished(film["id"], start(client, film, kind="speech")["id"])
    now = line(client, film, 0)
    starts = [w["start"] for w in now["words"]]
    assert not now["anew"] and starts == sorted(starts)
    assert now["takes"][0]["media"] != before[0]["takes"][0]["media"]


@pytest.mark.parametrize(
    ("command", "says"),
    [
        ({"type": "set line", "line": {"word": 999_999}}, "not in the manuscript"),
        ({"type": "drop voice", "id": 7}, "not in the film"),
        ({"type": "set line", "line": {"word": 1, "direction": "x" * 201}}, ""),
        ({"type": "say word", "word": "two words", "sounds": "x"}, ""),
    ],
)
def test_what_may_not_be_is_refused(client, film, command, says) -> None:
    revision = client.get(f"/api/films/{film['id']}").json()["revision"]
    body = {"revision": revision, "command": command}
    answer = client.post(f"/api/films/{film['id']}/changes", json=body)
    assert 400 <= answer.status_code < 500, answer.text
    assert says in answer.text


def test_a_voice_that_is_none_is_a_failure_that_says_so(client, spoken, finished) -> None:
    run = start(client, spoken, kind="audition", line=0, voices=["nobody-1"])
    run = finished(spoken["id"], run["id"])
    assert run["failures"] and "nobody-1" in str(run["failures"])


def test_dead_air_is_told_before_it_goes_and_the_film_is_shorter_by_so_much(client, spoken) -> None:
    film, base = spoken, f"/api/films/{spoken['id']}"
    ask = {"comma": 0.1, "stop": 0.1}
    told = client.get(f"{base}/dead-air", params=ask).json()
    assert client.get(f"{base}/dead-air").json() == {"seconds": told["seconds"], "saved": 0.0}
    assert 0 < told["saved"] < told["seconds"] / 2
    before = [li["seconds"] for li in client.get(base).json()["lines"]]
    values = {"comma_pause": 0.1, "stop_pause": 0.1}
    change(client, film["id"], type="set settings", values=values)
    after = [li["seconds"] for li in client.get(base).json()["lines"]]
    assert sum(before) - sum(after) == pytest.approx(told["saved"], abs=0.02)
    cut = [c for li in all_lines(client, film) for c in li["cuts"]]
    assert sum(b - a for a, b in cut) == pytest.approx(told["saved"], abs=0.02)


def test_a_line_is_heard_in_a_room_and_said_no_second_time(client, spoken) -> None:
    film = spoken
    said = line(client, film, 0)
    assert (said["room"], said["room_own"]) == ("dry", None)
    own = {"word": said["word"], "room": "telephone"}
    change(client, film["id"], type="set line", line=own)
    now = line(client, film, 0)
    assert (now["room"], now["room_why"], now["room_own"]) == (
        "telephone",
        "set by hand",
        "telephone",
    )
    assert now["takes"] == said["takes"] and not now["anew"]
    assert "telephone" in client.get("/api/rules").json()["rooms"]


def test_a_lexicon_goes_out_and_comes_in_as_pls(client, film) -> None:
    """W3C Pronunciation Lexicon Specification 1.0: the name space, lexemes with grapheme and alias."""
    base = f"/api/films/{film['id']}"
    change(client, film["id"], type="say word", word="Saltmere", sounds="salt meer")
    out = client.get(f"{base}/lexicon")
    assert out.headers["content-type"].startswith("application/pls+xml")
    root = ElementTree.fromstring(out.content)
    ns = {"p": "http://www.w3.org/2005/01/pronunciation-lexicon"}
    assert root.tag == f"{{{ns['p']}}}lexicon" and root.attrib["version"] == "1.0"
    assert (
        root.attrib["alphabet"] == "ipa"
        and root.attrib["{http://www.w3.org/XML/1998/namespace}lang"]
    )
    pairs = [
        (x.find("p:grapheme", ns).text, x.find("p:alias", ns).text)
        for x in root.findall("p:lexeme", ns)
    ]
    assert pairs == [("Saltmere", "salt meer")]
    # The specification's own kinds of entries: several graphemes, several aliases, phonemes alone.
    data = (
        '<?xml version="1.0"?><lexicon version="1.0" alphabet="ipa" xml:lang="en" xmlns="http://www.w3.org/2005/01/'
        'pronunciation-lexicon"><lexeme><grapheme>Wyn</grapheme><grapheme>Wynn</grapheme><alias>win</alias>'
        "<alias>wine</alias></lexeme><lexeme><grapheme>Sepulveda</grapheme><phoneme>səˈpʌlvɪdə</phoneme></lexeme></lexicon>"
    ).encode()
    taken = client.post(f"{base}/lexicon", files={"file": ("a.pls", data)}).json()
    assert taken == {"taken": 3, "left": []}
    words = {s["word"]: s for s in client.get(base).json()["lexicon"]}
    assert words.pop("Sepulveda")["phonemes"] == "səˈpʌlvɪdə"
    assert {w: s["sounds"] for w, s in words.items()} == {
        "Saltmere": "salt-meer",
        "Wyn": "win",
        "Wynn": "win",
    }
    again = client.post(f"{base}/lexicon", files={"file": ("a.pls", out.content)}).json()
    assert again == {"taken": 1, "left": []}


@pytest.mark.parametrize(
    "data",
    [
        b"not xml",
        b"<lexicon/>",
        b'<!DOCTYPE x [<!ENTITY a "b"><!ENTITY c "&a;&a;">]><lexicon>&c;</lexicon>',
        b'<lexicon version="1.0" xmlns="http://www.w3.org/2005/01/pronunciation-lexicon"></lexicon>',
    ],
)
def test_what_is_no_lexicon_is_refused_with_what_to_do(client, film, data) -> None:
    answer = client.post(f"/api/films/{film['id']}/lexicon", files={"file": ("a.pls", data)})
    assert 400 <= answer.status_code < 500, answer.text
    assert "PLS" in answer.text or "alias" in answer.text


def test_a_word_is_stressed_slower_and_behind_a_pause(client, spoken, finished) -> None:
    base = f"/api/films/{spoken['id']}"
    said = line(client, spoken, 0)
    word = said["words"][1]
    mark = {"word": word["number"], "stress": True, "pace": "slow", "pause": 0.5}
    change(client, spoken["id"], type="mark words", marks=[mark])
    now = line(client, spoken, 0)
    assert now["words"][1]["mark"] == mark and now["anew"], "heard as before until it is said so"
    cost = client.post(f"{base}/estimate", json={"kind": "speech", "lines": [0]}).json()["cost"]
    text = " ".join(w["text"] for w in said["words"])
    run = finished(spoken["id"], start(client, spoken, kind="speech", lines=[0])["id"])
    assert run["state"] == "done" and not run["failures"], run
    assert run["cost"] == pytest.approx(len(text) * A_CHARACTER), "tags are not paid for"
    assert cost == pytest.approx(run["cost"])
    marked = line(client, spoken, 0)
    longer = marked["takes"][0]["seconds"] - said["takes"][0]["seconds"]
    assert longer > 0.5
    gap = marked["words"][1]["start"] - marked["words"][0]["end"]
    assert gap > 0.4
    assert spoken["revision"] < client.get(f"/api/films/{spoken['id']}").json()["revision"]
    script = client.get(f"{base}/ssml")
    assert script.headers["content-type"].startswith("application/ssml+xml")
    root = ElementTree.fromstring(script.content)
    voices = root.findall("{http://www.w3.org/2001/10/synthesis}voice")
    assert len(voices) == len(all_lines(client, spoken))
    assert '<break time="500ms" />' in ElementTree.tostring(voices[0], encoding="unicode").replace(
        "ns0:", ""
    )


def test_the_script_goes_out_and_comes_in_as_ssml(client, film) -> None:
    base = f"/api/films/{film['id']}"
    document = client.get(f"{base}/ssml").text
    word = ElementTree.fromstring(document).find(".//{*}p").text.split()[1]
    marked = document.replace(f" {word}", f" <emphasis>{word}</emphasis>", 1)

    def bring(text: str):
        return client.post(f"{base}/ssml", files={"file": ("script.ssml", text.encode())})

    taken = bring(marked)
    assert taken.status_code == 200, taken.text
    assert taken.json()["marked"] == 1 and taken.json()["found"] >= 20
    assert f'<emphasis level="strong">{word}</emphasis>' in client.get(f"{base}/ssml").text
    again = bring(marked)
    assert again.status_code == 422 and "nothing otherwise" in again.text
    other = bring('<speak version="1.1" xmlns="http://www.w3.org/2001/10/synthesis">Boo</speak>')
    assert other.status_code == 422 and "other words" in other.text
    client.get(base)  # what came in changed the film: whoever takes it back has seen that
    client.post(f"{base}/undo").raise_for_status()
    assert "<emphasis" not in client.get(f"{base}/ssml").text


def test_a_taking_is_rejected_with_its_reason_and_not_used(client, film) -> None:
    said = line(client, film, 0)
    own = {"word": said["word"], "takes": 2, "seed": 1, "rejected": {"0": "flat"}}
    change(client, film["id"], type="set line", line=own)
    assert line(client, film, 0)["rejected"] == {"0": "flat"}
    now = client.get(f"/api/films/{film['id']}").json()["revision"]
    command = {"type": "set line", "line": {**own, "seed": 0}}
    refused = client.post(
        f"/api/films/{film['id']}/changes", json={"revision": now, "command": command}
    )
    assert refused.status_code == 422 and "rejected" in refused.text


def test_names_are_told_with_how_they_are_said_and_where_they_are_heard(client, spoken) -> None:
    found = client.get(f"/api/films/{spoken['id']}/names").json()
    assert found and all(n["said"] for n in found)
    heard = [n for n in found if n["heard"]]
    assert heard and all(0 <= n["heard"]["start"] < n["heard"]["end"] for n in heard)
    change(client, spoken["id"], type="say word", word=found[0]["word"], sounds="/ˈsɔːlt/")
    again = client.get(f"/api/films/{spoken['id']}/names").json()
    now = next(n for n in again if n["word"] == found[0]["word"])
    assert (now["sounds"], now["phonemes"]) == ("salt", "ˈsɔːlt")


def test_a_voice_goes_into_the_company_and_into_another_film(client, film) -> None:
    voice = {"name": "Gull", "voice": "made-hoarse-1", "description": "hoarse, low"}
    member = client.post("/api/company", json={"card": {"voice": voice}}).json()
    (found,) = client.get("/api/company", params={"kind": "voice", "words": "hoarse"}).json()
    assert found["name"] == "Gull" and found["id"] == member["id"]
    taken = found["card"]["voice"]
    change(client, film["id"], type="keep voice", voice=taken, **{"for": 0})
    assert client.get(f"/api/films/{film['id']}").json()["voices"][0]["name"] == "Gull"
    assert client.delete(f"/api/company/{member['id']}").status_code == 204


def test_a_scene_and_a_speaker_have_a_manner_and_a_room_of_their_own(client, spoken) -> None:
    """What is set for a line holds before its speaker's, that before its scene's."""
    said = next(li for li in all_lines(client, spoken) if li["person"])
    told = said["room"]

    def now() -> dict:
        return line(client, spoken, said["line"])

    change(client, spoken["id"], type="set scene", word=said["scene"], manner="hushed", room="hall")
    assert now()["standing"] == "hushed" and now()["direction"].startswith("hushed")
    assert (now()["room"], now()["scene_room"]) == ("hall", "hall")
    teller = [li for li in all_lines(client, spoken) if not li["speaker"]]
    assert all(li["room"] == "dry" for li in teller), "whoever tells the story is in no room"
    person = next(
        p
        for p in client.get(f"/api/films/{spoken['id']}").json()["cast"]
        if p["id"] == said["person"]
    )
    change(
        client,
        spoken["id"],
        type="set person",
        person={**person, "manner": "slow", "room": "outdoors"},
    )
    assert now()["standing"] == "hushed, slow" and now()["room"] == "outdoors"
    own = {"word": said["word"], "room": "telephone"}
    change(client, spoken["id"], type="set line", line=own)
    assert now()["room"] == "telephone"
    for _ in range(3):
        client.post(f"/api/films/{spoken['id']}/undo")
    assert now()["room"] == told and now()["standing"] == said["standing"]
