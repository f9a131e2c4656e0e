"""Words on the screen: when they come, what they say, where they stand, and that captions and safe margins are kept."""

import numpy as np
import pytest

from cutreel.core.film import Offered, Settings, assemble, new_film, read_film
from cutreel.core.film.changes import apply_command
from cutreel.core.film.commands import SetCard
from cutreel.core.film.heads import Head, heads_seen
from cutreel.core.motion import OwnPath, PathFrame, Walked, path_for
from cutreel.core.render import CardSpan, PlannedShot, Scene, SegmentPlan, frames_of, planes_of
from cutreel.core.render.carded import IN, card_planes
from cutreel.core.titles import SORTS, TITLE_LOOKS, TitleLook, look_for, off_faces, plan_cards
from cutreel.core.titles.cards import LASTS, LEAST, ShotTold

pytestmark = pytest.mark.thorough

W, H = 640, 360
SAFE = 0.05
"""EBU R 95: the safe area for graphics of 16:9 leaves five in a hundred on each side."""


def shot(start: float, end: float, turn: str = "within", heading: str = "") -> ShotTold:
    return ShotTold(start, end, turn, heading, "The inn", "Night")


SHOTS = [
    shot(0, 6),
    shot(6, 12, "chapter", "The quay"),
    shot(12, 18),
    shot(18, 24, "place"),
    shot(24, 25, "hour"),
    shot(25, 33),
]


@pytest.mark.parametrize(
    ("amount", "sorts"),
    [
        ("off", []),
        ("low", ["title", "end"]),
        ("middle", ["title", "chapter", "end"]),
        ("high", ["title", "chapter", "place", "end"]),
    ],
)
def test_amounts_say_what_stands_on_the_screen(amount, sorts) -> None:
    cards = plan_cards(SHOTS, "The Lamp", amount)
    assert [c.sort for c in cards] == sorts
    for card in cards:
        there = SHOTS[card.shot]
        assert there.start < card.start < card.end <= there.end
        assert LEAST <= card.end - card.start <= LASTS[card.sort]
        assert card.why


def test_nothing_comes_where_nobody_could_read_it_and_never_two_at_once() -> None:
    assert plan_cards([shot(0, 1.5)], "The Lamp", "high") == []
    assert plan_cards([], "The Lamp", "high") == []
    one = plan_cards([shot(0, 4.5)], "The Lamp", "high")
    assert [c.sort for c in one] == ["title"]


def frames(card: CardSpan, look: TitleLook, count: int) -> list[np.ndarray]:
    grey = planes_of(np.full((H, W, 3), 120, np.uint8))
    scene = Scene(
        shot=PlannedShot(layers=[("g", 0.0)], move="still"), at=0, life=count, seconds=4.0
    )
    plan = SegmentPlan(
        width=W, height=H, fps="24", quality="preview", frames=count, one=scene, cards=[card], title_look=look,
    )  # fmt: skip
    return [f[0].astype(int) for f in frames_of(plan, lambda name, depth: grey)]


def changed(frame: np.ndarray) -> np.ndarray:
    return np.abs(frame - frame[0, 0]) > 4


@pytest.mark.parametrize("name", TITLE_LOOKS)
@pytest.mark.parametrize("sort", SORTS)
def test_words_stand_inside_the_safe_area(name, sort) -> None:
    lines = ["A Title That Goes On For Rather Longer Than Anybody Would Wish It To", "1911, Night"]
    card = CardSpan(lines=lines, sort=sort, begin=-200, end=400)
    rows, columns = np.nonzero(changed(frames(card, TITLE_LOOKS[name], 1)[0]))
    assert rows.min() >= H * SAFE * 0.6 and rows.max() <= H * (1 - SAFE * 0.6)
    assert columns.min() >= W * SAFE * 0.6 and columns.max() <= W * (1 - SAFE * 0.6)
    if sort == "place":
        assert rows.max() < H * 0.87 and columns.min() < W * 0.2


def test_they_come_stand_and_go() -> None:
    look = TITLE_LOOKS["capitals"]
    card = CardSpan(lines=["The Lamp"], sort="title", begin=0, end=72)
    seen = [float(np.abs(f - f[0, 0]).sum()) for f in frames(card, look, 80)]
    came = round(IN * 24)
    assert seen[:came] == sorted(seen[:came]) and seen[0] < 0.05 * seen[30]
    assert seen[30] == seen[50]
    assert seen[71] < 0.05 * seen[30] and seen[72] == 0


