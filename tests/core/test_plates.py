"""Plates: numbers as they are drawn, measured by pixels; maps against a worked example and known positions; what is
proposed for which words, and what is doubted."""

import io
from dataclasses import replace

import numpy as np
import pytest
import resvg_py
from PIL import Image, ImageDraw

from cutreel.core.film import Offered, Settings, assemble, new_film, read_film
from cutreel.core.film.changes import apply_command
from cutreel.core.film.commands import SetShots
from cutreel.core.lettering import face, face_file, width_of, wrapped
from cutreel.core.manuscript import numbers_in
from cutreel.core.plates import (
    PLATE_SORTS,
    Plate,
    PlateRow,
    ShownPlate,
    doubts,
    drawn,
    palette_for,
    place_named,
    propose,
    svg_page,
)
from cutreel.core.plates.palette import _PAPER
from cutreel.core.plates.projection import Azimuthal, middle_of
from cutreel.core.plates.svg import text
from cutreel.core.plates.world import countries
from cutreel.core.render.plated import plate_layer

pytestmark = pytest.mark.thorough

W, H = 640, 360
SAFE = 0.05
"""EBU R 95: the safe area for graphics leaves five in a hundred on each side."""
LONG = "A name that is much longer than anybody would like it to be"


def rows(*told, **more) -> tuple[PlateRow, ...]:
    return tuple(PlateRow(label=label, value=value, **more) for label, value in told)


WORDS = (
    "I have never seen the sea so quiet as it was that night, and I have never trusted it since."
)
SAMPLES = {
    "number": Plate(sort="number", title="At the lock", rows=rows(("barges", 1240))),
    "time line": Plate(
        sort="time line",
        title="The pier",
        rows=rows(("It is built", 1902), ("It burns down", 1904), ("It is rebuilt", 1911), (LONG, 1938)),
        source="Harbour office",
    ),
    "bars": Plate(sort="bars", unit="tons", rows=rows(("Ghent", 640), ("Bruges", 320), ("Lille", 80))),
    "line": Plate(sort="line", rows=rows(("1850", 410), ("1880", 612), ("1910", 540), ("1940", 300))),
    "shares": Plate(sort="shares", unit="%", rows=rows(("Coal", 50), ("Timber", 30), ("Salt", 20))),
    "sizes": Plate(sort="sizes", rows=rows(("Vänern", 5650), ("Balaton", 592), ("Windermere", 15))),
    "quotation": Plate(sort="quotation", words=WORDS, by="Captain Hale"),
    "letter": Plate(sort="letter", title="4 March", words=WORDS * 3, by="your Tobias"),
    "cutting": Plate(sort="cutting", title="Lamp goes out at Saltmere", words=WORDS * 3, by="The Gazette"),
    "list": Plate(sort="list", title="What they took", rows=rows(("Rope", None), (LONG, None), ("Two lamps", None))),
    "tree": Plate(
        sort="tree",
        rows=(
            PlateRow(label="Ada"), PlateRow(label="Tobias"), PlateRow(label="Dot", of=("Ada", "Tobias")),
            PlateRow(label="Max", of=("Dot",)),
        ),
    ),
    "map": Plate(sort="map", title="To Egypt", rows=(PlateRow(label="Lisbon"), PlateRow(label="Genoa"), PlateRow(label="Alexandria"))),
}  # fmt: skip
SHAPES = [(640, 360), (360, 640), (480, 480)]


def layer(plate: Plate, size=(W, H), begins=(), **more):
    shown = ShownPlate(plate=plate, medium="screen print", begins=begins, **more)
    return plate_layer(shown, *size)


def light(plate: Plate, seconds: float = 60.0, size=(W, H), begins=()) -> np.ndarray:
    return layer(plate, size, begins).drawing(seconds).y.astype(int)


def raster(svg: str, width: float, height: float, wide: int) -> np.ndarray:
    data = resvg_py.svg_to_bytes(
        svg_string=svg_page(width, height, svg), width=wide, height=round(wide * height / width),
        skip_system_fonts=True, font_files=[face_file("plain"), face_file("book")],
    )  # fmt: skip
    return np.asarray(Image.open(io.BytesIO(bytes(data))).convert("RGBA")).astype(int)


def test_there_is_a_sample_of_every_sort() -> None:
    assert set(SAMPLES) == set(PLATE_SORTS)


