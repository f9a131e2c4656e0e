"""Who does what when in a shot's picture: from the words, in phase with them; and what a picture is made of as it moves."""

from dataclasses import replace
from decimal import Decimal
from itertools import pairwise

import numpy as np
import pytest

from cutreel.core.continuity import Overrides, OwnAct
from cutreel.core.film import (
    Offered,
    ReadFilm,
    Result,
    Settings,
    TakeRow,
    acts_planned,
    acts_told,
    assemble,
    figures_in,
    named,
    new_film,
    read_film,
    targets_in,
)
from tests.labelled import parses_of

STORY = (
    "Ada lifted the lantern and looked across the water. The heron walked along the shore. "
    "“We must row,” said Ada, and Bram nodded.\n"
)


def take(shot: int, names: dict[str, str], legs: bool = True, **about) -> TakeRow:
    """A take whose picture has figures in pieces: names as the picture calls them, with what each is."""
    strips = [
        {"layer": 0, "media": "back.png", "moves": {"kind": "water", "top": 0.5, "bottom": 1.0}}
    ]
    strips += [
        {"layer": 1, "media": f"{n}.png", "figure": f"{n}.json", "name": n, "kind": k, "legs": legs}
        for n, k in names.items()
    ]
    strips += [{"layer": 2, "media": "snow.png", "moves": {"kind": "weather"}}]
    return TakeRow(
        id=f"t{shot}", shot=shot, number=1, made_from="x", seed=1, prompt="", negative="", offer="o",
        media="m.png", thumb="t.jpg", layers=(("a.png", 0.0), ("b.png", 0.55), ("c.png", 1.0)),
        about={
            "strips": strips,
            "regions": [{"name": n, "box": [0.2, 0.1, 0.4, 0.9]} for n in names],
            "flames": [[0.3, 0.4, 0.2]],
            **about,
        },
        brought=False, cost=Decimal(0),
    )  # fmt: skip


@pytest.fixture(scope="module")
def read() -> ReadFilm:
    parses = parses_of(STORY)
    film, _ = new_film("t", STORY, Settings(pace=2.5), parses=parses)
    film.shots[0].own = Overrides(framing="medium")
    film.shots[-1].own = Overrides(framing="medium", people=[p.id for p in film.cast])
    return read_film(film, Offered(600), parses=parses)


def with_own(read: ReadFilm, index: int, **own) -> ReadFilm:
    """The film with something of a shot set by hand."""
    film = read.document.model_copy(deep=True)
    film.shots[index].own = Overrides(**{"framing": "medium", **own})
    return read_film(film, Offered(600), parses=read.parses)


def test_deeds_are_acted_by_whoever_does_them_at_their_words(read) -> None:
    (figure,) = figures_in(take(1, {"ada": "person"}))
    planned = acts_planned(read, read.shots[0], [figure])
    words = read.script.words
    assert [(p.action, words[p.word].bare) for p in planned] == [
        ("lift", "lifted"),
        ("look toward", "looked"),
    ]
    assert [p.why for p in planned] == ["“lifted”", "“looked”"]


def test_an_animal_does_as_animals_do(read) -> None:
    shot = next(s for s in read.shots if "walked" in s.text)
    planned = acts_planned(read, shot, figures_in(take(2, {"heron": "animal"})))
    assert [p.action for p in planned] == ["trot"]


def test_who_speaks_speaks_and_the_teller_does_not(read) -> None:
    shot = next(s for s in read.shots if "row" in s.text)
    planned = acts_planned(read, shot, figures_in(take(3, {"ada": "person", "bram": "person"})))
    assert ("ada", "speak") in {(p.figure, p.action) for p in planned}
    assert "speak" not in {p.action for p in planned if p.figure == "bram"}
    alone = acts_planned(read, read.shots[0], figures_in(take(1, {"ada": "person"})))
    assert "speak" not in {p.action for p in alone}


def test_near_nobody_does_what_would_not_be_seen(read) -> None:
    close = with_own(read, 0, framing="close")
    planned = acts_planned(close, close.shots[0], figures_in(take(1, {"ada": "person"})))
    assert [p.action for p in planned] == ["look toward"]