def test_letters_come_one_after_another() -> None:
    look = TITLE_LOOKS["slate"]
    card = CardSpan(lines=["The Lamp at Saltmere"], sort="chapter", begin=0, end=200)
    wide = [int(np.flatnonzero(changed(f).any(axis=0))[-1]) for f in frames(card, look, 40)[6:]]
    assert wide == sorted(wide) and wide[-1] > wide[0] + 60


def test_a_dark_ground_is_kept_behind_light_words() -> None:
    """WCAG 2.2: large text needs 3 to 1; by the brightest and darkest of what lies at the letters."""
    for look in TITLE_LOOKS.values():
        planes, _, _ = card_planes(("Saltmere",), "title", look, W, H)
        there = planes.alpha > 90
        inside = planes.y[there].astype(float) * 255 / planes.alpha[there]
        light, dark = np.quantile(inside, 0.97), np.quantile(inside, 0.05)
        relative = [max(0.0, (v - 16) / 219) ** 2.4 + 0.05 for v in (light, dark)]
        assert relative[0] / relative[1] >= 3


def test_every_look_of_a_film_has_words_that_belong_to_it() -> None:
    assert look_for("layered cut paper") == "paper label"
    assert look_for("something else") == "book"


TEXT = """# The quay — day
Ada stood on the quay for a long while and looked at all of the boats as they came and went over the water.

# The inn — night
Then it was late, and she sat in the inn with her soup and her bread, and nobody there said a word to her all evening.
"""


def film(*commands, **settings):
    document, _ = new_film("Ada", TEXT, Settings(pace=8, opening=0, **settings))
    for command in commands:
        document, _, _ = apply_command(document, command(document), [])
    return assemble("f", read_film(document, Offered(600)), {}, lambda keys: {})


def test_a_film_has_no_words_unless_that_is_wished() -> None:
    assert film().cards == [] and film().timeline.cards == []


def test_the_maker_writes_them_takes_them_away_and_has_them_as_planned() -> None:
    plain = film(titles="middle")
    assert [c.lines[0] for c in plain.cards] == ["Ada", "The inn", "The End"]

    def title(text):
        return lambda film: SetCard(sort="title", shot=film.shots[0].id, text=text)

    written = film(title("Ada\nand the boats"), titles="middle")
    assert written.cards[0].lines == ("Ada", "and the boats")
    assert [c.lines[0] for c in film(title(" "), titles="middle").cards] == ["The inn", "The End"]
    again = film(title("Something"), title(None), titles="middle")
    assert again.cards == plain.cards


def test_words_keep_off_faces() -> None:
    """A face in the middle: the title goes below it; one below as well: above; everywhere: where least of it is covered."""
    card = plan_cards(SHOTS, "The Lamp", "low")[0]
    assert off_faces(card, []) == card == off_faces(card, [(0.5, 0.6, 0.8)])
    assert off_faces(card, [(0.5, 0.3, 0.5)]).middle == 0.62
    assert off_faces(card, [(0.5, 0.3, 0.5), (0.6, 0.55, 0.7)]).middle == 0.2
    assert off_faces(card, [(0.5, 0.0, 0.55), (0.5, 0.55, 0.58)]).middle == 0.62
    assert off_faces(card, [(0.95, 0.3, 0.5)]) == card


def test_words_that_are_moved_stand_there() -> None:
    card = CardSpan(lines=["The Lamp"], sort="title", begin=-50, end=90, middle=0.2)
    rows = np.nonzero(changed(frames(card, TITLE_LOOKS["book"], 1)[0]))[0]
    assert abs((rows.min() + rows.max()) / 2 / H - 0.2) < 0.05


def test_words_keep_off_heads_where_the_camera_brings_them() -> None:
    low = [Head(0.5, 0.75, 0.85)]
    still = path_for("still", 6)
    assert heads_seen(low, still, 0, 1)[0] == pytest.approx(low[0])
    # A camera that has gone near to it brings it up to the middle of the frame, where words usually are.
    near = heads_seen(low, Walked(OwnPath(last=PathFrame(x=0.5, y=0.9, zoom=4)), 6), 0.9, 1.0)
    assert all(head.top < 0.45 for head in near[1:])
    card = plan_cards(SHOTS, "The Lamp", "low")[0]
    assert off_faces(card, low).middle is None
    assert off_faces(card, near).middle is not None
