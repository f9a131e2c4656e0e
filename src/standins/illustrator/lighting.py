"""Light on figures: an edge that catches it, and the shadow that a figure casts on the ground, away
from the light."""

from collections.abc import Sequence

from .colour import RGB, css, lighter
from .pen import Mark, Pen, Point, straight_path

PLAIN = ("stick-figures", "shadow-theatre")
"""Looks without light and shadow of their own."""


def _silhouette(marks: Sequence[Mark]) -> str:
    """One path of all outlines, all turning the same way, so that where they overlap nothing is cut
    out."""
    out = []
    for mark in marks:
        o = mark.outline
        area = sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(o, (*o[1:], o[0]), strict=True))
        out.append(straight_path(o if area > 0 else o[::-1]))
    return "".join(out)


def _toward(light: Point, middle: Point) -> tuple[float, float]:
    dx, dy = light[0] - middle[0], light[1] - middle[1]
    d = max(1.0, (dx * dx + dy * dy) ** 0.5)
    return dx / d, dy / d


def rim_of(pen: Pen, marks: Sequence[Mark], whole: Sequence[Mark], light: Point | None, colour: RGB, strength: float) -> str:
    """The edge toward the light, which shines: the outline of some parts in the light's colour, a little toward it. It
    lies behind the figure, whose parts are `whole`; nothing inside the figure changes. Nothing where there is none."""
    if light is None or strength <= 0 or pen.look in PLAIN or not marks:
        return ""
    xs = [x for m in whole for x, _ in m.outline]
    ys = [y for m in whole for _, y in m.outline]
    dx, dy = _toward(light, ((min(xs) + max(xs)) / 2, (min(ys) + max(ys)) / 2))
    far = max(2.2, (max(ys) - min(ys)) * 0.0085)
    return (f'<path d="{_silhouette(marks)}" transform="translate({dx * far:.1f} {dy * far:.1f})" fill="{css(lighter(colour, 0.3))}" '
            f'fill-opacity="{strength:.2f}"/>')


def shadow_of(pen: Pen, marks: Sequence[Mark], light: Point | None, ground: float, strength: float) -> str:
    """The figure's outline laid on the ground, longer the lower the light stands. Nothing where there is none."""
    if light is None or pen.look in (*PLAIN, "chalk-slate") or not marks or ground > 1000 or strength <= 0:
        return ""
    xs = [x for m in marks for x, _ in m.outline]
    height = ground - min(y for m in marks for _, y in m.outline)
    middle = (min(xs) + max(xs)) / 2
    dx, dy = _toward(light, (middle, ground - height * 0.5))
    slant = max(-1.3, min(1.3, -dx / max(0.35, abs(dy)) * 0.8))
    # Upright heights become depths on the ground: squashed to a sixth and pushed away from the
    # light.
    return (f'<path d="{_silhouette(marks)}" transform="matrix(1 0 {-slant * 0.62:.3f} -0.17 {slant * 0.62 * ground:.1f} {ground * 1.17:.1f})" '
            f'fill="#150d18" fill-opacity="{strength:.2f}"/>')