@pytest.mark.parametrize("size", SHAPES)
@pytest.mark.parametrize("sort", PLATE_SORTS)
def test_all_that_is_read_is_within_the_safe_area_and_above_captions(sort, size) -> None:
    page = drawn(SAMPLES[sort], _PAPER, size[0] / size[1])
    for part in page.parts:
        if "<text" not in part.svg:
            continue
        alpha = raster(part.svg, page.width, page.height, size[0])[..., 3]
        ys, xs = np.nonzero(alpha > 40)
        high, wide = alpha.shape
        assert xs.min() >= SAFE * wide - 1 and xs.max() <= (1 - SAFE) * wide + 1, part.svg
        assert ys.min() >= SAFE * high - 1 and ys.max() <= (1 - SAFE) * high, part.svg
        if "Source" not in part.svg:
            assert ys.max() <= 0.81 * high, part.svg


@pytest.mark.parametrize("sort", PLATE_SORTS)
def test_parts_come_when_they_are_told_to_and_stay(sort) -> None:
    plate = SAMPLES[sort]
    begins = tuple(3.0 + 4 * n for n in range(plate.steps))
    shown = layer(plate, begins=begins)
    at = {s: shown.drawing(s).y.astype(int) for s in (0.0, 2.9, *(b + 3.5 for b in begins), 90.0)}
    later = [at[b + 3.5] for b in begins]
    before = at[2.9]
    if sort not in ("quotation", "letter", "cutting"):
        for now in later:
            assert (np.abs(now - before) > 20).sum() > 40, "a step is seen"
            before = now
    assert np.abs(at[90.0] - at[begins[-1] + 3.5]).max() <= 1 or sort in (
        "letter",
        "cutting",
        "quotation",
    )
    again = layer(plate, begins=begins)
    assert np.array_equal(again.drawing(90.0).y, at[90.0]), "at once or in steps, it is the same"
    assert np.array_equal(again.drawing(2.9).y, at[2.9]), "and going back"


def test_who_writes_more_than_there_is_time_for_writes_quicker() -> None:
    slow, quick = (layer(SAMPLES["letter"], within=w) for w in (1e6, 2.0))
    done = slow.drawing(600).y
    assert np.array_equal(quick.drawing(2.05).y, done)
    assert not np.array_equal(slow.drawing(2.05).y, done)


def test_a_number_counts_up_to_what_it_is() -> None:
    plate = SAMPLES["number"]
    last = light(plate)
    seen = [light(plate, s, begins=(0.0,)) for s in np.linspace(0.05, 1.29, 9)]
    assert len({s.tobytes() for s in seen}) > 6
    assert np.array_equal(light(plate, 1.5, begins=(0.0,)), last)


def columns(plate: Plate, accent: str) -> np.ndarray:
    """Which pixels of a drawn plate have a colour."""
    page = drawn(plate, _PAPER, W / H)
    pixels = raster(
        "".join(p.svg for p in page.parts if p.stays is None), page.width, page.height, 1600
    )
    wanted = [int(accent[i : i + 2], 16) for i in (1, 3, 5)]
    return np.abs(pixels[..., :3] - wanted).max(axis=-1) < 12


def test_bars_are_as_high_as_their_numbers() -> None:
    heights = []
    for n, row in enumerate(SAMPLES["bars"].rows):
        there = columns(SAMPLES["bars"], _PAPER.accents[n])
        heights.append(there.any(axis=1).sum() / row.value)
    assert heights == pytest.approx([heights[0]] * 3, rel=0.04)


def test_negative_bars_hang() -> None:
    plate = Plate(sort="bars", rows=rows(("up", 30), ("down", -30)))
    up, down = (np.flatnonzero(columns(plate, _PAPER.accents[n]).any(axis=1)) for n in (0, 1))
    assert up.max() <= down.min() + 3 and len(up) == pytest.approx(len(down), abs=3)


def test_sizes_are_areas() -> None:
    areas = [
        columns(SAMPLES["sizes"], _PAPER.accents[n]).sum() / row.value
        for n, row in enumerate(SAMPLES["sizes"].rows[:2])
    ]
    assert areas[0] == pytest.approx(areas[1], rel=0.06)


def test_shares_are_parts_of_the_ring() -> None:
    plate = SAMPLES["shares"]
    counts = []
    for n in range(3):
        there = columns(plate, _PAPER.accents[n])
        there[:, 700:] = False  # the names beside it have squares of their colours
        counts.append(there.sum())
    assert [c / sum(counts) for c in counts] == pytest.approx([0.5, 0.3, 0.2], abs=0.015)


