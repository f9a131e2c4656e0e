"""Faults of pictures: each is found where it was put, and not where it was not."""

import numpy as np
import pytest
from PIL import Image, ImageDraw, ImageFilter, ImageFont

from cutreel.core.pictures import FigureSeen, alike, check_picture, faults_of_picture
from tests.conftest import ROOT

FONT = next((ROOT / "src/cutreel/core/lettering/fonts").glob("*.ttf"))


def scene(seed: int = 1, size: tuple[int, int] = (1280, 720)) -> Image.Image:
    """Hills, pales of a fence, a shelf of books: much that could be taken for something else."""
    rng = np.random.default_rng(seed)
    image = Image.new("RGB", size, (150, 180, 200))
    pen = ImageDraw.Draw(image)
    for _ in range(5):
        x, y = rng.integers(0, size[0]), rng.integers(size[1] // 3, size[1])
        pen.ellipse(
            (x - 300, y, x + 300, y + 500), fill=tuple(int(v) for v in rng.integers(60, 160, 3))
        )
    for i in range(24):
        pen.rectangle((60 + i * 26, 560, 72 + i * 26, 610), fill=(60, 44, 30))
        tall = int(rng.integers(20, 70))
        pen.rectangle(
            (700 + i * 20, 300 - tall, 714 + i * 20, 300),
            fill=tuple(int(v) for v in rng.integers(20, 230, 3)),
        )
    grain = rng.normal(0, 6, (size[1], size[0], 1))
    return Image.fromarray(np.clip(np.asarray(image) + grain, 0, 255).astype(np.uint8))


def kinds(
    image: Image.Image, aspect: float = 16 / 9, framing: str = "medium", figures=()
) -> list[str]:
    return [
        f.kind
        for f in faults_of_picture(check_picture(np.asarray(image)), aspect, framing, figures)
    ]


@pytest.mark.parametrize("seed", range(7))
def test_nothing_is_wrong_with_a_sound_picture(seed: int) -> None:
    assert kinds(scene(seed)) == []


@pytest.mark.parametrize("colour", [(0, 0, 0), (255, 255, 255), (200, 30, 30)])
def test_borders(colour: tuple[int, int, int]) -> None:
    image = scene()
    ImageDraw.Draw(image).rectangle((0, 0, 1280, 24), fill=colour)
    assert kinds(image) == [], "one side alone may be a sky"
    ImageDraw.Draw(image).rectangle((0, 696, 1280, 720), fill=colour)
    assert kinds(image) == ["border"]


def test_blur_blank_shape_and_lettering() -> None:
    assert kinds(scene().filter(ImageFilter.GaussianBlur(9))) == ["blur"]
    assert kinds(Image.new("RGB", (1280, 720), (90, 90, 90))) == ["blank"]
    assert kinds(scene(size=(1000, 720))) == ["shape"]
    lettered = scene()
    font = ImageFont.truetype(str(FONT), 48)
    ImageDraw.Draw(lettered).text(
        (80, 90), "The ferry of Saltmere once more", fill=(20, 20, 20), font=font
    )
    assert "lettering" in kinds(lettered)


def test_figures() -> None:
    cut = FigureSeen("Pip", (0.0, 0.2, 0.2, 0.9), 0.7, "front")
    small = FigureSeen("Pip", (0.4, 0.7, 0.45, 0.85), 0.15, "front")
    turned = FigureSeen("Pip", (0.4, 0.2, 0.6, 0.9), 0.7, "side", speaks=True)
    assert (
        kinds(scene(), figures=[cut]) == ["cut"]
        and kinds(scene(), framing="close", figures=[cut]) == []
    )
    assert kinds(scene(), framing="wide", figures=[small]) == ["small"]
    assert kinds(scene(), figures=[turned]) == ["turned"]


def test_nearly_the_same_picture_is_told_of_both() -> None:
    one, other = scene(1), scene(2)
    same = one.resize((640, 360)).resize((1280, 720))
    prints = [(n, check_picture(np.asarray(i)).print) for n, i in ((5, one), (6, other), (9, same))]
    assert alike(prints) == {5: 9, 9: 5} and alike(prints[:2]) == {} and alike([]) == {}