def test_nobody_walks_whose_legs_are_not_seen(read) -> None:
    parses = parses_of("Ada walked home and waved.\n")
    film, _ = new_film("t", "Ada walked home and waved.\n", Settings(pace=3), parses=parses)
    one = read_film(film, Offered(600), parses=parses)
    free = acts_planned(one, one.shots[0], figures_in(take(1, {"ada": "person"})))
    seated = acts_planned(one, one.shots[0], figures_in(take(1, {"ada": "person"}, legs=False)))
    assert [p.action for p in free] == ["walk", "wave"] and [p.action for p in seated] == ["wave"]


def test_figures_are_who_they_are_called_and_one_alone_is_the_other_alone(read) -> None:
    people = read.shots[0].people
    figures = figures_in(take(1, {"ada": "person"}))
    assert {n: p.name for n, p in named(people, figures).items()} == {"ada": "Ada"}
    stranger = figures_in(take(1, {"a woman": "person"}))
    assert {n: p.name for n, p in named(people, stranger).items()} == {"a woman": "Ada"}
    beast = figures_in(take(1, {"fox": "animal"}))
    assert named(people, beast) == {}, "a fox is no person"


def test_the_maker_has_the_last_word(read) -> None:
    own = with_own(read, 0, acts=[OwnAct(figure="ada", action="shrug", word=None)])
    (planned,) = acts_planned(own, own.shots[0], figures_in(take(1, {"ada": "person"})))
    assert (planned.action, planned.word, planned.why) == ("shrug", None, "set by hand")
    none = with_own(read, 0, acts=[])
    assert acts_planned(none, none.shots[0], figures_in(take(1, {"ada": "person"}))) == []
    assert acts_told(own, own.shots[0], take(1, {"ada": "person"})) == ["Ada: shrug"]
    with pytest.raises(ValueError, match="no action"):
        OwnAct(figure="ada", action="explode")


def assembled(read: ReadFilm, **spoken):
    takes = {s.shot.id: [take(s.shot.id, {"ada": "person"})] for s in read.shots}
    return assemble("f", read, takes, lambda keys: {k: spoken[k] for k in keys if k in spoken})


def test_an_act_is_in_phase_with_its_word_and_within_its_shot(read) -> None:
    film = assembled(read)
    strips = film.strips(0)
    acting = next(s.acting for s in strips if s.acting)
    begin = film.rate.seconds(film.spans[0].start)
    lifted = next(i for i, w in enumerate(read.script.words) if w.bare == "lifted")
    at = float(film.timing.words[lifted, 0]) - begin
    act = acting.acts[0]
    assert act.action == "lift" and act.start < at < act.start + act.seconds
    starts = [a.start for a in acting.acts]
    assert starts == sorted(starts) and all(b - a >= 0.9 for a, b in pairwise(starts))


def test_a_picture_is_made_of_its_parts_from_back_to_front(read) -> None:
    strips = assembled(read).strips(0)
    assert [s.media for s in strips] == ["back.png", "ada.png", "snow.png"]
    assert strips[0].water is not None and strips[0].water.top == 0.5
    assert strips[1].figure == "ada.json" and strips[1].depth == 0.55
    snowy = with_own(read, 0, weather="snow")
    falling = assembled(snowy)
    assert [s.media for s in falling.strips(0)] == ["back.png", "ada.png"], (
        "drawn snow does not hang still"
    )
    assert [a.kind for a in falling.timeline.clips[0].air] == ["snow"]


def test_where_the_camera_alone_is_to_move_the_picture_is_as_it_was(read) -> None:
    film = read.document.model_copy(deep=True)
    film.settings.movement = "camera"
    quiet = assembled(read_film(film, Offered(600), parses=read.parses))
    clip = quiet.timeline.clips[0]
    assert (clip.strips, clip.air, clip.flames) == ((), (), ())
    assert assembled(read).appearance != quiet.appearance


def test_lips_follow_the_voice_of_the_lines_that_are_theirs(read) -> None:
    index, line = next((i, w) for i, w in enumerate(read.speech) if w.speaker == "Ada")
    words = line.end - line.first
    sound = Result(
        line.key, "speech", "v.flac",
        {
            "seconds": 1.0,
            "trim": [4800, 52_800],
            "words": [[n / words, (n + 1) / words] for n in range(words)],
            "phones": [
                {"text": "w", "start": 0.1, "end": 0.3},
                {"text": "iy", "start": 0.3, "end": 0.7},
                {"text": "m", "start": 0.7, "end": 1.0},
            ],
        },
        Decimal(0),
    )  # fmt: skip
    film = assembled(read, **{line.key: sound})
    at = next(i for i, s in enumerate(read.shots) if s.first <= line.first < s.end)
    acting = next(s.acting for s in film.strips(at) if s.acting)
    begin = film.timing.lines[index] - film.rate.seconds(film.spans[at].start)
    assert [shape for _, shape in acting.mouth] == ["pucker", "spread", "pressed", "rest"]
    # The voice's silence of a tenth of a second in front is cut away; lips are a frame or two early.
    assert acting.mouth[0][0] == pytest.approx(max(0.0, begin - 0.06), abs=0.01)
    others = [film.strips(i) for i in range(len(read.shots)) if i != at]
    assert all(not s.acting.mouth for strips in others for s in strips if s.acting)


