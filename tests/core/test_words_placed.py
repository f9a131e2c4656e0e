"""Words on the screen that go with what is seen and said, stand where the maker put them, and in the picture."""

import numpy as np
import pytest

from cutreel.core.errors import NotFound
from cutreel.core.film import Offered, Settings, assemble, new_film, read_film
from cutreel.core.film.changes import apply_command
from cutreel.core.film.commands import SetCard, SetSettings
from cutreel.core.motion import OwnPath, PathFrame
from cutreel.core.render import (
    LEAST_CONTRAST,
    CardSpan,
    PictureWords,
    PlannedShot,
    Scene,
    SegmentPlan,
    card_at,
    contrast_of,
    frames_of,
    planes_of,
)
from cutreel.core.titles import (
    Card,
    CardHow,
    NamedSeen,
    SaidAt,
    ShotTold,
    TitleLook,
    free_of,
    off_faces,
    plan_emphasis,
    plan_names,
    said_times,
)

pytestmark = pytest.mark.thorough

W, H = 640, 360
PLAIN = TitleLook(face="plain", colour="#ffffff", shadow=False)
GREY, GREEN = 96, (40, 150, 60)


def back() -> np.ndarray:
    return np.full((H, W, 3), GREY, np.uint8)


def front() -> np.ndarray:
    """A figure: the right half of the picture, in front."""
    out = np.zeros((H, W, 4), np.uint8)
    out[:, W // 2 :] = (*GREEN, 255)
    return out


def drawn(*words: PictureWords, cards=(), look=PLAIN, path=None, count=1, layers=2) -> list:
    """Frames of a picture with a figure in it, as brightness."""
    pictures = {"back": planes_of(back()), "front": planes_of(front(), 0.55)}
    shot = PlannedShot(layers=[("back", 0.0), ("front", 0.55)][:layers], move="still", path=path)
    scene = Scene(shot=shot, at=0, life=count, seconds=count / 24, words=list(words))
    plan = SegmentPlan(
        width=W, height=H, fps="24", quality="preview", frames=count, one=scene, cards=list(cards), title_look=look,
    )  # fmt: skip
    return [f[0].astype(int).copy() for f in frames_of(plan, lambda name, depth: pictures[name])]


def white(frame: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Where letters are; a maker's mark is not there altogether."""
    return np.nonzero(frame > 170)


def test_words_stand_behind_a_figure_and_before_what_is_behind_it() -> None:
    """By pixels: on the figure nothing is changed, beside it letters are; before it they are on both."""
    told = {
        "lines": ["BEHIND HER"],
        "sort": "words",
        "begin": -50,
        "end": 90,
        "middle": 0.5,
        "across": 0.5,
    }
    plain = drawn()[0]
    behind = drawn(PictureWords(**told, behind=True))[0]
    before = drawn(PictureWords(**told))[0]
    right = np.s_[:, W // 2 + 4 :]
    assert (behind[right] == plain[right]).all()
    assert len(white(behind)[0]) > 300 and white(behind)[1].max() < W // 2
    assert white(before)[1].max() > W // 2 + 40
    # A picture without layers has nothing to stand behind: then they stand before it.
    flat = drawn(PictureWords(**told, behind=True), layers=1)[0]
    assert white(flat)[1].max() > W // 2 + 40


def test_words_that_keep_to_the_picture_go_where_it_goes() -> None:
    """A camera that goes near by two: letters grow by as much as what is in the picture at their depth does, about;
    those that keep to the frame stay."""
    path = OwnPath(first=PathFrame(x=0.5, y=0.5, zoom=1.0), last=PathFrame(x=0.5, y=0.5, zoom=1.6))
    told = {
        "lines": ["NEAR"],
        "sort": "words",
        "begin": -200,
        "end": 400,
        "middle": 0.5,
        "across": 0.5,
    }
    within = drawn(PictureWords(**told), path=path, count=49)
    frame = drawn(cards=[CardSpan(**told)], path=path, count=49)

    def wide(seen: np.ndarray) -> int:
        return int(np.ptp(white(seen)[1]))

    assert wide(within[-1]) > 1.45 * wide(within[0])
    assert wide(frame[-1]) == wide(frame[0])


def test_words_stand_where_they_were_put_and_never_leave_the_safe_area() -> None:
    for across, down in ((0.3, 0.3), (0.7, 0.62), (0.5, 0.5)):
        card = CardSpan(lines=["Here"], sort="words", begin=-50, end=90, across=across, middle=down)
        rows, columns = white(drawn(cards=[card], layers=1)[0])
        assert abs((columns.min() + columns.max()) / 2 / W - across) < 0.02
        assert abs((rows.min() + rows.max()) / 2 / H - down) < 0.03
    for across, down in ((0.02, 0.02), (0.98, 0.98)):
        card = CardSpan(
            lines=["Corner"], sort="mark", begin=-50, end=90, across=across, middle=down
        )
        rows, columns = white(drawn(cards=[card], layers=1)[0])
        assert columns.min() > W * 0.03 and columns.max() < W * 0.97
        assert rows.min() > H * 0.03 and rows.max() < H * 0.97


def test_words_come_one_by_one_as_they_are_said() -> None:
    look = TitleLook(face="plain", colour="#ffffff", shadow=False, comes="said")
    card = CardSpan(lines=["one two three"], sort="words", begin=0, end=200, said=[0, 10, 20])
    seen = drawn(cards=[card], look=look, count=30, layers=1)
    right = {n: int(white(f)[1].max()) for n, f in enumerate(seen) if n >= 4}
    assert right[8] < right[12] < right[22] == right[29]
    assert right[4] == right[9] and right[14] == right[19]


def test_a_hand_draws_from_where_a_line_begins() -> None:
    look = TitleLook(face="hand", colour="#ffffff", shadow=False, comes="drawn")
    card = CardSpan(lines=["The Lamp at Saltmere"], sort="title", begin=0, end=200)
    seen = drawn(cards=[card], look=look, count=40, layers=1)
    ends = [int(white(f)[1].max()) for f in seen[12:]]
    assert ends == sorted(ends) and ends[-1] - ends[0] > 60


@pytest.mark.parametrize("goes", ["fade", "rise", "cut"])
def test_words_go_as_their_look_has_it(goes) -> None:
    look = PLAIN.model_copy(update={"goes": goes})
    card = CardSpan(lines=["Gone"], sort="title", begin=0, end=48)
    seen = drawn(cards=[card], look=look, count=50, layers=1)
    before, last = seen[30], seen[46]
    assert (seen[48] == seen[49]).all() and len(white(seen[48])[0]) == 0
    if goes == "cut":
        assert (before == last).all()
    else:
        assert len(white(last)[0]) < len(white(before)[0]) / 4
    if goes == "rise":
        middles = [np.nonzero(f > 130)[0].mean() for f in (seen[30], seen[41])]
        assert middles[1] < middles[0] - 2


def test_contrast_is_that_of_letters_with_what_is_around_them() -> None:
    """WCAG 2.2: (lighter + 0.05) / (darker + 0.05) of relative luminances, computed here from sRGB; a shadow, an edge or
    a sheet helps."""

    def measured(ground: np.ndarray, look: TitleLook) -> float:
        card = CardSpan(lines=["SALTMERE"], sort="title", begin=-50, end=90)
        scene = Scene(
            shot=PlannedShot(layers=[("g", 0.0)], move="still"), at=0, life=1, seconds=1.0
        )
        plan = SegmentPlan(
            width=W, height=H, fps="24", quality="preview", frames=1, one=scene, cards=[card], title_look=look,
        )  # fmt: skip
        (frame,) = [f[0].copy() for f in frames_of(plan, lambda n, d: planes_of(ground))]
        return contrast_of(frame, card_at(card, look, 0, 24.0, W, H), look)

    def luminance(grey: int) -> float:
        share = grey / 255
        return share / 12.92 if share <= 0.04045 else ((share + 0.055) / 1.055) ** 2.4

    for grey in (20, 118, 180):
        wanted = 1.05 / (luminance(grey) + 0.05)
        assert measured(np.full((H, W, 3), grey, np.uint8), PLAIN) == pytest.approx(
            wanted, rel=0.06
        )
    pale = np.full((H, W, 3), 230, np.uint8)
    assert measured(pale, PLAIN) < 1.5
    assert measured(pale, PLAIN.on_sheet()) > 10
    assert measured(pale, PLAIN.model_copy(update={"edge": "#16120f"})) > LEAST_CONTRAST
    # Half light, half dark: the worse half counts.
    mixed = np.where(np.arange(W)[None, :, None] < W // 2, 20, 235).astype(np.uint8)
    mixed = np.broadcast_to(mixed, (H, W, 3)).copy()
    assert measured(mixed, PLAIN) < 1.6


def told(start: float, end: float) -> ShotTold:
    return ShotTold(start, end, "within", "", "", "")


def test_who_somebody_is_is_said_once_where_nothing_else_stands() -> None:
    shots = [told(0, 6), told(6, 12), told(12, 13), told(13, 20)]
    ada, bram = NamedSeen("Ada Lund", "keeper"), NamedSeen("Bram")
    title = Card("title", 0, ("The Lamp",), 0.4, 3.8, "")
    cards = plan_names(shots, [[ada], [ada, bram], [bram], [bram]], [title])
    assert [(c.shot, c.lines) for c in cards] == [(0, ("Ada Lund", "keeper")), (1, ("Bram",))]
    assert cards[0].start >= title.end and all(c.end <= shots[c.shot].end for c in cards)
    # A shot that is too short for it says nothing; the next that they are in does.
    later = plan_names(shots, [[], [], [bram], [bram]], [])
    assert [c.shot for c in later] == [3]


def test_what_is_stressed_stands_there_while_it_is_said() -> None:
    words = [
        SaidAt("It", 1.0, 1.2),
        SaidAt("was", 1.2, 1.4),
        SaidAt("never", 1.5, 1.9, True),
        SaidAt("lit,", 2.0, 2.3, True),
        SaidAt("he", 2.9, 3.0),
        SaidAt("said.", 3.0, 3.3),
    ]
    (card,) = plan_emphasis([told(0, 6)], [words])
    assert card.lines == ("never lit",) and card.said == (1.5, 2.0)
    assert 1.3 < card.start < 1.5 and card.end > 2.3
    assert plan_emphasis([told(0, 6)], [[w._replace(stressed=False) for w in words]]) == []
    assert free_of([card], [card._replace(start=5, end=6)]) == [card]
    assert free_of([card], [card._replace(start=2, end=3)]) == []


def test_words_of_a_card_are_timed_by_the_voice() -> None:
    words = [SaidAt(t, float(n), n + 0.5) for n, t in enumerate("The lamp, at Saltmere!".split())]
    assert said_times(["the LAMP of", "saltmere"], words) == (0.0, 1.0, 1.0, 3.0)
    assert said_times(["Something else"], words) == ()


def test_words_keep_off_captions() -> None:
    card = Card("name", 0, ("Ada",), 0, 3, "")
    assert off_faces(card, [], [(0.78, 0.95)]) == card
    assert off_faces(card, [], [(0.6, 0.7)]).middle == 0.3
    assert off_faces(card, [(0.1, 0.2, 0.4)], [(0.6, 0.7)]).middle == 0.14


TEXT = """Ada Lund, the keeper, stood on the quay for a long while and looked at all of the boats.

Then Bram Voss came down to her with a lantern, and the keeper laughed at him until it was dark.
"""


def film(*commands, **settings):
    document, _ = new_film("Ada", TEXT, Settings(pace=6, opening=0, **settings))
    for command in commands:
        document, _, _ = apply_command(document, command(document), [])
    return assemble("f", read_film(document, Offered(600)), {}, lambda keys: {})


def test_the_maker_adds_words_and_places_those_that_are_planned() -> None:
    def add(document):
        word = document.word_ids[8]
        how = CardHow(look="poster", at=(0.3, 0.2), keeps="behind", size=1.5)
        return SetCard(
            sort="words", shot=document.shots[0].id, text="THE QUAY", word=word, how=how, seconds=2
        )

    made = film(add)
    (card,) = made.cards
    assert (card.sort, card.number, card.lines) == ("words", 1, ("THE QUAY",))
    assert card.end - card.start == pytest.approx(2) and card.place == (0.3, 0.2)
    said = made.said_times[8, 0]
    assert said - 0.1 <= card.start <= said
    (clip,) = made.timeline.cards
    assert (clip.look, clip.keeps, clip.size, clip.across) == ("poster", "behind", 1.5, 0.3)

    def again(document):
        return SetCard(sort="words", shot=document.shots[0].id, number=1, text="HERE")

    (changed,) = film(add, again).cards
    assert changed.lines == ("HERE",) and changed.how == card.how
    gone = film(add, lambda d: SetCard(sort="words", shot=d.shots[0].id, number=1, text=""))
    assert gone.cards == []
    with pytest.raises(NotFound, match="words are not"):
        film(lambda d: SetCard(sort="words", shot=d.shots[0].id, number=7, text="x"))

    def place(document):
        return SetCard(sort="title", shot=document.shots[0].id, how=CardHow(at=(0.5, 0.8)))

    placed = film(place, titles="low").cards[0]
    assert (
        placed.lines == ("Ada",) and placed.place == (0.5, 0.8) and placed.why != "written by hand"
    )
    back_again = film(
        place, lambda d: SetCard(sort="title", shot=d.shots[0].id, how=CardHow()), titles="low"
    )
    assert back_again.document.cards == []


def test_names_come_once_they_were_told_and_a_mark_is_always_there() -> None:
    made = film(titles="off", title_names=True, maker_mark="Slow Lantern")
    mark, *names = made.cards
    assert (mark.sort, mark.lines, mark.start, mark.end) == (
        "mark",
        ("Slow Lantern",),
        0.0,
        pytest.approx(made.seconds),
    )
    assert [c.lines[0] for c in names] == sorted({c.lines[0] for c in names})
    assert all(c.sort == "name" for c in names)


def test_stressed_words_need_a_wish(tmp_path) -> None:
    assert film().cards == []
    wished = film(lambda d: SetSettings(values={"emphasis": True}))
    assert wished.cards == [] and wished.document.settings.emphasis
