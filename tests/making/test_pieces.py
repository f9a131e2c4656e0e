"""What a service tells of how a picture moves is kept where it is sound, and the picture alone where it is not."""

import io
from decimal import Decimal
from types import SimpleNamespace
from typing import Any

import pytest
from PIL import Image

from cutreel.making.kinds.picture import PictureKind, PictureSpec
from cutreel.protocol import JointedFigure, Result
from cutreel.services import Delivered


def png(size: tuple[int, int] = (640, 360), mode: str = "RGB") -> bytes:
    out = io.BytesIO()
    Image.effect_noise(size, 50).convert(mode).save(out, "PNG")
    return out.getvalue()


def told(name: str, **data: Any) -> tuple[Result, bytes]:
    size = data.pop("size", (640, 360))
    content = png(size, data.pop("mode", "RGB" if name == "picture-0" else "RGBA"))
    return Result(name=name, media_type="image/png", sha256="0" * 64, size=1, data=data), content


def piece(**more: int) -> dict[str, Any]:
    return {
        "bone": "torso",
        "x": 0,
        "y": 0,
        "width": 40,
        "height": 60,
        "left": 10,
        "top": 20,
        **more,
    }


def figure(*pieces: dict[str, Any], **more: Any) -> dict[str, Any]:
    return {"name": "ada", "pins": {"hips": [30, 50]}, "pieces": list(pieces) or [piece()], **more}


SHEET = {"size": (128, 128)}
LAYERS = (told("picture-0-layer-0", depth=0.0), told("picture-0-layer-1", depth=0.55))


@pytest.fixture
def kept(stack):
    """What becomes of a picture whose service tells this and that of it."""

    def keep(*strips: tuple[Result, bytes], **about: Any) -> dict[str, Any]:
        files = [told("picture-0", regions=[], **about), *LAYERS, *strips]
        work = SimpleNamespace(shop=stack.shop, ask=lambda *_: Delivered(files, Decimal(0), []))
        spec = PictureSpec(
            made_from="x", prompt="a", seed=1, width=640, height=360, offer="illustrator-quick"
        )
        made = PictureKind().make(spec, work)  # type: ignore[arg-type]
        assert made is not None and made.media
        return dict(made.data)

    return keep


def test_what_is_sound_is_kept_with_its_figures_in_files_of_their_own(kept, stack) -> None:
    data = kept(
        told("s", layer=0, mode="RGB", moves={"kind": "water", "top": 0.5, "bottom": 1}),
        told(
            "picture-0-strip-1", layer=1, figure=figure(piece(), piece(bone="near_thigh")), **SHEET
        ),
        flames=[[0.5, 0.4, 0.2]],
    )
    water, ada = data["strips"]
    assert (water["layer"], water["moves"]["kind"]) == (0, "water")
    assert (ada["name"], ada["kind"], ada["legs"]) == ("ada", "person", True)
    assert ada["size"] == [640, 360], (
        "its pins are in a picture of this size, also when that is enlarged"
    )
    known = JointedFigure.model_validate_json(stack.shop.media.get(ada["figure"]))
    assert known.pins["hips"] == (30, 50) and len(known.pieces) == 2
    assert data["flames"] == [[0.5, 0.4, 0.2]]
    assert [depth for _, depth in data["layers"]] == [0.0, 0.55], "strips are no layers"


@pytest.mark.parametrize(
    "strip",
    [
        told("s", layer=7),
        told("s", layer="behind"),
        told("s", nothing=True),
        told("s", layer=1, figure=figure(piece(x=100)), **SHEET),
        told("s", layer=1, figure=figure(piece(left=11)), **SHEET),
        told("s", layer=1, figure=figure(piece(bone="tail")), **SHEET),
        told("s", layer=1, figure={"name": "ada"}, **SHEET),
        told("s", layer=0, moves={"kind": "lava"}),
        told("s", layer=0, figure=figure(), **SHEET),
    ],
    ids=[
        "no such layer",
        "no number",
        "no layer",
        "off the sheet",
        "odd",
        "no bone",
        "no pieces",
        "no way to move",
        "behind all",
    ],
)
def test_of_what_is_not_sound_nothing_is_kept_but_the_picture(kept, strip) -> None:
    data = kept(told("s", layer=0, mode="RGB"), strip)
    assert "strips" not in data and len(data["layers"]) == 2


def test_what_lies_behind_all_lets_nothing_through(kept) -> None:
    assert "strips" not in kept(told("s", layer=0), told("s", layer=0))
    assert len(kept(told("s", layer=0, mode="RGB"), told("s", layer=0))["strips"]) == 2


@pytest.mark.parametrize(
    "flames", [[[0.5, 0.4]], [["a", 0, 1]], "light", [[0.5, 0.5, 9.0]], [[9, 9, 0.1]], None]
)
def test_flames_that_make_no_sense_are_left_out(kept, flames) -> None:
    assert "flames" not in kept(flames=flames)


def test_so_many_flames_and_no_more(kept) -> None:
    assert len(kept(flames=[[0.1, 0.1, 0.1]] * 40)["flames"]) == 8
