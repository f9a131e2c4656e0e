"""Bodies: measures by age and build, what the seed decides of a person, and where a posed body's
points are on the page."""

import math
import random
from collections.abc import Mapping
from dataclasses import dataclass

from cutreel.protocol import POSES, FigurePose, Joint, posed, turned

from .colour import NAMED, RGB, darker
from .pen import Point
from .reading import Figure

_HAIRS = ("black", "dark brown", "chestnut", "rust", "ochre", "brown")
_CLOTHES = ("teal", "brick red", "mustard", "moss green", "navy", "plum", "rust", "grey blue")
SKIN: tuple[RGB, ...] = ((240, 208, 182), (228, 186, 152), (206, 156, 116), (158, 110, 80), (112, 78, 58))


@dataclass
class Body:
    """Measures of a body in page units; up runs from the feet at 0."""

    total: float
    head: float
    shoulder: float
    shoulders: float
    hip: float
    hips: float
    limb: float

    @property
    def neck(self) -> float:
        return self.shoulder + self.limb * 0.5

    def standing(self) -> dict[Joint, Point]:
        """The joints of the body standing upright (x forward, y up), its hips at the origin."""
        arm, low = (self.shoulder - self.hip) * 0.6, self.shoulder - self.limb * 0.55 - self.hip
        neck = self.neck - self.hip
        out: dict[Joint, Point] = {"hips": (0, 0), "neck": (0, neck), "head": (0, self.total - self.head * 1.06 - self.hip)}
        for side, k in (("near", 1), ("far", -1)):
            x = k * self.shoulders * 0.84
            joints = {"shoulder": (x, low), "elbow": (x, low - arm), "hand": (x, low - arm * 1.95), "knee": (0, -self.hip * 0.48),
                      "foot": (0, self.limb * 0.5 - self.hip)}
            out.update({f"{side}_{name}": at for name, at in joints.items()})  # type: ignore[misc]
        return out


def body_of(figure: Figure, height: float) -> Body:
    """`height` is a grown person's, in page units."""
    k = height / 1000 * figure.size
    if figure.age == "child":
        b = Body(690 * k, 92 * k, 470 * k, 74 * k, 280 * k, 64 * k, 40 * k)
    elif figure.age == "old":
        b = Body(935 * k, 90 * k, 715 * k, 104 * k, 425 * k, 92 * k, 50 * k)
    else:
        b = Body(1000 * k, 90 * k, 775 * k, 102 * k, 455 * k, 86 * k, 50 * k)
    wide = {"stout": 1.28, "slim": 0.86}.get(figure.build or "", 1.0)
    if figure.pronoun == "she" and figure.age != "child":
        b.shoulders *= 0.9
    b.shoulders, b.hips, b.limb = b.shoulders * wide, b.hips * wide, b.limb * (0.6 + 0.4 * wide)
    return b


def decide(figure: Figure, rng: random.Random) -> Figure:
    """Let the seed decide what the prompt left open; of somebody with a name, their name: they are the same in every
    picture."""
    if figure.name or figure.of:
        rng = random.Random(figure.name or figure.of)
    figure.pronoun = figure.pronoun or rng.choice(["she", "he"])
    figure.age = figure.age or "adult"
    figure.build = figure.build or rng.choice(["slim", "", "", "stout"])
    figure.skin = figure.skin or rng.choice(SKIN)
    figure.hair = figure.hair or (NAMED["silver"] if figure.age == "old" else NAMED[rng.choice(_HAIRS)])
    styles = ["long", "bun", "tied", "braid", "bob"] if figure.pronoun == "she" else ["short", "curly", "cropped", "short"]
    figure.hair_style = figure.hair_style or rng.choice(styles)
    colour = NAMED[rng.choice(_CLOTHES)]
    if not figure.garments:
        kinds = ["dress", "coat", "jacket"] if figure.pronoun == "she" else ["coat", "jumper", "jacket", "waistcoat"]
        figure.garments = [(rng.choice(kinds), colour)]
    worn_of_colour = [(kind, shade or colour) for kind, shade in figure.garments]
    figure.garments = [*worn_of_colour]
    # What has no colour of its own has one that goes with the rest, and so the same in every picture.
    worn = darker(worn_of_colour[0][1], 0.3)
    figure.extras = [(kind, shade or worn) for kind, shade in figure.extras]
    if figure.hat:
        figure.hat = (figure.hat[0], figure.hat[1] or worn)
    figure.expression = figure.expression or "calm"
    return figure


