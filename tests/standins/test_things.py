"""The picture grammar of things: what is written is what is drawn, in every look."""

import io
import itertools
import random
import re

import numpy as np
import pytest
import resvg_py
from PIL import Image
from skimage.color import deltaE_ciede2000, rgb2lab

from standins.illustrator.colour import NAMED
from standins.illustrator.pen import Pen
from standins.illustrator.things import THINGS, draw_thing, statements
from standins.illustrator.vocabulary import LOOKS

SIZE, FOOT, UNIT = 500, 400.0, 160.0
FLYING = {"airship"}


def drawn(kind: str, look: str = "cut-paper") -> np.ndarray:
    """RGBA pixels of a thing that stands in the middle of a page of 500 by 500."""
    pen = Pen(look, random.Random(1), (255, 255, 255), 0.0, (255, 255, 255), False)
    draw_thing(pen, kind, SIZE / 2, FOOT, UNIT)
    data = resvg_py.svg_to_bytes(
        svg_string=pen.svg(SIZE, SIZE), width=SIZE, height=SIZE, skip_system_fonts=True
    )
    return np.asarray(Image.open(io.BytesIO(bytes(data))).convert("RGBA"))


@pytest.mark.parametrize("kind", sorted(THINGS))
def test_every_thing_is_written_in_the_grammar_and_stands_on_its_foot(kind: str) -> None:
    found = statements(kind)
    assert found and all(re.fullmatch(r"[opcblg]", letter) for letter, _, _ in found)
    solid = drawn(kind)[..., 3] > 200
    rows, columns = np.flatnonzero(solid.any(1)), np.flatnonzero(solid.any(0))
    assert solid.mean() > 0.001, "something is seen"
    # It is where it was put: about its foot, no larger than two and a half times its size to any side.
    assert abs(rows[-1] - FOOT) < 0.62 * UNIT or kind in FLYING
    assert (
        columns[0] > SIZE / 2 - 2.5 * UNIT
        and columns[-1] < SIZE / 2 + 2.5 * UNIT
        and rows[0] > FOOT - 2.5 * UNIT
    )


@pytest.mark.parametrize("look", LOOKS)
def test_a_few_things_in_every_look(look: str) -> None:
    pictures = [drawn(kind, look) for kind in ("kettle", "bed", "mushroom", "fireplace")]
    assert all((p[..., 3] > 60).mean() > 0.002 for p in pictures)
    for one, other in itertools.pairwise(pictures):
        assert np.abs(one.astype(int) - other).mean() > 1, "things differ"


@pytest.mark.parametrize(
    ("kind", "name"), [("rug", "brick red"), ("mushroom", "brick red"), ("carrot", "rust")]
)
def test_a_colour_by_its_name_is_the_colour_that_is_seen(kind: str, name: str) -> None:
    """Source: CIEDE2000 by scikit-image."""
    pixels = drawn(kind)
    solid = pixels[pixels[..., 3] > 250][:, :3] / 255.0
    asked = np.broadcast_to(np.array(NAMED[name]) / 255.0, solid.shape)
    apart = deltaE_ciede2000(rgb2lab(solid[None]), rgb2lab(asked[None]))
    assert (apart < 5).mean() > 0.08


@pytest.mark.parametrize(
    ("written", "wrong"),
    [
        ("z brown 0 0 1", "no statement begins with “z”"),
        ("o brown 0 0", "has 2 numbers"),
        ("b brown 0 0 1 1 1", "has 5 numbers"),
        ("l brown 0.1 0 0", "has 3 numbers"),
    ],
)
def test_what_is_not_in_the_grammar_says_so(
    written: str, wrong: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setitem(THINGS, "odd one", written)
    statements.cache_clear()
    with pytest.raises(ValueError, match=wrong):
        statements("odd one")
    statements.cache_clear()
