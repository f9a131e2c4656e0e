"""Pictures from outside: every format comes out upright and in sRGB; what is wrong is said."""

import io
import zipfile

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image, ImageCms

from cutreel.core.errors import BadInput
from cutreel.making.pictures.bringing import unpacked
from cutreel.making.pictures.measuring import brought
from cutreel.making.pictures.opening import opened

RED = (200, 40, 40)


def saved(form: str, **more) -> bytes:
    out = io.BytesIO()
    image = Image.new("RGB", (640, 400), RED)
    image.paste((20, 20, 120), (0, 0, 160, 400))
    image.save(out, form, **more)
    return out.getvalue()


def openraster() -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        packed.writestr("mimetype", "image/openraster")
        packed.writestr("stack.xml", "<image/>")
        packed.writestr("mergedimage.png", saved("PNG"))
    return out.getvalue()


SVG = b"""<?xml version="1.0"?>
<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 64 40">
<script>alert(1)</script><rect width="64" height="40" fill="#c82828" onclick="x()"/>
<image xlink:href="file:///etc/hostname" width="64" height="40"/><image href="//elsewhere.test/a.png" width="9" height="9"/></svg>"""


@pytest.mark.parametrize("form", ["PNG", "JPEG", "WEBP", "AVIF"])
def test_every_format_shows_the_same(form: str) -> None:
    image = opened(saved(form))
    assert image.mode == "RGB" and image.size == (640, 400)
    np.testing.assert_allclose(image.getpixel((500, 200)), RED, atol=8)


def test_svg_is_drawn_without_scripts_or_anything_from_elsewhere() -> None:
    image = opened(SVG)
    assert image.size == (1920, 1200)
    np.testing.assert_allclose(image.getpixel((960, 600)), RED, atol=2)


def test_openraster_is_one_picture_and_no_archive() -> None:
    assert opened(openraster()).getpixel((500, 200)) == RED
    assert [n for n, _ in unpacked([("drawing.ora", openraster())])] == ["drawing.ora"]


def test_photographs_are_turned_upright_and_clear_ones_laid_on_white() -> None:
    exif = Image.Exif()
    exif[0x0112] = 6
    assert opened(saved("JPEG", exif=exif)).size == (400, 640)
    out = io.BytesIO()
    Image.new("RGBA", (400, 400), (0, 0, 0, 0)).save(out, "PNG")
    assert opened(out.getvalue()).getpixel((5, 5)) == (255, 255, 255)


def test_colour_profiles_are_turned_to_srgb() -> None:
    """Little CMS itself says what a picture in another profile looks like in sRGB."""
    lab = ImageCms.createProfile("LAB")
    grey = Image.new("LAB", (400, 400), (180, 160, 90))
    wanted = ImageCms.profileToProfile(grey, lab, ImageCms.createProfile("sRGB"), outputMode="RGB")
    assert wanted is not None
    out = io.BytesIO()
    swapped = ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
    Image.new("RGB", (400, 400), RED).save(out, "PNG", icc_profile=swapped)
    np.testing.assert_allclose(opened(out.getvalue()).getpixel((9, 9)), RED, atol=2)


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"", "not a picture"),
        (saved("PNG")[:300], "damaged"),
        (saved("BMP"), "BMP file cannot be used"),
        (
            b"<svg xmlns='http://www.w3.org/2000/svg'><!DOCTYPE lolz [<!ENTITY a 'b'>]>&a;</svg>",
            "damaged",
        ),
        (
            b"<!DOCTYPE svg [<!ENTITY x 'xxxx'>]><svg xmlns='http://www.w3.org/2000/svg'>&x;</svg>",
            "damaged",
        ),
    ],
)
def test_what_cannot_be_used_says_why(data: bytes, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        brought(data)


def test_a_small_one_says_how_small() -> None:
    out = io.BytesIO()
    Image.new("RGB", (300, 900)).save(out, "PNG")
    with pytest.raises(BadInput, match="only 300 by 900"):
        brought(out.getvalue())


@settings(max_examples=60)
@given(
    st.sampled_from([saved("PNG"), saved("JPEG"), saved("WEBP"), SVG, openraster()]),
    st.integers(0, 1 << 30),
    st.binary(max_size=12),
)
def test_damage_anywhere_is_refused_or_read_but_never_breaks(
    data: bytes, at: int, noise: bytes
) -> None:
    at %= len(data)
    try:
        picture = brought(data[:at] + noise + data[at + len(noise) :])
    except BadInput as error:
        assert str(error)
    else:
        assert Image.open(io.BytesIO(picture.png)).size == (picture.width, picture.height)


@pytest.mark.parametrize(
    "size",
    [
        'viewBox="0 0 9 9000"',
        'width="10" height="90000"',
        'width="1px" height="2e4px" viewBox="0 0 9 9"',
    ],
)
def test_a_drawing_that_would_be_a_tower_is_told_before_it_is_drawn(size: str) -> None:
    drawing = f'<svg xmlns="http://www.w3.org/2000/svg" {size}><rect width="9" height="9"/></svg>'
    with pytest.raises(BadInput, match="pixels"):
        opened(drawing.encode())
