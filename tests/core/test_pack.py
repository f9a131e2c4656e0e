"""The prompt pack and the way back: prompts of every kind, files matched to shots by number or by order."""

import csv
import io
import json

import pytest

from cutreel.core.errors import NotFound
from cutreel.core.film import (
    Offered,
    Settings,
    apply_command,
    match_files,
    new_film,
    pack_of,
    prompts_of,
    read_film,
)
from cutreel.core.film.commands import SamePicture, SetMark, SetShots
from cutreel.core.film.prompts import CAPS
from tests.conftest import STORY

FILM, USED = new_film("The Lamp", STORY, Settings(pace=5))
READ = read_film(FILM, Offered(400))


def test_four_prompts_are_composed_for_every_shot_within_their_caps() -> None:
    for shot in READ.shots:
        found = prompts_of(shot, READ)
        for kind in ("motion", "direction", "sound"):
            prompt = getattr(found, kind)
            assert len(prompt.text) <= CAPS[kind] and prompt.fits
            assert prompt.text == ". ".join(w for _, w in prompt.pieces) + (
                "." if prompt.pieces else ""
            )
        assert (
            found.picture is shot.prompt
            and found.motion.pieces[0][0] == "move"
            and found.direction.text
        )
    spoken = next(s for s in READ.shots if "“He follows me,”" in s.text)
    assert "Pip" in prompts_of(spoken, READ).direction.text
    windy = next(s for s in READ.shots if s.facts.weather == "wind")
    assert (
        "wind" in prompts_of(windy, READ).motion.text
        and "wind" in prompts_of(windy, READ).sound.text
    )


def test_what_is_written_by_hand_stands_and_how_words_are_said_is_read() -> None:
    film, used = new_film(
        "t", "“Come here,” Ada whispered softly. Ada waited. Ada ran.", Settings()
    )
    shot = read_film(film, Offered(400)).shots[0]
    assert "Ada: whispers softly" in prompts_of(shot, read_film(film, Offered(400))).direction.text
    film, used, _ = apply_command(
        film, SetShots(shots=[shot.shot.id], values={"direction": "flat, tired"}), used
    )
    found = read_film(film, Offered(400))
    assert prompts_of(found.shots[0], found).direction.pieces == (("hand", "flat, tired"),)


def test_the_pack_says_the_same_in_every_format() -> None:
    rows = json.loads(pack_of(READ, "json"))
    table = list(csv.DictReader(io.StringIO(pack_of(READ, "csv"), newline="")))
    text = pack_of(READ, "md")
    assert len(rows) == len(table) == len(READ.shots)
    for row, line, shot in zip(rows, table, READ.shots, strict=True):
        assert {k: str(v) for k, v in row.items()} == line
        assert row["picture"] == shot.prompt.text in text and row["edge"] == shot.shot.edge
        assert f"## {row['number']:03d}, shot {row['edge']}" in text
    with pytest.raises(NotFound):
        pack_of(READ, "pdf")


def shots_of(names: list[str], film: object = READ) -> list[str | None]:
    edges = {s.shot.id: s.shot.edge for s in film.shots}  # type: ignore[attr-defined]
    return [edges.get(m.shot) if m.shot else None for m in match_files(names, film)]  # type: ignore[arg-type]


def test_files_find_their_shots_by_number_edge_or_order() -> None:
    assert shots_of(["003.png", "012.png", "999.png"]) == ["3", "12", None]
    assert shots_of(["out/shot 7 final.png", "image_0004_v2.jpg", "no_number.png"]) == [
        "7",
        "4",
        None,
    ]
    assert shots_of(["b.png", "a.png"]) == ["1", "2"]
    film, used, _ = apply_command(FILM, SetMark(word=FILM.word_ids[READ.shots[1].first + 2]), USED)
    found = read_film(film, Offered(400))
    assert shots_of(["shot 2A.png", "2A.png", "003.png", "shot 3.png"], found) == [
        "2A",
        "2A",
        "2A",
        "3",
    ]
    film, used, _ = apply_command(
        film, SamePicture(shot=film.shots[1].id, of=film.shots[0].id), used
    )
    assert shots_of(["x.png", "y.png"], read_film(film, Offered(400))) == ["1", "2A"]
    assert [m.why for m in match_files(["z.png"] * 60, found)][-1] == "more files than shots"