def test_years_stand_as_far_apart_as_they_are() -> None:
    plate = Plate(sort="time line", rows=rows(("a", 1900), ("b", 1950), ("c", 2000)))
    at = [np.flatnonzero(columns(plate, _PAPER.accents[n]).any(axis=0)).mean() for n in range(3)]
    assert at[1] - at[0] == pytest.approx(at[2] - at[1], rel=0.03)


def test_a_family_has_children_below_their_parents_and_a_circle_ends() -> None:
    at = [
        np.flatnonzero(columns(SAMPLES["tree"], _PAPER.accents[n]).any(axis=1)).mean()
        for n in range(3)
    ]
    assert at == sorted(at)
    round_ = Plate(
        sort="tree", rows=(PlateRow(label="A", of=("B",)), PlateRow(label="B", of=("A",)))
    )
    assert drawn(round_, _PAPER, 1.6).parts


@pytest.mark.parametrize("sort", PLATE_SORTS)
def test_an_empty_plate_is_drawn_too(sort) -> None:
    assert light(Plate(sort=sort)).shape[1] > W


def test_letters_are_as_an_independent_renderer_sets_them() -> None:
    """Pillow (FreeType, HarfBuzz where it has it) beside resvg: as wide, and nearly the same pixels."""
    words = "Vänern, 5,650 km² – “fjord”"
    ours = raster(text(20, 70, words, 48, "#000000", "book"), 800, 100, 800)[..., 3]
    image = Image.new("L", (800, 100))
    ImageDraw.Draw(image).text((20, 70), words, 255, font=face("book", 48), anchor="ls")
    theirs = np.asarray(image).astype(int)
    assert np.ptp(np.flatnonzero(ours.any(axis=0))) == pytest.approx(
        np.ptp(np.flatnonzero(theirs.any(axis=0))), abs=4
    )
    assert width_of(words, "book", 48) == pytest.approx(
        np.ptp(np.flatnonzero(theirs.any(axis=0))), abs=6
    )
    assert (np.abs(ours - theirs) > 128).mean() < 0.02


def test_lines_find_room() -> None:
    lines = wrapped(WORDS, "plain", 40, 400)
    assert " ".join(lines) == WORDS and all(width_of(w, "plain", 40) <= 400 for w in lines)
    assert wrapped("Donaudampfschifffahrt", "plain", 40, 50) == ["Donaudampfschifffahrt"]


# ---- maps


def test_the_projection_is_the_one_in_the_book() -> None:
    """Snyder, Map Projections: A Working Manual (1987), p. 332: the worked example of the sphere, R = 3."""
    x, y, _ = Azimuthal(40, -100).flat(np.array([100.0]), np.array([-20.0]))
    assert (3 * x[0], 3 * y[0]) == pytest.approx((-4.2339303, 4.0257775), abs=1e-6)


KNOWN = {"Paris": (48.857, 2.352), "Lisbon": (38.722, -9.139), "Cairo": (30.044, 31.236), "Sydney": (-33.869, 151.209), "Reykjavik": (64.147, -21.943), "Tokyo": (35.690, 139.692), "Buenos Aires": (-34.603, -58.382)}  # fmt: skip
"""Degrees north and east, as any atlas has them."""


@pytest.mark.parametrize("name", KNOWN)
def test_places_are_where_atlases_have_them(name) -> None:
    found = place_named(name)
    assert (found.north, found.east) == pytest.approx(KNOWN[name], abs=0.15)


@pytest.mark.parametrize(
    ("name", "north", "east"),
    [
        ("Colorado", 39.0, -105.5),
        ("Montana", 47.0, -109.6),
        ("Texas", 31.4, -99.3),
        ("New York", 40.7, -74.0),
        ("Georgia", 42.1, 43.9),
    ],
)
def test_what_a_name_that_several_have_is(name, north, east) -> None:
    """A state before a town elsewhere, a city before its state, a country before a state: middles as any atlas has them."""
    found = place_named(name)
    assert (found.north, found.east) == pytest.approx((north, east), abs=1.0)


