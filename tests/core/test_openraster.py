"""Pictures with layers as OpenRaster files: read by a program that is not ours, and brought back."""

import io
import zipfile
import zlib

import numpy as np
import pyora
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image, ImageDraw

from cutreel.core.pictures import Layer, LayeredPicture, is_openraster, packed, unpacked

SIZE = (320, 180)
FIGURE = {
    "name": "maren & oake",
    "box": [0.25, 0.1, 0.5, 0.9],
    "joints": {"head": (0.4, 0.2), "near_hand": (0.3, 0.55)},
    "way": -1,
}


def png(image: Image.Image) -> bytes:
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()


def sheets() -> list[Image.Image]:
    ground = Image.new("RGBA", SIZE, (40, 60, 120, 255))
    figure, front = Image.new("RGBA", SIZE), Image.new("RGBA", SIZE)
    ImageDraw.Draw(figure).ellipse((90, 30, 150, 160), fill=(220, 180, 40, 255))
    ImageDraw.Draw(front).rectangle((0, 140, 320, 180), fill=(20, 20, 30, 160))
    return [ground, figure, front]


def flat_of(images: list[Image.Image]) -> Image.Image:
    out = images[0].copy()
    for image in images[1:]:
        out.alpha_composite(image)
    return out.convert("RGB")


def picture() -> LayeredPicture:
    drawn = [b"<svg xmlns='http://www.w3.org/2000/svg'/>", None, None]
    layers = [
        Layer(png(i), d, s) for i, d, s in zip(sheets(), (0.0, 0.55, 1.0), drawn, strict=True)
    ]
    return LayeredPicture(png(flat_of(sheets())), layers, [FIGURE])


def test_the_same_picture_is_the_same_file_and_begins_as_the_format_says() -> None:
    """Source: the OpenRaster specification, baseline 0.0.6: `mimetype` is the first entry and not compressed."""
    data = packed(picture())
    assert data == packed(picture()) and is_openraster(data)
    with zipfile.ZipFile(io.BytesIO(data)) as archive:
        first = archive.infolist()[0]
        assert (first.filename, first.compress_type) == ("mimetype", zipfile.ZIP_STORED)
        assert archive.read("mimetype") == b"image/openraster"
        thumbnail = Image.open(io.BytesIO(archive.read("Thumbnails/thumbnail.png")))
        assert max(thumbnail.size) <= 256 and archive.read("data/layer0.svg").startswith(b"<svg")


def test_another_program_reads_layers_depths_and_the_whole(tmp_path) -> None:
    """Source: pyora, an independent reader and renderer of OpenRaster files."""
    with (
        zipfile.ZipFile(io.BytesIO(packed(picture()))) as ours,
        zipfile.ZipFile(tmp_path / "a.ora", "w") as theirs,
    ):
        # That program reads raster layers only; the hidden drawing of figures is left out for it.
        for entry in ours.infolist():
            data = ours.read(entry)
            if entry.filename == "stack.xml":
                data = (
                    b"".join(
                        part for part in data.partition(b'<layer name="figures and joints"')[:1]
                    )
                    + data[data.index(b"/>", data.index(b"figures and joints")) + 2 :]
                )
            theirs.writestr(entry, data)
    project = pyora.Project.load(str(tmp_path / "a.ora"))
    assert project.dimensions == SIZE
    layers = list(project.children)
    assert [layer.name for layer in layers] in (
        ["depth 0", "depth 0.55", "depth 1"],
        ["depth 1", "depth 0.55", "depth 0"],
    )
    shown = np.asarray(project.get_image_data(use_original=False).convert("RGB"), int)
    assert np.abs(shown - np.asarray(flat_of(sheets()), int)).max() <= 2


def test_layers_figures_and_joints_come_back() -> None:
    back = unpacked(packed(picture()))
    assert [layer.depth for layer in back.layers] == [0.0, 0.55, 1.0]
    for layer, sheet in zip(back.layers, sheets(), strict=True):
        assert np.array_equal(
            np.asarray(Image.open(io.BytesIO(layer.png)).convert("RGBA")), np.asarray(sheet)
        )
    (figure,) = back.figures
    assert (figure["name"], figure["way"], figure["box"]) == (
        "maren & oake",
        -1,
        [0.25, 0.1, 0.5, 0.9],
    )
    for joint, at in FIGURE["joints"].items():
        assert figure["joints"][joint] == pytest.approx(at, abs=1e-4)


def made_elsewhere(stack: str, *images: Image.Image, merged: Image.Image) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("mimetype", "image/openraster")
        archive.writestr(
            "stack.xml", f'<image version="0.0.3" w="320" h="180"><stack>{stack}</stack></image>'
        )
        for number, image in enumerate(images):
            archive.writestr(f"data/{number}.png", png(image))
        archive.writestr("mergedimage.png", png(merged))
    return out.getvalue()


def test_layers_of_another_program_lie_where_they_are_told_and_keep_a_depth_by_their_name() -> None:
    ground, _, _ = sheets()
    small = Image.new("RGBA", (40, 60), (200, 30, 30, 255))
    merged = ground.copy()
    merged.alpha_composite(small, (100, 50))
    stack = '<layer name="boat, depth 0.7" src="data/1.png" x="100" y="50"/><layer name="sky" src="data/0.png"/>'
    back = unpacked(made_elsewhere(stack, ground, small, merged=merged))
    assert [layer.depth for layer in back.layers] == [0.0, 0.7] and back.figures == []
    assert Image.open(io.BytesIO(back.layers[1].png)).getchannel("A").getbbox() == (
        100,
        50,
        140,
        110,
    )


@pytest.mark.parametrize(
    "stack",
    [
        '<stack><layer src="data/1.png"/></stack><layer src="data/0.png"/>',
        '<layer src="data/1.png" composite-op="svg:multiply"/><layer src="data/0.png"/>',
        '<layer src="data/1.png" opacity="0.2"/><layer src="data/0.png"/>',
        '<layer src="data/7.png"/><layer src="data/0.png"/>',
        '<layer src="data/0.png"/>',
    ],
)
def test_what_we_would_draw_otherwise_stays_the_flat_picture(stack: str) -> None:
    ground, figure, _ = sheets()
    merged = flat_of([ground, figure])
    back = unpacked(made_elsewhere(stack, ground, figure, merged=merged))
    assert list(back.layers) == [] and back.merged == png(merged)


@pytest.mark.thorough
@settings(max_examples=60)
@given(st.data())
def test_damaged_files_raise_nothing_unforeseen(data: st.DataObject) -> None:
    """Bytes changed anywhere: the flat picture or an error of the kinds that are told, nothing else."""
    whole = bytearray(packed(picture()))
    for _ in range(data.draw(st.integers(1, 6))):
        whole[data.draw(st.integers(0, len(whole) - 1))] = data.draw(st.integers(0, 255))
    try:
        back = unpacked(bytes(whole))
    except (
        KeyError,
        ValueError,
        OSError,
        SyntaxError,
        NotImplementedError,
        zipfile.BadZipFile,
        RuntimeError,
        EOFError,
        zlib.error,
    ):
        return
    assert len(back.layers) in (0, 2, 3) and isinstance(back.merged, bytes)