def test_what_is_known_in_a_picture_can_be_aimed_at() -> None:
    targets = targets_in(take(1, {"ada": "person"}))
    assert targets["ada"] == pytest.approx((0.3, 0.1 + 0.8 * 0.3))
    assert targets["lantern"] == (0.3, 0.4)
    assert np.allclose(targets["fire"], (0.3, 0.4))


def test_words_aim_the_camera_at_somebody_in_the_picture(read) -> None:
    told = with_own(read, 0, motion="quick push in on Ada")
    clip = assembled(told).timeline.clips[0]
    assert clip.path is not None and clip.path.last.zoom > 1.3 and clip.path.last.x < 0.45
    plain = with_own(read, 0, motion="pan to the left")
    assert assembled(plain).timeline.clips[0].path is None
    assert assembled(plain).timeline.clips[0].move == "pan left"


def test_a_clip_stands_in_place_of_the_picture_and_the_camera_stands_still(read) -> None:
    clip = {"media": "c.mp4", "frames": 120, "rate": 24, "seconds": 5.0}
    takes = {s.shot.id: [take(s.shot.id, {}, clip=clip)] for s in read.shots}
    film = assemble("f", read, takes, lambda keys: {})
    shown = film.timeline.clips[0]
    assert shown.footage is not None and shown.footage.seconds == 5.0
    assert shown.move == "still" and shown.air == ()
    asked = with_own(read, 0, move="push", fit="hold")
    again = assemble("f", asked, takes, lambda keys: {}).timeline.clips[0]
    assert again.move == "push" and again.footage.how == "hold"


TWO = "Bram waited. Ada gave Bram the rope. Then Ada stroked the dog.\n"


def two(**figures: str) -> tuple[ReadFilm, TakeRow]:
    film, _ = new_film("t", TWO, Settings(pace=9), parses=parses_of(TWO))
    film.shots[0].own = Overrides(framing="wide")
    boxes = {
        "ada": [0.2, 0.2, 0.35, 0.9],
        "bram": [0.5, 0.2, 0.65, 0.9],
        "dog": [0.7, 0.6, 0.9, 0.9],
    }
    row = take(1, figures)
    strips = [{**s, "size": [1280, 720]} for s in row.about["strips"]]
    regions = [{"name": n, "box": boxes[n]} for n in figures]
    row = replace(row, about={**row.about, "strips": strips, "regions": regions})
    return read_film(film, Offered(600), parses=parses_of(TWO)), row


def test_two_act_on_each_other_and_the_second_answers_a_little_later() -> None:
    read, row = two(ada="person", bram="person", dog="animal")
    planned = {(p.figure, p.action): p for p in acts_planned(read, read.shots[0], figures_in(row))}
    assert planned["ada", "hand over"].to == "bram"
    answer = planned["bram", "reach"]
    assert (
        answer.to == "ada"
        and answer.after > 0.3
        and answer.word == planned["ada", "hand over"].word
    )
    assert planned["dog", "wag"].to == "ada"
    film = assemble("f", read, {1: [row]}, lambda keys: {})
    acts = {s.figure: {a.action: a for a in s.acting.acts} for s in film.strips(0) if s.acting}
    gives, takes = acts["ada.json"]["hand over"], acts["bram.json"]["reach"]
    assert takes.start - gives.start > 0.3
    # Her hand goes to him, and his to her: to the side of each that is nearer to the other.
    assert 0.5 * 1280 < gives.to[0] < 0.575 * 1280
    assert 0.275 * 1280 < takes.to[0] < 0.35 * 1280


def test_who_is_not_in_the_picture_answers_nothing() -> None:
    read, row = two(ada="person")
    planned = acts_planned(read, read.shots[0], figures_in(row))
    assert {p.figure for p in planned} == {"ada"}
    assert all(p.to is None for p in planned)