def inside(north: float, east: float, country: str) -> bool:
    """Whether a place is inside of a country's borders: how often they are crossed to the east of it."""
    crossed = 0
    for ring in next(c for c in countries() if c.name == country).rings:
        x, y = ring[:, 0], ring[:, 1]
        nx, ny = np.roll(x, -1), np.roll(y, -1)
        spans = (y > north) != (ny > north)
        at = x[spans] + (north - y[spans]) / (ny[spans] - y[spans]) * (nx[spans] - x[spans])
        crossed += int((at > east).sum())
    return crossed % 2 == 1


def test_cities_lie_in_their_countries() -> None:
    for city, country in (
        ("Paris", "France"),
        ("Munich", "Germany"),
        ("Cairo", "Egypt"),
        ("Denver", "United States of America"),
    ):
        found = place_named(city)
        assert inside(found.north, found.east, country) and not inside(
            found.north, found.east, "Brazil"
        )


def test_a_map_has_its_places_where_they_are_to_each_other() -> None:
    """The dots of the map lie as the distances and bearings on the globe are (haversine)."""
    page = drawn(SAMPLES["map"], _PAPER, W / H)
    dots = [p.svg for p in page.parts if p.svg.count("<circle") == 2]
    at = [tuple(float(d.split(f'{k}="')[1].split('"')[0]) for k in ("cx", "cy")) for d in dots]
    places = [place_named(r.label) for r in SAMPLES["map"].rows]

    def on_globe(a, b) -> float:
        la, lb = np.radians((a.north, b.north))
        half = (
            np.sin((lb - la) / 2) ** 2
            + np.cos(la) * np.cos(lb) * np.sin(np.radians(b.east - a.east) / 2) ** 2
        )
        return 2 * np.arcsin(np.sqrt(half))

    ratios = [
        np.hypot(at[i][0] - at[j][0], at[i][1] - at[j][1]) / on_globe(places[i], places[j])
        for i, j in ((0, 1), (1, 2), (0, 2))
    ]
    assert ratios == pytest.approx([np.mean(ratios)] * 3, rel=0.03)
    assert at[0][0] < at[1][0] < at[2][0] and at[1][1] < at[2][1]


def test_a_route_grows_from_its_beginning() -> None:
    plate = Plate(sort="map", rows=(PlateRow(label="Lisbon"), PlateRow(label="Cairo")))
    shown = layer(plate, begins=(0.0, 1.0))
    ground, half, whole = (shown.drawing(s).y.astype(int) for s in (0.9, 1.6, 5.0))
    part, all_ = (np.flatnonzero((np.abs(x - ground) > 25).any(axis=0)) for x in (half, whole))
    assert part.min() == pytest.approx(all_.min(), abs=12) and part.max() < all_.max() - 60


def test_the_middle_of_places_over_the_date_line_is_there() -> None:
    north, east = middle_of(np.array([10.0, 10.0]), np.array([170.0, -170.0]))
    assert abs(abs(east) - 180) < 1e-6 and 10 <= north < 11


# ---- what is proposed, and doubted

PROPOSED = [
    ("In 1902 the pier was built, and by 1911 it had burnt down twice.", "time line", [1902, 1911]),
    ("Nearly 240 barges waited for the lock.", "number", [240]),
    ("Two hundred and four men pulled the rope.", "number", [204]),
    ("The river is 2,850 kilometres long.", "number", [2850]),
    ("They gave 1.5 million crowns for it.", "number", [1_500_000]),
    ("She sailed from Lisbon to Genoa, and from there to Alexandria.", "map", None),
    ("Of the cargo 55 % was coal, 30 % timber, and 15 % salt.", "shares", [55, 30, 15]),
    ("About 60 % of the wool went to the mills, and 25 % was lost.", "bars", [60, 25]),
    ("“I have never seen the sea so quiet as that night,” said Captain Hale.", "quotation", None),
    ("In her diary she wrote: “The lamp burned all night and nobody came to see it.”", "letter", None),
    ("The newspaper printed: “For the first time in years the lamp on the pier was dark.”", "cutting", None),
    ("They took rope, dried apples, two lamps, and a bible.", "list", None),
]  # fmt: skip


@pytest.mark.parametrize(("words", "sort", "values"), PROPOSED)
def test_words_propose_the_plate_that_they_give_a_reason_for(words, sort, values) -> None:
    found = propose(words)
    assert found, words
    assert found[0].plate.sort == sort
    if values:
        assert [r.value for r in found[0].plate.rows] == values
    assert found[0].why
    assert doubts(found[0].plate, words) == []


