"""A figure that can move: the pieces it is made of, as a jointed paper figure is, and the pins they turn about.

Its pieces lie side by side on one sheet, a PNG with transparency. Laid over one another in their order, each where it
is said to be, with one piece of every variant, they are the figure as the picture shows it. All places and sizes in
pixels are even, so that pieces stand on whole pixels of colour.
"""

from typing import Literal, get_args

from pydantic import BaseModel, Field

from .skeleton import Joint

Bone = Literal[
    "ground", "torso", "head", "near_arm", "near_forearm", "near_held", "near_hung", "far_arm", "far_forearm",
    "near_thigh", "near_shin", "far_thigh", "far_shin",
]  # fmt: skip
CARRIED_BY: dict[Bone, tuple[Joint | None, Bone | None]] = {
    "ground": (None, None),
    "torso": ("hips", None),
    "head": ("neck", "torso"),
    "near_arm": ("near_shoulder", "torso"),
    "near_forearm": ("near_elbow", "near_arm"),
    "near_held": ("near_hand", "near_forearm"),
    "near_hung": ("near_hand", "near_forearm"),
    "far_arm": ("far_shoulder", "torso"),
    "far_forearm": ("far_elbow", "far_arm"),
    "near_thigh": ("hips", None),
    "near_shin": ("near_knee", "near_thigh"),
    "far_thigh": ("hips", None),
    "far_shin": ("far_knee", "far_thigh"),
}
"""Each bone with the joint it turns about and the bone that carries it, carriers first. What lies on the ground, as a
shadow does, goes along and never turns; what is hung from a hand goes with it and hangs straight."""
MOUTHS: tuple[str, ...] = (
    "rest", "pressed", "bitten", "parted", "spread", "open", "gape", "round", "pucker",
)  # fmt: skip
"""Shapes of a mouth: as the expression has it; lips shut (m, b, p); the lip under the teeth (f, v); a little open (most
consonants); broad (as in *see*); open (*bed*); wide open (*father*); round (*go*); pursed (*too*, w)."""
Mouth = Literal["rest", "pressed", "bitten", "parted", "spread", "open", "gape", "round", "pucker"]
assert get_args(Mouth) == MOUTHS
_Pixel = Field(ge=-20_000, le=20_000)


class Flow(BaseModel):
    """How a part of a picture moves by itself: water that runs between two heights (shares of the picture, from its
    top), or weather that is drawn as it falls, and is left out where it falls in the film."""

    kind: Literal["water", "weather"]
    top: float = Field(0.0, ge=-1, le=2)
    bottom: float = Field(1.0, ge=-1, le=2)


class FigurePiece(BaseModel):
    """A piece: its `bone`; its `variant` ("mouth …" with a shape, "eyes open" or "eyes shut"; empty: always shown);
    where it lies on the sheet (pixels), and where its left upper corner stands in the picture, in the picture's
    pixels."""

    bone: Bone
    variant: str = Field("", max_length=24)
    x: int = Field(ge=0, le=20_000)
    y: int = Field(ge=0, le=20_000)
    width: int = Field(ge=1, le=20_000)
    height: int = Field(ge=1, le=20_000)
    left: int = _Pixel
    top: int = _Pixel


class JointedFigure(BaseModel):
    """A figure of a picture in pieces, from back to front. `pins` are its joints in the picture's pixels; an animal has
    the hips alone, where it stands. `way` is 1 when it looks right, -1 left."""

    name: str = Field(max_length=80)
    kind: Literal["person", "animal"] = "person"
    way: Literal[1, -1] = 1
    pins: dict[Joint, tuple[float, float]] = Field(max_length=16)
    pieces: list[FigurePiece] = Field(min_length=1, max_length=80)