class Posed:
    """A body in a pose on the page. Calling it puts a point of the upright body (x forward, up
    from the feet) where the pose carries it: above the hips with the torso, below them with the
    thighs."""

    def __init__(self, body: Body, joints: Mapping[Joint, Point], hips: Point, way: int) -> None:
        self.body, self.way, self.hips = body, way, hips
        self.joints = dict(joints)
        neck, head = self.joints["neck"], self.joints["head"]
        self.torso = math.degrees(math.atan2(neck[0], neck[1]))
        self.nod = math.degrees(math.atan2(head[0] - neck[0], head[1] - neck[1])) - self.torso
        thighs = [self.joints["near_knee"], self.joints["far_knee"]]
        self.skirt = max(-60.0, min(78.0, math.degrees(math.atan2(sum(p[0] for p in thighs), -sum(p[1] for p in thighs)))))

    @property
    def sits(self) -> bool:
        """Whether the thighs lie about level, the shins hang from them and the torso is upright:
        something has to be under it."""
        def hangs(knee: Point, foot: Point) -> bool:
            thigh = math.hypot(*knee)
            return abs(knee[1]) < 0.5 * thigh and foot[1] < knee[1] - 0.5 * thigh and abs(foot[0]) > 0.35 * thigh

        j = self.joints
        return abs(self.torso) < 50 and hangs(j["near_knee"], j["near_foot"]) and hangs(j["far_knee"], j["far_foot"])

    def page(self, local: Point) -> Point:
        """A point about the hips (x forward, y up) on the page."""
        return (self.hips[0] + self.way * local[0], self.hips[1] - local[1])

    def local(self, x: float, up: float) -> Point:
        d = (x, up - self.body.hip)
        return turned(d, self.torso) if d[1] >= 0 else turned(d, -self.skirt)

    def __call__(self, x: float, up: float) -> Point:
        return self.page(self.local(x, up))

    def head(self, x: float, up: float) -> Point:
        """A point of the upright head, nodded about the neck."""
        neck = self.joints["neck"]
        off = turned((x, up - self.body.neck), self.torso + self.nod)
        return self.page((neck[0] + off[0], neck[1] + off[1]))

    def on_page(self) -> dict[Joint, Point]:
        return {name: self.page(at) for name, at in self.joints.items()}


def standing_at(figure: Figure, height: float, x: float, y: float, way: int, seated: bool = False) -> Posed:
    """A figure in the pose that it was read in, its lowest point on the ground at (x, y); `seated`:
    the hips near it, the legs hidden, as in a boat."""
    body = body_of(figure, height)
    pose = POSES.get(figure.pose, POSES["stand"])
    if seated and figure.pose not in ("row", "sit"):
        pose = pose.model_copy(update={"near_leg": POSES["sit"].near_leg, "far_leg": POSES["sit"].far_leg})
    joints = posed(pose, body.standing())
    if seated:
        return Posed(body, joints, (x, y - body.hip * 0.38), way)
    low = min(joints["near_foot"][1] - body.limb * 0.5, joints["far_foot"][1] - body.limb * 0.5, -body.limb * 0.9,
              joints["near_knee"][1] - body.limb * 0.5)
    middle = joints["neck"][0] * 0.5 if figure.pose == "lie" else 0.0
    return Posed(body, joints, (x - way * middle, y + low), way)


def posed_as(figure: Figure, asked: FigurePose, width: float, high: float) -> Posed:
    """A figure whose joints are asked for as shares of a page of `width` by `high`; its height
    follows from its torso."""
    points = {name: (at[0] * width, at[1] * high) for name, at in asked.joints.items()}
    hips = points["hips"]
    local: dict[Joint, Point] = {name: (asked.way * (x - hips[0]), hips[1] - y) for name, (x, y) in points.items()}
    unit = body_of(figure, 1000)
    height = 1000 * math.hypot(*local["neck"]) / (unit.neck - unit.hip)
    body = body_of(figure, height)
    known = posed(POSES[figure.pose] if figure.pose in POSES else POSES["stand"], body.standing())
    return Posed(body, {**known, **local}, hips, asked.way)