@pytest.mark.parametrize(
    "words",
    [
        "She opened the door and looked out.", "Three men sat by the fire.", "He called her once, and then he left.",
        "“Come in,” she said.", "It was the best of times.", "Florence walked home with Victoria.",
        "He measured, argued, and measured again.", "In 1902 the pier was built.",
    ],
)  # fmt: skip
def test_plain_words_propose_nothing(words) -> None:
    assert propose(words, ["Florence", "Victoria"]) == []


def test_numbers_are_found_in_figures_and_in_words() -> None:
    found = {
        s.value: s
        for s in numbers_in(
            "In 1893, 1,204 of two thousand and ten left; 12.5 % stayed, and minus 1200 crowns."
        )
    }
    assert set(found) == {1893, 1204, 2010, 12.5, 1200}
    assert found[1893].year and found[12.5].percent and not found[1200].year


def test_a_number_that_is_not_in_the_manuscript_is_marked_with_the_one_that_may_be_meant() -> None:
    words = "Nearly 240 barges waited for the lock."
    wrong = Plate(sort="number", rows=rows(("barges", 420)))
    assert doubts(wrong, words) == ["420 is not in the manuscript; 240 is said here"]
    assert doubts(wrong, words, "Elsewhere 420 are told of.") == []
    assert doubts(Plate(sort="quotation", words="never said"), words) == [
        "these words are not in the manuscript"
    ]
    assert (
        "Nowhereland" in doubts(Plate(sort="map", rows=(PlateRow(label="Nowhereland"),)), words)[0]
    )


def test_every_look_has_colours_that_are_read() -> None:
    """WCAG 2.2, 1.4.3: large letters have a contrast of at least 3 to 1 with what they stand on."""

    def luminance(colour: str) -> float:
        parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
        r, g, b = (p / 12.92 if p <= 0.04045 else ((p + 0.055) / 1.055) ** 2.4 for p in parts)
        return 0.2126 * r + 0.7152 * g + 0.0722 * b

    for medium in (
        "cut paper",
        "ink and wash",
        "stick figures",
        "shadow theatre",
        "screen print",
        "chalk",
        "clay",
        "pencil",
    ):
        pal = palette_for(medium)
        for colour, least in ((pal.ink, 7), (pal.faint, 3)):
            light_, dark = sorted((luminance(colour), luminance(pal.ground)), reverse=True)
            assert (light_ + 0.05) / (dark + 0.05) >= least, medium


# ---- in a film

STORY = "Nobody came that winter. On a grey morning 240 barges and 12 boats waited.\n\nIn spring they sailed on."


def plated(**values):
    film, _ = new_film("Barges", STORY, Settings(pace=3, opening=0))
    read = read_film(film, Offered())
    number = next(s.shot.id for s in read.shots if "240" in s.text)
    film = apply_command(film, SetShots(shots=[number], values=values), [])[0]
    read = read_film(film, Offered())
    return assemble("f", read, {}, lambda keys: {}), next(
        i for i, s in enumerate(read.shots) if s.shot.id == number
    )


def test_a_shot_shows_its_plate_and_steps_come_with_their_words() -> None:
    plate = Plate(sort="bars", rows=rows(("waiting", 240), ("held", 12)))
    film, at = plated(plate=plate)
    clip = film.timeline.clips[at]
    assert clip.plate.plate == plate and not clip.layers
    words = film.read.script.words
    first = film.read.shots[at].first
    said = {
        w.text.strip(".,"): film.timing.words[i][0] - film.timing.words[first][0]
        for i, w in enumerate(words)
        if i >= first
    }
    assert clip.plate.begins == pytest.approx([said["240"] - 0.15, said["12"] - 0.15], abs=0.02)
    unsaid = Plate(
        sort="list", rows=rows(("Snow", None), ("morning", None), ("Wind", None), ("Hail", None))
    )
    film, at = plated(plate=unsaid)
    begins = film.timeline.clips[at].plate.begins
    assert list(begins) == sorted(begins) and begins[-1] <= film.rate.seconds(clip.span.frames)
    assert clip.plate.within < film.rate.seconds(clip.span.frames)


def test_who_shows_the_same_picture_shows_the_same_plate() -> None:
    film, at = plated(plate=SAMPLES["number"])
    other = film.document.shots[-1]
    document = film.document.model_copy(deep=True)
    document.shots[-1] = other.model_copy(update={"same_as": film.read.shots[at].shot.id})
    again = replace(film, read=replace(film.read, document=document))
    assert again.plates[other.id] == SAMPLES["number"]
